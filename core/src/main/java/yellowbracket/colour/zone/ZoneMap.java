package yellowbracket.colour.zone;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Arrays;
import java.util.function.IntUnaryOperator;
import yellowbracket.mesh.Mesh;

/**
 * Painted surface as it is kept: of which mesh, how its facets are split, and the zones of the pieces. Immutable.
 * <p>
 * {@code zones}: runs of {@code zone x count} over all pieces in order. {@code split}: facet, number of its pieces, and three points for
 * each, of the facets in more than one piece. {@code ends}, {@code at}: added points, see {@link Pieces}. A point of the mesh is told by
 * the first corner that stands there, 3 x facet + corner, for how a mesh numbers its vertices hangs on who read it; added points are
 * numbered on from all corners.
 */
public final class ZoneMap {
    /** No prop comes near. */
    private static final int MOST_FACETS = 20_000_000;
    private static final int MOST_ZONE = 100_000;

    private final String mesh;
    private final int facets;
    private final int[] zones;
    private final int[] split;
    private final int[] ends;
    private final double[] at;

    /**
     * @param mesh content hash of the mesh @param zones pairs: zone, count
     * @throws IllegalArgumentException for what fits together in no mesh
     */
    @JsonCreator
    public ZoneMap(@JsonProperty("mesh") String mesh, @JsonProperty("facets") int facets, @JsonProperty("zones") int[] zones,
            @JsonProperty("split") int[] split, @JsonProperty("ends") int[] ends, @JsonProperty("at") double[] at) {
        if (!mesh.matches("[0-9a-f]{64}")) throw new IllegalArgumentException("zones: their mesh is told by its hash, not by " + mesh);
        if (facets < 1 || facets > MOST_FACETS) throw new IllegalArgumentException("zones: " + facets + " facets are no mesh");
        this.mesh = mesh;
        this.facets = facets;
        this.zones = zones.clone();
        this.split = split.clone();
        this.ends = ends.clone();
        this.at = at.clone();
        check();
    }

    private void check() {
        if (ends.length != 2 * at.length) throw new IllegalArgumentException("zones: two ends for each added point");
        for (int i = 0; i < at.length; i++) {
            if (!(at[i] > 0 && at[i] < 1)) throw new IllegalArgumentException("zones: a point lies between its ends, not at " + at[i]);
            for (int k = 0; k < 2; k++)
                if (ends[2 * i + k] < 0 || ends[2 * i + k] >= 3 * facets + i) throw new IllegalArgumentException("zones: no such end");
        }
        int pieces = facets, last = -1;
        for (int i = 0; i < split.length;) {
            int facet = split[i], count = i + 1 < split.length ? split[i + 1] : 0;
            if (facet <= last || facet >= facets || count < 2 || count > (split.length - i - 2) / 3)
                throw new IllegalArgumentException("zones: the split of facet " + facet + " is not whole");
            for (int j = i + 2; j < i + 2 + 3 * count; j++)
                if (split[j] < 0 || split[j] >= 3 * facets + at.length) throw new IllegalArgumentException("zones: no such corner");
            pieces += count - 1;
            last = facet;
            i += 2 + 3 * count;
        }
        long sum = 0;
        if (zones.length % 2 != 0) throw new IllegalArgumentException("zones come in runs: zone, count");
        for (int i = 0; i < zones.length; i += 2) {
            if (zones[i] < 0 || zones[i] > MOST_ZONE || zones[i + 1] < 1) throw new IllegalArgumentException("zones: no such run");
            sum += zones[i + 1];
        }
        if (sum != pieces) throw new IllegalArgumentException("zones of " + sum + " pieces, there are " + pieces);
    }

