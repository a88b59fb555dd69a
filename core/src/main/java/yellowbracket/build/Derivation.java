package yellowbracket.build;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.SprayWeather;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.device.WeatherFeed;
import yellowbracket.join.JoinPlan;
import yellowbracket.log.Lessons;
import yellowbracket.mesh.Bvh;
import yellowbracket.mesh.Mesh;
import yellowbracket.intake.BodyList;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.FaultEdges;
import yellowbracket.mesh.FaultPlaces;
import yellowbracket.mesh.Mend;
import yellowbracket.mesh.MeshHealth;
import yellowbracket.mesh.Overlaps;
import yellowbracket.mesh.WallThickness;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.SurfaceSamples;
import yellowbracket.plan.Scheduler;
import yellowbracket.plan.TaskList;
import yellowbracket.print.Failure;
import yellowbracket.print.Orientation;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.size.Cavity;
import yellowbracket.size.Clearance;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Proportions;
import yellowbracket.size.Remedy;
import yellowbracket.size.Room;
import yellowbracket.size.TestPiece;
import yellowbracket.size.Trial;
import yellowbracket.mesh.Cylinders;
import yellowbracket.size.Carry;
import yellowbracket.size.Donning;
import yellowbracket.size.HeadField;
import yellowbracket.size.MaskFit;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.wear.PadPlan;

/**
 * One pass over all nodes for one build, in the order of the work, cheap live answers first. Each node is a pure function of what is listed as its
 * inputs; a node that fails fails what needs it, with its reason, and nothing else. Single use.
 */
final class Derivation {
    private static final int PROXY_TRIANGLES = 22_000;
    private static final int SAMPLES = 1400;
    private static final int CHANCE_RUNS = 160;
    private static final int FORECAST_DAYS = 10;

    private final Build build;
    private final Meshes meshes;
    private final Memo memo;
    private final WeatherFeed weather;
    private final Catalogue shop;
    private final java.time.LocalDateTime now;
    private final Progress progress;
    private final Consumer<Derived> publish;
    private final Map<Derived.Key, Derived.Result> results;

    /** Results only a prop that somebody wears has. */
    private static final List<Node<?>> ON_A_HEAD = List.of(Node.FITS, Node.SCALES, Node.CLEARANCE, Node.PADS, Node.FIELDS, Node.DONNING, Node.REMEDIES, Node.BY_AXIS, Node.TEST_PIECES, Node.MASK, Node.MASK_READ);

    /** A node could not be made because one before it failed. */
    private static final class Blocked extends RuntimeException {
        private static final long serialVersionUID = 1;

        Blocked(String reason) {
            super(reason, null, false, false);
        }
    }

    Derivation(Build build, Meshes meshes, Memo memo, WeatherFeed weather, Catalogue shop, java.time.LocalDateTime now, Derived before, Progress progress, Consumer<Derived> publish) {
        this.build = build;
        this.meshes = meshes;
        this.memo = memo;
        this.weather = weather;
        this.shop = shop;
        this.now = now;
        this.progress = progress;
        this.publish = publish;
        results = new HashMap<>();
        before.results().forEach((k, r) -> results.put(k, new Derived.Result(Derived.State.WORKING, r.value(), "")));
    }

    /** Only what a table of alternatives shows: no drawings, no health, no chance. */
    Derived runFigures() {
        var works = new ArrayList<TaskList.PropWork>();
        for (var p : build.props()) guarded(() -> works.add(prop(p)));
        for (var p : build.props()) guarded(() -> donning(p));
        guarded(() -> schedule(works));
        return publish();
    }

    /** Everything that is a number: no drawings, no health. */
    Derived runPlan() {
        var works = new ArrayList<TaskList.PropWork>();
        for (var p : build.props()) guarded(() -> works.add(prop(p)));
        guarded(() -> plan(works));
        return publish();
    }

