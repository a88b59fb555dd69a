package yellowbracket.derive;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.cut.Bed;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.TurnedFit;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.log.Lessons;
import yellowbracket.log.PrintRecord;
import yellowbracket.log.Recurring;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Task;
import yellowbracket.plan.TaskList;
import yellowbracket.print.Columns;
import yellowbracket.print.Estimate;
import yellowbracket.print.OnePiece;
import yellowbracket.print.Orientation;
import yellowbracket.print.Plates;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.PrintRules;
import yellowbracket.print.SectionPrint;
import yellowbracket.print.Shadow;
import yellowbracket.print.SpoolPlan;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.smooth.Fineness;

/** The nodes of the print station for one build. Single use, as the derivation it belongs to. */
final class PrintNodes {
    private static final int WAYS = 6;
    /** Columns of support drawn for one section, about. */
    private static final int POSTS = 700;
    private static final int DRAWN_CELLS = 160;

    private final Build build;
    private final Results results;
    private final Catalogue shop;

    PrintNodes(Build build, Results results, Catalogue shop) {
        this.build = build;
        this.results = results;
        this.shop = shop;
    }

    /** What the log says of each printer. */
    Node.Records records() {
        return results.node(Node.RECORDS, Node.BUILD, List.of(build.log(), build.printers(), build.rates()),
                () -> new Node.Records(build.printers()
                        .stream()
                        .map(p -> PrintRecord.of(build.log(), p, build.printers(),
                                build.rates().getOrDefault(PrintRecord.rateKey(p.name()), Rate.UNKNOWN)))
                        .toList()));
    }

    /** Factors of hours this build alone taught. */
    Map<String, Rate> own() {
        var out = new HashMap<String, Rate>();
        for (var p : build.printers()) {
            var rate = PrintRecord.of(build.log(), p, build.printers(), Rate.UNKNOWN).factor();
            if (rate.jobs() > 0) out.put(PrintRecord.rateKey(p.name()), rate);
        }
        return out;
    }

    private List<Printer> printers() {
        var records = records();
        return build.printers().stream().map(p -> records.of(p.name()).apply(p)).toList();
    }

