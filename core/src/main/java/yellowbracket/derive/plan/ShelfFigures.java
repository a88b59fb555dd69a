package yellowbracket.derive.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.log.Consumption;
import yellowbracket.plan.Needs;
import yellowbracket.plan.PropWork;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Shopping;
import yellowbracket.print.SectionPrint;
import yellowbracket.print.SpoolPlan;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Reserved;
import yellowbracket.work.Need;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/** What the plan uses up: how much and when, against the shelf and the spools, and what to buy. */
public final class ShelfFigures {
    public static final Figure<Needs> NEEDS = Figure.ofBuild("needs", Needs.class,
            in -> Needs.of(PlanFigures.works(in).stream().flatMap(w -> w.needs().stream()).map(yours(in)).toList(), in.build(Build::stock),
                    in.shop(s -> s)));
    /** By which task, as much as this maker uses; of what is done too. */
    public static final Figure<Consumed> CONSUMED = Figure.ofBuild("consumed", Consumed.class, in -> {
        var yours = yours(in);
        return new Consumed(PlanFigures.works(in)
                .stream()
                .flatMap(w -> w.consumed().stream())
                .map(c -> new PropWork.Consumed(yours.apply(c.need()), c.by()))
                .toList());
    });
    /** What this build still needs of the shelf it shares with others. */
    public static final Figure<Reserved> RESERVED = Figure.ofBuild("reserved", Reserved.class, in -> {
        var times = in.shop(s -> s.usual(Practice.STOCK_TIMES));
        return new Reserved(in.build(Build::name), in.build(Build::due),
                Needs.summed(ahead(in).stream().map(Shopping.Use::need))
                        .stream()
                        .map(n -> new Need(n.product(), n.amount() * times, n.unit()))
                        .toList());
    });
    /** Products that are never to be used again, and are. */
    public static final Figure<PlanFigures.LeftOut> NEVER = Figure.ofBuild("never again", PlanFigures.LeftOut.class, ShelfFigures::never);
    /** What to buy, where and by when. */
    public static final Figure<Shopping> SHOPPING = Figure.ofBuild("shopping", Shopping.class, ShelfFigures::shopping);
    /** Whether the spools last, in the order of the schedule. */
    public static final Figure<SpoolPlan> SPOOLS = Figure.ofBuild("spools", SpoolPlan.class, ShelfFigures::spools);

    private ShelfFigures() {}

    /** By which task. */
    public record Consumed(List<PropWork.Consumed> list) {
        public Consumed {
            list = List.copyOf(list);
        }

        public List<Need> by(TaskId task) {
            return Needs.summed(list.stream().filter(c -> c.by().equals(task)).map(PropWork.Consumed::need));
        }
    }

    private static UnaryOperator<Need> yours(Reads in) {
        var rates = in.get(PlanFigures.TASKS).lessons().rates();
        return n -> Consumption.yours(n, rates);
    }

    private static PlanFigures.LeftOut never(Reads in) {
        var cards = in.build(b -> b.paints().products());
        var out = new ArrayList<Finding>();
        for (var card : cards) {
            if (card.never().isEmpty()) continue;
            var by = in.get(PlanFigures.TASKS)
                    .list()
                    .stream()
                    .filter(t -> t.product().equals(card.product()) && !in.get(PlanFigures.TASKS).lessons().done().containsKey(t.id()))
                    .toList();
            if (!by.isEmpty()) out.add(Finding.care("never again " + card.product() + ", you noted (" + card.never().get() + "), and "
                    + by.getFirst().name() + (by.size() > 1 ? " and " + (by.size() - 1) + " more" : "") + " would use it"));
        }
        return new PlanFigures.LeftOut(out);
    }

    /** What is done has been consumed. */
    private static Shopping shopping(Reads in) {
        return Shopping.of(ahead(in), in.build(Build::stock), before(in), in.shop(x -> x));
    }

    /** What must be ready sooner takes off the shelf first: whatever stands there is reserved for one build only. */
    private static List<Reserved> before(Reads in) {
        var all = in.reserved();
        if (all.isEmpty()) return all;
        var due = in.build(Build::due);
        var name = in.build(Build::name);
        return all.stream().filter(r -> r.due().isBefore(due) || r.due().equals(due) && r.build().compareTo(name) < 0).toList();
    }

    private static List<Shopping.Use> ahead(Reads in) {
        var s = in.get(PlanFigures.BETTER).schedule();
        var by = s.placed().stream().collect(Collectors.toMap(p -> p.task().id(), p -> p, (a, b) -> a));
        var out = new ArrayList<Shopping.Use>();
        for (var c : in.get(CONSUMED).list()) {
            var p = by.get(c.by());
            if (p != null && !p.done()) out.add(new Shopping.Use(c.need(), p.start().toLocalDate()));
        }
        return out;
    }

    private static SpoolPlan spools(Reads in) {
        var prints = new HashMap<SectionId, SectionPrint>();
        for (var prop : in.build(b -> b.props().stream().map(Prop::id).toList()))
            in.find(PrintFigures.PRINTS, prop).ifPresent(p -> p.prints().forEach(q -> prints.put(q.id(), q)));
        var jobs = in.get(PlanFigures.BETTER)
                .schedule()
                .placed()
                .stream()
                .filter(q -> !q.done() && q.task().id() instanceof TaskId.Print)
                .sorted(Comparator.comparing(Schedule.Placed::start))
                .map(q -> {
                    var print = (TaskId.Print) q.task().id();
                    var on = print.sections().stream().map(s -> Optional.ofNullable(prints.get(s))).flatMap(Optional::stream).toList();
                    return new SpoolPlan.Job(print.letters(), q.task().printer(), q.task().product(),
                            on.stream().mapToDouble(SectionPrint::grams).sum());
                })
                .toList();
        return SpoolPlan.of(jobs, in.build(Build::spools), in.shop(s -> s));
    }
}
