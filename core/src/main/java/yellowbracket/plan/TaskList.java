package yellowbracket.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.colour.ColourPlan;
import yellowbracket.join.JoinPlan;
import yellowbracket.print.CleanUp;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.wear.PadPlan;

/**
 * The tasks of one prop in order, from what the stations decided. The precedences hold the craft's order: dry fit before glue,
 * reinforcement before
 * priming, smoothing before colour, pads after the last paint has cured, the wear test last.
 */
public final class TaskList {
    /** What the stations decided for one prop. {@code worn}: it goes on somebody; {@code pads}: one set a wearer. */
    public record PropWork(String id, String name, boolean worn, PrintPlan print, JoinPlan join, SmoothPlan smooth, ColourPlan colour,
            List<PadPlan> pads) {}

    /** A plate that holds more than one section, of one prop or of several. {@code props}: those whose sections are on it. */
    public record Shared(String id, List<String> sections, List<String> props, double hours, Printer printer) {}

    private static final double FIXED_SPREAD = 0.2;
    private static final double PRINT_SPREAD = 0.08;

    private final PropWork prop;
    private final Map<String, Rate> rates;
    private final Map<String, Shared> shared;
    private final List<Task> out = new ArrayList<>();

    private TaskList(PropWork prop, Map<String, Rate> rates, Map<String, Shared> shared) {
        this.prop = prop;
        this.rates = rates;
        this.shared = shared;
    }

    /** @param rates learned factors by rate key, for all but prints (whose factor is the printer's own) */
    public static List<Task> of(PropWork prop, Map<String, Rate> rates) {
        return of(prop, rates, Map.of());
    }

    /** @param shared by section: the plate it is printed on with others; its task stands with the first of them */
    public static List<Task> of(PropWork prop, Map<String, Rate> rates, Map<String, Shared> shared) {
        return new TaskList(prop, rates, shared).run();
    }

    private List<Task> run() {
        String cut = person(Station.CUT, "cut", "check sections, export files", 0.4, 0, "cut", List.of(person(Station.SIZE, "size",
                prop.worn ? "measure, set scale, check fit" : "measure, set scale", prop.worn ? 0.6 : 0.3, 0, "size", List.of())));
        var clean = prints(cut);
        var joined = joins(clean);
        var smooth = smooth(joined);
        var painted = colour(smooth);
        wear(painted);
        return List.copyOf(out);
    }

    private Map<String, String> prints(String cut) {
        var clean = new HashMap<String, String>();
        for (var p : prop.print.prints()) {
            var plate = shared.get(p.name());
            String id = plate == null ? "print:" + p.name() : plate.id();
            if (plate == null) print(id, "print " + p.name(), p.hours(), p.printer(), List.of(cut));
            else if (plate.sections().getFirst().equals(p.name()))
                print(id, "print " + String.join(", ", plate.sections()) + " on one plate", plate.hours(), plate.printer(),
                        plate.props().stream().map(q -> "cut:" + q).toList());
            clean.put(p.name(), person(Station.PRINT, "clean:" + p.name(), "take support off " + p.name(), CleanUp.of(p).hours(), 0,
                    "clean", List.of(id)));
        }
        return clean;
    }

    private void print(String id, String words, double hours, Printer printer, List<String> after) {
        add(new Task(id, Station.PRINT, prop.id, words, hours, 0.2, 0, 0, Task.Resource.PRINTER, printer.name(), false, after,
                "printer:" + printer.name(), PRINT_SPREAD, printer.failuresPerHour(), "layers of the mesh, " + printer.name()));
    }

    /** Returns the tasks the whole prop waits for. */
    private List<String> joins(Map<String, String> clean) {
        if (prop.join.steps().isEmpty()) return List.copyOf(clean.values());
        String fit = person(Station.JOIN, "dryfit", "dry fit, number, scuff P80", 0.2 + 0.08 * prop.join.joins().size(), 0, "join",
                List.copyOf(clean.values()));
        var last = new HashMap<String, String>();
        clean.keySet().forEach(name -> last.put(name, fit));
        for (var step : prop.join.steps()) {
            double work = 0, wait = 0;
            for (var seam : step.seams()) {
                var j = prop.join.join(seam);
                work += (j.workMin() + Math.min(j.holdMin(), 25) + 4) / 60;
                wait = Math.max(wait, j.handleH());
            }
            var after = new ArrayList<String>();
            for (var n : step.one()) if (!after.contains(last.get(n))) after.add(last.get(n));
            for (var n : step.other()) if (!after.contains(last.get(n))) after.add(last.get(n));
            String id = task(Station.JOIN, "join:" + step.number(), "join " + step.words(), work, wait, "join", false, after);
            step.one().forEach(n -> last.put(n, id));
            step.other().forEach(n -> last.put(n, id));
        }
        var full = last.values().stream().distinct().toList();
        double cure = prop.join.joins().stream().mapToDouble(j -> j.fullH() - j.handleH()).max().orElse(0);
        return List.of(task(Station.JOIN, "inside", "reinforce the seams from inside", 0.15 * prop.join.joins().size(), Math.min(12, cure),
                "join", true, full));
    }

