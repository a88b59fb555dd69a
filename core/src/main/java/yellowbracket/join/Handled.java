package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowbracket.cut.Section;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * The load cases that what is done with a prop implies; real mm, as it stands, facing +y.
 * @param times its weight that handling makes, where the maker says so
 */
public record Handled(List<Section> sections, Optional<Double> times) {
    /** A prop so many times as long as wide is laid on its ends and leaned. */
    private static final double SLENDER = 3;
    /** Supports lie in from the ends by this share. */
    private static final double FROM_END = 0.05;
    /** The brow lies at this height of a helm, from its rim up. */
    private static final double BROW = 0.65;
    /** Straps pull at this height of a mask, from its chin up. */
    private static final double EYES = 0.6;

    public Handled {
        sections = List.copyOf(sections);
    }

    private double times(double usual) {
        return times.orElse(usual);
    }

    private Bounds3 bounds() {
        return sections.stream().map(s -> s.mesh().bounds()).reduce(Bounds3::union).orElseThrow();
    }

    /** On the head: crown and brow carry it. */
    public List<LoadCase> worn() {
        if (sections.isEmpty()) return List.of();
        var b = bounds();
        var mid = b.centre();
        var by = new HashSet<String>();
        by.add(nearest(new Vec3(mid.x(), mid.y(), b.max().z())));
        by.add(nearest(new Vec3(mid.x(), b.max().y(), b.min().z() + BROW * b.size().z())));
        return List.of(LoadCase.picked(times(LoadCase.CAREFUL)), LoadCase.held(LoadCase.Kind.WORN, times(LoadCase.CROWD), by));
    }

    /** On the face: the brow rests against it, the straps pull at both sides as high as the eyes. */
    public List<LoadCase> onTheFace() {
        if (sections.isEmpty()) return List.of();
        var b = bounds();
        double eyes = b.min().z() + EYES * b.size().z();
        var mid = b.centre();
        var by = new HashSet<String>();
        by.add(nearest(new Vec3(mid.x(), b.max().y(), b.max().z())));
        by.add(nearest(new Vec3(b.min().x(), b.min().y(), eyes)));
        by.add(nearest(new Vec3(b.max().x(), b.min().y(), eyes)));
        return List.of(LoadCase.picked(times(LoadCase.CAREFUL)), LoadCase.held(LoadCase.Kind.WORN, times(LoadCase.CROWD), by));
    }

    /** In the hand, at a place or where it balances; laid down and leaned where it is long. */
    public List<LoadCase> carried(Optional<Vec3> hold, Vec3 balance) {
        if (sections.isEmpty()) return List.of();
        var out = new ArrayList<LoadCase>();
        out.add(LoadCase.picked(times(LoadCase.CAREFUL)));
        var at = hold.orElse(balance);
        out.add(new LoadCase(LoadCase.Kind.HELD, times(LoadCase.CROWD), Set.of(nearest(at)), List.of(at), new JointGroup.Ways.Any()));
        var ends = ends();
        if (ends.isPresent()) {
            Vec3 a = ends.get().get(0), b = ends.get().get(1);
            out.add(LoadCase.onTwo(LoadCase.Kind.LYING, times(LoadCase.SHELF), a, b));
            out.add(LoadCase.onTwo(LoadCase.Kind.LEANING, times(LoadCase.SHELF) * Math.sin(Math.toRadians(LoadCase.LEANS_DEG)), a, b));
        }
        return List.copyOf(out);
    }

    /** Stood up or hung by its top. */
    public List<LoadCase> standing() {
        if (sections.isEmpty()) return List.of();
        var b = bounds();
        return List.of(LoadCase.picked(times(LoadCase.CAREFUL)),
                LoadCase.hung(times(LoadCase.SHELF), Set.of(nearest(new Vec3(b.centre().x(), b.centre().y(), b.max().z())))));
    }

    private Optional<List<Vec3>> ends() {
        var b = bounds();
        int axis = 0;
        for (int k = 1; k < 3; k++) if (b.size().get(k) > b.size().get(axis)) axis = k;
        double next = 0;
        for (int k = 0; k < 3; k++) if (k != axis) next = Math.max(next, b.size().get(k));
        if (b.size().get(axis) < SLENDER * next) return Optional.empty();
        double off = (0.5 - FROM_END) * b.size().get(axis);
        var way = Vec3.axis(axis).times(off);
        return Optional.of(List.of(b.centre().minus(way), b.centre().plus(way)));
    }

    /** The section that comes nearest to a place. */
    public String nearest(Vec3 p) {
        return sections.stream().min(Comparator.comparingDouble(s -> distance(s.mesh(), p))).orElseThrow().name();
    }

    private static double distance(Mesh m, Vec3 p) {
        double least = Double.POSITIVE_INFINITY;
        for (int v = 0; v < m.vertexCount(); v++) {
            double x = m.x(v) - p.x(), y = m.y(v) - p.y(), z = m.z(v) - p.z();
            least = Math.min(least, x * x + y * y + z * z);
        }
        return least;
    }
}
