package yellowbracket.demo;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;

/**
 * The hooked lamp staff, 1.5 m: a shaft with two wrapped grips, a weak neck below the hook, and the lamp as a body of its own with a socket
 * for a 12 mm magnet beneath it, that holds its light. Foot at z = 0.
 */
final class LampStaff {
    private static final int AROUND = 36;
    private static final int RINGS = 430;
    private static final double STRAIGHT = 1330;
    private static final double HOOK_R = 85;
    private static final double HOOK_ANGLE = Math.toRadians(205);

    private LampStaff() {}

    static Mesh mesh() {
        return Mesh.union(java.util.List.of(shaft(), lamp()));
    }

    private static double length() {
        return STRAIGHT + HOOK_R * HOOK_ANGLE;
    }

    /** The middle line at arc length s: straight up, then an arc forward. */
    private static Vec3 spine(double s) {
        if (s <= STRAIGHT) return new Vec3(0, 0, s);
        double a = (s - STRAIGHT) / HOOK_R;
        return new Vec3(0, HOOK_R * (1 - Math.cos(a)), STRAIGHT + HOOK_R * Math.sin(a));
    }

    private static double radius(double s, double turn) {
        double r = 15;
        if (s < 40) r = 18 - 0.1 * Math.abs(20 - s);
        if (inGrip(s, 420, 560) || inGrip(s, 760, 930)) r = 15.4 + 0.9 * Math.sin(s / 4.2 * 1.5 + turn);
        if (s > 1230) r = 15 - 8.3 * smooth((s - 1230) / 60) + 3.0 * smooth((s - 1330) / 50);
        double collar = Math.abs(s - 1215);
        if (collar < 12) r = 20 - collar * 0.15;
        return s > length() - 6 ? r * 0.9 : r;
    }

    private static boolean inGrip(double s, double from, double to) {
        return s > from && s < to;
    }

    private static double smooth(double t) {
        double c = Math.clamp(t, 0, 1);
        return c * c * (3 - 2 * c);
    }

    private static Mesh shaft() {
        var b = new MeshBuilder(RINGS * AROUND, 2 * RINGS * AROUND);
        int foot = vertex(b, spine(0));
        for (int i = 0; i < RINGS; i++) {
            double s = length() * i / (RINGS - 1);
            double a = Math.max(0, (s - STRAIGHT) / HOOK_R);
            var across = new Vec3(0, Math.cos(a), -Math.sin(a));
            for (int k = 0; k < AROUND; k++) {
                double t = 2 * Math.PI * k / AROUND, r = radius(s, t);
                vertex(b, spine(s).plus(Vec3.X.times(r * Math.cos(t))).plus(across.times(r * Math.sin(t))));
            }
        }
        int end = vertex(b, spine(length()));
        for (int k = 0; k < AROUND; k++) {
            int n = (k + 1) % AROUND;
            b.addTriangle(foot, 1 + n, 1 + k);
            for (int i = 0; i + 1 < RINGS; i++)
                b.addQuad(1 + i * AROUND + k, 1 + i * AROUND + n, 1 + (i + 1) * AROUND + n, 1 + (i + 1) * AROUND + k);
            b.addTriangle(1 + (RINGS - 1) * AROUND + k, 1 + (RINGS - 1) * AROUND + n, end);
        }
        return b.build();
    }

    private static Mesh lamp() {
        double[][] p = {{0, 9}, {6.1, 9}, {6.1, 0.8}, {16, 2}, {34, 10}, {40, 18}, {40, 26}, {33, 30}, {33, 92}, {40, 96}, {40, 104},
                {26, 122}, {10, 132}, {7, 146}, {0, 148}};
        var end = spine(length());
        return floats(Shapes.lathe(p, false, 48).moved(new Vec3(end.x(), end.y(), end.z() - 156)));
    }

    private static int vertex(MeshBuilder b, Vec3 p) {
        return b.addVertex((float) p.x(), (float) p.y(), (float) p.z());
    }

    private static Mesh floats(Mesh m) {
        return m.mapped(p -> new Vec3((float) p.x(), (float) p.y(), (float) p.z()));
    }
}
