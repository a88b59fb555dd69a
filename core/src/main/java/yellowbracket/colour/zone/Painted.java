package yellowbracket.colour.zone;

import java.util.Arrays;
import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;
import java.util.function.ToIntFunction;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.VertexFacets;
import yellowbracket.mesh.index.Bvh;

/**
 * A mesh whose facets are split where zones meet, and the zone of each piece. Pieces of one facet lie one after the other, in the order of
 * the facets; a vertex that was added lies on the line between two earlier ones. The surface is that of the mesh: the pieces of a facet add
 * up to it. Immutable.
 */
public final class Painted {
    private final Mesh base;
    private final Pieces pieces;
    private final int[] zone;
    private final Lazy lazy;

    /** What only hangs on the pieces, made when first asked for and shared by all that differ in zones alone. */
    private static final class Lazy {
        private Mesh mesh;
        private Adjacency adjacency;
        private VertexFacets around;
    }

    private Painted(Mesh base, Pieces pieces, int[] zone, Lazy lazy) {
        this.base = base;
        this.pieces = pieces;
        this.zone = zone;
        this.lazy = lazy;
    }

    /** All of one zone, nothing split. */
    public static Painted all(Mesh base, int zone) {
        return of(base, f -> zone);
    }

    /** Nothing split, each facet of the zone that is told. */
    public static Painted of(Mesh base, IntUnaryOperator zoneOfFacet) {
        var zones = new int[base.triangleCount()];
        Arrays.setAll(zones, zoneOfFacet);
        return new Painted(base, Pieces.whole(base), zones, new Lazy());
    }

    /** @param zone one for each piece */
    static Painted of(Mesh base, Pieces pieces, int[] zone) {
        return new Painted(base, pieces, zone, new Lazy());
    }

    /** The mesh before anything was split. */
    public Mesh base() {
        return base;
    }

    Pieces pieces() {
        return pieces;
    }

    /** All pieces as a mesh, numbered as they are here; vertices of the base first. */
    public Mesh mesh() {
        synchronized (lazy) {
            if (lazy.mesh == null) lazy.mesh = pieces.mesh(base);
            return lazy.mesh;
        }
    }

    public Adjacency adjacency() {
        var m = mesh();
        synchronized (lazy) {
            if (lazy.adjacency == null) lazy.adjacency = new Adjacency(m);
            return lazy.adjacency;
        }
    }

    /** Which pieces stand round each vertex. */
    public VertexFacets around() {
        var m = mesh();
        synchronized (lazy) {
            if (lazy.around == null) lazy.around = VertexFacets.of(m);
            return lazy.around;
        }
    }

    /** Pieces. */
    public int count() {
        return zone.length;
    }

    public int zone(int piece) {
        return zone[piece];
    }

    /** The facet of the base that a piece is of. */
    public int facet(int piece) {
        return pieces.parent(piece);
    }

    int[] copyZones() {
        return zone.clone();
    }

    /** The same pieces, other zones. */
    public Painted with(IntUnaryOperator zoneOfPiece) {
        var other = new int[zone.length];
        Arrays.setAll(other, zoneOfPiece);
        return Arrays.equals(other, zone) ? this : new Painted(base, pieces, other, lazy);
    }

    /** These pieces become one zone. */
    public Painted with(IntPredicate which, int to) {
        return with(f -> which.test(f) ? to : zone[f]);
    }

    public Painted with(boolean[] which, int to) {
        return with(f -> which[f] ? to : zone[f]);
    }

    /** The same pieces and zones on a mesh with the same facets elsewhere: scaled or reshaped. */
    public Painted on(Mesh other) {
        if (other.triangleCount() != base.triangleCount() || other.vertexCount() != base.vertexCount())
            throw new IllegalArgumentException("another mesh: " + other.triangleCount() + " facets, not " + base.triangleCount());
        return new Painted(other, pieces, zone, new Lazy());
    }

    /** Without splits that no border needs; the zones stay where they are. */
    public Painted tidied() {
        return new Tidy(this).run();
    }

    /** From the middle of a piece to its furthest corner. */
    double reach(int piece) {
        var m = mesh();
        var c = m.centroid(piece);
        return Math.max(m.corner(piece, 0).distance(c), Math.max(m.corner(piece, 1).distance(c), m.corner(piece, 2).distance(c)));
    }

    /** The zone of the place of the surface nearest to a point. */
    public ToIntFunction<Vec3> zoneAt() {
        var index = Bvh.of(mesh());
        return p -> zone[index.closest(p).triangle()];
    }

    /** mm2 of one zone, exactly. */
    public double areaMm2(int of) {
        var m = mesh();
        double sum = 0;
        for (int f = 0; f < zone.length; f++) if (zone[f] == of) sum += m.area(f);
        return sum;
    }

    /** What tells two apart on the same mesh, but for chance. */
    public long fingerprint() {
        return 31L * (31L * Arrays.hashCode(zone) + pieces.hashCode()) + Arrays.hashCode(pieces.at) + ((long) zone.length << 32);
    }

    /** About, bytes. */
    public long bytes() {
        return base.bytes() + pieces.bytes() + 4L * zone.length;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Painted p && base == p.base && pieces.equals(p.pieces) && Arrays.equals(zone, p.zone);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(zone);
    }
}
