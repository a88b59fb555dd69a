/** Lights, fans and what feeds them, and other bought parts. Start at {@link yellowbracket.wear.light.Power}. Lengths mm, currents mA. */
package yellowbracket.wear.light;
