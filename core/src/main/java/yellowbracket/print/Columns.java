package yellowbracket.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * A section as it stands on the bed, as upright columns over square cells: in each the heights at which its surface is crossed, highest
 * first. Support,
 * its footprint, what touches the bed and the shadow are read off them. Areas are off by about the outline times a third of a cell over the
 * square root of
 * the cells along it; a cell of a two-hundredth of the width gives support within a per cent. O(triangles + crossings).
 */
public final class Columns {
    /** What starts this near the bed lies on it: the first layers bridge it. */
    static final double ON_BED_MM = 0.6;
    /** Shorter columns are two faces that touch. */
    private static final double LEAST_POST_MM = 0.05;
    private static final GeometryFactory FLAT = new GeometryFactory();

    private final double cell;
    private final double x0;
    private final double y0;
    private final double bed;
    private final int nx;
    private final int ny;
    private final int[] head;
    private int[] next = new int[1024];
    private float[] height = new float[1024];
    /** Upward share of the facet's normal there; negative looks down. */
    private float[] up = new float[1024];
    private boolean[] seen = new boolean[1024];
    private int crossings;

    private Columns(double[] xyz, double cell) {
        this.cell = cell;
        x0 = Turned.extreme(xyz, 0, -1);
        y0 = Turned.extreme(xyz, 1, -1);
        bed = Turned.lowest(xyz);
        nx = Math.max(1, (int) Math.ceil((Turned.extreme(xyz, 0, 1) - x0) / cell));
        ny = Math.max(1, (int) Math.ceil((Turned.extreme(xyz, 1, 1) - y0) / cell));
        head = new int[nx * ny];
        Arrays.fill(head, -1);
    }

    /** @param seen by triangle: on the show side */
    public static Columns of(Mesh mesh, boolean[] seen, Turn turn, double cellMm) {
        if (mesh.isEmpty()) throw new IllegalArgumentException("an empty section stands on nothing");
        var xyz = Turned.points(mesh, turn);
        var out = new Columns(xyz, cellMm);
        for (int f = 0; f < mesh.triangleCount(); f++)
            out.add(xyz, 3 * mesh.vertex(f, 0), 3 * mesh.vertex(f, 1), 3 * mesh.vertex(f, 2), seen[f]);
        return out;
    }

    /** Every column whose middle lies under the triangle, edges half open so that neighbours share none. */
    private void add(double[] p, int a, int b, int c, boolean show) {
        double ux = p[b] - p[a], uy = p[b + 1] - p[a + 1], uz = p[b + 2] - p[a + 2], vx = p[c] - p[a], vy = p[c + 1] - p[a + 1],
                vz = p[c + 2] - p[a + 2];
        double nxx = uy * vz - uz * vy, nyy = uz * vx - ux * vz, nz = ux * vy - uy * vx, len = Math.sqrt(nxx * nxx + nyy * nyy + nz * nz);
        if (Math.abs(nz) < 1e-9 * len || len == 0) return;
        double yLo = Math.min(p[a + 1], Math.min(p[b + 1], p[c + 1])), yHi = Math.max(p[a + 1], Math.max(p[b + 1], p[c + 1]));
        int j0 = Math.max(0, (int) Math.ceil((yLo - y0) / cell - 0.5)), j1 = Math.min(ny - 1, (int) Math.floor((yHi - y0) / cell - 0.5));
        double sx = -nxx / nz, sy = -nyy / nz;
        float steep = (float) (nz / len);
        for (int j = j0; j <= j1; j++) {
            double y = y0 + (j + 0.5) * cell, xl = Double.POSITIVE_INFINITY, xr = Double.NEGATIVE_INFINITY;
            for (int k = 0; k < 3; k++) {
                int q = k == 0 ? a : k == 1 ? b : c, r = k == 0 ? b : k == 1 ? c : a;
                if (p[q + 1] <= y == p[r + 1] <= y) continue;
                // from the lower end, so that both triangles of an edge find the same place
                if (p[q + 1] > p[r + 1]) {
                    int t = q;
                    q = r;
                    r = t;
                }
                double x = p[q] + (y - p[q + 1]) / (p[r + 1] - p[q + 1]) * (p[r] - p[q]);
                xl = Math.min(xl, x);
                xr = Math.max(xr, x);
            }
            if (!(xl < xr)) continue;
            int i0 = Math.max(0, (int) Math.ceil((xl - x0) / cell - 0.5)),
                    i1 = Math.min(nx - 1, (int) Math.ceil((xr - x0) / cell - 0.5) - 1);
            for (int i = i0; i <= i1; i++)
                put(j * nx + i, (float) (p[a + 2] + sx * (x0 + (i + 0.5) * cell - p[a]) + sy * (y - p[a + 1])), steep, show);
        }
    }

