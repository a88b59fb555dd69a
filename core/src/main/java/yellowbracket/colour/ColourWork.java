package yellowbracket.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.colour.weather.WeatherPlan;
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
        var last = before.all();
        var coats = plan.coats();
        long undercoats = plan.undercoats().groups().stream().filter(g -> !g.there()).count();
        for (int i = 0; i < coats.size(); i++) {
            var c = coats.get(i);
            if (i == undercoats) last = weathered(WeatherPlan.When.UNDER_COLOUR, last, tasks);
            if (shop.coating(c.product()).kind() == Coating.Kind.CLEAR) last = weathered(WeatherPlan.When.UNDER_SEAL, last, tasks);
            boolean spray = c.sprayed();
            var task = new Task(new TaskId.Step(prop, TaskId.Series.COLOUR, i + 1), name(c), spray ? Operation.SPRAY : Operation.BRUSH,
                    c.product(), spray ? Tool.CAN : Tool.BRUSH,
                    new Task.Effort(c.handH(), c.flashH(), Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()), lag(coats, i),
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

    private static String name(ColourPlan.Coats c) {
        String masks = c.tapeM() > 0 ? String.format(Locale.ROOT, "; mask %s, %.1f m of tape",
                String.join(", ", c.masks().stream().map(ColourPlan.Masked::name).toList()), c.tapeM()) : "";
        return c.count() + " coats " + c.product() + (c.zone().equals(ColourPlan.ALL) ? "" : ", " + c.zone()) + masks;
    }

    private static Task.Lag lag(List<ColourPlan.Coats> coats, int i) {
        var c = coats.get(i);
        double least = c.nextH();
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
