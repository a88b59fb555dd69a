package yellowbracket.wear.panel;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;
import yellowbracket.size.Vision;

/**
 * What is left of the view behind sheets and mesh: every ray of the Size station's view that leaves through a panel is weakened by
 * T^(1/cos i), i its angle to the sheet's normal (Beer and Lambert's law along the longer way; what is mirrored at a slant comes on top).
 *
 * @param openShare as without any sheet @param seenShare of the usual field by solid angle, weighed by the light that comes through
 * @param meanLight over what is open, {@code leastLight} the darkest place of it @param light by cell of the field, NaN where it is blocked
 */
public record ViewThrough(double openShare, double seenShare, double meanLight, double leastLight, double[] light) {
    /** Below it one sees too little outdoors, indoors, at dusk; starting values. */
    public enum When {
        DAYLIGHT("in daylight", 0.05), INDOORS("indoors", 0.10), DUSK("at dusk", 0.20);

        private final String words;
        private final double least;

        When(String words, double least) {
            this.words = words;
            this.least = least;
        }

        public String words() {
            return words;
        }

        public double least() {
            return least;
        }
    }

    /** What a ray goes through: the panel, how far away, and the cosine of its angle to the normal. */
    record Crossing(Panel panel, double mm, double cosine) {}

    private static final double REACH_MM = 320, FINE_MM = 0.01, STEP_MM = 8;

    public ViewThrough {
        light = light.clone();
    }

    /** A copy, as a record hands it out. */
    @Override
    public double[] light() {
        return light.clone();
    }

    public double at(int row, int column) {
        return light[row * Vision.Field.COLUMNS + column];
    }

    /** Share of what is open through which enough light comes. */
    public double enough(When w) {
        double some = 0, all = 0;
        for (int r = 0; r < Vision.Field.ROWS; r++) for (int c = 0; c < Vision.Field.COLUMNS; c++) {
            double t = at(r, c);
            if (Double.isNaN(t)) continue;
            double k = Vision.Field.weight(Vision.Field.u(c), Vision.Field.v(r));
            all += k;
            if (t >= w.least) some += k;
        }
        return all > 0 ? some / all : 0;
    }

    public static ViewThrough of(Vision vision, HeadForm form, Pose pose, List<Panel> panels) {
        int columns = Vision.Field.COLUMNS, rows = Vision.Field.ROWS;
        var light = new double[rows * columns];
        Vec3 left = pose.place(form.eye(-1)), right = pose.place(form.eye(1));
        IntStream.range(0, rows).parallel().forEach(r -> {
            for (int c = 0; c < columns; c++) {
                int by = vision.field().at(r, c);
                double t = Double.NaN;
                if (by != Vision.Field.BLOCKED && by != Vision.Field.BEYOND) {
                    var d = pose.direction(ahead(Vision.Field.u(c), Vision.Field.v(r)));
                    t = 0;
                    if ((by & Vision.Field.LEFT) != 0) t = Math.max(t, light(left, d, panels));
                    if ((by & Vision.Field.RIGHT) != 0) t = Math.max(t, light(right, d, panels));
                }
                light[r * columns + c] = t;
            }
        });
        double open = 0, seen = 0, all = 0, least = 1;
        for (int r = 0; r < rows; r++) for (int c = 0; c < columns; c++) {
            if (vision.field().at(r, c) == Vision.Field.BEYOND) continue;
            double k = Vision.Field.weight(Vision.Field.u(c), Vision.Field.v(r)), t = light[r * columns + c];
            all += k;
            if (Double.isNaN(t)) continue;
            open += k;
            seen += k * t;
            least = Math.min(least, t);
        }
        return new ViewThrough(open / all, seen / all, open > 0 ? seen / open : 0, open > 0 ? least : 0, light);
    }

    private static Vec3 ahead(double u, double v) {
        double r = Math.hypot(u, v), s = r < 1e-9 ? Math.PI / 180 : Math.sin(Math.toRadians(r)) / r;
        return new Vec3(u * s, Math.cos(Math.toRadians(r)), v * s);
    }

    /** What of the light comes along a ray. */
    static double light(Vec3 from, Vec3 unit, List<Panel> panels) {
        double t = 1;
        for (var p : panels) {
            var c = crossing(from, unit, p);
            if (c.isEmpty()) continue;
            // mesh and cloth let through what their holes do, plastic the less the longer the way in it
            t *= p.sheet().plastic() ? through(p.sheet().light(), c.get().cosine) : p.sheet().light();
        }
        return t;
    }

    /** How far along a ray the nearest panel is met, infinite for none, mm. */
    public static double wallMm(Vec3 from, Vec3 unit, List<Panel> panels) {
        return panels.stream()
                .flatMap(p -> crossing(from, unit, p).stream())
                .mapToDouble(Crossing::mm)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /** T^(1/cos i). */
    static double through(double straight, double cosine) {
        return cosine < 1e-3 ? 0 : Math.pow(straight, 1 / cosine);
    }

    /** Where a ray from inside passes the surface of an opening, within it. */
    static Optional<Crossing> crossing(Vec3 from, Vec3 unit, Panel p) {
        var s = p.covered().surface();
        double a = 0, fa = s.flat(from)[2];
        for (double b = STEP_MM; b <= REACH_MM; b += STEP_MM) {
            double fb = s.flat(from.plus(unit.times(b)))[2];
            if (fa <= 0 && fb > 0) {
                double lo = a, hi = b;
                while (hi - lo > FINE_MM) {
                    double mid = (lo + hi) / 2;
                    if (s.flat(from.plus(unit.times(mid)))[2] > 0) hi = mid;
                    else lo = mid;
                }
                var at = s.flat(from.plus(unit.times(hi)));
                if (p.covered().holds(at[0], at[1]))
                    return Optional.of(new Crossing(p, hi, Math.clamp(Math.abs(unit.dot(s.normal(at[0], at[1]))), 0, 1)));
            }
            a = b;
            fa = fb;
        }
        return Optional.empty();
    }
}
