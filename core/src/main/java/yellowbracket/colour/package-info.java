/** Colour: difference, cover, zones, coats with their windows, spray weather. Start at {@link yellowbracket.colour.ColourPlan}. */
package yellowbracket.colour;