    private List<String> smooth(List<String> after) {
        var s = prop.smooth;
        var before = after;
        if (s.seamDm2() > 0) {
            double h = s.hours() - s.work().stream().mapToDouble(SmoothPlan.Work::hours).sum();
            before = List.of(task(Station.SMOOTH, "seams", "fill and blend the seams", h, 0.4, "fill", true, before));
        }
        int n = 1;
        for (var w : s.work()) {
            var step = w.step();
            boolean spray = step.kind() == Ladder.Kind.PRIME;
            String key = spray ? "spray" : step.kind() == Ladder.Kind.SAND ? "sand" : "fill";
            String id = id("smooth", n++);
            double hours = w.hours() * rate(key).factor() + (spray ? 0.3 : 0.1);
            add(new Task(id, Station.SMOOTH, prop.id, step.what(), hours, step.waitH(), 0, 0,
                    spray ? Task.Resource.SPRAY : Task.Resource.PERSON, "", !spray, before, key, rate(key).spread(), 0,
                    rate(key).source()));
            before = List.of(id);
        }
        return before;
    }

    private List<String> colour(List<String> after) {
        var before = after;
        int n = 1;
        for (var c : prop.colour.coats()) {
            String id = id("colour", n++);
            boolean spray = c.sprayed();
            String name = c.count() + " coats " + c.product() + (c.zone().equals("all") ? "" : ", " + c.zone());
            double latest = c.recoatToH() < 100 ? c.recoatToH() : 0;
            add(new Task(id, Station.COLOUR, prop.id, name,
                    c.handH() * rate(spray ? "spray" : "brush").factor() + (c.count() - 1) * (spray ? Math.min(0.4, c.recoatFromH()) : 0),
                    c.tapeH(), latest, c.recoatAgainH(), spray ? Task.Resource.SPRAY : Task.Resource.PERSON, "", !spray, before,
                    spray ? "spray" : "brush", rate(spray ? "spray" : "brush").spread(), 0, rate(spray ? "spray" : "brush").source()));
            before = List.of(id);
        }
        return before;
    }

    private void wear(List<String> after) {
        if (!prop.worn) return;
        var fitted = new ArrayList<>(after);
        for (var p : prop.pads) {
            int count = p.pads().stream().filter(q -> !q.layersMm().isEmpty()).mapToInt(PadPlan.Pad::count).sum();
            fitted.add(person(Station.WEAR, "pads:" + p.wearer().name(), "cut and fit pads for " + p.wearer().name(), 0.2 + 0.1 * count, 0,
                    "wear", after));
        }
        boolean hollow = !prop.pads.isEmpty();
        fitted.add(hollow ? person(Station.WEAR, "visor", "cut and fit the visor, straps", 1.5, 12, "wear", after)
                : person(Station.WEAR, "straps", "fit straps and rim foam", 0.5, 0, "wear", after));
        person(Station.WEAR, "test", "walk test: stairs, floor, hearing, off in five seconds", 0.4, 0, "wear", fitted);
    }

    private Rate rate(String key) {
        return rates.getOrDefault(key, Rate.UNKNOWN);
    }

    private String id(String kind, int n) {
        return kind + ":" + prop.id + ":" + n;
    }

    private String person(Station station, String name, String words, double hours, double wait, String key, List<String> after) {
        return task(station, name, words, hours, wait, key, true, after);
    }

    private String task(Station station, String name, String words, double hours, double wait, String key, boolean splits,
            List<String> after) {
        String id = name.startsWith("clean:") ? name : name.contains(":") ? name.replace(":", ":" + prop.id + ":") : name + ":" + prop.id;
        add(new Task(id, station, prop.id, words, hours * rate(key).factor(), wait, 0, 0, Task.Resource.PERSON, "", splits, after, key,
                rates.containsKey(key) ? rate(key).spread() : FIXED_SPREAD, 0, rate(key).source()));
        return id;
    }

    private void add(Task t) {
        out.add(t);
    }
}
