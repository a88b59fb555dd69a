/** The plan page. Start at {@link yellowbracket.desktop.station.plan.PlanView}. */
package yellowbracket.desktop.station.plan;
