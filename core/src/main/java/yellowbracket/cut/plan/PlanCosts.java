package yellowbracket.cut.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.cut.Bed;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.TurnedFit;
import yellowbracket.cut.plan.SectionPlan.Aim;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * What cutting trees cost in hours of work, all in one currency so that plans with different merits can be weighed: prints with their
 * failures (a printer's hour counts less than one by hand), gluing, hiding what is seen of the seams, support, necks cut through; an
 * {@link Aim} weighs some of it more. Keeps what it has measured of each piece. Not thread-safe.
 */
final class PlanCosts {
    /** Both sides must be this much smaller than the whole, or the search does not end. */
    private static final double SHRINK = 0.95;
    /** Numbers kept for each facet. */
    private static final int FACET = 7;
    /** Steeper overhangs print without support on a usual printer. */
    private static final double LEAN = Math.sin(Math.toRadians(45));

    private final List<Bed> beds;
    private final PlanWishes.Rates rates;
    private final PlanWishes.Labour labour;
    private final PlanTuning tuning;
    private final Map<Mesh, Double> printed = new IdentityHashMap<>();
    private final Map<Mesh, Support> held = new IdentityHashMap<>();
    private final Map<Mesh, double[]> facets = new IdentityHashMap<>();
    private final Map<Mesh, Support> open = new IdentityHashMap<>();
    private final Map<Mesh, List<Mesh>> solids = new IdentityHashMap<>();

    PlanCosts(List<Bed> beds, PlanWishes.Rates rates) {
        this.beds = beds;
        this.rates = rates;
        labour = rates.labour();
        tuning = rates.tuning();
    }

    double seamHours(CutChoice c, Aim aim) {
        return joinHours(c) + aim.show * smoothHours(c) + labour.rimHPerMm() * c.rimMm() + (c.sliver() ? labour.sliverH() : 0)
                + tuning.neckH() * c.neck() * c.neck();
    }

    double joinHours(CutChoice c) {
        return labour.seamH() + c.lineMm() * labour.glueHPerMm();
    }

    double smoothHours(CutChoice c) {
        return labour.hideHPerMm() * c.toHideMm();
    }

    /** The fewest boxes of bed size that a box of this size makes. */
    int leastParts(Vec3 size) {
        return beds.stream().mapToInt(b -> b.leastParts(size)).min().orElse(1);
    }

    /**
     * Of one more cut, not made yet: its own hours and those of the fewest parts its sides can become, each further cut at the usual price.
     * Without that price
     * a sliver cut off along a crease, which leaves all the work still to do, would seem the best of all.
     * @param usual see {@link #usual}
     */
    double guess(CutChoice c, double usual, Aim aim) {
        int parts = partsAfter(c);
        return parts * labour.partH() * aim.parts + seamHours(c, aim) + Math.max(0, parts - 2) * usual - (c.mirror() ? labour.twinsH() : 0);
    }

    /** What it costs to get on with a piece: the cheapest cut of those that leave the fewest beds' worth on their two sides. */
    double usual(List<CutChoice> all, Aim aim) {
        int fewest = all.stream().mapToInt(this::partsAfter).min().orElse(2);
        return all.stream().filter(c -> partsAfter(c) == fewest).mapToDouble(c -> seamHours(c, aim)).min().orElse(2);
    }

    /**
     * Cuts that get on: each side needs fewer beds than the whole did, so that a search ends; of a piece that fits, both sides are well
     * smaller. Without those
     * that leave two beds' worth more than need be. All of them where none gets on.
     */
    List<CutChoice> worthwhile(Mesh piece, List<CutChoice> all) {
        int beds = leastParts(piece.bounds().size());
        double whole = piece.bounds().diagonal();
        var fair = all.stream()
                .filter(c -> beds > 1 ? Math.max(leastParts(c.above()), leastParts(c.below())) < beds
                        : Math.min(c.above().norm(), c.below().norm()) > tuning.nibble() * whole
                                && Math.max(c.above().norm(), c.below().norm()) < SHRINK * whole)
                .toList();
        if (fair.isEmpty()) return all;
        int fewest = fair.stream().mapToInt(this::partsAfter).min().orElse(2);
        return fair.stream().filter(c -> partsAfter(c) <= fewest + 1).toList();
    }

    private int partsAfter(CutChoice c) {
        return c.mirror() ? 2 * leastParts(c.above()) : leastParts(c.above()) + leastParts(c.below());
    }

    /** Hours of a tree; {@code toCome} prices the pieces that still have to be cut. */
    double of(PlanPiece p, Aim aim, java.util.function.ToDoubleFunction<PlanPiece> toCome) {
        if (p.cut().isPresent()) {
            var c = p.cut().get();
            return p.count() * seamHours(c.choice(), aim) + of(c.above(), aim, toCome)
                    + c.below().map(b -> of(b, aim, toCome)).orElse(-labour.twinsH());
        }
        double parts = p.fits() ? solids(p.mesh()) * labour.partH() * aim.parts + crumbs(p.mesh()) * labour.sliverH()
                : toCome.applyAsDouble(p);
        double support = p.fits() ? weighed(support(p.mesh())) : tuning.openSupport() * weighed(anyWayUp(p.mesh()));
        return p.count() * (parts + tuning.printWeight() * printHours(p.mesh()) + aim.support * support);
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
        return all.stream().filter(s -> s.bounds().diagonal() < tuning.crumb() * largest).count();
    }

    double printHours(Mesh m) {
        return printed.computeIfAbsent(m, k -> parts(k).stream().mapToDouble(s -> rates.hours(Math.abs(s.volumeMm3()), s.areaMm2())).sum());
    }

    /** Hours of what holds a piece up: to print it, and to take it away by hand. */
    record Support(double printH, double removeH) {
        static final Support NONE = new Support(0, 0);

        Support plus(Support o) {
            return new Support(printH + o.printH, removeH + o.removeH);
        }
    }

    private double weighed(Support s) {
        return tuning.printWeight() * s.printH + s.removeH;
    }

    /** In the best of the ways up that are tried. */
    Support support(Mesh m) {
        return held.computeIfAbsent(m, k -> parts(k).stream().map(this::leastSupport).reduce(Support.NONE, Support::plus));
    }

    private Support anyWayUp(Mesh m) {
        return open.computeIfAbsent(m, k -> least(k, waysUp(k)));
    }

    private Support least(Mesh m, List<Vec3> ups) {
        return ups.stream().map(u -> support(m, u)).min(Comparator.comparingDouble(this::weighed)).orElse(Support.NONE);
    }

    /** The axis directions and the one that lays the largest cut on the bed. */
    private static List<Vec3> waysUp(Mesh m) {
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
        return ups;
    }

    /** Of the usual ways up those in which the part stands on a bed; else of the only way it does. */
    private Support leastSupport(Mesh m) {
        var stand = waysUp(m).stream().filter(up -> stands(m, Turn.lift(up))).toList();
        if (stand.isEmpty()) stand = beds.stream().map(b -> TurnedFit.of(m, b)).flatMap(Optional::stream).map(Turn::row2).toList();
        return stand.isEmpty() ? anyWayUp(m) : least(m, stand);
    }

    private boolean stands(Mesh m, Turn lift) {
        double x = TurnedFit.extent(m, lift.row0()), y = TurnedFit.extent(m, lift.row1()), z = TurnedFit.extent(m, lift.row2());
        return beds.stream().anyMatch(b -> z <= b.z() && (x <= b.x() && y <= b.y() || x <= b.y() && y <= b.x()));
    }

    /** Space below overhangs down to the bed, sparsely filled, and breaking it away. */
    private Support support(Mesh m, Vec3 up) {
        var facets = facets(m);
        double floor = 1e300, space = 0, touched = 0;
        for (int v = 0; v < m.vertexCount(); v++) floor = Math.min(floor, up.x() * m.x(v) + up.y() * m.y(v) + up.z() * m.z(v));
        for (int i = 0; i < facets.length; i += FACET) {
            double down = -(facets[i] * up.x() + facets[i + 1] * up.y() + facets[i + 2] * up.z());
            if (down <= LEAN * facets[i + 3]) continue;
            double drop = facets[i + 4] * up.x() + facets[i + 5] * up.y() + facets[i + 6] * up.z() - floor;
            if (drop <= 1) continue;
            space += down * drop;
            touched += down;
        }
        return new Support(space * tuning.reachesBed() * tuning.supportFill() / rates.mm3PerHour(), touched * tuning.removeHMm2());
    }

    /** Area vector, mm2, its length, and middle of each facet, one after the other. */
    private double[] facets(Mesh m) {
        return facets.computeIfAbsent(m, k -> {
            var out = new double[FACET * k.triangleCount()];
            for (int f = 0; f < k.triangleCount(); f++) {
                var n = k.areaVector(f).times(0.5);
                var c = k.centroid(f);
                double[] row = {n.x(), n.y(), n.z(), n.norm(), c.x(), c.y(), c.z()};
                System.arraycopy(row, 0, out, FACET * f, FACET);
            }
            return out;
        });
    }
}
