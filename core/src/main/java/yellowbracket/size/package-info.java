/**
 * Does it fit: head form, pose, clearance by zone, scale, does the head pass the neck, what the wearer sees.
 * Start at {@link yellowbracket.size.Fit}. Head coordinates: origin amid the head at eye height, y forward, z up, real millimetres;
 * prop coordinates are the model's own, unscaled.
 */
package yellowbracket.size;
