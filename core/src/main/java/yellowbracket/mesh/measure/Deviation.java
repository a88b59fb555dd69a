package yellowbracket.mesh.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * How two models of the same thing differ: the second is moved and enlarged onto the first (nearest points again and again: Besl, McKay
 * 1992, with the size found beside the place, no turn: both stand upright and face forward), then measured from its points to the first's
 * surface. Lengths in the first's unit.
 * @param scale of the second, {@code shift} after it @param byVertex of the second's points, signed: outside the first is more than 0
 */
public record Deviation(double scale, Vec3 shift, double medianMm, double most95Mm, double[] byVertex) {
    private static final int ROUNDS = 40, ASKED = 4000;
    private static final double STILL = 1e-6;

    public Deviation {
        byVertex = byVertex.clone();
    }

    @Override
    public double[] byVertex() {
        return byVertex.clone();
    }

    public double at(int vertex) {
        return byVertex[vertex];
    }

    /** @param index of the first */
    public static Deviation of(Mesh first, Bvh index, Mesh second, Progress progress) {
        double s = first.bounds().size().z() / Math.max(1e-9, second.bounds().size().z());
        var t = first.bounds().centre().minus(second.bounds().centre().times(s));
        int step = Math.max(1, second.vertexCount() / ASKED);
        for (int round = 0; round < ROUNDS; round++) {
            progress.check();
            var from = new ArrayList<Vec3>();
            var to = new ArrayList<Vec3>();
            for (int v = 0; v < second.vertexCount(); v += step) {
                var p = second.point(v);
                from.add(p);
                to.add(index.closest(p.times(s).plus(t)).point());
            }
            var a = mean(from);
            var b = mean(to);
            double up = 0, down = 0;
            for (int i = 0; i < from.size(); i++) {
                var p = from.get(i).minus(a);
                up += p.dot(to.get(i).minus(b));
                down += p.dot(p);
            }
            double next = up / Math.max(1e-12, down);
            var shift = b.minus(a.times(next));
            boolean still = Math.abs(next / s - 1) < STILL && shift.distance(t) < STILL * first.bounds().diagonal();
            s = next;
            t = shift;
            if (still) break;
        }
        return measured(index, second, s, t);
    }

    private static Deviation measured(Bvh index, Mesh second, double s, Vec3 t) {
        var by = new double[second.vertexCount()];
        java.util.stream.IntStream.range(0, by.length).parallel().forEach(v -> {
            var p = second.point(v).times(s).plus(t);
            double mm = index.closest(p).point().distance(p);
            by[v] = index.inside(p) ? -mm : mm;
        });
        var sorted = Arrays.stream(by).map(Math::abs).sorted().toArray();
        return new Deviation(s, t, sorted.length == 0 ? 0 : sorted[sorted.length / 2],
                sorted.length == 0 ? 0 : sorted[(int) (0.95 * (sorted.length - 1))], by);
    }

    private static Vec3 mean(List<Vec3> list) {
        return list.stream().reduce(Vec3.ZERO, Vec3::plus).times(1.0 / Math.max(1, list.size()));
    }
}
