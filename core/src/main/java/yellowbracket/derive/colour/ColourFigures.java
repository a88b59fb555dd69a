package yellowbracket.derive.colour;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import yellowbracket.colour.BareFace;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourPlanner;
import yellowbracket.colour.ColourSurface;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.Cover;
import yellowbracket.colour.Mount;
import yellowbracket.colour.Overspray;
import yellowbracket.colour.TestCards;
import yellowbracket.colour.TightBorder;
import yellowbracket.colour.Undercoats;
import yellowbracket.colour.line.LineFinder;
import yellowbracket.colour.line.LinePlan;
import yellowbracket.colour.line.LineWish;
import yellowbracket.colour.line.SurfaceLine;
import yellowbracket.colour.mark.Lies;
import yellowbracket.colour.mark.Mark;
import yellowbracket.colour.weather.Effect;
import yellowbracket.colour.weather.WearFields;
import yellowbracket.colour.weather.WeatherPlan;
import yellowbracket.colour.weather.Weathered;
import yellowbracket.colour.zone.Border;
import yellowbracket.colour.zone.BorderLines;
import yellowbracket.colour.zone.Finer;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Transfer;
import yellowbracket.cut.Section;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.join.Apart;
import yellowbracket.join.Fittings;
import yellowbracket.join.SeamJoin;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.smooth.Contrast;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.SmoothPlan;

/** Zones, coats, cans. */
public final class ColourFigures {
    /** Looked at so many times a zone. */
    private static final int LOOKS = 160;
    /** Where no zone is. */
    private static final String PLAIN = "#8b8f92";
    /** Bends that wear, how far wear reaches beside them, and how fine it is shown there, model mm. */
    private static final double WORN_DEG = 25, WORN_MM = 5, WORN_FINE_MM = 3;

    /** The zones on the whole model, model mm. */
    public static final Figure<Zones> ZONES = Figure.ofProp("zones", Zones.class, ColourFigures::zones)
            .weighing(z -> Stream.of(z.painted.mesh()))
            .toldApartBy(z -> List.of(z.model, z.painted.fingerprint(), z.told))
            .notKeptWhenSuperseded();
    /** The same on the light copy, for drawing and for spray. */
    public static final Figure<Light> LIGHT = Figure
            .ofProp("zones drawn", Light.class, in -> new Light(Transfer.onto(in.get(ZONES).painted, in.get(ModelFigures.PROXY).mesh())))
            .weighing(z -> Stream.of(z.painted.mesh()));
    /** Areas and borders, model mm. */
    public static final Figure<Measured> MEASURED = Figure.ofProp("areas and borders", Measured.class, ColourFigures::measured);
    public static final Figure<ColourSurface> SURFACE = Figure.ofProp("what is sprayed", ColourSurface.class, ColourFigures::surface);
    /** The shade smoothing ends with: what colour goes on. */
    public static final Figure<Undercoats.Shade> PRIMER = Figure.ofProp("primer shade", Undercoats.Shade.class,
            in -> primer(in.find(SmoothFigures.SMOOTH), in.of(p -> p.smooth().printHex()), in.shop(s -> s)));
    public static final Figure<ColourPlan> COLOUR = Figure.ofProp("colours", ColourPlan.class, ColourFigures::plan);

    /** The light copy with finer pieces at its edges, where wear shows. */
    public static final Figure<Light> WORN = Figure
            .ofProp("edges drawn", Light.class, in -> new Light(Finer.atEdges(in.get(LIGHT).painted, WORN_DEG, WORN_MM, WORN_FINE_MM)))
            .weighing(z -> Stream.of(z.painted.mesh()));
    /** Where wear and weather go, on {@link #WORN}. */
    public static final Figure<WearFields> FIELDS = Figure.ofProp("wear and weather", WearFields.class, ColourFigures::fields)
            .toldApartBy(f -> f);
    /** The same with soot from the places that were clicked. */
    public static final Figure<WearFields> SOOTED = Figure.ofProp("wear, weather and soot", WearFields.class, ColourFigures::sooted)
            .toldApartBy(f -> f);
    public static final Figure<WeatherPlan> WEATHER = Figure.ofProp("weathering", WeatherPlan.class, ColourFigures::weathering);

