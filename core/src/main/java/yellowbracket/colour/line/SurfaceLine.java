package yellowbracket.colour.line;

import java.util.List;
import yellowbracket.mesh.Vec3;

/**
 * A groove, or a line that stands up from the surface, with its branches. Millimetres of the mesh it was found on.
 * @param runs ways along its middle, one from each fork or end to the next; a ring begins and ends at the same place
 * @param widthMm from lip to lip, or foot to foot @param depthMm below its lips, or above its feet: medians along it
 */
public record SurfaceLine(Kind kind, List<List<Vec3>> runs, double lengthMm, double widthMm, double depthMm) {
    /** Which way it goes from the surface. */
    public enum Kind {
        GROOVE("groove"), RIDGE("raised line");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public SurfaceLine {
        runs = runs.stream().map(List::copyOf).toList();
        if (runs.isEmpty() || runs.stream().anyMatch(r -> r.size() < 2)) throw new IllegalArgumentException("a line has a way");
    }

    /** A place on it that tells it from others: the middle of its longest run. */
    public Vec3 at() {
        var longest = runs.stream().max(java.util.Comparator.comparingInt(List::size)).orElseThrow();
        return longest.get(longest.size() / 2);
    }

    /** How near a place comes to it. */
    public double distance(Vec3 p) {
        double least = Double.POSITIVE_INFINITY;
        for (var run : runs) for (int i = 1; i < run.size(); i++) least = Math.min(least, toSegment(p, run.get(i - 1), run.get(i)));
        return least;
    }

    private static double toSegment(Vec3 p, Vec3 a, Vec3 b) {
        var d = b.minus(a);
        double l2 = d.dot(d), t = l2 > 0 ? Math.clamp(p.minus(a).dot(d) / l2, 0, 1) : 0;
        return p.distance(a.plus(d.times(t)));
    }

    /** The tightest bend along it, over some mm each way; infinite where it runs straight. */
    public double leastRadiusMm(double over) {
        double least = Double.POSITIVE_INFINITY;
        for (var run : runs) for (int i = 1; i < run.size() - 1; i++) {
            int a = i, c = i;
            while (a > 0 && run.get(a).distance(run.get(i)) < over) a--;
            while (c < run.size() - 1 && run.get(c).distance(run.get(i)) < over) c++;
            if (a == i || c == i) continue;
            var u = run.get(i).minus(run.get(a));
            var v = run.get(c).minus(run.get(i));
            var w = run.get(c).minus(run.get(a));
            double area2 = u.cross(v).norm();
            if (area2 > 1e-9) least = Math.min(least, u.norm() * v.norm() * w.norm() / (2 * area2));
        }
        return least;
    }

    /** The same on the model scaled. */
    public SurfaceLine scaled(double k) {
        return new SurfaceLine(kind, runs.stream().map(r -> r.stream().map(p -> p.times(k)).toList()).toList(), lengthMm * k, widthMm * k,
                depthMm * k);
    }
}
