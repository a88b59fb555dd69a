package yellowbracket.size;

import java.util.Arrays;
import java.util.stream.IntStream;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * The inner wall of a hollow as points about {@link #SPACING_MM} apart, model mm, in clusters of near ones: what can touch a head. A point
 * counts when it is seen from one of a
 * few places on the upright axis or from below the rim, so that outer walls and brims do not. Faulty and open shells have their points like
 * any other. Immutable.
 */
final class ShellPoints {
    /** Between points of the inner wall, mm. */
    static final double SPACING_MM = 4;
    /** Points this near are one place when places are told, mm. */
    private static final double CLUSTER_MM = 22;
    /** Places within the hollow from which its wall is looked for. */
    private static final int LOOKOUTS = 7;

    /** Three a point, cluster after cluster. */
    final double[] xyz;
    /** First point of each cluster, and the end of the last. */
    final int[] start;
    /** Four a cluster: middle and radius. */
    final double[] ball;

    private ShellPoints(double[] xyz, int[] start, double[] ball) {
        this.xyz = xyz;
        this.start = start;
        this.ball = ball;
    }

    static ShellPoints of(Cavity cavity) {
        var spread = spread(cavity.mesh());
        var eyes = new Vec3[LOOKOUTS];
        double low = cavity.rimZ() - 25, high = cavity.roofZ() - 8;
        for (int i = 0; i < LOOKOUTS; i++) eyes[i] = new Vec3(0.4, cavity.middleY(), low + (high - low) * i / (LOOKOUTS - 1));
        int n = spread.length / 3;
        var seen = new boolean[n];
        IntStream.range(0, n)
                .parallel()
                .forEach(i -> seen[i] = seen(cavity.index(), eyes, spread[3 * i], spread[3 * i + 1], spread[3 * i + 2]));
        var kept = new double[spread.length];
        int k = 0;
        for (int i = 0; i < n; i++) {
            if (!seen[i]) continue;
            System.arraycopy(spread, 3 * i, kept, k, 3);
            k += 3;
        }
        return clustered(Arrays.copyOf(kept, k));
    }

    /** One point of the surface in each cell of a grid that the surface meets: corners of small facets, points within large ones. */
    private static double[] spread(Mesh m) {
        var cells = new java.util.HashMap<Long, double[]>();
        for (int f = 0; f < m.triangleCount(); f++) {
            var a = m.corner(f, 0);
            var u = m.corner(f, 1).minus(a);
            var v = m.corner(f, 2).minus(a);
            double longest = Math.max(u.norm(), Math.max(v.norm(), u.minus(v).norm()));
            int parts = (int) Math.clamp(Math.ceil(longest / (0.7 * SPACING_MM)), 1, 400);
            for (int i = 0; i <= parts; i++) for (int j = 0; j <= parts - i; j++) {
                double s = (double) i / parts, t = (double) j / parts;
                var p = new double[] {a.x() + s * u.x() + t * v.x(), a.y() + s * u.y() + t * v.y(), a.z() + s * u.z() + t * v.z()};
                cells.putIfAbsent(cell(p[0], p[1], p[2], SPACING_MM), p);
            }
        }
        var out = new double[3 * cells.size()];
        int k = 0;
        for (long key : cells.keySet().stream().sorted().toList()) {
            System.arraycopy(cells.get(key), 0, out, k, 3);
            k += 3;
        }
        return out;
    }

    private static long cell(double x, double y, double z, double size) {
        return ((long) Math.floor(x / size) + (1 << 20)) << 42 | ((long) Math.floor(y / size) + (1 << 20)) << 21
                | (long) Math.floor(z / size) + (1 << 20);
    }

    private static boolean seen(Bvh index, Vec3[] eyes, double x, double y, double z) {
        for (var e : eyes) {
            double dx = x - e.x(), dy = y - e.y(), dz = z - e.z();
            if (index.firstDistance(e.x(), e.y(), e.z(), dx, dy, dz, 0) > 0.985) return true;
        }
        return false;
    }

    private static ShellPoints clustered(double[] points) {
        int n = points.length / 3;
        var order = new Integer[n];
        var key = new long[n];
        for (int i = 0; i < n; i++) {
            order[i] = i;
            key[i] = cell(points[3 * i], points[3 * i + 1], points[3 * i + 2], CLUSTER_MM);
        }
        Arrays.sort(order, java.util.Comparator.comparingLong(i -> key[i]));
        var xyz = new double[3 * n];
        var start = new int[n + 1];
        int clusters = 0;
        for (int i = 0; i < n; i++) {
            System.arraycopy(points, 3 * order[i], xyz, 3 * i, 3);
            if (i == 0 || key[order[i]] != key[order[i - 1]]) start[clusters++] = i;
        }
        start[clusters] = n;
        var ball = new double[4 * clusters];
        for (int c = 0; c < clusters; c++) ball(xyz, start[c], start[c + 1], ball, 4 * c);
        return new ShellPoints(xyz, Arrays.copyOf(start, clusters + 1), ball);
    }

    private static void ball(double[] xyz, int from, int to, double[] ball, int at) {
        for (int i = from; i < to; i++) for (int k = 0; k < 3; k++) ball[at + k] += xyz[3 * i + k] / (to - from);
        for (int i = from; i < to; i++) ball[at + 3] = Math.max(ball[at + 3],
                Math.sqrt(square(xyz[3 * i] - ball[at]) + square(xyz[3 * i + 1] - ball[at + 1]) + square(xyz[3 * i + 2] - ball[at + 2])));
    }

    private static double square(double v) {
        return v * v;
    }

    /** Height of the lowest point: the rim's lowest edge; 0 for no points. */
    double lowestZ() {
        double z = count() == 0 ? 0 : Double.POSITIVE_INFINITY;
        for (int i = 0; i < count(); i++) z = Math.min(z, xyz[3 * i + 2]);
        return z;
    }

    int clusters() {
        return start.length - 1;
    }

    int count() {
        return xyz.length / 3;
    }

    /** One point of each cell of twice the spacing: four times fewer, near enough for a search that leaves some room. */
    ShellPoints thinned() {
        var taken = new java.util.HashSet<Long>();
        return mapped(p -> taken.add(cell(p.x(), p.y(), p.z(), 2 * SPACING_MM)) ? java.util.Optional.of(p) : java.util.Optional.empty());
    }

    /** The same points moved, or left out where the move gives none. */
    ShellPoints mapped(java.util.function.Function<Vec3, java.util.Optional<Vec3>> move) {
        var out = new double[xyz.length];
        int k = 0;
        for (int i = 0; i < count(); i++) {
            var p = move.apply(new Vec3(xyz[3 * i], xyz[3 * i + 1], xyz[3 * i + 2]));
            if (p.isEmpty()) continue;
            out[k++] = p.get().x();
            out[k++] = p.get().y();
            out[k++] = p.get().z();
        }
        return clustered(Arrays.copyOf(out, k));
    }
}
