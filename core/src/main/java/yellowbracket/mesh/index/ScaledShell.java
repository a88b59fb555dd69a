package yellowbracket.mesh.index;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** A model's surface as large as the prop is: asked and answered in real mm, on the index of the model as it came. */
public record ScaledShell(Mesh mesh, Bvh index, double scale) {
    public ScaledShell {
        if (!(scale > 0)) throw new IllegalArgumentException("a scale is above 0, was " + scale);
    }

    /** To the first wall along a unit direction, infinite for none. */
    public double firstMm(Vec3 from, Vec3 unit) {
        double k = 1 / scale;
        return scale * index.firstDistance(from.x() * k, from.y() * k, from.z() * k, unit.x(), unit.y(), unit.z(), 0);
    }

    /** What a line along a unit direction meets first, its distance in real mm. */
    public java.util.Optional<Bvh.Hit> first(Vec3 from, Vec3 unit) {
        return index.first(from.times(1 / scale), unit).map(h -> new Bvh.Hit(h.distance() * scale, h.triangle(), h.fromInside()));
    }

    /** Whether there is wall along a unit direction up to so far. */
    public boolean blocked(Vec3 from, Vec3 unit, double mostMm) {
        return index.blocked(from.times(1 / scale), unit, 0, mostMm / scale);
    }

    public double distanceMm(Vec3 p) {
        return scale * index.distance(p.times(1 / scale));
    }

    public boolean inside(Vec3 p) {
        return index.inside(p.times(1 / scale));
    }
}
