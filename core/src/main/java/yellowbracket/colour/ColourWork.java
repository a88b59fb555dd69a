package yellowbracket.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.colour.line.LinePlan;
import yellowbracket.colour.line.LineTool;
import yellowbracket.colour.weather.WeatherPlan;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Rate;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/**
 * Undercoat, zones, lines by hand, weathering and seal, one after the other: no tape before what it touches bears it, no film outside the
 * window of the one beneath.
 */
public record ColourWork(String prop, ColourPlan plan, List<BareFace> bare, LinePlan lines, WeatherPlan weather,
        Catalogue shop) implements StationWork {
    /** Windows longer than this do not close. */
    private static final double NEVER_CLOSES_H = 100;
    /** Tape and film cut off and thrown away. */
    private static final double WASTE = 0.15;
    /** Until the next day's first session. */
    private static final double OVERNIGHT_H = 12;
    /** What lines are painted with, by hand and behind tape. */
    private static final String BY_HAND = "brush acrylic", BEHIND_TAPE = "acrylic lacquer spray";
    /** In one marker. */
    private static final double MARKER_ML = 3;

    @Override
    public Stated after(Ready before) {
        var tasks = new ArrayList<Task>();
        var last = covered(before.all(), tasks);
        var coats = plan.coats();
        long undercoats = plan.undercoats().groups().stream().filter(g -> !g.there()).count();
        for (int i = 0; i < coats.size(); i++) {
            var c = coats.get(i);
            if (i == undercoats) last = weathered(WeatherPlan.When.UNDER_COLOUR, last, tasks);
            if (shop.coating(c.product()).kind() == Coating.Kind.CLEAR)
                last = weathered(WeatherPlan.When.UNDER_SEAL, drawn(last, tasks), tasks);
            boolean spray = c.sprayed();
            double setupH = spray ? Math.min(c.handH(), shop.usual(Practice.COAT_SETUP_H) / 2) : 0;
            var task = new Task(new TaskId.Step(prop, TaskId.Series.COLOUR, i + 1), name(c), spray ? Operation.SPRAY : Operation.BRUSH,
                    c.product(), spray ? Tool.CAN : Tool.BRUSH,
                    new Task.Effort(c.handH() - setupH, c.flashH() + setupH, setupH, Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()),
                    Task.Lag.atLeast(c.nextH()), spray ? Task.Doer.SPRAY : Task.Doer.PERSON, last, closed(coats, i));
            tasks.add(task);
            last = List.of(task.id());
        }
        boolean sealed = coats.stream().anyMatch(c -> shop.coating(c.product()).kind() == Coating.Kind.CLEAR);
        if (!sealed) last = weathered(WeatherPlan.When.UNDER_SEAL, drawn(last, tasks), tasks);
        return new Stated(tasks, Ready.after(weathered(WeatherPlan.When.LAST, last, tasks)));
    }

    /** Faces that are to stay bare, before anything is sprayed. */
    private List<TaskId> covered(List<TaskId> after, List<Task> tasks) {
        if (bare.isEmpty()) return after;
        var task = Task.byHand(new TaskId.Step(prop, TaskId.Series.BARE, 1),
                String.format(Locale.ROOT, "cover what stays bare: %s, %.1f m of tape",
                        String.join(", ", bare.stream().map(BareFace::where).toList()), BareFace.tapeM(bare)),
                Operation.MASK, Tool.KNIFE, BareFace.minutes(bare) / 60, after);
        tasks.add(task);
        return List.of(task.id());
    }

    /** Lines by hand: sessions with breaks between, no more on one day than a hand is steady for. */
    private List<TaskId> drawn(List<TaskId> after, List<Task> tasks) {
        var last = after;
        if (lines.chosen().isEmpty()) return last;
        var way = lines.chosen().get();
        boolean taped = way.tool() == LineTool.TAPE;
        int n = lines.sessions().size();
        int perDay = n == 0 ? 1 : (n + lines.days() - 1) / lines.days();
        for (int i = 0; i < n; i++) {
            double rest = i == n - 1 ? taped ? 0 : shop.coating(BY_HAND).tapeH()
                    : (i + 1) % perDay == 0 ? OVERNIGHT_H : shop.usual(Practice.LINE_BREAK_MIN) / 60;
            var task = new Task(new TaskId.Step(prop, TaskId.Series.LINE, i + 1),
                    String.format(
                            Locale.ROOT, "lines by %s, %.1f m, session %d of %d", way.tool().words(), lines.lengthMm() / 1000, i + 1, n),
                    taped ? Operation.MASK : Operation.LINES, taped ? "" : BY_HAND, taped ? Tool.KNIFE : Tool.BRUSH,
                    new Task.Effort(lines.sessions().get(i) / 60, 0, Rate.UNKNOWN.spread(),
                            way.measured() ? "your test strip" : Rate.UNKNOWN.source()),
                    Task.Lag.atLeast(rest), Task.Doer.PERSON_AT_A_STRETCH, last);
            tasks.add(task);
            last = List.of(task.id());
        }
        if (!taped) return last;
        var spray = new Task(new TaskId.Step(prop, TaskId.Series.LINE, n + 1), "spray the lines, then tape off", Operation.SPRAY,
                BEHIND_TAPE, Tool.CAN, new Task.Effort(way.sprayMin() / 60, 0, Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()),
                Task.Lag.atLeast(shop.coating(BEHIND_TAPE).tapeH()), Task.Doer.SPRAY, last);
        tasks.add(spray);
        return List.of(spray.id());
    }

    /** Its steps of one stage, one after the other. Returns what comes next waits for. */
    private List<TaskId> weathered(WeatherPlan.When when, List<TaskId> after, List<Task> tasks) {
        var last = after;
        for (int i = 0; i < weather.steps().size(); i++) {
            var s = weather.steps().get(i);
            if (s.when() != when) continue;
            boolean known = shop.coatings().stream().anyMatch(c -> c.name().equals(s.product()));
            var task = new Task(new TaskId.Step(prop, TaskId.Series.WEATHER, i + 1), s.effect().words() + ": " + s.what(),
                    Operation.WEATHER, known ? s.product() : "", Tool.BRUSH,
                    new Task.Effort(s.minutes() / 60, 0, Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()), Task.Lag.atLeast(s.waitH()),
                    Task.Doer.PERSON, last);
            tasks.add(task);
            last = List.of(task.id());
        }
        return last;
    }

    private static String name(ColourPlan.Coats c) {
        String masks = c.tapeM() > 0 ? String.format(Locale.ROOT, "; mask %s, %.1f m of tape",
                String.join(", ", c.masks().stream().map(ColourPlan.Masked::name).toList()), c.tapeM()) : "";
        return c.count() + " coats " + c.product() + (c.zone().equals(ColourPlan.ALL) ? "" : ", " + c.zone()) + masks;
    }

    /** For each zone it goes over: the last film there, where that one closes for a while. Before it is sprayed it is masked. */
    private List<Task.Closed> closed(List<ColourPlan.Coats> coats, int i) {
        var out = new ArrayList<Task.Closed>();
        double masksH = coats.get(i).masks().stream().mapToDouble(ColourPlan.Masked::minutes).sum() / 60;
        for (int zone : coats.get(i).zones()) for (int k = i - 1; k >= 0; k--) {
            var c = coats.get(k);
            if (!c.zones().contains(zone)) continue;
            if (c.recoatToH() < NEVER_CLOSES_H && c.recoatAgainH() > c.recoatToH())
                out.add(new Task.Closed(new TaskId.Step(prop, TaskId.Series.COLOUR, k + 1), Math.max(0, c.recoatToH() - masksH),
                        c.recoatAgainH()));
            break;
        }
        return out.stream().distinct().toList();
    }

    @Override
    public List<Need> needs() {
        var out = new ArrayList<Need>();
        for (var k : plan.coats()) {
            boolean coloured = !k.zone().equals(ColourPlan.ALL) && k.zones().size() == 1;
            String name = coloured ? k.product() + " " + k.hex() : k.product();
            out.add(k.sprayed() ? new Need(name, k.cans(), "cans")
                    : new Need(name, k.cans() * shop.coating(k.product()).containerMl(), "ml"));
            for (var m : k.masks()) {
                m.tapes().forEach((tape, metres) -> {
                    if (tape != Tape.LIQUID) out.add(new Need(tape.words(), metres * (1 + WASTE), "m"));
                });
                if (m.filmDm2() > 0) out.add(new Need("masking film", m.filmDm2() * (1 + WASTE), "dm2"));
            }
        }
        if (!bare.isEmpty()) out.add(new Need(Tape.PLAIN.words(), BareFace.tapeM(bare) * (1 + WASTE), "m"));
        lines.chosen().ifPresent(w -> {
            switch (w.tool()) {
                case MARKER -> out.add(new Need(w.tool().words(), Math.ceil(lines.ml() / MARKER_ML), "pieces"));
                case BRUSH -> out.add(new Need(BY_HAND + " for lines", lines.ml() * (1 + WASTE), "ml"));
                case TAPE -> {
                    out.add(new Need(Tape.FINE.words(), 2 * lines.lengthMm() / 1000 * (1 + WASTE), "m"));
                    out.add(new Need(BEHIND_TAPE + " for lines", lines.ml() * (1 + WASTE) / shop.coating(BEHIND_TAPE).containerMl(),
                            "cans"));
                }
            }
        });
        weather.steps().forEach(s -> out.add(new Need(s.product(), s.ml() * (1 + WASTE), "ml")));
        return List.copyOf(out);
    }
}
