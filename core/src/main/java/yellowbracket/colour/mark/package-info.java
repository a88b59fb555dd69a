/**
 * Stripes, rings, letters and emblems laid on the surface, and their stencils. Start at {@link yellowbracket.colour.mark.Mark}. Shapes are
 * flat, mm, centred, v up; places in model mm.
 */
package yellowbracket.colour.mark;
