package yellowbracket.join;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.linearref.LengthIndexedLine;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Outermost;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.Resting;
import yellowbracket.mesh.measure.ShowSide;

/**
 * What the shapes of sections say about joining them, whatever they are printed of: from where the inside of a seam is reached while
 * some of the sections stand round it, and on what a subassembly lies by itself. Real mm.
 */
public final class InHand {
    /** Places asked along a seam, and straight ways to each. */
    private static final int PLACES = 14;
    private static final List<Vec3> WAYS = ShowSide.spread(72);
    /** A brush, a hot tip or two fingers at the end of a straight way: so wide an opening, as a slope off its middle. */
    private static final double SLOPE = 0.14;
    /** The line of a seam is asked so far off the wall, mm. */
    private static final double OFF_MM = 2;
    /** Places from which less than this share of directions leads out lie inside. */
    private static final double INSIDE = 0.3;
    /** Corners that stand for a section where it is laid down. */
    private static final List<Vec3> OUTWARD = ShowSide.spread(160);
    private static final int ASKED = 2500;
    /** Laid down with the seam this much up, it rolls to a rest of its own: cosine. */
    private static final double NEARLY_UP = 0.75;
    private static final List<Vec3> STARTS = ShowSide.spread(40);
    /** What lies within this of the lowest point bears on the bench, mm. */
    private static final double BEARS_MM = 0.6;

    /** A place on the inside line of a seam: for each way out the sections that stand in it. */
    private record Place(List<BitSet> ways) {}

    /** How a subassembly lies. @param tiltDeg how far the seam's face is off level @param stands also with the other part on it */
    public record Rest(Vec3 down, double tiltDeg, boolean stands) {}

    private final List<String> names;
    private final Map<String, List<Vec3>> outermost = new HashMap<>();
    private final Map<String, List<Place>> inside = new HashMap<>();

    private InHand(List<String> names) {
        this.names = names;
    }

    /** Nothing is known: everything is taken to be reached, nothing to lie by itself. */
    public static final InHand UNKNOWN = new InHand(List.of());

    /** @param seams of cuts */
    public static InHand of(List<Section> sections, List<Seam> seams, Progress progress) {
        var out = new InHand(sections.stream().map(Section::name).toList());
        for (var s : sections) out.outermost.put(s.name(), Outermost.of(s.mesh(), OUTWARD, ASKED));
        if (seams.isEmpty()) return out;
        var index = sections.parallelStream().map(s -> Bvh.of(s.mesh())).toList();
        progress.check();
        var boxes = sections.stream().map(s -> s.mesh().bounds()).toList();
        var places = seams.parallelStream().map(s -> places(s, index, boxes, progress)).toList();
        for (int i = 0; i < seams.size(); i++) out.inside.put(seams.get(i).name(), places.get(i));
        return out;
    }

    private static List<Place> places(Seam seam, List<Bvh> index, List<Bounds3> boxes, Progress progress) {
        var out = new ArrayList<Place>();
        for (var at : besides(seam)) {
            progress.check();
            if (IntStream.range(0, index.size()).anyMatch(i -> within(boxes.get(i), at) && solid(index.get(i), at))) continue;
            var ways = WAYS.stream().map(w -> inTheWay(at, w, index, boxes)).toList();
            long open = ways.stream().filter(BitSet::isEmpty).count();
            if (open < INSIDE * WAYS.size()) out.add(new Place(ways));
        }
        return List.copyOf(out);
    }

    private static boolean within(Bounds3 box, Vec3 p) {
        for (int k = 0; k < 3; k++) if (p.get(k) < box.min().get(k) - OFF_MM || p.get(k) > box.max().get(k) + OFF_MM) return false;
        return true;
    }

    private static boolean solid(Bvh section, Vec3 at) {
        return section.distance(at) < OFF_MM / 4 || section.inside(at);
    }

    /** Places in the air beside a mating face, evenly along all its borders. */
    private static List<Vec3> besides(Seam seam) {
        var out = new ArrayList<Vec3>();
        var shape = seam.face().shape();
        double all = shape.getLength();
        if (!(all > 0)) return out;
        for (int i = 0; i < shape.getNumGeometries(); i++) {
            if (!(shape.getGeometryN(i) instanceof Polygon p)) continue;
            round(p.getExteriorRing(), all, shape, seam, out);
            for (int k = 0; k < p.getNumInteriorRing(); k++) round(p.getInteriorRingN(k), all, shape, seam, out);
        }
        return out;
    }

