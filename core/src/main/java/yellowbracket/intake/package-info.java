/**
 * What of a file becomes the prop: its unit, which way is up, which bodies count, what is mended. Start at {@link
 * yellowbracket.intake.Intake};
 * {@link yellowbracket.intake.Stance} guesses unit and way up. The file's own mesh is never changed.
 */
package yellowbracket.intake;
