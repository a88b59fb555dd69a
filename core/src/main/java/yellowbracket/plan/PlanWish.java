package yellowbracket.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import yellowbracket.finding.Limits;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * What the maker decided about the plan itself.
 *
 * @param first what goes first of all that could, in that order @param pins what is not to begin before a moment @param left what is not
 * done at all @param inOneGo whether a task is done at a stretch, where that is not as usual @param own tasks besides
 */
@RecordBuilder
public record PlanWish(List<TaskId> first, Map<TaskId, LocalDateTime> pins, List<TaskId> left, Map<TaskId, Boolean> inOneGo,
        List<OwnTask> own, List<Helper> helpers, WorkRules rules, List<Baseline> baselines) implements PlanWishBuilder.With {
    public static final PlanWish NONE = new PlanWish(List.of(), Map.of(), List.of(), Map.of(), List.of(), List.of(), WorkRules.USUAL,
            List.of());
    private static final int MOST_BASELINES = 12;

    public PlanWish {
        first = first.stream().distinct().toList();
        pins = sorted(pins);
        pins.values().forEach(at -> Limits.date("a task pinned", at));
        left = left.stream().distinct().sorted(Comparator.comparing(TaskId::text)).toList();
        inOneGo = sorted(inOneGo);
        own = List.copyOf(own);
        helpers = List.copyOf(helpers);
        baselines = List.copyOf(baselines);
        Limits.distinct("tasks of your own", own, o -> o.id().text());
        Limits.distinct("helpers", helpers, Helper::name);
        Limits.distinct("plans kept", baselines, Baseline::name);
        Limits.within("plans kept", baselines.size(), 0, MOST_BASELINES);
    }

    private static <V> Map<TaskId, V> sorted(Map<TaskId, V> map) {
        var out = new TreeMap<TaskId, V>(Comparator.comparing(TaskId::text));
        out.putAll(map);
        return Collections.unmodifiableSortedMap(out);
    }

    /**
     * Tasks without those left out, whose waits go over to what came after them, and with the maker's own. What an own task names and is
     * not there any more is passed over.
     */
    public List<Task> apply(List<Task> stated) {
        var gone = new HashMap<TaskId, Task>();
        var leaves = new HashSet<>(left);
        for (var t : stated) if (leaves.contains(t.id())) gone.put(t.id(), t);
        var behind = new HashMap<TaskId, List<TaskId>>();
        for (var o : own) for (var b : o.before()) behind.computeIfAbsent(b, k -> new ArrayList<>()).add(o.id());
        var out = new ArrayList<Task>();
        for (var t : stated) if (!gone.containsKey(t.id())) out.add(changed(t, gone, behind));
        for (var o : own) out.add(changed(o.task(), gone, behind));
        return List.copyOf(out);
    }

    private Task changed(Task t, Map<TaskId, Task> gone, Map<TaskId, List<TaskId>> behind) {
        var after = new ArrayList<TaskId>();
        for (var a : t.after()) through(a, gone, after);
        for (var o : behind.getOrDefault(t.id(), List.of())) if (!after.contains(o)) after.add(o);
        var closed = t.closed().stream().filter(c -> !gone.containsKey(c.after())).toList();
        var changed = after.equals(t.after()) ? t : t.withAfter(after);
        if (closed.size() < t.closed().size()) changed = changed.withClosed(closed);
        var whole = inOneGo.get(t.id());
        return whole == null || t.resource() != Task.Resource.PERSON ? changed
                : changed.withDoer(whole ? Task.Doer.PERSON_AT_A_STRETCH : Task.Doer.PERSON);
    }

    private static void through(TaskId a, Map<TaskId, Task> gone, List<TaskId> out) {
        var g = gone.get(a);
        if (g == null) {
            if (!out.contains(a)) out.add(a);
        } else g.after().forEach(b -> through(b, gone, out));
    }

    private static <T> List<T> put(List<T> list, Predicate<T> same, T now) {
        var all = new ArrayList<>(list);
        all.removeIf(same);
        all.add(now);
        return all;
    }

    public PlanWish pinned(TaskId task, LocalDateTime at) {
        var all = new HashMap<>(pins);
        all.put(task, at);
        return withPins(all);
    }

    public PlanWish unpinned(TaskId task) {
        var all = new HashMap<>(pins);
        all.remove(task);
        return withPins(all);
    }

    /** It goes to the front of what is done first, or is no longer in it. */
    public PlanWish first(TaskId task, boolean on) {
        var all = new ArrayList<>(first);
        all.remove(task);
        if (on) all.addFirst(task);
        return withFirst(all);
    }

    public PlanWish leaving(TaskId task, boolean on) {
        var all = new ArrayList<>(left);
        all.remove(task);
        if (on) all.add(task);
        return withLeft(all);
    }

    public PlanWish inOneGo(TaskId task, boolean on) {
        var all = new HashMap<>(inOneGo);
        all.put(task, on);
        return withInOneGo(all);
    }

    public PlanWish with(OwnTask task) {
        return withOwn(put(own, o -> o.id().equals(task.id()), task));
    }

    public PlanWish withoutOwn(TaskId task) {
        return withOwn(own.stream().filter(o -> !o.id().equals(task)).toList());
    }

    /** The number of the next task of the maker's own for a prop. */
    public int nextNumber(String prop) {
        return 1 + own.stream().filter(o -> o.prop().equals(prop)).mapToInt(OwnTask::number).max().orElse(0);
    }

    public Optional<OwnTask> own(TaskId id) {
        return own.stream().filter(o -> o.id().equals(id)).findFirst();
    }

    public PlanWish with(Helper helper) {
        return withHelpers(put(helpers, h -> h.name().equals(helper.name()), helper));
    }

    public PlanWish withoutHelper(String name) {
        return withHelpers(helpers.stream().filter(h -> !h.name().equals(name)).toList());
    }

    /** Kept under its name, in the place of one of the same name. */
    public PlanWish with(Baseline plan) {
        return withBaselines(put(baselines, b -> b.name().equals(plan.name()), plan));
    }

    public PlanWish withoutBaseline(String name) {
        return withBaselines(baselines.stream().filter(b -> !b.name().equals(name)).toList());
    }
}
