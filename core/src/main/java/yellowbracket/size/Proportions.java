package yellowbracket.size;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import yellowbracket.search.Threshold;
import yellowbracket.mesh.Vec3;

/**
 * A scale of its own along each axis, each as small as its zones allow: width by ears and temples, depth by brow, back, nose and chin,
 * height by the crown. {@code scale} is the least of the
 * three, {@code reshape} holds the others against it. {@code distortion}: longest over shortest, less 1.
 */
public record Proportions(double scale, Reshape reshape, double distortion) {
    private static final Set<Zone> WIDTH = EnumSet.of(Zone.EARS, Zone.TEMPLES, Zone.JAW),
            DEPTH = EnumSet.of(Zone.BROW, Zone.BACK, Zone.NOSE, Zone.CHIN, Zone.CHEEKS), HEIGHT = EnumSet.of(Zone.CROWN);
    /** A change of one axis must save this share of the scale to be told. */
    private static final double WORTH_IT = 0.01;

    /** Nothing when one scale all round does as well within 1 %. */
    public static Optional<Proportions> of(Room room, HeadForm form, Cavity cavity, Fit.Scales scales) {
        double base = scales.lowest();
        var pose = new PoseSearch(form, cavity, room, base).run();
        var s = new Vec3(base, base, base);
        s = new Vec3(least(room, form, cavity, pose, base, s, 0, WIDTH), base, base);
        double deep = least(room, form, cavity, pose, base, new Vec3(base, base, base), 1, DEPTH),
                tall = least(room, form, cavity, pose, base, new Vec3(base, base, base), 2, HEIGHT);
        s = new Vec3(s.x(), deep, tall);
        for (int i = 0; i < 30 && spare(room, form, cavity, pose, base, s, EnumSet.allOf(Zone.class)) < -0.3; i++) s = s.times(1.004);
        double least = Math.min(s.x(), Math.min(s.y(), s.z())), most = Math.max(s.x(), Math.max(s.y(), s.z()));
        if (most / least - 1 < WORTH_IT || least > base - 0.004) return Optional.empty();
        double scale = Math.ceil(least * 500) / 500;
        return Optional.of(new Proportions(scale,
                new Reshape(percent(s.x() / scale), percent(s.y() / scale), percent(s.z() / scale), Optional.empty(), Optional.empty()),
                most / least - 1));
    }

    private static double percent(double k) {
        return Math.max(1, Math.ceil(k * 200) / 200);
    }

    /** An axis is made smaller by two fifths at most, to a fiftieth of a per cent. */
    private static final double LEAST_SHARE = 0.6;
    /** How finely the share is sought. */
    private static final double FINE = 2e-4;

    private static double least(Room room, HeadForm form, Cavity cavity, Pose pose, double base, Vec3 s, int axis, Set<Zone> zones) {
        return Threshold.between(LEAST_SHARE * base, base, FINE * base,
                v -> spare(room, form, cavity, pose, base, with(s, axis, v), zones) >= 0);
    }

    private static Vec3 with(Vec3 s, int axis, double v) {
        return new Vec3(axis == 0 ? v : s.x(), axis == 1 ? v : s.y(), axis == 2 ? v : s.z());
    }

    /** What the worst of the zones has over what it wants, mm. */
    private static double spare(Room room, HeadForm form, Cavity cavity, Pose pose, double base, Vec3 s, Set<Zone> zones) {
        var at = new Pose(pose.forwardMm() * s.y() / base, pose.upMm() * s.z() / base, pose.pitchDeg());
        double worst = Double.POSITIVE_INFINITY;
        for (var z : Clearance.of(form, cavity, s, at, 2).zones())
            if (z.zone() != Zone.NECK && zones.contains(z.zone())) worst = Math.min(worst, z.minMm() - room.leastMm(z.zone()));
        return worst;
    }

    public String words() {
        return String.format(Locale.ROOT, "%.1f %%, width \u00d7 %.3f, depth \u00d7 %.3f, height \u00d7 %.3f", 100 * scale, reshape.wide(),
                reshape.deep(), reshape.tall());
    }
}
