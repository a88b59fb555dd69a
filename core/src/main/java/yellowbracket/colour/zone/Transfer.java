package yellowbracket.colour.zone;

import java.util.Arrays;
import java.util.BitSet;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Zones of one surface laid onto another: each place is of the zone of the nearest place, and borders run where they ran, split into the
 * new facets: by the signed distance to the old border at the new vertices.
 */
public final class Transfer {
    /** No facet at a border is coarser after it, as a share of the old pieces' edges there; and never finer than so many mm. */
    private static final double LEAST_EDGE_MM = 0.4, EDGES = 1.5;

    /** So near to a border nobody sees on which side a place lies, mm. */
    private static final double SAME_MM = 0.3;
    /** From a border, where only the side matters. */
    private static final double FAR_MM = 1e6;

    private final Painted from;
    private final Bvh index;
    private final double edge;

    private Transfer(Painted from) {
        this.from = from;
        index = Bvh.of(from.mesh());
        edge = Math.max(LEAST_EDGE_MM, EDGES * borderEdge(from));
    }

    /** @param to facets of the same shape, more or less, in the same place */
    public static Painted onto(Painted from, Mesh to) {
        return new Transfer(from).run(Painted.of(to, f -> 0), f -> true);
    }

    /**
     * One half of a surface gets the zones of the other in the mirror. What is so already stays, to the last facet.
     * @param normal of the mirror plane, to the half that is copied @param offset of the plane along it
     */
    public static Painted twin(Painted p, Vec3 normal, double offset) {
        var n = normal.unit();
        double at = offset / normal.norm();
        // here: split at the plane, so that each piece lies on one side
        var parted = Side.parted(p, n, at);
        var mirror = mirrored(parted, n, at);
        IntPredicate other = f -> parted.mesh().centroid(f).dot(n) < at;
        var t = new Transfer(mirror);
        if (t.same(parted, other)) return p;
        return t.runHalf(parted, n, at).tidied();
    }

    private static Painted mirrored(Painted p, Vec3 n, double at) {
        var base = p.mesh().mapped(v -> v.minus(n.times(2 * (v.dot(n) - at))));
        return Painted.of(base, p::zone);
    }

    /** Whether each piece is of the zone found there, all but slivers at borders. */
    private boolean same(Painted p, IntPredicate only) {
        var lines = border(from, -1);
        return IntStream.range(0, p.count()).parallel().allMatch(f -> {
            if (!only.test(f)) return true;
            var c = p.mesh().centroid(f);
            if (from.zone(index.closest(c).triangle()) == p.zone(f)) return true;
            return lines != null && lines.distance(c) < SAME_MM;
        });
    }

    private Painted runHalf(Painted p, Vec3 n, double at) {
        return run(p, v -> v.dot(n) < at + 1e-9);
    }

    private interface Where {
        boolean test(Vec3 p);
    }

    private Painted run(Painted start, Where where) {
        var all = border(from, -1);
        var near = start.with(f -> {
            var c = start.mesh().centroid(f);
            return where.test(c) ? from.zone(index.closest(c).triangle()) : start.zone(f);
        });
        var now = all == null ? near : Split.refined(near, p -> f -> {
            var c = p.mesh().centroid(f);
            if (!where.test(c)) return Double.POSITIVE_INFINITY;
            double own = p.reach(f);
            return own > edge / 2 && all.within(c, own) ? edge : Double.POSITIVE_INFINITY;
        });
        var apart = all == null ? Apart.NONE : Apart.of(now, all, edge);
        for (int z : zones()) now = zone(now, z, where, apart);
        return now;
    }

    /** Vertices round which no piece meets a border, and their zones: far from borders nothing need be measured. */
    private record Apart(BitSet vertices, int[] zone) {
        static final Apart NONE = new Apart(new BitSet(), new int[0]);

        /** @param mm beyond what a piece reaches: the surfaces need not lie in each other */
        static Apart of(Painted p, Bvh lines, double mm) {
            var m = p.mesh();
            var met = new boolean[p.count()];
            IntStream.range(0, met.length).parallel().forEach(f -> met[f] = lines.within(m.centroid(f), 2 * p.reach(f) + mm));
            var vertices = new BitSet(m.vertexCount());
            vertices.set(0, m.vertexCount());
            var zone = new int[m.vertexCount()];
            for (int f = 0; f < met.length; f++) for (int k = 0; k < 3; k++) {
                zone[m.vertex(f, k)] = p.zone(f);
                if (met[f]) vertices.clear(m.vertex(f, k));
            }
            return new Apart(vertices, zone);
        }
    }

    private int[] zones() {
        return IntStream.range(0, from.count()).map(from::zone).distinct().sorted().toArray();
    }

    /** What is of this zone there becomes so here. */
    private Painted zone(Painted p, int z, Where where, Apart apart) {
        var m = p.mesh();
        var lines = border(from, z);
        if (lines == null) {
            return IntStream.range(0, from.count()).anyMatch(f -> from.zone(f) == z) ? p.with(f -> where.test(m.centroid(f)), z) : p;
        }
        var field = new double[m.vertexCount()];
        Arrays.fill(field, Double.POSITIVE_INFINITY);
        IntStream.range(0, field.length).parallel().forEach(v -> {
            var at = m.point(v);
            if (!where.test(at)) return;
            if (apart.vertices.get(v)) { // vertices that are added later lie at borders
                field[v] = apart.zone[v] == z ? -FAR_MM : FAR_MM;
                return;
            }
            double d = lines.distance(at);
            field[v] = from.zone(index.closest(at).triangle()) == z ? -d : d;
        });
        var sides = Split.along(p, field);
        var split = sides.painted();
        return split.with(f -> sides.inside()[f] && where.test(split.mesh().centroid(f)), z);
    }

    /** The border of one zone, of all for -1, as triangles without area; null where there is none. */
    private static Bvh border(Painted p, int z) {
        var adjacency = p.adjacency();
        var corners = IntStream.range(0, 3 * p.count()).filter(c -> {
            int across = adjacency.across(c);
            if (across < 0 || across < c && z < 0) return false;
            int a = p.zone(c / 3), b = p.zone(across / 3);
            return a != b && (z < 0 || a == z);
        }).toArray();
        if (corners.length == 0) return null;
        var m = p.mesh();
        var tri = new int[3 * corners.length];
        for (int i = 0; i < corners.length; i++) {
            int f = corners[i] / 3, k = corners[i] % 3;
            tri[3 * i] = m.vertex(f, k);
            tri[3 * i + 1] = tri[3 * i + 2] = m.vertex(f, (k + 1) % 3);
        }
        return Bvh.of(Mesh.adopting(m.copyXyz(), tri, new int[0]).compact());
    }

    /** Mean length of border edges. */
    private static double borderEdge(Painted p) {
        var adjacency = p.adjacency();
        var m = p.mesh();
        double sum = 0;
        int n = 0;
        for (int c = 0; c < 3 * p.count(); c++) {
            int across = adjacency.across(c);
            if (across < c || p.zone(c / 3) == p.zone(across / 3)) continue;
            sum += m.corner(c / 3, c % 3).distance(m.corner(c / 3, (c + 1) % 3));
            n++;
        }
        return n == 0 ? 0 : sum / n;
    }
}
