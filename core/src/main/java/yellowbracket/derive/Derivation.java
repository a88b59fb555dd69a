package yellowbracket.derive;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.SprayWeather;
import yellowbracket.cut.Alike;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.registration.Registrar;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.intake.BodyList;
import yellowbracket.intake.Stance;
import yellowbracket.join.JoinPlan;
import yellowbracket.log.Lessons;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.FaultEdges;
import yellowbracket.mesh.repair.FaultPlaces;
import yellowbracket.mesh.repair.Mend;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.mesh.repair.Overlaps;
import yellowbracket.plan.Needs;
import yellowbracket.plan.Scheduler;
import yellowbracket.plan.TaskList;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Quiet;
import yellowbracket.shop.Rate;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Fineness;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.SmoothPlan;

/**
 * One pass over all nodes for one build, in the order of the work, cheap live answers first. Each node is a pure function of what is listed
 * as its
 * inputs; a node that fails fails what needs it, with its reason, and nothing else. Single use.
 */
final class Derivation {
    private static final int PROXY_TRIANGLES = 22_000;
    private static final int SAMPLES = 1400;
    private static final int CHANCE_RUNS = 160;
    private static final int FORECAST_DAYS = 10;

    private final Build build;
    private final Meshes meshes;
    private final WeatherFeed weather;
    private final Catalogue shop;
    private final java.time.LocalDateTime now;
    private final Progress progress;
    private final Results results;
    private final SizeNodes sizing;
    private final PrintNodes printing;

    Derivation(Build build, Meshes meshes, Memo memo, WeatherFeed weather, Catalogue shop, java.time.LocalDateTime now, Derived before,
            Progress progress, Consumer<Derived> publish) {
        this.build = build;
        this.meshes = meshes;
        this.weather = weather;
        this.shop = shop;
        this.now = now;
        this.progress = progress;
        results = new Results(build, memo, before, progress, publish);
        sizing = new SizeNodes(build, results, shop);
        printing = new PrintNodes(build, results, shop);
    }

    /** Only what a table of alternatives shows: no drawings, no health, no chance. */
    Derived runFigures() {
        var works = new ArrayList<TaskList.PropWork>();
        for (var p : build.props()) results.guarded(() -> works.add(prop(p)));
        for (var p : build.props()) results.guarded(() -> sizing.donning(p));
        results.guarded(() -> schedule(works));
        return results.publish();
    }

    /** Everything that is a number: no drawings, no health. */
    Derived runPlan() {
        var works = new ArrayList<TaskList.PropWork>();
        for (var p : build.props()) results.guarded(() -> works.add(prop(p)));
        results.guarded(() -> plan(works));
        return results.publish();
    }

    /** @param first the prop on screen: its results come first */
    Derived run(String first) {
        var props = new ArrayList<>(build.props());
        props.sort(java.util.Comparator.comparing(p -> p.id().equals(first) ? 0 : 1));
        results.forgetOthers();
        results.publish();
        var works = new LinkedHashMap<String, TaskList.PropWork>();
        for (var p : props) if (p.id().equals(first)) results.guarded(() -> sketch(p));
        for (var p : props) {
            results.guarded(() -> works.put(p.id(), prop(p)));
            if (!p.id().equals(first)) continue;
            results.guarded(() -> draw(p));
            results.guarded(() -> sizing.donning(p));
        }
        for (var p : props) results.guarded(() -> show(p));
        for (var p : props) results.guarded(() -> draw(p));
        results.guarded(() -> plan(build.props().stream().map(p -> works.get(p.id())).filter(java.util.Objects::nonNull).toList()));
        for (var p : props) results.guarded(() -> printing(p));
        for (var p : props) results.guarded(() -> sizing.donning(p));
        for (var p : props) results.guarded(() -> {
            var mesh = mesh(p);
            sizing.rest(p, mesh, index(p, mesh));
        });
        for (var p : props) results.guarded(() -> examine(p));
        return results.publish();
    }

    private Mesh file(Prop p) {
        return meshes.get(p.mesh()).orElseThrow(() -> new Results.Blocked("the mesh of " + p.name() + " is missing"));
    }

    /** The file's mesh as it is used: unit, way up, the bodies that count. */
    private Mesh mesh(Prop p) {
        var file = file(p);
        return results.node(Node.MODEL, p, List.of(file, p.intake(), p.reshape()), () -> {
            var model = p.reshape().apply(p.intake().apply(file, progress));
            if (model.isEmpty()) throw new IllegalStateException("every body of " + p.name() + " is dropped: keep one of them");
            return new Node.Model(model);
        }).mesh();
    }

    private Bvh index(Prop p, Mesh mesh) {
        return results.node(Node.INDEX, p, List.of(mesh), () -> Bvh.of(mesh));
    }

