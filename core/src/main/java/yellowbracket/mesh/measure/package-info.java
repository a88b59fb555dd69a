/**
 * What is measured on a mesh with rays: surface samples with what is seen of them, wall thickness, round holes and pegs.
 * Start at {@link yellowbracket.mesh.measure.SurfaceSamples}. Millimetres.
 */
package yellowbracket.mesh.measure;
