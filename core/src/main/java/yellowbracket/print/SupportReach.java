package yellowbracket.print;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Support that does not come out again, and support that breaks what it touches. A column of support is reachable where a tool
 * {@link #TOOL_MM} thick gets within {@link #PULLS_MM} of it from outside, once the section is off the bed; what it holds is fragile where
 * the material there is thinner than {@link #THIN_MM} in some direction, upright or level. Areas in mm2 of faces held; places in turned
 * coordinates. Off by the contact's outline times half a cell.
 */
public record SupportReach(double contactMm2, double unreachableMm2, double fragileMm2, List<Vec3> unreachable, List<Vec3> fragile) {
    /** Pliers' tips and small cutters. */
    static final double TOOL_MM = 4;
    /** Details thinner than this snap when support is pulled off them. */
    static final double THIN_MM = 2;
    /** Support that hangs together with what a tool holds comes out with it, so far in. */
    private static final double PULLS_MM = 7;
    /** Cells to either side of a tool's middle where the section is small enough for such cells. */
    private static final int HALF = 2;
    /** So many thin places near each other make a detail. */
    private static final double BESIDE_MM = 3;
    private static final int FEW = 5;
    /** Less of it is not worth a word, mm2. */
    private static final double TOLD_MM2 = 15;
    /** Directions in which thickness is felt: level all round, and upright. */
    private static final int ROUND = 4;
    /** How far above the contact, mm: the first layers. */
    private static final double INTO_MM = 0.6;

    public SupportReach {
        unreachable = List.copyOf(unreachable);
        fragile = List.copyOf(fragile);
    }

    /** @param section real mm */
    public static SupportReach of(Mesh section, Turn turn, double leanDeg) {
        var voxels = Voxels.of(section, turn, TOOL_MM / (2 * HALF + 1), HALF + 2);
        // cells to either side of a tool's middle
        int half = Math.clamp(Math.round((TOOL_MM / voxels.cell - 1) / 2), 1, HALF);
        var posts = Columns.of(section, new boolean[section.triangleCount()], turn, voxels.cell).posts(leanDeg, 1);
        double each = voxels.cell * voxels.cell;
        var reached = voxels.spread(voxels.flooded(voxels.grown(half)), (int) Math.round(PULLS_MM / voxels.cell));
        var turned = section.turned(turn);
        var index = Bvh.of(turned);
        var stuck = new ArrayList<Vec3>();
        var breaks = new ArrayList<Vec3>();
        for (var p : posts) {
            var held = new Vec3(p.x(), p.y(), p.to());
            if (!reachable(voxels, reached, p)) stuck.add(held);
            if (thin(index, held.plus(new Vec3(0, 0, INTO_MM)))) breaks.add(held);
        }
        breaks = new ArrayList<>(together(breaks));
        return new SupportReach(posts.size() * each, stuck.size() * each, breaks.size() * each, stuck, breaks);
    }

    private static boolean reachable(Voxels v, BitSet reached, Columns.Post p) {
        for (double z = p.from() + v.cell / 2; z < p.to() + v.cell / 2; z += v.cell) {
            int at = v.holding(new Vec3(p.x(), p.y(), z));
            if (at >= 0 && reached.get(at)) return true;
        }
        return false;
    }

    private static boolean thin(Bvh index, Vec3 in) {
        for (int k = 0; k <= ROUND; k++) {
            double a = Math.PI * k / ROUND;
            var d = k == ROUND ? Vec3.Z : new Vec3(Math.cos(a), Math.sin(a), 0);
            double ahead = index.firstDistance(in.x(), in.y(), in.z(), d.x(), d.y(), d.z(), 0),
                    back = index.firstDistance(in.x(), in.y(), in.z(), -d.x(), -d.y(), -d.z(), 0);
            if (ahead + back < THIN_MM) return true;
        }
        return false;
    }

    /** Corners of broad faces are thin across too: only what has others beside it is a fin or an edge. */
    private static List<Vec3> together(List<Vec3> thin) {
        return thin.stream().filter(p -> thin.stream().filter(q -> q.distance(p) < BESIDE_MM).limit(FEW + 1).count() > FEW).toList();
    }

    public boolean tellsUnreachable() {
        return unreachableMm2 >= TOLD_MM2;
    }

    public boolean tellsFragile() {
        return fragileMm2 >= TOLD_MM2;
    }
}
