package yellowbracket.mesh.repair;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.mesh.measure.WallThickness;

/**
 * Faults in words: how many, what they mean for cutting and printing, and which mending step helps. Shared by the window and the command
 * line.
 */
public final class HealthFindings {
    /** One fault; {@code bad}: sections would not be closed, or prints not come out as drawn. */
    public record Fault(String name, int count, boolean bad, String means) {
        public String sentence() {
            return count + " " + name + ": " + means;
        }
    }

    private HealthFindings() {}

    /** Only what is there; empty for a sound mesh. */
    public static List<Fault> of(MeshHealth h, Overlaps overlaps) {
        var out = new ArrayList<Fault>();
        add(out, plural(h.boundaryEdges(), "open edge"), h.boundaryEdges(), true,
                "the surface has holes; sections keep them, and a slicer guesses what is inside");
        add(out, plural(h.nonManifoldEdges(), "edge") + " of more than two triangles", h.nonManifoldEdges(), true,
                "sheets meet there; a cut along them cannot tell inside from outside");
        add(out, plural(h.misorientedEdges(), "edge") + " between triangles that face opposite ways", h.misorientedEdges(), true,
                "parts of the surface are inside out; walls there may vanish in slicing");
        add(out, h.duplicateTriangles() == 1 ? "duplicate triangle" : "duplicate triangles", h.duplicateTriangles(), true,
                "slicers may take the two for a wall of no thickness");
        add(out, plural(h.degenerateTriangles(), "triangle") + " without area", h.degenerateTriangles(), false,
                "harmless to print, but they disturb cuts through them");
        add(out, (h.flippedBodies() == 1 ? "body" : "bodies") + " inside out", h.flippedBodies(), true,
                "the volume counts as a void: hours and grams come out too low");
        add(out, overlaps.pairs().size() == 1 ? "pair of bodies that run through each other or themselves"
                : "pairs of bodies that run through each other or themselves", overlaps.pairs().size(), false,
                "printed as one where they overlap; hours and grams count the overlap twice");
        return List.copyOf(out);
    }

    /** How sure it is that no overlap was missed. */
    public static String tried(Overlaps o) {
        return o.tested() >= o.edges() ? "every edge was tried"
                : String.format(java.util.Locale.ROOT,
                        "one edge in %.0f was tried: an overlap of %d edges or more is found in 19 of 20 cases, "
                                + "a smaller one less often",
                        (double) o.edges() / o.tested(), o.foundFrom());
    }

    private static String plural(int n, String noun) {
        return n == 1 ? noun : noun + "s";
    }

    private static void add(List<Fault> out, String name, int count, boolean bad, String means) {
        if (count > 0) out.add(new Fault(name, count, bad, means));
    }

    /** Thinner walls break in sanding or are left out by a common nozzle, mm. */
    public static final double THIN_MM = 1.2;

    /** What thin walls mean, when more than a hundredth of the surface has them at this scale; empty otherwise. */
    public static String thinWalls(WallThickness w, double scale) {
        double share = w.known() ? w.shareBelow(THIN_MM / scale) : 0;
        return share < 0.01 ? ""
                : String.format(java.util.Locale.ROOT,
                        "%.0f %% of the surface is thinner than %.1f mm: too thin to sand, and a 0.4 mm nozzle prints it as two "
                                + "lines or less",
                        100 * share, THIN_MM);
    }
}
