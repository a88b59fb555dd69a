package yellowbracket.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.stream.IntStream;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * What is too fine for nozzle and layer at this scale: wires, fins, lettering, gaps. Felt by a ray into the material and one out of it from
 * every facet, or from as many as {@link #MOST_ASKED}, evenly taken; places in the section's own coordinates, real mm.
 */
public record ThinFeatures(List<Spot> spots, double lostMm2, double weakMm2, double closedMm2) {
    private static final int MOST_ASKED = 60_000;
    /** Of a line's width: thinner is left out by the program that slices it. */
    private static final double LOST = 0.75;
    /** Of a line's width: thinner is a single line that snaps. */
    private static final double WEAK = 1.9;
    /** Facets nearer than this are one spot, mm. */
    private static final double SPOT_MM = 8;
    /** The wall met on the other side looks straight back, within 16 degrees: a knife edge only gets a little rounder. */
    private static final double FACES = -0.96;
    /** Flatter than this a thing is thin along the build direction: layers count, not lines. */
    private static final double LEVEL = 0.7;
    /** Bodies nearer than this are meant to touch. */
    private static final double TOUCHING_MM = 0.05;
    /** A ray begins this far off its facet, mm. */
    private static final double OFF_MM = 1e-3;
    /** Smaller spots are noise of the mesh, mm2. */
    private static final double LEAST_MM2 = 0.5;

    /** What becomes of it. */
    public enum Fate {
        LOST("will not print"), WEAK("prints as a single line"), CLOSED("gap closes");

        private final String words;

        Fate(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param at its middle, {@code mm} its thickness, or the gap's width; {@code mm2} of surface */
    public record Spot(Fate fate, Vec3 at, double mm, double mm2) {}

    public ThinFeatures {
        spots = List.copyOf(spots);
    }

    private record Felt(Fate fate, Vec3 at, double mm, double mm2) {}

    /** @param up the build direction in the section's own coordinates */
    public static ThinFeatures of(Mesh m, Bvh index, Vec3 up, double lineMm, double layerMm) {
        int step = Math.max(1, m.triangleCount() / MOST_ASKED);
        var felt = IntStream.iterate(0, f -> f < m.triangleCount(), f -> f + step)
                .parallel()
                .mapToObj(f -> feel(m, index, f, up, lineMm, layerMm, step))
                .filter(java.util.Objects::nonNull)
                .toList();
        var spots = spots(felt);
        return new ThinFeatures(spots, sum(spots, Fate.LOST), sum(spots, Fate.WEAK), sum(spots, Fate.CLOSED));
    }

    private static double sum(List<Spot> spots, Fate fate) {
        return spots.stream().filter(s -> s.fate == fate).mapToDouble(Spot::mm2).sum();
    }

    private static Felt feel(Mesh m, Bvh index, int f, Vec3 up, double lineMm, double layerMm, int step) {
        var n = m.areaVector(f);
        double len = n.norm();
        if (!(len > 0)) return null;
        n = n.times(1 / len);
        var c = m.centroid(f);
        boolean level = Math.abs(n.dot(up)) > LEVEL;
        double lost = level ? layerMm / 2 : LOST * lineMm, weak = level ? layerMm : WEAK * lineMm;
        double in = across(m, index, c, n, -1, weak), mm2 = len / 2 * step;
        if (in < lost) return new Felt(Fate.LOST, c, in, mm2);
        if (in < weak) return weakOnPurpose(m, index, f, c, n) ? null : new Felt(Fate.WEAK, c, in, mm2);
        if (level) return null;
        double out = across(m, index, c, n, 1, lineMm / 2);
        return out < lineMm / 2 && out > TOUCHING_MM ? new Felt(Fate.CLOSED, c, out, mm2) : null;
    }

    /** The lip beside a groove or a socket is as thin as the wall it sits in allows. */
    private static boolean weakOnPurpose(Mesh m, Bvh index, int f, Vec3 c, Vec3 n) {
        if (m.tag(f) != Mesh.ORIGINAL) return true;
        return index.first(c.minus(n.times(OFF_MM)), n.times(-1)).filter(h -> m.tag(h.triangle()) != Mesh.ORIGINAL).isPresent();
    }

    /** Distance to a wall that faces back, along the normal or against it; infinite for none nearer than {@code most}. */
    private static double across(Mesh m, Bvh index, Vec3 c, Vec3 n, int way, double most) {
        var from = c.plus(n.times(way * OFF_MM));
        var hit = index.first(from, n.times(way));
        if (hit.isEmpty() || hit.get().distance() + OFF_MM >= most) return Double.POSITIVE_INFINITY;
        var other = m.areaVector(hit.get().triangle());
        return other.dot(n) < FACES * other.norm() ? hit.get().distance() + OFF_MM : Double.POSITIVE_INFINITY;
    }

    /** One for each patch of the grid, the largest first. */
    private static List<Spot> spots(List<Felt> felt) {
        var cells = new HashMap<List<Long>, List<Felt>>();
        for (var f : felt) cells.computeIfAbsent(List.of((long) f.fate.ordinal(), Math.round(f.at.x() / SPOT_MM),
                Math.round(f.at.y() / SPOT_MM), Math.round(f.at.z() / SPOT_MM)), k -> new ArrayList<>()).add(f);
        return cells.values().stream().map(list -> {
            double mm2 = list.stream().mapToDouble(Felt::mm2).sum();
            var at = list.stream().map(f -> f.at.times(f.mm2 / mm2)).reduce(Vec3.ZERO, Vec3::plus);
            return new Spot(list.getFirst().fate, at, list.stream().mapToDouble(Felt::mm).min().orElseThrow(), mm2);
        }).filter(s -> s.mm2 >= LEAST_MM2).sorted(Comparator.comparing(Spot::fate).thenComparing(s -> -s.mm2)).toList();
    }
}
