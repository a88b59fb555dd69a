package yellowbracket.demo;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * The harbour-warden's helm: a closed shell with a 3 mm wall, neck opening, wide lamp-shaped visor, breathing slots, a broad drooping brim
 * with
 * a rolled edge, a dorsal crest fin, a low keel, cheek guards, a brow band, rivets and engraved lines. Columns run round from the front (0)
 * over
 * the wearer's right; rows from the neck rim to the crown. Origin at the eyes.
 */
final class TideWardenHelm {
    private static final int COLUMNS = 320;
    private static final int BACK = COLUMNS / 2;
    private static final double STEP = 2 * Math.PI / COLUMNS;

    /** Row numbers of the features. */
    private static final int VISOR_LOW = 34;
    private static final int VISOR_HIGH = 50;
    private static final int SHOULDER = 60;
    private static final int ROWS = 112;
    private static final int VISOR_COLUMNS = 46;
    private static final int SLOT_LOW = 12;
    private static final int SLOT_HIGH = 24;

    private static final double SHOULDER_Z = 38;
    private static final double ROOF_Z = 119;
    private static final double HALF_WIDTH = 92;
    private static final double FRONT = 120;
    private static final double BEHIND = 104;

    private static final int BRIM_UNDER = 20;
    private static final int BRIM_EDGE = 7;
    private static final int BRIM_TOP = 20;
    private static final int BRIM_ROWS = BRIM_UNDER + BRIM_EDGE + BRIM_TOP;
    private static final double BRIM_THICK = 3.6;

    private TideWardenHelm() {}

    static Mesh mesh() {
        var grid = new ShellGrid(ROWS, COLUMNS, true);
        grid.open(VISOR_LOW, VISOR_HIGH, -VISOR_COLUMNS, VISOR_COLUMNS);
        for (int i = -4; i < 4; i++) grid.open(SLOT_LOW, SLOT_HIGH, 5 * i + 1, 5 * i + 4);
        return grid.build(TideWardenHelm::outer, TideWardenHelm::inner, SHOULDER, BRIM_ROWS, new Vec3(0, crownY(), ROOF_Z + 3.1),
                new Vec3(0, crownY(), ROOF_Z));
    }

    private static double crownY() {
        return (FRONT - BEHIND) / 2;
    }

    /** Signed columns from the front (or from the back where that is nearer). */
    private static int fromFront(int column) {
        return column > BACK ? column - COLUMNS : column;
    }

    private static double angle(int column) {
        return fromFront(column) * STEP;
    }

    private static double rim(double a) {
        double cheek = Math.exp(-square((Math.abs(a) - 0.85) / 0.35));
        return -112 - 16 * cheek + 14 * square(Math.sin(a / 2));
    }

    private static double square(double x) {
        return x * x;
    }

    /** Height of a row below the shoulder: even between the rim, the visor's edges and the shoulder. */
    private static double wallZ(int row, double a) {
        double end = Math.min(1, Math.abs(a) / (VISOR_COLUMNS * STEP));
        double low = -27 + 12 * end * end * end, high = 21 - 7 * end * end;
        if (row <= VISOR_LOW) return rim(a) + (low - rim(a)) * row / VISOR_LOW;
        if (row <= VISOR_HIGH) return low + (high - low) * (row - VISOR_LOW) / (VISOR_HIGH - VISOR_LOW);
        return high + (SHOULDER_Z - high) * (row - VISOR_HIGH) / (SHOULDER - VISOR_HIGH);
    }

    /** Angle over the dome, 0 at the shoulder, below 90 degrees at the last row. */
    private static double lift(int row) {
        return row <= SHOULDER ? 0 : Math.PI / 2 * (row - SHOULDER) / (ROWS - SHOULDER);
    }