    /** @param first the prop on screen: its results come first */
    Derived run(String first) {
        var props = new ArrayList<>(build.props());
        props.sort(java.util.Comparator.comparing(p -> p.id().equals(first) ? 0 : 1));
        results.keySet().removeIf(k -> !k.prop().equals(Node.BUILD) && build.prop(k.prop()).isEmpty());
        publish();
        var works = new LinkedHashMap<String, TaskList.PropWork>();
        for (var p : props) if (p.id().equals(first)) guarded(() -> show(p));
        for (var p : props) {
            guarded(() -> works.put(p.id(), prop(p)));
            if (!p.id().equals(first)) continue;
            guarded(() -> draw(p));
            guarded(() -> donning(p));
        }
        for (var p : props) guarded(() -> show(p));
        for (var p : props) guarded(() -> draw(p));
        guarded(() -> plan(build.props().stream().map(p -> works.get(p.id())).filter(java.util.Objects::nonNull).toList()));
        for (var p : props) guarded(() -> donning(p));
        for (var p : props) guarded(() -> sized(p));
        for (var p : props) guarded(() -> examine(p));
        return publish();
    }

    private void guarded(Runnable part) {
        try {
            part.run();
        } catch (Blocked b) {
            // told at the node that failed; the other props go on
        }
    }

    private Derived publish() {
        var d = new Derived(results, Optional.of(build));
        publish.accept(d);
        return d;
    }

    private <T> T node(Node<T> node, Prop prop, List<Object> inputs, Supplier<T> make) {
        return node(node, prop.id(), inputs, make);
    }

    private <T> T node(Node<T> node, String prop, List<Object> inputs, Supplier<T> make) {
        progress.check();
        var key = new Derived.Key(node.name(), prop);
        var known = memo.find(key, inputs);
        try {
            T value = node.type().cast(known.isPresent() ? known.get() : make.get());
            if (known.isEmpty()) memo.put(key, inputs, value);
            results.put(key, new Derived.Result(Derived.State.FRESH, value, ""));
            publish();
            return value;
        } catch (Progress.Stopped | Blocked e) {
            throw e;
        } catch (RuntimeException e) {
            String reason = node.name() + ": " + (e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage());
            results.put(key, new Derived.Result(Derived.State.FAILED, null, reason));
            publish();
            throw new Blocked(reason);
        }
    }

    private Mesh file(Prop p) {
        return meshes.get(p.mesh()).orElseThrow(() -> new Blocked("the mesh of " + p.name() + " is missing"));
    }

    /** The file's mesh as it is used: unit, way up, the bodies that count. */
    private Mesh mesh(Prop p) {
        var file = file(p);
        return node(Node.MODEL, p, List.of(file, p.intake(), p.reshape()), () -> {
            var model = p.reshape().apply(p.intake().apply(file, progress));
            if (model.isEmpty()) throw new IllegalStateException("every body of " + p.name() + " is dropped: keep one of them");
            return new Node.Model(model);
        }).mesh();
    }

    /** What is wrong with the mesh as it is used, its walls, and the bodies of its file. */
    private void examine(Prop p) {
        var mesh = mesh(p);
        var file = file(p);
        var index = node(Node.INDEX, p, List.of(mesh), () -> Bvh.of(mesh));
        node(Node.BODIES, p, List.of(file), () -> BodyList.of(file));
        node(Node.STANCE, p, List.of(file), () -> Stance.of(file));
        node(Node.FILE_PROXY, p, List.of(file), () -> new Node.Proxy(Simplify.to(Bodies.of(file).tagged(), PROXY_TRIANGLES, progress)));
        node(Node.HEALTH, p, List.of(mesh), () -> {
            var health = MeshHealth.of(mesh);
            var overlaps = Overlaps.of(mesh, index, progress);
            return new Node.Health(health, overlaps, FaultEdges.of(mesh), FaultPlaces.of(mesh, health, overlaps));
        });
        var proxy = node(Node.PROXY, p, List.of(mesh), () -> new Node.Proxy(Simplify.to(mesh, PROXY_TRIANGLES, progress))).mesh();
        node(Node.WALLS, p, List.of(mesh, proxy), () -> new Node.Walls(WallThickness.of(mesh, index), proxy, java.util.stream.IntStream.range(0, proxy.triangleCount()).parallel().mapToDouble(f -> {
            var on = index.closest(proxy.centroid(f));
            return WallThickness.at(index, on.point(), mesh.areaVector(on.triangle()));
        }).toArray()));
        var mends = p.intake().mends();
        var whole = p.intake().printed(file);
        node(Node.MENDED, p, List.of(file, p.intake().withMends(java.util.Set.of()), mends), () -> new Node.Mended(p.intake().mended(whole, progress).changes(), p.intake().withMends(java.util.EnumSet.allOf(Mend.Step.class)).mended(whole, progress).changes()));
    }

