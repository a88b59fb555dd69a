package yellowbracket.shop;

/** A filament: density g/cm3, softening point C, price a kilogram, how far its strength across layers falls short of a solid piece (0..1). */
public record Material(String name, double densityGcm3, double softensC, double costPerKg, double tensileMpa, double layerStrength, String sanding) {}
