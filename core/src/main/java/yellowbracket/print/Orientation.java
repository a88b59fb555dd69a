package yellowbracket.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.algorithm.MinimumDiameter;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.Resting;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;

/**
 * One way up for a section and what it means. {@code supportMm3}: space below overhangs down to what lies under them; {@code contactMm2}
 * where support touches, {@code showContactMm2} the part on the show side; {@code cusp}: depth of the valleys between layer lines over the
 * show side, as a share of the layer height, at the 50th and 95th percentile; {@code size} on the bed; {@code footMm2}: what of the
 * section itself lies on the bed; {@code tipDeg}: how far it may lean, support and all, before it tips over.
 */
public record Orientation(String label, Turn turn, double supportMm3, double contactMm2, double showContactMm2, double cusp50,
        double cusp95, Vec3 size, double footMm2, double tipDeg) {
    /** Cells across a section while ways are compared, and for the one taken. */
    private static final int COARSE = 84;
    /** Cells across for the way up that is taken. */
    static final int FINE = 240;
    /** Nearer to upright than this is upright. */
    private static final double UPRIGHT = Math.cos(Math.toRadians(3));
    /** Directions nearer than this to one tried already are not tried. */
    private static final double APART = Math.cos(Math.toRadians(8));

    /** As it is worn, on each side, on edges and corners of its box, and on every face it comes to rest on; best first for this profile. */
    public static List<Orientation> choices(Mesh section, SurfaceSamples samples, Profile profile) {
        return choices(section, samples, profile.supportAngleDeg());
    }

    /** @param supportAngleDeg faces that lean more from upright are held */
    public static List<Orientation> choices(Mesh section, SurfaceSamples samples, double supportAngleDeg) {
        var measure = new Measure(section, samples, supportAngleDeg, COARSE);
        return measure.ups().parallelStream().map(measure::of).sorted(Comparator.comparingDouble(Orientation::cost)).toList();
    }

    /** One more way up, such as the only one in which a section stands on its bed, or one turned by hand. */
    public static Orientation of(Mesh section, SurfaceSamples samples, Profile profile, Turn turn) {
        return of(section, samples, profile.supportAngleDeg(), turn);
    }

    public static Orientation of(Mesh section, SurfaceSamples samples, double supportAngleDeg, Turn turn) {
        return new Measure(section, samples, supportAngleDeg, FINE).of(turn);
    }

    /** The best choice that fits the printer, or the best of all when none does. */
    public static Orientation pick(List<Orientation> choices, double scale, Printer printer) {
        return choices.stream().filter(o -> o.fits(scale, printer)).findFirst().orElse(choices.getFirst());
    }

    /** As it is, or turned about the upright by a quarter. */
    public boolean fits(double scale, Printer p) {
        return straight(scale, p) || quarter().straight(scale, p);
    }

    private boolean straight(double scale, Printer p) {
        return scale * size.x() <= p.usableX() && scale * size.y() <= p.usableY() && scale * size.z() <= p.usableZ();
    }

    /** So that it lies within the bed, if it can. */
    public Orientation laid(double scale, Printer p) {
        return !straight(scale, p) && quarter().straight(scale, p) ? quarter() : this;
    }

    /** Turned about the upright by a quarter. */
    public Orientation quarter() {
        return new Orientation(label, turn.then(Turn.quarter(2)).tidy(), supportMm3, contactMm2, showContactMm2, cusp50, cusp95,
                new Vec3(size.y(), size.x(), size.z()), footMm2, tipDeg);
    }

    /** The same in an enlarged section. */
    public Orientation scaled(double k) {
        return new Orientation(label, turn, supportMm3 * k * k * k, contactMm2 * k * k, showContactMm2 * k * k, cusp50, cusp95,
                size.times(k), footMm2 * k * k, tipDeg);
    }

    /** Without what holds it up. */
    Orientation unsupported() {
        return new Orientation(label, turn, 0, 0, 0, cusp50, cusp95, size, footMm2, tipDeg);
    }

    public Orientation named(String other) {
        return new Orientation(other, turn, supportMm3, contactMm2, showContactMm2, cusp50, cusp95, size, footMm2, tipDeg);
    }

    double cost() {
        return WayCost.USUAL.of(this);
    }

    /** Height over the square root of what stands on the bed: the more, the easier it is knocked off. */
    public double lever() {
        return size.z() / Math.sqrt(Math.max(1, footMm2));
    }

    /** Whether nothing here is worse than there, and something better: less support seen, finer lines, less support, lower. */
    private boolean beats(Orientation o) {
        double[] mine = aims(), theirs = o.aims();
        boolean better = false;
        for (int i = 0; i < mine.length; i++) {
            if (mine[i] > theirs[i]) return false;
            better |= mine[i] < theirs[i];
        }
        return better;
    }

    private double[] aims() {
        return new double[] {showContactMm2, cusp95 + 0.5 * cusp50, supportMm3, size.z(), -tipDeg};
    }

    /** What speaks for a way up. */
    public enum Aim {
        BALANCE("best balance"), CLEAN("least support seen"), FINE("finest lines"), QUICK("least support"), LOW("lowest");

        private final String words;

        Aim(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** The less the better. */
        double of(Orientation o) {
            return switch (this) {
                case BALANCE -> o.cost();
                case CLEAN -> o.showContactMm2 + 1e-3 * o.cost();
                case FINE -> o.cusp95 + 0.5 * o.cusp50 + 1e-3 * o.cost();
                case QUICK -> o.supportMm3 + 1e-3 * o.cost();
                case LOW -> o.size.z() + 1e-3 * o.cost();
            };
        }

        /** The best for it among those that fit the printer. */
        public Orientation best(List<Orientation> all, double scale, Printer printer) {
            return all.stream().filter(o -> o.fits(scale, printer)).min(Comparator.comparingDouble(this::of)).orElse(all.getFirst());
        }
    }

    /**
     * The ways up none of the others beats, each with what it is best at, at most {@code most}: those best at something first, then by
     * their sum.
     */
    public static Map<Orientation, List<Aim>> pareto(List<Orientation> all, double scale, Printer printer, int most) {
        var fit = all.stream().filter(o -> o.fits(scale, printer)).toList();
        var from = fit.isEmpty() ? all : fit;
        var out = new LinkedHashMap<Orientation, List<Aim>>();
        for (var aim : Aim.values())
            out.computeIfAbsent(from.stream().min(Comparator.comparingDouble(aim::of)).orElseThrow(), o -> new ArrayList<>()).add(aim);
        from.stream()
                .filter(o -> from.stream().noneMatch(q -> q.beats(o)))
                .sorted(Comparator.comparingDouble(Orientation::cost))
                .forEach(o -> {
                    if (out.size() < most) out.computeIfAbsent(o, x -> new ArrayList<>());
                });
        return out;
    }

    /** Measures ways up of one section. Single use, but for several turns, from several threads. */
    private static final class Measure {
        private final Mesh section;
        private final SurfaceSamples samples;
        private final boolean[] seen;
        private final double supportAngleDeg;
        private final int cells;
        private final Vec3 centre;

        Measure(Mesh section, SurfaceSamples samples, double supportAngleDeg, int cells) {
            this.section = section;
            this.samples = samples;
            this.supportAngleDeg = supportAngleDeg;
            this.cells = cells;
            seen = samples.seenByFacet(section);
            centre = section.centreOfMass();
        }

        List<Turn> ups() {
            var ups = new ArrayList<Vec3>();
            for (var t : Turn.quarterTurns()) if (!ups.contains(t.row2())) ups.add(t.row2());
            var outermost = Resting.outermost(section);
            for (var d : Resting.downs(outermost, centre)) add(ups, d.times(-1));
            for (int x = -1; x <= 1; x++) for (int y = -1; y <= 1; y++)
                for (int z = -1; z <= 1; z++) if (Math.abs(x) + Math.abs(y) + Math.abs(z) > 1) add(ups, new Vec3(x, y, z).unit());
            return ups.stream().map(up -> turn(up, outermost)).toList();
        }

        private static void add(List<Vec3> ups, Vec3 up) {
            if (ups.stream().noneMatch(o -> o.dot(up) > APART)) ups.add(up);
        }

        /** Quarter turns stay what they are; others are turned about the upright until the box around the shadow is smallest. */
        private Turn turn(Vec3 up, List<Vec3> outermost) {
            if (up.equals(Vec3.Z)) return Turn.NONE;
            var quarter = Turn.quarterTurns().stream().filter(t -> t.row2().dot(up) > 1 - 1e-12).findFirst();
            if (quarter.isPresent()) return quarter.get();
            var lift = Turn.lift(up);
            var corners = outermost.stream().map(lift::apply).map(p -> new Coordinate(p.x(), p.y())).toArray(Coordinate[]::new);
            var box = new MinimumDiameter(new GeometryFactory().createMultiPointFromCoords(corners)).getDiameter();
            if (box.getNumPoints() < 2) return lift;
            var d = box.getCoordinates();
            double a = Math.atan2(d[1].y - d[0].y, d[1].x - d[0].x), c = Math.cos(a), s = Math.sin(a);
            return lift.then(new Turn(new Vec3(c, s, 0), new Vec3(-s, c, 0), Vec3.Z));
        }

        Orientation of(Turn turn) {
            var xyz = Turned.points(section, turn);
            var size = new Vec3(extent(xyz, 0), extent(xyz, 1), extent(xyz, 2));
            var columns = Columns.of(section, seen, turn, Math.max(0.05, Math.sqrt(size.x() * size.y()) / cells));
            var need = columns.need(supportAngleDeg, turn.apply(centre));
            var shares = samples.samples()
                    .stream()
                    .filter(SurfaceSamples.Sample::seen)
                    .mapToDouble(s -> Cusp.share(Math.abs(turn.row2().dot(s.normal()))))
                    .sorted()
                    .toArray();
            double p50 = shares.length == 0 ? Cusp.BEAD : shares[shares.length / 2],
                    p95 = shares.length == 0 ? Cusp.BEAD : shares[(int) (0.95 * (shares.length - 1))];
            return new Orientation(label(turn), turn, need.volumeMm3(), need.contactMm2(), need.seenMm2(), p50, p95, size,
                    need.ownFootMm2(), need.tipDeg());
        }

        private static double extent(double[] xyz, int axis) {
            return Turned.extreme(xyz, axis, 1) - Turned.extreme(xyz, axis, -1);
        }
    }

    /** Which side of the model comes up; between two sides both are named, the nearer first; "tilted" where it is nearly one side. */
    public static String label(Turn t) {
        if (t.equals(Turn.NONE)) return "as worn";
        var up = t.row2();
        var sides = new ArrayList<Vec3>(List.of(new Vec3(up.x(), 0, 0), new Vec3(0, up.y(), 0), new Vec3(0, 0, up.z())));
        sides.removeIf(s -> s.norm() < 0.34);
        sides.sort(Comparator.comparingDouble(s -> -s.norm()));
        return String.join("-", sides.stream().map(s -> side(s.unit())).toList()) + " up"
                + (sides.size() == 1 && Math.abs(up.dot(sides.getFirst().unit())) < UPRIGHT ? ", tilted" : "");
    }

    private static String side(Vec3 d) {
        if (d.x() > 0.9) return "right";
        if (d.x() < -0.9) return "left";
        if (d.y() > 0.9) return "front";
        if (d.y() < -0.9) return "rear";
        return d.z() > 0.9 ? "top" : "bottom";
    }
}
