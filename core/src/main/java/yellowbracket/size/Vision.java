package yellowbracket.size;

import java.util.stream.IntStream;
import yellowbracket.mesh.Vec3;

/**
 * What the wearer sees: rays from both eyes through the posed prop. Angles in degrees from straight ahead, found to 0.1; {@code openShare}
 * of the usual field (60 up, 70 down,
 * 95 to each side) by solid angle, {@code bothShare} the part of what is open that both eyes see; {@code floorFromM}: the nearest floor
 * seen ahead on level ground,
 * infinite if none; {@code eyesUpMm}: how much higher (or, below 0, lower) the eyes would have to be in the prop to see most, 0 when they
 * are well placed.
 */
public record Vision(double leftDeg, double rightDeg, double upDeg, double downDeg, double floorFromM, double openShare, double bothShare,
        double eyesUpMm, Field field) {
    /** How far out, up and down the view is asked, degrees: beyond it nobody looks. */
    private static final double SIDE = 95, UP = 60, DOWN = 70;
    /** Beyond this angle to the other side the nose stands in an eye's way. */
    private static final double NOSE_DEG = 60;
    /** How finely an edge of the view is sought, degrees. */
    private static final double MARCH_DEG = 1, FINE_DEG = 0.05;

    /**
     * The view in angle coordinates: the angle from straight ahead is the distance from the middle, its direction the direction
     * (equidistant azimuthal). Cells {@link #STEP_DEG} apart, rows from
     * the lowest, columns from the wearer's left.
     */
    public static final class Field {
        /** Grid of the view, degrees. */
        public static final double STEP_DEG = 1;
        public static final int COLUMNS = 2 * (int) (SIDE / STEP_DEG) + 3;
        public static final int ROWS = (int) ((UP + DOWN) / STEP_DEG) + 3;
        public static final byte BLOCKED = 0, LEFT = 1, RIGHT = 2, BOTH = 3, BEYOND = 4;
        private final byte[] seen;

        private Field(byte[] seen) {
            this.seen = seen;
        }

        /** Degrees to the wearer's right of straight ahead. */
        public static double u(int column) {
            return (column - COLUMNS / 2) * STEP_DEG;
        }

        /** Degrees above straight ahead. */
        public static double v(int row) {
            return -DOWN - STEP_DEG / 2 + row * STEP_DEG;
        }

        /** {@link #BLOCKED}, which eye sees it, or {@link #BEYOND} the usual field. */
        public int at(int row, int column) {
            return seen[row * COLUMNS + column];
        }

        /** As {@link #at(int, int)}, of the cell nearest to an angle; {@link #BEYOND} off the grid. */
        public int near(double u, double v) {
            int row = (int) Math.round((v + DOWN + STEP_DEG / 2) / STEP_DEG), column = (int) Math.round(u / STEP_DEG) + COLUMNS / 2;
            return row < 0 || column < 0 || row >= ROWS || column >= COLUMNS ? BEYOND : at(row, column);
        }

        /** The usual field is an oval of half-axes 95 to the sides, 60 up, 70 down. */
        static boolean usual(double u, double v) {
            double a = u / SIDE, b = v / (v > 0 ? UP : DOWN);
            return a * a + b * b <= 1;
        }

        /** Solid angle of a cell over its area: sin(r) / r. */
        public static double weight(double u, double v) {
            double r = Math.toRadians(Math.hypot(u, v));
            return r < 1e-9 ? 1 : Math.sin(r) / r;
        }
    }

    public static Vision of(HeadForm form, Cavity cavity, double scale, Pose pose, double eyeHeightMm) {
        var looker = new Looker(form, cavity, scale, pose, 0);
        var seen = new byte[Field.ROWS * Field.COLUMNS];
        IntStream.range(0, Field.ROWS).parallel().forEach(r -> {
            for (int c = 0; c < Field.COLUMNS; c++) seen[r * Field.COLUMNS + c] = looker.inField(Field.u(c), Field.v(r));
        });
        double open = 0, both = 0, all = 0;
        for (int r = 0; r < Field.ROWS; r++) for (int c = 0; c < Field.COLUMNS; c++) {
            int s = seen[r * Field.COLUMNS + c];
            if (s == Field.BEYOND) continue;
            double w = Field.weight(Field.u(c), Field.v(r));
            all += w;
            if (s != Field.BLOCKED) open += w;
            if (s == Field.BOTH) both += w;
        }
        return measured(looker, eyeHeightMm, open / all, open == 0 ? 0 : both / open, eyesUp(form, cavity, scale, pose), new Field(seen));
    }

    private static Vision measured(Looker look, double eyeHeightMm, double open, double both, double eyesUp, Field field) {
        double level = level(look);
        if (Double.isNaN(level)) return new Vision(0, 0, 0, 0, Double.POSITIVE_INFINITY, open, both, eyesUp, field);
        double left = edge(a -> look.sees(-a, level), SIDE), right = edge(a -> look.sees(a, level), SIDE);
        double up = edge(a -> look.sees(0, level + a), UP - level) + level, down = edge(a -> look.sees(0, level - a), DOWN + level) - level;
        double floor = down > 0 ? eyeHeightMm / 1000 / Math.tan(Math.toRadians(down)) : Double.POSITIVE_INFINITY;
        return new Vision(left, right, up, down, floor, open, both, eyesUp, field);
    }

    /** The elevation nearest to level at which straight ahead is open; an opening somewhat off the eye line still has a widest row. */
    private static double level(Looker look) {
        for (double off = 0; off <= 15; off += 0.5) for (double e : new double[] {off, -off}) if (look.sees(0, e)) return e;
        return Double.NaN;
    }

    /** How far it stays open, by steps and then halving. */
    private static double edge(java.util.function.DoublePredicate open, double most) {
        double from = 0;
        while (from + MARCH_DEG <= most && open.test(from + MARCH_DEG)) from += MARCH_DEG;
        if (from + MARCH_DEG > most) return open.test(most) ? most : from;
        double to = from + MARCH_DEG;
        while (to - from > FINE_DEG) {
            double mid = (from + to) / 2;
            if (open.test(mid)) from = mid;
            else to = mid;
        }
        return from;
    }

    /** The least shift of the eyes that opens as much of the middle of the view as any within 30 mm, 0 unless it opens a good deal more. */
    private static double eyesUp(HeadForm form, Cavity cavity, double scale, Pose pose) {
        int here = middle(new Looker(form, cavity, scale, pose, 0)), best = here;
        var open = new int[21];
        for (int i = 0; i <= 20; i++) {
            open[i] = middle(new Looker(form, cavity, scale, pose, 3 * (i - 10)));
            best = Math.max(best, open[i]);
        }
        if (best <= 1.15 * here + 3) return 0;
        double shift = 0;
        for (int i = 0; i <= 20; i++)
            if (open[i] >= 0.97 * best && (shift == 0 || Math.abs(3 * (i - 10)) < Math.abs(shift))) shift = 3 * (i - 10);
        return shift;
    }

    private static int middle(Looker look) {
        int n = 0;
        for (double v = -28; v <= 28; v += 4)
            for (double u = -28; u <= 28; u += 7) if (u * u + v * v <= 800 && look.inField(u, v) != Field.BLOCKED) n++;
        return n;
    }

    /** Both eyes of a posed head; directions are the head's. */
    private static final class Looker {
        private final Cavity cavity;
        private final Pose pose;
        private final Vec3 left;
        private final Vec3 right;

        Looker(HeadForm form, Cavity cavity, double scale, Pose pose, double upMm) {
            this.cavity = cavity;
            this.pose = pose;
            var up = new Vec3(0, 0, upMm);
            left = pose.place(form.eye(-1)).plus(up).times(1 / scale);
            right = pose.place(form.eye(1)).plus(up).times(1 / scale);
        }

        /** By azimuth (to the right) and elevation, degrees. */
        boolean sees(double azimuth, double elevation) {
            double az = Math.toRadians(azimuth), el = Math.toRadians(elevation);
            return by(new Vec3(Math.cos(el) * Math.sin(az), Math.cos(el) * Math.cos(az), Math.sin(el)), azimuth) != Field.BLOCKED;
        }

        byte inField(double u, double v) {
            if (!Field.usual(u, v)) return Field.BEYOND;
            double r = Math.hypot(u, v), s = r < 1e-9 ? 1 : Math.sin(Math.toRadians(r)) / r;
            var d = new Vec3(u * s, Math.cos(Math.toRadians(r)), v * s);
            return by(d, Math.toDegrees(Math.atan2(d.x(), d.y())));
        }

        private byte by(Vec3 head, double azimuth) {
            var d = pose.direction(head);
            boolean l = azimuth < NOSE_DEG && !cavity.index().blocked(left, d, 1),
                    r = azimuth > -NOSE_DEG && !cavity.index().blocked(right, d, 1);
            return (byte) ((l ? Field.LEFT : 0) + (r ? Field.RIGHT : 0));
        }
    }
}
