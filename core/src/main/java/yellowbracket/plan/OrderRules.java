package yellowbracket.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * What comes before what in this craft, and why: over the plan as it stands, with the maker's own tasks and what is left out. Each that is
 * broken has its fix where the maker's wishes broke it.
 */
public final class OrderRules {
    private static final Set<Operation> FILMS = EnumSet.of(Operation.PRIME, Operation.SPRAY, Operation.BRUSH),
            COLOURS = EnumSet.of(Operation.SPRAY, Operation.BRUSH, Operation.LINES),
            FILLS = EnumSet.of(Operation.SPREAD, Operation.FILL_SEAMS),
            COVERS = EnumSet.of(Operation.CUT_PADS, Operation.FIT_VISOR, Operation.FIT_STRAPS);
    /** Can spoil what was finished: tried on scrap before a first time. */
    private static final Set<Operation> TRIED = EnumSet.of(Operation.SPRAY, Operation.LINES, Operation.WEATHER, Operation.FORM_LENS);
    private static final double TRIAL_H = 0.5;

    /** One thing before another. */
    public enum Rule {
        DRY_FIT("dry fit before glue: what does not meet shows while it can still be sanded"),
        REINFORCE("reinforce before primer: epoxy and cloth want bare plastic, and heat from inside shows through a film"),
        TRY_ON("on the wearer before paint: what presses or does not sit is cheap to mend now, dear later"),
        GLUE("no glue on paint: it holds no better than the film beneath; scrape bare faces, or glue first"),
        FINE_PAPER("no filler after the last paper: it stands proud and its edge shows in the gloss"),
        TEXTURE("texture after smoothing: sanding it flat again takes it off in patches"),
        UNDERCOAT("undercoat before colour: light colours come out dull and uneven on what shows through"),
        CLEAR("colour before clear: what goes over the clear has none of it and shines otherwise"),
        HARNESS("wires before what covers them: pads and panels would have to come out again"),
        LEFT_OUT("left out, and something later counts on it"), TRIAL("half an hour on scrap first, where a method was never used here");

        private final String why;

        Rule(String why) {
            this.why = why;
        }

        public String why() {
            return why;
        }
    }

    /** What would mend it, put on whatever the maker wishes by then. */
    public sealed interface Fix {
        String words();

        PlanWish on(PlanWish wish);
    }

    /** A task of the maker's own in another place, or one more. @param sooner it is no longer kept from beginning before a moment */
    record Put(String words, OwnTask task, boolean sooner) implements Fix {
        @Override
        public PlanWish on(PlanWish wish) {
            return (sooner ? wish.unpinned(task.id()) : wish).with(task);
        }
    }

    /** What was left out is done. */
    record AfterAll(TaskId task) implements Fix {
        @Override
        public String words() {
            return "do it after all";
        }

        @Override
        public PlanWish on(PlanWish wish) {
            return wish.leaving(task, false);
        }
    }

    public record Broken(Rule rule, String words, Optional<Fix> fix) {}

    private final Catalogue shop;
    private final PlanWish wish;
    private final Schedule schedule;
    /** As the stations state them, before the maker left any out. */
    private final List<Task> stated;
    /** Rates learned from jobs of this maker. */
    private final Set<String> known;

    /** @param known rates by {@link Operation#rate} of what this maker has done before */
    public OrderRules(Schedule schedule, PlanWish wish, List<Task> stated, Set<String> known, Catalogue shop) {
        this.schedule = schedule;
        this.wish = wish;
        this.stated = stated;
        this.known = known;
        this.shop = shop;
    }

    public List<Broken> broken() {
        var out = new ArrayList<Broken>();
        before(Rule.DRY_FIT, (a, b) -> is(a, Operation.DRY_FIT) && is(b, Operation.GLUE), out);
        before(Rule.REINFORCE, (a, b) -> is(a, Operation.REINFORCE) && FILMS.contains(b.operation()), out);
        before(Rule.TRY_ON, (a, b) -> is(a, Operation.TRY_ON) && FILMS.contains(b.operation()), out);
        before(Rule.GLUE, (a, b) -> is(a, Operation.GLUE) && FILMS.contains(b.operation()), out);
        before(Rule.TEXTURE, (a, b) -> is(a, Operation.SAND) && kind(b, Coating.Kind.TEXTURE), out);
        before(Rule.UNDERCOAT, (a, b) -> is(a, Operation.PRIME) && COLOURS.contains(b.operation()), out);
        before(Rule.CLEAR, (a, b) -> COLOURS.contains(a.operation()) && !clear(a) && clear(b), out);
        before(Rule.HARNESS, (a, b) -> is(a, Operation.WIRE) && COVERS.contains(b.operation()), out);
        finePaper(out);
        leftOut(out);
        trials(out);
        return List.copyOf(out);
    }

    private static boolean is(Task t, Operation o) {
        return t.operation() == o;
    }

    private boolean kind(Task t, Coating.Kind kind) {
        return shop.coatings().stream().anyMatch(c -> c.name().equals(t.product()) && c.kind() == kind);
    }

    private boolean clear(Task t) {
        return kind(t, Coating.Kind.CLEAR);
    }

