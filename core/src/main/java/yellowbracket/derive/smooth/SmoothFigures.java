package yellowbracket.derive.smooth;

import java.util.List;
import yellowbracket.cut.Sectioning;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Fineness;
import yellowbracket.smooth.SmoothPlan;

/** What the layer lines leave to do. */
public final class SmoothFigures {
    public static final Figure<Areas> AREAS = Figure.ofProp("areas", Areas.class, SmoothFigures::areas);
    public static final Figure<SmoothPlan> SMOOTH = Figure.ofProp("smoothing", SmoothPlan.class, SmoothFigures::plan);
    /** Hours of printing and smoothing against layer height and nozzle; none for resin. */
    public static final Figure<Fineness> FINENESS = Figure.ofProp("fineness", Fineness.class, SmoothFigures::fineness);

    private SmoothFigures() {}

    private static double shownSeamMm(Sectioning sections) {
        return sections.seams().stream().mapToDouble(s -> s.showLengthMm()).sum();
    }

    private static Areas areas(Reads in) {
        var prints = in.get(PrintFigures.PRINTS);
        var samples = in.get(CutFigures.SAMPLES_OF).bySection();
        double scale = in.of(Prop::scale);
        return Areas.of(in.get(CutFigures.SECTIONS)
                .sections()
                .stream()
                .map(s -> new Areas.Printed(s, samples.get(s.name()).scaled(scale), prints.print(s.name())))
                .toList());
    }

    /** What smoothing takes, whatever the surface. */
    private static Fineness.Smoothing smoothing(Reads in) {
        double seam = shownSeamMm(in.get(CutFigures.SECTIONS));
        var wish = in.of(Prop::smooth);
        double celsius = in.build(Build::shopCelsius);
        var shop = in.shop(s -> s);
        return (areas, profile) -> SmoothPlan.of(areas, seam, wish.finish(), wish.school(), wish.hurry().weights(), celsius,
                profile.wallMm(), shop);
    }

    private static SmoothPlan plan(Reads in) {
        return smoothing(in).of(in.get(AREAS), in.of(p -> p.print().profile()));
    }

    private static Fineness fineness(Reads in) {
        var profile = in.of(p -> p.print().profile());
        var prints = in.get(PrintFigures.PRINTS);
        if (prints.prints().isEmpty()) throw in.none();
        if (profile.cure().isPresent()) return new Fineness(List.of());
        return Fineness.of(in.get(CutFigures.SECTIONS).sections(), in.get(CutFigures.SAMPLES_OF).bySection(), prints, in.of(Prop::scale),
                profile, in.shop(s -> s), smoothing(in));
    }
}