    /** @param hash of the base's content */
    public static ZoneMap of(Painted p, String hash) {
        var base = p.base();
        int corners = 3 * base.triangleCount();
        var first = new int[base.vertexCount()];
        for (int c = corners - 1; c >= 0; c--) first[base.vertex(c / 3, c % 3)] = c;
        IntUnaryOperator told = v -> v < first.length ? first[v] : corners + v - first.length;
        var runs = new Ints();
        for (int f = 0, to; f < p.count(); f = to) {
            for (to = f + 1; to < p.count() && p.zone(to) == p.zone(f);) to++;
            runs.add(p.zone(f)).add(to - f);
        }
        var split = new Ints();
        var pieces = p.pieces();
        for (int f = 0, to; f < p.count(); f = to) {
            for (to = f + 1; to < p.count() && pieces.parent[to] == pieces.parent[f];) to++;
            if (to - f == 1) continue;
            split.add(pieces.parent[f]).add(to - f);
            for (int c = 3 * f; c < 3 * to; c++) split.add(told.applyAsInt(pieces.tri[c]));
        }
        return new ZoneMap(hash, base.triangleCount(), runs.all(), split.all(), Arrays.stream(pieces.ends).map(told).toArray(), pieces.at);
    }

    /** On its mesh. @throws IllegalArgumentException for a mesh with other facets */
    public Painted on(Mesh base) {
        if (!fits(base)) throw new IllegalArgumentException("zones of a mesh of " + facets + " facets, not " + base.triangleCount());
        int all = 0;
        for (int i = 1; i < zones.length; i += 2) all += zones[i];
        int corners = 3 * facets, first = base.vertexCount();
        IntUnaryOperator vertex = c -> c < corners ? base.vertex(c / 3, c % 3) : first + c - corners;
        var tri = new int[3 * all];
        var parent = new int[all];
        int n = 0, s = 0;
        for (int f = 0; f < facets; f++) {
            if (s < split.length && split[s] == f) {
                int count = split[s + 1];
                for (int i = 0; i < 3 * count; i++) tri[3 * n + i] = vertex.applyAsInt(split[s + 2 + i]);
                Arrays.fill(parent, n, n + count, f);
                n += count;
                s += 2 + 3 * count;
            } else {
                for (int k = 0; k < 3; k++) tri[3 * n + k] = base.vertex(f, k);
                parent[n++] = f;
            }
        }
        var zone = new int[all];
        for (int i = 0, f = 0; i < zones.length; i += 2) {
            Arrays.fill(zone, f, f + zones[i + 1], zones[i]);
            f += zones[i + 1];
        }
        return Painted.of(base, new Pieces(first, Arrays.stream(ends).map(vertex).toArray(), at.clone(), tri, parent), zone);
    }

    /** Whether a mesh has as many facets. */
    public boolean fits(Mesh m) {
        return m.triangleCount() == facets;
    }

    /** Every zone of one number becomes another. */
    public ZoneMap renumbered(IntUnaryOperator to) {
        var other = zones.clone();
        for (int i = 0; i < other.length; i += 2) other[i] = to.applyAsInt(other[i]);
        return new ZoneMap(mesh, facets, other, split, ends, at);
    }

    @JsonProperty
    public String mesh() {
        return mesh;
    }

    @JsonProperty
    public int facets() {
        return facets;
    }

    @JsonProperty
    public int[] zones() {
        return zones.clone();
    }

    @JsonProperty
    public int[] split() {
        return split.clone();
    }

    @JsonProperty
    public int[] ends() {
        return ends.clone();
    }

    @JsonProperty
    public double[] at() {
        return at.clone();
    }

    @Override
    public boolean equals(Object o) {
        return o == this || o instanceof ZoneMap z && mesh.equals(z.mesh) && facets == z.facets && Arrays.equals(zones, z.zones)
                && Arrays.equals(split, z.split) && Arrays.equals(ends, z.ends) && Arrays.equals(at, z.at);
    }

    @Override
    public int hashCode() {
        return 31 * mesh.hashCode() + Arrays.hashCode(zones);
    }

    /** A growing row of numbers. */
    private static final class Ints {
        private int[] all = new int[256];
        private int n;

        Ints add(int i) {
            if (n == all.length) all = Arrays.copyOf(all, 2 * n);
            all[n++] = i;
            return this;
        }

        int[] all() {
            return Arrays.copyOf(all, n);
        }
    }
}
