package yellowbracket.derive.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import yellowbracket.colour.ColourWork;
import yellowbracket.colour.SprayWeather;
import yellowbracket.cut.CutWork;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.join.JoinWork;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Weight;
import yellowbracket.log.Consumption;
import yellowbracket.log.Lessons;
import yellowbracket.log.Tally;
import yellowbracket.plan.Chance;
import yellowbracket.plan.Checker;
import yellowbracket.plan.Crew;
import yellowbracket.plan.Drop;
import yellowbracket.plan.LostDays;
import yellowbracket.plan.OrderRules;
import yellowbracket.plan.PlanWish;
import yellowbracket.plan.PropWork;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Scheduler;
import yellowbracket.plan.WorkHours;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.PrintWork;
import yellowbracket.print.ResinCare;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Process;
import yellowbracket.shop.Quiet;
import yellowbracket.shop.Rate;
import yellowbracket.size.SizeWork;
import yellowbracket.smooth.SmoothWork;
import yellowbracket.wear.WearWork;
import yellowbracket.work.SectionId;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** What the stations' work comes to: tasks, schedule, chance, needs, spools. */
public final class PlanFigures {
    /** Orders tried; more win little. */
    private static final int SEARCH_TRIES = 300;
    /** Futures simulated: the chance is good to two in a hundred. */
    private static final int CHANCE_RUNS = 1000;
    /** For each thing that might help; no more is asked where the chance is better than this. */
    private static final int RAISE_RUNS = 300;
    private static final double SURE = 0.97;
    /** A forecast is worth something for so long. */
    private static final int FORECAST_DAYS = 10;
    /** What the weather is judged by where a task names no product: the limits of a usual spray can. */
    private static final String USUAL_SPRAY = "acrylic lacquer spray";

    /** What the stations state for one prop. */
    public static final Figure<PropWork> WORK = Figure.ofProp("work", PropWork.class, PlanFigures::work);
    /** Props that are in no plan, and why. */
    public static final Figure<LeftOut> LEFT_OUT = Figure.ofBuild("left out of the plan", LeftOut.class, PlanFigures::leftOut);
    public static final Figure<Tasks> TASKS = Figure.ofBuild("tasks", Tasks.class, PlanFigures::tasks);
    /** Hours for a usual spray can, as far as the forecast goes. */
    public static final Figure<Sky> SKY = Figure.ofBuild("spray sky", Sky.class, PlanFigures::sky);
    /** With the crew, the weather and the quiet hours of the build. */
    public static final Figure<Planner> PLANNER = Figure.ofBuild("planner", Planner.class, in -> new Planner(scheduler(in)));
    /** Hours told against hours that it took. */
    public static final Figure<Tally> TALLY = Figure.ofBuild("tally", Tally.class, in -> {
        var tasks = in.get(TASKS);
        return in.build(b -> Tally.of(b.log(), tasks.list(), tasks.stated()));
    });
    /** At once, by the longest chain first. */
    public static final Figure<Schedule> SCHEDULE = Figure.ofBuild("schedule", Schedule.class, PlanFigures::schedule);
    /** Found by search, with what could still be won at most. */
    public static final Figure<Scheduler.Better> BETTER = Figure.ofBuild("better schedule", Scheduler.Better.class, in -> {
        var tasks = in.get(TASKS);
        return in.get(PLANNER)
                .scheduler()
                .better(tasks.list(), tasks.facts(), SEARCH_TRIES, new SplittableRandom(in.build(Build::seed)), in.progress());
    });
    /** What a schedule breaks, by a check that shares nothing with the scheduler: the one at once, and the better one. */
    public static final Figure<Broken> BROKEN = Figure.ofBuild("schedule checked", Broken.class,
            in -> new Broken(checker(in).check(in.get(SCHEDULE))));
    public static final Figure<Broken> BETTER_BROKEN = Figure.ofBuild("better schedule checked", Broken.class,
            in -> new Broken(checker(in).check(in.get(BETTER).schedule())));
    /** When each could begin if it were alone. */
    public static final Figure<Earliest> EARLIEST = Figure.ofBuild("earliest starts", Earliest.class, in -> {
        var tasks = in.get(TASKS);
        return new Earliest(in.get(PLANNER).scheduler().earliestStarts(tasks.list(), tasks.facts()));
    });
    public static final Figure<Chance> CHANCE = Figure.ofBuild("chance", Chance.class, PlanFigures::chance);
    public static final Figure<Latest> LATEST = Figure.ofBuild("latest starts", Latest.class, in -> {
        var tasks = in.get(TASKS);
        return new Latest(in.get(PLANNER).scheduler().latestStarts(tasks.list(), tasks.facts()));
    });
    public static final Figure<Raises> RAISES = Figure.ofBuild("what would help", Raises.class, PlanFigures::raises);
    /** Rules of the craft the plan breaks. */
    public static final Figure<Rules> RULES = Figure.ofBuild("order rules", Rules.class, PlanFigures::rules);
    /** What could be left out, and what that wins. */
    public static final Figure<Drops> DROPS = Figure.ofBuild("what to drop", Drops.class, in -> {
        var tasks = in.get(TASKS);
        return new Drops(Drop.of(tasks.list(), tasks.wish(), in.get(SCHEDULE), in.get(PLANNER).scheduler(), tasks.facts()));
    });

