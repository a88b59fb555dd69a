/**
 * Faults of a mesh and their mending. Start at {@link yellowbracket.mesh.repair.MeshHealth} for what is wrong and
 * {@link yellowbracket.mesh.repair.Mend} for what can be done. Millimetres.
 */
package yellowbracket.mesh.repair;
