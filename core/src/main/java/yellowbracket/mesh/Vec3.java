package yellowbracket.mesh;

/** A point or a direction in space, mm where it is a point. */
public record Vec3(double x, double y, double z) {
    public static final Vec3 ZERO = new Vec3(0, 0, 0);
    public static final Vec3 X = new Vec3(1, 0, 0);
    public static final Vec3 Y = new Vec3(0, 1, 0);
    public static final Vec3 Z = new Vec3(0, 0, 1);

    public Vec3 plus(Vec3 o) {
        return new Vec3(x + o.x, y + o.y, z + o.z);
    }

    public Vec3 minus(Vec3 o) {
        return new Vec3(x - o.x, y - o.y, z - o.z);
    }

    public Vec3 times(double k) {
        return new Vec3(k * x, k * y, k * z);
    }

    public double dot(Vec3 o) {
        return x * o.x + y * o.y + z * o.z;
    }

    public Vec3 cross(Vec3 o) {
        return new Vec3(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
    }

    public double norm() {
        return Math.sqrt(dot(this));
    }

    /** The same direction with length 1. @throws IllegalArgumentException if the length is zero or not finite */
    public Vec3 unit() {
        double n = norm();
        if (!(n > 0 && n < Double.POSITIVE_INFINITY)) throw new IllegalArgumentException("no direction: " + this);
        return times(1 / n);
    }

    public double distance(Vec3 o) {
        return minus(o).norm();
    }

    /** The coordinate along axis 0 (x), 1 (y) or 2 (z). */
    public double get(int axis) {
        return switch (axis) {
            case 0 -> x;
            case 1 -> y;
            case 2 -> z;
            default -> throw new IllegalArgumentException("axis " + axis);
        };
    }

    /** The unit vector of axis 0, 1 or 2. */
    public static Vec3 axis(int axis) {
        return switch (axis) {
            case 0 -> X;
            case 1 -> Y;
            case 2 -> Z;
            default -> throw new IllegalArgumentException("axis " + axis);
        };
    }
}
