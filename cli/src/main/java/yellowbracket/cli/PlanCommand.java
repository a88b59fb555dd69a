package yellowbracket.cli;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.finding.Finding;
import yellowbracket.plan.Chance;
import yellowbracket.mesh.Progress;
import yellowbracket.plan.OrderRules;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Scheduler;
import yellowbracket.plan.Shopping;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

@Command(name = "plan", description = "the schedule of a build, its slack and chance")
final class PlanCommand extends Output {
    @Parameters(paramLabel = "BUILD", description = "a .bracket file")
    Path build;

    @Option(names = "--today", description = "plan from this day, yyyy-mm-dd")
    LocalDate today;

    @Option(names = "--futures", description = "simulate so many futures for the chance, 100 to 100000")
    Integer futures;

    @Override
    Map<String, Object> work() {
        if (futures != null && (futures < 100 || futures > 100_000))
            throw new ParameterException(spec.commandLine(), "--futures: between 100 and 100000, was " + futures);
        var opened = Opened.of(build, today, this::remark);
        var d = opened.derived();
        var out = d.get(PlanFigures.LEFT_OUT).map(PlanFigures.LeftOut::findings).orElse(List.of());
        if (!out.isEmpty()) throw new Refused(out.stream().map(f -> f.words() + ".").toList());
        var better = d.get(PlanFigures.BETTER).orElseThrow(() -> new Refused(reason(opened)));
        var s = better.schedule();
        var latest = d.get(PlanFigures.LATEST).map(PlanFigures.Latest::starts).orElse(Map.of());
        var earliest = d.get(PlanFigures.EARLIEST).map(PlanFigures.Earliest::starts).orElse(Map.of());
        var chance = chance(opened, better);
        return map("tasks", s.placed().stream().map(p -> task(p, s, earliest, latest)).toList(), "finish", s.finish().toString(), "due",
                s.due().toString(), "slackH", s.slackH(), "bound", better.bound().toString(), "chance", chance.told(), "chanceRange",
                map("low", chance.low(), "high", chance.high()), "drop", drops(d), "shopping", shopping(d), "broken", broken(d), "findings",
                remarks(d, s));
    }

    /** What the shown schedule breaks, windows missed, products never to be used again. */
    private static List<String> remarks(Derived d, Schedule s) {
        var broken = d.get(PlanFigures.BETTER_BROKEN).map(PlanFigures.Broken::words).orElseGet(s::conflicts);
        var never = d.get(ShelfFigures.NEVER).map(PlanFigures.LeftOut::findings).orElse(List.of());
        return Stream.of(broken.stream(), s.missed().stream().map(Schedule.Missed::words), never.stream().map(Finding::words))
                .flatMap(x -> x)
                .toList();
    }

    private Chance chance(Opened o, Scheduler.Better better) {
        if (futures == null) return o.derived().require(PlanFigures.CHANCE, Figure.BUILD);
        var scheduler = o.derived().require(PlanFigures.PLANNER, Figure.BUILD).scheduler();
        return scheduler.chance(o.derived().require(PlanFigures.TASKS, Figure.BUILD).list(), better.facts(), futures,
                new SplittableRandom(o.build().seed()), Progress.NONE);
    }

    private static Map<String, Object> task(Schedule.Placed p, Schedule s, Map<TaskId, LocalDateTime> earliest,
            Map<TaskId, LocalDateTime> latest) {
        var t = p.task();
        return map("id", t.id().text(), "station", t.station().label(), "name", t.name(), "operation",
                t.operation().name().toLowerCase(Locale.ROOT), "start", p.start().toString(), "end", p.end().toString(), "ready",
                p.ready().toString(), "earliest", time(earliest.get(t.id())), "latest", time(latest.get(t.id())), "activeH", p.hours(),
                "waitH", t.lag().leastH(), "resource", resource(p), "after", after(t, s), "done", p.done());
    }

    private static String time(LocalDateTime t) {
        return Optional.ofNullable(t).map(Object::toString).orElse(null);
    }

    private static String resource(Schedule.Placed p) {
        return switch (p.task().resource()) {
            case PRINTER -> p.task().printer();
            case PERSON, SPRAY -> p.who().isEmpty() ? p.task().resource().name().toLowerCase(Locale.ROOT) : p.who();
        };
    }

    private static List<Map<String, Object>> drops(Derived d) {
        return d.get(PlanFigures.DROPS)
                .map(PlanFigures.Drops::list)
                .orElse(List.of())
                .stream()
                .map(x -> map("what", x.words(), "lost", x.lost(), "handH", x.handH(), "wonH", x.wonH()))
                .toList();
    }

    private static List<Map<String, Object>> shopping(Derived d) {
        return d.get(ShelfFigures.SHOPPING)
                .map(Shopping::list)
                .orElse(List.of())
                .stream()
                .map(b -> map("what", b.line().name(), "need", b.line().needed(), "have", b.line().have(), "unit", b.line().unit(),
                        "shortOn", b.shortOn().toString(), "orderBy", b.orderBy().toString(), "packs", b.packs(), "pack", b.pack(), "from",
                        b.from(), "instead", b.instead().orElse(null)))
                .toList();
    }

    private static List<Map<String, Object>> broken(Derived d) {
        return d.get(PlanFigures.RULES)
                .map(PlanFigures.Rules::broken)
                .orElse(List.of())
                .stream()
                .map(b -> map("rule", b.rule().name().toLowerCase(Locale.ROOT), "words", b.words(), "fix",
                        b.fix().map(OrderRules.Fix::words).orElse(null)))
                .toList();
    }

    private static List<Map<String, Object>> after(Task t, Schedule s) {
        return t.after()
                .stream()
                .map(id -> map("id", id.text(), "leastH", s.placed(id).map(p -> p.task().lag().leastH()).orElse(0.0), "mostH",
                        t.closed().stream().filter(c -> c.after().equals(id)).map(Task.Closed::fromH).findFirst().orElse(null)))
                .toList();
    }

    private static String reason(Opened o) {
        String r = o.derived().reason(PlanFigures.SCHEDULE, Figure.BUILD);
        return r.isEmpty() ? "the build cannot be planned: it has no prop." : r + ".";
    }
}