    /** Grooves and raised lines of the model, model mm: looked for once some are to be painted by hand. */
    public static final Figure<Lines> LINES = Figure.ofProp("grooves and raised lines", Lines.class, ColourFigures::lines);
    public static final Figure<LinePlan> LINE_PLAN = Figure.ofProp("lines by hand", LinePlan.class, ColourFigures::linePlan);

    /** Faces that paint would spoil: joints that come off or turn. */
    public static final Figure<Bare> BARE = Figure.ofProp("faces kept bare", Bare.class, ColourFigures::bare);
    /** How each part that is painted in one piece is held. */
    public static final Figure<Mounts> MOUNTS = Figure.ofProp("mounts", Mounts.class, ColourFigures::mounts);
    /** What marks lie over, by zone number, model mm. */
    public static final Figure<Laid> LAID = Figure.ofProp("what marks lie over", Laid.class, ColourFigures::laid);

    /** What to try on a card, and what cards said. */
    public static final Figure<TestCards> CARDS = Figure.ofProp("test cards", TestCards.class,
            in -> TestCards.of(in.get(COLOUR), in.build(Build::paints), in.shop(s -> s)));

    /** Borders of two colours that cannot be masked. */
    public static final Figure<Tight> TIGHT = Figure.ofProp("tight borders", Tight.class, ColourFigures::tight);

    private ColourFigures() {}

    /** @param model content hash @param told where the zones had to be carried from another mesh: what moved */
    public record Zones(String model, Painted painted, List<Finding> told) {
        public Zones {
            told = List.copyOf(told);
        }
    }

    public record Light(Painted painted) {}

    /** mm2 and share on the show side by zone number; borders in model mm. */
    public record Measured(Map<Integer, ColourSurface.Area> areas, List<Border> borders) {}

    public record Lines(List<SurfaceLine> found) {
        public Lines {
            found = List.copyOf(found);
        }
    }

    public record Bare(List<BareFace> list) {
        public Bare {
            list = List.copyOf(list);
        }
    }

    public record Mounts(List<Mount> list, List<Finding> findings) {
        public Mounts {
            list = List.copyOf(list);
            findings = List.copyOf(findings);
        }
    }

    public record Laid(Map<Integer, Lies> byZone) {
        public Laid {
            byZone = Map.copyOf(byZone);
        }

        /** One for each zone. @param scale of the model */
        public List<Finding> findings(List<Mark> marks, double scale) {
            var first = new TreeMap<Integer, Mark>();
            marks.forEach(m -> first.putIfAbsent(m.zone(), m));
            return first.values()
                    .stream()
                    .flatMap(m -> Optional.ofNullable(byZone.get(m.zone())).flatMap(l -> l.finding(m, scale)).stream())
                    .toList();
        }
    }

    public record Tight(List<TightBorder> list) {
        public List<Finding> findings() {
            return list.stream().map(TightBorder::finding).toList();
        }
    }

    private static Zones zones(Reads in) {
        var model = in.get(ModelFigures.MODEL).mesh();
        var map = in.of(p -> p.colour().map());
        String hash = model.contentHash();
        if (map.isEmpty()) return new Zones(hash, byPatches(model, in.of(ColourFigures::places)), List.of());
        var kept = map.get();
        if (kept.mesh().equals(hash) && kept.fits(model)) return new Zones(hash, kept.on(model), List.of());
        var base = in.mesh(kept.mesh()).filter(kept::fits);
        if (base.isEmpty()) return kept.fits(model) ? new Zones(hash, kept.on(model), List.of())
                : new Zones(hash, byPatches(model, in.of(ColourFigures::places)),
                        List.of(Finding.care("the zones were painted on a mesh that is not there any more: paint them again")));
        if (sameFacets(base.get(), model)) return new Zones(hash, kept.on(model), List.of());
        if (turnedOver(base.get(), model)) {
            // here: the same corners, where the mirror puts them, run the other way round
            var there = kept.on(base.get()).on(Mesh.of(model.copyXyz(), base.get().copyTriangles()));
            return new Zones(hash, Transfer.onto(there, model), List.of());
        }
        var old = kept.on(base.get());
        var now = Transfer.onto(old, model);
        return new Zones(hash, now, moved(old, now, in.of(p -> p.colour().zones())));
    }

