package yellowbracket.demo;

import java.util.BitSet;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * A closed shell from two grids of the same layout, one for each face of the wall: cells taken out of both leave an opening whose edge is
 * stitched face to face. The outer grid may hold extra rows between two shared ones (a brim). Columns may close into a ring; the last row
 * may close into a pole. Coordinates are rounded to 32-bit floats, as a mesh file holds them.
 */
final class ShellGrid {
    /** Where a grid point lies. */
    interface Surface {
        Vec3 at(int row, int column);
    }

    private final int rows;
    private final int columns;
    private final boolean ring;
    private final BitSet removed = new BitSet();
    private final MeshBuilder mesh = new MeshBuilder(100_000, 200_000);

    /** @param rows points from the first edge up, without the pole */
    ShellGrid(int rows, int columns, boolean ring) {
        this.rows = rows;
        this.columns = columns;
        this.ring = ring;
    }

    /** Takes out the cells of rows [row0, row1) and columns [col0, col1); columns of a ring wrap. */
    void open(int row0, int row1, int col0, int col1) {
        for (int r = row0; r < row1; r++) for (int c = col0; c < col1; c++) removed.set(cell(r, Math.floorMod(c, columns)));
    }

    private int cell(int row, int column) {
        return row * columns + column;
    }

    private boolean gone(int row, int column) {
        return removed.get(cell(row, column));
    }

    /**
     * @param outer rows 0..rows-1 are shared; rows at {@code rows..rows+extra-1} are inserted after shared row {@code after}
     * @param poles outer and inner pole, or none for a sheet whose last row is an edge
     */
    Mesh build(Surface outer, Surface inner, int after, int extra, Vec3... poles) {
        var o = points(outer, rows + extra);
        var in = points(inner, rows);
        int cells = ring ? columns : columns - 1;
        for (int c = 0; c < cells; c++) {
            int d = (c + 1) % columns;
            for (int r = 0; r + 1 < rows; r++) {
                if (gone(r, c)) {
                    edges(o, in, r, c, d);
                    continue;
                }
                quad(in[r][d], in[r][c], in[r + 1][c], in[r + 1][d]);
                if (r == after && extra > 0) strip(o, r, extra, c, d);
                else quad(o[r][c], o[r][d], o[r + 1][d], o[r + 1][c]);
            }
            stitch(o[0][d], o[0][c], in[0][c], in[0][d]);
            if (poles.length == 0) stitch(o[rows - 1][c], o[rows - 1][d], in[rows - 1][d], in[rows - 1][c]);
        }
        if (poles.length == 2) poles(o[rows - 1], in[rows - 1], poles, cells);
        if (!ring) for (int r = 0; r + 1 < rows; r++) {
            stitch(o[r][0], o[r + 1][0], in[r + 1][0], in[r][0]);
            stitch(o[r + 1][columns - 1], o[r][columns - 1], in[r][columns - 1], in[r + 1][columns - 1]);
        }
        var m = mesh.build();
        return m.volumeMm3() > 0 ? m : turnedOver(m);
    }

    private void strip(int[][] o, int r, int extra, int c, int d) {
        int before = r;
        for (int k = 0; k <= extra; k++) {
            int next = k < extra ? rows + k : r + 1;
            quad(o[before][c], o[before][d], o[next][d], o[next][c]);
            before = next;
        }
    }

    private void poles(int[] o, int[] in, Vec3[] poles, int cells) {
        int top = vertex(poles[0]), under = vertex(poles[1]);
        for (int c = 0; c < cells; c++) {
            int d = (c + 1) % columns;
            mesh.addTriangle(o[c], o[d], top);
            mesh.addTriangle(in[d], in[c], under);
        }
    }

    /** Along the sides of a removed cell that border on a kept one, outer edge to inner edge. */
    private void edges(int[][] o, int[][] in, int r, int c, int d) {
        if (r > 0 && !gone(r - 1, c)) stitch(o[r][c], o[r][d], in[r][d], in[r][c]);
        if (r + 2 < rows && !gone(r + 1, c)) stitch(o[r + 1][d], o[r + 1][c], in[r + 1][c], in[r + 1][d]);
        if (!gone(r, d)) stitch(o[r][d], o[r + 1][d], in[r + 1][d], in[r][d]);
        if (!gone(r, Math.floorMod(c - 1, columns))) stitch(o[r + 1][c], o[r][c], in[r][c], in[r + 1][c]);
    }

    private void stitch(int a, int b, int c, int d) {
        mesh.addQuad(a, b, c, d);
    }

    private void quad(int a, int b, int c, int d) {
        mesh.addQuad(a, b, c, d);
    }

    private int[][] points(Surface s, int n) {
        var out = new int[n][columns];
        for (int r = 0; r < n; r++) for (int c = 0; c < columns; c++) out[r][c] = vertex(s.at(r, c));
        return out;
    }

    private int vertex(Vec3 p) {
        return mesh.addVertex((float) p.x(), (float) p.y(), (float) p.z());
    }

    private static Mesh turnedOver(Mesh m) {
        var t = m.copyTriangles();
        for (int i = 0; i < t.length; i += 3) {
            int swap = t[i + 1];
            t[i + 1] = t[i + 2];
            t[i + 2] = swap;
        }
        return Mesh.of(m.copyXyz(), t);
    }
}
