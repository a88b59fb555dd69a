package yellowbracket.mesh;

/** Kernels over one triangle of a mesh, without objects. */
public final class Triangle {
    private Triangle() {}

    /** Twice the area, mm2. */
    public static double area2(Mesh m, int f) {
        int a = m.vertex(f, 0), b = m.vertex(f, 1), c = m.vertex(f, 2);
        double ux = m.x(b) - m.x(a), uy = m.y(b) - m.y(a), uz = m.z(b) - m.z(a), vx = m.x(c) - m.x(a), vy = m.y(c) - m.y(a),
                vz = m.z(c) - m.z(a);
        double nx = uy * vz - uz * vy, ny = uz * vx - ux * vz, nz = ux * vy - uy * vx;
        return Math.sqrt(nx * nx + ny * ny + nz * nz);
    }

    /** Six times the signed volume of the tetrahedron with the point o, mm3. */
    public static double volume6(Mesh m, int f, double ox, double oy, double oz) {
        int a = m.vertex(f, 0), b = m.vertex(f, 1), c = m.vertex(f, 2);
        double ax = m.x(a) - ox, ay = m.y(a) - oy, az = m.z(a) - oz, bx = m.x(b) - ox, by = m.y(b) - oy, bz = m.z(b) - oz, cx = m.x(c) - ox,
                cy = m.y(c) - oy, cz = m.z(c) - oz;
        return ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
    }
}
