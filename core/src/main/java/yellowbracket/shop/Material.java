package yellowbracket.shop;

import java.util.Set;
import yellowbracket.work.Hazard;

/**
 * A filament or resin: density g/cm3, softening point C, price a kilogram, how far its strength across layers falls short of a solid piece
 * (0..1);
 * {@code warp} 0..1: how much it pulls its corners off the bed; {@code sunProof}: lasts outdoors; {@code fumes}: needs air while printing;
 * {@code solventSoft}: styrene and strong solvents soften it; {@code sandTimes}: how much faster than PLA it sands.
 */
public record Material(String name, Process process, double densityGcm3, double softensC, double costPerKg, double tensileMpa,
        double layerStrength, double sandTimes, String sanding, double warp, boolean sunProof, boolean fumes, boolean solventSoft,
        Set<Hazard> hazards) {}
