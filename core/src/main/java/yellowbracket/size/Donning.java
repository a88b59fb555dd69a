package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import yellowbracket.search.BestFirst;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;

/**
 * Does the head go in, and how: of all ways from below the rim to where the prop is worn, over height, fore-aft and tilt, the one whose
 * least room is greatest (a widest path: Pollack,
 * "The maximum capacity through a network", 1960, as Dijkstra's search with minimum in place of sum), then smoothed. Room is the least
 * signed distance of the
 * shell's inner points to the head. It errs on the safe side by up to half a step before smoothing; moves to the side and rolling the head
 * are not tried.
 * {@code path} from below to worn; {@code spareMm} the least room on it, negative when something must give; {@code tightest} where: its
 * step, zone, and place on the
 * prop, real mm.
 */
public record Donning(double spareMm, List<Step> path, Tightest tightest) {
    /** Heights, fore-aft shifts and tilts tried, in steps of these. */
    private static final double HEIGHT_MM = 6, SHIFT_MM = 6, TILT_DEG = 5;
    /** Steps to each side; a head that needs more does not get in. */
    private static final int SHIFTS = 8, TILTS = 8;
    /** Above the rim it is out, mm. */
    private static final double OUT_MM = 14;
    /** A path may give away this much room for a straighter way. */
    private static final double SLACK_MM = 0.3;
    /** Room with which nothing is brushed. */
    private static final double COMFORT_MM = 8;

    /** One pose of the way and the least room in it. */
    public record Step(Pose pose, double roomMm) {}

    /**
     * Where the way is tightest: number of the step, part of the head, place on the prop, height over the rim, and how far the head is from
     * being home, mm.
     */
    public record Tightest(int step, Zone zone, Vec3 place, double aboveRimMm, double toGoMm) {}

    public Donning {
        path = List.copyOf(path);
    }

    public boolean passes() {
        return spareMm >= 0;
    }

    /** The greatest tilt on the way against how the prop is worn, degrees; positive looks up. */
    public double tiltDeg() {
        double worn = path.getLast().pose().pitchDeg(), most = 0;
        for (var s : path) if (Math.abs(s.pose().pitchDeg() - worn) > Math.abs(most)) most = s.pose().pitchDeg() - worn;
        return most;
    }

    /** Whether nothing on the way is tighter than the prop when worn. */
    public boolean tightestWhenWorn() {
        return tightest.toGoMm < 4;
    }

    /** How to do it, in words. */
    public String words() {
        double tilt = tiltDeg();
        String how = Math.abs(tilt) < 7.5 ? "straight on"
                : String.format(Locale.ROOT, "tilt the head %.0f\u00b0 %s on the way in", Math.abs(tilt), tilt > 0 ? "back" : "forward");
        if (!passes() && tightestWhenWorn()) return String.format(Locale.ROOT,
                "too small where it is worn: %.1f mm short at the %s, however the head goes in", -spareMm, tightest.zone.label());
        if (!passes()) return String.format(Locale.ROOT, "the head does not pass: %.1f mm short at the %s, %.0f mm above the rim", -spareMm,
                tightest.zone.label(), tightest.aboveRimMm);
        String where = tightestWhenWorn() ? "nowhere tighter than when worn"
                : String.format(Locale.ROOT, "tightest at the %s, %.0f mm above the rim", tightest.zone.label(), tightest.aboveRimMm);
        return String.format(Locale.ROOT, "%s: %s mm to spare, %s", how,
                spareMm >= HeadField.FAR_MM - 1 ? "over 30" : String.format(Locale.ROOT, "%.1f", spareMm), where);
    }

    public static Donning of(HeadField field, Cavity cavity, double scale, Pose worn, Progress progress) {
        return of(field, cavity.shellPoints(), scale, worn, progress);
    }

    static Donning of(HeadField field, ShellPoints shell, double scale, Pose worn, Progress progress) {
        return of(field, shell, scale, worn, Double.NEGATIVE_INFINITY, progress);
    }

    /** @param care poses with less room than this are not told apart: quicker where only more is good enough */
    static Donning of(HeadField field, ShellPoints shell, double scale, Pose worn, double care, Progress progress) {
        return new Search(field, shell, scale, worn).run(care, progress);
    }

    /** The least room in a pose, and the point that has it. */
    private static final class Gap {
        private final HeadField field;
        private final ShellPoints shell;
        private final double scale;
        private int lastCluster;
        private int worst = -1;

        Gap(HeadField field, ShellPoints shell, double scale) {
            this.field = field;
            this.shell = shell;
            this.scale = scale;
        }

        double at(double forward, double up, double pitchDeg) {
            return at(forward, up, pitchDeg, Double.NEGATIVE_INFINITY);
        }

