package yellowbracket.mesh;

/**
 * How often a surface winds about a point: 1 inside a closed mesh, 0 outside, between near holes, so it tells inside from outside on faulty meshes too.
 * Far groups of triangles count as one dipole (Barill, Dickson, Schmidt, Levin, Jacobson, "Fast winding numbers for soups and clouds", 2018), near ones by
 * their solid angle (van Oosterom and Strackee, 1983). Error below 0.05 with {@link #FAR}. Immutable; O(n) to make, O(log n) a query.
 */
public final class WindingNumber {
    /** A group this many radii away counts as one dipole; 2.5 keeps the error below 0.05 on coarse tori and boxes, and far below on fine meshes. */
    private static final double FAR = 2.5;
    private static final int DIPOLE = 7;

    private final Bvh index;
    private final double[] dipoles; // seven a node: area vector, centre, radius

    private WindingNumber(Bvh index) {
        this.index = index;
        dipoles = new double[DIPOLE * index.tree.length / Bvh.NODE];
        if (index.order.length > 0) gather(0);
    }

    public static WindingNumber of(Bvh index) {
        return new WindingNumber(index);
    }

    /** Area vector, area-weighted centre and radius of a node; returns its area. */
    private double gather(int node) {
        int left = index.tree[Bvh.NODE * node + Bvh.LEFT], d = DIPOLE * node;
        double area = 0;
        if (left < 0) {
            int from = -left - 1, to = from + index.tree[Bvh.NODE * node + Bvh.RIGHT];
            for (int i = from; i < to; i++) area += leaf(d, i);
        } else {
            int right = index.tree[Bvh.NODE * node + Bvh.RIGHT];
            double la = gather(left), ra = gather(right);
            area = la + ra;
            for (int k = 0; k < 3; k++) {
                dipoles[d + k] = dipoles[DIPOLE * left + k] + dipoles[DIPOLE * right + k];
                dipoles[d + 3 + k] = la * dipoles[DIPOLE * left + 3 + k] + ra * dipoles[DIPOLE * right + 3 + k];
            }
        }
        int b = Bvh.NODE * node;
        double far = 0;
        for (int k = 0; k < 3; k++) {
            dipoles[d + 3 + k] = area > 0 ? dipoles[d + 3 + k] / area : index.side(b + k);
            double reach = Math.max(index.side(b + 3 + k) - dipoles[d + 3 + k], dipoles[d + 3 + k] - index.side(b + k));
            far += reach * reach;
        }
        dipoles[d + 6] = Math.sqrt(far);
        return area;
    }

    private double leaf(int d, int i) {
        var k = index.corners;
        int c = 9 * i;
        double ux = k[c + 3] - k[c], uy = k[c + 4] - k[c + 1], uz = k[c + 5] - k[c + 2], vx = k[c + 6] - k[c], vy = k[c + 7] - k[c + 1], vz = k[c + 8] - k[c + 2];
        double nx = (uy * vz - uz * vy) / 2, ny = (uz * vx - ux * vz) / 2, nz = (ux * vy - uy * vx) / 2, area = Math.sqrt(nx * nx + ny * ny + nz * nz);
        dipoles[d] += nx;
        dipoles[d + 1] += ny;
        dipoles[d + 2] += nz;
        for (int a = 0; a < 3; a++) dipoles[d + 3 + a] += area * (k[c + a] + k[c + 3 + a] + k[c + 6 + a]) / 3;
        return area;
    }

    public double at(Vec3 p) {
        return at(p.x(), p.y(), p.z());
    }

    public double at(double x, double y, double z) {
        if (index.order.length == 0) return 0;
        var stack = new int[Bvh.STACK];
        int top = 1;
        double sum = 0;
        while (top > 0) {
            int node = stack[--top], d = DIPOLE * node;
            double rx = dipoles[d + 3] - x, ry = dipoles[d + 4] - y, rz = dipoles[d + 5] - z, r2 = rx * rx + ry * ry + rz * rz, reach = FAR * dipoles[d + 6];
            if (r2 > reach * reach) {
                sum += (dipoles[d] * rx + dipoles[d + 1] * ry + dipoles[d + 2] * rz) / (r2 * Math.sqrt(r2));
                continue;
            }
            int left = index.tree[Bvh.NODE * node + Bvh.LEFT];
            if (left >= 0) {
                stack[top++] = left;
                stack[top++] = index.tree[Bvh.NODE * node + Bvh.RIGHT];
                continue;
            }
            int from = -left - 1, to = from + index.tree[Bvh.NODE * node + Bvh.RIGHT];
            for (int i = from; i < to; i++) sum += solidAngle(i, x, y, z);
        }
        return sum / (4 * Math.PI);
    }

    public boolean inside(Vec3 p) {
        return at(p) > 0.5;
    }

    private double solidAngle(int i, double x, double y, double z) {
        var k = index.corners;
        int c = 9 * i;
        double ax = k[c] - x, ay = k[c + 1] - y, az = k[c + 2] - z, bx = k[c + 3] - x, by = k[c + 4] - y, bz = k[c + 5] - z, cx = k[c + 6] - x, cy = k[c + 7] - y, cz = k[c + 8] - z;
        double la = Math.sqrt(ax * ax + ay * ay + az * az), lb = Math.sqrt(bx * bx + by * by + bz * bz), lc = Math.sqrt(cx * cx + cy * cy + cz * cz);
        double det = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
        double div = la * lb * lc + (ax * bx + ay * by + az * bz) * lc + (bx * cx + by * cy + bz * cz) * la + (cx * ax + cy * ay + cz * az) * lb;
        return 2 * Math.atan2(det, div);
    }
}
