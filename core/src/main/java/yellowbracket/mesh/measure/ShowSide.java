package yellowbracket.mesh.measure;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * How much of a surface point is seen from outside: the share of a fixed set of directions in its outer hemisphere along which nothing
 * stands in the way within {@link #REACH_MM}. A point counts as show side above {@link #SEEN}.
 */
public final class ShowSide {
    /**
     * Share of free directions from which a point counts as seen; the inside of a helm sees out through its openings only (below 0.25 on
     * the demo helm).
     */
    public static final double SEEN = 0.30;
    /** What stands further off hides nothing, mm. */
    private static final double REACH_MM = 2000;
    /** How far off the surface is looked from, so that it does not stand in its own way. */
    private static final double OFF_MM = 0.05;
    /** Directions nearer to the surface, by their cosine against its normal, are not asked. */
    private static final double GRAZING = 0.1;
    private static final List<Vec3> DIRECTIONS = spread(48);

    private ShowSide() {}

    /** Share of free directions, 0 to 1. @param normal unit, outward */
    public static double share(Bvh index, Vec3 point, Vec3 normal) {
        var asked = outward(normal);
        int open = 0;
        for (var d : asked) if (open(index, point, normal, d)) open++;
        return asked.isEmpty() ? 0 : (double) open / asked.size();
    }

    /** Whether the share reaches {@link #SEEN}: asks no further than it takes to know. */
    public static boolean seen(Bvh index, Vec3 point, Vec3 normal) {
        var asked = outward(normal);
        double needed = SEEN * asked.size();
        int open = 0, left = asked.size();
        for (var d : asked) {
            if (open >= needed || open + left < needed) break;
            left--;
            if (open(index, point, normal, d)) open++;
        }
        return !asked.isEmpty() && open >= needed;
    }

    private static List<Vec3> outward(Vec3 normal) {
        var out = new ArrayList<Vec3>(DIRECTIONS.size());
        for (var d : DIRECTIONS) if (d.dot(normal) >= GRAZING) out.add(d);
        return out;
    }

    private static boolean open(Bvh index, Vec3 point, Vec3 normal, Vec3 d) {
        return !index.blocked(point.plus(normal.times(OFF_MM)), d, 0, REACH_MM);
    }

    /** {@code n} directions spread evenly over the sphere (golden-angle spiral). */
    public static List<Vec3> spread(int n) {
        var out = new ArrayList<Vec3>();
        double golden = Math.PI * (3 - Math.sqrt(5));
        for (int i = 0; i < n; i++) {
            double z = 1 - (2 * i + 1.0) / n, r = Math.sqrt(1 - z * z);
            out.add(new Vec3(r * Math.cos(golden * i), r * Math.sin(golden * i), z));
        }
        return List.copyOf(out);
    }
}
