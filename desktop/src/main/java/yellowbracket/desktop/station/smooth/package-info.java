/** The smooth page. Start at {@link yellowbracket.desktop.station.smooth.SmoothView}. */
package yellowbracket.desktop.station.smooth;
