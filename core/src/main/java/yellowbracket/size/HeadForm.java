package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.search.Threshold;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.HeadScan;
import yellowbracket.shop.Wearer;

/**
 * A head as a closed surface over stacked ovals, shaped so that the tape measures taken on it give the wearer's own within 1 mm
 * (definitions of ISO 7250-1: circumference above the brows, length, breadth above the ears, height chin to crown). The oval's
 * exponent is solved for the circumference; nose and ears are added bumps. The level proportions are rounded means of adult heads. A scan
 * takes the
 * place of the ovals.
 */
public final class HeadForm {
    static final int COLUMNS = HeadScan.COLUMNS;
    static final int ROWS = HeadScan.ROWS;
    /** Height of the tape over the brows, as a share of chin to crown above the eyes. */
    private static final double BROW = 0.12;
    /** Where the form ends, as a share of chin to crown below the eyes. */
    private static final double NECK_END = -0.85;
    /** Below it the neck begins. */
    private static final double SKULL_END = -0.515;
    /** How far nose and ears stand out, mm; starting values that a scan overrides. */
    private static final double NOSE_MM = 19;
    private static final double EAR_MM = 20;

    /**
     * Half breadth, front and back reach by level; columns: t, breadth (1 = half breadth, in the face of the face width), front, back (1 =
     * half length).
     */
    private static final double[][] LEVELS = {{0.12, 1.00, 1.00, 1.00}, {0.04, 1.00, 0.965, 0.985}, {-0.04, 1.02, 0.93, 0.93},
            {-0.10, 1.00, 0.955, 0.86}, {-0.20, 0.94, 0.985, 0.74}, {-0.30, 0.86, 0.985, 0.66}, {-0.40, 0.74, 0.965, 0.63},
            {-0.47, 0.58, 0.92, 0.62}, {-0.505, 0.50, 0.78, 0.62}, {-0.56, 0.50, 0.42, 0.63}, {-0.62, 0.50, 0.36, 0.64},
            {-0.85, 0.52, 0.34, 0.68}};

    private final HeadMeasures.Filled measures;
    private final Mesh mesh;
    private final double exponent;
    private final Optional<HeadScan> scan;
    private final List<Sample> samples;
    /** By row: index of its first sample (-1: none) and the step between sampled columns. */
    private final int[] rowStart = new int[ROWS];
    private final int[] rowStep = new int[ROWS];

    /** A point of the form, its outward normal and its zone. */
    public record Sample(Vec3 point, Vec3 normal, Zone zone) {}

    /** What a tape finds on the form, mm. */
    public record Tape(double circumferenceMm, double lengthMm, double breadthMm, double heightMm) {}

    private HeadForm(HeadMeasures.Filled measures, double exponent, Optional<HeadScan> scan) {
        this.measures = measures;
        this.exponent = exponent;
        this.scan = scan;
        mesh = build();
        samples = sample();
    }

    /** Of the brow's oval: below it is pointed, above it a box. */
    private static final double LEAST_EXPONENT = 1.3, MOST_EXPONENT = 8;

    /** @throws IllegalArgumentException if {@link HeadMeasures#check} finds the measures implausible; ask it first */
    public static HeadForm of(HeadMeasures head) {
        var problems = head.check();
        if (!problems.isEmpty()) throw new IllegalArgumentException(problems.getFirst().sentence());
        var filled = head.filled();
        // the polygon the form is made of grows with the exponent: halve on that polygon itself
        double exponent = Threshold.between(LEAST_EXPONENT, MOST_EXPONENT, 1e-13, e -> browPerimeter(filled, e) >= head.circumferenceMm());
        return new HeadForm(filled, exponent, Optional.empty());
    }

    /** From the wearer's scan where there is one, else from the measures. @throws IllegalArgumentException as {@link #of(HeadMeasures)} */
    public static HeadForm of(Wearer w) {
        return w.scan().map(s -> of(s, w.head())).orElseGet(() -> of(w.head()));
    }

