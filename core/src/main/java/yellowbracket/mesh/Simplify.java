package yellowbracket.mesh;

import java.util.Arrays;

/**
 * Fewer triangles for display and search, by edge collapse in order of quadric error (Garland and Heckbert, "Surface simplification
 * using quadric error metrics", 1997), swept in rounds whose threshold lets the cheaper part of the edges go, instead of a heap. Collapses
 * that would turn a triangle
 * over or join what is not joined are skipped; open borders are held by extra quadrics. Results are never measured on the proxy.
 */
public final class Simplify {
    /** Numbers of a symmetric 4 x 4 matrix. */
    private static final int QUADRIC = 10;
    /** Rounds of rising cost. */
    private static final int ROUNDS = 80;
    /** A round that takes less than this part of what is left is the last: the rest is held by borders and sharp turns. */
    private static final int STALLED = 1000;
    /**
     * Edges looked at to set the next round's threshold, and the share of all that it lets collapse; less is slower, more takes costly
     * edges too early, which only a mesh of few facets shows.
     */
    private static final int SAMPLE = 4000;
    private static final double FAR_SHARE = 0.35, NEAR_SHARE = 0.15;
    /** Up to this many times the target the careful share holds. */
    private static final int NEAR = 4;
    /** Twice the area over the square of the longest side; an even triangle has 0.87. */
    private static final double SLIVER = 0.06;
    /** A sliver may lose this much of its evenness in one collapse; with 1 the needles about the pole of a sphere never go. */
    private static final double WORSE = 0.7;

    private final Mesh source;
    private final int target;
    private final double[] xyz;
    private final int[] tri;
    private final double[] quadric;
    private final boolean[] dead;
    private int alive;
    private int[] start;
    private int[] ring;

    private Simplify(Mesh source, int target) {
        this.source = source;
        this.target = target;
        xyz = source.copyXyz();
        tri = source.copyTriangles();
        quadric = new double[QUADRIC * source.vertexCount()];
        dead = new boolean[source.triangleCount()];
        alive = source.triangleCount();
    }

    /** A mesh with about {@code target} triangles, or the mesh itself if it has no more than that. Tags are kept. */
    public static Mesh to(Mesh mesh, int target, Progress progress) {
        return mesh.triangleCount() <= target ? mesh : new Simplify(mesh, target).run(progress);
    }

    private Mesh run(Progress progress) {
        for (int f = 0; f < dead.length; f++) addPlane(f);
        holdBorders();
        double threshold = 0;
        int before = Integer.MAX_VALUE;
        for (int round = 0; round < ROUNDS && alive > target && before - alive > alive / STALLED; round++) {
            progress.check();
            progress.report(source.triangleCount() - alive, source.triangleCount() - target);
            link();
            threshold = Math.max(threshold, cheapShare());
            before = alive;
            sweep(threshold);
        }
        return compact();
    }

    /** The error that a share of the edges stay below, from an even sample of those left. */
    private double cheapShare() {
        var costs = new double[SAMPLE];
        int n = 0, step = Math.max(1, dead.length / SAMPLE);
        for (int f = 0; f < dead.length && n < SAMPLE; f += step) {
            int g = f;
            while (g < dead.length && dead[g]) g++; // here: the next triangle left
            if (g == dead.length) break;
            int a = tri[3 * g + f % 3], b = tri[3 * g + (f % 3 + 1) % 3];
            var p = bestPoint(a, b, Double.POSITIVE_INFINITY);
            if (p != null) costs[n++] = error(a, p[0], p[1], p[2]) + error(b, p[0], p[1], p[2]);
        }
        if (n == 0) return 0;
        Arrays.sort(costs, 0, n);
        double share = alive > (long) NEAR * target ? FAR_SHARE : NEAR_SHARE;
        return Math.max(costs[(int) (share * (n - 1))], 1e-15);
    }

    private void addPlane(int f) {
        var n = source.areaVector(f);
        double len = n.norm();
        if (len == 0) return;
        var u = n.times(1 / len);
        add(f, u, -u.dot(source.corner(f, 0)), len);
    }

