package yellowbracket.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import yellowbracket.cut.Section;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.work.Station;

/**
 * Every section with its way up, its printer and its figures. Longest first to the printer that would finish it earliest among those it
 * fits,
 * which for two printers is within a sixth of the best possible (Graham, "Bounds on multiprocessing timing anomalies", 1969).
 */
public record PrintPlan(List<SectionPrint> prints, List<Finding> findings) {

    /**
     * @param sections in real mm
     * @param choices ways up by section name, for the unscaled section, best first
     */
    public static PrintPlan of(List<Section> sections, Map<String, List<Orientation>> choices, double scale, Profile profile,
            List<Printer> printers, Catalogue shop) {
        return of(sections, choices, Map.of(), scale, profile, printers, shop);
    }

    /**
     * @param wishes by section name: the turn, which must be among its ways up, the profile and the printer where they are not left to the
     * plan
     */
    public static PrintPlan of(List<Section> sections, Map<String, List<Orientation>> choices, Map<String, SectionWish> wishes,
            double scale, Profile profile, List<Printer> printers, Catalogue shop) {
        if (printers.isEmpty()) return new PrintPlan(List.of(),
                List.of(Finding.stop("no printer: add one to the shop").fixedBy(Fix.go("printers", Station.PRINT, "printers"))));
        var findings = new ArrayList<Finding>();
        var tried = sections.parallelStream().map(s -> {
            var wish = wishes.getOrDefault(s.name(), SectionWish.NONE);
            var own = wish.profile().orElse(profile);
            return possible(own, wish, printers).stream().map(p -> print(s, choices.get(s.name()), wish, own, p, scale, shop)).toList();
        }).toList();
        for (var s : sections) {
            var own = wishes.getOrDefault(s.name(), SectionWish.NONE).profile().orElse(profile);
            if (printers.stream().noneMatch(p -> p.process() == own.process())) findings.add(Finding.of(Weight.STOP,
                    Subject.section(s.id()), "section " + s.name() + " is to be printed in " + own.material() + ", but no printer does "
                            + own.process().name().toLowerCase(java.util.Locale.ROOT) + ": add one, or choose another profile"));
        }
        return assign(tried, printers, findings);
    }

    /** The printers a section may go to: the one wished for, else all of its process, else all, so that figures are shown at least. */
    private static List<Printer> possible(Profile own, SectionWish wish, List<Printer> printers) {
        var process = printers.stream().filter(p -> p.process() == own.process()).toList();
        var wished = process.stream().filter(p -> wish.printer().filter(p.name()::equals).isPresent()).toList();
        return !wished.isEmpty() ? wished : process.isEmpty() ? printers : process;
    }

    private static SectionPrint print(Section s, List<Orientation> choices, SectionWish wish, Profile profile, Printer p, double scale,
            Catalogue shop) {
        var way = wish.turn()
                .flatMap(t -> choices.stream().filter(o -> o.turn().equals(t)).findFirst())
                .orElseGet(() -> Orientation.pick(choices, scale, p));
        var laid = way.laid(scale, p).scaled(scale);
        var material = shop.material(profile.material());
        var layers = Layers.of(s.mesh(), laid.turn(), profile.layerMm());
        var estimate = Estimate.of(layers, laid, profile, material, p);
        if (!wish.bands().isEmpty() && profile.cure().isEmpty()) {
            double added = LayerBands.addedH(wish.bands(), layers, laid, profile, material, p);
            int count = (int) wish.bands().stream().mapToLong(b -> Math.round((b.toMm() - b.fromMm()) / b.layerMm())).sum();
            estimate = estimate.longer(added, count, p.costPerHour());
        }
        return new SectionPrint(s.id(), laid, profile, p, estimate, way.fits(scale, p),
                profile.cure().isEmpty() ? wish.bands() : List.of());
    }

    private static PrintPlan assign(List<List<SectionPrint>> tried, List<Printer> printers, List<Finding> findings) {
        var load = new double[printers.size()];
        var out = new ArrayList<SectionPrint>();
        var byName = new ArrayList<>(tried);
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
                findings.add(Finding.of(Weight.STOP, Subject.section(best.id()),
                        "section %s (%.0f x %.0f x %.0f mm) fits no printer: cut it again or add a larger bed", best.name(), size.x(),
                        size.y(), size.z()).fixedBy(Fix.go("cut it again", Station.CUT, "plans")));
            }
            load[printers.indexOf(best.printer())] += best.expectedHours();
            out.add(best);
        }
        out.sort(Comparator.comparing((SectionPrint p) -> p.name().length()).thenComparing(SectionPrint::name));
        return new PrintPlan(List.copyOf(out), List.copyOf(findings));
    }

    public SectionPrint print(String section) {
        return prints.stream()
                .filter(p -> p.name().equals(section))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no print of " + section));
    }

    public double hours() {
        return prints.stream().mapToDouble(SectionPrint::hours).sum();
    }

    public double expectedHours() {
        return prints.stream().mapToDouble(SectionPrint::expectedHours).sum();
    }

    public double grams() {
        return prints.stream().mapToDouble(SectionPrint::grams).sum();
    }

    /** Whether every section stands on some bed: else no hour of the plan is worth anything. */
    public boolean printable() {
        return prints.stream().allMatch(SectionPrint::fits);
    }

    public double cost() {
        return prints.stream().mapToDouble(p -> p.estimate().cost()).sum();
    }
}
