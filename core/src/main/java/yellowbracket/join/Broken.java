package yellowbracket.join;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;

/**
 * Where a print broke between its seams: the flattest way through the place that was clicked is taken for the break. Lengths mm.
 * @param normal of the break @param areaMm2 of print there, hollows left out @param lineMm round it @param thickMm of what broke, on
 *        average @param widestMm  a round hole of this diameter has room
 */
public record Broken(Kind kind, Vec3 at, Vec3 normal, double areaMm2, double lineMm, double thickMm, double widestMm) {
    /** What it broke at. */
    public enum Kind {
        NECK("at a thin neck"), LAYERS("between layers"), WALL("through a thin wall"), PRINT("across the print");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final List<Vec3> WAYS = ShowSide.spread(80).stream().filter(d -> d.z() >= 0).toList();
    /** A neck has less than this share of what is there so far to either side, mm. */
    private static final double NECK = 0.6, BESIDE_MM = 12;
    /** The print's own up within this of the break's normal: it came apart between layers. Cosine. */
    private static final double ACROSS = 0.8;
    private static final double THIN_MM = 5;
    /** A place further off is none of this section. */
    private static final double OFF_MM = 10;
    private static final GeometryFactory PLANE = new GeometryFactory();

    /** Empty for a place that is not on the section. @param place on its surface, real mm */
    public static Optional<Broken> of(Mesh section, Weakest.Printed how, Vec3 place) {
        var index = Bvh.of(section);
        if (index.distance(place) > OFF_MM && !index.inside(place)) return Optional.empty();
        return IntStream.range(0, WAYS.size())
                .parallel()
                .mapToObj(i -> cut(section, index, WAYS.get(i), place))
                .flatMap(Optional::stream)
                .min(Comparator.comparingDouble(c -> c.shape.getArea()))
                .map(c -> told(c, section, index, how));
    }

    private record Cut(CutPlane plane, Polygon shape, Vec3 at) {}

    /** Of what a plane meets, the piece the place lies on. */
    private static Optional<Cut> cut(Mesh m, Bvh index, Vec3 way, Vec3 place) {
        var plane = new CutPlane(way, way.dot(place));
        var face = Weakest.slice(m, index, plane);
        Coordinate here = face.flat(place);
        var p = PLANE.createPoint(here);
        Geometry best = null;
        for (int i = 0; i < face.shape().getNumGeometries(); i++) {
            var g = face.shape().getGeometryN(i);
            if (g instanceof Polygon && (best == null || g.distance(p) < best.distance(p))) best = g;
        }
        if (best == null || best.isEmpty()) return Optional.empty();
        var c = best.getCentroid();
        return Optional.of(new Cut(plane, (Polygon) best, face.at(c.getX(), c.getY())));
    }

    private static Broken told(Cut c, Mesh m, Bvh index, Weakest.Printed how) {
        double area = c.shape.getArea(), line = c.shape.getLength(), thick = line > 0 ? 2 * area / line : 0;
        var n = c.plane.normal();
        double beside = 0;
        for (int side : new int[] {-1, 1})
            beside += cut(m, index, n, c.at.plus(n.times(side * BESIDE_MM))).map(o -> o.shape.getArea()).orElse(0.0) / 2;
        Kind kind = area < NECK * beside ? Kind.NECK
                : thick < THIN_MM && area > 0 ? Kind.WALL : Math.abs(how.up().dot(n)) > ACROSS ? Kind.LAYERS : Kind.PRINT;
        return new Broken(kind, c.at, n, area, line, thick, Weakest.room(c.shape, Weakest.BORE_WALL_MM));
    }
}
