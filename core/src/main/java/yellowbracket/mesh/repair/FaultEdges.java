package yellowbracket.mesh.repair;

import java.util.Arrays;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * Where the edges at fault lie, to be drawn: segments as runs of six numbers (from, to), mm; {@code open} belong to one triangle, {@code
 * crowded} to more
 * than two, {@code twisted} join two that face opposite ways. Each kind is kept up to {@link #MOST}.
 */
public record FaultEdges(double[] open, double[] crowded, double[] twisted) {
    private static final int MOST = 6 * 8000;

    public FaultEdges {
        open = open.clone();
        crowded = crowded.clone();
        twisted = twisted.clone();
    }

    public static FaultEdges of(Mesh m) {
        var edges = new Edges(m);
        var open = new Segments();
        var crowded = new Segments();
        var twisted = new Segments();
        edges.forEach((from, to) -> {
            var kind = to - from == 1 ? open
                    : to - from > 2 ? crowded : edges.forward(m, from) == edges.forward(m, from + 1) ? twisted : null;
            if (kind != null) kind.add(m.point(edges.lowVertex(from)), m.point(edges.highVertex(from)));
        });
        return new FaultEdges(open.done(), crowded.done(), twisted.done());
    }

    private static final class Segments {
        private double[] values = new double[48];
        private int count;

        void add(Vec3 a, Vec3 b) {
            if (count == MOST) return;
            if (count == values.length) values = Arrays.copyOf(values, 2 * count);
            for (int k = 0; k < 3; k++) {
                values[count + k] = a.get(k);
                values[count + 3 + k] = b.get(k);
            }
            count += 6;
        }

        double[] done() {
            return Arrays.copyOf(values, count);
        }
    }
}
