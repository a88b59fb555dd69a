package yellowbracket.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import yellowbracket.mesh.Bvh;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.SurfaceSamples;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;

/**
 * One way up for a section and what it means. {@code supportMm3}: space below overhangs down to what lies under them; {@code contactMm2} where support
 * touches, {@code showContactMm2} the part on the show side; {@code steepness}: |n . up| over the show side at the 50th and 95th percentile,
 * which times the layer height gives the cusp; {@code size} on the bed.
 */
public record Orientation(String label, Turn turn, double supportMm3, double contactMm2, double showContactMm2, double steepness50, double steepness95, Vec3 size) {

    /** Every quarter turn, best first for this profile; independent of the printer. Costs one ray per overhanging sample and turn. */
    public static List<Orientation> choices(Mesh section, Bvh own, SurfaceSamples samples, Profile profile) {
        var out = new ArrayList<Orientation>();
        for (var turn : Turn.quarterTurns()) out.add(measure(section, own, samples, profile, turn));
        out.sort(Comparator.comparingDouble(Orientation::cost));
        return List.copyOf(out);
    }

    /** One more way up, such as the only one in which a section stands on its bed. */
    public static Orientation of(Mesh section, Bvh own, SurfaceSamples samples, Profile profile, Turn turn) {
        return measure(section, own, samples, profile, turn);
    }

    /** The best choice that fits the printer, or the best of all when none does. */
    public static Orientation pick(List<Orientation> choices, double scale, Printer printer) {
        return choices.stream().filter(o -> o.fits(scale, printer)).findFirst().orElse(choices.getFirst());
    }

    public boolean fits(double scale, Printer p) {
        return scale * size.x() <= p.usableX() && scale * size.y() <= p.usableY() && scale * size.z() <= p.usableZ();
    }

    /** The same in an enlarged section. */
    public Orientation scaled(double k) {
        return new Orientation(label, turn, supportMm3 * k * k * k, contactMm2 * k * k, showContactMm2 * k * k, steepness50, steepness95, size.times(k));
    }

    /** Hours in a common currency: printing support, removing it, hiding its scars and the steps it leaves, height for the layer changes. */
    private double cost() {
        double printing = supportMm3 * 0.15 / 9000, removing = contactMm2 / 12000, scars = showContactMm2 / 3000;
        return printing + removing + scars + 2.5 * steepness95 + 1.2 * steepness50 + size.z() / 150;
    }

    private static Orientation measure(Mesh section, Bvh own, SurfaceSamples samples, Profile profile, Turn turn) {
        double lo = Double.POSITIVE_INFINITY;
        double[] min = {1e300, 1e300, 1e300}, max = {-1e300, -1e300, -1e300};
        for (int v = 0; v < section.vertexCount(); v++) {
            var p = turn.apply(section.point(v));
            for (int a = 0; a < 3; a++) {
                min[a] = Math.min(min[a], p.get(a));
                max[a] = Math.max(max[a], p.get(a));
            }
        }
        lo = min[2];
        var down = turn.inverse().apply(Vec3.Z.times(-1));
        double limit = Math.sin(Math.toRadians(profile.supportAngleDeg())), space = 0, contact = 0, show = 0;
        var steps = new double[samples.samples().size()];
        int n = 0;
        for (var s : samples.samples()) {
            double up = -s.normal().dot(down);
            if (s.seen()) steps[n++] = Math.abs(up) > 0.9994 ? 0.14 : Math.abs(up);
            if (up >= -limit) continue;
            double height = turn.row2().dot(s.point()) - lo;
            if (height < 0.6) continue; // lies on the bed
            double drop = Math.min(height, own.firstDistance(s.point().x(), s.point().y(), s.point().z(), down.x(), down.y(), down.z(), 0.4));
            double flat = samples.areaEachMm2() * -up;
            space += flat * drop;
            contact += flat;
            if (s.seen()) show += flat;
        }
        Arrays.sort(steps, 0, n);
        double p50 = n == 0 ? 0.14 : steps[n / 2], p95 = n == 0 ? 0.14 : steps[(int) (0.95 * (n - 1))];
        return new Orientation(label(turn), turn, space, contact, show, p50, p95, new Vec3(max[0] - min[0], max[1] - min[1], max[2] - min[2]));
    }

    /** Which side of the model comes up, and how it faces. */
    private static String label(Turn t) {
        if (t.equals(Turn.NONE)) return "as worn";
        if (Turn.quarterTurns().stream().noneMatch(t::equals)) return "turned to fit the bed";
        return side(t.row2()) + " up, " + side(t.row1()) + " to the back";
    }

    private static String side(Vec3 d) {
        if (d.x() > 0.9) return "right";
        if (d.x() < -0.9) return "left";
        if (d.y() > 0.9) return "front";
        if (d.y() < -0.9) return "rear";
        return d.z() > 0.9 ? "top" : "bottom";
    }
}
