/** The wear page. Start at {@link yellowbracket.desktop.station.wear.WearView}. */
package yellowbracket.desktop.station.wear;