    /** What the bench needs to draw the prop. */
    private void show(Prop p) {
        var mesh = mesh(p);
        node(Node.PROXY, p, List.of(mesh), () -> new Node.Proxy(Simplify.to(mesh, PROXY_TRIANGLES, progress)));
    }

    private void draw(Prop p) {
        var cuts = new Derived(results, Optional.of(build)).get(Node.MODEL_SECTIONS, p.id());
        var proxy = new Derived(results, Optional.of(build)).get(Node.PROXY, p.id());
        if (cuts.isPresent() && proxy.isPresent()) node(Node.DRAWN, p, List.of(cuts.get(), proxy.get()), () -> new Node.Drawn(cuts.get().drawn(proxy.get().mesh(), p.cuts())));
    }

    private TaskList.PropWork prop(Prop p) {
        var mesh = mesh(p);
        var index = node(Node.INDEX, p, List.of(mesh), () -> Bvh.of(mesh));
        forget(p, p.worn() ? List.of(Node.CARRY) : ON_A_HEAD);
        var pads = p.worn() ? fits(p, mesh, index) : List.<PadPlan>of();
        int letter = firstLetter(p);
        var cuts = node(Node.MODEL_SECTIONS, p, List.of(mesh, p.cuts(), letter), () -> Sectioning.of(mesh, index, p.cuts(), letter, progress));
        var sections = node(Node.SECTIONS, p, List.of(cuts, p.scale()), () -> cuts.scaled(p.scale()));
        var samples = node(Node.SAMPLES, p, List.of(cuts), () -> new Node.Samples(each(cuts, s -> SurfaceSamples.of(s.mesh(), index, SAMPLES))));
        var angle = List.<Object>of(cuts, samples, p.profile().supportAngleDeg());
        var choices = node(Node.CHOICES, p, angle, () -> new Node.Choices(each(cuts, s -> Orientation.choices(s.mesh(), Bvh.of(s.mesh()), samples.bySection().get(s.name()), p.profile()))));
        var printers = printers();
        var prints = node(Node.PRINTS, p, List.of(sections, choices, p.profile(), printers), () -> PrintPlan.of(sections.sections(), choices.bySection(), p.scale(), p.profile(), printers, shop));
        var grams = prints.prints().stream().collect(Collectors.toMap(q -> q.name(), q -> q.estimate().grams()));
        var joins = node(Node.JOINS, p, List.of(sections, grams, p.profile().material(), build.shopCelsius(), p.joins()),
                () -> JoinPlan.of(sections.sections(), sections.seams(), grams, p.profile().material(), build.shopCelsius(), p.joins(), shop));
        var areas = node(Node.AREAS, p, List.of(prints, samples, p.scale()), () -> Areas.of(printed(sections, samples, prints, p.scale())));
        double show = sections.seams().stream().mapToDouble(s -> s.showLengthMm()).sum();
        var smooth = node(Node.SMOOTH, p, List.of(areas, show, p.finish(), p.school(), p.hurry(), build.shopCelsius(), p.profile()),
                () -> SmoothPlan.of(areas, show, p.finish(), p.school(), weights(p.hurry()), build.shopCelsius(), p.profile().wallMm(), shop));
        var colour = node(Node.COLOUR, p, List.of(samples, p.scale(), p.zones(), p.seal()),
                () -> ColourPlan.of(samples.bySection().values().stream().map(s -> s.scaled(p.scale())).toList(), p.scale(), p.zones(), p.seal(), shop));
        return new TaskList.PropWork(p.id(), p.name(), p.worn(), prints, joins, smooth, colour, pads);
    }

