/** What the program notes of itself, for mending it. Start at {@link yellowbracket.program.ProgramLog}. */
package yellowbracket.program;
