package yellowbracket.derive.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.cut.Bed;
import yellowbracket.cut.Section;
import yellowbracket.cut.TurnedFit;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.log.Hold;
import yellowbracket.log.Lessons;
import yellowbracket.log.PrintRecord;
import yellowbracket.log.Recurring;
import yellowbracket.log.Repair;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Columns;
import yellowbracket.print.Estimate;
import yellowbracket.print.OnePiece;
import yellowbracket.print.Orientation;
import yellowbracket.print.Plates;
import yellowbracket.print.PrintChecks;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.PrintRules;
import yellowbracket.print.PrintWork;
import yellowbracket.print.SectionPrint;
import yellowbracket.print.Shadow;
import yellowbracket.shop.Material;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Rate;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/** Ways up, prints, plates, what the log says of printers. Maps of one prop go by the section's letter. */
public final class PrintFigures {
    /** Ways up offered for a section. */
    private static final int WAYS_OFFERED = 6;
    /** Columns of support drawn for one section, about. */
    private static final int POSTS_DRAWN = 700;
    /** Cells across for columns of support that are drawn. */
    private static final int DRAWN_CELLS = 160;

    /** What the log says of each printer. */
    public static final Figure<Records> RECORDS = Figure.ofBuild("printers' records", Records.class, PrintFigures::records);
    /** Prints that are done, of sections that are there. */
    public static final Figure<Done> DONE = Figure.ofBuild("prints done", Done.class,
            in -> new Done(in.build(b -> Lessons.facts(b.log(), b))
                    .done()
                    .keySet()
                    .stream()
                    .filter(t -> t instanceof TaskId.Print)
                    .flatMap(t -> ((TaskId.Print) t).sections().stream())
                    .collect(Collectors.toUnmodifiableSet())));
    public static final Figure<Choices> CHOICES = Figure.ofProp("orientations", Choices.class, PrintFigures::choices);
    /** The choices, with turns made by hand and those that alone fit a bed. */
    public static final Figure<Choices> ALL_WAYS = Figure.ofProp("ways up", Choices.class, PrintFigures::allWays);
    public static final Figure<PrintPlan> PRINTS = Figure.ofProp("prints", PrintPlan.class, PrintFigures::prints);
    public static final Figure<Remarks> REMARKS = Figure.ofProp("print remarks", Remarks.class, PrintFigures::remarks);
    /** Printers that have to prove themselves after a repair; printers and materials on which nothing should start. */
    public static final Figure<Upkeep> UPKEEP = Figure.ofBuild("upkeep", Upkeep.class, PrintFigures::upkeep);
    public static final Figure<Ways> WAYS = Figure.ofProp("best ways up", Ways.class, PrintFigures::ways);
    public static final Figure<Posts> POSTS = Figure.ofProp("support", Posts.class, PrintFigures::posts)
            .weighing(p -> p.bySection().values().stream().map(Held::posts));
    /** What is found in sections still ahead, looked at as they are to be printed. */
    public static final Figure<Checked> CHECKED = Figure.ofProp("looked through", Checked.class, PrintFigures::checked);
    public static final Figure<OnePiece> ONE_PIECE = Figure.ofProp("one piece", OnePiece.class, PrintFigures::onePiece);
    public static final Figure<Shadows> SHADOWS = Figure.ofProp("shadows", Shadows.class, PrintFigures::shadows);
    public static final Figure<Plating> PLATES = Figure.ofBuild("plates", Plating.class, PrintFigures::plates);

    private PrintFigures() {}

    public record Records(List<PrintRecord> list) {
        public PrintRecord of(String printer) {
            return list.stream()
                    .filter(r -> r.printer().equals(printer))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no printer " + printer));
        }
    }

    public record Done(Set<SectionId> sections) {}

    /** Ways up by section, best first, for the unscaled section. */
    public record Choices(Map<String, List<Orientation>> bySection) {}

    /** Rules broken by prints still ahead, and situations in which prints failed before; each gravest first. */
    public record Remarks(List<Finding> rules, List<Finding> recurring) {
        public List<Finding> about(SectionId section) {
            return Stream.concat(recurring.stream(), rules.stream()).filter(f -> f.subject().equals(Subject.section(section))).toList();
        }
    }

