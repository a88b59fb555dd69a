package yellowbracket.derive.smooth;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.cut.Sectioning;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.LayerBands;
import yellowbracket.print.Layers;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Practice;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Fineness;
import yellowbracket.smooth.Ladders;
import yellowbracket.smooth.SmoothPlan;

/** What the layer lines leave to do. */
public final class SmoothFigures {
    public static final Figure<Areas> AREAS = Figure.ofProp("areas", Areas.class, SmoothFigures::areas);
    /** What joining leaves along the seams. */
    public static final Figure<SmoothPlan.Seams> SEAMS = Figure.ofProp("seams to finish", SmoothPlan.Seams.class, SmoothFigures::seams);
    public static final Figure<SmoothPlan> SMOOTH = Figure.ofProp("smoothing", SmoothPlan.class, SmoothFigures::plan);
    /** Hours of printing and smoothing against layer height and nozzle; none for resin. */
    public static final Figure<Fineness> FINENESS = Figure.ofProp("fineness", Fineness.class, SmoothFigures::fineness);

    /** Layers by bands of height, for each section still ahead where they are worth it. */
    public static final Figure<Banded> BANDS = Figure.ofProp("layer bands", Banded.class, SmoothFigures::bands);
    /** Less is not worth typing in, hours. */
    private static final double WORTH_H = 0.15;

    private SmoothFigures() {}

    /** @param smoothHMm3 hours that each mm3 of valleys costs to smooth, read off {@link #FINENESS} */
    public record Banded(Map<String, LayerBands> bySection, double smoothHMm3) {
        /** Hours of printing that all bands together add (less than 0: saved). */
        public double addedH() {
            return bySection.values().stream().mapToDouble(LayerBands::addedH).sum();
        }

        /** Hours of smoothing that all bands together save. */
        public double savedH() {
            return bySection.values().stream().mapToDouble(LayerBands::savedH).sum();
        }
    }

    private static double shownSeamMm(Sectioning sections) {
        return sections.seams().stream().mapToDouble(s -> s.showLengthMm()).sum();
    }

    /**
     * A step is feathered out over the band, half of it high; a gap is filled as deep as it is wide; how a seam is joined leaves more or
     * less to fill, and to sand. Means over what is seen.
     */
    private static SmoothPlan.Seams seams(Reads in) {
        var sections = in.get(CutFigures.SECTIONS);
        var joined = in.find(JoinFigures.JOINS);
        var found = in.of(p -> p.join().dryFit());
        double all = shownSeamMm(sections), fill = 0, sand = 0, band = in.shop(s -> s.usual(Practice.SEAM_BAND_MM));
        for (var s : sections.seams()) {
            var f = found.get(s.name());
            var how = joined.map(j -> j.join(s.name()));
            if (f != null) fill += s.showLengthMm() * (f.stepMm() / 2 + f.gapMm() / 4);
            fill += s.showLengthMm() * how.map(j -> j.product().manner().grooveMm2() / band).orElse(0.0);
            sand += s.showLengthMm() * how.map(j -> j.besides().sandTimes()).orElse(1.0);
        }
        return all > 0 ? new SmoothPlan.Seams(all, fill / all, sand / all) : SmoothPlan.Seams.NONE;
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
        var seams = in.get(SEAMS);
        var wish = in.of(Prop::smooth);
        double celsius = in.build(Build::shopCelsius);
        var shop = in.shop(s -> s);
        var ladders = new Ladders(wish.finish(), wish.school(), wish.hurry().weights(), shop);
        return (areas, profile) -> SmoothPlan.of(areas, seams, new SmoothPlan.Asked(ladders, celsius, profile.material(), profile.wallMm()),
                shop);
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

    private static Banded bands(Reads in) {
        var fine = in.get(FINENESS);
        var prints = in.get(PrintFigures.PRINTS);
        var samples = in.get(CutFigures.SAMPLES_OF).bySection();
        var done = in.get(PrintFigures.DONE).sections();
        double scale = in.of(Prop::scale);
        var shop = in.shop(s -> s);
        double rate = smoothHMm3(fine, prints, samples, scale, in.of(p -> p.print().profile().nozzleMm()));
        var out = new TreeMap<String, LayerBands>();
        for (var s : in.get(CutFigures.SECTIONS).sections()) {
            var p = prints.print(s.name());
            if (done.contains(s.id()) || p.profile().cure().isPresent()) continue;
            in.progress().check();
            var layers = Layers.of(s.mesh(), p.orientation().turn(), p.profile().layerMm());
            var bands = LayerBands.propose(layers, samples.get(s.name()).scaled(scale), p.orientation(), p.profile(),
                    shop.material(p.profile().material()), p.printer(), rate);
            if (bands.bands().size() > 1 && bands.gainH() > WORTH_H) out.put(s.name(), bands);
        }
        return new Banded(Collections.unmodifiableMap(out), rate);
    }

    /** Between the finest and the coarsest layers of the nozzle, how many more hours of smoothing the deeper valleys take. */
    private static double smoothHMm3(Fineness fine, PrintPlan prints, Map<String, SurfaceSamples> samples, double scale, double nozzle) {
        var points = fine.of(nozzle).isEmpty() ? fine.points() : fine.of(nozzle);
        if (points.size() < 2) return LayerBands.USUAL_SMOOTH_H_MM3;
        var a = points.getFirst();
        var b = points.getLast();
        double mm3 = 0;
        for (var p : prints.prints())
            mm3 += LayerBands.valleysMm3(samples.get(p.name()).scaled(scale), p.orientation(), b.layerMm() - a.layerMm());
        return mm3 > 0 ? Math.max(0, b.smoothH() - a.smoothH()) / mm3 : LayerBands.USUAL_SMOOTH_H_MM3;
    }
}
