package yellowbracket.shop;

/** How a printer builds layers: a line of molten filament, or a whole layer of resin lit at once. */
public enum Process { FILAMENT, RESIN }