    public record Upkeep(List<PrintWork.Upkeep> list, List<Hold> holds) {}

    /** A way up worth choosing: as it stands in the choices, what it is best at, and its print. */
    public record Way(Turn turn, List<Orientation.Aim> aims, SectionPrint print) {}

    public record Ways(Map<String, List<Way>> bySection) {}

    /** Columns of support in the coordinates of the turned section, some of them, and the height of its bed there. */
    public record Held(List<Columns.Post> posts, double bedZ) {}

    public record Posts(Map<String, Held> bySection) {}

    public record Checked(Map<String, PrintChecks> bySection) {
        public List<Finding> findings() {
            return bySection.entrySet().stream().sorted(Map.Entry.comparingByKey()).flatMap(e -> e.getValue().findings().stream()).toList();
        }

        public List<Finding> about(String section) {
            return Optional.ofNullable(bySection.get(section)).map(PrintChecks::findings).orElse(List.of());
        }
    }

    public record Shadows(Map<String, Shadow> bySection) {}

    /** Plates still to print, of all props: each section by itself, and beds filled; which of them is the plan. */
    public record Plating(List<Plates.Plate> single, List<Plates.Plate> full, boolean fullPlates) {
        public List<Plates.Plate> chosen() {
            return fullPlates ? full : single;
        }

        /** By section: the plate it is printed on with others. */
        public Map<SectionId, Plates.Plate> shared() {
            if (!fullPlates) return Map.of();
            var out = new HashMap<SectionId, Plates.Plate>();
            for (var plate : full) if (plate.prints().size() > 1) plate.sections().forEach(s -> out.put(s, plate));
            return out;
        }
    }

    private static Records records(Reads in) {
        var printers = in.build(Build::printers);
        var rates = in.build(Build::rates);
        var log = in.build(Build::log);
        return new Records(printers.stream()
                .map(p -> PrintRecord.of(log, p, printers, rates.getOrDefault(PrintRecord.rateKey(p.name()), Rate.UNKNOWN)))
                .toList());
    }

    /** Factors of hours this build alone taught. */
    public static Map<String, Rate> own(Reads in) {
        var printers = in.build(Build::printers);
        var log = in.build(Build::log);
        var out = new HashMap<String, Rate>();
        for (var p : printers) {
            var rate = PrintRecord.of(log, p, printers, Rate.UNKNOWN).factor();
            if (rate.jobs() > 0) out.put(PrintRecord.rateKey(p.name()), rate);
        }
        return out;
    }

    /** With what the log taught of them. */
    private static List<Printer> printers(Reads in) {
        var records = in.get(RECORDS);
        return in.build(Build::printers).stream().map(p -> records.of(p.name()).apply(p)).toList();
    }

    private static Profile profile(Prop p, String section) {
        return p.print().section(section).profile().orElse(p.print().profile());
    }

    /** What of the profiles the ways up hang on: where support begins. */
    private static Map<String, Double> angles(Reads in, List<Section> sections) {
        var names = sections.stream().map(Section::name).toList();
        return in.of(p -> names.stream().collect(Collectors.toMap(n -> n, n -> profile(p, n).supportAngleDeg())));
    }

    private static Choices choices(Reads in) {
        var cuts = in.get(CutFigures.MODEL_SECTIONS);
        var samples = in.get(CutFigures.SAMPLES_OF).bySection();
        var angles = angles(in, cuts.sections());
        return new Choices(CutFigures.each(cuts, s -> Orientation.choices(s.mesh(), samples.get(s.name()), angles.get(s.name()))));
    }

