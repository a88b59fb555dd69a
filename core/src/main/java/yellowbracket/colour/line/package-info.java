/**
 * Grooves and raised lines of the surface, and what painting them by hand takes.
 */
package yellowbracket.colour.line;