    private static void round(Geometry ring, double all, Geometry shape, Seam seam, List<Vec3> out) {
        var line = new LengthIndexedLine(ring);
        int n = (int) Math.max(3, Math.round(2 * PLACES * ring.getLength() / all));
        for (int i = 0; i < n; i++) {
            double at = ring.getLength() * (i + 0.5) / n;
            for (int side : new int[] {-1, 1}) {
                var c = line.extractPoint(at, side * OFF_MM);
                if (!shape.covers(ring.getFactory().createPoint(c))) out.add(seam.face().at(c.x, c.y));
            }
        }
    }

    /** The sections that stand in a way and in its sides. */
    private static BitSet inTheWay(Vec3 at, Vec3 way, List<Bvh> index, List<Bounds3> boxes) {
        var out = new BitSet();
        Vec3 u = way.cross(Math.abs(way.x()) < 0.8 ? Vec3.X : Vec3.Y).unit().times(SLOPE), v = way.cross(u);
        var rays = List.of(way, way.plus(u).unit(), way.minus(u).plus(v).unit(), way.minus(u).minus(v).unit());
        for (int i = 0; i < index.size(); i++) {
            var b = index.get(i);
            if (aside(at, way, boxes.get(i))) continue;
            if (rays.stream().anyMatch(r -> b.blocked(at, r, 0))) out.set(i);
        }
        return out;
    }

    /** Whether a box lies wholly beside a way and its sides: told by the ball round it. */
    private static boolean aside(Vec3 at, Vec3 way, Bounds3 box) {
        double r = box.diagonal() / 2;
        var to = box.centre().minus(at);
        double along = to.dot(way), off = Math.sqrt(Math.max(0, to.dot(to) - along * along));
        return along < -r || off > r + 2 * SLOPE * (Math.max(0, along) + r);
    }

    /** Whether a seam has an inside at all: a solid face, and a shell that is open everywhere, have none. */
    public boolean hasInside(String seam) {
        return !inside.getOrDefault(seam, List.of()).isEmpty();
    }

    /** Share of a seam's inside that is reached along a straight way while these are together; 1 where there is no inside. */
    public double reached(String seam, Set<String> together) {
        var places = inside.getOrDefault(seam, List.of());
        if (places.isEmpty()) return 1;
        var there = new BitSet();
        IntStream.range(0, names.size()).filter(i -> together.contains(names.get(i))).forEach(there::set);
        return (double) places.stream().filter(p -> p.ways.stream().anyMatch(w -> !w.intersects(there))).count() / places.size();
    }

    /**
     * How a subassembly lies by itself so that the other comes on from above, as nearly as it can; empty where it finds no rest.
     * @param comes which way the other comes from, unit @param centre of its mass, {@code both} with the other on it
     */
    public Optional<Rest> rest(List<String> parts, Vec3 comes, Vec3 centre, Vec3 both) {
        var points = outermost(parts);
        if (points.size() < 4) return Optional.empty();
        var starts = new ArrayList<>(STARTS.stream().filter(d -> -d.dot(comes) > NEARLY_UP).toList());
        starts.add(comes.times(-1));
        return Resting.downs(points, centre, starts)
                .stream()
                .map(d -> new Rest(d, Math.toDegrees(Math.acos(Math.clamp(-d.dot(comes), -1, 1))),
                        Resting.stands(points, d, both, BEARS_MM)))
                .min(java.util.Comparator.comparingDouble(r -> r.tiltDeg + (r.stands ? 0 : 90)));
    }

    /** Of all parts together. */
    private List<Vec3> outermost(List<String> parts) {
        var all = parts.stream().flatMap(p -> outermost.getOrDefault(p, List.of()).stream()).toList();
        if (parts.size() < 2 || all.isEmpty()) return all;
        var out = new LinkedHashSet<Vec3>();
        for (var d : OUTWARD) {
            Vec3 best = all.getFirst();
            double most = best.dot(d);
            for (var p : all) if (p.dot(d) > most) {
                most = p.dot(d);
                best = p;
            }
            out.add(best);
        }
        return List.copyOf(out);
    }
}
