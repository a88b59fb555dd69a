/** The one way in which any package speaks up. Start at {@link yellowbracket.finding.Finding}. */
package yellowbracket.finding;
