/**
 * Searches that several stations share: ways through graphs that are never written down, thresholds. Start at {@link
 * yellowbracket.search.BestFirst}.
 */
package yellowbracket.search;
