/** What is derived for the wear station. Start at {@link yellowbracket.derive.wear.WearFigures}. */
package yellowbracket.derive.wear;
