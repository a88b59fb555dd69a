/** What is derived for the colour station. Start at {@link yellowbracket.derive.colour.ColourFigures}. */
package yellowbracket.derive.colour;
