/** Rows, tables, tags and findings that all cards use. */
package yellowbracket.desktop.widget;
