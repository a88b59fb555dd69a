/**
 * Zones on the surface: every facet of a mesh carries the number of one zone, and facets are split where zones meet. Start at {@link
 * yellowbracket.colour.zone.Painted}. Millimetres of the mesh; knows no paint.
 */
package yellowbracket.colour.zone;
