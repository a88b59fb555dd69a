package yellowbracket.mesh;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.function.UnaryOperator;

/**
 * Indexed triangles; immutable. Vertices are {@code double} triples, mm; triangles are index triples, counter-clockwise from outside.
 * Every triangle carries a {@code tag}: {@link #ORIGINAL} for surface of the model, otherwise the number of the cut that made it.
 */
public final class Mesh {
    /** The tag of a triangle that belongs to the model's own surface. */
    public static final int ORIGINAL = -1;
    private static final int STRIDE = 3;

    private final double[] xyz;
    private final int[] tri;
    private final int[] tag;
    private final Bounds3 bounds;
    /** Once it was asked for. */
    private volatile String contentHash;

    private Mesh(double[] xyz, int[] tri, int[] tag) {
        this.xyz = xyz;
        this.tri = tri;
        this.tag = tag;
        this.bounds = boundsOf(xyz);
    }

    /**
     * Takes copies. {@code xyz}: triples, mm, finite. {@code tri}: triples of vertex indices.
     * @throws IllegalArgumentException if a length is no multiple of 3, an index is out of range or a coordinate is not finite
     */
    public static Mesh of(double[] xyz, int[] tri) {
        return of(xyz, tri, new int[0]);
    }

    /** As {@link #of(double[], int[])} with one tag a triangle; an empty array tags all {@link #ORIGINAL}. */
    public static Mesh of(double[] xyz, int[] tri, int[] tag) {
        if (xyz.length % STRIDE != 0 || tri.length % STRIDE != 0)
            throw new IllegalArgumentException("coordinates and corners come in threes");
        if (tag.length != 0 && tag.length != tri.length / STRIDE) throw new IllegalArgumentException("one tag a triangle");
        for (double c : xyz) if (!Double.isFinite(c)) throw new IllegalArgumentException("coordinate not finite: " + c);
        for (int v : tri) if (v < 0 || v >= xyz.length / STRIDE) throw new IllegalArgumentException("no vertex " + v);
        return new Mesh(xyz.clone(), tri.clone(), tag.clone());
    }

    /** Without copies or checks: for builders that made the arrays, know them to be right and keep no hold of them. */
    public static Mesh adopting(double[] xyz, int[] tri, int[] tag) {
        return new Mesh(xyz, tri, tag);
    }

    public static Mesh empty() {
        return new Mesh(new double[0], new int[0], new int[0]);
    }

    public int vertexCount() {
        return xyz.length / STRIDE;
    }

    public int triangleCount() {
        return tri.length / STRIDE;
    }

    public boolean isEmpty() {
        return tri.length == 0;
    }

    public double x(int v) {
        return xyz[STRIDE * v];
    }

    public double y(int v) {
        return xyz[STRIDE * v + 1];
    }

    public double z(int v) {
        return xyz[STRIDE * v + 2];
    }

    public Vec3 point(int v) {
        return new Vec3(x(v), y(v), z(v));
    }

    /** Index of the vertex at corner {@code k} (0..2) of triangle {@code f}. */
    public int vertex(int f, int k) {
        return tri[STRIDE * f + k];
    }

    public Vec3 corner(int f, int k) {
        return point(vertex(f, k));
    }

    /** Whether every triangle is the model's own surface for want of any tags. */
    public boolean untagged() {
        return tag.length == 0;
    }

    public int tag(int f) {
        return tag.length == 0 ? ORIGINAL : tag[f];
    }

    public Vec3 centroid(int f) {
        return corner(f, 0).plus(corner(f, 1)).plus(corner(f, 2)).times(1.0 / 3);
    }

    /** Outward normal times twice the area; zero for a degenerate triangle. */
    public Vec3 areaVector(int f) {
        var a = corner(f, 0);
        return corner(f, 1).minus(a).cross(corner(f, 2).minus(a));
    }

    public double area(int f) {
        return areaVector(f).norm() / 2;
    }

    /** A copy of the vertex triples. */
    public double[] copyXyz() {
        return xyz.clone();
    }

    /** A copy of the corner triples. */
    public int[] copyTriangles() {
        return tri.clone();
    }

    /** @throws IllegalStateException if the mesh has no vertex */
    public Bounds3 bounds() {
        if (bounds == null) throw new IllegalStateException("an empty mesh has no bounds");
        return bounds;
    }

    /** Enclosed volume by signed tetrahedra about the box centre, mm3; meaningful for closed meshes, negative if turned inside out. */
    public double volumeMm3() {
        if (isEmpty()) return 0;
        var c = bounds().centre();
        double sum = 0, carry = 0;
        for (int f = 0; f < tri.length; f += STRIDE) {
            double term = det(STRIDE * tri[f], STRIDE * tri[f + 1], STRIDE * tri[f + 2], c) - carry; // Kahan: pieces must add up to 1e-9
            double next = sum + term;
            carry = (next - sum) - term;
            sum = next;
        }
        return sum / 6;
    }

    /** Of the enclosed volume, the middle of its box where it encloses none. */
    public Vec3 centreOfMass() {
        var c = bounds().centre();
        double x = 0, y = 0, z = 0, all = 0;
        for (int f = 0; f < tri.length; f += STRIDE) {
            int i = STRIDE * tri[f], j = STRIDE * tri[f + 1], k = STRIDE * tri[f + 2];
            double v = det(i, j, k, c);
            all += v;
            x += v * (xyz[i] + xyz[j] + xyz[k] - 3 * c.x());
            y += v * (xyz[i + 1] + xyz[j + 1] + xyz[k + 1] - 3 * c.y());
            z += v * (xyz[i + 2] + xyz[j + 2] + xyz[k + 2] - 3 * c.z());
        }
        return Math.abs(all) < 1e-9 ? c : c.plus(new Vec3(x, y, z).times(0.25 / all));
    }