    private PlanFigures() {}

    /**
     * All tasks with this maker's rates, what the log taught, the rates this build alone taught, and the prints that are to come first.
     */
    public record Tasks(List<Task> list, Lessons lessons, Map<String, Rate> own, List<TaskId> order, PlanWish wish, List<Task> stated) {
        public Scheduler.Facts facts() {
            return new Scheduler.Facts(lessons.doneWith(list), lessons.running(), order, wish.pins(), wish.first(), List.of());
        }
    }

    public record Rules(List<OrderRules.Broken> broken) {
        public Rules {
            broken = List.copyOf(broken);
        }
    }

    public record Drops(List<Drop> list) {
        public Drops {
            list = List.copyOf(list);
        }
    }

    public record Planner(Scheduler scheduler) {}

    /** In words; of a schedule that keeps all it should nothing. */
    public record Broken(List<String> words) {
        public Broken {
            words = List.copyOf(words);
        }
    }

    /** @param hours one after the other from {@code from} on */
    public record Sky(LocalDateTime from, List<SprayWeather.Verdict> hours) {
        public Sky {
            hours = List.copyOf(hours);
        }
    }

    /** When each task could begin at the earliest, were it alone. */
    public record Earliest(Map<TaskId, LocalDateTime> starts) {
        public Earliest {
            starts = Map.copyOf(starts);
        }
    }

    /** One finding a prop. */
    public record LeftOut(List<Finding> findings) {
        public LeftOut {
            findings = List.copyOf(findings);
        }
    }

    /** When each task must begin at the latest. */
    public record Latest(Map<TaskId, LocalDateTime> starts) {
        public Latest {
            starts = Map.copyOf(starts);
        }

        /** Tasks ahead by how long each may still wait, the least first. */
        public List<Schedule.Placed> tightest(Schedule s) {
            return s.placed()
                    .stream()
                    .filter(p -> !p.done() && starts.containsKey(p.task().id()))
                    .sorted(Comparator.comparing(p -> Duration.between(p.start(), starts.get(p.task().id()))))
                    .toList();
        }
    }

    /** What would help most, the best first. @param from the chance by as many futures */
    public record Raises(Chance from, List<Raise> list) {}

    /** @param words what would be done @param to the chance then */
    public record Raise(String words, Chance to) {}

