package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.cut.Section;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Cusp;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Profile;

/**
 * How rough the joined prop is, place by place, on equal-area samples: layer lines by how each section stands, scars of support, flats of a
 * coarse model. Seams are told beside it.
 */
public record DepthMap(List<Place> places) {
    /** What stands nearer in front of a place, mm, keeps a block and the hand that holds it away. */
    private static final double HAND_MM = 30;
    /** A level face is a single layer: its lines lie side by side. */
    private static final double LEVEL = 0.9994;
    /** Support that is not higher stands on nothing, mm. */
    private static final double ON_BED_MM = 0.3;

    public DepthMap {
        places = List.copyOf(places);
    }

    /** One section's samples, real mm, with how it is printed. */
    public record Printed(Section section, SurfaceSamples samples, SectionPrint print, Nearby near) {
        public Printed(Section section, SurfaceSamples samples, SectionPrint print) {
            this(section, samples, print, Nearby.of(samples));
        }

        private Vec3 up() {
            return print.orientation().turn().row2();
        }
    }

    public static DepthMap of(List<Printed> printed, Targets targets, Catalogue shop) {
        var out = new ArrayList<Place>();
        for (var p : printed) {
            var own = new ArrayList<Place>();
            of(p, targets, shop, own);
            p.near().worked(own, out);
        }
        return new DepthMap(out);
    }

    private static void of(Printed p, Targets targets, Catalogue shop, List<Place> out) {
        double each = p.samples().areaEachMm2(), scar = shop.usual(Practice.SCAR_UM);
        var up = p.up();
        var samples = p.samples().samples();
        double low = samples.stream().mapToDouble(q -> up.dot(q.point())).min().orElse(0);
        var profile = p.print().profile();
        boolean held = p.print().orientation().contactMm2() > 0 && profile.cure().isEmpty();
        double leans = Math.sin(Math.toRadians(profile.supportAngleDeg()));
        for (var s : samples) {
            double c = up.dot(s.normal()), height = up.dot(s.point()) - low;
            var shape = Areas.Shape.of(s.bend());
            double layer = p.print().layerAt(height), slope = Math.min(1, Math.abs(c));
            boolean scarred = held && -c > leans && height > ON_BED_MM;
            out.add(new Place(p.section().name(), s.point(), s.normal(), each,
                    targets.of(s.point(), s.seen() ? Target.SHOW : Target.HIDDEN), shape, Areas.Lines.FINE, Cusp.um(layer, slope),
                    width(profile, layer, slope), 1000 * s.flat(), scarred ? scar : 0, 0, Skin.mm(profile, slope, s.thick()),
                    s.open() < HAND_MM));
        }
    }

    /** From one line to the next along the surface. */
    static double width(Profile profile, double layerMm, double slope) {
        if (profile.cure().isPresent()) return layerMm;
        double level = Math.sqrt(1 - slope * slope);
        return slope > LEVEL ? profile.lineWidthMm() : Math.min(layerMm / Math.max(1e-3, level), 1000 * layerMm);
    }

    /** A seam's line, real mm, as pairs of points, and the wider of its gap and step, um. */
    public record SeamLine(List<Vec3> pairs, double um) {}

    /** Beside a seam a hand feels its step so far, mm. */
    private static final double FELT_MM = 4;

    /** With the seams between the sections. */
    public DepthMap withSeams(List<SeamLine> seams) {
        var cells = new HashMap<Nearby.Cell, List<Vec3[]>>();
        var depth = new HashMap<Vec3[], Double>();
        for (var s : seams) for (int i = 0; i + 1 < s.pairs.size(); i += 2) {
            var pair = new Vec3[] {s.pairs.get(i), s.pairs.get(i + 1)};
            depth.put(pair, s.um);
            int parts = (int) Math.ceil(pair[0].distance(pair[1]) / FELT_MM) + 1;
            for (int k = 0; k <= parts; k++) {
                var p = pair[0].plus(pair[1].minus(pair[0]).times((double) k / parts));
                cells.computeIfAbsent(Nearby.Cell.of(p, 2 * FELT_MM), c -> new ArrayList<>()).add(pair);
            }
        }
        return new DepthMap(places.stream().map(p -> {
            double um = 0;
            for (var c : Nearby.Cell.of(p.at(), 2 * FELT_MM).around())
                for (var pair : cells.getOrDefault(c, List.of())) if (distance(p.at(), pair) < FELT_MM) um = Math.max(um, depth.get(pair));
            return um > 0 ? p.atSeam(um) : p;
        }).toList());
    }

    private static double distance(Vec3 p, Vec3[] pair) {
        var d = pair[1].minus(pair[0]);
        double len = d.dot(d), t = len > 0 ? Math.clamp(p.minus(pair[0]).dot(d) / len, 0, 1) : 0;
        return p.distance(pair[0].plus(d.times(t)));
    }

    /** Those that are worked on. */
    public List<Place> worked() {
        return places.stream().filter(p -> p.target().worked()).toList();
    }

    /** Area by what makes it rough, of what is worked on, mm2. */
    public Map<Place.Kind, Double> byKind() {
        var out = new EnumMap<Place.Kind, Double>(Place.Kind.class);
        for (var p : places) if (p.target().worked()) out.merge(p.kind(), p.mm2(), Double::sum);
        return out;
    }

    /** The place nearest to a point; the inside of a thin wall only where nothing that is worked on is near. */
    public java.util.Optional<Place> near(Vec3 at) {
        return places.stream().min(Comparator.comparingDouble(p -> p.at().distance(at) + (p.target().worked() ? 0 : INSIDE_MM)));
    }

    /** Walls are so thick and samples so far apart, mm. */
    private static final double INSIDE_MM = 8;

    /** Show side that a hand no longer reaches once all is joined, mm2. */
    public double closedMm2() {
        return places.stream().filter(p -> p.closed() && p.target().worked()).mapToDouble(Place::mm2).sum();
    }
}
