/** Job card and overlay of each station. */
package yellowbracket.desktop.station;
