/** The size page. Start at {@link yellowbracket.desktop.station.size.SizeView}. */
package yellowbracket.desktop.station.size;
