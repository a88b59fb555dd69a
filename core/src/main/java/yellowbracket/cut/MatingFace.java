package yellowbracket.cut;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Vec3;

/** The area where two sections lie against each other: a shape in the coordinates of its plane ({@link CutPlane#frame}), mm. */
public record MatingFace(CutPlane plane, Geometry shape) {
    public Vec3 at(double u, double v) {
        var f = plane.frame();
        return f.first().times(u).plus(f.second().times(v)).plus(plane.normal().times(plane.offsetMm()));
    }

    /** Where a point lies in the plane, seen along its normal. */
    public Coordinate flat(Vec3 p) {
        var f = plane.frame();
        return new Coordinate(f.u(p), f.v(p));
    }

    MatingFace scaled(double k) {
        return new MatingFace(new CutPlane(plane.normal(), plane.offsetMm() * k),
                AffineTransformation.scaleInstance(k, k).transform(shape));
    }
}
