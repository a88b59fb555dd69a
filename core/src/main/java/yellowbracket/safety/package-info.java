/**
 * Hazards and protective gear from operation, product and tool. Start at {@link yellowbracket.safety.Caution}. Product sheets, local rules
 * and licensed practice come first.
 */
package yellowbracket.safety;
