package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.cut.Section;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Estimate;
import yellowbracket.print.Failure;
import yellowbracket.print.Layers;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Profile;

/**
 * Hours of a whole prop against layer height and nozzle: printing, failures included, and the smoothing those lines cause, so that the
 * cheapest sum is seen. Sections
 * stand and go to printers as they do now; only their layers and lines change.
 */
public record Fineness(List<Point> points) {
    /** Layer heights as shares of the nozzle; 0.75 is the most that holds. */
    private static final double[] SHARES = {0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.75};
    /** Common nozzles, mm. */
    private static final double[] NOZZLES = {0.4, 0.6, 0.8};
    /** Layers are cut at this height once and read at the others. */
    private static final double CUT_MM = 0.2;

    public Fineness {
        points = List.copyOf(points);
    }

    /** {@code printH} with failures, {@code smoothH} by hand; {@code linesUm}: nine tenths of the show side are finer. */
    public record Point(double nozzleMm, double layerMm, double printH, double smoothH, double grams, double linesUm) {
        public double sumH() {
            return printH + smoothH;
        }
    }

    /** What smoothing takes for a surface with such lines; hours by hand. */
    public interface Smoothing {
        SmoothPlan of(Areas areas, Profile profile);
    }

    public static Fineness of(List<Section> sections, Map<String, SurfaceSamples> samples, PrintPlan plan, double scale, Profile profile,
            Catalogue shop, Targets targets, Smoothing smoothing) {
        var layers = new LinkedHashMap<String, Layers>();
        for (var s : sections) layers.put(s.name(), Layers.of(s.mesh(), plan.print(s.name()).orientation().turn(), CUT_MM));
        var scaled = new LinkedHashMap<String, SurfaceSamples>();
        var near = new LinkedHashMap<String, Nearby>();
        for (var s : sections) {
            scaled.put(s.name(), samples.get(s.name()).scaled(scale));
            near.put(s.name(), Nearby.of(scaled.get(s.name())));
        }
        var ways = new ArrayList<Profile>();
        for (double nozzle : NOZZLES)
            for (double share : SHARES) ways.add(profile.withNozzle(nozzle).withLayerMm(Math.round(100 * share * nozzle) / 100.0));
        return new Fineness(ways.parallelStream().map(p -> {
            var prints = plan.prints()
                    .stream()
                    .map(q -> new SectionPrint(q.id(), q.orientation(), p, q.printer(),
                            Estimate.of(layers.get(q.name()).resampled(p.layerMm()), q.orientation(), p, shop.material(p.material()),
                                    q.printer()),
                            q.fits()))
                    .toList();
            var areas = Areas.of(DepthMap.of(sections.stream()
                    .map(s -> new DepthMap.Printed(s, scaled.get(s.name()),
                            prints.stream().filter(q -> q.name().equals(s.name())).findFirst().orElseThrow(), near.get(s.name())))
                    .toList(), targets, shop), targets);
            double hours = prints.stream().mapToDouble(q -> Failure.expectedHours(q.hours(), q.printer().failuresPerHour())).sum(),
                    grams = prints.stream().mapToDouble(SectionPrint::grams).sum();
            return new Point(p.nozzleMm(), p.layerMm(), hours, smoothing.of(areas, p).hours(), grams, areas.valley90Um());
        }).toList());
    }

    public List<Double> nozzles() {
        return points.stream().map(Point::nozzleMm).distinct().toList();
    }

    public List<Point> of(double nozzle) {
        return points.stream().filter(p -> p.nozzleMm() == nozzle).toList();
    }

    /** The least sum of all, or of one nozzle. */
    public Optional<Point> least() {
        return points.stream().min(Comparator.comparingDouble(Point::sumH));
    }

    public Optional<Point> least(double nozzle) {
        return of(nozzle).stream().min(Comparator.comparingDouble(Point::sumH));
    }
}
