/** What is derived for the cut station. Start at {@link yellowbracket.derive.cut.CutFigures}. */
package yellowbracket.derive.cut;
