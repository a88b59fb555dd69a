/**
 * Mesh files. Start at {@link yellowbracket.mesh.io.MeshFile} to read and {@link yellowbracket.mesh.io.MeshWriter} to write. Coordinates
 * are kept as
 * 32-bit floats, as STL has them, so that a mesh is the same whichever format it came in; a format that states a unit gives millimetres.
 * Every reader is bounded by the size of its input, checks declared counts before it allocates, and can be stopped.
 */
package yellowbracket.mesh.io;