        /**
         * Clusters that cannot be nearer than the least so far are passed over; the one that was nearest last time is asked first; below
         * {@code enough} it stops.
         */
        double at(double forward, double up, double pitchDeg, double enough) {
            double c = Math.cos(Math.toRadians(pitchDeg)), s = Math.sin(Math.toRadians(pitchDeg)), best = HeadField.FAR_MM;
            int n = shell.clusters();
            worst = -1;
            for (int i = -1; i < n && best >= enough; i++) {
                int k = i < 0 ? lastCluster : i;
                if (k >= n || i == lastCluster) continue;
                double y = shell.ball[4 * k + 1] * scale - forward, z = shell.ball[4 * k + 2] * scale - up;
                if (field.mm(shell.ball[4 * k] * scale, c * y + s * z, c * z - s * y) - shell.ball[4 * k + 3] * scale >= best) continue;
                for (int p = shell.start[k]; p < shell.start[k + 1]; p++) {
                    double py = shell.xyz[3 * p + 1] * scale - forward, pz = shell.xyz[3 * p + 2] * scale - up;
                    double d = field.mm(shell.xyz[3 * p] * scale, c * py + s * pz, c * pz - s * py);
                    if (d < best) {
                        best = d;
                        worst = p;
                        lastCluster = k;
                    }
                }
            }
            return best;
        }

        double at(Pose p) {
            return at(p.forwardMm(), p.upMm(), p.pitchDeg());
        }
    }

    private static final class Search {
        private static final int ROW = 2 * SHIFTS + 1, SLAB = ROW * (2 * TILTS + 1);
        private final HeadField field;
        private final ShellPoints shell;
        private final double rimZ;
        private final double scale;
        private final Pose worn;
        private final int levels;
        private final float[] room;

        Search(HeadField field, ShellPoints shell, double scale, Pose worn) {
            this.field = field;
            this.shell = shell;
            rimZ = shell.lowestZ();
            this.scale = scale;
            this.worn = worn;
            double way = Math.max(HEIGHT_MM, worn.upMm() + field.form().crownZ() + OUT_MM - rimZ * scale);
            levels = (int) Math.ceil(way / HEIGHT_MM) + 1;
            room = new float[levels * SLAB];
        }

        Donning run(double care, Progress progress) {
            int start = SHIFTS + TILTS * ROW;
            double straight = HeadField.FAR_MM;
            var coarse = shell.thinned(); // here: to find the way; what is told of it comes from all points
            var straightOn = new Gap(field, coarse, scale);
            for (int l = 0; l < levels; l++) straight = Math.min(straight, straightOn.at(pose(l * SLAB + start)));
            double enough = Math.max(care, straight - 1); // here: a pose with less room than the straight way is on no better way
            IntStream.range(0, levels * (2 * TILTS + 1)).parallel().forEach(i -> {
                progress.check();
                var r = new Gap(field, coarse, scale);
                for (int f = 0; f < ROW; f++) {
                    var p = pose(i * ROW + f);
                    room[i * ROW + f] = (float) r.at(p.forwardMm(), p.upMm(), p.pitchDeg(), enough);
                }
            });
            double widest = widest(start);
            // with room in plenty a plain way counts for more than the last millimetre
            double least = Math.min(widest - SLACK_MM, Math.max(COMFORT_MM, 0.88 * widest));
            var poses = new ArrayList<Pose>();
            straightest(start, least).reversed().forEach(n -> poses.add(pose(n)));
            relax(poses);
            smooth(poses);
            return measured(poses);
        }

        private Pose pose(int node) {
            int level = node / SLAB, tilt = node % SLAB / ROW - TILTS, shift = node % ROW - SHIFTS;
            return new Pose(worn.forwardMm() + shift * SHIFT_MM, worn.upMm() - level * HEIGHT_MM, worn.pitchDeg() + tilt * TILT_DEG);
        }

        private interface Visit {
            void node(int n);
        }

        private void neighbours(int node, Visit visit) {
            int level = node / SLAB, tilt = node % SLAB / ROW, shift = node % ROW;
            for (int l = Math.max(0, level - 1); l <= Math.min(levels - 1, level + 1); l++)
                for (int t = Math.max(0, tilt - 1); t <= Math.min(2 * TILTS, tilt + 1); t++)
                    for (int s = Math.max(0, shift - 1); s <= Math.min(ROW - 1, shift + 1); s++) visit.node(l * SLAB + t * ROW + s);
        }

        private boolean out(int node) {
            return node / SLAB == levels - 1;
        }

        /** Poses and the moves between them. @param least poses with less room are left out @param measure of a move */
        private BestFirst.Graph graph(double least, Moves measure) {
            return new BestFirst.Graph() {
                @Override
                public int nodes() {
                    return room.length;
                }

                @Override
                public boolean goal(int node) {
                    return out(node);
                }

                @Override
                public void edges(int node, BestFirst.Edges out) {
                    neighbours(node, n -> {
                        if (room[n] >= least) out.to(n, measure.of(node, n), 0);
                    });
                }
            };
        }

        private interface Moves {
            double of(int from, int to);
        }

        /** The greatest room with which the outside can be reached. */
        private double widest(int start) {
            return BestFirst.widest(graph(Double.NEGATIVE_INFINITY, (from, to) -> room[to]), start, room[start])
                    .map(BestFirst.Way::measure)
                    .orElse((double) room[start]);
        }

