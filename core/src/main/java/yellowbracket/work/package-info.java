/**
 * The vocabulary in which stations state their work: what is worked on, operations, tools, hazards, tasks with their waits, needs.
 * Start at {@link yellowbracket.work.StationWork}. Hours; lengths of waits are from the end of one task to the start of the next.
 */
package yellowbracket.work;
