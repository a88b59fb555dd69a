package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * How much material lies around a place inside a section: to the surface of the model, to the section's other cut faces, to holes already
 * placed. Real mm.
 */
final class WallRoom {
    /** How far apart places along a hole are asked, mm. */
    private static final double ASKED_MM = 0.5;

    private final Bvh index;
    private final double scale;
    private final List<CutPlane> planes;
    private final Map<String, Set<Integer>> facesOf = new HashMap<>();
    private final Map<String, List<Hole>> holes = new HashMap<>();
    private final Map<String, List<Groove>> grooves = new HashMap<>();

    /** A straight round hole from a to b. */
    record Hole(Vec3 a, Vec3 b, double radius) {}

    /** What is hollowed out straight from a face. */
    private record Groove(MatingFace face, Geometry shape, double depth) {
        /** Whether a hole comes nearer than {@code wall}: asked along its axis, between the places by what they are apart. */
        boolean meets(Vec3 a, Vec3 b, double reach) {
            int n = (int) Math.ceil(a.distance(b) / ASKED_MM) + 1;
            for (int i = 0; i <= n; i++) {
                var p = a.plus(b.minus(a).times((double) i / n));
                double h = face.plane().height(p), off = Math.max(0, Math.max(-h, h - depth));
                if (off < reach + ASKED_MM
                        && Math.hypot(off, shape.distance(Footprints.GEOMETRY.createPoint(face.flat(p)))) < reach + ASKED_MM / 2)
                    return true;
            }
            return false;
        }
    }

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

    /** Distance from {@code p} to the nearest wall of the section but the face on plane {@code except}; below 0 outside the model. */
    double around(String section, Vec3 p, int except) {
        var q = p.times(1 / scale);
        double least = index.inside(q) ? scale * index.distance(q) : -scale * index.distance(q);
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

    /** A groove placed on a face of the section. */
    void take(String section, MatingFace face, Geometry shape, double depth) {
        grooves.computeIfAbsent(section, k -> new ArrayList<>()).add(new Groove(face, shape, depth));
    }

    List<Hole> holes(String section) {
        return holes.getOrDefault(section, List.of());
    }

    /** Planes of the section's other cut faces. */
    Set<Integer> otherFaces(String section, int except) {
        var out = new HashSet<>(facesOf.getOrDefault(section, Set.of()));
        out.remove(except);
        return out;
    }

    CutPlane plane(int number) {
        return planes.get(number);
    }

    /** What of a footprint the model leaves, see {@link SolidAbove#within}. */
    Geometry within(SolidAbove solid, Geometry footprint) {
        return solid.within(footprint, index, scale);
    }

    /** Whether a hole would come nearer than {@code wall} to one, or to a groove, placed before. */
    boolean free(String section, Vec3 a, Vec3 b, double radius, double wall) {
        return grooves.getOrDefault(section, List.of()).stream().noneMatch(g -> g.meets(a, b, radius + wall))
                && holes.getOrDefault(section, List.of()).stream().allMatch(h -> distance(a, b, h.a, h.b) >= radius + h.radius + wall);
    }

    /** How deep a hole can go, up to {@code deep}, before it comes near what was placed before; {@code least} is known to be free. */
    double free(String section, Vec3 p, Vec3 into, double radius, double wall, double deep, double least) {
        double d = deep;
        while (d > least && !free(section, p, p.plus(into.times(d)), radius, wall)) d -= ASKED_MM;
        return Math.max(least, d);
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
