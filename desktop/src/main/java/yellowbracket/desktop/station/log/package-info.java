/** The log page. Start at {@link yellowbracket.desktop.station.log.LogView}. */
package yellowbracket.desktop.station.log;
