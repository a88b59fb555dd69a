package yellowbracket.shop;

import java.util.ArrayList;
import java.util.List;

/** How a section is printed. Lengths in mm, infill 0..1, support where a face leans more than {@code supportAngleDeg} from upright. */
public record Profile(String name, String material, double layerMm, double nozzleMm, int walls, double infill, double topBottomMm,
                      double supportAngleDeg, double supportDensity) {
    public double lineWidthMm() {
        return 1.1 * nozzleMm;
    }

    /** Thickness that can be sanded before the wall is through, mm. */
    public double wallMm() {
        return walls * lineWidthMm();
    }

    public Profile withLayer(double layer) {
        return new Profile(name, material, layer, nozzleMm, walls, infill, topBottomMm, supportAngleDeg, supportDensity);
    }

    public Profile withWalls(int count) {
        return new Profile(name, material, layerMm, nozzleMm, count, infill, topBottomMm, supportAngleDeg, supportDensity);
    }

    public Profile withMaterial(String other) {
        return new Profile(name, other, layerMm, nozzleMm, walls, infill, topBottomMm, supportAngleDeg, supportDensity);
    }

    /** What cannot be printed so, in words; empty if nothing. */
    public List<String> check() {
        var out = new ArrayList<String>();
        if (!(layerMm > 0.02)) out.add("layer height " + layerMm + " mm: it must be above 0.02 mm.");
        else if (layerMm > 0.75 * nozzleMm + 1e-9)
            out.add("layer height " + layerMm + " mm is over three quarters of the " + nozzleMm + " mm nozzle: take " + Math.floor(75 * nozzleMm) / 100 + " mm or a larger nozzle.");
        if (walls < 1) out.add("at least one wall is needed.");
        if (!(infill >= 0 && infill <= 1)) out.add("infill lies between 0 and 100 %.");
        return List.copyOf(out);
    }
}
