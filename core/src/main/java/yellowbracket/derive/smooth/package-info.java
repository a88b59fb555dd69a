/** What is derived for the smooth station. Start at {@link yellowbracket.derive.smooth.SmoothFigures}. */
package yellowbracket.derive.smooth;