    /** The scanned surface itself; of the measures only those that a scan does not hold are used (pupil distance). */
    public static HeadForm of(HeadScan scan, HeadMeasures head) {
        var f = head.filled();
        return new HeadForm(new HeadMeasures.Filled(f.circumferenceMm(), f.lengthMm(), f.breadthMm(), scan.heightMm(), f.faceWidthMm(),
                f.neckMm(), f.pupilsMm(), head.pupilsMm().isPresent() ? List.of() : List.of("pupil distance")), 2, Optional.of(scan));
    }

    /** The measures a tape finds on this form, for a card that has none yet. */
    public HeadMeasures taped() {
        var t = tape();
        return new HeadMeasures(round(t.circumferenceMm), round(t.lengthMm), round(t.breadthMm), Optional.of(round(t.heightMm)),
                Optional.empty(), Optional.empty(), Optional.empty());
    }

    private static double round(double mm) {
        return Math.round(mm * 10) / 10.0;
    }

    public Mesh mesh() {
        return mesh;
    }

    public List<Sample> samples() {
        return samples;
    }

    public HeadMeasures.Filled measures() {
        return measures;
    }

    /**
     * A value given at the samples, at a vertex of {@link #mesh}: between its row's neighbouring samples; NaN where there are none or both
     * are NaN.
     */
    public double atVertex(int vertex, java.util.function.IntToDoubleFunction bySample) {
        if (vertex == mesh.vertexCount() - 1) return bySample.applyAsDouble(samples.size() - 1);
        int row = (vertex - 1) / COLUMNS, column = (vertex - 1) % COLUMNS;
        if (vertex == 0 || rowStart[row] < 0) return Double.NaN;
        int step = rowStep[row], left = column / step, right = (left + 1) % (COLUMNS / step);
        double a = bySample.applyAsDouble(rowStart[row] + left), b = bySample.applyAsDouble(rowStart[row] + right),
                k = (double) (column % step) / step;
        if (Double.isNaN(a) || Double.isNaN(b)) return k == 0 || Double.isNaN(b) ? a : b;
        return a + (b - a) * k;
    }

    /** The cornea, mm; {@code side} -1 left, +1 right. */
    public Vec3 eye(int side) {
        double x = measures.pupilsMm() / 2;
        if (scan.isPresent()) return new Vec3(side * x, frontY(x, 0) - 2, 0);
        return new Vec3(side * x, outline(0, Math.PI / 2 - Math.asin(Math.min(1, x / (measures.breadthMm() / 2)))).y() - 2, 0);
    }

    /** The zone of the sample nearest to a place, head coordinates. */
    Zone zoneNear(Vec3 p) {
        var best = samples.getFirst();
        for (var s : samples)
            if (s.zone() != Zone.NECK && (best.zone() == Zone.NECK || s.point().distance(p) < best.point().distance(p))) best = s;
        return best.zone();
    }

    /** How far forward the skin lies, mm, {@code x} beside the middle at height {@code t} (share of chin to crown). */
    double frontY(double x, double t) {
        int row = 0;
        while (row + 1 < ROWS && level(row + 1) <= t) row++;
        for (int s = 1; s <= COLUMNS / 2; s++) {
            var a = mesh.point(1 + row * COLUMNS + s - 1);
            var b = mesh.point(1 + row * COLUMNS + s);
            if (a.x() >= x && b.x() <= x && a.x() > b.x()) return a.y() + (b.y() - a.y()) * (a.x() - x) / (a.x() - b.x());
        }
        return measures.lengthMm() / 2;
    }

    public double crownZ() {
        return measures.heightMm() / 2;
    }

    public double chinZ() {
        return -measures.heightMm() / 2;
    }

    /** Measures the mesh itself, not the input. */
    public Tape tape() {
        double around = 0, front = -1e9, back = 1e9, wide = 0, top = -1e9;
        double z = BROW * measures.heightMm();
        var ring = new ArrayList<Vec3>();
        for (int f = 0; f < mesh.triangleCount(); f++) for (int k = 0; k < 3; k++) {
            var a = mesh.corner(f, k);
            var b = mesh.corner(f, (k + 1) % 3);
            if (a.z() > z != b.z() > z) ring.add(a.plus(b.minus(a).times((z - a.z()) / (b.z() - a.z()))));
            top = Math.max(top, a.z());
            if (a.z() >= 0.06 * measures.heightMm()) {
                front = Math.max(front, a.y());
                back = Math.min(back, a.y());
                wide = Math.max(wide, Math.abs(a.x()));
            }
        }
        ring.sort(java.util.Comparator.comparingDouble(p -> Math.atan2(p.y(), p.x())));
        for (int i = 0; i < ring.size(); i++) around += ring.get(i).distance(ring.get((i + 1) % ring.size()));
        return new Tape(around, front - back, 2 * wide, top - chinZ());
    }

