/**
 * When: tasks of all stations, working hours, printers, weather, and the schedule with its slack and chance.
 * Start at {@link yellowbracket.plan.TaskList} and {@link yellowbracket.plan.Scheduler}. Hours of work and waiting; wall-clock times are
 * local.
 */
package yellowbracket.plan;