    /** Share of the full outline at a row: slightly drawn in at the neck, an ellipse over the dome. */
    private static double share(int row, double z) {
        if (row > SHOULDER) return Math.pow(Math.cos(lift(row)), 0.92);
        double down = Math.clamp((-z - 30) / 90, 0, 1);
        return 1 - 0.055 * down * down * (3 - 2 * down);
    }

    /**
     * Columns are moved along the surface so that three on each side of the middle line keep their distance from it: the edges of fin and
     * keel.
     */
    private static double bent(int column, double radius) {
        int k = fromFront(column);
        boolean rear = Math.abs(k) > BACK / 2;
        int off = rear ? Math.abs(k) - BACK : Math.abs(k);
        int d = Math.abs(off);
        double[] keep = {0, 1.5, 2.9, 3.9};
        int blend = 40;
        double a;
        double edge = Math.min(0.5 * blend * STEP, Math.asin(Math.min(1, keep[3] / Math.max(4, radius))));
        if (d <= 3) a = edge * keep[d] / keep[3];
        else if (d < blend) a = edge + (blend * STEP - edge) * (d - 3) / (blend - 3);
        else a = d * STEP;
        double signed = rear ? Math.PI - a : a;
        return k < 0 ? -signed : signed;
    }

    private static Vec3 outline(double a, double share) {
        double s = Math.sin(a), c = Math.cos(a), p = 2.0 / 2.25;
        double x = Math.signum(s) * Math.pow(Math.abs(s), p) * HALF_WIDTH,
                y = Math.signum(c) * Math.pow(Math.abs(c), p) * (c > 0 ? FRONT : BEHIND);
        return new Vec3(x * share, crownY() * (1 - share) + y * share, 0);
    }

    private static Vec3 inner(int row, int column) {
        double z = row <= SHOULDER ? wallZ(row, angle(column)) : SHOULDER_Z + (ROOF_Z - SHOULDER_Z) * Math.sin(lift(row));
        double share = share(row, z);
        double a = row > SHOULDER ? bent(column, HALF_WIDTH * share) : angle(column);
        if (row > SHOULDER && row < SHOULDER + 6) a += (angle(column) - a) * (SHOULDER + 6 - row) / 6;
        var o = outline(a, share);
        return new Vec3(o.x(), o.y(), z);
    }

    /** Outward at a grid point, level on the wall and turning up over the dome. */
    private static Vec3 outward(Vec3 p, double lift) {
        var flat = new Vec3(p.x() / square(HALF_WIDTH), (p.y() - crownY()) / square((FRONT + BEHIND) / 2), 0);
        if (flat.norm() < 1e-12) return Vec3.Z;
        return flat.unit().times(Math.cos(lift)).plus(Vec3.Z.times(Math.sin(lift)));
    }

    private static Vec3 outer(int row, int column) {
        if (row >= ROWS) return brim(row - ROWS, column);
        var p = inner(row, column);
        if (row == SHOULDER) p = new Vec3(p.x(), p.y(), p.z() - BRIM_THICK / 2);
        double wall = 3.0 + 0.6 * Math.clamp(1 - row / 20.0, 0, 1);
        var n = outward(p, lift(row));
        var raised = p.plus(n.times(wall + relief(row, column)));
        return raised.plus(crest(row, column));
    }

    /** Height of plates, bands, rivets and lines over the plain shell, mm. */
    private static double relief(int row, int column) {
        int k = fromFront(column), d = Math.abs(k);
        double h = 0;
        boolean frame = row >= VISOR_LOW - 4 && row <= VISOR_HIGH + 3 && d <= VISOR_COLUMNS + 4;
        if (frame) h = 2.4;
        boolean cheek = row <= 27 && d >= 26 && d <= 92;
        if (cheek) h = row == 27 || d == 26 || d == 92 ? 1.4 : 2.6;
        boolean groove = cheek && row <= 23 && d >= 31 && d <= 87 && (row == 23 || d == 31 || d == 87);
        if (groove) h -= 1.0;
        int up = row - SHOULDER;
        if (up >= 2 && up <= 8) h = up == 2 || up == 8 ? 1.2 : 2.4;
        if (up > 10 && up < 42 && (k + COLUMNS) % 40 == 20) h -= 0.9;
        if (up == 26 && d % 80 != 0) h -= 0.7;
        return h + rivets(row, column, k, d, up);
    }

