package yellowbracket.size;

import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.DistanceGrid;
import yellowbracket.shop.Wearer;

/**
 * Signed distance to a head on its way into a prop, mm, head coordinates, on a {@link #CELL_MM} grid: negative within. Without the neck (it
 * bends), with hair pressed to a third and
 * ears folded. Made once a wearer and good for every shell, scale and pose: it is the head that is closed and known, not the shell.
 */
public final class HeadField {
    /** Cells of the distance field, mm. */
    static final double CELL_MM = 4;
    /** Distances are told up to this, mm. */
    public static final double FAR_MM = 32;
    /** How far an ear lies back when it is brushed past, mm. */
    private static final double EAR_FOLDS_MM = 9;

    private final HeadForm form;
    private final DistanceGrid grid;

    private HeadField(HeadForm form, DistanceGrid grid) {
        this.form = form;
        this.grid = grid;
    }

    public static HeadField of(HeadForm form, Wearer wearer, Progress progress) {
        return around(form, form.skull(z -> z == Zone.EARS ? -EAR_FOLDS_MM : z.hairy() ? wearer.hairMm() / 3 : 0), progress);
    }

    /** Of any closed body in place of a head. */
    static HeadField around(HeadForm form, Mesh skull, Progress progress) {
        var b = skull.bounds();
        var room = new Vec3(FAR_MM, FAR_MM, FAR_MM);
        return new HeadField(form,
                DistanceGrid.ofClosed(Bvh.of(skull), new Bounds3(b.min().minus(room), b.max().plus(room)), CELL_MM, progress));
    }

    HeadForm form() {
        return form;
    }

    double mm(double x, double y, double z) {
        return grid.mm(x, y, z);
    }

    /** At a place in head coordinates; no more than {@link #FAR_MM}. */
    public double at(Vec3 head) {
        return grid.mm(head.x(), head.y(), head.z());
    }

    public long bytes() {
        return grid.bytes();
    }

    /** Nodes of the grid. */
    public int nodes() {
        return grid.nodes();
    }
}