    private void put(int column, float z, float steep, boolean show) {
        if (crossings == next.length) {
            next = Arrays.copyOf(next, 2 * crossings);
            height = Arrays.copyOf(height, 2 * crossings);
            up = Arrays.copyOf(up, 2 * crossings);
            seen = Arrays.copyOf(seen, 2 * crossings);
        }
        height[crossings] = z;
        up[crossings] = steep;
        seen[crossings] = show;
        int before = -1, at = head[column];
        while (at >= 0 && height[at] > z) {
            before = at;
            at = next[at];
        }
        next[crossings] = at;
        if (before < 0) head[column] = crossings;
        else next[before] = crossings;
        crossings++;
    }

    /** Cells across and along, and where they and the bed lie; turned coordinates. */
    record Grid(int nx, int ny, double x0, double y0, double bed) {}

    Grid grid() {
        return new Grid(nx, ny, x0, y0, bed);
    }

    /** Takes each upright run of material: its column, from where to where. */
    interface Runs {
        void take(int column, double from, double to);
    }

    /** Overlapping bodies count once. */
    void runs(Runs runs) {
        for (int c = 0; c < head.length; c++) {
            int within = 0;
            double top = 0;
            for (int at = head[c]; at >= 0; at = next[at]) {
                if (within == 0) top = height[at];
                within += up[at] > 0 ? 1 : -1;
                if (within == 0) runs.take(c, height[at], top);
            }
        }
    }

    /** A column of support: over the middle of its cell, from what it stands on to what it holds. */
    public record Post(double x, double y, double from, double to, boolean seen) {}

    /** Takes each column of support: cell, from, to, whether what it holds is on the show side. */
    private interface Posts {
        void take(int column, double from, double to, boolean seen);
    }

    /**
     * Where bodies overlap, faces within another one are none.
     * @param leanDeg faces that lean further from upright than this are held
     */
    private void posts(double leanDeg, Posts posts) {
        double limit = -Math.sin(Math.toRadians(leanDeg));
        for (int c = 0; c < head.length; c++) {
            boolean closed = balanced(c);
            int within = 0;
            for (int at = head[c]; at >= 0; at = next[at]) {
                within += up[at] > 0 ? 1 : -1;
                if (up[at] >= limit || height[at] - bed < ON_BED_MM || closed && within > 0) continue;
                int below = next[at];
                while (below >= 0 && up[below] < 0) below = next[below];
                double from = below < 0 ? bed : height[below];
                if (height[at] - from > LEAST_POST_MM) posts.take(c, from, height[at], seen[at]);
            }
        }
    }

    /** Whether the column leaves the material as often as it enters it, as in a closed mesh. */
    private boolean balanced(int column) {
        int within = 0;
        for (int at = head[column]; at >= 0; at = next[at]) {
            within += up[at] > 0 ? 1 : -1;
            if (within < 0) return false;
        }
        return within == 0;
    }

    /** In the coordinates of the turned section, every {@code step}-th cell both ways. */
    public List<Post> posts(double leanDeg, int step) {
        var out = new ArrayList<Post>();
        posts(leanDeg, (c, from, to, show) -> {
            int i = c % nx, j = c / nx;
            if (i % step == 0 && j % step == 0) out.add(new Post(x0 + (i + 0.5) * cell, y0 + (j + 0.5) * cell, from, to, show));
        });
        return out;
    }

