package yellowbracket.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.Carve;
import yellowbracket.cut.solid.ConvexSolid;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;

/** Places for drain holes, and cutting them. */
public final class Drains {
    /** A little wider than must be: resin shrinks holes. */
    private static final double WIDE_MM = 3.5;
    /** Walls thicker than this are not drilled through. */
    private static final double DEEPEST_MM = 15;
    /** A hole goes through its wall no more askew than this. */
    private static final double SQUARE = 0.6;
    /** How far a hole reaches beyond the wall on both sides, mm. */
    private static final double BEYOND_MM = 0.8;
    private static final List<Vec3> LOOKS = ShowSide.spread(400);
    /** A millimetre further up costs this much less than being seen. */
    private static final double SEEN_MM = 1000;
    /** Of the faces a hole leaves. */
    private static final int TAG = 1 << 19;

    private Drains() {}

    private record Place(Drain drain, Vec3 at, boolean seen) {}

    /**
     * One hole low over the plate, where liquid runs to as it hangs, and one far from it that lets air in; hidden where there is a hidden
     * place. Fewer where the hollow's middle lies in material or its walls are too thick.
     * @param section real mm @param seen by facet: on the show side
     */
    static List<Drain> propose(Mesh section, Turn turn, Hollows.Hollow h, boolean[] seen, double scale) {
        var index = Bvh.of(section);
        var from = turn.inverse().apply(h.at());
        if (index.inside(from)) return List.of();
        var places = new ArrayList<Place>();
        for (var d : LOOKS) place(section, index, from, d, seen, scale).ifPresent(places::add);
        if (places.isEmpty()) return List.of();
        var up = turn.row2();
        var first = places.stream().min(Comparator.comparingDouble(p -> (p.seen ? SEEN_MM : 0) + up.dot(p.at))).orElseThrow();
        var second = places.stream().max(Comparator.comparingDouble(p -> (p.seen ? -SEEN_MM : 0) + p.at.distance(first.at))).orElseThrow();
        return first == second ? List.of(first.drain) : List.of(first.drain, second.drain);
    }

    private static java.util.Optional<Place> place(Mesh m, Bvh index, Vec3 from, Vec3 d, boolean[] seen, double scale) {
        var in = index.first(from, d);
        if (in.isEmpty()) return java.util.Optional.empty();
        double near = in.get().distance();
        var out = index.first(from.plus(d.times(near + 1e-4)), d);
        if (out.isEmpty() || out.get().distance() > DEEPEST_MM) return java.util.Optional.empty();
        int facet = out.get().triangle();
        var n = m.areaVector(facet);
        if (n.dot(d) < SQUARE * n.norm()) return java.util.Optional.empty();
        var at = from.plus(d.times(near + out.get().distance()));
        return java.util.Optional
                .of(new Place(new Drain(at.times(1 / scale), d.times(-1), WIDE_MM, out.get().distance()), at, seen[facet]));
    }

    /** Sections with their holes cut; what cannot be cut stays as it is. @param sections real mm @param by section's letter */
    public static Sectioning cut(Sectioning sections, Map<String, List<Drain>> by, double scale) {
        if (by.isEmpty()) return sections;
        var out = sections.sections().stream().map(s -> {
            var mesh = s.mesh();
            for (var d : by.getOrDefault(s.name(), List.of())) mesh = cut(mesh, d, scale);
            return mesh == s.mesh() ? s : new Section(s.id(), mesh, s.closed());
        }).toList();
        return new Sectioning(out, sections.seams(), sections.findings());
    }

    static Mesh cut(Mesh m, Drain d, double scale) {
        var outside = d.at().times(scale);
        double half = d.deepMm() / 2 + BEYOND_MM;
        var hole = ConvexSolid.prism(outside.plus(d.inward().times(d.deepMm() / 2)), d.inward(), d.wideMm() / 2, half);
        return Carve.difference(m, Bvh.of(m), hole, TAG);
    }
}
