/**
 * What wear and weather leave on a prop: where, in which order it is laid on, and how it looks. Start at {@link
 * yellowbracket.colour.weather.WearFields}. Real mm, z up.
 */
package yellowbracket.colour.weather;
