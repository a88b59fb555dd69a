package yellowbracket.mesh.repair;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.IntStream;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;

/**
 * Where a surface runs through itself: edges that cross a triangle they do not belong to. {@code crossings}: such edges among {@code
 * tested} of
 * {@code edges}; {@code places}: triangles that are crossed, a bounded number to show; {@code pairs}: the bodies that meet (equal numbers:
 * a body with itself).
 */
public record Overlaps(int crossings, int tested, int edges, List<Integer> places, Set<Pair> pairs) {
    /** Two bodies by number, the lower first. */
    public record Pair(int a, int b) {}

    /** More edges than this are sampled evenly; a real overlap crosses many: in the window, and where an answer is wanted at once. */
    public static final int MANY = 300_000, QUICK = 100_000;
    /** Of overlaps so large, this share is found. */
    private static final double FOUND = 0.95;
    /** Places told; the rest is counted. */
    private static final int MOST_PLACES = 400;

    public static Overlaps of(Mesh m, Bvh index, Progress progress) {
        var edges = new Edges(m);
        return of(m, edges, Bodies.of(m, edges), index, MANY, progress);
    }

    /** @param all edges of the mesh @param bodies of the mesh @param most edges that are tried, such as {@link #MANY} */
    public static Overlaps of(Mesh m, Edges all, Bodies bodies, Bvh index, int most, Progress progress) {
        var edges = unique(all, m.triangleCount());
        int step = Math.max(1, (edges.length + most - 1) / most), tested = (edges.length + step - 1) / step;
        record Found(int corner, int triangle) {}
        var found = new ConcurrentLinkedQueue<Found>();
        int block = 4096;
        IntStream.range(0, (tested + block - 1) / block).parallel().forEach(b -> {
            progress.check();
            for (int i = b * block; i < Math.min(tested, (b + 1) * block); i++) {
                int corner = edges[i * step], f = corner / 3, p = m.vertex(f, corner % 3), q = m.vertex(f, (corner + 1) % 3);
                index.crossed(m.point(p), m.point(q), t -> touches(m, t, p, q)).ifPresent(t -> found.add(new Found(corner, t)));
            }
        });
        var places = new ArrayList<Integer>();
        var pairs = new LinkedHashSet<Pair>();
        found.stream().sorted(java.util.Comparator.comparingInt(Found::corner)).forEach(x -> {
            if (places.size() < MOST_PLACES) places.add(x.triangle);
            int a = bodies.bodyOf(x.corner / 3), b = bodies.bodyOf(x.triangle);
            pairs.add(new Pair(Math.min(a, b), Math.max(a, b)));
        });
        return new Overlaps(found.size(), tested, edges.length, List.copyOf(places), java.util.Collections.unmodifiableSet(pairs));
    }

    /** Edges an overlap must cross to be found in 19 of 20 cases; 1 where every edge was tried. */
    public int foundFrom() {
        return tested >= edges ? 1 : (int) Math.ceil(Math.log(1 - FOUND) / Math.log(1 - (double) tested / edges));
    }

    /** Triangles around either end meet the edge without crossing it; a vertex of the same place is the same vertex to the eye. */
    private static boolean touches(Mesh m, int t, int p, int q) {
        for (int k = 0; k < 3; k++) {
            int v = m.vertex(t, k);
            if (v == p || v == q || same(m, v, p) || same(m, v, q)) return true;
        }
        return false;
    }

    private static boolean same(Mesh m, int v, int w) {
        return m.x(v) == m.x(w) && m.y(v) == m.y(w) && m.z(v) == m.z(w);
    }

    /** One corner (3 f + k) for each undirected edge, by its first triangle. */
    private static int[] unique(Edges edges, int triangles) {
        var out = new int[3 * triangles];
        var n = new int[1];
        edges.forEach((from, to) -> out[n[0]++] = edges.corner(from));
        return java.util.Arrays.copyOf(out, n[0]);
    }
}
