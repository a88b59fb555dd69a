package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.List;

/**
 * A rotation about the origin, as the three unit rows of its matrix: {@code apply(p) = (row0.p, row1.p, row2.p)}.
 * Proper (determinant +1), so that it keeps triangle orientation.
 */
public record Turn(Vec3 row0, Vec3 row1, Vec3 row2) {
    public static final Turn NONE = new Turn(Vec3.X, Vec3.Y, Vec3.Z);
    /** Rows may be off by what rounding in a file and many turns one after another leave. */
    private static final double ROUNDING = 1e-4;

    public Turn {
        boolean unit = Math.abs(row0.norm() - 1) < ROUNDING && Math.abs(row1.norm() - 1) < ROUNDING;
        if (!unit || !(row0.cross(row1).minus(row2).norm() < ROUNDING))
            throw new IllegalArgumentException("three directions that are not at right angles are no turn");
    }

    public Vec3 apply(Vec3 p) {
        return new Vec3(row0.dot(p), row1.dot(p), row2.dot(p));
    }

    /** The turn that undoes this one. */
    public Turn inverse() {
        return new Turn(new Vec3(row0.x(), row1.x(), row2.x()), new Vec3(row0.y(), row1.y(), row2.y()),
                new Vec3(row0.z(), row1.z(), row2.z()));
    }

    public Turn then(Turn next) {
        var t = inverse();
        return new Turn(t.apply(next.row0), t.apply(next.row1), t.apply(next.row2));
    }

    /** By {@code degrees} about the x axis, y towards z: positive pitch lifts a face that looks along +y. */
    public static Turn pitch(double degrees) {
        double c = Math.cos(Math.toRadians(degrees)), s = Math.sin(Math.toRadians(degrees));
        return new Turn(Vec3.X, new Vec3(0, c, -s), new Vec3(0, s, c));
    }

    /** By {@code degrees} about a unit axis, counter-clockwise seen from its tip (Rodrigues). */
    public static Turn about(Vec3 axis, double degrees) {
        double c = Math.cos(Math.toRadians(degrees)), s = Math.sin(Math.toRadians(degrees));
        return new Turn(spun(axis, Vec3.X, c, s), spun(axis, Vec3.Y, c, s), spun(axis, Vec3.Z, c, s));
    }

    /** A row of the matrix: the base vector turned the other way. */
    private static Vec3 spun(Vec3 axis, Vec3 v, double c, double s) {
        return v.times(c).minus(axis.cross(v).times(s)).plus(axis.times(axis.dot(v) * (1 - c)));
    }

    /** A quarter turn about axis 0 (x), 1 (y) or 2 (z), counter-clockwise seen from its tip. */
    public static Turn quarter(int axis) {
        return switch (axis) {
            case 0 -> new Turn(Vec3.X, Vec3.Z.times(-1), Vec3.Y).tidy();
            case 1 -> new Turn(Vec3.Z, Vec3.Y, Vec3.X.times(-1)).tidy();
            case 2 -> new Turn(Vec3.Y.times(-1), Vec3.X, Vec3.Z).tidy();
            default -> throw new IllegalArgumentException("axis " + axis);
        };
    }

    /** The turn that brings the direction {@code up} to +z. */
    public static Turn lift(Vec3 up) {
        var z = up.unit();
        var x = (Math.abs(z.x()) < 0.9 ? Vec3.X : Vec3.Y);
        x = x.minus(z.times(z.dot(x))).unit();
        return new Turn(x, z.cross(x), z);
    }

    /** The 24 turns that map the axes onto axes; the first is {@link #NONE}. */
    public static List<Turn> quarterTurns() {
        Vec3[] dirs = {Vec3.X, Vec3.Y, Vec3.Z, Vec3.X.times(-1), Vec3.Y.times(-1), Vec3.Z.times(-1)};
        var out = new ArrayList<Turn>();
        out.add(NONE);
        for (var a : dirs) {
            for (var b : dirs) {
                if (a.dot(b) != 0) continue;
                var t = new Turn(a, b, a.cross(b));
                if (!t.equals(NONE)) out.add(t);
            }
        }
        return List.copyOf(out.stream().map(Turn::tidy).distinct().toList());
    }

    /** Negative zeros become zeros, so that equal turns are equal records. */
    public Turn tidy() {
        return new Turn(tidy(row0), tidy(row1), tidy(row2));
    }

    private static Vec3 tidy(Vec3 v) {
        return new Vec3(v.x() + 0.0, v.y() + 0.0, v.z() + 0.0);
    }
}
