package yellowbracket.colour.line;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ClosestQuery;

/**
 * Where a ball that is pressed against the surface does not come: what closing by a ball would fill, or opening take away. From within,
 * only surface that looks about the same way stops the ball: a thin wall has another side.
 */
final class Narrow {
    /** How much of a ball may be in something before it does not fit: what flats of a round mesh leave. */
    private static final double SLACK = 0.02, LEAST_MM = 0.05;
    /**
     * Surface turned further away than this, by its cosine to the axis the ball is pressed along, is another side; what is met on one
     * side lies at least so far that way, as a cosine.
     */
    private static final double OTHER_SIDE = -0.2, TOWARDS = 0.3;
    private static final List<Vec3> AXES = List.of(Vec3.X, Vec3.Y, Vec3.Z, Vec3.X.times(-1), Vec3.Y.times(-1), Vec3.Z.times(-1));

    private final List<Bvh> by = new ArrayList<>();
    private final int side;

    private Narrow(int side) {
        this.side = side;
    }

    /** From outside. */
    static Narrow outside(Bvh index) {
        var out = new Narrow(1);
        out.by.add(index);
        return out;
    }

    static Narrow within(Mesh m) {
        var out = new Narrow(-1);
        for (var axis : AXES) {
            var keep = new boolean[m.triangleCount()];
            for (int f = 0; f < keep.length; f++) {
                var a = m.areaVector(f);
                keep[f] = a.dot(axis) > OTHER_SIDE * a.norm();
            }
            out.by.add(Bvh.of(m.only(keep)));
        }
        return out;
    }

    /** One flag a facet. @param pieces of the same surface */
    boolean[] facets(Mesh pieces, double radiusMm) {
        int n = pieces.triangleCount(), block = 4096;
        var out = new boolean[n];
        IntStream.rangeClosed(0, n / block).parallel().forEach(b -> {
            var near = by.stream().map(Bvh::closestQuery).toList();
            for (int f = b * block; f < Math.min(n, (b + 1) * block); f++) {
                var a = pieces.areaVector(f);
                if (a.norm() > 0) out[f] = stopped(near, pieces.centroid(f), a.unit(), radiusMm);
            }
        });
        return out;
    }

    /** Whether a ball against a place meets something on one side of it. @param normal of the surface there @param towards that side */
    boolean stopped(Vec3 p, Vec3 normal, double radiusMm, Vec3 towards) {
        var c = p.plus(normal.times(side * radiusMm));
        var near = by.get(axis(normal)).closest(c);
        return near.distance() < allowed(radiusMm) && near.point().minus(c).dot(towards) > TOWARDS * near.distance();
    }

    private boolean stopped(List<ClosestQuery> near, Vec3 p, Vec3 normal, double radiusMm) {
        var c = p.plus(normal.times(side * radiusMm));
        return near.get(axis(normal)).distance(c.x(), c.y(), c.z()) < allowed(radiusMm);
    }

    private static double allowed(double radiusMm) {
        return radiusMm - Math.max(LEAST_MM, SLACK * radiusMm);
    }

    private int axis(Vec3 normal) {
        int axis = 0;
        if (by.size() > 1) for (int i = 1; i < AXES.size(); i++) if (AXES.get(i).dot(normal) > AXES.get(axis).dot(normal)) axis = i;
        return axis;
    }
}
