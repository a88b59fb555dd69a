/**
 * Closed and open triangle meshes: storage, bodies, display proxies. Start at {@link yellowbracket.mesh.Mesh}; files are read through
 * {@link yellowbracket.mesh.io.MeshFile}, questions of space asked through {@link yellowbracket.mesh.index.Bvh}.
 * Millimetres, right-handed, z up, y forward (the wearer faces +y), x to the wearer's right; triangles counter-clockwise seen from outside.
 */
package yellowbracket.mesh;
