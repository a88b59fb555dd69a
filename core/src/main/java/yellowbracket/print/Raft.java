package yellowbracket.print;

import java.util.Optional;
import yellowbracket.mesh.Mesh;

/**
 * What a raft asks for and leaves: its outline on the bed, mm, and the rough underside it leaves, mm2, with the share on the show side.
 */
public record Raft(double wideMm, double deepMm, boolean fits, double scarMm2, double seenMm2) {
    /** It reaches out so far around what lies on the bed. */
    static final double AROUND_MM = 3;
    private static final double CELL_MM = 0.8;

    /** Empty for a print without one. @param section real mm @param seen by facet: on the show side */
    static Optional<Raft> of(Mesh section, SectionPrint p, boolean[] seen) {
        if (p.profile().raftLayers() <= 0) return Optional.empty();
        var columns = Columns.of(section, seen, p.orientation().turn(), CELL_MM);
        // support stands on the raft too: it reaches as far as what is held
        var foot = columns.foot(p.profile().supportAngleDeg());
        double x = foot.wideMm() + 2 * AROUND_MM, y = foot.deepMm() + 2 * AROUND_MM;
        boolean fits = x <= p.printer().bedX() && y <= p.printer().bedY() || y <= p.printer().bedX() && x <= p.printer().bedY();
        return Optional.of(new Raft(x, y, fits, foot.ownMm2(), foot.seenMm2()));
    }
}
