package yellowbracket.smooth;

import java.util.List;
import java.util.Map;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;

/** What each place is to become: by brush, the last stroke over it counts; else by area; else what is seen is shown. */
public final class Targets {
    /** What is seen is shown, the rest hidden. */
    public static final Targets NONE = new Targets(List.of(), Map.of(), 1);

    private final List<Stroke> strokes;
    private final List<Bounds3> boxes;
    private final Map<String, Target> areas;
    private final double scale;

    /** @param areas by {@link #key} @param scale of the model: strokes are in its own mm */
    public Targets(List<Stroke> strokes, Map<String, Target> areas, double scale) {
        this.strokes = List.copyOf(strokes);
        this.areas = Map.copyOf(areas);
        this.scale = scale;
        boxes = strokes.stream().map(Targets::box).toList();
    }

    private static Bounds3 box(Stroke s) {
        double[] lo = {1e300, 1e300, 1e300}, hi = {-1e300, -1e300, -1e300};
        for (var p : s.at()) for (int k = 0; k < 3; k++) {
            lo[k] = Math.min(lo[k], p.get(k) - s.radiusMm());
            hi[k] = Math.max(hi[k], p.get(k) + s.radiusMm());
        }
        return Bounds3.of(lo[0], lo[1], lo[2], hi[0], hi[1], hi[2]);
    }

    /** Names an area by how it is worked, whatever its depth comes to. */
    public static String key(Areas.Shape shape, Areas.Lines lines) {
        return shape.name() + " " + lines.name();
    }

    /** @param p real mm @param usual where no brush went over it */
    public Target of(Vec3 p, Target usual) {
        var model = p.times(1 / scale);
        for (int i = strokes.size() - 1; i >= 0; i--)
            if (boxes.get(i).contains(model) && strokes.get(i).holds(model)) return strokes.get(i).target();
        return usual;
    }

    /** An area as a whole, where no brush said otherwise. */
    Target ofArea(Place p) {
        if (p.target() != Target.SHOW) return p.target();
        return areas.getOrDefault(key(p.shape(), p.lines()), Target.SHOW);
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Targets t && strokes.equals(t.strokes) && areas.equals(t.areas) && scale == t.scale;
    }

    @Override
    public int hashCode() {
        return java.util.Objects.hash(strokes, areas, scale);
    }
}