    private static List<ColourZone> places(Prop p) {
        return p.colour().zones().stream().map(ColourFigures::place).toList();
    }

    /** Where a zone lies by patches, whatever its colour. */
    private static ColourZone place(ColourZone z) {
        return ColourZone.of(z.id(), "zone", "#000000", "").withPatches(z.patches());
    }

    private static Painted byPatches(Mesh model, List<ColourZone> zones) {
        if (zones.isEmpty()) return Painted.all(model, 0);
        var at = ColourZone.ids(zones);
        return Painted.of(model, f -> at.applyAsInt(model.centroid(f)));
    }

    private static boolean sameFacets(Mesh a, Mesh b) {
        if (a.triangleCount() != b.triangleCount() || a.vertexCount() != b.vertexCount()) return false;
        for (int f = 0; f < a.triangleCount(); f++) for (int k = 0; k < 3; k++) if (a.vertex(f, k) != b.vertex(f, k)) return false;
        return true;
    }

    /** The same corners, each facet run round the other way, as a mirror leaves them. */
    private static boolean turnedOver(Mesh a, Mesh b) {
        if (a.triangleCount() != b.triangleCount() || a.vertexCount() != b.vertexCount()) return false;
        for (int f = 0; f < a.triangleCount(); f++) {
            int k = b.vertex(f, 0) == a.vertex(f, 0) ? 0 : b.vertex(f, 1) == a.vertex(f, 0) ? 1 : 2;
            for (int i = 0; i < 3; i++) if (b.vertex(f, (k + 3 - i) % 3) != a.vertex(f, i)) return false;
        }
        return true;
    }

    /** Zones of which a twentieth came or went. */
    private static List<Finding> moved(Painted old, Painted now, List<ColourZone> zones) {
        var words = zones.stream().map(z -> {
            double before = old.areaMm2(z.id()), after = now.areaMm2(z.id());
            double by = before > 0 ? after / before - 1 : 0;
            return Math.abs(by) < 0.05 ? "" : String.format(java.util.Locale.ROOT, "%s %+.0f %%", z.name(), 100 * by);
        }).filter(w -> !w.isEmpty()).toList();
        return List.of(Finding.note("the zones came from an earlier shape of the model, by the nearest place"
                + (words.isEmpty() ? "; each kept its size" : ": " + String.join(", ", words) + "; look them over")));
    }

    private static Measured measured(Reads in) {
        var p = in.get(ZONES).painted;
        var m = p.mesh();
        var index = Bvh.of(m);
        var areas = new TreeMap<Integer, ColourSurface.Area>();
        IntStream.range(0, p.count()).map(p::zone).distinct().forEach(z -> {
            double mm2 = p.areaMm2(z), each = mm2 / LOOKS, run = -each / 2;
            int seen = 0, looked = 0;
            for (int f = 0; f < p.count(); f++) {
                if (p.zone(f) != z) continue;
                double a = m.area(f);
                run += a;
                if (run <= 0 || a <= 0) continue;
                int hits = (int) Math.ceil(run / each - 1e-9);
                looked += hits;
                if (ShowSide.seen(index, m.centroid(f), m.areaVector(f).unit())) seen += hits;
                run -= hits * each;
            }
            areas.put(z, new ColourSurface.Area(mm2, looked == 0 ? 1 : (double) seen / looked));
        });
        return new Measured(areas, BorderLines.of(p));
    }

    private static ColourSurface surface(Reads in) {
        double s = in.of(Prop::scale);
        var measured = in.get(MEASURED);
        var light = in.get(LIGHT).painted;
        var areas = new TreeMap<Integer, ColourSurface.Area>();
        measured.areas.forEach((z, a) -> areas.put(z, new ColourSurface.Area(a.mm2() * s * s, a.seen())));
        var borders = measured.borders.stream()
                .map(b -> new Border(b.low(), b.high(), b.line().stream().map(v -> v.times(s)).toList(), b.closed(), b.lengthMm() * s,
                        b.atEdge(), b.leastRadiusMm() * s))
                .toList();
        return new ColourSurface(areas, borders, areas.size() < 2 ? Map.of() : Overspray.all(light.on(light.base().scaled(s))));
    }

