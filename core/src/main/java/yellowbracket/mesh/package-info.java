/**
 * Closed and open triangle meshes: storage, spatial index, health, measures, display proxies.
 * Start at {@link yellowbracket.mesh.Mesh}; read files through {@link yellowbracket.mesh.io.StlReader}.
 * Millimetres, right-handed, z up, y forward (the wearer faces +y), x to the wearer's right; triangles counter-clockwise seen from outside.
 */
package yellowbracket.mesh;
