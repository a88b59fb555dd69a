package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Points all over the surface of sections, asked where they lie: in another section, or outside the model. */
final class Apart {
    private static final double EVERY_MM = 1.5;

    private Apart() {}

    /** Corners, and points on edges and facets. */
    private static List<Vec3> spread(Mesh m) {
        var out = new ArrayList<Vec3>();
        for (int f = 0; f < m.triangleCount(); f++) {
            Vec3 a = m.corner(f, 0), b = m.corner(f, 1), c = m.corner(f, 2);
            double longest = Math.max(a.distance(b), Math.max(b.distance(c), c.distance(a)));
            int n = Math.clamp((int) Math.ceil(longest / EVERY_MM), 1, 40);
            for (int i = 0; i <= n; i++)
                for (int j = 0; i + j <= n; j++) out.add(a.plus(b.minus(a).times((double) i / n)).plus(c.minus(a).times((double) j / n)));
        }
        return out;
    }

    /** How deep any point of one lies within the other, mm. */
    static double into(Mesh one, Mesh other) {
        var box = other.bounds();
        var index = Bvh.of(other);
        return spread(one).parallelStream()
                .filter(p -> p.x() > box.min().x() && p.x() < box.max().x() && p.y() > box.min().y() && p.y() < box.max().y()
                        && p.z() > box.min().z() && p.z() < box.max().z())
                .filter(index::inside)
                .mapToDouble(index::distance)
                .max()
                .orElse(0);
    }

    /** How far any point of a section lies outside the model it was cut from, mm. */
    static double outside(Mesh section, Mesh model) {
        var index = Bvh.of(model);
        return spread(section).parallelStream().filter(p -> !index.inside(p)).mapToDouble(index::distance).max().orElse(0);
    }
}
