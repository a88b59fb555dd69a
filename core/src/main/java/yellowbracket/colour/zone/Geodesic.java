package yellowbracket.colour.zone;

import java.util.Arrays;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.VertexFacets;

/**
 * Distance along the surface, at the vertices, from a point or from lines, up to a limit. A front runs over the facets: within each,
 * distances at two corners unfold to a source from which the third is measured, as if the facets lay flat (after Melvaer and Reimers, 2012,
 * for points; a plane front after Kimmel and Sethian, 1998, for lines). Exact over flat and developed facets, a per cent or so over others
 * whose edges are short against the distance. The work grows with what lies within the limit.
 */
public final class Geodesic {
    /** What the front starts from. */
    public enum From { POINT, LINE }

    /** As a share of the way to the middle of the facet. */
    private static final double OFF_EDGE = 2e-3;

    private final Mesh m;
    private final VertexFacets around;
    private final From from;
    private final double limit;
    private final double[] distance;
    /** In which direction the front came, about its source; null where nobody asks. */
    private double[] direction;
    private double via;
    private int[] reached = new int[256];
    private int count;
    private int[] heap = new int[256];
    private final int[] place;
    private int size;

    public Geodesic(Painted p, From from, double limitMm) {
        m = p.mesh();
        around = p.around();
        this.from = from;
        limit = limitMm;
        distance = new double[m.vertexCount()];
        Arrays.fill(distance, Double.POSITIVE_INFINITY);
        place = new int[distance.length];
        Arrays.fill(place, -1);
    }

    /**
     * A place on a facet, with directions measured from {@code zero} in its plane, radians: geodesic polar coordinates about it.
     * Directions go on along the surface as the front does.
     */
    Geodesic polar(int facet, Vec3 at, Vec3 zero) {
        direction = new double[distance.length];
        // here: a little off edges and corners, where directions that are half a turn apart could go either way round
        var from = at.plus(m.centroid(facet).minus(at).times(OFF_EDGE));
        var n = m.areaVector(facet).unit();
        var x = zero.minus(n.times(zero.dot(n))).unit();
        var y = n.cross(x);
        for (int k = 0; k < 3; k++) {
            int v = m.vertex(facet, k);
            var d = m.point(v).minus(from);
            via = Math.atan2(d.dot(y), d.dot(x));
            offer(v, d.norm());
        }
        return this;
    }

    double[] directions() {
        return direction;
    }

    /** What is done with each vertex a front reached. */
    interface Reached {
        void at(int vertex, double mm);
    }

    /** Runs, tells each vertex reached, and forgets it: for the next source. */
    void tell(Reached to) {
        run();
        for (int i = 0; i < count; i++) {
            to.at(reached[i], distance[reached[i]]);
            distance[reached[i]] = Double.POSITIVE_INFINITY;
            place[reached[i]] = -1;
        }
        count = 0;
        size = 0;
    }

    /** A place on a facet. */
    Geodesic source(int facet, Vec3 at) {
        for (int k = 0; k < 3; k++) {
            int v = m.vertex(facet, k);
            offer(v, m.point(v).distance(at));
        }
        return this;
    }

    /** A vertex, and how far it is from what the front came from. */
    public Geodesic source(int vertex, double mm) {
        offer(vertex, mm);
        return this;
    }

    /** At each vertex; infinite where the front did not come. */
    public double[] run() {
        while (size > 0) {
            int v = poll();
            if (distance[v] > limit) break;
            for (int i = around.from(v); i < around.from(v + 1); i++) {
                int f = around.facet(i);
                int k = m.vertex(f, 0) == v ? 0 : m.vertex(f, 1) == v ? 1 : 2;
                int b = m.vertex(f, (k + 1) % 3), c = m.vertex(f, (k + 2) % 3);
                offer(c, over(v, b, c)); // here: over sets the direction that offer takes
                offer(b, over(v, c, b));
            }
        }
        return distance;
    }

    /** Distance of c as seen over the edge from a, which is known, to b. */
    private double over(int a, int b, int c) {
        double ua = distance[a], ub = distance[b];
        double ac = length(a, c);
        double alongEdge = ua + ac;
        if (direction != null) via = direction[a];
        if (!(ub < Double.POSITIVE_INFINITY)) return alongEdge;
        double e = length(a, b), bc = length(b, c);
        if (!(e > 0)) return alongEdge;
        double best = Math.min(alongEdge, ub + bc);
        if (direction != null && ub + bc < alongEdge) via = direction[b];
        double cx = (ac * ac - bc * bc + e * e) / (2 * e), cy = Math.sqrt(Math.max(0, ac * ac - cx * cx));
        if (from == From.LINE) {
            double sin = (ub - ua) / e;
            if (Math.abs(sin) >= 1) return best;
            double cos = Math.sqrt(1 - sin * sin), x = cx - sin / cos * cy;
            return x < 0 || x > e ? best : ua + sin * cx + cos * cy;
        }
        double sx = (ua * ua - ub * ub + e * e) / (2 * e), sy2 = ua * ua - sx * sx;
        if (sy2 < 0) return best;
        double sy = Math.sqrt(sy2);
        if (sy + cy <= 0) return best;
        double x = sx + (cx - sx) * sy / (sy + cy);
        if (x < 0 || x > e) return best;
        if (direction != null) turn(a, b, Math.atan2(sy, -sx), Math.atan2(sy, e - sx), Math.atan2(sy + cy, cx - sx));
        return Math.sqrt((cx - sx) * (cx - sx) + (cy + sy) * (cy + sy));
    }

    /** Between the directions of a and b, as the way to c lies between theirs. */
    private void turn(int a, int b, double toA, double toB, double toC) {
        double between = Math.IEEEremainder(direction[b] - direction[a], 2 * Math.PI), all = toB - toA;
        via = direction[a] + (Math.abs(all) < 1e-12 ? 0 : between * (toC - toA) / all);
    }

    private double length(int a, int b) {
        double x = m.x(a) - m.x(b), y = m.y(a) - m.y(b), z = m.z(a) - m.z(b);
        return Math.sqrt(x * x + y * y + z * z);
    }

    private void offer(int v, double d) {
        if (!(d < distance[v] * (1 - 1e-12))) return;
        if (distance[v] == Double.POSITIVE_INFINITY) {
            if (count == reached.length) reached = Arrays.copyOf(reached, 2 * count);
            reached[count++] = v;
        }
        distance[v] = d;
        if (direction != null) direction[v] = via;
        if (place[v] < 0) {
            if (size == heap.length) heap = Arrays.copyOf(heap, 2 * size);
            place[v] = size;
            heap[size++] = v;
        }
        up(place[v]);
    }

    private int poll() {
        int top = heap[0], last = heap[--size];
        place[top] = -1;
        if (size > 0) {
            heap[0] = last;
            place[last] = 0;
            down();
        }
        return top;
    }

    private void up(int start) {
        int i = start, v = heap[i];
        while (i > 0) {
            int above = (i - 1) / 2;
            if (distance[heap[above]] <= distance[v]) break;
            heap[i] = heap[above];
            place[heap[i]] = i;
            i = above;
        }
        heap[i] = v;
        place[v] = i;
    }

    private void down() {
        int i = 0, v = heap[0];
        while (true) {
            int c = 2 * i + 1;
            if (c >= size) break;
            if (c + 1 < size && distance[heap[c + 1]] < distance[heap[c]]) c++;
            if (distance[heap[c]] >= distance[v]) break;
            heap[i] = heap[c];
            place[heap[i]] = i;
            i = c;
        }
        heap[i] = v;
        place[v] = i;
    }
}