    /** The stations in the order of the work: a new one is one more line. */
    private static PropWork work(Reads in) {
        String id = in.prop();
        boolean worn = in.of(Prop::worn);
        var shop = in.shop(s -> s);
        var prints = in.get(PrintFigures.PRINTS);
        var shared = in.get(PrintFigures.PLATES).shared();
        if (prints.prints().isEmpty()) throw new IllegalArgumentException(prints.findings()
                .stream()
                .filter(f -> f.weight() == Weight.STOP)
                .findFirst()
                .map(Finding::words)
                .orElse("nothing of it can be printed"));
        var pads = in.find(WearFigures.PADS).map(WearFigures.Pads::sets).orElse(List.of());
        return new PropWork(id, List.of(new SizeWork(id, worn, shop), new CutWork(id, shop),
                new PrintWork(id, prints, shared, resin(in, prints), in.get(PrintFigures.UPKEEP).list(), shop),
                new JoinWork(
                        id, worn, in.get(JoinFigures.JOINS), in.get(JoinFigures.FITTINGS).bySeam(), in.get(JoinFigures.MENDS).list(), shop),
                new SmoothWork(id, in.get(SmoothFigures.SMOOTH), in.find(SmoothFigures.ROUNDS), shop),
                new ColourWork(id, in.get(ColourFigures.COLOUR), in.get(ColourFigures.BARE).list(), in.get(ColourFigures.LINE_PLAN),
                        in.get(ColourFigures.WEATHER), shop),
                new WearWork(id, worn, pads, in.find(WearFigures.VISOR), in.get(WearFigures.POWER).power(), in.of(Prop::wear), shop)));
    }

    /** Of sections printed in resin. */
    private static Map<SectionId, ResinCare> resin(Reads in, PrintPlan prints) {
        var out = new HashMap<SectionId, ResinCare>();
        for (var p : prints.prints())
            if (p.profile().process() == Process.RESIN) out.put(p.id(), ResinCare.of(in.get(CutFigures.SECTIONS).section(p.name()).mesh()));
        return Map.copyOf(out);
    }

    /** Of the props that could be worked out. */
    static List<PropWork> works(Reads in) {
        var out = new ArrayList<PropWork>();
        for (var prop : in.build(b -> b.props().stream().map(Prop::id).toList())) in.find(WORK, prop).ifPresent(out::add);
        return out;
    }

    private static LeftOut leftOut(Reads in) {
        var out = new ArrayList<Finding>();
        for (var prop : in.build(b -> b.props().stream().map(p -> new Named(p.id(), p.name())).toList()))
            in.whyNot(WORK, prop.id).ifPresent(why -> out.add(Finding.stop(prop.name + " is not in the plan: " + why)));
        return new LeftOut(out);
    }

    private record Named(String id, String name) {}

    private static Tasks tasks(Reads in) {
        var wish = in.build(Build::plan);
        var stated = works(in).stream().flatMap(w -> w.tasks().stream()).toList();
        var plain = wish.apply(stated);
        var facts = in.build(b -> Lessons.facts(b.log(), b));
        var consumed = works(in).stream().flatMap(w -> w.consumed().stream()).toList();
        var lessons = used(in, facts, consumed, facts.learn(plain, in.build(Build::rates)));
        var own = new HashMap<>(used(in, facts, consumed, facts.learn(plain, Map.of())).rates());
        own.putAll(PrintFigures.own(in));
        return new Tasks(lessons.apply(plain), lessons, own, order(in), wish, stated);
    }

    private static Lessons used(Reads in, Lessons facts, List<PropWork.Consumed> planned, Lessons learned) {
        var shop = in.shop(s -> s);
        return learned.withRates(in.build(b -> Consumption.learn(b.log(), facts.done().keySet(), planned, shop, learned.rates())));
    }

    /** The wished order of sections as prints. */
    private static List<TaskId> order(Reads in) {
        var shared = in.get(PrintFigures.PLATES).shared();
        return in.build(b -> b.queue().order())
                .stream()
                .<TaskId>map(s -> shared.containsKey(s) ? shared.get(s).task() : TaskId.print(s))
                .distinct()
                .toList();
    }

    private static Schedule schedule(Reads in) {
        var tasks = in.get(TASKS);
        return in.get(PLANNER).scheduler().schedule(tasks.list(), tasks.facts());
    }

    private static Chance chance(Reads in) {
        var random = new SplittableRandom(in.build(Build::seed));
        return in.get(PLANNER).scheduler().chance(in.get(TASKS).list(), in.get(BETTER).facts(), CHANCE_RUNS, random, in.progress());
    }

