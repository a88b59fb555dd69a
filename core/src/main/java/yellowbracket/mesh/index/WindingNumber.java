package yellowbracket.mesh.index;

import yellowbracket.mesh.Vec3;

/**
 * How often a surface winds about a point: 1 inside a closed mesh, 0 outside, between near holes, so it tells inside from outside on faulty
 * meshes too.
 * Far groups of triangles count as one dipole (Barill, Dickson, Schmidt, Levin, Jacobson, "Fast winding numbers for soups and clouds",
 * 2018), near ones by
 * their solid angle (van Oosterom and Strackee, 1983). Error below 0.05 with {@link #FAR}. Immutable; O(n) to make, O(log n) a query.
 */
public final class WindingNumber {
    /**
     * A group this many radii away counts as one dipole; 2.5 keeps the error below 0.05 on coarse tori and boxes, and far below on fine
     * meshes.
     */
    private static final double FAR = 2.5;
    private static final int DIPOLE = 8;

    private final Bvh index;
    private final double[] dipoles; // eight a child of a node: area vector, centre, radius, area

    private WindingNumber(Bvh index) {
        this.index = index;
        dipoles = new double[DIPOLE * WideNodes.WIDE * index.nodes.count];
        if (index.order.length > 0) gather(0);
    }

    public static WindingNumber of(Bvh index) {
        return new WindingNumber(index);
    }

    /** Area vectors, area-weighted centres and radii of a node's children. */
    private void gather(int node) {
        for (int k = 0; k < WideNodes.WIDE; k++) {
            int link = index.nodes.link(node, k), d = DIPOLE * (WideNodes.WIDE * node + k);
            double area = 0;
            if (link < 0) for (int i = WideNodes.first(link), to = i + WideNodes.size(link); i < to; i++) area += leaf(d, i);
            else {
                gather(link);
                for (int j = 0; j < WideNodes.WIDE; j++) area += add(d, DIPOLE * (WideNodes.WIDE * link + j));
            }
            double far = 0;
            for (int a = 0; a < 3; a++) {
                double low = index.nodes.low(node, k, a), high = index.nodes.high(node, k, a);
                dipoles[d + 3 + a] = area > 0 ? dipoles[d + 3 + a] / area : low;
                double reach = Math.max(high - dipoles[d + 3 + a], dipoles[d + 3 + a] - low);
                far += reach * reach;
            }
            dipoles[d + 6] = Math.sqrt(far);
            dipoles[d + 7] = area;
        }
    }

    private double add(int d, int by) {
        double area = dipoles[by + 7];
        for (int a = 0; a < 3; a++) {
            dipoles[d + a] += dipoles[by + a];
            dipoles[d + 3 + a] += area * dipoles[by + 3 + a];
        }
        return area;
    }

    private double leaf(int d, int i) {
        var k = index.corners;
        int c = 9 * i;
        double ux = k[c + 3] - k[c], uy = k[c + 4] - k[c + 1], uz = k[c + 5] - k[c + 2], vx = k[c + 6] - k[c], vy = k[c + 7] - k[c + 1],
                vz = k[c + 8] - k[c + 2];
        double nx = (uy * vz - uz * vy) / 2, ny = (uz * vx - ux * vz) / 2, nz = (ux * vy - uy * vx) / 2,
                area = Math.sqrt(nx * nx + ny * ny + nz * nz);
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
        var stack = new int[index.nodes.stack()];
        int top = 1;
        double sum = 0;
        while (top > 0) {
            int node = stack[--top];
            for (int k = 0; k < WideNodes.WIDE; k++) {
                int link = index.nodes.link(node, k), d = DIPOLE * (WideNodes.WIDE * node + k);
                if (link == WideNodes.EMPTY) break;
                double rx = dipoles[d + 3] - x, ry = dipoles[d + 4] - y, rz = dipoles[d + 5] - z, r2 = rx * rx + ry * ry + rz * rz,
                        reach = FAR * dipoles[d + 6];
                if (r2 > reach * reach) sum += (dipoles[d] * rx + dipoles[d + 1] * ry + dipoles[d + 2] * rz) / (r2 * Math.sqrt(r2));
                else if (link >= 0) stack[top++] = link;
                else for (int i = WideNodes.first(link), to = i + WideNodes.size(link); i < to; i++) sum += solidAngle(i, x, y, z);
            }
        }
        return sum / (4 * Math.PI);
    }

    public boolean inside(Vec3 p) {
        return at(p) > 0.5;
    }

    private double solidAngle(int i, double x, double y, double z) {
        var k = index.corners;
        int c = 9 * i;
        double ax = k[c] - x, ay = k[c + 1] - y, az = k[c + 2] - z, bx = k[c + 3] - x, by = k[c + 4] - y, bz = k[c + 5] - z,
                cx = k[c + 6] - x, cy = k[c + 7] - y, cz = k[c + 8] - z;
        double la = Math.sqrt(ax * ax + ay * ay + az * az), lb = Math.sqrt(bx * bx + by * by + bz * bz),
                lc = Math.sqrt(cx * cx + cy * cy + cz * cz);
        double det = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
        double div = la * lb * lc + (ax * bx + ay * by + az * bz) * lc + (bx * cx + by * cy + bz * cz) * la
                + (cx * ax + cy * ay + cz * az) * lb;
        return 2 * Math.atan2(det, div);
    }
}
