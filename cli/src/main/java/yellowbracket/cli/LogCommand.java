package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.derive.all.LogEdit;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.document.Build;
import yellowbracket.document.BuildFile;
import yellowbracket.log.Entry;
import yellowbracket.log.Rates;
import yellowbracket.work.TaskId;

@Command(name = "log", description = "what happened in a build and what it taught; with add, writes a line in it")
final class LogCommand extends Output {
    @Parameters(index = "0", paramLabel = "BUILD", description = "a .bracket file")
    Path build;

    @Parameters(index = "1..*", arity = "0..2", paramLabel = "add TEXT", description = "writes TEXT as the window's log line does: "
            + "done C 1.2 h, failed B 60 %% layer shift, spent 14.50 filler")
    List<String> add = List.of();

    @Option(names = "--at", description = "when it happened, 2026-03-30T18:20; now if left out")
    LocalDateTime at;

    @Option(names = "--today", description = "plan from this day, yyyy-mm-dd")
    LocalDate today;

    @Override
    Map<String, Object> work() {
        if (!add.isEmpty() && (add.size() != 2 || !add.getFirst().equals("add")))
            throw new ParameterException(spec.commandLine(), "write: yb log BUILD add \"TEXT\"");
        var opened = Opened.of(build, today, this::remark);
        var findings = new ArrayList<String>();
        var now = opened.build();
        if (!add.isEmpty()) {
            now = added(opened, findings);
            opened = Opened.of(build, today, this::remark);
        }
        var rates = opened.derived().get(PlanFigures.TASKS).map(t -> t.lessons().rates()).orElse(Map.of());
        var rows = new Rates(rates).rows();
        return map("entries", now.log().stream().map(LogCommand::entry).toList(), "rates",
                rows.stream().filter(r -> r.with().isEmpty()).map(r -> rate(r.operation(), r.estimate())).toList(), "ways",
                rows.stream().filter(r -> r.with().isPresent()).map(LogCommand::way).toList(), "findings", List.copyOf(findings));
    }

    /** Saved at once, the version before kept beside it. */
    private Build added(Opened o, List<String> findings) {
        String text = add.get(1);
        var when = at == null ? LocalDateTime.now().withNano(0) : at;
        var after = LogEdit.of(when, text, o.build(), o.derived())
                .orElseThrow(() -> new Refused("the line is blank; write what happened."))
                .change()
                .apply(o.build());
        var entry = after.log().getLast();
        if (entry.kind() == Entry.Kind.NOTE && Entry.namesATask(text))
            findings.add("kept as a note: the build has no section or task of that name; see yb plan for their names");
        try {
            BuildFile.write(build, after, o.meshes());
        } catch (IOException e) {
            throw unwritten(build, e);
        }
        return after;
    }

    private static Map<String, Object> entry(Entry e) {
        return map("at", e.at().toString(), "kind", e.kind().name().toLowerCase(java.util.Locale.ROOT), "about",
                e.task().map(TaskId::text).orElse(""), "hours", e.hours(), "money", e.money(), "text", e.text(), "tags", e.tags());
    }

    private static Map<String, Object> rate(String operation, Rates.Estimate r) {
        return map("operation", operation, "factor", r.factor(), "yours", r.share(), "jobs", r.jobs());
    }

    private static Map<String, Object> way(Rates.Row r) {
        return map("operation", r.operation(), "with", r.with().orElseThrow(), "factor", r.estimate().factor(), "yours",
                r.estimate().share(), "jobs", r.estimate().jobs());
    }
}
