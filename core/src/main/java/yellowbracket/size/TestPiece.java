package yellowbracket.size;

import java.util.Locale;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * The least print that proves the fit: not a slice of the model but the inner wall itself, read along rays and given a wall of {@link
 * #WALL_MM}, so that it is closed whatever the shell is like,
 * bridged over its openings, and free of brims and crests. In real mm, standing on the plate. {@code atZMm}: height of its middle over the
 * prop's rim.
 */
public record TestPiece(Kind kind, Mesh mesh, double atZMm, Zone proves) {
    /** Stiff enough to feel, mm. */
    public static final double WALL_MM = 2.4;
    /** Height of a test ring, mm. */
    private static final double HIGH_MM = 10;
    /** Corners around a ring. */
    private static final int AROUND = 120;
    /** Half of the largest ring, mm. */
    private static final double REACH_MM = 220;

    /** What is proved. */
    public enum Kind {
        RING("ring at the tightest zone"), NECK("neck ring"), PROFILE("brow-to-chin profile");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** @throws IllegalStateException when the hollow has too little wall there to read */
    public static TestPiece of(Kind kind, Fit fit, Donning donning, Cavity cavity) {
        double s = fit.scale();
        var form = fit.clearance().form();
        return switch (kind) {
            case RING -> {
                var tight = fit.clearance()
                        .zones()
                        .stream()
                        .filter(z -> z.zone() != Zone.NECK && z.zone() != Zone.CROWN)
                        .min(java.util.Comparator.comparingDouble(z -> z.minMm() - fit.room().leastMm(z.zone())))
                        .orElseThrow(() -> new IllegalStateException("no wall is near the head: there is nothing to prove"));
                yield ring(kind, cavity, s, fit.pose().place(tight.tightest()).z(), tight.zone());
            }
            case NECK -> {
                // here: where nothing on the way is tighter than when worn, the rim itself is what the head has to pass
                double rim = cavity.rimZ() * s + HIGH_MM / 2;
                yield donning.tightestWhenWorn() ? ring(kind, cavity, s, rim, Zone.NECK)
                        : ring(kind, cavity, s, Math.max(donning.tightest().place().z(), rim), donning.tightest().zone());
            }
            case PROFILE -> profile(cavity, s, fit.pose(), form);
        };
    }

    private static TestPiece ring(Kind kind, Cavity cavity, double s, double z, Zone proves) {
        int rows = 5;
        var radius = new double[rows][AROUND];
        for (int r = 0; r < rows; r++) {
            for (int a = 0; a < AROUND; a++) {
                double angle = 2 * Math.PI * a / AROUND, t = cavity.index()
                        .firstDistance(0.05, cavity.middleY(), (z - HIGH_MM / 2 + HIGH_MM * r / (rows - 1)) / s, Math.cos(angle),
                                Math.sin(angle), 0, 0)
                        * s;
                radius[r][a] = t <= REACH_MM ? t : Double.NaN;
            }
        }
        bridge(radius, true);
        var b = new MeshBuilder(2 * rows * AROUND, 4 * rows * AROUND);
        for (int r = 0; r < rows; r++) for (int a = 0; a < AROUND; a++) for (int side = 0; side < 2; side++) {
            double angle = 2 * Math.PI * a / AROUND, q = radius[r][a] + side * WALL_MM;
            b.addVertex(q * Math.cos(angle), q * Math.sin(angle), HIGH_MM * r / (rows - 1));
        }
        for (int a = 0; a < AROUND; a++) {
            int n = (a + 1) % AROUND;
            for (int r = 0; r + 1 < rows; r++) {
                b.addQuad(at(r, a, 1), at(r, n, 1), at(r + 1, n, 1), at(r + 1, a, 1));
                b.addQuad(at(r, n, 0), at(r, a, 0), at(r + 1, a, 0), at(r + 1, n, 0));
            }
            b.addQuad(at(0, n, 1), at(0, a, 1), at(0, a, 0), at(0, n, 0));
            b.addQuad(at(rows - 1, a, 1), at(rows - 1, n, 1), at(rows - 1, n, 0), at(rows - 1, a, 0));
        }
        return new TestPiece(kind, b.build(), z - cavity.rimZ() * s, proves);
    }

    private static int at(int row, int around, int side) {
        return 2 * (row * AROUND + around) + side;
    }

    /** A strip over the middle of the face, from above the brow to below the chin; printed lying on its side. */
    private static TestPiece profile(Cavity cavity, double s, Pose pose, HeadForm form) {
        double top = pose.place(new Vec3(0, 0, 0.22 * form.measures().heightMm())).z(),
                low = Math.max(pose.place(new Vec3(0, 0, form.chinZ() - 4)).z(), cavity.rimZ() * s);
        if (top - low < 40) throw new IllegalStateException("the prop does not reach from the brow to the chin");
        int rows = (int) Math.ceil((top - low) / 3) + 1;
        double y0 = cavity.middleY();
        var depth = new double[1][rows];
        for (int r = 0; r < rows; r++) {
            double t = cavity.index().firstDistance(0.4, y0, (low + (top - low) * r / (rows - 1)) / s, 0, 1, 0, 0) * s;
            depth[0][r] = t <= REACH_MM ? t : Double.NaN;
        }
        bridge(depth, false);
        var b = new MeshBuilder(4 * rows, 8 * rows);
        for (int r = 0; r < rows; r++) // z of the piece is x of the prop: it lies on its side
            for (double[] c : new double[][] {{0, 0}, {WALL_MM, 0}, {WALL_MM, HIGH_MM}, {0, HIGH_MM}})
                b.addVertex((top - low) * r / (rows - 1), depth[0][r] + c[0], c[1]);
        for (int r = 0; r + 1 < rows; r++)
            for (int k = 0; k < 4; k++) b.addQuad(4 * r + k, 4 * r + (k + 1) % 4, 4 * r + 4 + (k + 1) % 4, 4 * r + 4 + k);
        b.addQuad(3, 2, 1, 0);
        int end = 4 * (rows - 1);
        b.addQuad(end, end + 1, end + 2, end + 3);
        return new TestPiece(Kind.PROFILE, b.build(), (top + low) / 2 - cavity.rimZ() * s, Zone.NOSE);
    }

    /** Fills NaN from the readings on both sides, straight between them. */
    private static void bridge(double[][] rows, boolean round) {
        for (var row : rows) {
            int n = row.length, known = 0;
            for (double v : row) if (!Double.isNaN(v)) known++;
            if (known < n / 3) throw new IllegalStateException(
                    String.format(Locale.ROOT, "only %d of %d readings meet a wall there: the shell is too open", known, n));
            var filled = row.clone();
            for (int i = 0; i < n; i++) {
                if (!Double.isNaN(row[i])) continue;
                int a = i, b = i;
                while (round ? Double.isNaN(row[Math.floorMod(a, n)]) : a >= 0 && Double.isNaN(row[a])) a--;
                while (round ? Double.isNaN(row[b % n]) : b < n && Double.isNaN(row[b])) b++;
                double va = round || a >= 0 ? row[Math.floorMod(a, n)] : row[b], vb = round || b < n ? row[b % n] : va;
                filled[i] = va + (vb - va) * (i - a) / (b - a);
            }
            System.arraycopy(filled, 0, row, 0, n);
        }
    }

    /** For a file: as in {@code ring-at-103.5-percent}. */
    public String fileName(double scale) {
        return kind.name().toLowerCase(Locale.ROOT) + String.format(Locale.ROOT, "-at-%.1f-percent", 100 * scale);
    }
}
