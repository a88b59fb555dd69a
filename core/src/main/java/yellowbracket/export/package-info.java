/** What leaves the program: section files, maps, tables, calendar. Start at {@link yellowbracket.export.Export}. */
package yellowbracket.export;
