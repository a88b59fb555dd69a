/**
 * Closed solids from plane cuts: caps, rims, blocks carved off. Start at {@link yellowbracket.cut.solid.PlaneCut}.
 * Model coordinates, millimetres.
 */
package yellowbracket.cut.solid;
