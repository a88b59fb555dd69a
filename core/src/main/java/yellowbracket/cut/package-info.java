/**
 * From a model to closed sections: plane cuts, a tree of cuts, seams, the section planner.
 * Start at {@link yellowbracket.cut.SectionPlanner} for a plan and {@link yellowbracket.cut.Sectioning} for its sections.
 * Planes and sections live in model coordinates (before scaling), millimetres, right-handed, z up, y forward.
 */
package yellowbracket.cut;