    PrintPlan prints(Prop p, Sectioning cuts, Sectioning sections, Node.Samples samples) {
        var profiles = cuts.sections()
                .stream()
                .collect(Collectors.toMap(Section::name, s -> p.print(s.name()).profile().orElse(p.profile())));
        var angles = profiles.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().supportAngleDeg()));
        var choices = results.node(Node.CHOICES, p, List.of(cuts, samples, angles), () -> new Node.Choices(
                each(cuts, s -> Orientation.choices(s.mesh(), samples.bySection().get(s.name()), profiles.get(s.name())))));
        var printers = printers();
        var stands = stands(p, cuts, printers);
        var turns = p.prints()
                .entrySet()
                .stream()
                .filter(e -> e.getValue().turn().isPresent())
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().turn().orElseThrow()));
        var ways = results.node(Node.ALL_WAYS, p, List.of(choices, stands, turns, angles), () -> new Node.Choices(each(cuts, s -> {
            var list = new ArrayList<>(choices.bySection().get(s.name()));
            Stream.concat(turns.containsKey(s.name()) ? Stream.of(turns.get(s.name())) : Stream.of(),
                    stands.bySection().get(s.name()).values().stream().flatMap(t -> t.turn().stream())).forEach(t -> {
                        if (list.stream().noneMatch(o -> o.turn().equals(t)))
                            list.add(Orientation.of(s.mesh(), samples.bySection().get(s.name()), profiles.get(s.name()), t));
                    });
            return List.copyOf(list);
        })));
        var prints = results.node(Node.PRINTS, p, List.of(sections, ways, p.prints(), p.profile(), printers),
                () -> PrintPlan.of(sections.sections(), ways.bySection(), p.prints(), p.scale(), p.profile(), printers, shop));
        var done = done();
        results.node(Node.REMARKS, p, List.of(prints, build.log(), done, p.worn()), () -> {
            var ahead = prints.prints().stream().filter(q -> !done.contains(q.name())).toList();
            return new Node.Remarks(PrintRules.of(ahead, shop, p.worn()),
                    Recurring.of(build.log(), ahead, prints.prints().stream().collect(Collectors.toMap(SectionPrint::name, q -> q))));
        });
        return prints;
    }

    /** Sections printed. */
    private Set<String> done() {
        return Lessons.facts(build.log())
                .done()
                .keySet()
                .stream()
                .filter(k -> k.startsWith("print:"))
                .map(k -> k.substring(6))
                .collect(Collectors.toUnmodifiableSet());
    }

    /**
     * On the plain sections: what is worked into their faces does not make them larger by more than a tongue, which the bed's margin holds.
     */
    private Node.Stands stands(Prop p, Sectioning cuts, List<Printer> printers) {
        var beds = printers.stream().collect(Collectors.toMap(Printer::name, Bed::of, (a, b) -> a, LinkedHashMap::new));
        return results.node(Node.STANDS, p, List.of(cuts, p.scale(), beds), () -> new Node.Stands(each(cuts, s -> {
            var mesh = s.mesh().scaled(p.scale());
            var by = new LinkedHashMap<String, TurnedFit.Stand>();
            beds.forEach((name, bed) -> by.put(name, TurnedFit.stand(mesh, bed)));
            return Collections.unmodifiableMap(by);
        })));
    }

    /** What the print page shows beside the plan. */
    void rest(Prop p, Mesh mesh, Fineness.Smoothing smoothing) {
        var known = results.known();
        if (Stream.of(Node.SECTIONS, Node.SAMPLES, Node.PRINTS, Node.ALL_WAYS).anyMatch(n -> !known.fresh(n, p.id()))) return;
        var sections = known.require(Node.SECTIONS, p.id());
        var samples = known.require(Node.SAMPLES, p.id());
        var prints = known.require(Node.PRINTS, p.id());
        var choices = known.require(Node.ALL_WAYS, p.id());
        if (prints.prints().isEmpty()) return;
        results.node(Node.WAYS, p, List.of(prints, choices),
                () -> new Node.Ways(each(sections, s -> ways(s, prints.print(s.name()), choices.bySection().get(s.name()), p.scale()))));
        results.node(Node.POSTS, p, List.of(sections, turns(prints), angles(prints)), () -> new Node.Posts(
                each(sections, s -> posts(s, prints.print(s.name()), samples.bySection().get(s.name()).scaled(p.scale())))));
        results.node(Node.FINENESS, p, List.of(prints, samples, p.finish(), p.school(), p.hurry(), build.shopCelsius(), p.profile()),
                () -> p.profile().cure().isPresent() ? new Fineness(List.of())
                        : Fineness.of(sections.sections(), samples.bySection(), prints, p.scale(), p.profile(), shop, smoothing));
        results.node(Node.ONE_PIECE, p, List.of(mesh, prints, p.scale()), () -> onePiece(p, mesh, samples, prints));
    }

    private List<Node.Way> ways(Section s, SectionPrint now, List<Orientation> all, double scale) {
        var out = new ArrayList<Node.Way>();
        Orientation.pareto(all, scale, now.printer(), WAYS).forEach((o, aims) -> {
            var laid = o.laid(scale, now.printer()).scaled(scale);
            out.add(new Node.Way(o.turn(), aims,
                    new SectionPrint(s.name(), laid, now.profile(), now.printer(),
                            Estimate.of(s.mesh(), laid, now.profile(), shop.material(now.profile().material()), now.printer()),
                            o.fits(scale, now.printer()))));
        });
        if (out.stream().noneMatch(w -> w.print().orientation().turn().equals(now.orientation().turn())))
            out.add(new Node.Way(now.orientation().turn(), List.of(), now));
        return List.copyOf(out);
    }

    private static Node.Held posts(Section s, SectionPrint print, SurfaceSamples samples) {
        var size = print.orientation().size();
        double cell = Math.max(0.5, Math.sqrt(size.x() * size.y()) / DRAWN_CELLS);
        var columns = Columns.of(s.mesh(), samples.seenByFacet(s.mesh()), print.orientation().turn(), cell);
        double lean = print.profile().supportAngleDeg();
        int all = columns.posts(lean, 1).size();
        return new Node.Held(columns.posts(lean, Math.max(1, (int) Math.round(Math.sqrt((double) all / POSTS)))), columns.bedZ());
    }

    private OnePiece onePiece(Prop p, Mesh mesh, Node.Samples samples, PrintPlan prints) {
        var all = new ArrayList<SurfaceSamples.Sample>();
        samples.bySection().values().forEach(s -> all.addAll(s.samples()));
        double area = samples.bySection().values().stream().mapToDouble(SurfaceSamples::areaMm2).sum();
        var whole = new SurfaceSamples(all, area / Math.max(1, all.size()));
        var printer = prints.prints()
                .stream()
                .map(SectionPrint::printer)
                .max(Comparator.comparingDouble(q -> q.usableX() * q.usableY() * q.usableZ()))
                .orElseThrow();
        var turn = TurnedFit.of(mesh.scaled(p.scale()), Bed.of(printer));
        var way = Orientation.of(mesh, whole, p.profile(), turn.orElse(Turn.NONE));
        var real = mesh.scaled(p.scale());
        return OnePiece.of(new SectionPrint(p.name(), way.scaled(p.scale()), p.profile(), printer,
                Estimate.of(real, way.scaled(p.scale()), p.profile(), shop.material(p.profile().material()), printer), turn.isPresent()));
    }

    private static Map<String, Turn> turns(PrintPlan prints) {
        return prints.prints().stream().collect(Collectors.toMap(SectionPrint::name, q -> q.orientation().turn()));
    }

    private static Map<String, Double> angles(PrintPlan prints) {
        return prints.prints().stream().collect(Collectors.toMap(SectionPrint::name, q -> q.profile().supportAngleDeg()));
    }

    /** Both ways to fill beds with what is still to be printed, of all props. */
    Node.Plating plates(List<TaskList.PropWork> works) {
        var shadows = new HashMap<String, Shadow>();
        for (var w : works) {
            var prop = build.prop(w.id()).orElseThrow();
            results.known()
                    .get(Node.SECTIONS, w.id())
                    .ifPresent(
                            s -> shadows
                                    .putAll(results
                                            .node(Node.SHADOWS, prop, List.of(s, turns(w.print())),
                                                    () -> new Node.Shadows(each(s, q -> Shadow.of(q.mesh(),
                                                            w.print().print(q.name()).orientation().turn(), 1, Plates.CELL_MM))))
                                            .bySection()));
        }
        var prints = works.stream().map(TaskList.PropWork::print).toList();
        var done = done();
        return results.node(Node.PLATES, Node.BUILD, List.of(prints, Map.copyOf(shadows), build.queue(), done), () -> {
            var single = new ArrayList<Plates.Plate>();
            var full = new ArrayList<Plates.Plate>();
            for (var printer : prints.stream().flatMap(p -> p.prints().stream()).map(SectionPrint::printer).distinct().toList()) {
                var items = prints.stream()
                        .flatMap(p -> p.prints().stream())
                        .filter(q -> q.printer().equals(printer) && !done.contains(q.name()) && shadows.containsKey(q.name()))
                        .sorted(Comparator.comparingInt(this::place))
                        .map(q -> new Plates.Item(q.name(), shadows.get(q.name()), q.profile().brimMm(), q, batch(q)))
                        .toList();
                single.addAll(Plates.single(items, printer));
                full.addAll(Plates.full(items, printer));
            }
            return new Node.Plating(single, full, build.queue().fullPlates());
        });
    }

    private int place(SectionPrint q) {
        int at = build.queue().order().indexOf(q.name());
        return at < 0 ? Integer.MAX_VALUE : at;
    }

    private static String batch(SectionPrint q) {
        var p = q.profile();
        return p.material() + " " + p.layerMm() + " " + p.nozzleMm() + " " + p.process();
    }

    /** Plates that hold more than one section, by each of them. */
    Map<String, TaskList.Shared> shared(Node.Plating plates, List<TaskList.PropWork> works) {
        if (!plates.fullPlates()) return Map.of();
        var propOf = new HashMap<String, String>();
        for (var w : works) w.print().prints().forEach(q -> propOf.put(q.name(), w.id()));
        var out = new HashMap<String, TaskList.Shared>();
        for (var plate : plates.full()) {
            if (plate.prints().size() < 2) continue;
            var shared = new TaskList.Shared("print:" + plate.name(), plate.sections(),
                    plate.sections().stream().map(propOf::get).distinct().toList(), plate.hours(), plate.printer());
            plate.sections().forEach(s -> out.put(s, shared));
        }
        return out;
    }

    /** The wished order as task ids. */
    List<String> order(Map<String, TaskList.Shared> shared) {
        return build.queue().order().stream().map(s -> shared.containsKey(s) ? shared.get(s).id() : "print:" + s).distinct().toList();
    }

    /** Whether the spools last, in the order of the schedule. */
    void spools(Schedule schedule, List<TaskList.PropWork> works) {
        var prints = works.stream()
                .flatMap(w -> w.print().prints().stream())
                .collect(Collectors.toMap(SectionPrint::name, Function.identity(), (a, b) -> a));
        results.node(Node.SPOOLS, Node.BUILD, List.of(schedule, List.copyOf(prints.values()), build.spools(), build.log()), () -> {
            var jobs = schedule.placed()
                    .stream()
                    .filter(q -> !q.done() && q.task().resource() == Task.Resource.PRINTER)
                    .sorted(Comparator.comparing(Schedule.Placed::start))
                    .map(q -> {
                        var names = q.task().id().substring(6).split("\\+");
                        var on = java.util.Arrays.stream(names).map(prints::get).filter(java.util.Objects::nonNull).toList();
                        return new SpoolPlan.Job(String.join("+", names), q.task().printer(),
                                on.isEmpty() ? "" : on.getFirst().profile().material(), on.stream().mapToDouble(SectionPrint::grams).sum());
                    })
                    .toList();
            return SpoolPlan.of(jobs, build.spools());
        });
    }

    private static <T> Map<String, T> each(Sectioning cuts, Function<Section, T> make) {
        return cuts.sections().parallelStream().collect(Collectors.toMap(Section::name, make));
    }
}
