package yellowbracket.print;

import java.util.Arrays;
import yellowbracket.mesh.Mesh;
import yellowbracket.shop.Profile;

/** Plastic of a print counted cell by cell: walls, then skin wherever a layer within the skin above or below is not there, then infill. */
final class LayerRaster {
    private static final double CELL = 0.12;

    private LayerRaster() {}

    /** Of a mesh as it stands, mm3. */
    static double plasticMm3(Mesh m, Profile p) {
        var box = m.bounds();
        double h = p.layerMm();
        int nx = (int) Math.ceil(box.size().x() / CELL) + 4, ny = (int) Math.ceil(box.size().y() / CELL) + 4;
        int layers = (int) Math.round(box.size().z() / h), skin = (int) Math.round(p.topBottomMm() / h);
        var inside = new boolean[layers][];
        for (int i = 0; i < layers; i++)
            inside[i] = slice(m, box.min().z() + (i + 0.5) * h, box.min().x() - 2 * CELL, box.min().y() - 2 * CELL, nx, ny);
        double cells = 0;
        for (int i = 0; i < layers; i++) {
            var walls = near(inside[i], nx, ny, p.walls() * p.lineWidthMm());
            for (int c = 0; c < nx * ny; c++) {
                if (!inside[i][c]) continue;
                boolean open = false;
                for (int k = Math.max(i - skin, -1); k <= i + skin && !open; k++) open = k < 0 || k >= layers || !inside[k][c];
                cells += walls[c] || open ? 1 : p.infill();
            }
        }
        return cells * CELL * CELL * h;
    }

    /** Which cells' middles lie in the solid at this height: between the 1st and 2nd, 3rd and 4th ... outline crossed along x. */
    private static boolean[] slice(Mesh m, double z, double x0, double y0, int nx, int ny) {
        var crossings = new double[ny][0];
        for (int f = 0; f < m.triangleCount(); f++) {
            var ends = new double[2][];
            int n = 0;
            for (int k = 0; k < 3; k++) {
                int a = m.vertex(f, k), b = m.vertex(f, (k + 1) % 3);
                if (m.z(a) > m.z(b)) {
                    int t = a;
                    a = b;
                    b = t;
                }
                if (m.z(a) > z || m.z(b) <= z) continue;
                double t = (z - m.z(a)) / (m.z(b) - m.z(a));
                ends[n++] = new double[] {m.x(a) + t * (m.x(b) - m.x(a)), m.y(a) + t * (m.y(b) - m.y(a))};
            }
            if (n < 2) continue;
            double lo = Math.min(ends[0][1], ends[1][1]), hi = Math.max(ends[0][1], ends[1][1]);
            for (int j = Math.max(0, (int) Math.ceil((lo - y0) / CELL - 0.5)); j < ny && y0 + (j + 0.5) * CELL < hi; j++) {
                double t = (y0 + (j + 0.5) * CELL - ends[0][1]) / (ends[1][1] - ends[0][1]);
                crossings[j] = Arrays.copyOf(crossings[j], crossings[j].length + 1);
                crossings[j][crossings[j].length - 1] = ends[0][0] + t * (ends[1][0] - ends[0][0]);
            }
        }
        var out = new boolean[nx * ny];
        for (int j = 0; j < ny; j++) {
            Arrays.sort(crossings[j]);
            for (int q = 0; q + 1 < crossings[j].length; q += 2) for (int i = 0; i < nx; i++) {
                double x = x0 + (i + 0.5) * CELL;
                if (x > crossings[j][q] && x <= crossings[j][q + 1]) out[j * nx + i] = true;
            }
        }
        return out;
    }

    /** Cells whose middles lie nearer to the outline than this: along rows first, then across them the least sum of squares. */
    private static boolean[] near(boolean[] inside, int nx, int ny, double mm) {
        int reach = (int) Math.ceil(mm / CELL) + 1;
        var along = new int[nx * ny];
        for (int j = 0; j < ny; j++) {
            for (int i = 0, d = reach; i < nx; i++) along[j * nx + i] = d = inside[j * nx + i] ? Math.min(reach, d + 1) : 0;
            for (int i = nx - 1, d = reach; i >= 0; i--) {
                d = inside[j * nx + i] ? Math.min(reach, d + 1) : 0;
                along[j * nx + i] = Math.min(along[j * nx + i], d);
            }
        }
        var out = new boolean[nx * ny];
        double most = (mm / CELL + 0.5) * (mm / CELL + 0.5);
        for (int c = 0; c < nx * ny; c++) {
            if (!inside[c]) continue;
            int least = along[c] * along[c];
            for (int d = 1; d * d < least && least >= most; d++) for (int y : new int[] {c / nx - d, c / nx + d})
                if (y >= 0 && y < ny) least = Math.min(least, along[y * nx + c % nx] * along[y * nx + c % nx] + d * d);
            out[c] = least < most;
        }
        return out;
    }
}
