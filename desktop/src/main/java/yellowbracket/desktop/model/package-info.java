/**
 * What views read and write: the session, its results, background work, timers, words for numbers. Start at {@link
 * yellowbracket.desktop.model.AppModel}. Interface thread only.
 */
package yellowbracket.desktop.model;