    private void add(int f, Vec3 u, double d, double weight) {
        for (int k = 0; k < 3; k++) addQuadric(tri[3 * f + k], u, d, weight);
    }

    private void addQuadric(int v, Vec3 u, double d, double w) {
        int q = QUADRIC * v;
        double a = u.x(), b = u.y(), c = u.z();
        quadric[q] += w * a * a;
        quadric[q + 1] += w * a * b;
        quadric[q + 2] += w * a * c;
        quadric[q + 3] += w * a * d;
        quadric[q + 4] += w * b * b;
        quadric[q + 5] += w * b * c;
        quadric[q + 6] += w * b * d;
        quadric[q + 7] += w * c * c;
        quadric[q + 8] += w * c * d;
        quadric[q + 9] += w * d * d;
    }

    /** Planes through open edges at right angles to their triangle keep the outline of a hole in place. */
    private void holdBorders() {
        var edges = new Edges(source);
        edges.forEach((from, to) -> {
            if (to - from == 2 && source.tag(edges.triangle(from)) == source.tag(edges.triangle(from + 1))) return;
            int f = edges.triangle(from);
            var a = source.point(edges.lowVertex(from));
            var b = source.point(edges.highVertex(from));
            var side = b.minus(a).cross(source.areaVector(f));
            if (side.norm() == 0) return;
            var u = side.unit();
            double w = 20 * b.minus(a).dot(b.minus(a));
            addQuadric(edges.lowVertex(from), u, -u.dot(a), w);
            addQuadric(edges.highVertex(from), u, -u.dot(a), w);
        });
    }

    /** Fills {@link #ring}: for each vertex the triangles around it, from {@code start[v]} to {@code start[v + 1]}. */
    private void link() {
        start = new int[source.vertexCount() + 1];
        for (int f = 0; f < dead.length; f++) if (!dead[f]) for (int k = 0; k < 3; k++) start[tri[3 * f + k] + 1]++;
        for (int v = 0; v < source.vertexCount(); v++) start[v + 1] += start[v];
        ring = new int[start[source.vertexCount()]];
        var fill = Arrays.copyOf(start, start.length);
        for (int f = 0; f < dead.length; f++) if (!dead[f]) for (int k = 0; k < 3; k++) ring[fill[tri[3 * f + k]]++] = f;
    }

    private void sweep(double threshold) {
        var touched = new boolean[source.vertexCount()];
        for (int f = 0; f < dead.length && alive > target; f++) {
            for (int k = 0; k < 3 && !dead[f]; k++) {
                int a = tri[3 * f + k], b = tri[3 * f + (k + 1) % 3];
                if (touched[a] || touched[b] || a > b && !border(f, k)) continue; // an edge of two triangles comes twice
                var p = bestPoint(a, b, threshold);
                if (p == null || !mayCollapse(a, b, p)) continue;
                collapse(a, b, p, touched);
            }
        }
    }

    /** Whether this edge is known only from this side; the common case is told by the other triangle running it the other way. */
    private boolean border(int f, int k) {
        int a = tri[3 * f + k], b = tri[3 * f + (k + 1) % 3];
        for (int i = start[b]; i < start[b + 1]; i++) {
            int g = ring[i];
            if (g == f || dead[g]) continue;
            for (int j = 0; j < 3; j++) if (tri[3 * g + j] == b && tri[3 * g + (j + 1) % 3] == a) return false;
        }
        return true;
    }

