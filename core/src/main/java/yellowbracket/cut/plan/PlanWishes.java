package yellowbracket.cut.plan;

import java.util.List;
import java.util.Optional;
import java.util.function.ToIntFunction;
import yellowbracket.cut.Bed;
import yellowbracket.cut.CutTree;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;

/**
 * What the section planner must respect: beds (a section has to fit one of them), planes already decided, and what it would rather not cut.
 * Places in model
 * coordinates.
 * @param zone number of the colour zone at a place
 * @param eyes where the wearer looks from
 * @param kept planes that stay, each with what was cut on its sides; {@link CutTree#WHOLE} for none
 */
public record PlanWishes(List<Bed> beds, ToIntFunction<Vec3> zone, Optional<Vec3> eyes, CutTree kept, boolean mirror, Rates rates) {

    /**
     * Rough figures for comparing plans: flow, chance of failing an hour, material behind each surface (mm), infill share, work by hand.
     * The stations after this one compute the exact ones for the plan that is taken.
     */
    public record Rates(double mm3PerHour, double failuresPerHour, double shellMm, double infill, Labour labour, PlanTuning tuning) {
        /**
         * Share of the nominal flow left after slow outer walls, layer changes and travel: 0.55 to 0.62 on prints of the demo. It moves
         * what {@code mm3PerHour} moves.
         */
        private static final double FLOW_LEFT = 0.59;

        /** A usual printer and profile: starting values; {@code docs/sensitivity.md} says what they move. */
        public static Rates usual(Labour labour) {
            return new Rates(17_000, 0.0025, 1.3, 0.15, labour, PlanTuning.USUAL);
        }

        public static Rates of(Profile profile, List<Printer> printers, Labour labour) {
            if (printers.isEmpty()) return usual(labour);
            double line = profile.lineWidthMm() * profile.layerMm();
            double speed = printers.stream()
                    .mapToDouble(p -> Math.min(p.speedMmS(), p.flowMm3S() / line) / p.hoursFactor())
                    .average()
                    .orElseThrow();
            double failures = printers.stream().mapToDouble(Printer::failuresPerHour).average().orElseThrow();
            return new Rates(FLOW_LEFT * 3600 * speed * line, failures, profile.wallMm(), profile.infill(), labour, PlanTuning.USUAL);
        }

        /** Expected hours of one print of that volume and surface, begun again when it fails: (e^(rate t) - 1) / rate. */
        double hours(double volumeMm3, double areaMm2) {
            double skin = Math.min(volumeMm3, areaMm2 * shellMm), hours = (skin + infill * (volumeMm3 - skin)) / mm3PerHour;
            return failuresPerHour <= 0 ? hours : Math.expm1(failuresPerHour * hours) / failuresPerHour;
        }
    }

    /**
     * Work by hand that a way to cut costs, hours: for each part, for each cut (dry fit, glue and reinforcing of all seams it leaves), for
     * each mm to glue, to hide where it is seen, and of a rim cut through; for a sliver; what two halves alike spare.
     */
    public record Labour(double partH, double seamH, double glueHPerMm, double hideHPerMm, double rimHPerMm, double sliverH,
            double twinsH) {
        public static Labour of(Catalogue shop) {
            return new Labour(shop.usual(Practice.MORE_PART_H), shop.usual(Practice.MORE_SEAM_H),
                    1 / shop.usual(Practice.WET_SEAM_MM_MIN) / 60, shop.usual(Practice.HIDE_SEAM_H_MM), shop.usual(Practice.RIM_CUT_H_MM),
                    shop.usual(Practice.SLIVER_PART_H), shop.usual(Practice.TWINS_SPARE_H));
        }
    }

    public PlanWishes {
        beds = List.copyOf(beds);
    }

    /** With the usual rates of the catalogue. */
    public static PlanWishes of(Bed... beds) {
        return new PlanWishes(List.of(beds), p -> 0, Optional.empty(), CutTree.WHOLE, true, Rates.usual(Labour.of(Catalogue.builtIn())));
    }

    public PlanWishes keeping(CutTree tree) {
        return new PlanWishes(beds, zone, eyes, tree, mirror, rates);
    }

    public PlanWishes seeing(Optional<Vec3> from) {
        return new PlanWishes(beds, zone, from, kept, mirror, rates);
    }

    public PlanWishes along(ToIntFunction<Vec3> colours) {
        return new PlanWishes(beds, colours, eyes, kept, mirror, rates);
    }

    public PlanWishes withRates(Rates r) {
        return new PlanWishes(beds, zone, eyes, kept, mirror, r);
    }
}
