/** Pieces of surface laid flat. Start at {@link yellowbracket.mesh.flat.Flattened}. Lengths mm, the flat piece in u (right) and v (up). */
package yellowbracket.mesh.flat;