    /** What is wrong with the mesh as it is used, its walls, and the bodies of its file. */
    private void examine(Prop p) {
        var mesh = mesh(p);
        var file = file(p);
        var index = index(p, mesh);
        results.node(Node.BODIES, p, List.of(file), () -> BodyList.of(file));
        results.node(Node.STANCE, p, List.of(file), () -> Stance.of(file));
        results.node(Node.FILE_PROXY, p, List.of(file),
                () -> new Node.Proxy(Simplify.to(Bodies.of(file).tagged(), PROXY_TRIANGLES, progress)));
        results.node(Node.HEALTH, p, List.of(mesh), () -> {
            var health = MeshHealth.of(mesh);
            var overlaps = Overlaps.of(mesh, index, progress);
            return new Node.Health(health, overlaps, FaultEdges.of(mesh), FaultPlaces.of(mesh, health, overlaps));
        });
        var proxy = results.node(Node.PROXY, p, List.of(mesh), () -> new Node.Proxy(Simplify.to(mesh, PROXY_TRIANGLES, progress))).mesh();
        results.node(Node.WALLS, p, List.of(mesh, proxy), () -> new Node.Walls(WallThickness.of(mesh, index), proxy,
                java.util.stream.IntStream.range(0, proxy.triangleCount()).parallel().mapToDouble(f -> {
                    var on = index.closest(proxy.centroid(f));
                    return WallThickness.at(index, on.point(), mesh.areaVector(on.triangle()));
                }).toArray()));
        var mends = p.intake().mends();
        var whole = p.intake().printed(file);
        results.node(Node.MENDED, p, List.of(file, p.intake().withMends(java.util.Set.of()), mends),
                () -> new Node.Mended(p.intake().mended(whole, progress).changes(),
                        p.intake().withMends(java.util.EnumSet.allOf(Mend.Step.class)).mended(whole, progress).changes()));
    }

    /** What the bench needs to draw the prop. */
    private void show(Prop p) {
        var mesh = mesh(p);
        results.node(Node.PROXY, p, List.of(mesh), () -> new Node.Proxy(Simplify.to(mesh, PROXY_TRIANGLES, progress)));
    }

    private void sketch(Prop p) {
        show(p);
        int letter = firstLetter(p);
        results.known()
                .get(Node.PROXY, p.id())
                .ifPresent(proxy -> results.node(Node.SKETCH, p, List.of(proxy, p.cuts(), letter),
                        () -> Node.Drawn.of(Sectioning.sketch(proxy.mesh(), p.cuts(), letter))));
    }

    private void draw(Prop p) {
        var cuts = results.known().get(Node.MODEL_SECTIONS, p.id());
        var proxy = results.known().get(Node.PROXY, p.id());
        results.known()
                .get(Node.SECTIONS, p.id())
                .ifPresent(s -> results.node(Node.TWINS, p, List.of(s), () -> new Node.Twins(Alike.among(s.sections()))));
        if (cuts.isPresent() && proxy.isPresent()) results.node(Node.DRAWN, p, List.of(cuts.get(), proxy.get()),
                () -> Node.Drawn.of(cuts.get().drawn(proxy.get().mesh(), p.cuts())));
    }

    private TaskList.PropWork prop(Prop p) {
        var mesh = mesh(p);
        var index = index(p, mesh);
        var pads = sizing.fits(p, mesh, index);
        int letter = firstLetter(p);
        var cuts = results.node(Node.MODEL_SECTIONS, p, List.of(mesh, p.cuts(), letter),
                () -> Sectioning.of(mesh, index, p.cuts(), letter, progress));
        var registered = results.node(Node.REGISTERED, p, List.of(cuts, p.scale(), p.registration()),
                () -> Registrar.of(mesh, index, cuts, p.cuts(), p.scale(), p.registration(), progress));
        var sections = results.node(Node.SECTIONS, p, List.of(registered), registered::sections);
        var samples = results.node(Node.SAMPLES, p, List.of(cuts),
                () -> new Node.Samples(each(cuts, s -> SurfaceSamples.of(s.mesh(), index, SAMPLES))));
        var prints = printing.prints(p, cuts, sections, samples);
        var grams = prints.prints().stream().collect(Collectors.toMap(q -> q.name(), q -> q.estimate().grams()));
        var joins = results.node(Node.JOINS, p, List.of(sections, grams, p.profile().material(), build.shopCelsius(), p.joins()),
                () -> JoinPlan.of(sections.sections(), sections.seams(), grams, p.profile().material(), build.shopCelsius(), p.joins(),
                        shop));
        var areas = results.node(Node.AREAS, p, List.of(prints, samples, p.scale()),
                () -> Areas.of(printed(sections, samples, prints, p.scale())));
        double show = sections.seams().stream().mapToDouble(s -> s.showLengthMm()).sum();
        var smooth = results.node(Node.SMOOTH, p, List.of(areas, show, p.finish(), p.school(), p.hurry(), build.shopCelsius(), p.profile()),
                () -> smoothing(p, show).of(areas, p.profile()));
        var colour = results.node(Node.COLOUR, p, List.of(samples, p.scale(), p.zones(), p.seal()), () -> ColourPlan
                .of(samples.bySection().values().stream().map(s -> s.scaled(p.scale())).toList(), p.scale(), p.zones(), p.seal(), shop));
        return new TaskList.PropWork(p.id(), p.name(), p.worn(), prints, joins, smooth, colour, pads);
    }

