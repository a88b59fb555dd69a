package yellowbracket.wear.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.GeometryTransformer;
import org.locationtech.jts.geom.CoordinateSequence;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.Sheeting;

/**
 * What closes one opening, laid flat: the outline to cut, how it is bent, what holds it.
 *
 * @param covered the opening with the margin, on the wall
 * @param pattern u and v of the flat sheet, mm, as seen from inside; its glue margin included
 * @param window the opening on it, for the mask and the protective film
 * @param gluedMm2 of the margin that comes to lie on the wall, and {@code shareGlued} of all of it
 */
public record Panel(Opening opening, Opening covered, PanelWish wish, Sheeting sheet, Polygon pattern, Polygon window, Bend bend,
        double gluedMm2, double shareGlued, List<Finding> findings) {
    /** Lengths along a bend are those of its neutral fibre, this share of the thickness from the inner face: rolled, and bent tightly. */
    static final double ROLLED = 0.5, TIGHT = 0.38;
    /** A sheet bent warm springs back by about so much, degrees; a starting value, 2 to 5. */
    static final double SPRING_DEG = 3.5, SPRING_LEAST_DEG = 2, SPRING_MOST_DEG = 5;
    /** Warm, it takes a radius of so many thicknesses. */
    private static final double WARM_TIMES = 3, FOLD_TIMES = 2;
    /** Glue that stays soft fills so much. */
    private static final double GLUE_GAP_MM = 1;
    private static final double RING_MM = 2.5, LITTLE_GLUE = 0.6;
    private static final int QUADRANT = 16;

    /** How the sheet takes its shape. */
    public enum How {
        FLAT("flat"), COLD("rolled cold; it wants to spring flat: clamp it till the glue holds"), WARM("bent warm"),
        NOT("cannot be bent so");

        private final String words;

        How(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param radiusMm inside, infinite for flat @param degrees bent in all @param overDeg to which it is bent warm, so that it comes back
     * to
     * it @param line where it is folded, u of the pattern; empty when it is rolled or flat
     */
    public record Bend(How how, double radiusMm, double degrees, double overDeg, Optional<Double> line) {
        public String words() {
            return switch (how) {
                case FLAT -> how.words;
                case COLD -> String.format(Locale.ROOT, "radius %.0f mm over %.0f\u00b0, %s", radiusMm, degrees, how.words);
                case WARM -> String.format(Locale.ROOT, "%.0f\u00b0 %s, to %.0f\u00b0: it springs back %.0f to %.0f\u00b0", degrees,
                        line.isPresent() ? "along one line, warm" : "rolled warm", overDeg, SPRING_LEAST_DEG, SPRING_MOST_DEG);
                case NOT -> String.format(Locale.ROOT, "radius %.0f mm is too tight for %s", radiusMm, "this sheet");
            };
        }
    }

    public Panel {
        findings = List.copyOf(findings);
    }

    /** Whether it is cut flat and laid in; else it is printed or formed to its shape. */
    public boolean laid() {
        return wish.kind() == PanelWish.Kind.SHEET || wish.kind() == PanelWish.Kind.MESH;
    }

    /** Of the flat pattern. */
    public double wideMm() {
        return pattern.getEnvelopeInternal().getWidth();
    }

    public double highMm() {
        return pattern.getEnvelopeInternal().getHeight();
    }

    public static Panel of(Opening o, PanelWish wish, Sheeting sheet, ScaledShell shell) {
        var found = new ArrayList<Finding>();
        double t = wish.thickMm();
        var bend = sheet.plastic() ? bend(o, t, sheet) : new Bend(How.FLAT, Double.POSITIVE_INFINITY, 0, 0, Optional.empty());
        var whole = grown(o.outline(), wish.marginMm());
        var flat = unbent(o.surface(), t, sheet.plastic());
        var pattern = (Polygon) flat.transform(whole);
        var window = (Polygon) flat.transform(o.outline());
        var covered = new Opening(o.name(), o.surface(), whole, o.standsOffMm());
        double[] glued = glued(o, covered, shell);
        double share = glued[1] > 0 ? glued[0] / glued[1] : 0;
        String where = "the " + o.name() + " opening";
        boolean laid = wish.kind() == PanelWish.Kind.SHEET;
        if (wish.kind() == PanelWish.Kind.PRESSED)
            found.add(Finding.note(where + ": what a printed lens lets through is not known, that of " + sheet.name()
                    + " is taken; hold a sample against the light"));
        if (laid && bend.how == How.NOT) found.add(Finding.of(Weight.STOP, Subject.WHOLE, String.format(Locale.ROOT,
                "%s: %s of %.1f mm does not bend to a radius of %.0f mm, warm it takes %.0f: a thinner sheet, or form it over a buck",
                where, sheet.name(), t, bend.radiusMm, WARM_TIMES * t)));
        if (laid && o.standsOffMm() > 2 * GLUE_GAP_MM) found.add(Finding.of(Weight.CARE, Subject.WHOLE,
                String.format(Locale.ROOT,
                        "%s: the wall round it is bent both ways, a sheet stands off by up to %.1f mm: fill behind it, or form a lens",
                        where, o.standsOffMm())));
        if (wish.kind() != PanelWish.Kind.PRESSED && share < LITTLE_GLUE) found.add(Finding.of(Weight.CARE, Subject.WHOLE, String
                .format(Locale.ROOT, "%s: only %.0f %% of the margin comes to lie on the wall: tabs, or screws", where, 100 * share)));
        return new Panel(o, covered, wish, sheet, pattern, window, bend, glued[0], share, found);
    }

    /** Round corners, as a sheet that shall not crack has them. */
    static Polygon grown(Polygon p, double mm) {
        var how = new BufferParameters(QUADRANT, BufferParameters.CAP_ROUND, BufferParameters.JOIN_ROUND, 5);
        return largest(BufferOp.bufferOp(p, mm, how));
    }

    static Polygon largest(Geometry g) {
        Polygon best = g.getFactory().createPolygon();
        for (int i = 0; i < g.getNumGeometries(); i++) if (g.getGeometryN(i) instanceof Polygon p && p.getArea() > best.getArea()) best = p;
        return best.getFactory().createPolygon(best.getExteriorRing().getCoordinates());
    }

    private static Bend bend(Opening o, double t, Sheeting sheet) {
        var box = o.outline().getEnvelopeInternal();
        if (o.surface() instanceof Developable.Fold f) {
            double deg = f.bendDeg();
            if (deg < 2) return new Bend(How.FLAT, Double.POSITIVE_INFINITY, 0, 0, Optional.empty());
            return new Bend(sheet.formsC() > 0 ? How.WARM : How.NOT, FOLD_TIMES * t, deg, deg + SPRING_DEG, Optional.of(0.0));
        }
        double r = Math.min(o.surface().radiusMm(box.getMinY()), o.surface().radiusMm(box.getMaxY())) - t;
        if (!Double.isFinite(r)) return new Bend(How.FLAT, r, 0, 0, Optional.empty());
        double amid = o.surface().radiusMm((box.getMinY() + box.getMaxY()) / 2), deg = Math.toDegrees(box.getWidth() / amid);
        if (deg < 1) return new Bend(How.FLAT, r, 0, 0, Optional.empty());
        var how = r >= sheet.coldTimes() * t ? How.COLD : r >= WARM_TIMES * t && sheet.formsC() > 0 ? How.WARM : How.NOT;
        return new Bend(how, r, deg, deg + SPRING_DEG, Optional.empty());
    }

    /** The sheet lies with its outer face on the wall: what is cut is as long as its neutral fibre. */
    private static GeometryTransformer unbent(Developable s, double t, boolean plastic) {
        return new GeometryTransformer() {
            @Override
            protected CoordinateSequence transformCoordinates(CoordinateSequence in, Geometry parent) {
                var out = new Coordinate[in.size()];
                for (int i = 0; i < out.length; i++) {
                    double u = in.getX(i), v = in.getY(i);
                    out[i] = new Coordinate(plastic ? flatU(s, u, v, t) : u, v);
                }
                return createCoordinateSequence(out);
            }
        };
    }

    static double flatU(Developable s, double u, double v, double t) {
        if (s instanceof Developable.Fold f) return u - Math.signum(u) * Math.min(Math.abs(u), spared(Math.toRadians(f.bendDeg()), t) / 2);
        double r = s.radiusMm(v);
        boolean hollow = !(s instanceof Developable.Cylinder c) || c.hollow();
        return Double.isFinite(r) && r > t ? u * (r + (hollow ? -1 : 1) * t * (1 - ROLLED)) / r : u;
    }

    /** What a fold spares over two flats measured to the sharp outer corner: 2 tan(a/2) (r + t) - a (r + K t). */
    static double spared(double rad, double t) {
        double r = FOLD_TIMES * t;
        return 2 * Math.tan(rad / 2) * (r + t) - rad * (r + TIGHT * t);
    }

    /** Area of the margin that lies on wall, and of all of it. */
    private static double[] glued(Opening o, Opening grown, ScaledShell shell) {
        var box = grown.outline().getEnvelopeInternal();
        double on = 0, all = 0;
        for (double v = box.getMinY(); v <= box.getMaxY(); v += RING_MM) for (double u = box.getMinX(); u <= box.getMaxX(); u += RING_MM) {
            if (!grown.holds(u, v) || o.holds(u, v)) continue;
            all += RING_MM * RING_MM;
            var n = o.surface().normal(u, v);
            double behind = o.standsOffMm() + 2;
            double wall = shell.firstMm(o.surface().at(u, v).minus(n.times(behind)), n) - behind;
            if (Math.abs(wall) <= GLUE_GAP_MM) on += RING_MM * RING_MM;
        }
        return new double[] {on, all};
    }

    /** Draft of a buck, its shelf, and how far a formed lens stands out amid. */
    private static final double DRAFT_DEG = 4, SHELF_MM = 15, BULGE_MM = 6;

    /** To form it over. @throws IllegalStateException in words, when there is none */
    public Lens.Buck buck() {
        return Lens.buck(opening, wish.marginMm(), BULGE_MM, wish.thickMm(), DRAFT_DEG, SHELF_MM);
    }
}
