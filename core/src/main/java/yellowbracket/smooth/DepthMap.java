package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
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
    public record Printed(Section section, SurfaceSamples samples, SectionPrint print) {
        private Vec3 up() {
            return print.orientation().turn().row2();
        }
    }

    public static DepthMap of(List<Printed> printed, Targets targets, Catalogue shop) {
        var out = new ArrayList<Place>();
        for (var p : printed) of(p, targets, shop, out);
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
                    targets.of(s.point(), s.seen() ? Target.SHOW : Target.HIDDEN), shape, Cusp.um(layer, slope),
                    width(profile, layer, slope), 1000 * s.flat(), scarred ? scar : 0, Skin.mm(profile, slope, s.thick()),
                    s.open() < HAND_MM));
        }
    }

    /** From one line to the next along the surface. */
    static double width(Profile profile, double layerMm, double slope) {
        if (profile.cure().isPresent()) return layerMm;
        double level = Math.sqrt(1 - slope * slope);
        return slope > LEVEL ? profile.lineWidthMm() : Math.min(layerMm / Math.max(1e-3, level), 1000 * layerMm);
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
