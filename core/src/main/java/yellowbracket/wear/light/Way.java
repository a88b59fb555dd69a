package yellowbracket.wear.light;

import java.util.List;
import yellowbracket.mesh.Vec3;

/** A way that something takes over the prop, mm. */
public record Way(List<Vec3> places) {
    /** Bends are felt over so much each way: shorter ones are the facets'. */
    private static final double OVER_MM = 6;

    public Way {
        places = List.copyOf(places);
    }

    /** 0 for a single place. */
    public double lengthMm() {
        double sum = 0;
        for (int i = 1; i < places.size(); i++) sum += places.get(i).distance(places.get(i - 1));
        return sum;
    }

    /** The least radius of the circles through three places some mm apart along it; infinite where it runs straight. */
    public double tightestMm() {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < places.size(); i++) {
            int a = i, b = i;
            while (a > 0 && places.get(a).distance(places.get(i)) < OVER_MM) a--;
            while (b < places.size() - 1 && places.get(b).distance(places.get(i)) < OVER_MM) b++;
            var u = places.get(i).minus(places.get(a));
            var v = places.get(b).minus(places.get(i));
            double area2 = u.cross(v).norm();
            if (area2 > 1e-6 && u.norm() > OVER_MM / 2 && v.norm() > OVER_MM / 2)
                least = Math.min(least, u.norm() * v.norm() * places.get(a).distance(places.get(b)) / (2 * area2));
        }
        return least;
    }
}