    /** Where the edge would collapse to, or null when that costs more than the threshold. */
    private double[] bestPoint(int a, int b, double threshold) {
        double[] best = solve(a, b);
        double least = best == null ? threshold : error(a, best[0], best[1], best[2]) + error(b, best[0], best[1], best[2]);
        if (best != null && least < threshold) return best;
        best = null;
        least = threshold;
        for (int i = 0; i < 3; i++) {
            double t = i == 0 ? 0.5 : i - 1;
            double x = xyz[3 * a] * (1 - t) + xyz[3 * b] * t, y = xyz[3 * a + 1] * (1 - t) + xyz[3 * b + 1] * t,
                    z = xyz[3 * a + 2] * (1 - t) + xyz[3 * b + 2] * t;
            double e = error(a, x, y, z) + error(b, x, y, z);
            if (e < least) {
                least = e;
                best = new double[] {x, y, z};
            }
        }
        return best;
    }

    /** The point of least error of both quadrics, or null where it is not well determined or lies far from the edge. */
    private double[] solve(int a, int b) {
        int i = QUADRIC * a, j = QUADRIC * b;
        double xx = quadric[i] + quadric[j], xy = quadric[i + 1] + quadric[j + 1], xz = quadric[i + 2] + quadric[j + 2],
                xd = quadric[i + 3] + quadric[j + 3];
        double yy = quadric[i + 4] + quadric[j + 4], yz = quadric[i + 5] + quadric[j + 5], yd = quadric[i + 6] + quadric[j + 6],
                zz = quadric[i + 7] + quadric[j + 7], zd = quadric[i + 8] + quadric[j + 8];
        double c0 = yy * zz - yz * yz, c1 = xz * yz - xy * zz, c2 = xy * yz - xz * yy, det = xx * c0 + xy * c1 + xz * c2;
        double trace = xx + yy + zz;
        if (!(det > 1e-4 * trace * trace * trace)) return null;
        double x = -(c0 * xd + c1 * yd + c2 * zd) / det;
        double y = -(c1 * xd + (xx * zz - xz * xz) * yd + (xy * xz - xx * yz) * zd) / det;
        double z = -(c2 * xd + (xy * xz - xx * yz) * yd + (xx * yy - xy * xy) * zd) / det;
        double mx = (xyz[3 * a] + xyz[3 * b]) / 2, my = (xyz[3 * a + 1] + xyz[3 * b + 1]) / 2, mz = (xyz[3 * a + 2] + xyz[3 * b + 2]) / 2;
        double half = norm(xyz[3 * a] - mx, xyz[3 * a + 1] - my, xyz[3 * a + 2] - mz);
        double off = norm(x - mx, y - my, z - mz);
        return off <= 2 * half ? new double[] {x, y, z} : null;
    }

    private static double norm(double x, double y, double z) {
        return Math.sqrt(x * x + y * y + z * z);
    }

    private double error(int v, double x, double y, double z) {
        int q = QUADRIC * v;
        return quadric[q] * x * x + 2 * quadric[q + 1] * x * y + 2 * quadric[q + 2] * x * z + 2 * quadric[q + 3] * x
                + quadric[q + 4] * y * y + 2 * quadric[q + 5] * y * z + 2 * quadric[q + 6] * y + quadric[q + 7] * z * z
                + 2 * quadric[q + 8] * z + quadric[q + 9];
    }

    /** Link condition (exactly two common neighbours) and no triangle turned by more than 60 degrees or drawn into a sliver. */
    private boolean mayCollapse(int a, int b, double[] p) {
        int common = 0;
        for (int i = start[a]; i < start[a + 1]; i++) {
            int f = ring[i];
            if (dead[f] || !uses(f, a)) return false;
            if (uses(f, b)) common++;
            else if (turns(f, a, p)) return false;
        }
        if (common != 2) return false;
        for (int i = start[b]; i < start[b + 1]; i++) {
            int f = ring[i];
            if (dead[f] || !uses(f, b)) return false;
            if (!uses(f, a) && turns(f, b, p)) return false;
        }
        return sharedNeighbours(a, b) == 2;
    }

    private int sharedNeighbours(int a, int b) {
        int n = 0;
        for (int i = start[a]; i < start[a + 1]; i++) for (int k = 0; k < 3; k++) {
            int v = tri[3 * ring[i] + k];
            if (v == a || v == b || tri[3 * ring[i] + (k + 2) % 3] != a) continue; // here: v follows a, so each neighbour counts once
            for (int j = start[b]; j < start[b + 1]; j++) if (uses(ring[j], v)) {
                n++;
                break;
            }
        }
        return n;
    }

