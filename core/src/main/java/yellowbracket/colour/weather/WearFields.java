package yellowbracket.colour.weather;

import java.util.Arrays;
import java.util.PriorityQueue;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;

/**
 * Where wear and weather go, a value 0 to 1 for each facet: edges and corners that stand out wear first; grime stays where little looks in;
 * dust lies on what looks up and is open to the sky; runs go down the surface from places water leaves last. Seen from the shape alone.
 */
public final class WearFields {
    /** Directions looked along, and how far: what is further off keeps no grime in. */
    private static final int LOOKS = 28;
    private static final double NEAR_MM = 35;
    /** Pieces of one facet nearer than this to each other are looked from once. */
    private static final double SAME_MM = 5;
    /** A bend of so many degrees over so short a way is a full edge; wear fades over so many mm from it. */
    private static final double EDGE_DEG = 60, FADE_MM = 3.5;
    /** A drop runs so far, mm; it begins where so much looks in at most. */
    private static final double RUN_MM = 90, SOURCE = 0.45;
    private static final int MOST_STEPS = 400;
    /** Soot reaches so far, mm, so many times further up; it settles as if it came from a little before the opening. */
    private static final double PLUME_MM = 22, RISES = 2.2, OFF_MM = 10;

    private final float[] wear;
    private final float[] grime;
    private final float[] dust;
    private final float[] runs;
    private final float[] grain;
    private final float[] soot;
    private final Mesh of;

    private WearFields(float[] wear, float[] grime, float[] dust, float[] runs, float[] grain, float[] soot, Mesh of) {
        this.wear = wear;
        this.grime = grime;
        this.dust = dust;
        this.runs = runs;
        this.grain = grain;
        this.soot = soot;
        this.of = of;
    }

    /** @param m real mm, upright */
    public static WearFields of(Mesh m, Bvh index) {
        return of(m, index, f -> f);
    }

    /**
     * Pieces of one small facet see the same: what keeps grime in is far larger.
     * @param m real mm, upright @param facet that a piece is of: pieces of one follow each other
     */
    public static WearFields of(Mesh m, Bvh index, IntUnaryOperator facet) {
        int n = m.triangleCount();
        var adjacency = new Adjacency(m);
        var normal = new Vec3[n];
        var centre = new Vec3[n];
        for (int f = 0; f < n; f++) {
            var v = m.areaVector(f);
            normal[f] = v.norm() > 0 ? v.unit() : Vec3.Z;
            centre[f] = m.centroid(f);
        }
        var looks = ShowSide.spread(LOOKS);
        var grime = new float[n];
        var sky = new float[n];
        var first = new int[n];
        for (int f = 0; f < n; f++)
            first[f] = f > 0 && facet.applyAsInt(f) == facet.applyAsInt(f - 1) && centre[f].distance(centre[first[f - 1]]) < SAME_MM
                    ? first[f - 1]
                    : f;
        IntStream.range(0, n).parallel().filter(f -> first[f] == f).forEach(f -> open(index, centre[f], normal[f], looks, grime, sky, f));
        for (int f = 0; f < n; f++) {
            grime[f] = grime[first[f]];
            sky[f] = sky[first[f]];
        }
        var wear = worn(m, adjacency, normal, centre);
        var dust = new float[n];
        for (int f = 0; f < n; f++) {
            wear[f] *= 1 - 0.8f * grime[f]; // here: what stands in a recess touches nothing
            double up = Math.max(0, normal[f].z());
            dust[f] = (float) (Math.pow(up, 1.5) * sky[f]);
        }
        return new WearFields(wear, grime, dust, runs(m, adjacency, normal, centre, grime), grain(centre), new float[n], m);
    }

