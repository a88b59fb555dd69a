package yellowbracket.size;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Wearer;

/**
 * A mask on a face: eyes behind its openings, moved back until it first touches, tilted so that its rim lies best. Read as depths along y
 * on a grid of {@link #CELL_MM}, so that open and faulty masks are
 * read too. {@code pose}: the head in the scaled mask's coordinates. {@code rimTouching}: share of the rim within {@link #TOUCH_MM} of the
 * skin; {@code rimGapMm}: the widest gap
 * along it, at {@code rimGapAt} (mask, real mm). {@code eyes} is missing where no pair of openings is found. {@code straps}: where the
 * strap pulls, left and right edge, real mm.
 */
public record MaskFit(Wearer wearer, double scale, Pose pose, double rimTouching, double rimGapMm, Vec3 rimGapAt, Optional<Eyes> eyes,
        Zone touchesAt, List<Vec3> straps, Speech speech, Optional<Glasses> glasses, List<Finding> findings) {
    /** How finely the rim is laid on the face, mm. */
    static final double CELL_MM = 1.5;
    /** Soft tape or foam strip along the rim takes this up, mm. */
    public static final double TOUCH_MM = 4;
    /** A pupil should lie at least this far within its opening, mm. */
    private static final double WITHIN_MM = 6;

    /**
     * Openings for the eyes: distance of their middles, mm as printed, the narrower one's width and height, and how far each pupil lies
     * beside the middle of its opening, outwards.
     */
    public record Eyes(double apartMm, double wideMm, double highMm, double offMm, double scaleThatFits) {
        /** How far within its opening a pupil lies, mm; below 0 beside it. */
        public double withinMm() {
            return wideMm / 2 - Math.abs(offMm);
        }

        public boolean wellPlaced() {
            return withinMm() >= WITHIN_MM;
        }
    }

    /** The mask alone, read once: depth of its inner side, openings, rim; model mm. */
    public static final class Read {
        private final double x0, z0;
        private final int columns, rows;
        /** Inner side, NaN where nothing is. */
        private final double[] inner;
        private final boolean[] rim;
        private final List<double[]> holes = new ArrayList<>();

        private Read(Bounds3 b, int columns, int rows) {
            x0 = b.min().x() - CELL_MM;
            z0 = b.min().z() - CELL_MM;
            this.columns = columns;
            this.rows = rows;
            inner = new double[columns * rows];
            rim = new boolean[inner.length];
        }

        public static Read of(Mesh m, Bvh index) {
            var b = m.bounds();
            double cells = (b.size().x() / CELL_MM + 4) * (b.size().z() / CELL_MM + 4);
            if (cells > 4e6) throw new IllegalArgumentException("a mask is not " + Math.round(b.size().x()) + " mm wide; check the unit");
            var r = new Read(b, (int) (b.size().x() / CELL_MM) + 4, (int) (b.size().z() / CELL_MM) + 4);
            for (int k = 0; k < r.inner.length; k++) {
                double t = index.firstDistance(r.x(k) + 1e-4, b.min().y() - 10, r.z(k) + 1e-4, 0, 1, 0, 0);
                r.inner[k] = Double.isFinite(t) ? b.min().y() - 10 + t : Double.NaN;
            }
            r.regions();
            return r;
        }

        private double x(int k) {
            return x0 + (k % columns) * CELL_MM;
        }

        private double z(int k) {
            return z0 + (k / columns) * CELL_MM;
        }

        /** The empty cells around the mask mark its rim; the empty cells within are openings: area, middle x and z, width, height. */
        private void regions() {
            var seen = new boolean[inner.length];
            for (int k = 0; k < inner.length; k++) {
                if (seen[k] || !Double.isNaN(inner[k])) continue;
                var cells = new ArrayList<Integer>();
                var queue = new ArrayDeque<Integer>(List.of(k));
                seen[k] = true;
                boolean outside = false;
                while (!queue.isEmpty()) {
                    int at = queue.poll();
                    cells.add(at);
                    int c = at % columns, r = at / columns;
                    outside |= c == 0 || r == 0 || c == columns - 1 || r == rows - 1;
                    for (int n : new int[] {c > 0 ? at - 1 : -1, c + 1 < columns ? at + 1 : -1, at - columns,
                            at + columns < inner.length ? at + columns : -1}) {
                        if (n < 0 || seen[n] || !Double.isNaN(inner[n])) continue;
                        seen[n] = true;
                        queue.add(n);
                    }
                }
                if (outside) markRim(cells);
                else if (cells.size() > 12) holes.add(hole(cells));
            }
            holes.sort((a, b) -> Double.compare(b[0], a[0]));
        }

        private void markRim(List<Integer> around) {
            for (int at : around) for (int n : new int[] {at - 1, at + 1, at - columns, at + columns})
                if (n >= 0 && n < inner.length && !Double.isNaN(inner[n])) rim[n] = true;
        }

        private double[] hole(List<Integer> cells) {
            double x = 0, z = 0, lx = 1e9, hx = -1e9, lz = 1e9, hz = -1e9;
            for (int k : cells) {
                x += x(k) / cells.size();
                z += z(k) / cells.size();
                lx = Math.min(lx, x(k));
                hx = Math.max(hx, x(k));
                lz = Math.min(lz, z(k));
                hz = Math.max(hz, z(k));
            }
            return new double[] {cells.size() * CELL_MM * CELL_MM, x, z, hx - lx + CELL_MM, hz - lz + CELL_MM};
        }

        /** The two openings for the eyes: the largest one on each side of the middle, much alike in height and size. */
        private Optional<double[][]> pair() {
            var left = holes.stream().filter(h -> h[1] < -8).findFirst();
            var right = holes.stream().filter(h -> h[1] > 8).findFirst();
            if (left.isEmpty() || right.isEmpty() || Math.abs(left.get()[2] - right.get()[2]) > 15 || left.get()[0] > 2.5 * right.get()[0]
                    || right.get()[0] > 2.5 * left.get()[0])
                return Optional.empty();
            return Optional.of(new double[][] {left.get(), right.get()});
        }

        /** The scale at which the pupils lie behind the middles of the openings, if there is a pair. */
        public Optional<Double> scaleFor(HeadForm form) {
            return pair().map(p -> form.measures().pupilsMm() / (p[1][1] - p[0][1]));
        }
    }

    public static MaskFit of(Wearer wearer, HeadForm form, Read mask, Bvh index, double scale) {
        var pair = mask.pair();
        double middle = (mask.z0 + 0.5 * mask.rows * CELL_MM) * scale;
        var heights = pair.map(p -> List.of((p[0][2] + p[1][2]) / 2 * scale))
                .orElseGet(() -> java.util.stream.IntStream.rangeClosed(-5, 5).mapToObj(i -> middle + 4.0 * i).toList());
        Placed best = null;
        double least = Double.POSITIVE_INFINITY;
        for (double pitch = -14; pitch <= 14; pitch += 2) {
            var turned = form.mesh().turned(yellowbracket.mesh.Turn.pitch(pitch));
            var face = Bvh.of(turned);
            for (double eyesZ : heights) {
                var placed = onFace(mask, face, scale, eyesZ, pitch);
                if (placed.isEmpty()) continue;
                double cost = placed.get().meanGap + 0.1 * Math.abs(pitch);
                if (cost >= least) continue;
                least = cost;
                best = placed.get();
            }
        }
        if (best == null) throw new IllegalStateException("the mask does not come to rest on the face: check which way is forward");
        return told(wearer, form, mask, index, scale, best, pair);
    }

    private record Placed(Pose pose, double meanGap, double touching, double widest, int widestAt, int touchAt) {}

    /** Gap of each cell to the face as far as it stands before it, moved back until the least is 0. */
    private static Optional<Placed> onFace(Read mask, Bvh face, double scale, double eyesZ, double pitch) {
        double least = Double.POSITIVE_INFINITY;
        int touch = -1;
        var gap = new double[mask.inner.length];
        for (int k = 0; k < gap.length; k++) {
            gap[k] = Double.NaN;
            if (Double.isNaN(mask.inner[k])) continue;
            double t = face.firstDistance(mask.x(k) * scale, 400, mask.z(k) * scale - eyesZ, 0, -1, 0, 0);
            if (!Double.isFinite(t) || 400 - t < -20) continue; // here: beside the face, or already on the back of the head
            gap[k] = mask.inner[k] * scale - (400 - t);
            if (gap[k] < least) {
                least = gap[k];
                touch = k;
            }
        }
        if (touch < 0) return Optional.empty();
        double sum = 0, widest = 0;
        int n = 0, near = 0, at = touch;
        var nearest = face.closestQuery();
        for (int k = 0; k < gap.length; k++) {
            if (!mask.rim[k]) continue;
            n++;
            // here: along the rim the skin may lie sideways
            double g = nearest.distance(mask.x(k) * scale, mask.inner[k] * scale - least, mask.z(k) * scale - eyesZ);
            sum += Math.min(g, 25);
            if (g <= TOUCH_MM) near++;
            if (g > widest) {
                widest = g;
                at = k;
            }
        }
        return n == 0 ? Optional.empty()
                : Optional.of(new Placed(new Pose(least, eyesZ, pitch), sum / n, (double) near / n, widest, at, touch));
    }

    private static MaskFit told(Wearer w, HeadForm form, Read mask, Bvh index, double scale, Placed p, Optional<double[][]> pair) {
        var eyes = pair.map(h -> {
            double apart = (h[1][1] - h[0][1]) * scale, pupils = form.measures().pupilsMm();
            return new Eyes(apart, Math.min(h[0][3], h[1][3]) * scale, Math.min(h[0][4], h[1][4]) * scale, (pupils - apart) / 2,
                    pupils / (h[1][1] - h[0][1]));
        });
        var gapAt = new Vec3(mask.x(p.widestAt), mask.inner[p.widestAt], mask.z(p.widestAt)).times(scale);
        var touch = new Vec3(mask.x(p.touchAt), mask.inner[p.touchAt], mask.z(p.touchAt)).times(scale);
        var zone = form.zoneNear(p.pose.inHead(touch));
        var speech = Speech.of(form, index, scale, p.pose);
        var glasses = w.glasses() ? Optional.of(Glasses.of(form, index, scale, p.pose)) : Optional.<Glasses>empty();
        var findings = findings(form, scale, p, eyes, zone);
        findings.addAll(speech.findings());
        glasses.flatMap(Glasses::finding).ifPresent(findings::add);
        findings.sort(Finding.GRAVEST_FIRST);
        return new MaskFit(w, scale, p.pose, p.touching, p.widest, gapAt, eyes, zone, straps(mask, scale, p.pose), speech, glasses,
                List.copyOf(findings));
    }

    /** The outermost rim points within 15 mm of 10 mm above the eyes, where a strap over the ears pulls straight back. */
    private static List<Vec3> straps(Read mask, double scale, Pose pose) {
        Vec3 left = null, right = null;
        for (int k = 0; k < mask.rim.length; k++) {
            if (!mask.rim[k] || Math.abs(mask.z(k) * scale - pose.upMm() - 10) > 15) continue;
            var p = new Vec3(mask.x(k), mask.inner[k], mask.z(k)).times(scale);
            if (left == null || p.x() < left.x()) left = p;
            if (right == null || p.x() > right.x()) right = p;
        }
        return left == null ? List.of() : List.of(left, right);
    }

    private static List<Finding> findings(HeadForm form, double scale, Placed p, Optional<Eyes> eyes, Zone touch) {
        var out = new ArrayList<Finding>();
        if (eyes.isEmpty()) out.add(Finding.of(Weight.NOTE, Subject.WHOLE,
                "no pair of eye openings found: the mask is held with its middle in front of the face"));
        eyes.ifPresent(e -> {
            if (!e.wellPlaced()) out.add(Finding
                    .of(e.withinMm() < 0 ? Weight.STOP : Weight.CARE, Subject.WHOLE,
                            text("the openings are %.0f mm apart, the pupils %.0f: each eye looks %.0f mm off the middle of its opening",
                                    e.apartMm, form.measures().pupilsMm(), Math.abs(e.offMm)))
                    .fixedBy(SizeWish.scaleTo(e.scaleThatFits)));
        });
        if (p.touching < 0.35) out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                text("only %.0f %% of the rim lies on the face: foam of up to %.0f mm along it, or it rocks", 100 * p.touching,
                        Math.min(p.widest, 25))));
        if (touch == Zone.NOSE)
            out.add(Finding.of(Weight.CARE, Subject.WHOLE, "it rests on the nose first: pad brow and cheeks until the nose is free"));
        if (!form.measures().assumed().isEmpty())
            out.add(Finding.of(Weight.NOTE, Subject.WHOLE, "assumed, not measured: " + String.join(", ", form.measures().assumed())));
        return out;
    }

    private static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
