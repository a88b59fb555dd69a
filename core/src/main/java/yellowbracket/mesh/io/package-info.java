/** Mesh files. Start at {@link yellowbracket.mesh.io.StlReader} and {@link yellowbracket.mesh.io.StlWriter}. Coordinates are taken as millimetres. */
package yellowbracket.mesh.io;