    /** Share of directions blocked nearby, and of the sky that is free. */
    private static void open(Bvh index, Vec3 at, Vec3 n, java.util.List<Vec3> looks, float[] grime, float[] sky, int f) {
        var from = at.plus(n.times(0.05));
        int asked = 0, blocked = 0, up = 0, free = 0;
        for (var d : looks) {
            if (d.dot(n) < 0.1) continue;
            boolean near = index.blocked(from, d, 0, NEAR_MM);
            asked++;
            if (near) blocked++;
            if (d.z() < 0.3) continue;
            up++;
            if (!near && !index.blocked(from, d, NEAR_MM)) free++;
        }
        grime[f] = asked == 0 ? 1 : (float) blocked / asked;
        sky[f] = up == 0 ? 0 : (float) free / up;
    }

    /** Sharp convex edges first, spread along the surface. */
    private static float[] worn(Mesh m, Adjacency adjacency, Vec3[] normal, Vec3[] centre) {
        int n = normal.length;
        var wear = new float[n];
        for (int c = 0; c < 3 * n; c++) {
            int across = adjacency.across(c);
            if (across < 0) continue;
            int f = c / 3, g = across / 3;
            double cos = Math.clamp(normal[f].dot(normal[g]), -1, 1);
            if (cos > 0.9995 || normal[f].dot(centre[g].minus(centre[f])) > 0) continue; // flat, or hollow
            double sharp = Math.toDegrees(Math.acos(cos)) / EDGE_DEG * Math.min(1, 4 / Math.max(0.5, centre[f].distance(centre[g])));
            wear[f] = (float) Math.max(wear[f], Math.min(1, sharp));
        }
        var queue = new PriorityQueue<float[]>((a, b) -> Float.compare(b[0], a[0]));
        for (int f = 0; f < n; f++) if (wear[f] > 0.05) queue.add(new float[] {wear[f], f});
        while (!queue.isEmpty()) {
            var top = queue.poll();
            int f = (int) top[1];
            if (top[0] < wear[f]) continue;
            for (int k = 0; k < 3; k++) {
                int across = adjacency.across(3 * f + k);
                if (across < 0) continue;
                int g = across / 3;
                float there = (float) (wear[f] * Math.exp(-centre[f].distance(centre[g]) / FADE_MM));
                if (there <= wear[g] + 1e-3 || there < 0.03) continue;
                wear[g] = there;
                queue.add(new float[] {there, g});
            }
        }
        return wear;
    }

    /** Drops from where water leaves last, each down the surface by the steepest neighbour. */
    private static float[] runs(Mesh m, Adjacency adjacency, Vec3[] normal, Vec3[] centre, float[] grime) {
        var out = new float[normal.length];
        for (int f = 0; f < out.length; f++) {
            if (grime[f] < SOURCE || Math.floorMod(f * 2654435761L, 7) != 0) continue;
            int at = f;
            double way = 0;
            for (int step = 0; step < MOST_STEPS && way < RUN_MM; step++) {
                int next = -1;
                double most = 0.05;
                for (int k = 0; k < 3; k++) {
                    int across = adjacency.across(3 * at + k);
                    if (across < 0) continue;
                    var d = centre[across / 3].minus(centre[at]);
                    double fall = -d.z() / Math.max(1e-6, d.norm());
                    if (fall <= most) continue;
                    most = fall;
                    next = across / 3;
                }
                if (next < 0) break;
                way += centre[at].distance(centre[next]);
                at = next;
                if (normal[at].z() < -0.6) break; // it drips off
                out[at] = (float) Math.min(1, out[at] + 0.5 * (1 - way / RUN_MM));
            }
        }
        return out;
    }

    /** The same place is always as lucky: 0 to 1, in grains of some mm. */
    private static float[] grain(Vec3[] centre) {
        var out = new float[centre.length];
        for (int f = 0; f < out.length; f++) {
            double sum = 0, weight = 0.6;
            for (double cell = 7; cell > 1.2; cell /= 2.3, weight *= 0.6) sum += weight * noise(centre[f].times(1 / cell));
            out[f] = (float) Math.clamp(sum / 1.15, 0, 1);
        }
        return out;
    }

