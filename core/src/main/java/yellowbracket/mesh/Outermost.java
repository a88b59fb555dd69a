package yellowbracket.mesh;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;

/**
 * The corners of a mesh that stick out furthest in each of many directions: some hundreds of points in whose place its hull may be asked.
 */
public final class Outermost {
    private Outermost() {}

    /** Each once, in the order of the mesh. @param asked at about this many vertices, evenly taken, the search ends */
    public static List<Vec3> of(Mesh m, List<Vec3> directions, int asked) {
        var best = new int[directions.size()];
        var most = new double[directions.size()];
        Arrays.fill(most, Double.NEGATIVE_INFINITY);
        int step = Math.max(1, m.vertexCount() / asked);
        for (int v = 0; v < m.vertexCount(); v += step) for (int i = 0; i < best.length; i++) {
            var d = directions.get(i);
            double h = d.x() * m.x(v) + d.y() * m.y(v) + d.z() * m.z(v);
            if (h > most[i]) {
                most[i] = h;
                best[i] = v;
            }
        }
        var out = new HashSet<Integer>();
        for (int b : best) out.add(b);
        return out.stream().sorted().map(m::point).toList();
    }
}
