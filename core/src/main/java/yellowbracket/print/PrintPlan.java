package yellowbracket.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import yellowbracket.cut.Section;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;

/**
 * Every section with its way up, its printer and its figures. Longest first to the printer that would finish it earliest among those it fits,
 * which for two printers is within a sixth of the best possible (Graham, "Bounds on multiprocessing timing anomalies", 1969).
 */
public record PrintPlan(List<SectionPrint> prints, List<String> findings) {

    /**
     * @param sections in real mm
     * @param choices ways up by section name, for the unscaled section, best first
     */
    public static PrintPlan of(List<Section> sections, Map<String, List<Orientation>> choices, double scale, Profile profile, List<Printer> printers, Catalogue shop) {
        var findings = new ArrayList<String>();
        if (printers.isEmpty()) return new PrintPlan(List.of(), List.of("no printer: add one to the shop"));
        var material = shop.material(profile.material());
        var prints = new ArrayList<SectionPrint>();
        for (var s : sections) {
            for (var p : printers) {
                var way = Orientation.pick(choices.get(s.name()), scale, p);
                boolean fits = way.fits(scale, p);
                var own = profileFor(profile, p);
                prints.add(new SectionPrint(s.name(), way.scaled(scale), own, p, Estimate.of(s.mesh(), way.scaled(scale), own, material, p), fits));
            }
        }
        return assign(sections, prints, printers, findings);
    }

    /** A printer with another nozzle prints what its nozzle can. */
    private static Profile profileFor(Profile profile, Printer p) {
        if (p.nozzleMm() == profile.nozzleMm()) return profile;
        double layer = Math.min(profile.layerMm(), 0.75 * p.nozzleMm());
        return new Profile(profile.name(), profile.material(), layer, p.nozzleMm(), profile.walls(), profile.infill(), profile.topBottomMm(), profile.supportAngleDeg(), profile.supportDensity());
    }

    private static PrintPlan assign(List<Section> sections, List<SectionPrint> tried, List<Printer> printers, List<String> findings) {
        var load = new double[printers.size()];
        var out = new ArrayList<SectionPrint>();
        var byName = new ArrayList<>(sections.stream().map(s -> tried.stream().filter(t -> t.name().equals(s.name())).toList()).toList());
        byName.sort(Comparator.comparingDouble((List<SectionPrint> t) -> -t.getFirst().hours()));
        for (var options : byName) {
            SectionPrint best = null;
            double finish = Double.POSITIVE_INFINITY;
            for (var o : options) {
                if (!o.fits()) continue;
                double at = load[printers.indexOf(o.printer())] + o.expectedHours();
                if (at < finish) {
                    finish = at;
                    best = o;
                }
            }
            if (best == null) {
                best = options.getFirst();
                var size = best.orientation().size();
                findings.add(String.format(java.util.Locale.ROOT, "section %s (%.0f x %.0f x %.0f mm) fits no printer: cut it again or add a larger bed", best.name(), size.x(), size.y(), size.z()));
            }
            load[printers.indexOf(best.printer())] += best.expectedHours();
            out.add(best);
        }
        out.sort(Comparator.comparing((SectionPrint p) -> p.name().length()).thenComparing(SectionPrint::name));
        return new PrintPlan(List.copyOf(out), List.copyOf(findings));
    }

    public SectionPrint print(String section) {
        return prints.stream().filter(p -> p.name().equals(section)).findFirst().orElseThrow(() -> new IllegalArgumentException("no print of " + section));
    }

    public double hours() {
        return prints.stream().mapToDouble(SectionPrint::hours).sum();
    }

    public double expectedHours() {
        return prints.stream().mapToDouble(SectionPrint::expectedHours).sum();
    }

    public double grams() {
        return prints.stream().mapToDouble(p -> p.estimate().grams() + p.estimate().supportGrams()).sum();
    }

    public double cost() {
        return prints.stream().mapToDouble(p -> p.estimate().cost()).sum();
    }
}
