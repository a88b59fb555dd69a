package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * How much material lies around a place inside a section: to the surface of the model, to the section's other cut faces, to holes already
 * placed. Real mm.
 */
final class WallRoom {
    private final Bvh index;
    private final double scale;
    private final List<CutPlane> planes;
    private final Map<String, Set<Integer>> facesOf = new HashMap<>();
    private final Map<String, List<Hole>> holes = new HashMap<>();

    /** A straight round hole from a to b. */
    private record Hole(Vec3 a, Vec3 b, double radius) {}

    /** @param index of the model; {@code scale} brings its coordinates to real mm */
    WallRoom(Bvh index, double scale, List<CutPlane> planes, Sectioning sections) {
        this.index = index;
        this.scale = scale;
        this.planes = planes;
        for (var s : sections.seams()) {
            facesOf.computeIfAbsent(s.first(), k -> new HashSet<>()).add(s.plane());
            facesOf.computeIfAbsent(s.second(), k -> new HashSet<>()).add(s.plane());
        }
    }

    /** Distance from {@code p} to the nearest wall of the section but the face on plane {@code except}. */
    double around(String section, Vec3 p, int except) {
        double least = scale * index.distance(p.times(1 / scale));
        for (int k : facesOf.getOrDefault(section, Set.of())) if (k != except) least = Math.min(least, Math.abs(planes.get(k).height(p)));
        return least;
    }

    /**
     * How deep a round hole of that radius can go from {@code p} along {@code into} with {@code wall} mm left on all sides, up to {@code
     * wanted}; 0 if not at all.
     * Between the places asked a wall may be nearer by what the step allows for.
     */
    double depth(String section, Vec3 p, Vec3 into, double radius, double wall, double wanted, int plane) {
        double step = Math.max(0.5, radius / 2), need = Math.hypot(radius + wall, step / 2);
        double deep = 0;
        for (double t = 0;; t += step) {
            double at = Math.min(t, wanted);
            if (around(section, p.plus(into.times(at)), plane) < (at == 0 ? radius + wall : need)) break;
            deep = at;
            if (at == wanted) break;
        }
        // the floor needs its wall too
        while (deep > 0 && around(section, p.plus(into.times(deep)), plane) < Math.hypot(radius, wall)) deep -= step;
        return Math.max(0, deep);
    }

    void take(String section, Vec3 a, Vec3 b, double radius) {
        holes.computeIfAbsent(section, k -> new ArrayList<>()).add(new Hole(a, b, radius));
    }

    /** Whether a hole would come nearer than {@code wall} to one placed before. */
    boolean free(String section, Vec3 a, Vec3 b, double radius, double wall) {
        return holes.getOrDefault(section, List.of()).stream().allMatch(h -> distance(a, b, h.a, h.b) >= radius + h.radius + wall);
    }

    /** Between two segments (Ericson, "Real-Time Collision Detection", 2005, 5.1.9). */
    static double distance(Vec3 p1, Vec3 q1, Vec3 p2, Vec3 q2) {
        var d1 = q1.minus(p1);
        var d2 = q2.minus(p2);
        var r = p1.minus(p2);
        double a = d1.dot(d1), e = d2.dot(d2), f = d2.dot(r), c = d1.dot(r), b = d1.dot(d2), s, t;
        if (a < 1e-12 && e < 1e-12) return r.norm();
        if (a < 1e-12) {
            s = 0;
            t = Math.clamp(f / e, 0, 1);
        } else if (e < 1e-12) {
            t = 0;
            s = Math.clamp(-c / a, 0, 1);
        } else {
            double denominator = a * e - b * b;
            s = denominator > 1e-12 ? Math.clamp((b * f - c * e) / denominator, 0, 1) : 0;
            t = (b * s + f) / e;
            if (t < 0) {
                t = 0;
                s = Math.clamp(-c / a, 0, 1);
            } else if (t > 1) {
                t = 1;
                s = Math.clamp((b - c) / a, 0, 1);
            }
        }
        return p1.plus(d1.times(s)).distance(p2.plus(d2.times(t)));
    }

    /** What keeps a hole from a place, in words; empty if nothing does. */
    Optional<String> objection(String section, Vec3 p, Vec3 into, double radius, double wall, double least, int plane) {
        double face = around(section, p, plane);
        if (face < radius + wall) return Optional.of(String.format(java.util.Locale.ROOT,
                "%.1f mm of material around the middle in %s, %.1f needed", face, section, radius + wall));
        double deep = depth(section, p, into, radius, wall, least, plane);
        if (deep < least) return Optional
                .of(String.format(java.util.Locale.ROOT, "only %.1f mm deep before %s gets thin, %.1f needed", deep, section, least));
        if (!free(section, p, p.plus(into.times(least)), radius, wall)) return Optional.of("it runs into another hole of " + section);
        return Optional.empty();
    }
}
