/**
 * The document: decisions and facts, edits, history, files, and the workings that derive everything else.
 * Start at {@link yellowbracket.build.Build} and {@link yellowbracket.build.Workings}.
 */
package yellowbracket.build;
