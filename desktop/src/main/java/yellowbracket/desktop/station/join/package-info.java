/** The join page. Start at {@link yellowbracket.desktop.station.join.JoinView}. */
package yellowbracket.desktop.station.join;
