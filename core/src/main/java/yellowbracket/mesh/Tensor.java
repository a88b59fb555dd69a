package yellowbracket.mesh;

import java.util.Optional;

/** A symmetric 3 x 3 matrix. */
public record Tensor(double xx, double yy, double zz, double xy, double xz, double yz) {
    public static final Tensor ZERO = new Tensor(0, 0, 0, 0, 0, 0);
    public static final Tensor UNIT = new Tensor(1, 1, 1, 0, 0, 0);

    /** a aT for a = b; for two vectors the symmetric half of it. */
    public static Tensor outer(Vec3 a, Vec3 b) {
        return both(a, b).times(0.5);
    }

    /** a bT + b aT. */
    public static Tensor both(Vec3 a, Vec3 b) {
        return new Tensor(2 * a.x() * b.x(), 2 * a.y() * b.y(), 2 * a.z() * b.z(), a.x() * b.y() + a.y() * b.x(),
                a.x() * b.z() + a.z() * b.x(), a.y() * b.z() + a.z() * b.y());
    }

    public Tensor plus(Tensor o) {
        return new Tensor(xx + o.xx, yy + o.yy, zz + o.zz, xy + o.xy, xz + o.xz, yz + o.yz);
    }

    public Tensor times(double k) {
        return new Tensor(k * xx, k * yy, k * zz, k * xy, k * xz, k * yz);
    }

    public double trace() {
        return xx + yy + zz;
    }

    public Vec3 times(Vec3 v) {
        return new Vec3(xx * v.x() + xy * v.y() + xz * v.z(), xy * v.x() + yy * v.y() + yz * v.z(), xz * v.x() + yz * v.y() + zz * v.z());
    }

    public double determinant() {
        return xx * (yy * zz - yz * yz) - xy * (xy * zz - yz * xz) + xz * (xy * yz - yy * xz);
    }

    /** Nothing where it is singular, or as good as that. */
    public Optional<Tensor> inverse() {
        double d = determinant(), size = Math.abs(trace());
        if (!(Math.abs(d) > 1e-12 * size * size * size)) return Optional.empty();
        return Optional.of(new Tensor((yy * zz - yz * yz) / d, (xx * zz - xz * xz) / d, (xx * yy - xy * xy) / d, (xz * yz - xy * zz) / d,
                (xy * yz - xz * yy) / d, (xy * xz - xx * yz) / d));
    }

    /** The largest eigenvalue, in closed form (Smith, "Eigenvalues of a symmetric 3 x 3 matrix", 1961). */
    public double largest() {
        double off = xy * xy + xz * xz + yz * yz, mean = trace() / 3;
        double a = xx - mean, b = yy - mean, c = zz - mean, p = Math.sqrt((a * a + b * b + c * c + 2 * off) / 6);
        if (p < 1e-300) return mean;
        double det = a * (b * c - yz * yz) - xy * (xy * c - yz * xz) + xz * (xy * yz - b * xz), r = det / (2 * p * p * p);
        return mean + 2 * p * Math.cos(Math.acos(Math.clamp(r, -1, 1)) / 3);
    }

    /** A unit vector along which it is largest. */
    public Vec3 direction() {
        double e = largest();
        // rows of (M - e) span the plane across it: the longest cross product of two is along it
        Vec3 r0 = new Vec3(xx - e, xy, xz), r1 = new Vec3(xy, yy - e, yz), r2 = new Vec3(xz, yz, zz - e);
        Vec3 best = r0.cross(r1);
        for (var c : new Vec3[] {r0.cross(r2), r1.cross(r2)}) if (c.norm() > best.norm()) best = c;
        if (best.norm() > 1e-9 * Math.max(1e-300, e * e)) return best.unit();
        // two directions are alike: any across the one that differs
        Vec3 row = r0.norm() >= r1.norm() && r0.norm() >= r2.norm() ? r0 : r1.norm() >= r2.norm() ? r1 : r2;
        if (row.norm() < 1e-12 * Math.max(1e-300, Math.abs(e))) return Vec3.X;
        return row.cross(Math.abs(row.unit().x()) < 0.8 ? Vec3.X : Vec3.Y).unit();
    }
}
