package yellowbracket.cut;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Sections that one file can print: a section which is the same as an earlier one in some quarter turn, or its mirror image. Compared by
 * the distance of
 * vertices to the other's surface both ways, so that the triangles may differ; up to 400 vertices each way are asked.
 */
public final class Alike {
    /** Halves alike to this, mm, are printed from one file: far below what a printer holds. */
    private static final double NEAR_MM = 0.02;
    /** Points compared. */
    private static final int ASKED = 400;

    private Alike() {}

    /** {@code section} can be printed from the file of {@code of}, mirrored by the program that prints it or as it is. */
    public record Twin(String section, String of, boolean mirrored) {
        public String words() {
            return section + (mirrored ? " is the mirror image of " : " is the same as ") + of;
        }
    }

    /** One sentence for all that share a file: {@code B, C are the same as A}. */
    public static List<String> sentences(List<Twin> twins) {
        var by = new LinkedHashMap<String, List<Twin>>();
        for (var t : twins) by.computeIfAbsent(t.of() + t.mirrored(), k -> new ArrayList<>()).add(t);
        return by.values()
                .stream()
                .map(list -> list.size() == 1 ? list.getFirst().words()
                        : String.join(", ", list.stream().map(Twin::section).toList())
                                + (list.getFirst().mirrored() ? " are mirror images of " : " are the same as ") + list.getFirst().of())
                .toList();
    }

    /** At most one for each section, naming the earliest that serves. */
    public static List<Twin> among(List<Section> sections) {
        var out = new ArrayList<Twin>();
        var firsts = new ArrayList<Section>();
        for (var s : sections) {
            var twin = firsts.stream().map(f -> twin(s, f)).flatMap(Optional::stream).findFirst();
            twin.ifPresentOrElse(out::add, () -> firsts.add(s));
        }
        return List.copyOf(out);
    }

    private static Optional<Twin> twin(Section s, Section of) {
        double v = s.mesh().volumeMm3(), w = of.mesh().volumeMm3();
        if (Math.abs(v - w) > 2e-4 * Math.max(Math.abs(v), Math.abs(w))
                || Math.abs(s.mesh().areaMm2() - of.mesh().areaMm2()) > 2e-4 * of.mesh().areaMm2())
            return Optional.empty();
        var mine = Bvh.of(s.mesh());
        var theirs = Bvh.of(of.mesh());
        for (boolean mirrored : new boolean[] {false, true}) for (var t : Turn.quarterTurns()) {
            UnaryOperator<Vec3> there = mirrored ? p -> t.apply(across(p)) : t::apply,
                    back = mirrored ? p -> across(t.inverse().apply(p)) : t.inverse()::apply;
            if (covers(s.mesh(), of.mesh(), theirs, there) && covers(of.mesh(), s.mesh(), mine, back))
                return Optional.of(new Twin(s.name(), of.name(), mirrored));
        }
        return Optional.empty();
    }

    private static Vec3 across(Vec3 p) {
        return new Vec3(-p.x(), p.y(), p.z());
    }

    /** Every asked vertex of one lies on the other, box middles brought together. */
    private static boolean covers(Mesh one, Mesh other, Bvh index, UnaryOperator<Vec3> map) {
        var from = one.bounds().centre();
        var to = other.bounds().centre();
        var size = map.apply(one.bounds().size());
        var want = other.bounds().size();
        for (int a = 0; a < 3; a++) if (Math.abs(Math.abs(size.get(a)) - want.get(a)) > 2 * NEAR_MM) return false;
        int step = Math.max(1, one.vertexCount() / ASKED);
        for (int v = 0; v < one.vertexCount(); v += step)
            if (index.distance(map.apply(one.point(v).minus(from)).plus(to)) > NEAR_MM) return false;
        return true;
    }
}
