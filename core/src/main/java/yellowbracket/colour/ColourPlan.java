package yellowbracket.colour;

import java.util.List;
import java.util.Map;
import yellowbracket.colour.order.Aim;
import yellowbracket.colour.order.Ordered;
import yellowbracket.finding.Finding;
import yellowbracket.shop.Catalogue;

/**
 * What painting takes: undercoats by groups of zones, each zone with its coats and masks in order, the clear coat.
 * @param areas zones that have surface @param jobs zone numbers as the orders count them
 * @param orders the best for each aim @param chosen the maker's own, or the best for the aim wished
 * @param own whether it is the maker's
 */
public record ColourPlan(List<Area> areas, Undercoats undercoats, List<Integer> jobs, Map<Aim, Ordered> orders, Ordered chosen, boolean own,
        List<Coats> coats, List<Finding> findings) {
    /** The zone of what goes over everything. */
    public static final String ALL = "all";

    /** @param dm2 that is painted: the show side @param wholeDm2 of its surface */
    public record Area(ColourZone zone, double dm2, double wholeDm2) {}

    /**
     * A run of coats of one product. Windows: next coat from {@code recoatFromH} to {@code recoatToH}, or again after {@code recoatAgainH}
     * (0: any time); {@code tapeH} before tape may touch it, {@code handH} of masking and spraying,
     * {@code flashH} between its coats, {@code nextH} after the last of them until the next run, or whatever follows, may begin.
     * @param zone by name, {@link #ALL}, or the names of a group @param zones their numbers @param likely coats if the paint hides a
     * little better or worse, least and most @param grams of one coat, what misses the prop included @param pathM way of the gun or brush
     * for one coat
     */
    public record Coats(String zone, List<Integer> zones, String product, String hex, int count, Range likely, double dm2, double cans,
            double grams, double pathM, double handH, double flashH, double nextH, double recoatFromH, double recoatToH,
            double recoatAgainH, double tapeH, double fullH, boolean sprayed, List<Masked> masks) {
        public Coats {
            zones = List.copyOf(zones);
            masks = List.copyOf(masks);
        }

        Coats untilNext(double hours) {
            return new Coats(zone, zones, product, hex, count, likely, dm2, cans, grams, pathM, handH, flashH, hours, recoatFromH,
                    recoatToH, recoatAgainH, tapeH, fullH, sprayed, masks);
        }

        /** Between its coats, and after them until the plan goes on. */
        public double waitH() {
            return flashH + nextH;
        }

        public double tapeM() {
            return masks.stream().mapToDouble(Masked::tapeM).sum();
        }

        public double maskMin() {
            return masks.stream().mapToDouble(Masked::minutes).sum();
        }

        public double filmDm2() {
            return masks.stream().mapToDouble(Masked::filmDm2).sum();
        }
    }

    /** Least and most of a whole number. */
    public record Range(int least, int most) {
        public String words() {
            return least == most ? String.valueOf(least) : least + " to " + most;
        }
    }

    /** What is covered for a run of coats. @param tapes metres by kind */
    public record Masked(int zone, String name, double tapeM, double filmDm2, double minutes, Map<Tape, Double> tapes) {
        public Masked {
            tapes = Map.copyOf(tapes);
        }
    }

    public ColourPlan {
        areas = List.copyOf(areas);
        jobs = List.copyOf(jobs);
        orders = Map.copyOf(orders);
        coats = List.copyOf(coats);
        findings = List.copyOf(findings);
    }

    /** Thickness of all coats on a zone as they dry, mm. */
    public double filmMm(int zone, Catalogue shop) {
        return coats.stream().filter(c -> c.zones().contains(zone)).mapToDouble(c -> c.count() * shop.coating(c.product()).filmUm()).sum()
                / 1000;
    }

    public double hours() {
        return coats.stream().mapToDouble(Coats::handH).sum();
    }

    public double waitH() {
        return coats.stream().mapToDouble(Coats::waitH).sum();
    }

    public double cans() {
        return coats.stream().filter(Coats::sprayed).mapToDouble(Coats::cans).sum();
    }

    public double cost(Catalogue shop) {
        return coats.stream().mapToDouble(c -> c.cans() * shop.coating(c.product()).cost()).sum();
    }

    public double tapeM() {
        return coats.stream().mapToDouble(Coats::tapeM).sum();
    }

    public double maskDm2() {
        return coats.stream().mapToDouble(Coats::filmDm2).sum();
    }

    /** Zone numbers in the order they are painted. */
    public List<Integer> order() {
        return chosen.order().stream().map(jobs::get).toList();
    }
}
