/**
 * The JavaFX application. Start at {@link yellowbracket.desktop.Launcher}. Views read {@link yellowbracket.desktop.AppModel}; nothing heavy
 * runs on the interface thread.
 */
package yellowbracket.desktop;