    private static ColourPlan plan(Reads in) {
        ColourWish wish = in.of(p -> p.colour()
                .withMap(Optional.empty())
                .withMarks(List.of())
                .withLines(LineWish.NONE.withKinds(p.colour().lines().kinds()))
                .withReferences(List.of()));
        return ColourPlanner.plan(in.get(SURFACE), wish, in.get(PRIMER), in.build(Build::paints), in.shop(s -> s));
    }

    private static WearFields fields(Reads in) {
        double s = in.of(Prop::scale);
        var light = in.get(WORN).painted;
        var real = light.on(light.base().scaled(s)).mesh();
        return WearFields.of(real, Bvh.of(real), light::facet);
    }

    private static WearFields sooted(Reads in) {
        var fields = in.get(FIELDS);
        var from = in.of(p -> p.colour().weather().soot());
        if (from.isEmpty()) return fields;
        double s = in.of(Prop::scale);
        var light = in.get(WORN).painted;
        var real = light.on(light.base().scaled(s)).mesh();
        return fields.sooted(from.stream().map(p -> p.times(s)).toList(), Bvh.of(real));
    }

    private static WeatherPlan weathering(Reads in) {
        var wish = in.of(p -> p.colour().weather());
        if (wish.none()) return new WeatherPlan(List.of(), List.of());
        var fields = in.get(SOOTED);
        double s = in.of(Prop::scale);
        var light = in.get(WORN).painted;
        var real = light.on(light.base().scaled(s));
        var mesh = real.mesh();
        var seen = in.get(SURFACE).areas();
        var dm2 = new EnumMap<Effect, Double>(Effect.class);
        for (var e : Effect.values()) if (wish.of(e) > 0) {
            double sum = 0;
            for (var a : seen.entrySet())
                sum += a.getValue().seen() * Weathered.dm2(fields, mesh, e, wish.of(e), f -> real.zone(f) == a.getKey());
            dm2.put(e, sum);
        }
        var shop = in.shop(x -> x);
        var mirror = in.of(p -> p.colour().zones())
                .stream()
                .filter(z -> shop.coating(z.paint()).kind() == Coating.Kind.METAL)
                .map(ColourZone::name)
                .toList();
        String seal = in.of(p -> p.colour().seal());
        return WeatherPlan.of(wish, dm2, seal.isEmpty() ? Optional.empty() : shop.coating(seal).sheen(), mirror);
    }

    private static Bare bare(Reads in) {
        var plan = in.get(COLOUR);
        var worked = in.get(JoinFigures.FITTINGS).bySeam();
        double film = in.shop(s -> plan.areas().stream().mapToDouble(a -> plan.filmMm(a.zone().id(), s)).max().orElse(0));
        var late = in.get(JoinFigures.ASKED).open();
        return new Bare(in.get(JoinFigures.JOINS)
                .joins()
                .stream()
                .filter(j -> !j.glued() || late.contains(j.seam().name()))
                .map(j -> BareFace.of(j.seam().name(), j.besides().apart().map(Apart::words).orElse("is glued after painting"),
                        j.seam().areaMm2(), worked.getOrDefault(j.seam().name(), Fittings.NONE).pieces(), film))
                .toList());
    }

