package yellowbracket.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.colour.weather.WeatherPlan;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Rate;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Undercoat, zones, seal, one after the other: no tape before what it touches bears it, no film outside the window of the one beneath. */
public record ColourWork(String prop, ColourPlan plan, WeatherPlan weather, Catalogue shop) implements StationWork {
    /** Windows longer than this do not close. */
    private static final double NEVER_CLOSES_H = 100;
    /** Tape and film cut off and thrown away. */
    private static final double WASTE = 0.15;

    @Override
    public Stated after(Ready before) {
        var tasks = new ArrayList<Task>();
        var last = weathered(WeatherPlan.When.UNDER_COLOUR, before.all(), tasks);
        var coats = plan.coats();
        var waits = waits(coats);
        for (int i = 0; i < coats.size(); i++) {
            var c = coats.get(i);
            if (shop.coating(c.product()).kind() == Coating.Kind.CLEAR) last = weathered(WeatherPlan.When.UNDER_SEAL, last, tasks);
            boolean spray = c.sprayed();
            double flash = flash(c);
            var task = new Task(new TaskId.Step(prop, TaskId.Series.COLOUR, i + 1), name(c), spray ? Operation.SPRAY : Operation.BRUSH,
                    c.product(), spray ? Tool.CAN : Tool.BRUSH,
                    new Task.Effort(c.handH(), flash, Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()), lag(coats, i, waits[i]),
                    spray ? Task.Doer.SPRAY : Task.Doer.PERSON, last);
            tasks.add(task);
            last = List.of(task.id());
        }
        boolean sealed = coats.stream().anyMatch(c -> shop.coating(c.product()).kind() == Coating.Kind.CLEAR);
        if (!sealed) last = weathered(WeatherPlan.When.UNDER_SEAL, last, tasks);
        return new Stated(tasks, Ready.after(weathered(WeatherPlan.When.LAST, last, tasks)));
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

    private double flash(ColourPlan.Coats c) {
        return (c.count() - 1) * (c.sprayed() ? Math.min(shop.usual(Practice.STAND_BY_H), c.recoatFromH()) : 0);
    }

    private static String name(ColourPlan.Coats c) {
        String masks = c.tapeM() > 0 ? String.format(Locale.ROOT, "; mask %s, %.1f m of tape",
                String.join(", ", c.masks().stream().map(ColourPlan.Masked::name).toList()), c.tapeM()) : "";
        return c.count() + " coats " + c.product() + (c.zone().equals(ColourPlan.ALL) ? "" : ", " + c.zone()) + masks;
    }

    /** Hours after each run of coats until the next may begin. */
    private double[] waits(List<ColourPlan.Coats> coats) {
        var waits = new double[coats.size()];
        for (int i = 0; i < coats.size(); i++) {
            var c = coats.get(i);
            waits[i] = i == coats.size() - 1 ? c.tapeH() : c.recoatFromH();
        }
        for (int next = 1; next < coats.size(); next++) for (int i = 0; i < next; i++) {
            double needed = needed(coats.get(i), coats.get(next)), between = waits[i];
            for (int k = i + 1; k < next; k++) between += coats.get(k).handH() + flash(coats.get(k)) + waits[k];
            if (needed > between) waits[next - 1] += needed - between;
        }
        return waits;
    }

    /** From the end of one run to the start of a later one. */
    private double needed(ColourPlan.Coats first, ColourPlan.Coats then) {
        boolean taped = then.masks().stream().anyMatch(m -> first.zones().contains(m.zone()) && m.tapeM() > 0);
        boolean over = then.zones().stream().anyMatch(first.zones()::contains);
        var c = shop.coating(first.product());
        double cured = over && !shop.coating(then.product()).binder().equals(c.binder()) && c.binder() == Coating.Binder.ENAMEL
                || over && shop.coating(then.product()).kind() == Coating.Kind.METAL ? c.fullH() : 0;
        return Math.max(cured, taped ? first.tapeH() : over ? first.recoatFromH() : 0);
    }

    private static Task.Lag lag(List<ColourPlan.Coats> coats, int i, double least) {
        var c = coats.get(i);
        boolean over = i + 1 < coats.size() && coats.get(i + 1).zones().stream().anyMatch(c.zones()::contains);
        return over && c.recoatToH() < NEVER_CLOSES_H && least <= c.recoatFromH()
                ? new Task.Lag(least, Math.max(0, c.recoatToH() - least), c.recoatAgainH())
                : Task.Lag.atLeast(least);
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
        weather.steps().forEach(s -> out.add(new Need(s.product(), s.ml() * (1 + WASTE), "ml")));
        return List.copyOf(out);
    }
}
