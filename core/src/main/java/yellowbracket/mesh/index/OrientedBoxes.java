package yellowbracket.mesh.index;

import java.util.stream.IntStream;

/**
 * Boxes that lie along the surface, for nearest points: a wall that leans fills a box of its own lean far better than one along the axes,
 * so a search
 * opens half as many (Gottschalk, Lin, Manocha, "OBBTree: a hierarchical structure for rapid interference detection", 1996). Over the nodes
 * of
 * {@link WideNodes}, continued down to single triangles unless the mesh is very large; where a node holds many triangles its box is that of
 * the index.
 * Immutable; O(n) to make, some 120 bytes a triangle, 40 where the mesh is very large.
 */
final class OrientedBoxes {
    /**
     * Numbers a box: three axes, each with its offset; three half-widths; the bits of {@link #node} or {@link #triangles}, which are those
     * of a number.
     */
    static final int BOX = 16;
    static final int HALF = 12, LINK = 15;
    static final int NODE = WideNodes.WIDE * BOX;
    /** A child that is not there: so far off that no search gets to it. */
    private static final float NOWHERE = -1e15f;
    /** Nodes with more triangles keep a box along the axes: a bent patch has no lean. */
    private static final int PATCH = 256;
    /** Meshes of more triangles get no box for each of them, to spare memory. */
    private static final int LARGE = 1_500_000;
    /** Share of the mesh's size by which half-widths are widened, beyond what floats round off. */
    private static final double SPARE = 2e-6;

    /** What lies in a box: another node. */
    private static int node(int number) {
        return 2 * number;
    }

    /** What lies in a box: a few triangles that follow each other in the order of the leaves. */
    private static int triangles(int first, int size) {
        return 2 * (first << 3 | size) + 1;
    }

    /** The first of the triangles a link stands for. */
    static int first(int link) {
        return link >> 4;
    }

    /** How many they are. */
    static int size(int link) {
        return link >> 1 & 7;
    }

    final float[] boxes;
    /** What query points and boxes count from, mm: floats are finest about zero. */
    final double x0, y0, z0;
    private final double size;
    private final Bvh of;
    private final double spare;

    /** @param single whether each triangle gets a box of its own */
    OrientedBoxes(Bvh of, boolean single) {
        this.of = of;
        var w = of.nodes;
        double half = WideNodes.CELLS * w.step / 2;
        x0 = w.x0 + half;
        y0 = w.y0 + half;
        z0 = w.z0 + half;
        size = 2 * half;
        spare = SPARE * size;
        // first the nodes of the index, then one for each of its leaves
        int leaves = 0;
        var leafAt = new int[w.count * WideNodes.WIDE];
        for (int n = 0; n < w.count; n++) for (int k = 0; k < WideNodes.WIDE; k++) {
            int link = w.link(n, k);
            if (single && link < 0 && WideNodes.size(link) > 1) leafAt[WideNodes.WIDE * n + k] = w.count + leaves++;
        }
        boxes = new float[NODE * (w.count + leaves)];
        var first = new int[w.count];
        var end = new int[w.count];
        spans(0, first, end);
        IntStream.range(0, w.count).parallel().forEach(n -> {
            for (int k = 0; k < WideNodes.WIDE; k++) {
                int link = w.link(n, k), at = NODE * n + BOX * k;
                if (link >= 0) {
                    if (end[link] - first[link] > PATCH) upright(at, n, k, node(link));
                    else fit(at, first[link], end[link], node(link));
                } else if (single && WideNodes.size(link) > 1)
                    leaf(at, WideNodes.first(link), WideNodes.size(link), node(leafAt[WideNodes.WIDE * n + k]));
                else if (link != WideNodes.EMPTY) fit(at, WideNodes.first(link), WideNodes.first(link) + WideNodes.size(link),
                        triangles(WideNodes.first(link), WideNodes.size(link)));
                else nowhere(at);
            }
        });
    }

    static OrientedBoxes of(Bvh index) {
        return new OrientedBoxes(index, index.order.length <= LARGE);
    }

    /** Which triangles lie beneath each node: they are in the order of the tree. */
    private void spans(int node, int[] first, int[] end) {
        int from = Integer.MAX_VALUE, to = 0;
        for (int k = 0; k < WideNodes.WIDE; k++) {
            int link = of.nodes.link(node, k);
            if (link == WideNodes.EMPTY) continue;
            if (link >= 0) spans(link, first, end);
            from = Math.min(from, link >= 0 ? first[link] : WideNodes.first(link));
            to = Math.max(to, link >= 0 ? end[link] : WideNodes.first(link) + WideNodes.size(link));
        }
        first[node] = from;
        end[node] = to;
    }

