/**
 * The command line: {@code yb COMMAND}. Start at {@link yellowbracket.cli.Main}. Text or one JSON document; lengths in mm, mass in g, time
 * in h.
 */
package yellowbracket.cli;