        /**
         * From {@code start} out, through nodes with at least {@code least} room; the plainest way: little tilting, little shifting, clear
         * of the walls.
         */
        private List<Integer> straightest(int start, double least) {
            return BestFirst.cheapest(graph(least, this::move), start, Integer.MAX_VALUE)
                    .map(w -> w.steps().stream().map(BestFirst.Step::node).toList())
                    .orElse(List.of(start));
        }

        private double move(int a, int b) {
            int tilt = b % SLAB / ROW - TILTS, shift = b % ROW - SHIFTS;
            double moved = Math.abs(a / SLAB - b / SLAB) + 0.8 * Math.abs(a % SLAB / ROW - b % SLAB / ROW)
                    + 0.8 * Math.abs(a % ROW - b % ROW);
            return 0.05 + moved + 0.1 * Math.abs(tilt) + 0.04 * Math.abs(shift) + 0.3 * Math.max(0, 5 - room[b]);
        }

        /** Poses short of room slide and tilt towards more, at their height, without leaving their neighbours; the worn pose stays. */
        private void relax(List<Pose> poses) {
            var r = new Gap(field, shell, scale);
            double tight = poses.stream().mapToDouble(r::at).min().orElse(0) + 4;
            for (double step = 0.5; step > 0.05; step /= 2) for (int i = 0; i + 1 < poses.size(); i++) {
                var at = poses.get(i);
                double have = r.at(at);
                if (have > tight) continue;
                for (double[] d : new double[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}, {1, 1}, {1, -1}, {-1, 1}, {-1, -1}}) {
                    var tried = new Pose(at.forwardMm() + d[0] * step * SHIFT_MM, at.upMm(), at.pitchDeg() + d[1] * step * TILT_DEG);
                    if (!near(tried, poses.get(i + 1)) || i > 0 && !near(tried, poses.get(i - 1))) continue;
                    double got = r.at(tried);
                    if (got > have + 0.01) {
                        have = got;
                        poses.set(i, tried);
                        at = tried;
                    }
                }
            }
        }

        /** A way one can follow: each pose drawn towards its neighbours' mean as long as the tightest place stays the tightest. */
        private void smooth(List<Pose> poses) {
            var r = new Gap(field, shell, scale);
            double spare = poses.stream().mapToDouble(r::at).min().orElse(0);
            for (int pass = 0; pass < 8; pass++) for (int i = 1; i + 1 < poses.size(); i++) {
                var a = poses.get(i - 1);
                var b = poses.get(i);
                var c = poses.get(i + 1);
                var mean = new Pose((a.forwardMm() + c.forwardMm()) / 4 + b.forwardMm() / 2, b.upMm(),
                        (a.pitchDeg() + c.pitchDeg()) / 4 + b.pitchDeg() / 2);
                if (r.at(mean) >= Math.min(r.at(b), spare + 1)) poses.set(i, mean);
            }
        }

        private static boolean near(Pose a, Pose b) {
            return Math.abs(a.forwardMm() - b.forwardMm()) <= 1.5 * SHIFT_MM && Math.abs(a.pitchDeg() - b.pitchDeg()) <= 1.5 * TILT_DEG;
        }

        /** The way walked in small steps: what is told is the least room really met. */
        private Donning measured(List<Pose> poses) {
            var r = new Gap(field, shell, scale);
            var path = new ArrayList<Step>();
            double spare = Double.POSITIVE_INFINITY;
            int tightest = 0, worst = -1;
            for (int i = 0; i < poses.size(); i++) {
                var a = poses.get(Math.max(0, i - 1));
                var b = poses.get(i);
                int parts = i == 0 ? 1 : 4;
                double least = Double.POSITIVE_INFINITY;
                for (int k = 1; k <= parts; k++) {
                    double t = (double) k / parts, have = r.at(a.forwardMm() + t * (b.forwardMm() - a.forwardMm()),
                            a.upMm() + t * (b.upMm() - a.upMm()), a.pitchDeg() + t * (b.pitchDeg() - a.pitchDeg()));
                    least = Math.min(least, have);
                    if (have < spare) {
                        spare = have;
                        tightest = i;
                        worst = r.worst;
                    }
                }
                path.add(new Step(b, least));
            }
            return new Donning(spare, path, tightest(path, tightest, worst));
        }

        private Tightest tightest(List<Step> path, int step, int point) {
            var pose = path.get(step).pose();
            double toGo = worn.upMm() - pose.upMm();
            if (point < 0) return new Tightest(step, Zone.CROWN, new Vec3(pose.forwardMm(), 0, rimZ * scale), 0, toGo);
            var place = new Vec3(shell.xyz[3 * point], shell.xyz[3 * point + 1], shell.xyz[3 * point + 2]).times(scale);
            return new Tightest(step, field.form().zoneNear(pose.inHead(place)), place, place.z() - rimZ * scale, toGo);
        }
    }
}
