/** Wearing: padding by zone for each wearer. Start at {@link yellowbracket.wear.PadPlan}. */
package yellowbracket.wear;
