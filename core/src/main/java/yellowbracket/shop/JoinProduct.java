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
        Set<Hazard> hazards, String notes) {
    public boolean suits(String material) {
        return materials.isEmpty() || materials.contains(material);
    }
}