    /** What a prop no longer has is gone, not for ever being worked out. */
    private void forget(Prop p, List<Node<?>> nodes) {
        nodes.forEach(n -> results.remove(new Derived.Key(n.name(), p.id())));
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
            var index = node(Node.INDEX, q, List.of(mesh), () -> Bvh.of(mesh));
            n += node(Node.MODEL_SECTIONS, q, List.of(mesh, q.cuts(), from), () -> Sectioning.of(mesh, index, q.cuts(), from, progress)).sections().size();
        }
        return n;
    }

    private List<PadPlan> fits(Prop p, Mesh mesh, Bvh index) {
        var cavity = node(Node.CAVITY, p, List.of(mesh), () -> Cavity.of(mesh, index));
        if (!cavity.holdsAHead()) {
            forget(p, ON_A_HEAD.stream().filter(n -> n != Node.MASK && n != Node.MASK_READ).toList());
            return List.of();
        }
        forget(p, List.of(Node.MASK, Node.MASK_READ));
        var wearers = p.wearers().stream().map(n -> build.wearer(n)).flatMap(Optional::stream).toList();
        if (wearers.isEmpty()) return List.of();
        var forms = new HashMap<String, HeadForm>();
        for (var w : wearers) {
            var wrong = w.head().check();
            if (!wrong.isEmpty()) {
                forget(p, ON_A_HEAD);
                results.put(new Derived.Key(Node.FITS.name(), p.id()), new Derived.Result(Derived.State.FAILED, null, w.name() + ", " + wrong.getFirst().sentence()));
                publish();
                return List.of();
            }
            forms.put(w.name(), HeadForm.of(w));
        }
        var main = wearers.getFirst();
        memo.newest(new Derived.Key(Node.FITS.name(), p.id())).map(Node.Fits.class::cast).filter(f -> !f.list().isEmpty() && f.list().getFirst().wearer().equals(main)).ifPresent(before -> {
            var f = before.list().getFirst();
            var pose = f.pose().grown(p.scale() / f.scale());
            node(Node.CLEARANCE, p, List.of(cavity, main, p.scale(), pose), () -> Clearance.of(f.clearance().form(), cavity, p.scale(), pose));
        });
        var trials = trials(p);
        var rooms = new HashMap<String, Room>();
        var scales = node(Node.SCALES, p, List.of(cavity, wearers, trials), () -> new Node.AllScales(wearers.parallelStream()
                .collect(Collectors.toMap(w -> w.name(), w -> Fit.scales(Fit.room(w, trials.getOrDefault(w.name(), List.of()), forms.get(w.name()), cavity), forms.get(w.name()), cavity, progress)))));
        var fits = node(Node.FITS, p, List.of(cavity, wearers, trials, p.scale()), () -> {
            wearers.forEach(w -> rooms.put(w.name(), Fit.room(w, trials.getOrDefault(w.name(), List.of()), forms.get(w.name()), cavity)));
            return new Node.Fits(wearers.parallelStream().map(w -> Fit.of(rooms.get(w.name()), forms.get(w.name()), cavity, p.scale(), scales.byWearer().get(w.name()))).toList());
        });
        node(Node.CLEARANCE, p, List.of(fits), () -> fits.list().getFirst().clearance());
        return node(Node.PADS, p, List.of(fits), () -> new Node.Pads(fits.list().stream().map(f -> PadPlan.of(f.wearer(), f.clearance(), shop.foamsMm())).toList())).sets();
    }

    /** What test pieces told, by wearer, oldest first. */
    private Map<String, List<Trial>> trials(Prop p) {
        return build.log().stream().filter(e -> e.kind() == yellowbracket.log.Entry.Kind.FIT && e.about().equals(p.id())).map(e -> e.trial().orElseThrow())
                .collect(Collectors.groupingBy(t -> t.wearer(), java.util.TreeMap::new, Collectors.mapping(t -> t.trial(), Collectors.toList())));
    }

    /** Whether each wearer's head goes in: dearer than the fit, so it comes after what the slider shows. */
    private void donning(Prop p) {
        var known = new Derived(results, Optional.of(build));
        if (!known.fresh(Node.FITS, p.id())) return;
        var fits = known.require(Node.FITS, p.id());
        var cavity = known.require(Node.CAVITY, p.id());
        var wearers = fits.list().stream().map(Fit::wearer).toList();
        var fields = node(Node.FIELDS, p, List.of(wearers), () -> new Node.Fields(fits.list().stream().map(f -> HeadField.of(f.clearance().form(), f.wearer(), progress)).toList()));
        node(Node.DONNING, p, List.of(fits, fields), () -> {
            var out = new ArrayList<Donning>();
            for (int i = 0; i < fits.list().size(); i++) out.add(Donning.of(fields.list().get(i), cavity, p.scale(), fits.list().get(i).pose(), progress));
            return new Node.Donnings(List.copyOf(out));
        });
    }

    /** What the Size station tells beyond the fit. */
    private void sized(Prop p) {
        var mesh = mesh(p);
        var index = node(Node.INDEX, p, List.of(mesh), () -> Bvh.of(mesh));
        node(Node.HOLES, p, List.of(mesh), () -> new Node.Holes(Cylinders.of(mesh, index, progress)));
        var known = new Derived(results, Optional.of(build));
        if (known.fresh(Node.FITS, p.id()) && known.fresh(Node.DONNING, p.id())) helm(p, known);
        else if (p.worn()) mask(p, mesh, index);
        else {
            var bearer = build.wearers().stream().findFirst();
            bearer.ifPresent(w -> node(Node.CARRY, p, List.of(mesh, p.scale(), w), () -> Carry.of(mesh, index, p.scale(), w)));
        }
    }

    private void helm(Prop p, Derived known) {
        var fits = known.require(Node.FITS, p.id());
        var cavity = known.require(Node.CAVITY, p.id());
        var donnings = known.require(Node.DONNING, p.id());
        var main = fits.list().getFirst();
        node(Node.TEST_PIECES, p, List.of(fits, donnings, p.profile()), () -> pieces(p, main, donnings.list().getFirst(), cavity));
        var scales = known.require(Node.SCALES, p.id()).byWearer().get(main.wearer().name());
        node(Node.BY_AXIS, p, List.of(cavity, main.room(), scales), () -> new Node.ByAxis(Proportions.of(main.room(), main.clearance().form(), cavity, scales)));
        var fields = known.require(Node.FIELDS, p.id());
        node(Node.REMEDIES, p, List.of(donnings, fields), () -> {
            for (int i = 0; i < donnings.list().size(); i++) {
                if (donnings.list().get(i).passes()) continue;
                return new Node.Remedies(Optional.of(fits.list().get(i).wearer().name()), Remedy.of(fields.list().get(i), cavity, p.scale(), donnings.list().get(i), progress));
            }
            return new Node.Remedies(Optional.empty(), List.of());
        });
    }

    private Node.Pieces pieces(Prop p, Fit fit, Donning donning, Cavity cavity) {
        var out = new ArrayList<Node.Piece>();
        var missing = new ArrayList<String>();
        for (var kind : TestPiece.Kind.values()) {
            try {
                out.add(Pricing.of(TestPiece.of(kind, fit, donning, cavity), p.profile(), build.printers().getFirst(), shop));
            } catch (IllegalStateException e) {
                missing.add(kind.label() + ": " + e.getMessage());
            }
        }
        return new Node.Pieces(List.copyOf(out), List.copyOf(missing));
    }

    private void mask(Prop p, Mesh mesh, Bvh index) {
        var wearers = p.wearers().stream().map(build::wearer).flatMap(Optional::stream).filter(w -> w.head().check().isEmpty()).toList();
        if (wearers.isEmpty()) return;
        var read = node(Node.MASK_READ, p, List.of(mesh), () -> MaskFit.Read.of(mesh, index));
        node(Node.MASK, p, List.of(read, wearers, p.scale()), () -> new Node.MaskFits(wearers.stream().map(w -> MaskFit.of(w, HeadForm.of(w), read, p.scale())).toList()));
    }

    private static List<Areas.Printed> printed(Sectioning sections, Node.Samples samples, PrintPlan prints, double scale) {
        return sections.sections().stream().map(s -> new Areas.Printed(s, samples.bySection().get(s.name()).scaled(scale), prints.print(s.name()))).toList();
    }

    private static Ladder.Weights weights(Prop.Hurry h) {
        return switch (h) {
            case LEAST_WORK -> Ladder.Weights.LEAST_WORK;
            case SOONEST -> Ladder.Weights.SOONEST;
            case CHEAPEST -> Ladder.Weights.CHEAPEST;
        };
    }

    /** Failure rates after the log: a failed print tagged with the printer's name (blanks as -) counts against it, one without a tag against all. */
    private List<Printer> printers() {
        var failed = build.log().stream().filter(e -> e.kind() == yellowbracket.log.Entry.Kind.FAILED).toList();
        double hours = Lessons.facts(build.log()).done().values().stream().filter(a -> a.task().startsWith("print:")).mapToDouble(a -> a.hours()).sum();
        return build.printers().stream().map(p -> {
            String tag = p.name().replace(' ', '-');
            int n = (int) failed.stream().filter(e -> e.tags().isEmpty() || e.tags().contains(tag)).count();
            double rate = Failure.learnedRate(p.failuresPerHour(), n, hours / Math.max(1, build.printers().size()));
            return new Printer(p.name(), p.bedX(), p.bedY(), p.bedZ(), p.marginMm(), p.nozzleMm(), p.speedMmS(), p.hoursFactor(), rate, p.costPerHour());
        }).toList();
    }

    private void plan(List<TaskList.PropWork> works) {
        var tasks = schedule(works);
        node(Node.NEEDS, Node.BUILD, List.of(tasks, build.stock()), () -> needs(works));
        var done = tasks.lessons().doneWith(tasks.list());
        node(Node.CHANCE, Node.BUILD, List.of(tasks, now, build.due(), build.hours(), weather, build.seed()), () -> new Node.Chance(
                scheduler().chance(tasks.list(), done, CHANCE_RUNS, new java.util.SplittableRandom(build.seed()), progress), CHANCE_RUNS));
    }

    private Scheduler scheduler() {
        return new Scheduler(now, build.due(), build.hours(), this::sprayable);
    }

    private Node.Tasks schedule(List<TaskList.PropWork> works) {
        var tasks = node(Node.TASKS, Node.BUILD, List.of(works, build.log(), build.rates()), () -> {
            var plain = works.stream().flatMap(w -> TaskList.of(w, Map.of()).stream()).toList();
            var facts = Lessons.facts(build.log());
            var lessons = facts.learn(plain, build.rates());
            Map<String, Rate> rates = lessons.rates();
            return new Node.Tasks(works.stream().flatMap(w -> TaskList.of(w, rates).stream()).toList(), lessons, facts.learn(plain, Map.of()).rates());
        });
        var done = tasks.lessons().doneWith(tasks.list());
        node(Node.SCHEDULE, Node.BUILD, List.of(tasks, now, build.due(), build.hours(), weather), () -> scheduler().schedule(tasks.list(), done));
        return tasks;
    }

    /** Near days by the feed, later ones by what is usual: ten to four is fit on most. */
    private boolean sprayable(java.time.LocalDateTime at) {
        if (at.isAfter(now.plusDays(FORECAST_DAYS))) return at.getHour() >= 10 && at.getHour() < 17 || at.getHour() >= 18 && at.getHour() < 20;
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