    private boolean uses(int f, int v) {
        return tri[3 * f] == v || tri[3 * f + 1] == v || tri[3 * f + 2] == v;
    }

    /** Before and after by coordinates: this is asked some ten times a collapse. */
    private boolean turns(int f, int v, double[] p) {
        int a = 3 * tri[3 * f], b = 3 * tri[3 * f + 1], c = 3 * tri[3 * f + 2];
        double bx = xyz[b] - xyz[a], by = xyz[b + 1] - xyz[a + 1], bz = xyz[b + 2] - xyz[a + 2], cx = xyz[c] - xyz[a],
                cy = xyz[c + 1] - xyz[a + 1], cz = xyz[c + 2] - xyz[a + 2];
        double nx = by * cz - bz * cy, ny = bz * cx - bx * cz, nz = bx * cy - by * cx, before = Math.sqrt(nx * nx + ny * ny + nz * nz);
        double longBefore = longest(bx, by, bz, cx, cy, cz);
        boolean atA = a == 3 * v, atB = b == 3 * v;
        double ax = atA ? p[0] : xyz[a], ay = atA ? p[1] : xyz[a + 1], az = atA ? p[2] : xyz[a + 2];
        boolean atC = !atA && !atB;
        bx = (atB ? p[0] : xyz[b]) - ax;
        by = (atB ? p[1] : xyz[b + 1]) - ay;
        bz = (atB ? p[2] : xyz[b + 2]) - az;
        cx = (atC ? p[0] : xyz[c]) - ax;
        cy = (atC ? p[1] : xyz[c + 1]) - ay;
        cz = (atC ? p[2] : xyz[c + 2]) - az;
        double mx = by * cz - bz * cy, my = bz * cx - bx * cz, mz = bx * cy - by * cx, after = Math.sqrt(mx * mx + my * my + mz * mz);
        if (nx * mx + ny * my + nz * mz <= 0.5 * before * after) return true;
        double now = after / Math.max(1e-12, longest(bx, by, bz, cx, cy, cz));
        return now < SLIVER && now < WORSE * before / Math.max(1e-12, longBefore);
    }

    /** The longest side of the triangle (0, b, c), squared. */
    private static double longest(double bx, double by, double bz, double cx, double cy, double cz) {
        double dx = cx - bx, dy = cy - by, dz = cz - bz;
        return Math.max(bx * bx + by * by + bz * bz, Math.max(cx * cx + cy * cy + cz * cz, dx * dx + dy * dy + dz * dz));
    }

    private void collapse(int a, int b, double[] p, boolean[] touched) {
        System.arraycopy(p, 0, xyz, 3 * a, 3);
        for (int i = 0; i < QUADRIC; i++) quadric[QUADRIC * a + i] += quadric[QUADRIC * b + i];
        for (int i = start[a]; i < start[a + 1]; i++) touchAll(ring[i], touched);
        for (int i = start[b]; i < start[b + 1]; i++) {
            int f = ring[i];
            touchAll(f, touched);
            if (uses(f, a)) {
                dead[f] = true;
                alive--;
            } else {
                for (int k = 0; k < 3; k++) if (tri[3 * f + k] == b) tri[3 * f + k] = a;
            }
        }
    }

    /** The rings of these vertices are out of date until the next round. */
    private void touchAll(int f, boolean[] touched) {
        for (int k = 0; k < 3; k++) touched[tri[3 * f + k]] = true;
    }

    private Mesh compact() {
        var tag = new int[dead.length];
        var keep = new boolean[dead.length];
        for (int f = 0; f < dead.length; f++) {
            tag[f] = source.tag(f);
            keep[f] = !dead[f];
        }
        return Mesh.adopting(xyz, tri, tag).only(keep);
    }
}