    private static double rivets(int row, int column, int k, int d, int up) {
        double r = 0;
        if (up >= 3 && up <= 7) r = dome(up - 5, Math.floorMod(column + 5, 10) - 5);
        if (row <= 27 && d >= 28 && d <= 90)
            r = Math.max(r, dome(row - 25, Math.floorMod(d - 34, 12) < 6 ? Math.floorMod(d - 34, 12) : Math.floorMod(d - 34, 12) - 12));
        if (row >= VISOR_LOW - 4 && row <= VISOR_LOW && d <= VISOR_COLUMNS)
            r = Math.max(r, 0.8 * dome(row - VISOR_LOW + 2, Math.floorMod(d + 4, 12) - 4));
        return r;
    }

    /** A round head of about two cells' radius. */
    private static double dome(double rows, double columns) {
        double q = (rows * rows + columns * columns) / 5.0;
        return q >= 1 ? 0 : 2.2 * Math.sqrt(1 - q);
    }

    private static Vec3 crest(int row, int column) {
        int k = fromFront(column), d = Math.abs(k) > BACK / 2 ? Math.abs(Math.abs(k) - BACK) : Math.abs(k);
        int up = row - SHOULDER;
        if (d > 2 || up < 9 || up > ROWS - SHOULDER - 5) return Vec3.ZERO;
        double u = (up - 9.0) / (ROWS - SHOULDER - 14.0); // 0 at the band, 1 near the crown
        double edge = d == 2 ? 0.94 : 1;
        if (Math.abs(k) <= BACK / 2) return new Vec3(0, 0.5, 0.86).times(4.5 * edge * Math.sin(Math.PI * u));
        double h = 58 * Math.pow(Math.sin(Math.PI * Math.pow(u, 0.62)), 0.8);
        return new Vec3(0, -0.62, 0.78).times(edge * h);
    }

    private static Vec3 brim(int k, int column) {
        double a = angle(column);
        var wall = inner(SHOULDER, column);
        var root = wall.plus(outward(wall, 0).times(3.0));
        double edgeX = 182 * Math.sin(a), edgeY = (Math.cos(a) > 0 ? 206 : 198) * Math.cos(a);
        double droop = 13 + 9 * square(Math.cos(a));
        if (k < BRIM_UNDER) return onBrim(root, edgeX, edgeY, droop, (k + 1.0) / BRIM_UNDER, -BRIM_THICK / 2);
        if (k < BRIM_UNDER + BRIM_EDGE) {
            double turn = -Math.PI / 2 + Math.PI * (k - BRIM_UNDER + 1) / (BRIM_EDGE + 1);
            var end = onBrim(root, edgeX, edgeY, droop, 1, 0);
            var out = new Vec3(edgeX, edgeY, 0).unit();
            double r = 3.4;
            return end.plus(out.times(2 + r * Math.cos(turn))).plus(Vec3.Z.times(r * Math.sin(turn)));
        }
        int j = k - BRIM_UNDER - BRIM_EDGE;
        double u = 1 - (double) j / BRIM_TOP;
        double line = j == 4 || j == 14 ? -0.8 : 0;
        return onBrim(root, edgeX, edgeY, droop, u, BRIM_THICK / 2 + line);
    }

    private static Vec3 onBrim(Vec3 root, double edgeX, double edgeY, double droop, double u, double up) {
        double x = root.x() + (edgeX - root.x()) * u, y = root.y() + (edgeY - root.y()) * u;
        return new Vec3(x, y, SHOULDER_Z - droop * Math.pow(u, 1.6) + up);
    }
}
