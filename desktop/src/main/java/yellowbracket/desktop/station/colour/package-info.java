/** The colour page. Start at {@link yellowbracket.desktop.station.colour.ColourView}. */
package yellowbracket.desktop.station.colour;
