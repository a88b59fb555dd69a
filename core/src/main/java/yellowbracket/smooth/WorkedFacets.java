package yellowbracket.smooth;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** Which facets of a prop lie in areas that a step of the ladder works on. */
public final class WorkedFacets {
    /** A facet that looks elsewhere than the nearest place is the other side of a wall, by cosine. */
    private static final double ALIKE = 0.3;

    private WorkedFacets() {}

    /**
     * By section, one a facet.
     *
     * @param sections in the model's own mm @param scale to real mm @param where names of areas as {@link SmoothPlan.Work#where}, empty for
     * all
     */
    public static Map<String, boolean[]> of(Map<String, Mesh> sections, double scale, DepthMap map, Areas areas, Targets targets,
            List<String> where) {
        var bySection = map.places().stream().collect(Collectors.groupingBy(Place::section));
        var named = Set.copyOf(where);
        var out = new TreeMap<String, boolean[]>();
        sections.forEach((name, mesh) -> {
            var places = bySection.getOrDefault(name, List.of());
            var lit = new boolean[places.size()];
            for (int i = 0; i < lit.length;
                    i++)
                lit[i] = areas.of(places.get(i), targets)
                        .filter(a -> named.isEmpty() || named.contains(a.words()) || named.contains(a.lines().words()))
                        .isPresent();
            out.put(name, facets(mesh, scale, places, lit));
        });
        return out;
    }

    private static boolean[] facets(Mesh mesh, double scale, List<Place> places, boolean[] lit) {
        var out = new boolean[mesh.triangleCount()];
        for (int f = 0; f < out.length; f++) {
            var at = mesh.point(mesh.vertex(f, 0)).plus(mesh.point(mesh.vertex(f, 1))).plus(mesh.point(mesh.vertex(f, 2))).times(scale / 3);
            var normal = mesh.point(mesh.vertex(f, 1))
                    .minus(mesh.point(mesh.vertex(f, 0)))
                    .cross(mesh.point(mesh.vertex(f, 2)).minus(mesh.point(mesh.vertex(f, 0))));
            int near = nearest(places, at, normal);
            out[f] = near >= 0 && lit[near];
        }
        return out;
    }

    /** -1 where none looks the same way. */
    private static int nearest(List<Place> places, Vec3 at, Vec3 normal) {
        double length = normal.norm(), best = Double.POSITIVE_INFINITY;
        int out = -1;
        for (int i = 0; i < places.size(); i++) {
            var p = places.get(i);
            double dx = p.at().x() - at.x(), dy = p.at().y() - at.y(), dz = p.at().z() - at.z(), d = dx * dx + dy * dy + dz * dz;
            if (d >= best || p.normal().dot(normal) < ALIKE * length) continue;
            best = d;
            out = i;
        }
        return out;
    }
}
