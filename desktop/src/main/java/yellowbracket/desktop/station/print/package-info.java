/** The print page. Start at {@link yellowbracket.desktop.station.print.PrintView}. */
package yellowbracket.desktop.station.print;
