/** What happened: entries, the log line's own short notation, and what the entries teach. Start at {@link yellowbracket.log.Lessons}. */
package yellowbracket.log;
