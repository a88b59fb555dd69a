package yellowbracket.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * Where a resin print keeps liquid: hollows and the holes they drain through, cups that suck at the film while it is printed this way up,
 * and {@code hangingMm3}, what stays in it as it hangs from its plate over the vat. In cells of {@link #CELL_MM}: a hole's width is right
 * within a cell, a volume within half a cell over its surface. Places in turned coordinates.
 */
public record Hollows(List<Hollow> list, List<Cup> cups, double hangingMm3) {
    /** What closes behind a hole narrower than this is a hollow, mm. */
    private static final double CLOSES_MM = 8;
    private static final double CELL_MM = 0.75;
    /** Pools are measured in coarser cells. */
    private static final double POOL_MM = 1.5;
    private static final int CLOSES_CELLS = (int) Math.round(CLOSES_MM / 2 / CELL_MM);
    /** A hole must be so wide to drain, and there must be two: one lets air in. */
    public static final double DRAIN_MM = 3;
    private static final int DRAINS = 2;
    /** Hole widths are off by the staircase of cells. */
    private static final double CELLS_OFF = 0.5;
    /** Smaller ones are left aside: mm3 of hollow, mm2 of cup. */
    private static final double LEAST_MM3 = 20, LEAST_MM2 = 100;
    private static final int NOBODY = 0, OUTSIDE = 1;

    /** Through which a hollow opens; the width of a round hole of its area. */
    public record Hole(double diameterMm, Vec3 at) {}

    /** @param holes none for a closed cavity */
    public record Hollow(double volumeMm3, Vec3 at, List<Hole> holes) {
        public boolean drains() {
            return holes.stream().filter(h -> h.diameterMm >= DRAIN_MM - CELLS_OFF * CELL_MM).count() >= DRAINS;
        }
    }

    /** Sealed by the film, or by the plate and the film, as it grows. @param areaMm2 at its widest: the pull goes by it */
    public record Cup(double areaMm2, Vec3 at) {}

    public Hollows {
        list = List.copyOf(list);
        cups = List.copyOf(cups);
    }

    /** Those that keep what is in them. */
    public List<Hollow> trapped() {
        return list.stream().filter(h -> !h.drains()).toList();
    }

    public static Hollows of(Mesh section, Turn turn) {
        var v = Voxels.of(section, turn, CELL_MM, CLOSES_CELLS + 2);
        return new Hollows(hollows(v), cups(v), retainedMm3(section, turn, Vec3.Z, POOL_MM));
    }

    private static List<Hollow> hollows(Voxels v) {
        var solid = v.solids();
        var reached = v.flooded(solid);
        var out = new ArrayList<Hollow>();
        var label = new int[v.count()];
        var queue = new Voxels.Ring(1 << 12);
        // closed all round
        for (int at = solid.nextClearBit(0); at < v.count(); at = solid.nextClearBit(at + 1)) if (!reached.get(at) && label[at] == NOBODY) {
            var cells = spread(v, at, solid, label, OUTSIDE, queue);
            if (cells.count * v.cubicMm() >= LEAST_MM3) out.add(new Hollow(cells.count * v.cubicMm(), cells.middle(), List.of()));
        }
        // closed but for narrow holes
        Arrays.fill(label, NOBODY);
        var closed = v.grown(Math.max(1, (int) Math.round(Math.min(CLOSES_CELLS, CLOSES_MM / 2 / v.cell))));
        var outside = v.flooded(closed);
        int next = OUTSIDE + 1;
        var seeds = new Voxels.Ring(1 << 12);
        for (int at = closed.nextClearBit(0); at < v.count(); at = closed.nextClearBit(at + 1)) {
            if (outside.get(at)) {
                label[at] = OUTSIDE;
                seeds.add(at);
            } else if (reached.get(at) && label[at] == NOBODY) {
                spread(v, at, closed, label, next++, queue);
            }
        }
        if (next > OUTSIDE + 1) {
            for (int at = closed.nextClearBit(0); at < v.count(); at = closed.nextClearBit(at + 1)) if (label[at] > OUTSIDE) seeds.add(at);
            meet(v, solid, label, seeds);
            out.addAll(open(v, label, next));
        }
        out.sort(Comparator.comparingDouble(h -> -h.volumeMm3));
        return out;
    }

    /** Sums of cells. */
    private static final class Cells {
        private int count;
        private Vec3 sum = Vec3.ZERO;

        void add(Vec3 p) {
            count++;
            sum = sum.plus(p);
        }

        Vec3 middle() {
            return sum.times(1.0 / Math.max(1, count));
        }
    }

    /** Labels all that hangs together with a cell outside of {@code closed}. */
    private static Cells spread(Voxels v, int from, BitSet closed, int[] label, int as, Voxels.Ring queue) {
        var cells = new Cells();
        label[from] = as;
        queue.add(from);
        while (!queue.isEmpty()) {
            int at = queue.take();
            cells.add(v.middle(at));
            v.beside(at, n -> {
                if (closed.get(n) || label[n] != NOBODY) return;
                label[n] = as;
                queue.add(n);
            });
        }
        return cells;
    }

    /** From all that is labelled at once through the air, until they meet. */
    private static void meet(Voxels v, BitSet solid, int[] label, Voxels.Ring queue) {
        while (!queue.isEmpty()) {
            int at = queue.take();
            v.beside(at, n -> {
                if (solid.get(n) || label[n] != NOBODY) return;
                label[n] = label[at];
                queue.add(n);
            });
        }
    }

    private static List<Hollow> open(Voxels v, int[] label, int labels) {
        var volume = new Cells[labels];
        for (int i = 0; i < labels; i++) volume[i] = new Cells();
        var faces = new HashMap<Integer, Integer>();
        for (int at = 0; at < label.length; at++) {
            if (label[at] <= OUTSIDE) continue;
            volume[label[at]].add(v.middle(at));
            int[] n = {0};
            v.beside(at, o -> n[0] += label[o] == OUTSIDE ? 1 : 0);
            if (n[0] > 0) faces.put(at, n[0]);
        }
        Map<Integer, List<Hole>> holes = new HashMap<>();
        while (!faces.isEmpty()) {
            int first = faces.keySet().iterator().next();
            holes.computeIfAbsent(label[first], k -> new ArrayList<>()).add(hole(v, first, faces));
        }
        var out = new ArrayList<Hollow>();
        for (int i = OUTSIDE + 1; i < labels; i++) if (volume[i].count * v.cubicMm() >= LEAST_MM3)
            out.add(new Hollow(volume[i].count * v.cubicMm(), volume[i].middle(), holes.getOrDefault(i, List.of())));
        return out;
    }

    /** The cells about one at which inside and outside meet; they are taken out. */
    private static Hole hole(Voxels v, int first, Map<Integer, Integer> faces) {
        var cells = new Cells();
        int count = 0;
        var queue = new Voxels.Ring(64);
        count += faces.remove(first);
        queue.add(first);
        while (!queue.isEmpty()) {
            int at = queue.take();
            cells.add(v.middle(at));
            for (int dk = -1; dk <= 1; dk++) for (int dj = -1; dj <= 1; dj++) for (int di = -1; di <= 1; di++) {
                var n = faces.remove(at + (dk * v.ny + dj) * v.nx + di);
                if (n == null) continue;
                count += n;
                queue.add(at + (dk * v.ny + dj) * v.nx + di);
            }
        }
        return new Hole(2 * Math.sqrt(count * v.cell * v.cell / Math.PI), cells.middle());
    }

    /** Layer by layer from the plate: air that no way through what is printed so far leads out of is sealed by the film. */
    private static List<Cup> cups(Voxels v) {
        int plane = v.nx * v.ny, first = plate(v);
        var parent = new int[v.count()];
        Arrays.fill(parent, -1);
        var widest = new HashMap<Integer, Cup>();
        int out = first * plane;
        for (int k = first; k < v.nz; k++) {
            for (int at = k * plane; at < (k + 1) * plane; at++) {
                if (v.solid(at)) continue;
                parent[at] = at;
                if (at % v.nx > 0) join(parent, at, at - 1, widest);
                if (at / v.nx % v.ny > 0) join(parent, at, at - v.nx, widest);
                if (k > first) join(parent, at, at - plane, widest);
            }
            int open = root(parent, out);
            var area = new HashMap<Integer, Cells>();
            for (int at = k * plane; at < (k + 1) * plane; at++) {
                if (parent[at] < 0) continue;
                int r = root(parent, at);
                if (r != open) area.computeIfAbsent(r, x -> new Cells()).add(v.middle(at));
            }
            area.forEach((r, cells) -> {
                var cup = new Cup(cells.count * v.cell * v.cell, cells.middle());
                widest.merge(r, cup, (a, b) -> a.areaMm2 >= b.areaMm2 ? a : b);
            });
        }
        return widest.values().stream().filter(c -> c.areaMm2 >= LEAST_MM2).sorted(Comparator.comparingDouble(c -> -c.areaMm2)).toList();
    }

    /** The layer that lies on the plate: the first with anything solid. */
    private static int plate(Voxels v) {
        int at = v.solids().nextSetBit(0);
        return at < 0 ? 0 : v.layer(at);
    }

    private static int root(int[] parent, int at) {
        while (parent[at] != at) at = parent[at] = parent[parent[at]];
        return at;
    }

    private static void join(int[] parent, int a, int b, Map<Integer, Cup> widest) {
        if (parent[b] < 0) return;
        int r = root(parent, a), s = root(parent, b);
        if (r == s) return;
        // the older, lower number stays
        int stays = Math.min(r, s), goes = Math.max(r, s);
        parent[goes] = stays;
        var cup = widest.remove(goes);
        if (cup != null) widest.merge(stays, cup, (x, y) -> x.areaMm2 >= y.areaMm2 ? x : y);
    }

    /**
     * What stays in it when it hangs still, mm3: cells that air reaches only over a higher rim (a priority flood from outside, after
     * Barnes, Lehman, Mulla 2014, in space). @param down which way gravity pulls, turned coordinates
     */
    public static double retainedMm3(Mesh section, Turn turn, Vec3 down, double cellMm) {
        var v = Voxels.of(section, turn, cellMm, 2);
        var d = down.unit().times(-1);
        double fine = v.cell / 2, low = Double.POSITIVE_INFINITY, high = Double.NEGATIVE_INFINITY;
        for (int at : new int[] {0, v.at(v.nx - 1, 0, 0), v.at(0, v.ny - 1, 0), v.at(0, 0, v.nz - 1), v.at(v.nx - 1, v.ny - 1, 0),
                v.at(v.nx - 1, 0, v.nz - 1), v.at(0, v.ny - 1, v.nz - 1), v.count() - 1}) {
            double h = d.dot(v.middle(at));
            low = Math.min(low, h);
            high = Math.max(high, h);
        }
        var level = new Voxels.Ring[(int) ((high - low) / fine) + 3];
        var seen = new BitSet(v.count());
        double lowest = low;
        // all of the outer cells at their own height, then over the lowest rim each time
        for (int at = 0; at < v.count(); at++) {
            int i = at % v.nx, j = at / v.nx % v.ny, k = v.layer(at);
            if (i > 0 && j > 0 && k > 0 && i < v.nx - 1 && j < v.ny - 1 && k < v.nz - 1) continue;
            put(level, step(d.dot(v.middle(at)), lowest, fine), at);
            seen.set(at);
        }
        long kept = 0;
        for (int l = 0; l < level.length; l++) {
            int over = l;
            while (level[l] != null && !level[l].isEmpty()) {
                int at = level[l].take();
                if (step(d.dot(v.middle(at)), lowest, fine) < over) kept++;
                v.beside(at, n -> {
                    if (v.solid(n) || seen.get(n)) return;
                    seen.set(n);
                    put(level, Math.max(over, step(d.dot(v.middle(n)), lowest, fine)), n);
                });
            }
        }
        return kept * v.cubicMm();
    }

    private static int step(double h, double low, double fine) {
        return (int) Math.round((h - low) / fine);
    }

    private static void put(Voxels.Ring[] level, int l, int at) {
        if (level[l] == null) level[l] = new Voxels.Ring(64);
        level[l].add(at);
    }
}
