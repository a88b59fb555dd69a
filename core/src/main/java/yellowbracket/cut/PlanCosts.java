package yellowbracket.cut;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.cut.SectionPlan.Aim;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * What cutting trees cost in hours of work, all in one currency so that plans with different merits can be weighed: prints with their failures, gluing, hiding
 * what is seen of the seams, support; an {@link Aim} weighs some of it more. Keeps what it has measured of each piece. Not thread-safe.
 */
final class PlanCosts {
    /** Handling of one more part: start, clean-up, dry fit. */
    private static final double PART_H = 0.5;
    /** One more seam to scuff, wet, hold; and each mm of it (a brush wets 260 mm a minute). */
    private static final double SEAM_H = 0.3;
    private static final double GLUE_H_MM = 1.0 / 260 / 60;
    /** Cutting through the rim of an eye opening spoils the edge that everybody looks at. */
    private static final double RIM_H_MM = 0.06;
    private static final double SLIVER_H = 3;
    private static final double SUPPORT_H_CM2 = 0.02;
    /** Two equal halves are planned, sanded and masked alike. */
    private static final double TWINS_H = 0.8;
    /** A side shorter than this share of the whole is a nibble. */
    private static final double NIBBLE = 0.35;
    /** A part shorter than this share of the largest one beside it is a crumb. */
    private static final double CRUMB = 0.3;
    private static final double LEAN = Math.sin(Math.toRadians(45));

    private final List<Bed> beds;
    private final PlanWishes.Rates rates;
    private final Map<Mesh, Double> printed = new IdentityHashMap<>();
    private final Map<Mesh, Double> held = new IdentityHashMap<>();
    private final Map<Mesh, List<Mesh>> solids = new IdentityHashMap<>();

    PlanCosts(List<Bed> beds, PlanWishes.Rates rates) {
        this.beds = beds;
        this.rates = rates;
    }

    double seamHours(CutChoice c, Aim aim) {
        return joinHours(c) + aim.show * smoothHours(c) + RIM_H_MM * c.rimMm() + (c.sliver() ? SLIVER_H : 0);
    }

    double joinHours(CutChoice c) {
        return SEAM_H + c.lineMm() * GLUE_H_MM;
    }

    double smoothHours(CutChoice c) {
        return rates.hideHoursPerMm() * c.toHideMm();
    }

    /** The fewest boxes of bed size that a box of this size makes. */
    int leastParts(Vec3 size) {
        return beds.stream().mapToInt(b -> b.leastParts(size)).min().orElse(1);
    }

    /**
     * Of one more cut, not made yet: its own hours and those of the fewest parts its sides can become, each further cut at the usual price. Without that price
     * a sliver cut off along a crease, which leaves all the work still to do, would seem the best of all.
     * @param usual see {@link #usual}
     */
    double guess(CutChoice c, double usual, Aim aim) {
        int parts = partsAfter(c);
        return parts * PART_H * aim.parts + seamHours(c, aim) + Math.max(0, parts - 2) * usual - (c.mirror() ? TWINS_H : 0);
    }

    /** What it costs to get on with a piece: the cheapest cut of those that leave the fewest beds' worth on their two sides. */
    double usual(List<CutChoice> all, Aim aim) {
        int fewest = all.stream().mapToInt(this::partsAfter).min().orElse(2);
        return all.stream().filter(c -> partsAfter(c) == fewest).mapToDouble(c -> seamHours(c, aim)).min().orElse(2);
    }

    /** Without cuts that only nibble: those that leave more beds' worth than need be and one side small. */
    List<CutChoice> worthwhile(Mesh piece, List<CutChoice> all) {
        int fewest = all.stream().mapToInt(this::partsAfter).min().orElse(2);
        double small = NIBBLE * piece.bounds().diagonal();
        return all.stream().filter(c -> partsAfter(c) == fewest || partsAfter(c) == fewest + 1 && Math.min(c.above().norm(), c.below().norm()) > small).toList();
    }

    private int partsAfter(CutChoice c) {
        return c.mirror() ? 2 * leastParts(c.above()) : leastParts(c.above()) + leastParts(c.below());
    }

    /** Hours of a tree; {@code toCome} prices the pieces that still have to be cut. */
    double of(PlanPiece p, Aim aim, java.util.function.ToDoubleFunction<PlanPiece> toCome) {
        if (p.cut().isPresent()) {
            var c = p.cut().get();
            return p.count() * seamHours(c.choice(), aim) + of(c.above(), aim, toCome) + c.below().map(b -> of(b, aim, toCome)).orElse(-TWINS_H);
        }
        double parts = p.fits() ? solids(p.mesh()) * PART_H * aim.parts + crumbs(p.mesh()) * SLIVER_H : toCome.applyAsDouble(p);
        return p.count() * (parts + printHours(p.mesh()) + aim.support * SUPPORT_H_CM2 * supportCm2(p.mesh()));
    }

    int solids(Mesh m) {
        return parts(m).size();
    }

    private List<Mesh> parts(Mesh m) {
        return solids.computeIfAbsent(m, Sectioning::solids);
    }

    /** Crumbs that a cut leaves beside what it was meant to part. */
    private long crumbs(Mesh m) {
        var all = parts(m);
        double largest = all.stream().mapToDouble(s -> s.bounds().diagonal()).max().orElse(0);
        return all.stream().filter(s -> s.bounds().diagonal() < CRUMB * largest).count();
    }

    double printHours(Mesh m) {
        return printed.computeIfAbsent(m, k -> parts(k).stream().mapToDouble(s -> rates.hours(Math.abs(s.volumeMm3()), s.areaMm2())).sum());
    }

    double supportCm2(Mesh m) {
        return held.computeIfAbsent(m, PlanCosts::leastOverhang);
    }

    /** Area that hangs over, cm2, in the best of the axis directions and of the one that lays the largest cut on the bed. */
    private static double leastOverhang(Mesh m) {
        var ups = new ArrayList<>(List.of(Vec3.X, Vec3.Y, Vec3.Z, Vec3.X.times(-1), Vec3.Y.times(-1), Vec3.Z.times(-1)));
        double most = 0;
        Vec3 flat = Vec3.ZERO;
        for (int f = 0; f < m.triangleCount(); f++) {
            if (SurfaceWorth.own(m.tag(f))) continue;
            var n = m.areaVector(f);
            if (n.norm() > most) {
                most = n.norm();
                flat = n.unit().times(-1);
            }
        }
        if (most > 0) ups.add(flat);
        double best = Double.POSITIVE_INFINITY;
        for (var up : ups) best = Math.min(best, overhang(m, up, best));
        return best / 100;
    }

    /** Gives up above {@code enough}. */
    private static double overhang(Mesh m, Vec3 up, double enough) {
        double floor = 1e300, sum = 0;
        for (int v = 0; v < m.vertexCount(); v++) floor = Math.min(floor, up.x() * m.x(v) + up.y() * m.y(v) + up.z() * m.z(v));
        for (int f = 0; f < m.triangleCount() && sum < enough; f++) {
            var n = m.areaVector(f);
            double down = -n.dot(up);
            if (down > LEAN * n.norm() && up.dot(m.centroid(f)) > floor + 1) sum += down;
        }
        return sum;
    }
}
