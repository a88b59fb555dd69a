/**
 * What closes openings: sheets, lenses, mesh, and how one sees through. Start at {@link yellowbracket.wear.panel.Opening}. Prop
 * coordinates as
 * large as the prop is, mm; flat patterns in u (to the wearer's right) and v (up), as the wearer sees them from inside.
 */
package yellowbracket.wear.panel;
