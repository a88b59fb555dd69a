package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * A closed mesh as parallel columns through it, each with the places where it goes in and out. What lies within two meshes, outside
 * one, or twice within itself is summed column by column: no index, no predicate of the program's own has a part in it.
 */
final class ColumnCheck {
    /** Where a column meets the surface. @param at mm along the axis; @param turn +1 going in, -1 going out */
    private record Crossing(double at, int turn) {}

    /** Volume and thickness of what should not be. @param thickMm the longest piece of a column; @param at its middle */
    record Found(double mm3, double thickMm, Vec3 at) {
        static final Found NONE = new Found(0, 0, new Vec3(0, 0, 0));

        Found and(double length, double cell, Vec3 middle) {
            return new Found(mm3 + length * cell, Math.max(thickMm, length), length > thickMm ? middle : at);
        }
    }

    private final int axis;
    private final double step;
    private final Bounds3 bounds;
    private final Map<Long, List<Crossing>> columns = new HashMap<>();

    ColumnCheck(Mesh m, int axis, double step) {
        this.axis = axis;
        this.step = step;
        bounds = m.bounds();
        for (int f = 0; f < m.triangleCount(); f++) cross(m.corner(f, 0), m.corner(f, 1), m.corner(f, 2));
        columns.values().forEach(c -> c.sort(Comparator.comparingDouble(Crossing::at)));
    }

    /** ColumnCheck stand off the round numbers, so that no plane of a test runs along one. */
    private double at(long i) {
        return (i + 0.3137) * step;
    }

    private static double of(Vec3 p, int axis) {
        return axis == 0 ? p.x() : axis == 1 ? p.y() : p.z();
    }

    private void cross(Vec3 a, Vec3 b, Vec3 c) {
        int u = (axis + 1) % 3, v = (axis + 2) % 3;
        double au = of(a, u), av = of(a, v), bu = of(b, u), bv = of(b, v), cu = of(c, u), cv = of(c, v);
        double area = (bu - au) * (cv - av) - (bv - av) * (cu - au);
        if (area == 0) return;
        long i0 = first(Math.min(au, Math.min(bu, cu))), i1 = first(Math.max(au, Math.max(bu, cu))) - 1;
        long j0 = first(Math.min(av, Math.min(bv, cv))), j1 = first(Math.max(av, Math.max(bv, cv))) - 1;
        for (long i = i0; i <= i1; i++) for (long j = j0; j <= j1; j++) {
            double x = at(i), y = at(j);
            if (side(au, av, bu, bv, x, y) != area > 0 || side(bu, bv, cu, cv, x, y) != area > 0 || side(cu, cv, au, av, x, y) != area > 0)
                continue;
            double wb = ((x - au) * (cv - av) - (y - av) * (cu - au)) / area, wc = ((bu - au) * (y - av) - (bv - av) * (x - au)) / area;
            double h = of(a, axis) + wb * (of(b, axis) - of(a, axis)) + wc * (of(c, axis) - of(a, axis));
            columns.computeIfAbsent(i << 32 ^ j & 0xffffffffL, k -> new ArrayList<>(4)).add(new Crossing(h, area > 0 ? -1 : 1));
        }
    }

    private long first(double mm) {
        return (long) Math.ceil(mm / step - 0.3137);
    }

    /** Left of the edge or not, the same for both triangles of an edge. */
    private static boolean side(double au, double av, double bu, double bv, double x, double y) {
        boolean swap = au > bu || au == bu && av > bv;
        double s = swap ? (au - bu) * (y - bv) - (av - bv) * (x - bu) : (bu - au) * (y - av) - (bv - av) * (x - au);
        return swap ? s <= 0 : s > 0;
    }

    private Vec3 point(long key, double along) {
        var p = new double[3];
        p[axis] = along;
        p[(axis + 1) % 3] = at(key >> 32);
        p[(axis + 2) % 3] = at((int) key);
        return new Vec3(p[0], p[1], p[2]);
    }

    private interface Wrong {
        boolean is(int mine, int others);
    }

    private Found sum(ColumnCheck other, Wrong wrong) {
        var found = Found.NONE;
        for (var e : columns.entrySet()) {
            var theirs = other.columns.getOrDefault(e.getKey(), List.of());
            var mine = e.getValue();
            if (theirs.isEmpty() && !wrong.is(1, 0)) continue;
            var places = new double[mine.size() + theirs.size()];
            for (int i = 0; i < mine.size(); i++) places[i] = mine.get(i).at;
            for (int i = 0; i < theirs.size(); i++) places[mine.size() + i] = theirs.get(i).at;
            Arrays.sort(places);
            for (int i = 1; i < places.length; i++) {
                double middle = (places[i - 1] + places[i]) / 2, length = places[i] - places[i - 1];
                if (length > 1e-9 && wrong.is(depth(mine, middle), depth(theirs, middle)))
                    found = found.and(length, step * step, point(e.getKey(), middle));
            }
        }
        return found;
    }

    private static int depth(List<Crossing> c, double at) {
        int n = 0;
        for (var k : c) if (k.at < at) n += k.turn;
        return n;
    }

    /** What lies within both. */
    Found within(ColumnCheck other) {
        for (int k = 0; k < 3; k++)
            if (of(bounds.max(), k) <= of(other.bounds.min(), k) || of(other.bounds.max(), k) <= of(bounds.min(), k)) return Found.NONE;
        return columns.size() > other.columns.size() ? other.within(this) : sum(other, (mine, others) -> mine > 0 && others > 0);
    }

    /** What of this lies outside the other. */
    Found outside(ColumnCheck other) {
        return sum(other, (mine, others) -> mine > 0 && others <= 0);
    }

    /** What is wound twice, or inside out: the surface runs through itself. */
    Found crossed() {
        return sum(this, (mine, same) -> mine != 0 && mine != 1);
    }

    double volumeMm3() {
        return sum(this, (mine, same) -> mine > 0).mm3;
    }
}
