package yellowbracket.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.function.IntUnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;
import yellowbracket.work.Station;

/**
 * Where two colours meet deep in a recess: tape cannot be pressed down there and spray does not get in from the side. Lengths are of the
 * borders, mm; {@code at} is the middle of one of them, in the mesh's own coordinates.
 */
public record TightBorder(String one, String other, double lengthMm, Vec3 at) {
    private static final List<Vec3> LOOKS = ShowSide.spread(240);
    /** From one look to the next; it shares no factor with their number. */
    private static final int STRIDE = 97;
    /** Share of all directions that must be free for tape and spray: an inner edge of two broad faces has a quarter. */
    private static final double FREE = 0.12;
    /** Edges no further apart are one place, mm. */
    private static final double PLACE_MM = 1.5;
    /** Looked at from so far off the edge, mm. */
    private static final double OFF_MM = 0.6;
    /** What is further away hinders nobody, mm. */
    private static final double NEAR_MM = 60;
    /** Less is touched up with a brush, mm. */
    private static final double TOLD_MM = 25;

    private record Edge(int a, int b, int f, int g) {}

    private record Found(int low, int high, double mm, Vec3 at) {}

    /** @param mesh real mm @param zone number of the zone of a facet, less than 0 for none @param names by number */
    public static List<TightBorder> of(Mesh mesh, Bvh index, IntUnaryOperator zone, List<String> names) {
        var zones = IntStream.range(0, mesh.triangleCount()).map(zone).toArray();
        var places = edges(mesh, zones).stream()
                .collect(Collectors.groupingBy(e -> place(mesh, zones, e), LinkedHashMap::new, Collectors.toList()));
        var found = places.values()
                .parallelStream()
                .filter(list -> tight(mesh, index, list.get(list.size() / 2)))
                .flatMap(List::stream)
                .map(e -> new Found(Math.min(zones[e.f], zones[e.g]), Math.max(zones[e.f], zones[e.g]),
                        mesh.point(e.a).distance(mesh.point(e.b)), middle(mesh, e)))
                .toList();
        var by = new LinkedHashMap<List<Integer>, List<Found>>();
        for (var f : found) by.computeIfAbsent(List.of(f.low, f.high), k -> new ArrayList<>()).add(f);
        return by.values()
                .stream()
                .map(list -> new TightBorder(names.get(list.getFirst().low), names.get(list.getFirst().high),
                        list.stream().mapToDouble(Found::mm).sum(), list.get(list.size() / 2).at))
                .filter(t -> t.lengthMm >= TOLD_MM)
                .sorted(Comparator.comparingDouble(t -> -t.lengthMm))
                .toList();
    }

    /** Between facets of different zones. */
    private static List<Edge> edges(Mesh m, int[] zones) {
        var first = new java.util.HashMap<Long, Integer>();
        var out = new ArrayList<Edge>();
        for (int f = 0; f < zones.length; f++) for (int k = 0; k < 3; k++) {
            int a = m.vertex(f, k), b = m.vertex(f, (k + 1) % 3);
            Integer g = first.remove(DirectedEdge.key(b, a));
            if (g == null) first.put(DirectedEdge.key(a, b), f);
            else if (zones[f] != zones[g] && zones[f] >= 0 && zones[g] >= 0) out.add(new Edge(a, b, f, g));
        }
        return out;
    }

    /** Where an edge lies and faces, as coarsely as one looks: short edges of one place are as free as one another. */
    private record Place(int low, int high, List<Long> cell) {}

    private static Place place(Mesh m, int[] zones, Edge e) {
        var at = middle(m, e);
        var out = m.areaVector(e.f).unit().plus(m.areaVector(e.g).unit());
        var cell = Stream.of(at.x() / PLACE_MM, at.y() / PLACE_MM, at.z() / PLACE_MM, out.x() * 2, out.y() * 2, out.z() * 2)
                .map(Math::round)
                .toList();
        return new Place(Math.min(zones[e.f], zones[e.g]), Math.max(zones[e.f], zones[e.g]), cell);
    }

    private static Vec3 middle(Mesh m, Edge e) {
        return m.point(e.a).plus(m.point(e.b)).times(0.5);
    }

    private static boolean tight(Mesh m, Bvh index, Edge e) {
        var out = m.areaVector(e.f).unit().plus(m.areaVector(e.g).unit());
        if (!(out.norm() > 1e-6)) return false;
        var from = middle(m, e).plus(out.unit().times(OFF_MM));
        int free = 0;
        for (int i = 0; i < LOOKS.size(); i++) { // scattered: on an open edge enough are found free soon
            if (!index.blocked(from, LOOKS.get(i * STRIDE % LOOKS.size()), 0, NEAR_MM)) free++;
            if (free >= FREE * LOOKS.size()) return false;
        }
        return true;
    }

    public Finding finding() {
        return Finding.of(Weight.CARE, Subject.WHOLE, String.format(Locale.ROOT,
                "%s and %s meet for %.0f cm deep in a recess that neither tape nor spray reaches: cut there and paint both apart, or "
                        + "paint before joining",
                one, other, lengthMm / 10)).fixedBy(Fix.go("cut it there", Station.CUT, "planes"));
    }
}
