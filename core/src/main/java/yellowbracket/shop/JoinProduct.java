package yellowbracket.shop;

import java.util.List;
import java.util.Set;
import yellowbracket.work.Hazard;

/**
 * A way to join. Times: {@code workMin} to put it on, {@code holdMin} to hold it still, {@code handleH} until it may be handled, {@code
 * fullH} to full
 * strength, at 20 C. Shear range in MPa on scuffed print; {@code gapMm} the widest gap it bridges; {@code peel} the share of shear it takes
 * in peel; {@code mostC}: warmer than this it creeps under load, degrees: starting values, a product sheet counts more.
 */
public record JoinProduct(String name, double workMin, double holdMin, double handleH, double fullH, double shearLowMpa,
        double shearHighMpa, double gapMm, double densityGcm3, double costPer100g, double peel, double mostC, List<String> materials,
        Manner manner, Set<Hazard> hazards, String notes) {
    /**
     * How it is put on and what it leaves.
     * @param mmMin along the seam; 0 as fast as glue is spread @param inside from inside only @param leastG the least that can be mixed of
     *        two parts, in the ratio its label says; 0 for what is not mixed
     * @param grooveMm2 to be filled along each mm of seam that shows, beyond the usual; less than 0 where it fills as it joins
     * @param sandTimes the time that the seam takes to sand, against the usual
     * @param ofPrintLow  share of what the print bears there, for what melts it; 0 for glues, {@code ofPrintHigh} at best
     */
    public record Manner(double mmMin, boolean inside, double leastG, double grooveMm2, double sandTimes, double ofPrintLow,
            double ofPrintHigh, List<Beside> beside) {
        public static final Manner PLAIN = new Manner(0, false, 0, 0, 1, 0, 0, List.of());

        public Manner {
            beside = List.copyOf(beside);
        }

        public boolean mixed() {
            return leastG > 0;
        }

        /** Melts the print instead of sticking to it. */
        public boolean welds() {
            return ofPrintLow > 0;
        }
    }

    /** Used up with it: for each gram of it and for each dm of seam. */
    public record Beside(String name, double perG, double perDm, String unit) {}

    public JoinProduct {
        materials = List.copyOf(materials);
        hazards = Set.copyOf(hazards);
    }

    public boolean suits(String material) {
        return materials.isEmpty() || materials.contains(material);
    }
}