    private static Choices allWays(Reads in) {
        var cuts = in.get(CutFigures.MODEL_SECTIONS);
        var samples = in.get(CutFigures.SAMPLES_OF).bySection();
        var choices = in.get(CHOICES).bySection();
        var stands = in.get(CutFigures.STANDS).bySection();
        var angles = angles(in, cuts.sections());
        var turns = in.of(p -> p.print()
                .sections()
                .entrySet()
                .stream()
                .filter(e -> e.getValue().turn().isPresent())
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().turn().orElseThrow())));
        return new Choices(CutFigures.each(cuts, s -> {
            var list = new ArrayList<>(choices.get(s.name()));
            var byHand = Stream.ofNullable(turns.get(s.name()));
            Stream.concat(byHand, stands.get(s.name()).values().stream().flatMap(t -> t.turn().stream())).forEach(t -> {
                if (list.stream().noneMatch(o -> o.turn().equals(t)))
                    list.add(Orientation.of(s.mesh(), samples.get(s.name()), angles.get(s.name()), t));
            });
            return List.copyOf(list);
        }));
    }

    private static PrintPlan prints(Reads in) {
        var sections = in.get(CutFigures.SECTIONS).sections();
        var ways = in.get(ALL_WAYS).bySection();
        var wishes = in.of(Prop::print);
        return PrintPlan.of(sections, ways, wishes.sections(), in.of(Prop::scale), wishes.profile(), printers(in), in.shop(s -> s));
    }

    private static Upkeep upkeep(Reads in) {
        var all = new HashMap<SectionId, SectionPrint>();
        for (var prop : in.build(b -> b.props().stream().map(Prop::id).toList()))
            in.find(PRINTS, prop).ifPresent(p -> p.prints().forEach(q -> all.put(q.id(), q)));
        var log = in.build(Build::log);
        var holds = Hold.of(log, all);
        var list = new ArrayList<PrintWork.Upkeep>();
        for (var h : holds) list.add(new PrintWork.Upkeep(h.task(), h.about().text(), h.printer(), Optional.of(h.material())));
        Repair.of(log, all)
                .values()
                .stream()
                .sorted(Comparator.comparing(Repair::printer))
                .forEach(r -> list.add(new PrintWork.Upkeep(r.task(), r.kind().proof(), r.printer(), Optional.empty())));
        return new Upkeep(List.copyOf(list), holds);
    }

    private static Remarks remarks(Reads in) {
        var prints = in.get(PRINTS).prints();
        var done = in.get(DONE).sections();
        var ahead = prints.stream().filter(q -> !done.contains(q.id())).toList();
        var all = prints.stream().collect(Collectors.toMap(SectionPrint::id, Function.identity()));
        var rules = new ArrayList<>(Hold.findings(in.get(UPKEEP).holds(), ahead));
        rules.addAll(PrintRules.of(ahead, in.shop(s -> s), in.of(Prop::worn), in.of(p -> p.size().exposures())));
        return new Remarks(List.copyOf(rules), Recurring.of(in.build(Build::log), ahead, all));
    }

    private static Ways ways(Reads in) {
        var sections = in.get(CutFigures.SECTIONS);
        var prints = in.get(PRINTS);
        var all = in.get(ALL_WAYS).bySection();
        double scale = in.of(Prop::scale);
        var materials = in.shop(s -> s.materials());
        return new Ways(CutFigures.each(sections, s -> ways(s, prints.print(s.name()), all.get(s.name()), scale, materials)));
    }

    private static List<Way> ways(Section s, SectionPrint now, List<Orientation> all, double scale, List<Material> materials) {
        var material = materials.stream().filter(m -> m.name().equals(now.profile().material())).findFirst().orElseThrow();
        var out = new ArrayList<Way>();
        Orientation.pareto(all, scale, now.printer(), WAYS_OFFERED).forEach((o, aims) -> {
            var laid = o.laid(scale, now.printer()).scaled(scale);
            var estimate = Estimate.of(s.mesh(), laid, now.profile(), material, now.printer());
            out.add(new Way(o.turn(), aims,
                    new SectionPrint(s.id(), laid, now.profile(), now.printer(), estimate, o.fits(scale, now.printer()))));
        });
        if (out.stream().noneMatch(w -> w.print().orientation().turn().equals(now.orientation().turn())))
            out.add(new Way(now.orientation().turn(), List.of(), now));
        return List.copyOf(out);
    }

    private static Posts posts(Reads in) {
        var samples = in.get(CutFigures.SAMPLES_OF).bySection();
        var prints = in.get(PRINTS);
        double scale = in.of(Prop::scale);
        return new Posts(
                CutFigures.each(in.get(CutFigures.SECTIONS), s -> posts(s, prints.print(s.name()), samples.get(s.name()).scaled(scale))));
    }

    private static Held posts(Section s, SectionPrint print, SurfaceSamples samples) {
        var size = print.orientation().size();
        double cell = Math.max(0.5, Math.sqrt(size.x() * size.y()) / DRAWN_CELLS);
        var columns = Columns.of(s.mesh(), samples.seenByFacet(s.mesh()), print.orientation().turn(), cell);
        double lean = print.profile().supportAngleDeg();
        int all = columns.posts(lean, 1).size();
        return new Held(columns.posts(lean, Math.max(1, (int) Math.round(Math.sqrt((double) all / POSTS_DRAWN)))), columns.bedZ());
    }

    private static Checked checked(Reads in) {
        var prints = in.get(PRINTS);
        var done = in.get(DONE).sections();
        var samples = in.get(CutFigures.SAMPLES_OF).bySection();
        double scale = in.of(Prop::scale);
        var out = new HashMap<String, PrintChecks>();
        for (var s : in.get(CutFigures.SECTIONS).sections()) {
            if (done.contains(s.id())) continue;
            in.progress().check();
            out.put(s.name(),
                    PrintChecks.of(s.mesh(), prints.print(s.name()), samples.get(s.name()).scaled(scale).seenByFacet(s.mesh()), scale));
        }
        return new Checked(Map.copyOf(out));
    }

    private static OnePiece onePiece(Reads in) {
        var prints = in.get(PRINTS).prints();
        var printer = prints.stream()
                .map(SectionPrint::printer)
                .max(Comparator.comparingDouble(q -> q.usableX() * q.usableY() * q.usableZ()))
                .orElseThrow(in::none);
        var mesh = in.get(ModelFigures.MODEL).mesh();
        var samples = in.get(CutFigures.SAMPLES_OF).bySection().values();
        double scale = in.of(Prop::scale);
        var profile = in.of(p -> p.print().profile());
        var all = new ArrayList<SurfaceSamples.Sample>();
        samples.forEach(s -> all.addAll(s.samples()));
        double area = samples.stream().mapToDouble(SurfaceSamples::areaMm2).sum();
        var whole = new SurfaceSamples(all, area / Math.max(1, all.size()));
        var real = mesh.scaled(scale);
        var turn = TurnedFit.of(real, Bed.of(printer));
        var way = Orientation.of(mesh, whole, profile, turn.orElse(Turn.NONE)).scaled(scale);
        var estimate = Estimate.of(real, way, profile, in.shop(s -> s.material(profile.material())), printer);
        return OnePiece.of(new SectionPrint(new SectionId(in.prop(), "A"), way, profile, printer, estimate, turn.isPresent()));
    }

    private static Shadows shadows(Reads in) {
        var prints = in.get(PRINTS);
        return new Shadows(CutFigures.each(in.get(CutFigures.SECTIONS),
                q -> Shadow.of(q.mesh(), prints.print(q.name()).orientation().turn(), 1, Plates.CELL_MM)));
    }

    /** Both ways to fill beds with what is still to be printed, of all props. */
    private static Plating plates(Reads in) {
        var queue = in.build(Build::queue);
        var done = in.get(DONE).sections();
        var items = new ArrayList<Plates.Item>();
        for (var prop : in.build(b -> b.props().stream().map(Prop::id).toList())) {
            var shadows = in.find(SHADOWS, prop);
            if (shadows.isEmpty()) continue;
            for (var q : in.get(PRINTS, prop).prints()) if (!done.contains(q.id()))
                items.add(new Plates.Item(q.id(), shadows.get().bySection().get(q.name()), q.profile().brimMm(), q, batch(q)));
        }
        items.sort(Comparator.comparingInt(i -> {
            int at = queue.order().indexOf(i.section());
            return at < 0 ? Integer.MAX_VALUE : at;
        }));
        var single = new ArrayList<Plates.Plate>();
        var full = new ArrayList<Plates.Plate>();
        for (var printer : items.stream().map(i -> i.print().printer()).distinct().toList()) {
            var on = items.stream().filter(i -> i.print().printer().equals(printer)).toList();
            single.addAll(Plates.single(on, printer));
            full.addAll(Plates.full(on, printer));
        }
        return new Plating(single, full, queue.fullPlates());
    }

    /** Only what is printed alike shares a bed. */
    private static String batch(SectionPrint q) {
        var p = q.profile();
        return p.material() + " " + p.layerMm() + " " + p.nozzleMm() + " " + p.process();
    }
}
