/** The search for good cuts. Start at {@link yellowbracket.cut.plan.SectionPlanner}. Model coordinates, millimetres; costs in hours. */
package yellowbracket.cut.plan;
