/** What is derived for the print station. Start at {@link yellowbracket.derive.print.PrintFigures}. */
package yellowbracket.derive.print;
