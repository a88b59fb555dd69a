/** What is derived for the plan of the build. Start at {@link yellowbracket.derive.plan.PlanFigures}. */
package yellowbracket.derive.plan;
