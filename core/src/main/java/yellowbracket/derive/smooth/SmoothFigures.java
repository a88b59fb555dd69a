package yellowbracket.derive.smooth;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import yellowbracket.cut.Sectioning;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.LayerBands;
import yellowbracket.print.Layers;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Practice;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.DepthMap;
import yellowbracket.smooth.Detail;
import yellowbracket.smooth.Fineness;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.Ladders;
import yellowbracket.shop.Eyes;
import yellowbracket.smooth.Rounds;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.Stroke;
import yellowbracket.smooth.Targets;

/** What the layer lines leave to do. */
public final class SmoothFigures {
    /** How rough it is, place by place. */
    public static final Figure<DepthMap> MAP = Figure.ofProp("depth map", DepthMap.class, SmoothFigures::map);
    public static final Figure<Areas> AREAS = Figure.ofProp("areas", Areas.class,
            in -> Areas.of(in.get(MAP), in.of(SmoothFigures::targets)));
    /** What stands out or lies in by little. */
    public static final Figure<Details> DETAILS = Figure.ofProp("details", Details.class,
            in -> new Details(Detail.of(in.get(ModelFigures.MODEL).mesh(), in.of(Prop::scale))));
    /** Which of them the ladder takes. */
    public static final Figure<DetailsLost> LOST = Figure.ofProp("details lost", DetailsLost.class, SmoothFigures::lost);
    public static final Figure<Rounds> ROUNDS = Figure.ofProp("rounds", Rounds.class, in -> Rounds.of(in.of(p -> p.smooth().looks()),
            in.of(p -> p.smooth().flaws()), in.get(AREAS).totalDm2(), in.of(p -> p.smooth().finish()), in.build(Build::eyes)));
    /** What looks at this prop teach for those to come. */
    public static final Figure<Eyes> TAUGHT = Figure.ofProp("what looks taught", Eyes.class,
            in -> Rounds.taught(in.of(p -> p.smooth().looks()), in.of(p -> p.smooth().flaws()), in.get(AREAS).totalDm2()));
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

    public record Details(List<Detail> list) {}

    /** @param lost of {@code all}, with what saves them in words; empty where none is lost */
    public record DetailsLost(List<Detail> lost, int all, Optional<Finding> finding) {}

    private static Targets targets(Prop p) {
        return p.smooth().targets(p.scale());
    }

    /** The question {@link #MAP} asks: places picked by brush move with nothing else of the wish. */
    private static List<Stroke> strokes(Prop p) {
        return p.smooth().strokes();
    }

    private static DepthMap map(Reads in) {
        var prints = in.get(PrintFigures.PRINTS);
        var samples = in.get(CutFigures.SAMPLES_OF).bySection();
        double scale = in.of(Prop::scale);
        var targets = new Targets(in.of(SmoothFigures::strokes), Map.of(), scale);
        var cuts = in.get(CutFigures.SECTIONS);
        var found = in.of(p -> p.join().dryFit());
        double usual = in.shop(s -> s.usual(Practice.SEAM_GAP_UM));
        var seams = cuts.seams().stream().map(s -> {
            var f = found.get(s.name());
            return new DepthMap.SeamLine(s.line(), f == null ? usual : 1000 * Math.max(f.gapMm(), f.stepMm()));
        }).toList();
        return DepthMap.of(cuts.sections()
                .stream()
                .map(s -> new DepthMap.Printed(s, samples.get(s.name()).scaled(scale), prints.print(s.name())))
                .toList(), targets, in.shop(s -> s)).withSeams(seams);
    }

    private static DetailsLost lost(Reads in) {
        var all = in.get(DETAILS).list();
        var plan = in.get(SMOOTH);
        var map = in.get(MAP);
        var targets = in.of(SmoothFigures::targets);
        double scale = in.of(Prop::scale);
        var shop = in.shop(s -> s);
        var out = new java.util.ArrayList<Detail>();
        for (var d : all) {
            var area = map.near(d.at().times(scale)).flatMap(p -> plan.areas().of(p, targets));
            if (area.isPresent() && !Detail.lost(List.of(d), plan.ladders().getOrDefault(area.get(), List.of()), shop).isEmpty())
                out.add(d);
        }
        return new DetailsLost(List.copyOf(out), all.size(), Detail.told(out, plan));
    }

    /** What smoothing takes, whatever the surface. */
    private static Fineness.Smoothing smoothing(Reads in) {
        var seams = in.get(SEAMS);
        var way = in.of(SmoothFigures::way);
        var shelf = way.means().onShelf() ? in.build(SmoothFigures::shelf) : Set.<String>of();
        double celsius = in.build(Build::shopCelsius);
        var shop = in.shop(s -> s);
        var ladders = new Ladders(new Ladder.Way(way.finish(), way.school(), way.weights(), way.means(), shelf), shop);
        return (areas, profile) -> SmoothPlan.of(areas, seams, new SmoothPlan.Asked(ladders, celsius, profile.material()), shop);
    }

    private static Ladder.Way way(Prop p) {
        var w = p.smooth();
        return new Ladder.Way(w.finish(), w.school(), w.hurry().weights(), w.means(), Set.of());
    }

    /** Films and papers there are some of. */
    private static Set<String> shelf(Build b) {
        return b.stock()
                .stream()
                .filter(i -> i.amount() > 0)
                .map(i -> i.name().replace(" sheets", ""))
                .collect(java.util.stream.Collectors.toUnmodifiableSet());
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
                profile, in.shop(s -> s), in.of(SmoothFigures::targets), smoothing(in));
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
