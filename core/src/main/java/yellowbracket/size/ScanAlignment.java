package yellowbracket.size;

import java.util.ArrayList;
import java.util.Optional;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadScan;

/**
 * Brings a scanned head into head coordinates by three points on it: the holes of both ears and the bridge of the nose between the eyes.
 * The ears give left and right, the bridge
 * the front and the eye line, which lies {@link #EAR_DROP_MM} over the ears (adult mean). The surface is then read along rays out of the
 * upright axis,
 * the outermost skin within reach; gaps in the scan are bridged from their neighbours.
 */
public final class ScanAlignment {
    /** How far the holes of the ears lie below the eyes, mm. */
    private static final double EAR_DROP_MM = 20;
    /** From the eyes; a scan's shoulders lie further off, mm. */
    private static final double REACH_MM = 190;
    /** Share of rays that may find no skin: a scan without hair has holes. */
    private static final double MOST_MISSING = 0.35;

    /** Either a head or the reason why it is none. */
    public sealed interface Outcome {
        record Head(HeadScan scan, double bridgedShare) implements Outcome {}

        /** @param reason what is wrong and what to do */
        record Refused(String reason) implements Outcome {}
    }

    private ScanAlignment() {}

    /** @param scan in mm, any way up; points in its coordinates */
    public static Outcome of(Mesh scan, Vec3 leftEar, Vec3 rightEar, Vec3 bridge) {
        double between = leftEar.distance(rightEar);
        if (between < 90 || between > 240) return new Outcome.Refused(String.format(java.util.Locale.ROOT,
                "the ears are %.0f mm apart, on a head 110 to 190: check the scan's unit, and click the hole of each ear", between));
        var middle = leftEar.plus(rightEar).times(0.5);
        var x = rightEar.minus(leftEar).unit();
        var out = bridge.minus(middle);
        var ahead = out.minus(x.times(out.dot(x)));
        double reach = ahead.norm();
        if (reach < 50 || reach > 160 || Math.abs(out.dot(x)) > 25) return new Outcome.Refused(
                "the three points are not two ears and a bridge of the nose: click the left ear, the right ear, then the bridge "
                        + "between the eyes");
        // the bridge lies over the ears by their drop: turn the line ear - bridge down by that
        double rise = Math.asin(Math.min(0.9, EAR_DROP_MM / reach));
        var f = ahead.times(1 / reach);
        var u = x.cross(f);
        var y = f.times(Math.cos(rise)).minus(u.times(Math.sin(rise)));
        var turn = new Turn(x, y, x.cross(y));
        var eyes = turn.apply(bridge).z();
        var flat = scan.turned(turn).moved(new Vec3(0, 0, -eyes));
        var m = turn.apply(middle);
        return centred(flat, m.x(), m.y());
    }

    /** {@code flat} stands upright with the eyes at z = 0, the ears about (x, y). */
    private static Outcome centred(Mesh flat, double x, double y) {
        var index = Bvh.of(flat);
        double z = 30, front = far(index, new Vec3(x, y, z), Vec3.Y, REACH_MM),
                back = far(index, new Vec3(x, y, z), Vec3.Y.times(-1), REACH_MM);
        if (Double.isNaN(front) || Double.isNaN(back))
            return new Outcome.Refused("the scan is open at the brow or the back of the head: close it, or scan again");
        double cy = y + (front - back) / 2;
        double crown = far(index, new Vec3(x, cy, 0), Vec3.Z, 260);
        if (Double.isNaN(crown) || crown < 65 || crown > 160) return new Outcome.Refused(
                "no crown over the eyes: check that the three points are right and that the scan shows the whole head");
        double height = 2 * crown;
        var radii = new double[HeadScan.ROWS][HeadScan.COLUMNS];
        int missing = 0;
        for (int r = 0; r < HeadScan.ROWS; r++) for (int s = 0; s < HeadScan.COLUMNS; s++) {
            double a = 2 * Math.PI * s / HeadScan.COLUMNS;
            radii[r][s] = far(index, new Vec3(x, cy, HeadForm.level(r) * height), new Vec3(Math.cos(a), Math.sin(a), 0), REACH_MM);
            if (Double.isNaN(radii[r][s])) missing++;
        }
        double share = (double) missing / (HeadScan.ROWS * HeadScan.COLUMNS);
        if (share > MOST_MISSING) return new Outcome.Refused(String.format(java.util.Locale.ROOT,
                "%.0f %% of the head is missing from the scan: scan again all round, the neck too", 100 * share));
        var all = new ArrayList<Double>();
        for (int r = 0; r < HeadScan.ROWS; r++)
            for (int s = 0; s < HeadScan.COLUMNS; s++) all.add(Math.round(10 * bridged(radii, r, s)) / 10.0);
        return new Outcome.Head(new HeadScan(height, all), share);
    }

    /** The outermost surface along a ray within reach, NaN for none. */
    private static double far(Bvh index, Vec3 from, Vec3 d, double reach) {
        double[] best = {Double.NaN};
        index.allDistances(from, d, t -> {
            if (t <= reach && !(best[0] > t)) best[0] = t;
        });
        return best[0];
    }

    /** The value, or the mean of the nearest ones on its level, or that of the level above or below. */
    private static double bridged(double[][] radii, int row, int column) {
        for (int up = 0; up < HeadScan.ROWS; up++) for (int r : new int[] {row + up, row - up}) {
            if (r < 0 || r >= HeadScan.ROWS) continue;
            var found = onLevel(radii[r], column);
            if (found.isPresent()) return found.get();
        }
        return 0;
    }

    private static Optional<Double> onLevel(double[] ring, int column) {
        if (!Double.isNaN(ring[column])) return Optional.of(ring[column]);
        int n = ring.length;
        for (int off = 1; off <= n / 4; off++) {
            double a = ring[(column + off) % n], b = ring[Math.floorMod(column - off, n)];
            if (!Double.isNaN(a) && !Double.isNaN(b)) return Optional.of((a + b) / 2);
            if (off > 4 && !(Double.isNaN(a) && Double.isNaN(b))) return Optional.of(Double.isNaN(a) ? b : a);
        }
        return Optional.empty();
    }
}