    private static double browPerimeter(HeadMeasures.Filled m, double p) {
        double sum = 0;
        for (int s = 0; s < COLUMNS; s++) sum += oval(m, s, p).distance(oval(m, s + 1, p));
        return sum;
    }

    private static Vec3 oval(HeadMeasures.Filled m, int column, double p) {
        double a = 2 * Math.PI * column / COLUMNS;
        return new Vec3(power(Math.cos(a), 2 / p) * m.breadthMm() / 2, power(Math.sin(a), 2 / p) * m.lengthMm() / 2, 0);
    }

    private static double power(double c, double e) {
        return Math.abs(c) < 1e-12 ? 0 : Math.signum(c) * Math.pow(Math.abs(c), e);
    }

    private Mesh build() {
        var b = new MeshBuilder(ROWS * COLUMNS, 2 * ROWS * COLUMNS);
        double h = measures.heightMm();
        int foot = b.addVertex(0, -12, NECK_END * h);
        for (int r = 0; r < ROWS; r++)
            for (int s = 0; s < COLUMNS; s++) b.addVertex(scan.isPresent() ? scanned(r, s) : outline(level(r), 2 * Math.PI * s / COLUMNS));
        int crown = b.addVertex(0, 0, 0.5 * h);
        for (int s = 0; s < COLUMNS; s++) {
            int t = (s + 1) % COLUMNS;
            b.addTriangle(foot, 1 + t, 1 + s);
            for (int r = 0; r + 1 < ROWS; r++)
                b.addQuad(1 + r * COLUMNS + s, 1 + r * COLUMNS + t, 1 + (r + 1) * COLUMNS + t, 1 + (r + 1) * COLUMNS + s);
            int top = 1 + (ROWS - 1) * COLUMNS;
            b.addTriangle(top + s, top + t, crown);
        }
        return b.build();
    }

    private Vec3 scanned(int row, int column) {
        double a = 2 * Math.PI * column / COLUMNS, r = scan.orElseThrow().radiusMm(row, column);
        return new Vec3(r * Math.cos(a), r * Math.sin(a), level(row) * measures.heightMm());
    }

    /**
     * The form without its neck, closed below the chin, each point moved along its normal: what has to pass a neck opening. @param moveMm
     * outwards, by sample zone
     */
    Mesh skull(java.util.function.ToDoubleFunction<Zone> moveMm) {
        int low = 0;
        while (level(low) < SKULL_END) low++;
        var normal = vertexNormals();
        var b = new MeshBuilder(ROWS * COLUMNS, 2 * ROWS * COLUMNS);
        int foot = b.addVertex(0, 0, level(low) * measures.heightMm());
        for (int r = low; r < ROWS; r++) for (int s = 0; s < COLUMNS; s++) {
            int v = 1 + r * COLUMNS + s;
            b.addVertex(mesh.point(v).plus(normal[v].times(moveMm.applyAsDouble(Zone.at(mesh.point(v), level(r))))));
        }
        int rows = ROWS - low, top = 1 + (rows - 1) * COLUMNS;
        int crown = b.addVertex(mesh.point(mesh.vertexCount() - 1).plus(Vec3.Z.times(moveMm.applyAsDouble(Zone.CROWN))));
        for (int s = 0; s < COLUMNS; s++) {
            int t = (s + 1) % COLUMNS;
            b.addTriangle(foot, 1 + t, 1 + s);
            for (int r = 0; r + 1 < rows; r++)
                b.addQuad(1 + r * COLUMNS + s, 1 + r * COLUMNS + t, 1 + (r + 1) * COLUMNS + t, 1 + (r + 1) * COLUMNS + s);
            b.addTriangle(top + s, top + t, crown);
        }
        return b.build();
    }

