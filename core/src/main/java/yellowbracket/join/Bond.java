package yellowbracket.join;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.cut.MatingFace;
import yellowbracket.mesh.Tensor;
import yellowbracket.mesh.Vec3;

/**
 * What bears between two sections: area, first and second moments of the bonded surface about the origin, in space, so that the bonds of
 * several seams add up; and the places where it may tear first. mm.
 * @param moment integral of the place over the area, mm3 @param second integral of place times place, mm4
 * @param rim outermost places with the normal there
 */
public record Bond(String seam, double areaMm2, Vec3 moment, Tensor second, List<Spot> rim) {
    /** A place on the bond, and which way the two pull apart there. */
    public record Spot(Vec3 at, Vec3 normal) {}

    /** Corners of a rim looked at; more lie between these. */
    private static final int MOST_SPOTS = 48;

    public Bond {
        rim = List.copyOf(rim);
    }

    /**
     * Of a flat face as it was printed: what lies within {@code wallMm} of its rim bears whole, the rest with the share that infill fills.
     * @param infill 0 to 1
     */
    public static Bond of(String seam, MatingFace face, double wallMm, double infill) {
        var shape = face.shape();
        var sums = new Sums(face);
        var core = wallMm > 0 ? shape.buffer(-wallMm, 4) : shape;
        sums.add(shape, 1);
        if (!core.isEmpty() && infill < 1) sums.add(core, infill - 1);
        return sums.bond(seam, spots(face));
    }

    /** All of a face bears. */
    public static Bond solid(String seam, MatingFace face) {
        return of(seam, face, 0, 1);
    }

    /** Of pieces of surface, each its place with the normal, and its area. */
    static Bond ofPieces(String seam, List<Spot> pieces, double[] areas) {
        double a = 0;
        var first = Vec3.ZERO;
        var second = Tensor.ZERO;
        for (int i = 0; i < areas.length; i++) {
            var p = pieces.get(i).at;
            a += areas[i];
            first = first.plus(p.times(areas[i]));
            second = second.plus(Tensor.outer(p, p).times(areas[i]));
        }
        int step = Math.max(1, pieces.size() / MOST_SPOTS);
        var rim = new ArrayList<Spot>();
        for (int i = 0; i < pieces.size(); i += step) rim.add(pieces.get(i));
        return new Bond(seam, a, first, second, rim);
    }

    public Vec3 centre() {
        return areaMm2 > 0 ? moment.times(1 / areaMm2) : Vec3.ZERO;
    }

    /** Stress grows evenly towards the outside: the corners of the hull are where it is highest. */
    private static List<Spot> spots(MatingFace face) {
        var hull = face.shape().convexHull().getCoordinates();
        int step = Math.max(1, hull.length / MOST_SPOTS);
        var out = new ArrayList<Spot>();
        for (int i = 0; i < Math.max(1, hull.length - 1); i += step)
            out.add(new Spot(face.at(hull[i].x, hull[i].y), face.plane().normal()));
        return out;
    }

    /** Moments of plane figures (Green's theorem), carried into space. */
    private static final class Sums {
        private final MatingFace face;
        private double a;
        private double au;
        private double av;
        private double auu;
        private double avv;
        private double auv;

        Sums(MatingFace face) {
            this.face = face;
        }

        void add(Geometry g, double weight) {
            for (int i = 0; i < g.getNumGeometries(); i++) {
                if (!(g.getGeometryN(i) instanceof Polygon p)) continue;
                ring(p.getExteriorRing(), weight);
                for (int k = 0; k < p.getNumInteriorRing(); k++) ring(p.getInteriorRingN(k), -weight);
            }
        }

        /** A ring counts the same whichever way round it is given. */
        private void ring(LineString r, double weight) {
            var c = r.getCoordinates();
            double area = 0, u = 0, v = 0, uu = 0, vv = 0, uv = 0;
            for (int i = 0; i + 1 < c.length; i++) {
                Coordinate p = c[i], q = c[i + 1];
                double x = p.x * q.y - q.x * p.y;
                area += x / 2;
                u += x * (p.x + q.x) / 6;
                v += x * (p.y + q.y) / 6;
                uu += x * (p.x * p.x + p.x * q.x + q.x * q.x) / 12;
                vv += x * (p.y * p.y + p.y * q.y + q.y * q.y) / 12;
                uv += x * (p.x * q.y + 2 * p.x * p.y + 2 * q.x * q.y + q.x * p.y) / 24;
            }
            double k = area < 0 ? -weight : weight;
            a += k * area;
            au += k * u;
            av += k * v;
            auu += k * uu;
            avv += k * vv;
            auv += k * uv;
        }

        Bond bond(String seam, List<Spot> rim) {
            var f = face.plane().frame();
            Vec3 e = f.first(), g = f.second(), o = face.plane().normal().times(face.plane().offsetMm());
            var place = o.times(a).plus(e.times(au)).plus(g.times(av));
            var second = Tensor.outer(o, o)
                    .times(a)
                    .plus(Tensor.both(o, e).times(au))
                    .plus(Tensor.both(o, g).times(av))
                    .plus(Tensor.outer(e, e).times(auu))
                    .plus(Tensor.outer(g, g).times(avv))
                    .plus(Tensor.both(e, g).times(auv));
            return new Bond(seam, a, place, second, rim);
        }
    }
}
