/**
 * How sections find each other: pins, magnets, tongues, bosses, letters, worked into the faces of a cut.
 * Start at {@link yellowbracket.cut.registration.Registrar}. Model coordinates; clearance and wall in real millimetres.
 */
package yellowbracket.cut.registration;
