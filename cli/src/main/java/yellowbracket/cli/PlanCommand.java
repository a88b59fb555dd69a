package yellowbracket.cli;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yellowbracket.derive.Figure;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.plan.Chance;
import yellowbracket.plan.Needs;
import yellowbracket.plan.Schedule;
import yellowbracket.work.Task;

@Command(name = "plan", description = "the schedule of a build, its slack and chance")
final class PlanCommand extends Output {
    @Parameters(paramLabel = "BUILD", description = "a .bracket file")
    Path build;

    @Option(names = "--today", description = "plan from this day, yyyy-mm-dd")
    LocalDate today;

    @Override
    Map<String, Object> work() {
        var opened = Opened.of(build, today, this::remark);
        var out = opened.derived().get(PlanFigures.LEFT_OUT).map(PlanFigures.LeftOut::findings).orElse(List.of());
        if (!out.isEmpty()) throw new Refused(out.stream().map(f -> f.words() + ".").toList());
        var s = opened.derived().get(PlanFigures.SCHEDULE).orElseThrow(() -> new Refused(reason(opened)));
        var latest = opened.derived().get(PlanFigures.LATEST).map(PlanFigures.Latest::starts).orElse(Map.of());
        var tasks = s.placed()
                .stream()
                .map(p -> map("id", p.task().id().text(), "station", p.task().station().label(), "name", p.task().name(), "operation",
                        p.task().operation().name().toLowerCase(Locale.ROOT), "start", p.start().toString(), "end", p.end().toString(),
                        "ready", p.ready().toString(), "latest",
                        Optional.ofNullable(latest.get(p.task().id())).map(Object::toString).orElse(null), "after", after(p.task(), s),
                        "activeH", p.task().activeH(), "waitH", p.task().lag().leastH(), "resource",
                        p.task().resource() == Task.Resource.PRINTER ? p.task().printer()
                                : p.task().resource().name().toLowerCase(Locale.ROOT),
                        "done", p.done()))
                .toList();
        var chance = opened.derived().get(PlanFigures.CHANCE);
        return map("tasks", tasks, "finish", s.finish().toString(), "due", s.due().toString(), "slackH", s.slackH(), "chance",
                chance.map(Chance::told).orElse(0.0), "chanceRange", chance.map(c -> map("low", c.low(), "high", c.high())).orElse(null),
                "shopping",
                opened.derived()
                        .get(PlanFigures.NEEDS)
                        .map(Needs::shopping)
                        .orElse(List.of())
                        .stream()
                        .map(l -> map("what", l.name(), "need", l.needed(), "have", l.have(), "unit", l.unit()))
                        .toList(),
                "findings", s.conflicts());
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
