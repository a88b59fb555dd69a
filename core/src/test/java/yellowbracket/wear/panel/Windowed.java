package yellowbracket.wear.panel;

import java.util.function.DoubleUnaryOperator;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;

/** Closed tubes with a roof and a window cut radially through their wall: openings of known size. */
final class Windowed {
    static final int AROUND = 720;

    private Windowed() {}

    /** Radius by height. Azimuth from straight ahead to the right. */
    static Mesh tube(DoubleUnaryOperator inner, double wall, double high, double azFrom, double azTo, double z0, double z1) {
        int levels = (int) high;
        var b = new MeshBuilder(4 * AROUND * levels, 8 * AROUND * levels);
        var at = new int[2][levels + 1][AROUND];
        for (int k = 0; k < 2; k++) for (int j = 0; j <= levels; j++) for (int i = 0; i < AROUND; i++) {
            double a = 2 * Math.PI * i / AROUND, r = inner.applyAsDouble(j) + k * wall;
            at[k][j][i] = b.addVertex(r * Math.sin(a), r * Math.cos(a), j);
        }
        for (int j = 0; j < levels; j++) for (int i = 0; i < AROUND; i++) {
            if (!solid(i, j, azFrom, azTo, z0, z1)) continue;
            int n = (i + 1) % AROUND, p = (i + AROUND - 1) % AROUND;
            b.addQuad(at[1][j][i], at[1][j + 1][i], at[1][j + 1][n], at[1][j][n]);
            b.addQuad(at[0][j][n], at[0][j + 1][n], at[0][j + 1][i], at[0][j][i]);
            if (!solid(n, j, azFrom, azTo, z0, z1)) b.addQuad(at[0][j][n], at[1][j][n], at[1][j + 1][n], at[0][j + 1][n]);
            if (!solid(p, j, azFrom, azTo, z0, z1)) b.addQuad(at[1][j][i], at[0][j][i], at[0][j + 1][i], at[1][j + 1][i]);
            if (j == 0 || !solid(i, j - 1, azFrom, azTo, z0, z1)) b.addQuad(at[1][j][i], at[1][j][n], at[0][j][n], at[0][j][i]);
            if (j == levels - 1 || !solid(i, j + 1, azFrom, azTo, z0, z1))
                b.addQuad(at[0][j + 1][i], at[0][j + 1][n], at[1][j + 1][n], at[1][j + 1][i]);
        }
        return b.build();
    }

    private static boolean solid(int i, int j, double azFrom, double azTo, double z0, double z1) {
        double az = 360.0 * (i + 0.5) / AROUND;
        if (az > 180) az -= 360;
        return !(az > azFrom && az < azTo && j + 0.5 > z0 && j + 0.5 < z1);
    }

    /** A lid on top, so that nothing leaves there. */
    static Mesh lidded(Mesh tube, double radius, double z) {
        var b = new MeshBuilder(tube.vertexCount() + 8, tube.triangleCount() + 12);
        b.addAll(tube);
        b.addAll(yellowbracket.mesh.Shapes.box(new Vec3(-radius, -radius, z), new Vec3(radius, radius, z + 3)));
        return b.build();
    }

    /** Two plates that meet at a ridge ahead, bent by {@code bendDeg}, each with a part of one window; closed behind by a box. */
    static ScaledShell shell(Mesh m) {
        return new ScaledShell(m, Bvh.of(m), 1);
    }
}
