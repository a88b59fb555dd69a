package yellowbracket.wear.pad;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.flat.Flattened;
import yellowbracket.mesh.index.Bvh;

/**
 * A pad's footprint on the head: a rectangle with well rounded corners laid on it, as a grid of places.
 *
 * @param places on the head with normal, and the area that each stands for, mm2
 */
record PadPatch(List<Place> places, Mesh skin, List<Integer> border, int first, int last, double wideMm, double highMm) {
    /** Grid lines each way; the corners are those of |a|^p + |b|^p = 1. */
    private static final int ACROSS = 15;
    private static final double ROUND = 5, ABOVE_MM = 45;

    record Place(Vec3 at, Vec3 normal, double mm2) {}

    /**
     * @param centre on the head, {@code normal} there, {@code up} about upwards in the pad
     * @return empty where the head falls away below it
     */
    static Optional<PadPatch> on(Mesh head, Bvh index, Vec3 centre, Vec3 normal, Vec3 up, double wideMm, double highMm) {
        var v = up.minus(normal.times(up.dot(normal))).unit();
        var u = v.cross(normal);
        var b = new MeshBuilder(ACROSS * ACROSS, 2 * ACROSS * ACROSS);
        var normals = new ArrayList<Vec3>();
        for (int j = 0; j < ACROSS; j++) for (int i = 0; i < ACROSS; i++) {
            double[] k = rounded(2.0 * i / (ACROSS - 1) - 1, 2.0 * j / (ACROSS - 1) - 1);
            var from = centre.plus(u.times(k[0] * wideMm / 2)).plus(v.times(k[1] * highMm / 2)).plus(normal.times(ABOVE_MM));
            var hit = index.first(from, normal.times(-1));
            if (hit.isEmpty() || hit.get().distance() > 2.4 * ABOVE_MM) return Optional.empty();
            b.addVertex(from.minus(normal.times(hit.get().distance())));
            normals.add(head.areaVector(hit.get().triangle()).unit());
        }
        for (int j = 0; j + 1 < ACROSS; j++) for (int i = 0; i + 1 < ACROSS; i++) {
            int a = j * ACROSS + i;
            b.addQuad(a, a + 1, a + ACROSS + 1, a + ACROSS);
        }
        var skin = b.build();
        var area = new double[ACROSS * ACROSS];
        for (int f = 0; f < skin.triangleCount(); f++) for (int k = 0; k < 3; k++) area[skin.vertex(f, k)] += skin.area(f) / 3;
        var places = new ArrayList<Place>();
        for (int i = 0; i < area.length; i++) places.add(new Place(skin.point(i), normals.get(i), area[i]));
        int middle = ACROSS / 2 * ACROSS;
        return Optional.of(new PadPatch(List.copyOf(places), skin, rim(), middle, middle + ACROSS - 1, wideMm, highMm));
    }

    /** The square drawn in so that its corners are round. */
    private static double[] rounded(double a, double b) {
        double m = Math.max(Math.abs(a), Math.abs(b));
        if (m == 0) return new double[] {0, 0};
        double k = m / Math.pow(Math.pow(Math.abs(a), ROUND) + Math.pow(Math.abs(b), ROUND), 1 / ROUND);
        return new double[] {a * k, b * k};
    }

    private static List<Integer> rim() {
        var out = new ArrayList<Integer>();
        for (int i = 0; i < ACROSS - 1; i++) out.add(i);
        for (int j = 0; j < ACROSS - 1; j++) out.add(j * ACROSS + ACROSS - 1);
        for (int i = ACROSS - 1; i > 0; i--) out.add((ACROSS - 1) * ACROSS + i);
        for (int j = ACROSS - 1; j > 0; j--) out.add(j * ACROSS);
        return List.copyOf(out);
    }

    double areaMm2() {
        return skin.areaMm2();
    }

    /** Foam does not follow every crease of a brow: normals as it takes them. */
    private static final int SMOOTHED = 12;

    private static Vec3[] smoothed(Vec3[] n) {
        var out = new Vec3[n.length];
        for (int j = 0; j < ACROSS; j++) for (int i = 0; i < ACROSS; i++) {
            var sum = n[j * ACROSS + i].unit().times(2);
            if (i > 0) sum = sum.plus(n[j * ACROSS + i - 1].unit());
            if (i < ACROSS - 1) sum = sum.plus(n[j * ACROSS + i + 1].unit());
            if (j > 0) sum = sum.plus(n[(j - 1) * ACROSS + i].unit());
            if (j < ACROSS - 1) sum = sum.plus(n[(j + 1) * ACROSS + i].unit());
            out[j * ACROSS + i] = sum;
        }
        return out;
    }

    /** Laid flat as it lies so far off the skin: the middle of the foam. @param offMm by place */
    Flattened flat(ToDoubleFunction<Place> offMm) {
        var b = new MeshBuilder(skin.vertexCount(), skin.triangleCount());
        var normal = new Vec3[places.size()];
        java.util.Arrays.fill(normal, Vec3.ZERO);
        for (int f = 0; f < skin.triangleCount(); f++)
            for (int k = 0; k < 3; k++) normal[skin.vertex(f, k)] = normal[skin.vertex(f, k)].plus(skin.areaVector(f));
        for (int k = 0; k < SMOOTHED; k++) normal = smoothed(normal);
        for (int i = 0; i < normal.length; i++) {
            var p = places.get(i);
            b.addVertex(p.at.plus(normal[i].unit().times(offMm.applyAsDouble(p))));
        }
        for (int f = 0; f < skin.triangleCount(); f++) b.addTriangle(skin.vertex(f, 0), skin.vertex(f, 1), skin.vertex(f, 2));
        return Flattened.of(b.build(), first, last);
    }
}