    private static Mounts mounts(Reads in) {
        var plan = in.get(COLOUR);
        double free = plan.coats().isEmpty() ? 0 : plan.coats().getLast().tapeH();
        var joins = in.get(JoinFigures.JOINS).joins();
        var part = new HashMap<String, String>();
        var sections = in.get(CutFigures.SECTIONS).sections();
        sections.forEach(s -> part.put(s.name(), s.name()));
        joins.stream().filter(SeamJoin::glued).forEach(j -> {
            var from = part.get(j.seam().first());
            var to = part.get(j.seam().second());
            part.replaceAll((s, p) -> p.equals(from) ? to : p);
        });
        var grams = new HashMap<String, Double>();
        in.get(PrintFigures.PRINTS).prints().forEach(q -> grams.merge(part.getOrDefault(q.name(), ""), q.estimate().grams(), Double::sum));
        var list = new ArrayList<Mount>();
        for (var p : part.values().stream().distinct().sorted().toList()) {
            var of = sections.stream().filter(s -> part.get(s.name()).equals(p)).toList();
            var mesh = Mesh.union(of.stream().map(Section::mesh).toList());
            String name = of.size() == sections.size() ? in.of(Prop::name)
                    : of.stream().map(Section::name).collect(Collectors.joining("+"));
            list.add(Mount.of(name, grams.getOrDefault(p, 0.0), mesh.bounds(), Bvh.of(mesh), free));
        }
        var spray = in.build(b -> b.spaces().spray());
        return new Mounts(list, list.stream().flatMap(m -> m.findings(spray).stream()).toList());
    }

    private static Laid laid(Reads in) {
        var zones = in.of(p -> p.colour().marks().stream().map(Mark::zone).distinct().toList());
        if (zones.isEmpty()) return new Laid(Map.of());
        var painted = in.get(ZONES).painted;
        var tree = in.of(p -> p.cut().tree());
        var out = new TreeMap<Integer, Lies>();
        for (int z : zones) out.put(z, Lies.of(painted, z, tree::around));
        return new Laid(out);
    }

    private static Lines lines(Reads in) {
        if (in.of(p -> p.colour().lines().none())) return new Lines(List.of());
        var model = in.get(ModelFigures.MODEL).mesh();
        return new Lines(LineFinder.find(model, Bvh.of(model), in.of(p -> p.colour().lines().widestMm()) / in.of(Prop::scale)));
    }

    private static LinePlan linePlan(Reads in) {
        var wish = in.of(p -> p.colour().lines());
        if (wish.none()) return LinePlan.NONE;
        double s = in.of(Prop::scale);
        var real = in.get(LINES).found.stream().filter(l -> wish.paints(l, s)).map(l -> l.scaled(s)).toList();
        var zones = in.of(p -> p.colour().zones());
        var zone = in.get(ZONES).painted.zoneAt();
        return LinePlan.of(real, wish, p -> {
            int id = zone.applyAsInt(p.times(1 / s));
            return zones.stream().filter(z -> z.id() == id).map(ColourZone::hex).findFirst().orElse(PLAIN);
        }, base -> Cover.coats(base, wish.hex(), LinePlan.BRUSH_SHARE).orElse(Cover.MOST), in.shop(x -> x));
    }

    /** The shade smoothing ends with. */
    private static Undercoats.Shade primer(Optional<SmoothPlan> smooth, String printHex, Catalogue shop) {
        var films = smooth.map(s -> s.work()
                .stream()
                .filter(w -> w.step().kind() == Ladder.Kind.FILM || w.step().kind() == Ladder.Kind.PRIME)
                .map(w -> w.step().product())
                .toList()).orElse(List.of());
        var bare = new Undercoats.Shade("the print", printHex, true);
        return films.isEmpty() ? bare
                : Contrast.of(printHex, films, shop)
                        .coats()
                        .stream()
                        .filter(c -> !c.hex().isEmpty())
                        .reduce((a, b) -> b)
                        .map(c -> new Undercoats.Shade(c.shade() + " primer", c.hex(), true))
                        .orElse(bare);
    }

    /** On the light copy. */
    private static Tight tight(Reads in) {
        var ids = in.of(p -> p.colour().zones().stream().map(ColourZone::id).toList());
        if (ids.size() < 2) return new Tight(List.of());
        double s = in.of(Prop::scale);
        var light = in.get(LIGHT).painted;
        var real = light.on(light.base().scaled(s));
        return new Tight(TightBorder.of(real.mesh(), Bvh.of(real.mesh()), f -> ids.indexOf(real.zone(f)),
                in.of(p -> p.colour().zones().stream().map(ColourZone::name).toList())));
    }
}
