/**
 * Where a mesh lies in space: rays, nearest points, boxes, planes, inside and outside. Start at {@link yellowbracket.mesh.index.Bvh}.
 * Millimetres.
 */
package yellowbracket.mesh.index;