    /**
     * What a lean limit asks for: {@code volumeMm3} of the space to fill, {@code contactMm2} of faces held, seen from below, {@code
     * seenMm2} the share on the
     * show side, {@code footMm2}: what stands on the bed, section and support; {@code tipDeg}: how far the whole may lean before it tips
     * over its foot.
     */
    public record Need(double volumeMm3, double contactMm2, double seenMm2, double footMm2, double ownFootMm2, double tipDeg) {}

    /** @param centre of mass, turned as the section is */
    public Need need(double leanDeg, Vec3 centre) {
        double each = cell * cell;
        double[] sum = new double[3];
        var foot = new boolean[head.length];
        posts(leanDeg, (c, from, to, show) -> {
            sum[0] += (to - from) * each;
            sum[1] += each;
            if (show) sum[2] += each;
            foot[c] |= from <= bed;
        });
        double own = 0, all = 0;
        for (int c = 0; c < head.length; c++) {
            boolean lies = lowest(c) - bed < ON_BED_MM;
            if (lies) own += each;
            if (lies || foot[c]) all += each;
            foot[c] |= lies;
        }
        return new Need(sum[0], sum[1], sum[2], all, own, tip(foot, centre));
    }

    /** What stands on the bed: its extent with what supports stand on, the section's own area there, and how much of that is seen. */
    record Foot(double wideMm, double deepMm, double ownMm2, double seenMm2) {}

    Foot foot(double leanDeg) {
        var stands = new boolean[head.length];
        posts(leanDeg, (c, from, to, show) -> stands[c] |= from <= bed);
        double own = 0, shown = 0;
        int i0 = nx, i1 = -1, j0 = ny, j1 = -1;
        for (int c = 0; c < head.length; c++) {
            int last = -1;
            for (int at = head[c]; at >= 0; at = next[at]) last = at;
            boolean lies = last >= 0 && height[last] - bed < ON_BED_MM;
            if (lies) own += cell * cell;
            if (lies && seen[last]) shown += cell * cell;
            if (!lies && !stands[c]) continue;
            i0 = Math.min(i0, c % nx);
            i1 = Math.max(i1, c % nx);
            j0 = Math.min(j0, c / nx);
            j1 = Math.max(j1, c / nx);
        }
        return i1 < 0 ? new Foot(0, 0, 0, 0) : new Foot((i1 - i0 + 1) * cell, (j1 - j0 + 1) * cell, own, shown);
    }

    private double lowest(int column) {
        double z = Double.POSITIVE_INFINITY;
        for (int at = head[column]; at >= 0; at = next[at]) z = height[at];
        return z;
    }

    /** Angle between the upright and the line from the nearest edge of the foot's hull to the centre of mass. */
    private double tip(boolean[] foot, Vec3 centre) {
        var corners = new ArrayList<Coordinate>();
        for (int j = 0; j < ny; j++) {
            int first = -1, last = -1;
            for (int i = 0; i < nx; i++) {
                if (!foot[j * nx + i]) continue;
                if (first < 0) first = i;
                last = i;
            }
            if (first < 0) continue;
            for (int side = 0; side <= 1; side++) {
                corners.add(new Coordinate(x0 + first * cell, y0 + (j + side) * cell));
                corners.add(new Coordinate(x0 + (last + 1) * cell, y0 + (j + side) * cell));
            }
        }
        if (corners.isEmpty()) return 0;
        Geometry hull = new ConvexHull(corners.toArray(Coordinate[]::new), FLAT).getConvexHull();
        var over = FLAT.createPoint(new Coordinate(centre.x(), centre.y()));
        if (!hull.contains(over)) return 0;
        return Math.toDegrees(Math.atan2(hull.getBoundary().distance(over), Math.max(1e-6, centre.z() - bed)));
    }

    public double bedZ() {
        return bed;
    }
}
