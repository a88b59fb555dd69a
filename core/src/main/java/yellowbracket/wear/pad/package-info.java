/**
 * Foam between head and shell. Start at {@link yellowbracket.wear.pad.PadPlan}. Head coordinates, mm; pressures kPa (1 kPa is 0.001 N on
 * a mm2).
 */
package yellowbracket.wear.pad;
