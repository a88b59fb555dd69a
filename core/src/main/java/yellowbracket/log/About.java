package yellowbracket.log;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.work.TaskId;

/**
 * What an entry is about, and under which cuts of its props it was written: after other cuts it is history of sections that are no more.
 *
 * @param cuts the revision of the cuts by prop
 */
public record About(TaskId task, Map<String, Integer> cuts) {
    public About {
        cuts = Collections.unmodifiableMap(new TreeMap<>(cuts));
    }

    public static About of(TaskId task, Names names) {
        return new About(task, props(task).distinct().collect(Collectors.toMap(p -> p, p -> names.cuts(p).orElse(0))));
    }

    private static Stream<String> props(TaskId task) {
        return task instanceof TaskId.Print p ? p.sections().stream().map(s -> s.prop()) : Stream.of(task.prop());
    }

    /** Whether the sections it speaks of are those of today. What is done before anything is cut stays true. */
    public boolean current(Names names) {
        if (task instanceof TaskId.OfProp(var prop, var once) && once == TaskId.Once.SIZE) return names.cuts(prop).isPresent();
        return cuts.entrySet().stream().allMatch(e -> names.cuts(e.getKey()).filter(e.getValue()::equals).isPresent());
    }
}