    private static double noise(Vec3 p) {
        int x = (int) Math.floor(p.x()), y = (int) Math.floor(p.y()), z = (int) Math.floor(p.z());
        double u = p.x() - x, v = p.y() - y, w = p.z() - z, sum = 0;
        for (int i = 0; i < 8; i++) {
            int a = i & 1, b = i >> 1 & 1, c = i >> 2;
            sum += (a == 1 ? u : 1 - u) * (b == 1 ? v : 1 - v) * (c == 1 ? w : 1 - w) * hash(x + a, y + b, z + c);
        }
        return sum;
    }

    private static double hash(int x, int y, int z) {
        long h = x * 0x9E3779B97F4A7C15L ^ y * 0xC2B2AE3D27D4EB4FL ^ z * 0x165667B19E3779F9L;
        h = (h ^ h >>> 31) * 0xBF58476D1CE4E5B9L;
        return ((h ^ h >>> 29) >>> 11) / (double) (1L << 53);
    }

    /**
     * With soot round the places smoke comes out of, further up than down, on what looks towards them.
     * @param sources real mm @param index of the mesh these are of
     */
    public WearFields sooted(java.util.List<Vec3> sources, Bvh index) {
        var out = new float[wear.length];
        for (var s : sources) {
            var from = s.plus(of.areaVector(index.closest(s).triangle()).unit().times(OFF_MM));
            for (int f = 0; f < out.length; f++) {
                var c = of.centroid(f);
                var d = c.minus(s);
                if (Math.abs(d.z()) > 3 * PLUME_MM * RISES || of.areaVector(f).dot(from.minus(c)) <= 0) continue;
                double up = d.z() > 0 ? d.z() / RISES : d.z(), r2 = d.x() * d.x() + d.y() * d.y() + up * up;
                out[f] = (float) Math.max(out[f], Math.exp(-r2 / (PLUME_MM * PLUME_MM)));
            }
        }
        return new WearFields(wear, grime, dust, runs, grain, out, of);
    }

    public int size() {
        return wear.length;
    }

    public double wear(int f) {
        return wear[f];
    }

    public double grime(int f) {
        return grime[f];
    }

    public double dust(int f) {
        return dust[f];
    }

    public double soot(int f) {
        return soot[f];
    }

    public double runs(int f) {
        return runs[f];
    }

    /** How much of an effect a facet takes at a strength, 0 to 1. */
    public double cover(Effect e, double strength, int f) {
        if (strength <= 0) return 0;
        return switch (e) {
            case CHIPS -> wear[f] * (0.55 + 0.9 * grain[f]) > 1.15 - 0.85 * strength ? 1 : 0;
            case DRY_BRUSH -> Math.min(1, strength * 1.2 * wear[f] * (0.5 + 0.5 * grain[f]));
            case WASH -> Math.min(1, strength * 1.3 * Math.pow(grime[f], 0.8) * (0.7 + 0.3 * grain[f]));
            case RUNS -> Math.min(1, strength * runs[f] * (0.5 + grain[f]));
            case RUST -> Math.min(1, strength * (0.8 * Math.max(0, wear[f] - 0.25) * grain[f] + 0.5 * runs[f] * grain[f]));
            case SOOT -> Math.min(1, strength * 1.3 * soot[f] * (0.75 + 0.25 * grain[f]));
            case DUST -> Math.min(1, strength * dust[f] * (0.6 + 0.4 * grain[f]));
        };
    }

    public long bytes() {
        return 24L * wear.length + of.bytes();
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof WearFields w && Arrays.equals(wear, w.wear) && Arrays.equals(grime, w.grime) && Arrays.equals(dust, w.dust)
                && Arrays.equals(runs, w.runs) && Arrays.equals(grain, w.grain) && Arrays.equals(soot, w.soot);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(wear);
    }
}
