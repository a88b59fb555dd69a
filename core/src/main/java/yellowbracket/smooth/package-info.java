/**
 * From layer lines to a surface ready for colour: areas by class, the shortest ladder of fill, sand and prime steps, mixes and amounts.
 * Start at {@link yellowbracket.smooth.SmoothPlan}. Depths in micrometres, areas in mm2 (dm2 where work is priced), minutes.
 */
package yellowbracket.smooth;