    private double det(int a, int b, int c, Vec3 o) {
        double ax = xyz[a] - o.x(), ay = xyz[a + 1] - o.y(), az = xyz[a + 2] - o.z();
        double bx = xyz[b] - o.x(), by = xyz[b + 1] - o.y(), bz = xyz[b + 2] - o.z();
        double cx = xyz[c] - o.x(), cy = xyz[c + 1] - o.y(), cz = xyz[c + 2] - o.z();
        return ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    }

    public double areaMm2() {
        double sum = 0;
        for (int f = 0; f < triangleCount(); f++) sum += area(f);
        return sum;
    }

    public Mesh scaled(double k) {
        if (!(k > 0 && k < Double.POSITIVE_INFINITY)) throw new IllegalArgumentException("scale must be above 0, was " + k);
        if (k == 1) return this;
        var out = xyz.clone();
        for (int i = 0; i < out.length; i++) out[i] *= k;
        return new Mesh(out, tri, tag);
    }

    public Mesh turned(Turn t) {
        return t.equals(Turn.NONE) ? this : mapped(t::apply);
    }

    public Mesh moved(Vec3 by) {
        return mapped(p -> p.plus(by));
    }

    /** Every vertex through {@code map}, triangles as they are: {@code map} must keep orientation. */
    public Mesh mapped(UnaryOperator<Vec3> map) {
        var out = new double[xyz.length];
        for (int v = 0; v < vertexCount(); v++) {
            var p = map.apply(point(v));
            out[STRIDE * v] = p.x();
            out[STRIDE * v + 1] = p.y();
            out[STRIDE * v + 2] = p.z();
        }
        return new Mesh(out, tri, tag);
    }

    /** Left for right: x becomes -x, and triangles are turned over so that they still face outwards. */
    public Mesh mirrored() {
        var out = xyz.clone();
        for (int i = 0; i < out.length; i += STRIDE) out[i] = -out[i] + 0.0;
        var turned = new int[tri.length];
        for (int i = 0; i < tri.length; i += STRIDE) {
            turned[i] = tri[i];
            turned[i + 1] = tri[i + 2];
            turned[i + 2] = tri[i + 1];
        }
        return new Mesh(out, turned, tag);
    }

    /** The triangles for which {@code keep} is set, with the vertices they use. */
    public Mesh only(boolean[] keep) {
        var builder = new MeshBuilder(vertexCount() / 2, triangleCount() / 2);
        var map = new int[vertexCount()];
        Arrays.fill(map, -1);
        for (int f = 0; f < triangleCount(); f++) {
            if (!keep[f]) continue;
            for (int k = 0; k < 3; k++) {
                int v = vertex(f, k);
                if (map[v] < 0) map[v] = builder.addVertex(x(v), y(v), z(v));
            }
            builder.addTriangle(map[vertex(f, 0)], map[vertex(f, 1)], map[vertex(f, 2)], tag(f));
        }
        return builder.build();
    }

    /** Without vertices that no triangle uses; the mesh itself when there are none. */
    public Mesh compact() {
        var used = new boolean[vertexCount()];
        int n = 0;
        for (int v : tri) if (!used[v]) {
            used[v] = true;
            n++;
        }
        if (n == used.length) return this;
        var all = new boolean[triangleCount()];
        Arrays.fill(all, true);
        return only(all);
    }

    /** All triangles of {@code meshes} in one mesh; vertices are not welded across them. */
    public static Mesh union(Iterable<Mesh> meshes) {
        var builder = new MeshBuilder(1024, 1024);
        for (var m : meshes) builder.addAll(m);
        return builder.build();
    }

    /**
     * The address of this content: SHA-256 over the triangles' corners as little-endian 32-bit floats in file order, in lower-case hex.
     * Equal for a mesh and for what is read back from its binary STL file.
     */
    public String contentHash() {
        if (contentHash == null) contentHash = hashed();
        return contentHash;
    }

    private String hashed() {
        try {
            var sha = MessageDigest.getInstance("SHA-256");
            var chunk = ByteBuffer.allocate(36 * 1024).order(ByteOrder.LITTLE_ENDIAN);
            for (int f = 0; f < triangleCount(); f++) {
                for (int k = 0; k < 3; k++) {
                    int v = vertex(f, k);
                    // -0 counts as 0, as readers have it
                    chunk.putFloat((float) x(v) + 0f).putFloat((float) y(v) + 0f).putFloat((float) z(v) + 0f);
                }
                if (!chunk.hasRemaining()) {
                    sha.update(chunk.flip());
                    chunk.clear();
                }
            }
            sha.update(chunk.flip());
            return HexFormat.of().formatHex(sha.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java runtime has SHA-256", e);
        }
    }

    /** Memory its arrays take. */
    public long bytes() {
        return 8L * xyz.length + 4L * tri.length + 4L * tag.length;
    }

    private static Bounds3 boundsOf(double[] xyz) {
        if (xyz.length == 0) return null;
        double[] lo = {xyz[0], xyz[1], xyz[2]}, hi = lo.clone();
        for (int i = 0; i < xyz.length; i += STRIDE) for (int a = 0; a < STRIDE; a++) {
            double c = xyz[i + a];
            if (c < lo[a]) lo[a] = c;
            if (c > hi[a]) hi[a] = c;
        }
        return Bounds3.of(lo[0], lo[1], lo[2], hi[0], hi[1], hi[2]);
    }
}
