package yellowbracket.shop;

import java.util.List;
import yellowbracket.finding.Limits;

/**
 * Sheet, mesh or cloth that closes an opening, as it is sold.
 *
 * @param light share let through straight ahead; of mesh and cloth the open share @param thickMm as sold @param wideMm of a sheet
 * @param coldTimes bends cold to a radius of so many thicknesses @param formsC softens for forming, 0 for never
 */
public record Sheeting(String name, Kind kind, List<Double> thickMm, double wideMm, double highMm, double light, double coldTimes,
        double formsC, Cut cut) {
    /** What it is. */
    public enum Kind { PLASTIC, MESH, CLOTH }

    /** How it is cut. */
    public enum Cut {
        SCISSORS("cut it with scissors"), SNAP("score and snap straight edges, saw round ones"), SAW("saw it, and file the edge");

        private final String words;

        Cut(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Sheeting {
        Limits.named("a sheet", name);
        Limits.within("light through " + name, light, 0.001, 1);
        thickMm = List.copyOf(thickMm);
        if (thickMm.isEmpty()) throw new IllegalArgumentException(name + " is sold in no thickness");
    }

    public boolean plastic() {
        return kind == Kind.PLASTIC;
    }
}
