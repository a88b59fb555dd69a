package yellowbracket.log;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import yellowbracket.print.FailureKind;
import yellowbracket.print.SectionPrint;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/**
 * A printer that was taken apart and has not printed anything well since: a small print proves it before days go into a section.
 * @param task of the prop whose print failed, counted by printer
 */
public record Repair(TaskId.OnPrinter task, String printer, FailureKind kind) {
    /** By printer; a print that is done since is proof enough. @param all every print that is planned, by section */
    public static Map<String, Repair> of(List<Entry> log, Map<SectionId, SectionPrint> all) {
        var out = new HashMap<String, Repair>();
        var count = new HashMap<String, Integer>();
        for (var e : log) {
            var print = e.printed().stream().map(all::get).filter(Objects::nonNull).findFirst();
            if (print.isEmpty()) continue;
            String printer = Hold.named(e, all).orElse(print.get().printer().name());
            if (e.kind() == Entry.Kind.DONE) out.remove(printer);
            if (e.kind() != Entry.Kind.FAILED || e.failure().filter(k -> !k.proof().isEmpty()).isEmpty()) continue;
            int n = count.merge(printer, 1, Integer::sum);
            var task = new TaskId.OnPrinter(TaskId.Upkeep.CALIBRATE, print.get().id().prop(), print.get().printer().tag(), n);
            out.put(printer, new Repair(task, printer, e.failure().get()));
        }
        return out;
    }
}
