package yellowbracket.cut;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.measure.SliceMoments;

/**
 * How strong the prop is where a plane cuts it, and beside it, real mm: a joint is no stronger than what it joins, and a neck or a limb cut
 * where it is thinnest breaks there. Solid sections; what a print leaves hollow is the same beside it.
 * @param number of the plane, from 0
 * @param areaMm2 of the cut, {@code modulusMm3} its bending modulus about the weaker axis
 * @param besideMm3 the largest modulus within {@link #BESIDE_MM}, of the side that is thinner
 * @param betterMm along the plane's normal to the nearest place that is nearly as strong as that, where the cut is a neck
 */
public record Neck(int number, CutPlane plane, double areaMm2, double modulusMm3, double besideMm3, OptionalDouble betterMm) {
    /** So far to either side is looked, mm, in steps. */
    static final double BESIDE_MM = 60, STEP_MM = 2;
    /** Looked at beside the cut, where the sections have their caps, mm. */
    private static final double OFF_MM = 0.01;
    /** From this share of strength lost on it is told. */
    private static final double TOLD = 0.65;
    /** What is this strong beside the strongest is as good. */
    private static final double NEARLY = 0.8;

    /** Share of the strength beside it that is missing here, 0 to 1. */
    public double share() {
        return besideMm3 <= modulusMm3 ? 0 : 1 - modulusMm3 / besideMm3;
    }

    /** Each plane of a tree, in number order. @param sections plain ones, model mm @param scale of the prop */
    public static List<Neck> of(List<Section> sections, CutTree tree, double scale) {
        var paths = sections.stream().map(tree::pathTo).toList();
        var out = new ArrayList<Neck>();
        walk(tree, List.of(), (plane, path) -> {
            var own = IntStream.range(0, sections.size())
                    .filter(i -> paths.get(i).size() >= path.size() && paths.get(i).subList(0, path.size()).equals(path))
                    .mapToObj(i -> sections.get(i).mesh())
                    .toList();
            out.add(at(out.size(), plane, own, scale));
        });
        return List.copyOf(out);
    }

    private interface Visit {
        void plane(CutPlane plane, List<Boolean> path);
    }

    private static void walk(CutTree tree, List<Boolean> path, Visit visit) {
        if (!(tree instanceof CutTree.Split s)) return;
        visit.plane(s.plane(), path);
        for (boolean up : new boolean[] {true, false}) {
            var next = new ArrayList<>(path);
            next.add(up);
            walk(up ? s.above() : s.below(), next, visit);
        }
    }

    private static Neck at(int number, CutPlane plane, List<Mesh> pieces, double scale) {
        int half = (int) Math.round(BESIDE_MM / STEP_MM);
        var offsets = IntStream.rangeClosed(-half, half).mapToDouble(k -> plane.offsetMm() + OFF_MM + k * STEP_MM / scale).toArray();
        var frame = plane.frame();
        var slices = SliceMoments.across(pieces, plane.normal(), frame.first(), frame.second(), offsets);
        double cube = scale * scale * scale;
        double here = slices.modulusMm3(half) * cube, up = 0, down = 0;
        for (int k = 1; k <= half; k++) {
            up = Math.max(up, slices.modulusMm3(half + k) * cube);
            down = Math.max(down, slices.modulusMm3(half - k) * cube);
        }
        double beside = Math.min(up, down);
        var better = OptionalDouble.empty();
        for (int k = 1; k <= half && 1 - here / beside > TOLD && better.isEmpty(); k++)
            for (int way : new int[] {1, -1}) if (better.isEmpty() && slices.modulusMm3(half + way * k) * cube >= NEARLY * beside)
                better = OptionalDouble.of(way * k * STEP_MM);
        return new Neck(number, plane, slices.areaMm2(half) * scale * scale, here, Math.max(beside, here), better);
    }

    /** What to say of a plane that cuts a neck, with the move that mends it. */
    public Optional<Finding> finding(double scale) {
        if (betterMm.isEmpty()) return Optional.empty();
        var to = plane.moved(betterMm.getAsDouble() / scale);
        var words = String.format(Locale.ROOT,
                "plane %d cuts a neck: %.1f cm\u00b2, %.0f %% weaker than it is %.0f mm beside it, and joints break where it is thinnest",
                number + 1, areaMm2 / 100, 100 * share(), Math.abs(betterMm.getAsDouble()));
        return Optional.of(Finding.of(Weight.CARE, Subject.WHOLE, words)
                .fixedBy(new Fix.Change<>("move it to " + to.words(), CutWish.class, w -> moved(w, to))));
    }

    /** Cuts made anew meanwhile stay as they are. */
    private CutWish moved(CutWish w, CutPlane to) {
        var planes = w.tree().planes();
        return number < planes.size() && planes.get(number).equals(plane) ? w.withPlane(number, to) : w;
    }
}