    /** Of one prop, every task of the one sort ends before any of the other begins; what was broken has rules of its own. */
    private void before(Rule rule, BiPredicate<Task, Task> pair, List<Broken> out) {
        for (var late : schedule.placed()) {
            if (late.done() || mend(late.task())) continue;
            for (var early : schedule.placed()) {
                var a = late.task();
                var b = early.task();
                if (a == b || !a.prop().equals(b.prop()) || mend(b) || !pair.test(a, b)) continue;
                if (!late.end().isAfter(early.start())) continue;
                out.add(new Broken(rule, a.name() + " comes after " + b.name() + ": " + rule.why(), first(a, b)));
                break;
            }
        }
    }

    private static boolean mend(Task t) {
        return t.id() instanceof TaskId.Step s && s.series() == TaskId.Series.MEND;
    }

    /** Puts one before the other, where either is the maker's own; what stood in the way of that is let go. */
    private Optional<Fix> first(Task a, Task b) {
        var own = wish.own(a.id());
        if (own.isPresent()) {
            var free = own.get().withAfter(own.get().after().stream().filter(x -> !schedule.waitsFor(x, b.id())).toList());
            return Optional.of(new Put("do it before " + b.name(), free.beforeThat(b.id()), true));
        }
        return wish.own(b.id()).map(o -> {
            var free = o.withBefore(o.before().stream().filter(x -> !schedule.waitsFor(a.id(), x)).toList());
            return new Put("do " + b.name() + " after " + a.name(), free.waitingFor(a.id()), false);
        });
    }

    private void finePaper(List<Broken> out) {
        for (var p : schedule.placed()) {
            if (p.done() || mend(p.task()) || !FILLS.contains(p.task().operation())) continue;
            var sanding = schedule.placed()
                    .stream()
                    .filter(s -> is(s.task(), Operation.SAND) && s.task().prop().equals(p.task().prop()))
                    .sorted(Comparator.comparing(Schedule.Placed::start))
                    .toList();
            if (sanding.isEmpty() || sanding.stream().anyMatch(s -> !s.start().isBefore(p.end()))) continue;
            out.add(new Broken(Rule.FINE_PAPER,
                    p.task().name() + " comes after " + sanding.getLast().task().name() + ": " + Rule.FINE_PAPER.why(),
                    first(p.task(), sanding.getFirst().task())));
        }
    }

    private void leftOut(List<Broken> out) {
        var left = Set.copyOf(wish.left());
        for (var t : stated) {
            if (!left.contains(t.id())) continue;
            why(t).ifPresent(
                    why -> out.add(new Broken(Rule.LEFT_OUT, t.name() + " is left out: " + why, Optional.of(new AfterAll(t.id())))));
        }
    }

    private Optional<String> why(Task t) {
        return Optional.ofNullable(switch (t.operation()) {
            case DRY_FIT -> Rule.DRY_FIT.why();
            case TRY_ON -> Rule.TRY_ON.why();
            case REINFORCE -> "the seams were reckoned with it: what they bear is told too high";
            case PRIME -> "colour holds badly on bare plastic, and flaws show only under primer";
            case WASH, CURE -> "resin that is not washed and cured harms the skin and stays soft";
            case WALK_TEST -> "the first steps in it would be at the event";
            case PRINT, CLEAN, GLUE -> "there is no prop without it";
            case SPRAY, BRUSH -> clear(t) ? "without the clear it shines otherwise than the rest, and the weathering rubs off"
                    : "what goes over it was chosen for the colour beneath";
            default -> null;
        });
    }

    /** Before the first of a sort that this maker has not done, nor done in a trial. */
    private void trials(List<Broken> out) {
        for (var o : TRIED) {
            if (known.contains(o.rate())) continue;
            var first = schedule.placed()
                    .stream()
                    .filter(p -> is(p.task(), o) && wish.own(p.task().id()).isEmpty())
                    .min(Comparator.comparing(Schedule.Placed::start));
            if (first.isEmpty() || first.get().done() || tried(o, first.get().start())) continue;
            var t = first.get().task();
            var trial = new OwnTask(t.prop(), wish.nextNumber(t.prop()), "try it on scrap: " + t.name(), o, TRIAL_H, 0, List.of(),
                    List.of(t.id()));
            out.add(new Broken(Rule.TRIAL, t.name() + ": " + Rule.TRIAL.why(), Optional.of(new Put("plan a trial", trial, false))));
        }
    }

    private boolean tried(Operation o, LocalDateTime before) {
        return schedule.placed().stream().anyMatch(p -> is(p.task(), o) && wish.own(p.task().id()).isPresent() && !p.end().isAfter(before));
    }

    /** What this maker has done before: has a rate, or is in the log. */
    public static Set<String> known(Map<String, yellowbracket.shop.Rate> rates, Schedule s) {
        var out = new HashSet<String>();
        rates.forEach((rate, r) -> {
            if (r.jobs() > 0) out.add(rate);
        });
        s.placed().stream().filter(Schedule.Placed::done).forEach(p -> out.add(p.task().operation().rate()));
        return out;
    }
}
