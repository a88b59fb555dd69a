package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.List;

/**
 * How much of a surface point is seen from outside: the share of a fixed set of directions in its outer hemisphere along which nothing
 * stands in the way within {@link #REACH_MM}. A point counts as show side above {@link #SEEN}.
 */
public final class ShowSide {
    /** Share of free directions from which a point counts as seen; the inside of a helm sees out through its openings only (below 0.25 on the demo helm). */
    public static final double SEEN = 0.30;
    private static final double REACH_MM = 2000;
    private static final List<Vec3> DIRECTIONS = spread(48);

    private ShowSide() {}

    /** Share of free directions, 0 to 1. @param normal unit, outward */
    public static double share(Bvh index, Vec3 point, Vec3 normal) {
        var from = point.plus(normal.times(0.05));
        int open = 0, all = 0;
        for (var d : DIRECTIONS) {
            if (d.dot(normal) < 0.1) continue;
            all++;
            double t = index.firstDistance(from.x(), from.y(), from.z(), d.x(), d.y(), d.z(), 0);
            if (t > REACH_MM) open++;
        }
        return all == 0 ? 0 : (double) open / all;
    }

    public static boolean seen(Bvh index, Vec3 point, Vec3 normal) {
        return share(index, point, normal) >= SEEN;
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
