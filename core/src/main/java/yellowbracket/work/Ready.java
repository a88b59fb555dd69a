package yellowbracket.work;

import java.util.List;
import java.util.Map;

/**
 * What the next station waits for.
 *
 * @param all the last tasks so far @param bySection the last task on each section, where sections are still worked on one by one
 */
public record Ready(List<TaskId> all, Map<SectionId, TaskId> bySection) {
    public static final Ready AT_ONCE = new Ready(List.of(), Map.of());

    public Ready {
        all = List.copyOf(all);
        bySection = Map.copyOf(bySection);
    }

    public static Ready after(List<TaskId> all) {
        return new Ready(all, Map.of());
    }
}
