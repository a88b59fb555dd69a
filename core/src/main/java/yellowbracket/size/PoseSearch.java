package yellowbracket.size;

import java.util.ArrayList;
import java.util.Comparator;
import yellowbracket.mesh.Vec3;

/**
 * Where the head sits best: the pose that makes the spare clearance of the worst zone (over what it needs) largest, with the eyes near the
 * visor's middle and the head nearly upright, for beyond that less is seen. A zone counts by what is told of it, however few points it
 * has. Looks over a grid with some of the form's points, then goes uphill: how each point's clearance changes with the pose is measured,
 * the best pose near by is found as if that were true further on, and tried; the less it was true, the nearer by the next time.
 */
final class PoseSearch {
    /** The eyes stay so near to the visor's middle, or, where there is none, to their place below the crown. */
    static final double EYES_MM = 4, EYES_UNSEEN_MM = 14;
    static final double PITCH_DEG = 2;
    /** Of the grid: forward from the middle of the hollow, as far either way. */
    private static final double AHEAD_MM = 24;
    private static final int AHEAD_STEPS = 3;
    /** So many steps of the grid away is another hill. */
    private static final double ELSEWHERE = 1.5;
    /** Every so many points of the form, on the grid. */
    private static final int FEW = 5;
    /** How far from the pose its changes are believed at first, and at last, mm; degrees are a half of it. */
    private static final double FIRST_MM = 6, LAST_MM = 0.15;
    private static final int ROUNDS = 9;
    /** By how much the pose is moved to measure the changes, mm. */
    private static final double PROBE_MM = 0.4;
    /** A clearance that changes faster has met another wall. */
    private static final double STEEPEST = 6;
    private static final double NOTHING_MET = -1e3;
    /** What the other zones count, the shorter the more, and what difference in mm between them matters. */
    private static final double OTHERS = 0.05, SOFT_MM = 3;

    private final HeadForm form;
    private final Cavity cavity;
    private final Feeler feeler;
    private final Room room;
    private final double scale;
    private final double eyesZ;
    private final double eyesMm;
    private final int[][] byZone;

    /** Forward and eyes above their mark, mm; pitch, degrees. */
    private record Seat(double forward, double eyes, double pitch) {
        Seat moved(double f, double e, double p) {
            return new Seat(forward + f, eyes + e, pitch + p);
        }

        /** Steps of the grid between two. */
        private double apart(Seat o) {
            return Math.abs(forward - o.forward) * AHEAD_STEPS / AHEAD_MM + Math.abs(Math.signum(eyes) - Math.signum(o.eyes))
                    + Math.abs(Math.signum(pitch) - Math.signum(o.pitch));
        }
    }

    private record Scored(Seat seat, double spare) {}

    PoseSearch(HeadForm form, Cavity cavity, Room room, double scale) {
        this.form = form;
        this.cavity = cavity;
        feeler = new Feeler(form, cavity);
        this.room = room;
        this.scale = scale;
        eyesZ = cavity.visorZ().orElse(cavity.roofZ() - (form.crownZ() + 15) / scale) * scale;
        byZone = Clearance.byZone(form);
        eyesMm = cavity.visorZ().isPresent() ? EYES_MM : EYES_UNSEEN_MM;
    }

    Pose run() {
        var starts = new ArrayList<Scored>();
        for (int a = -AHEAD_STEPS; a <= AHEAD_STEPS; a++) for (int e = -1; e <= 1; e++) for (int p = -1; p <= 1; p++) {
            var seat = new Seat(cavity.middleY() * scale + a * AHEAD_MM / AHEAD_STEPS, e * eyesMm, p * PITCH_DEG);
            starts.add(new Scored(seat, worst(clearances(seat, FEW))));
        }
        starts.sort(Comparator.comparingDouble(s -> -s.spare));
        var first = starts.getFirst();
        // a hill beside the first one: an uneven hollow has several
        var second = starts.stream().filter(s -> s.seat.apart(first.seat) > ELSEWHERE).findFirst();
        var top = uphill(first.seat);
        return pose(second.map(s -> uphill(s.seat)).filter(s -> s.spare > top.spare).orElse(top).seat);
    }