    private void leaf(int at, int first, int size, int link) {
        fit(at, first, first + size, link);
        for (int k = 0; k < WideNodes.WIDE; k++) {
            int child = NODE * (link >> 1) + BOX * k;
            if (k < size) fit(child, first + k, first + k + 1, triangles(first + k, 1));
            else nowhere(child);
        }
    }

    private void nowhere(int at) {
        for (int i = HALF; i < LINK; i++) boxes[at + i] = NOWHERE;
        boxes[at + LINK] = Float.intBitsToFloat(triangles(0, 0));
    }

    /** A box along the axes, as in the index. */
    private void upright(int at, int node, int k, int link) {
        for (int a = 0; a < 3; a++) {
            double low = of.nodes.low(node, k, a) - start(a), high = of.nodes.high(node, k, a) - start(a);
            slab(at, a, a == 0 ? 1 : 0, a == 1 ? 1 : 0, a == 2 ? 1 : 0, low, high);
        }
        boxes[at + LINK] = Float.intBitsToFloat(link);
    }

    private double start(int axis) {
        return axis == 0 ? x0 : axis == 1 ? y0 : z0;
    }

    /** A box about the triangles of a span: one side along their common normal, one along the way they reach farthest. */
    private void fit(int at, int from, int to, int link) {
        var k = of.corners;
        double nx = 0, ny = 0, nz = 0, mx = 0, my = 0, mz = 0;
        for (int c = 9 * from; c < 9 * to; c += 9) {
            double ex = k[c + 3] - k[c], ey = k[c + 4] - k[c + 1], ez = k[c + 5] - k[c + 2], fx = k[c + 6] - k[c], fy = k[c + 7] - k[c + 1],
                    fz = k[c + 8] - k[c + 2];
            nx += ey * fz - ez * fy;
            ny += ez * fx - ex * fz;
            nz += ex * fy - ey * fx;
            mx += k[c] + k[c + 3] + k[c + 6];
            my += k[c + 1] + k[c + 4] + k[c + 7];
            mz += k[c + 2] + k[c + 5] + k[c + 8];
        }
        double length = Math.sqrt(nx * nx + ny * ny + nz * nz);
        int count = 3 * (to - from);
        if (length > 1e-12 * size * size) {
            nx /= length;
            ny /= length;
            nz /= length;
        } else {
            nx = ny = 0;
            nz = 1;
        }
        // any two axes across the normal, then turned to where the corners spread most
        // Duff and others, "Building an orthonormal basis, revisited", 2017
        double sign = Math.copySign(1, nz), p = -1 / (sign + nz), q = nx * ny * p;
        double ux = 1 + sign * nx * nx * p, uy = sign * q, uz = -sign * nx, vx = q, vy = sign + ny * ny * p, vz = -ny;
        double uu = 0, uv = 0, vv = 0;
        for (int c = 9 * from; c < 9 * to; c += 3) {
            double x = k[c] - mx / count, y = k[c + 1] - my / count, z = k[c + 2] - mz / count, u = ux * x + uy * y + uz * z,
                    v = vx * x + vy * y + vz * z;
            uu += u * u;
            uv += u * v;
            vv += v * v;
        }
        // here: the cosine of twice the angle
        double across = Math.sqrt((uu - vv) * (uu - vv) + 4 * uv * uv), twice = across > 0 ? (uu - vv) / across : 1;
        double cos = Math.sqrt(Math.max(0, 1 + twice) / 2), sin = Math.copySign(Math.sqrt(Math.max(0, 1 - twice) / 2), uv);
        span(at, 0, nx, ny, nz, from, to);
        span(at, 1, cos * ux + sin * vx, cos * uy + sin * vy, cos * uz + sin * vz, from, to);
        span(at, 2, cos * vx - sin * ux, cos * vy - sin * uy, cos * vz - sin * uz, from, to);
        boxes[at + LINK] = Float.intBitsToFloat(link);
    }

    private void span(int at, int axis, double x, double y, double z, int from, int to) {
        var k = of.corners;
        double low = Double.POSITIVE_INFINITY, high = Double.NEGATIVE_INFINITY;
        for (int c = 9 * from; c < 9 * to; c += 3) {
            double s = x * (k[c] - x0) + y * (k[c + 1] - y0) + z * (k[c + 2] - z0);
            low = Math.min(low, s);
            high = Math.max(high, s);
        }
        slab(at, axis, x, y, z, low, high);
    }

    private void slab(int at, int axis, double x, double y, double z, double low, double high) {
        boxes[at + 4 * axis] = (float) x;
        boxes[at + 4 * axis + 1] = (float) y;
        boxes[at + 4 * axis + 2] = (float) z;
        boxes[at + 4 * axis + 3] = (float) (-(low + high) / 2);
        boxes[at + HALF + axis] = (float) ((high - low) / 2 + spare);
    }
}