    /** Rows are even up to the brow and crowd towards the crown, where the surface turns flat. */
    static double level(int row) {
        int split = 2 * ROWS / 3;
        if (row <= split) return NECK_END + (BROW - NECK_END) * row / split;
        return BROW + (0.5 - BROW) * Math.sin(Math.PI / 2 * (row - split) / (ROWS - split));
    }

    private Vec3 outline(double t, double angle) {
        double wide, front, back, p = exponent;
        if (t >= BROW) {
            double up = (t - BROW) / (0.5 - BROW);
            double cap = Math.pow(Math.max(0, 1 - Math.pow(up, 2.3)), 1 / 2.1);
            wide = front = back = cap;
            p += (2.1 - exponent) * up;
        } else {
            int i = 1;
            while (i + 1 < LEVELS.length && LEVELS[i][0] > t) i++;
            double[] a = LEVELS[i - 1], b = LEVELS[i];
            double k = (a[0] - t) / (a[0] - b[0]);
            wide = a[1] + (b[1] - a[1]) * k;
            front = a[2] + (b[2] - a[2]) * k;
            back = a[3] + (b[3] - a[3]) * k;
            double low = Math.min(1, (BROW - t) / 0.4);
            p += (2.05 - exponent) * low;
        }
        double faceBlend = Math.clamp((BROW - t) / 0.2, 0, 1) * Math.clamp((t + 0.60) / 0.15, 0, 1);
        double half = measures.breadthMm() / 2 * (1 - faceBlend) + measures.faceWidthMm() / 2 * faceBlend;
        double reach = measures.lengthMm() / 2, below = Math.clamp((-0.5 - t) / 0.08, 0, 1);
        double cos = power(Math.cos(angle), 2 / p), sin = power(Math.sin(angle), 2 / p);
        double x = cos * half * wide, y = sin * reach * (sin > 0 ? front : back);
        double neck = measures.neckMm() / (2 * Math.PI);
        x = x * (1 - below) + below * neck * Math.cos(angle);
        y = y * (1 - below) + below * (neck * Math.sin(angle) - 12);
        if (sin > 0) y += NOSE_MM * bump(t, -0.15, 0.075) * bump(x, 0, 9);
        x += Math.signum(cos) * EAR_MM * bump(t, -0.09, 0.075) * bump(y, -8, 15) * Math.min(1, Math.abs(cos) * 2);
        return new Vec3(x, y, t * measures.heightMm());
    }

    private static double bump(double v, double centre, double width) {
        double d = (v - centre) / width;
        return Math.exp(-d * d);
    }

    private Vec3[] vertexNormals() {
        var normal = new Vec3[mesh.vertexCount()];
        java.util.Arrays.fill(normal, Vec3.ZERO);
        for (int f = 0; f < mesh.triangleCount(); f++)
            for (int k = 0; k < 3; k++) normal[mesh.vertex(f, k)] = normal[mesh.vertex(f, k)].plus(mesh.areaVector(f));
        for (int v = 0; v < normal.length; v++) normal[v] = normal[v].norm() > 0 ? normal[v].unit() : Vec3.Z;
        return normal;
    }

    private List<Sample> sample() {
        var normal = vertexNormals();
        var out = new ArrayList<Sample>();
        for (int r = 0; r < ROWS; r++) {
            double t = level(r);
            rowStart[r] = -1;
            if (t < -0.75) continue; // below, the neck runs into the shoulders
            rowStart[r] = out.size();
            rowStep[r] = r >= ROWS - 6 ? 4 : 2;
            for (int s = 0; s < COLUMNS; s += rowStep[r]) {
                int v = 1 + r * COLUMNS + s;
                out.add(new Sample(mesh.point(v), normal[v], Zone.at(mesh.point(v), t)));
            }
        }
        out.add(new Sample(mesh.point(mesh.vertexCount() - 1), Vec3.Z, Zone.CROWN));
        return List.copyOf(out);
    }
}
