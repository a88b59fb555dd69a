/** The cut page. Start at {@link yellowbracket.desktop.station.cut.CutView}. */
package yellowbracket.desktop.station.cut;
