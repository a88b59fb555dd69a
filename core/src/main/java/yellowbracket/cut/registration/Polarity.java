package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import yellowbracket.mesh.Vec3;

/**
 * Which way round each magnet of a joint goes in, so that the two parts pull together in the right pose alone: in every other pose in which
 * magnets come to face each other, turned or shifted, they push apart as much as can be.
 *
 * @param north of the first part: true where the north pole faces the other one; the other part has the south pole there
 * @param pull over the wrong poses, the one that pulls most: magnets that attract less those that repel; below 0 every wrong pose repels
 * @param poses wrong poses looked at
 */
public record Polarity(List<Boolean> north, int pull, int poses) {
    /** Up to here every pattern is looked at. */
    static final int ALL = 8;
    private static final double SAME_MM = 1.5;

    public Polarity {
        north = List.copyOf(north);
    }

    public boolean wrongRepels() {
        return poses == 0 || pull < 0;
    }

    public String words() {
        var s = new StringBuilder();
        north.forEach(n -> s.append(n ? "N " : "S "));
        return s.toString().strip();
    }

    /** @param at of the magnets on the joint, in a plane @param normal of it */
    public static Polarity of(List<Vec3> at, Vec3 normal) {
        int n = at.size();
        if (n == 0) return new Polarity(List.of(), 0, 0);
        var poses = poses(at, normal);
        return n <= ALL ? every(n, poses) : improved(n, poses);
    }

    private static Polarity every(int n, List<int[]> poses) {
        int best = 0;
        long score = Long.MAX_VALUE;
        // the first is north: all turned round is the same joint
        for (int bits = 1; bits < 1 << n; bits += 2) {
            long s = score(bits, poses);
            if (s < score) {
                score = s;
                best = bits;
            }
        }
        return made(best, n, poses);
    }

    /** From every second one turned round, one magnet at a time. */
    private static Polarity improved(int n, List<int[]> poses) {
        long bits = 0;
        for (int i = 0; i < n; i++) if (i % 4 < 2) bits |= 1L << i;
        for (boolean better = true; better;) {
            better = false;
            for (int i = 1; i < n; i++) if (score(bits ^ 1L << i, poses) < score(bits, poses)) {
                bits ^= 1L << i;
                better = true;
            }
        }
        return made(bits, n, poses);
    }

    private static Polarity made(long bits, int n, List<int[]> poses) {
        var north = new ArrayList<Boolean>();
        for (int i = 0; i < n; i++) north.add((bits >> i & 1) == (bits & 1));
        return new Polarity(north, poses.stream().mapToInt(p -> pull(bits, p)).max().orElse(0), poses.size());
    }

    /** The worst pose first, then all of them together. */
    private static long score(long bits, List<int[]> poses) {
        long worst = Integer.MIN_VALUE, sum = 0;
        for (var p : poses) {
            int s = pull(bits, p);
            worst = Math.max(worst, s);
            sum += s;
        }
        return poses.isEmpty() ? 0 : worst * 1_000_000 + sum;
    }

    /** @param pose which magnet of the other part each one faces, -1 for none */
    static int pull(long bits, int[] pose) {
        int s = 0;
        for (int i = 0; i < pose.length; i++) if (pose[i] >= 0) s += (bits >> i & 1) == (bits >> pose[i] & 1) ? 1 : -1;
        return s;
    }

    /** Of any pattern: over the wrong poses, that of the one that pulls most; 0 where there is none. */
    public static int pull(List<Boolean> north, List<Vec3> at, Vec3 normal) {
        long bits = 0;
        for (int i = 0; i < north.size(); i++) if (north.get(i)) bits |= 1L << i;
        long all = bits;
        return poses(at, normal).stream().mapToInt(p -> pull(all, p)).max().orElse(0);
    }

    /** Turned about the middle, and shifted, so that some magnet lies on another; each once. */
    static List<int[]> poses(List<Vec3> at, Vec3 normal) {
        int n = at.size();
        var middle = Vec3.ZERO;
        for (var p : at) middle = middle.plus(p.times(1.0 / n));
        var unit = normal.unit();
        var seen = new TreeSet<int[]>(Arrays::compare);
        for (int i = 0; i < n; i++) for (int j = 0; j < n; j++) {
            if (i == j) continue;
            Vec3 a = at.get(j).minus(middle), b = at.get(i).minus(middle);
            if (Math.abs(a.norm() - b.norm()) < SAME_MM && a.norm() > SAME_MM) {
                double deg = Math.toDegrees(Math.atan2(unit.dot(a.cross(b)), a.dot(b)));
                var turn = yellowbracket.mesh.Turn.about(unit, deg);
                var c = middle;
                add(seen, at, p -> turn.apply(p.minus(c)).plus(c));
            }
            var by = at.get(i).minus(at.get(j));
            add(seen, at, p -> p.plus(by));
        }
        return List.copyOf(seen);
    }

    private static void add(TreeSet<int[]> seen, List<Vec3> at, java.util.function.UnaryOperator<Vec3> move) {
        var pose = new int[at.size()];
        Arrays.fill(pose, -1);
        boolean right = true, any = false;
        for (int j = 0; j < pose.length; j++) {
            var p = move.apply(at.get(j));
            for (int i = 0; i < pose.length; i++) if (pose[i] < 0 && p.distance(at.get(i)) < SAME_MM) {
                pose[i] = j;
                any = true;
            }
        }
        for (int i = 0; i < pose.length; i++) right &= pose[i] == i;
        if (any && !right) seen.add(pose);
    }
}
