package yellowbracket.smooth;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.SurfaceSamples;

/**
 * Which samples of a surface are worked together: those near one another that face alike. It hangs on the surface alone, not on how it is
 * printed.
 */
final class Nearby {
    /** What lies within this, mm, or a spacing and a half of the samples, is worked with a place. */
    private static final double AROUND_MM = 8, SPACINGS = 1.6;
    /** What faces another way is not around it, by cosine. */
    private static final double ALIKE = 0.5;

    /** Those of sample i are {@code list[first[i]]} up to {@code list[first[i + 1]]}, itself among them. */
    private final int[] first;
    private final int[] list;

    private Nearby(int[] first, int[] list) {
        this.first = first;
        this.list = list;
    }

    /** @param on real mm */
    static Nearby of(SurfaceSamples on) {
        var samples = on.samples();
        int n = samples.size();
        double far = Math.max(AROUND_MM, SPACINGS * Math.sqrt(on.areaEachMm2()));
        var cells = new HashMap<Cell, int[]>();
        for (int i = 0; i < n; i++) {
            var in = cells.computeIfAbsent(Cell.of(samples.get(i).point(), far), k -> new int[] {0});
            if (in[0] + 1 == in.length) {
                in = Arrays.copyOf(in, 2 * in.length);
                cells.put(Cell.of(samples.get(i).point(), far), in);
            }
            in[++in[0]] = i;
        }
        var first = new int[n + 1];
        var list = new int[16 * n + 16];
        int count = 0;
        for (int i = 0; i < n; i++) {
            first[i] = count;
            var p = samples.get(i);
            for (var near : Cell.of(p.point(), far).around()) {
                var in = cells.get(near);
                for (int k = 1; in != null && k <= in[0]; k++) {
                    var q = samples.get(in[k]);
                    if (q.point().distance(p.point()) > far || q.normal().dot(p.normal()) < ALIKE) continue;
                    if (count == list.length) list = Arrays.copyOf(list, 2 * count);
                    list[count++] = in[k];
                }
            }
        }
        first[n] = count;
        return new Nearby(first, Arrays.copyOf(list, count));
    }

    /** Of a lattice of cubes. */
    record Cell(int x, int y, int z) {
        static Cell of(Vec3 p, double size) {
            return new Cell((int) Math.floor(p.x() / size), (int) Math.floor(p.y() / size), (int) Math.floor(p.z() / size));
        }

        /** Itself and the 26 that touch it. */
        List<Cell> around() {
            var out = new Cell[27];
            for (int i = 0; i < 27; i++) out[i] = new Cell(x + i % 3 - 1, y + i / 3 % 3 - 1, z + i / 9 - 1);
            return List.of(out);
        }

        @Override
        public int hashCode() {
            return 73856093 * x ^ 19349663 * y ^ 83492791 * z;
        }
    }

    /** Shape and depth of lines as they are around each place: the middle shape, the mean depth. @param own a place for each sample */
    void worked(List<Place> own, List<Place> out) {
        var shapes = new int[Areas.Shape.values().length];
        for (int i = 0; i < own.size(); i++) {
            Arrays.fill(shapes, 0);
            double sum = 0;
            int n = first[i + 1] - first[i];
            for (int k = first[i]; k < first[i + 1]; k++) {
                var q = own.get(list[k]);
                shapes[q.shape().ordinal()]++;
                sum += q.depthUm();
            }
            int middle = 0;
            for (int run = shapes[0]; 2 * run < n; run += shapes[middle]) middle++;
            out.add(own.get(i).among(Areas.Shape.values()[middle], sum / n));
        }
    }
}
