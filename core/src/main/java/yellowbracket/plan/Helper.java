package yellowbracket.plan;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import yellowbracket.finding.Limits;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;

/**
 * Somebody who helps: when, and with what.
 *
 * @param spans of the week @param skills kinds of work by {@link Operation#rate}
 */
public record Helper(String name, List<WorkHours.Span> spans, Set<String> skills) {
    public Helper {
        Limits.named("somebody who helps", name);
        spans = List.copyOf(spans);
        skills = java.util.Collections.unmodifiableSortedSet(new TreeSet<>(skills));
        if (spans.isEmpty()) throw new IllegalArgumentException(name + " has no hours: say when help comes");
    }

    public boolean can(Task t) {
        return skills.contains(t.operation().rate());
    }
}
