package yellowbracket.cut.solid;

import java.util.Locale;
import yellowbracket.mesh.Vec3;

/** The plane of points p with {@code normal . p = offsetMm}; "above" is where the normal points. The normal is kept at length 1. */
public record CutPlane(Vec3 normal, double offsetMm) {
    public CutPlane {
        double n = normal.norm();
        if (!(n > 0) || !Double.isFinite(n) || !Double.isFinite(offsetMm))
            throw new IllegalArgumentException("no plane: normal " + normal + ", offset " + offsetMm);
        if (Math.abs(n - 1) > 1e-12) {
            normal = normal.times(1 / n);
            offsetMm /= n;
        }
    }

    public static CutPlane across(int axis, double offsetMm) {
        return new CutPlane(Vec3.axis(axis), offsetMm);
    }

    /** Signed distance, mm: positive above. */
    public double height(Vec3 p) {
        return normal.dot(p) - offsetMm;
    }

    public CutPlane moved(double byMm) {
        return new CutPlane(normal, offsetMm + byMm);
    }

    /** In-plane axes with {@code first x second = normal}. */
    public Frame frame() {
        var seed = Math.abs(normal.x()) < 0.8 ? Vec3.X : Vec3.Y;
        var first = seed.minus(normal.times(normal.dot(seed))).unit();
        return new Frame(first, normal.cross(first));
    }

    /** Two unit vectors that span the plane. */
    public record Frame(Vec3 first, Vec3 second) {
        public double u(Vec3 p) {
            return first.dot(p);
        }

        public double v(Vec3 p) {
            return second.dot(p);
        }
    }

    /** How a maker would say it: {@code x = 12.0 mm}, or the normal where it leans. */
    public String words() {
        for (int a = 0; a < 3; a++) if (Math.abs(normal.get(a)) > 0.999999)
            return String.format(Locale.ROOT, "%s = %.1f mm", "xyz".charAt(a), normal.get(a) > 0 ? offsetMm : -offsetMm);
        return String.format(Locale.ROOT, "(%.2f %.2f %.2f) at %.1f mm", normal.x(), normal.y(), normal.z(), offsetMm);
    }
}
