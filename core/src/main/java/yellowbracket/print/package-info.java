/**
 * Printing: which way up, layers, hours, grams, support, failure risk, which printer.
 * Start at {@link yellowbracket.print.PrintPlan}. Sections come in real millimetres; an orientation is a turn of the section before it is
 * set on the bed.
 */
package yellowbracket.print;
