package yellowbracket.cut.plan;

import java.util.List;
import java.util.Optional;
import java.util.function.ToIntFunction;
import yellowbracket.cut.Bed;
import yellowbracket.cut.CutTree;
import yellowbracket.mesh.Vec3;
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
     * Rough figures for comparing plans: flow, chance of failing an hour, material behind each surface (mm), infill share, hours to hide a
     * mm of seam that is
     * seen. The stations after this one compute the exact ones for the plan that is taken.
     */
    public record Rates(double mm3PerHour, double failuresPerHour, double shellMm, double infill, double hideHoursPerMm) {
        /** Share of the nominal flow that is left after slow outer walls, layer changes and travel; 0.4 to 0.55 on prints of the demo. */
        private static final double FLOW_LEFT = 0.49;
        /** Filler and sanding on a band 28 mm wide, at some 30 min a dm2. */
        public static final double HIDE_H_MM = 0.0014;
        public static final Rates USUAL = new Rates(17_000, 0.0025, 1.3, 0.15, HIDE_H_MM);

        public static Rates of(Profile profile, List<Printer> printers) {
            if (printers.isEmpty()) return USUAL;
            double line = profile.lineWidthMm() * profile.layerMm();
            double speed = printers.stream()
                    .mapToDouble(p -> Math.min(p.speedMmS(), p.flowMm3S() / line) / p.hoursFactor())
                    .average()
                    .orElseThrow();
            double failures = printers.stream().mapToDouble(Printer::failuresPerHour).average().orElseThrow();
            return new Rates(FLOW_LEFT * 3600 * speed * line, failures, profile.wallMm(), profile.infill(), HIDE_H_MM);
        }

        /** Expected hours of one print of that volume and surface, begun again when it fails: (e^(rate t) - 1) / rate. */
        double hours(double volumeMm3, double areaMm2) {
            double skin = Math.min(volumeMm3, areaMm2 * shellMm), hours = (skin + infill * (volumeMm3 - skin)) / mm3PerHour;
            return failuresPerHour <= 0 ? hours : Math.expm1(failuresPerHour * hours) / failuresPerHour;
        }
    }

    public PlanWishes {
        beds = List.copyOf(beds);
    }

    public static PlanWishes of(Bed... beds) {
        return new PlanWishes(List.of(beds), p -> 0, Optional.empty(), CutTree.WHOLE, true, Rates.USUAL);
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
