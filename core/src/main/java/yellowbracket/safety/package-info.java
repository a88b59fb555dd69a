/**
 * Hazards and protective gear by operation. Start at {@link yellowbracket.safety.Caution}. Product sheets, local rules and licensed
 * practice come first.
 */
package yellowbracket.safety;
