package yellowbracket.colour.mark;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.SurfacePath;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Places for marks along a way over the surface, each upright to the way: read from its start, the way runs to the right. */
public final class Along {
    private Along() {}

    /** Where the middle of a mark lies, and which way is up on it. */
    public record Place(Vec3 at, Vec3 up) {}

    /** In the middles of {@code n} equal parts of it. */
    public static List<Place> evenly(Painted p, SurfacePath path, int n) {
        var index = Bvh.of(p.mesh());
        var out = new ArrayList<Place>();
        for (int i = 0; i < n; i++) {
            double s = (i + 0.5) / n * path.length();
            var at = index.closest(path.at(s));
            var normal = p.mesh().areaVector(at.triangle()).unit();
            var up = normal.cross(path.ahead(s));
            out.add(new Place(at.point(), up.norm() > 1e-9 ? up.unit() : Vec3.Z));
        }
        return List.copyOf(out);
    }
}