    private Fineness.Smoothing smoothing(Prop p, double seamMm) {
        return (areas, profile) -> SmoothPlan.of(areas, seamMm, p.finish(), p.school(), weights(p.hurry()), build.shopCelsius(),
                profile.wallMm(), shop);
    }

    /** Ways up to choose from, support drawn, hours against fineness. */
    private void printing(Prop p) {
        double seam = results.known()
                .get(Node.SECTIONS, p.id())
                .map(s -> s.seams().stream().mapToDouble(q -> q.showLengthMm()).sum())
                .orElse(0.0);
        printing.rest(p, mesh(p), smoothing(p, seam));
    }

    private static <T> Map<String, T> each(Sectioning cuts, java.util.function.Function<Section, T> make) {
        return cuts.sections().parallelStream().collect(Collectors.toMap(Section::name, make));
    }

    /** Letters run on from prop to prop; a prop before counts the sections its cuts left last time, or its planes plus one. */
    private int firstLetter(Prop p) {
        int n = 0;
        for (var q : build.props()) {
            if (q.id().equals(p.id())) break;
            if (meshes.get(q.mesh()).isEmpty()) continue;
            int from = n;
            var mesh = mesh(q);
            var index = index(q, mesh);
            n += results
                    .node(Node.MODEL_SECTIONS, q, List.of(mesh, q.cuts(), from), () -> Sectioning.of(mesh, index, q.cuts(), from, progress))
                    .sections()
                    .size();
        }
        return n;
    }

    private static List<Areas.Printed> printed(Sectioning sections, Node.Samples samples, PrintPlan prints, double scale) {
        return sections.sections()
                .stream()
                .map(s -> new Areas.Printed(s, samples.bySection().get(s.name()).scaled(scale), prints.print(s.name())))
                .toList();
    }

    private static Ladder.Weights weights(Prop.Hurry h) {
        return switch (h) {
            case LEAST_WORK -> Ladder.Weights.LEAST_WORK;
            case SOONEST -> Ladder.Weights.SOONEST;
            case CHEAPEST -> Ladder.Weights.CHEAPEST;
        };
    }

    private void plan(List<TaskList.PropWork> works) {
        var tasks = schedule(works);
        results.node(Node.NEEDS, Node.BUILD, List.of(tasks, build.stock()), () -> needs(works));
        results.node(Node.CHANCE, Node.BUILD, List.of(tasks, now, build.due(), build.hours(), quiet(), weather, build.seed()),
                () -> new Node.Chance(scheduler().chance(tasks.list(), tasks.facts(), CHANCE_RUNS,
                        new java.util.SplittableRandom(build.seed()), progress), CHANCE_RUNS));
    }

    private Scheduler scheduler() {
        return new Scheduler(now, build.due(), build.hours(), this::sprayable, quiet());
    }

    private Map<String, Quiet> quiet() {
        return build.printers()
                .stream()
                .filter(p -> p.quiet().isPresent())
                .collect(Collectors.toMap(Printer::name, p -> p.quiet().orElseThrow(), (a, b) -> a));
    }

    private Node.Tasks schedule(List<TaskList.PropWork> works) {
        var plates = printing.plates(works);
        var shared = printing.shared(plates, works);
        var tasks = results.node(Node.TASKS, Node.BUILD, List.of(works, build.log(), build.rates(), shared, build.queue()), () -> {
            var plain = works.stream().flatMap(w -> TaskList.of(w, Map.of(), shared).stream()).toList();
            var facts = Lessons.facts(build.log());
            var lessons = facts.learn(plain, build.rates());
            Map<String, Rate> rates = lessons.rates();
            var own = new HashMap<>(facts.learn(plain, Map.of()).rates());
            own.putAll(printing.own());
            return new Node.Tasks(works.stream().flatMap(w -> TaskList.of(w, rates, shared).stream()).toList(), lessons, own,
                    printing.order(shared));
        });
        var schedule = results.node(Node.SCHEDULE, Node.BUILD, List.of(tasks, now, build.due(), build.hours(), quiet(), weather),
                () -> scheduler().schedule(tasks.list(), tasks.facts()));
        printing.spools(schedule, works);
        return tasks;
    }

    /** Near days by the feed, later ones by what is usual: ten to four is fit on most. */
    private boolean sprayable(java.time.LocalDateTime at) {
        if (at.isAfter(now.plusDays(FORECAST_DAYS)))
            return at.getHour() >= 10 && at.getHour() < 17 || at.getHour() >= 18 && at.getHour() < 20;
        return SprayWeather.judge(weather.at(at), shop.coating("acrylic lacquer spray")).verdict() != SprayWeather.Verdict.NO;
    }

    private Needs needs(List<TaskList.PropWork> works) {
        var sum = new Needs.Sum();
        for (var w : works) {
            sum.add(w.print());
            sum.add(w.join());
            sum.add(w.smooth(), shop);
            sum.add(w.colour(), shop);
            w.pads().forEach(sum::add);
        }
        return sum.against(build.stock());
    }
}
