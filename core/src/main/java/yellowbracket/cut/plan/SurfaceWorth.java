package yellowbracket.cut.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;

/**
 * What a seam over each triangle of a proxy means: how much it is seen (0 to 1), whether it runs along a crease or a colour border, whether
 * it cuts the rim
 * of an opening in front of the eyes. Pieces cut from {@link #tagged} carry the triangle's number in their tags, so that it can still be
 * asked.
 */
final class SurfaceWorth {
    /** Tags below this are cuts; above, triangle numbers. */
    static final int FIRST = 1 << 20;
    /** Edges sharper than 32 degrees are creases in which a seam hides. */
    private static final double CREASE = Math.cos(Math.toRadians(32));
    /** Directions looked from; spread evenly. */
    private static final int LOOKS = 900;
    /** What lies this near an eye opening, mm, is its rim. */
    private static final double RIM_MM = 7;
    /** Lower than this, degrees, one looks out of the neck, not of an eye opening. */
    private static final double NECK_DEG = -40;

    private final Mesh tagged;
    private final double[] seen;
    private final boolean[] crease;
    private final boolean[] border;
    private final boolean[] rim;

    private SurfaceWorth(Mesh tagged, double[] seen, boolean[] crease, boolean[] border, boolean[] rim) {
        this.tagged = tagged;
        this.seen = seen;
        this.crease = crease;
        this.border = border;
        this.rim = rim;
    }

    /** @param zone of colour at a place of the proxy; @param eyes where the wearer looks from, if anybody does */
    static SurfaceWorth of(Mesh proxy, ToIntFunction<Vec3> zone, Optional<Vec3> eyes) {
        int n = proxy.triangleCount();
        var index = Bvh.of(proxy);
        var seen = IntStream.range(0, n).parallel().mapToDouble(f -> {
            var v = proxy.areaVector(f);
            return v.norm() == 0 ? 0 : Math.min(1, ShowSide.share(index, proxy.centroid(f), v.unit()) / 0.8);
        }).toArray();
        var crease = new boolean[n];
        var border = new boolean[n];
        var zones = IntStream.range(0, n).map(f -> zone.applyAsInt(proxy.centroid(f))).toArray();
        new Edges(proxy).pairs((f, g) -> {
            if (creased(proxy, f, g)) crease[f] = crease[g] = true;
            if (zones[f] != zones[g]) border[f] = border[g] = true;
        });
        return new SurfaceWorth(numbered(proxy), seen, crease, border, rims(proxy, index, eyes));
    }

    /** Only creases: everything counts as seen, nothing as a border or a rim. O(n log n), no rays. */
    static SurfaceWorth creases(Mesh proxy) {
        int n = proxy.triangleCount();
        var seen = new double[n];
        Arrays.fill(seen, 1);
        var crease = new boolean[n];
        new Edges(proxy).pairs((f, g) -> {
            if (creased(proxy, f, g)) crease[f] = crease[g] = true;
        });
        return new SurfaceWorth(numbered(proxy), seen, crease, new boolean[n], new boolean[n]);
    }

    private static boolean creased(Mesh m, int f, int g) {
        var a = m.areaVector(f);
        var b = m.areaVector(g);
        return a.dot(b) < CREASE * a.norm() * b.norm();
    }

    private static Mesh numbered(Mesh m) {
        return Mesh.of(m.copyXyz(), m.copyTriangles(), IntStream.range(0, m.triangleCount()).map(f -> FIRST + f).toArray());
    }

    /** Directions that meet nothing beside ones that do: there the opening has its rim. */
    private static boolean[] rims(Mesh m, Bvh index, Optional<Vec3> eyes) {
        var out = new boolean[m.triangleCount()];
        if (eyes.isEmpty()) return out;
        var from = eyes.get();
        var looks = ShowSide.spread(LOOKS);
        var hit = new double[LOOKS];
        for (int i = 0; i < LOOKS; i++)
            hit[i] = index.firstDistance(from.x(), from.y(), from.z(), looks.get(i).x(), looks.get(i).y(), looks.get(i).z(), 0.1);
        double near = Math.cos(1.6 * Math.sqrt(4 * Math.PI / LOOKS)), low = Math.sin(Math.toRadians(NECK_DEG));
        var rim = new ArrayList<Vec3>();
        for (int i = 0; i < LOOKS; i++) {
            if (!Double.isFinite(hit[i]) || looks.get(i).z() < low || looks.get(i).y() < 0) continue;
            for (int j = 0; j < LOOKS; j++) {
                if (Double.isFinite(hit[j]) || looks.get(j).z() < low || looks.get(j).y() < 0 || looks.get(i).dot(looks.get(j)) < near)
                    continue;
                rim.add(from.plus(looks.get(i).times(hit[i])));
                break;
            }
        }
        for (int f = 0; f < out.length; f++) {
            var c = m.centroid(f);
            for (var r : rim) out[f] |= r.distance(c) < RIM_MM + from.distance(r) * 0.05;
        }
        return out;
    }

    Mesh tagged() {
        return tagged;
    }

    private static int number(int tag) {
        return tag - FIRST;
    }

    /** Whether a facet belongs to the model's own surface and not to a cut. */
    static boolean own(int tag) {
        return tag >= FIRST;
    }

    double seen(int tag) {
        return own(tag) ? seen[number(tag)] : 0;
    }

    boolean crease(int tag) {
        return own(tag) && crease[number(tag)];
    }

    boolean border(int tag) {
        return own(tag) && border[number(tag)];
    }

    boolean rim(int tag) {
        return own(tag) && rim[number(tag)];
    }
}
