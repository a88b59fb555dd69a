package yellowbracket.size;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import yellowbracket.mesh.Vec3;

/**
 * Distance from each point of a head form to the first inner wall along its normal, mm; negative where the head is in or through the wall,
 * NaN where nothing is met (openings). Scaling is applied to the rays, so one index of the unscaled model serves every scale.
 */
public final class Clearance {
    /** So that one facet does not decide. */
    private static final double LOW = 0.02;

    private final HeadForm form;
    private final double[] mm;
    private final Map<Zone, ZoneClearance> zones;

    /**
     * One zone: least (the 2nd percentile, so that one facet does not decide) and median, mm, and where the least is, in head coordinates.
     */
    public record ZoneClearance(Zone zone, double minMm, double medianMm, Vec3 tightest, double openShare) {}

    private Clearance(HeadForm form, double[] mm) {
        this.form = form;
        this.mm = mm;
        zones = group();
    }

    public static Clearance of(HeadForm form, Cavity cavity, double scale, Pose pose) {
        return of(form, cavity, scale, pose, 1);
    }

    /** As the other, for every {@code step}-th point only; coarser, faster. */
    static Clearance of(HeadForm form, Cavity cavity, double scale, Pose pose, int step) {
        return of(form, cavity, new Vec3(scale, scale, scale), pose, step);
    }

    /** With a scale of its own along each axis. */
    static Clearance of(HeadForm form, Cavity cavity, Vec3 scale, Pose pose, int step) {
        return new Clearance(form, new Feeler(form, cavity).mm(scale, pose, step));
    }

    /** Numbers of the form's points in each zone, by its ordinal. */
    static int[][] byZone(HeadForm form) {
        var samples = form.samples();
        var out = new int[Zone.values().length][];
        for (var z : Zone.values()) out[z.ordinal()] = IntStream.range(0, samples.size()).filter(i -> samples.get(i).zone() == z).toArray();
        return out;
    }

    /** What is told of a zone: the 2nd percentile of its points, NaN where none of them meets a wall. */
    static double told(int[] points, double[] mm) {
        int met = 0;
        for (int i : points) if (!Double.isNaN(mm[i])) met++;
        if (met == 0) return Double.NaN;
        var least = new double[low(met) + 1]; // few: kept in order as they come
        Arrays.fill(least, Double.POSITIVE_INFINITY);
        int last = least.length - 1;
        for (int i : points) {
            if (!(mm[i] < least[last])) continue;
            int at = last;
            for (; at > 0 && least[at - 1] > mm[i]; at--) least[at] = least[at - 1];
            least[at] = mm[i];
        }
        return least[last];
    }

    private static int low(int points) {
        return (int) (LOW * points);
    }

    private Map<Zone, ZoneClearance> group() {
        var out = new EnumMap<Zone, ZoneClearance>(Zone.class);
        var byZone = byZone(form);
        for (var zone : Zone.values()) {
            var all = byZone[zone.ordinal()];
            var at = Arrays.stream(all)
                    .filter(i -> !Double.isNaN(mm[i]))
                    .boxed()
                    .sorted(Comparator.comparingDouble(i -> mm[i]))
                    .mapToInt(i -> i)
                    .toArray();
            if (at.length == 0) continue;
            int low = at[low(at.length)];
            out.put(zone, new ZoneClearance(zone, mm[low], mm[at[at.length / 2]], form.samples().get(low).point(),
                    1 - (double) at.length / all.length));
        }
        return out;
    }

    public HeadForm form() {
        return form;
    }

    /** By sample of the form, mm; NaN at openings. */
    public double mm(int sample) {
        return mm[sample];
    }

    public List<ZoneClearance> zones() {
        return List.copyOf(zones.values());
    }

    public Optional<ZoneClearance> zone(Zone z) {
        return Optional.ofNullable(zones.get(z));
    }

    /** Least clearance by zone, mm. */
    public Map<Zone, Double> least() {
        var out = new EnumMap<Zone, Double>(Zone.class);
        zones.forEach((zone, c) -> out.put(zone, c.minMm()));
        return out;
    }

    /** The zone with the least clearance, neck left out (it is judged when the head passes). */
    public Optional<ZoneClearance> tightest() {
        return zones.values().stream().filter(z -> z.zone() != Zone.NECK).min(java.util.Comparator.comparingDouble(ZoneClearance::minMm));
    }
}
