/**
 * The document: decisions and facts, edits, history, files. Start at {@link yellowbracket.document.Build} and
 * {@link yellowbracket.document.Edit}.
 */
package yellowbracket.document;
