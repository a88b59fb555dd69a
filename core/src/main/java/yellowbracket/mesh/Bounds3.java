package yellowbracket.mesh;

/** An axis-aligned box, mm; {@code min} is never above {@code max}. */
public record Bounds3(Vec3 min, Vec3 max) {
    public Bounds3 {
        if (!(min.x() <= max.x() && min.y() <= max.y() && min.z() <= max.z()))
            throw new IllegalArgumentException("empty box " + min + " to " + max);
    }

    public static Bounds3 of(double x0, double y0, double z0, double x1, double y1, double z1) {
        return new Bounds3(new Vec3(x0, y0, z0), new Vec3(x1, y1, z1));
    }

    public Vec3 size() {
        return max.minus(min);
    }

    public Vec3 centre() {
        return min.plus(max).times(0.5);
    }

    public double diagonal() {
        return size().norm();
    }

    public boolean contains(Vec3 p) {
        return p.x() >= min.x() && p.x() <= max.x() && p.y() >= min.y() && p.y() <= max.y() && p.z() >= min.z() && p.z() <= max.z();
    }

    public Bounds3 union(Bounds3 o) {
        return of(Math.min(min.x(), o.min.x()), Math.min(min.y(), o.min.y()), Math.min(min.z(), o.min.z()), Math.max(max.x(), o.max.x()),
                Math.max(max.y(), o.max.y()), Math.max(max.z(), o.max.z()));
    }

    public Bounds3 scaled(double k) {
        return new Bounds3(min.times(k), max.times(k));
    }
}