    private Scored uphill(Seat from) {
        var at = from;
        var here = clearances(at, 1);
        double spare = worst(here), radius = FIRST_MM;
        double[][] slopes = null;
        for (int round = 0; round < ROUNDS && radius > LAST_MM; round++) {
            if (slopes == null) slopes = slopes(at, here);
            var next = best(at, here, slopes, radius);
            var there = clearances(next, 1);
            double found = worst(there);
            if (found > spare) {
                at = next;
                here = there;
                slopes = null;
                spare = found;
            }
            radius /= slopes == null ? 2 : 4;
        }
        return new Scored(at, spare);
    }

    /** By which each point's clearance grows with each mm forward, each mm up, each degree, of the seat felt last. */
    private double[][] slopes(Seat at, double[] here) {
        var out = new double[3][];
        var by = new Seat[] {at.moved(PROBE_MM, 0, 0), at.moved(0, PROBE_MM, 0), at.moved(0, 0, PROBE_MM / 2)};
        double[] step = {PROBE_MM, PROBE_MM, PROBE_MM / 2};
        for (int k = 0; k < 3; k++) {
            out[k] = feeler.nearby(grown(), pose(by[k]));
            for (int i = 0; i < here.length; i++) {
                double s = (out[k][i] - here[i]) / step[k];
                out[k][i] = Double.isNaN(s) || Math.abs(s) > STEEPEST ? 0 : s; // hardly met
            }
        }
        return out;
    }

    /** The best seat within a radius as if every point's clearance went on changing as it begins to. */
    private Seat best(Seat from, double[] here, double[][] slopes, double radius) {
        var guess = new double[here.length];
        var at = new Scored(from, worst(here));
        for (double step = radius / 2; step > radius / 20; step /= 2) {
            for (boolean moved = true; moved;) {
                moved = false;
                for (int f = -1; f <= 1; f++) for (int e = -1; e <= 1; e++) for (int p = -1; p <= 1; p++) {
                    var seat = within(at.seat.moved(f * step, e * step, p * step / 2), from, radius);
                    if (seat.equals(at.seat)) continue;
                    double df = seat.forward - from.forward, de = seat.eyes - from.eyes, dp = seat.pitch - from.pitch;
                    for (int i = 0; i < guess.length; i++) guess[i] = here[i] + df * slopes[0][i] + de * slopes[1][i] + dp * slopes[2][i];
                    double spare = worst(guess);
                    if (spare > at.spare + 1e-6) {
                        at = new Scored(seat, spare);
                        moved = true;
                    }
                }
            }
        }
        return at.seat;
    }

    private Seat within(Seat s, Seat middle, double radius) {
        return new Seat(Math.clamp(s.forward, middle.forward - radius, middle.forward + radius),
                Math.clamp(s.eyes, Math.max(-eyesMm, middle.eyes - radius), Math.min(eyesMm, middle.eyes + radius)),
                Math.clamp(s.pitch, Math.max(-PITCH_DEG, middle.pitch - radius / 2), Math.min(PITCH_DEG, middle.pitch + radius / 2)));
    }

    private Pose pose(Seat s) {
        var turned = new Pose(0, 0, s.pitch);
        return new Pose(s.forward, eyesZ + s.eyes - turned.place(form.eye(1)).z(), s.pitch);
    }

    private double[] clearances(Seat seat, int step) {
        return feeler.mm(grown(), pose(seat), step);
    }

    private Vec3 grown() {
        return new Vec3(scale, scale, scale);
    }

    /** What the worst zone has over what it needs, and a little of what all of them have: of poses as good for it, the roomier one. */
    private double worst(double[] mm) {
        double least = Double.POSITIVE_INFINITY, sum = 0;
        int met = 0;
        for (int z = 0; z < byZone.length; z++) {
            double told = z == Zone.NECK.ordinal() ? Double.NaN : Clearance.told(byZone[z], mm);
            if (Double.isNaN(told)) continue;
            double spare = told - room.leastMm(Zone.values()[z]);
            least = Math.min(least, spare);
            sum += Math.exp(-Math.clamp(spare / SOFT_MM, -300, 300));
            met++;
        }
        return met == 0 ? NOTHING_MET : least - OTHERS * SOFT_MM * Math.log(sum / met);
    }
}