    /** The same futures with one thing changed: what differs is the change, not the luck. */
    private static Raises raises(Reads in) {
        if (in.get(CHANCE).share() >= SURE) return new Raises(in.get(CHANCE), List.of());
        var tasks = in.get(TASKS);
        var hours = in.build(Build::hours);
        var due = in.build(Build::due);
        var facts = in.get(BETTER).facts();
        var from = futures(in, tasks.list(), facts, hours, due);
        var out = new ArrayList<Raise>();
        out.add(new Raise("an hour more on every day you work", futures(in, tasks.list(), facts, hours.longer(60), due)));
        hours.another(180).ifPresent(h -> out.add(new Raise(h.words(), futures(in, tasks.list(), facts, h.hours(), due))));
        var steady = tasks.list()
                .stream()
                .map(t -> t.resource() == Task.Resource.PRINTER ? t.withDoer(Task.Doer.printer(t.printer(), t.doer().failuresPerHour() / 2))
                        : t)
                .toList();
        out.add(new Raise("half as many lost prints: dry spools, clean beds, a look at the first layer",
                futures(in, steady, facts, hours, due)));
        out.add(new Raise("two days later", futures(in, tasks.list(), facts, hours, due.plusDays(2))));
        out.removeIf(r -> r.to.ready() <= from.ready());
        out.sort(Comparator.comparingInt(r -> -r.to.ready()));
        return new Raises(from, List.copyOf(out));
    }

    private static Chance futures(Reads in, List<Task> tasks, Scheduler.Facts facts, WorkHours hours, LocalDateTime due) {
        return new Scheduler(in.now(), due, crew(in).withMaker(hours), sprayable(in), in.build(PlanFigures::quiet)).losing(lost(in))
                .chance(tasks, facts, RAISE_RUNS, new SplittableRandom(in.build(Build::seed)), in.progress());
    }

    private static Scheduler scheduler(Reads in) {
        return new Scheduler(in.now(), in.build(Build::due), crew(in), sprayable(in), in.build(PlanFigures::quiet)).losing(lost(in));
    }

    private static Checker checker(Reads in) {
        var facts = in.get(TASKS).facts();
        return new Checker(crew(in), sprayable(in), in.build(PlanFigures::quiet), facts.notBefore(), facts.running().keySet());
    }

    private static LostDays lost(Reads in) {
        return in.shop(s -> new LostDays(s.usual(Practice.SPRAY_DAY_LOST_A_DAY), s.usual(Practice.SPRAY_DAY_LOST)));
    }

    private static Crew crew(Reads in) {
        return in.build(b -> new Crew(b.hours(), b.plan().helpers(), b.plan().rules()));
    }

    private static Map<String, Quiet> quiet(Build b) {
        return b.printers()
                .stream()
                .filter(p -> p.quiet().isPresent())
                .collect(Collectors.toMap(Printer::name, p -> p.quiet().orElseThrow(), (x, y) -> x));
    }

    /** Near days by the feed, later ones by what is usual: ten to four is fit on most. */
    private static BiPredicate<Task, LocalDateTime> sprayable(Reads in) {
        var weather = in.weather();
        var coatings = in.shop(s -> s.coatings().stream().collect(Collectors.toMap(Coating::name, c -> c)));
        var usual = coatings.get(USUAL_SPRAY);
        var forecast = in.now().plusDays(FORECAST_DAYS);
        return (task, at) -> {
            int hour = at.getHour();
            if (at.isAfter(forecast)) return hour >= 10 && hour < 17 || hour >= 18 && hour < 20;
            return SprayWeather.judge(weather.at(at), coatings.getOrDefault(task.product(), usual)).verdict() != SprayWeather.Verdict.NO;
        };
    }

    private static Sky sky(Reads in) {
        var weather = in.weather();
        var usual = in.shop(s -> s.coating(USUAL_SPRAY));
        var from = in.now().truncatedTo(java.time.temporal.ChronoUnit.HOURS);
        var out = new ArrayList<SprayWeather.Verdict>();
        for (int h = 0; h < 24 * FORECAST_DAYS; h++) out.add(SprayWeather.judge(weather.at(from.plusHours(h)), usual).verdict());
        return new Sky(from, out);
    }

    private static Rules rules(Reads in) {
        var tasks = in.get(TASKS);
        var s = in.get(BETTER).schedule();
        return new Rules(
                new OrderRules(s, tasks.wish(), tasks.stated(), OrderRules.known(tasks.lessons().rates(), s), in.shop(x -> x)).broken());
    }

}
