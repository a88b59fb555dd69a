package yellowbracket.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.work.Station;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** Tasks with their times. {@code ready}: when what follows may start. A done task carries what really happened. */
public record Schedule(LocalDateTime now, LocalDateTime due, List<Placed> placed) {
    /**
     * @param parts when it is really worked on: what may be left and taken up again has one for each sitting @param who helps with it,
     * empty for the maker
     */
    public record Placed(Task task, LocalDateTime start, LocalDateTime end, LocalDateTime ready, boolean done, List<Part> parts,
            String who) {
        public Placed {
            parts = List.copyOf(parts);
        }

        /** In one go, by the maker. */
        public Placed(Task task, LocalDateTime start, LocalDateTime end, LocalDateTime ready, boolean done) {
            this(task, start, end, ready, done, List.of(new Part(start, end)), "");
        }

        /** Hours that are planned for it: less than it takes alone where spot and gear are laid out already. */
        public double hours() {
            if (task.resource() == Task.Resource.PRINTER) return task.activeH();
            return parts.stream().mapToLong(p -> Duration.between(p.from, p.to).toMinutes()).sum() / 60.0;
        }

        /** Whether it is sprayed right after something else, with spot and gear laid out. */
        public boolean setUp() {
            return !done && task.effort().setupH() > 0 && hours() < task.activeH() - task.effort().setupH() / 2;
        }
    }

    /** From one moment to another. */
    public record Part(LocalDateTime from, LocalDateTime to) {
        /** Whether both last at some moment. */
        boolean meets(Part o) {
            return from.isBefore(to) && o.from.isBefore(o.to) && from.isBefore(o.to) && o.from.isBefore(to);
        }
    }

    public LocalDateTime finish() {
        return placed.stream().map(Placed::ready).max(java.util.Comparator.naturalOrder()).orElse(now);
    }

    /** Hours between the end of the last task and the day it must be ready; negative when late. */
    public double slackH() {
        return Duration.between(finish(), due).toMinutes() / 60.0;
    }

    /** Hours by hand that are ahead. */
    public double handH() {
        return placed.stream().filter(p -> !p.done && p.task.resource() != Task.Resource.PRINTER).mapToDouble(Placed::hours).sum();
    }

    public Optional<Placed> placed(TaskId id) {
        return placed.stream().filter(p -> p.task.id().equals(id)).findFirst();
    }

    public List<Placed> of(Station s) {
        return placed.stream().filter(p -> p.task.station() == s).toList();
    }

    /** What to do next: the first tasks not done, by start. */
    public List<Placed> next(int most) {
        return placed.stream().filter(p -> !p.done).sorted(java.util.Comparator.comparing(Placed::start)).limit(most).toList();
    }

    /** Whether one waits, at once or at last, for the other, or is it. */
    public boolean waitsFor(TaskId one, TaskId other) {
        var seen = new HashSet<TaskId>();
        var todo = new ArrayList<TaskId>(List.of(one));
        while (!todo.isEmpty()) {
            var at = todo.removeLast();
            if (at.equals(other)) return true;
            if (seen.add(at)) placed(at).ifPresent(p -> todo.addAll(p.task().after()));
        }
        return false;
    }

    /** What can be done by hand now, while one thing dries: nothing it waits for is open. The soonest planned first. */
    public List<Placed> meanwhile(TaskId drying, LocalDateTime at, int most) {
        return placed.stream()
                .filter(p -> !p.done && p.task.resource() != Task.Resource.PRINTER && !p.task.id().equals(drying))
                .filter(p -> p.task.after().stream().allMatch(a -> placed(a).filter(b -> b.done && !b.ready.isAfter(at)).isPresent()))
                .sorted(Comparator.comparing(Placed::start))
                .limit(most)
                .toList();
    }

    /** What goes over a film next, and until when it may: the first window after a task that closes. */
    public Optional<Duration> openFor(TaskId film) {
        return placed.stream()
                .flatMap(p -> p.task.closed().stream())
                .filter(c -> c.after().equals(film))
                .map(c -> Duration.ofSeconds(Math.round(3600 * c.fromH())))
                .min(Comparator.naturalOrder());
    }

    /** A task that waits for a film to be through because it came too late for it while it was open. */
    public record Missed(Task task, Task film, double waitH) {
        public String words() {
            return String.format(Locale.ROOT, "%s waits %.0f h, until the film of \"%s\" is through: it cannot come before that one closes",
                    task.name(), waitH, film.name());
        }
    }

    /** Windows that could not be kept and are waited out. */
    public List<Missed> missed() {
        var out = new ArrayList<Missed>();
        for (var p : placed) {
            if (p.done) continue;
            for (var c : p.task.closed()) placed(c.after()).ifPresent(film -> {
                double gap = Duration.between(film.end, p.start).toMinutes() / 60.0;
                boolean meant = film.task.lag().leastH() >= c.fromH();
                if (gap >= c.againH() && !meant) out.add(new Missed(p.task, film.task, gap));
            });
        }
        return List.copyOf(out);
    }

    /** Checks the plan against its own tasks with nothing shared with the scheduler; returns what is broken, in words. */
    public List<String> conflicts() {
        var out = new ArrayList<String>();
        for (var p : placed) {
            if (p.done || p.start.isBefore(now)) continue; // begun is begun
            for (var id : p.task.after()) {
                var before = placed(id);
                if (before.isEmpty()) out.add(p.task.name() + " waits for " + id.text() + ", which is not planned");
                else if (p.start.isBefore(before.get().ready)) out.add(p.task.name() + " starts before " + id.text() + " is ready");
            }
            for (var c : p.task.closed()) placed(c.after()).flatMap(b -> shut(p, b, c)).ifPresent(out::add);
        }
        overlaps(out);
        hands(out);
        return out;
    }

    /** Nobody sprays and sands at once. */
    private void hands(List<String> out) {
        record Sitting(Placed of, Part part) {}
        var all = placed.stream()
                .filter(p -> !p.done && p.task.resource() != Task.Resource.PRINTER)
                .flatMap(p -> p.parts.stream().map(q -> new Sitting(p, q)))
                .sorted(Comparator.comparing(x -> x.part.from))
                .toList();
        var last = new HashMap<String, Sitting>();
        for (var b : all) {
            var a = last.put(b.of.who, b);
            if (a != null && a.part.meets(b.part)) out.add(a.of.task.name() + " and " + b.of.task.name() + " want the same hands");
        }
    }

    private static Optional<String> shut(Placed p, Placed before, Task.Closed c) {
        double gap = Duration.between(before.end, p.start).toMinutes() / 60.0;
        return c.forbids(gap) ? Optional
                .of(String.format(Locale.ROOT, "recoat window: %s comes %.0f h after %s, between %.0f and %.0f nothing may go on it",
                        p.task.name(), gap, before.task.name(), c.fromH(), c.againH()))
                : Optional.empty();
    }

    private void overlaps(List<String> out) {
        for (int i = 0; i < placed.size(); i++) for (int j = i + 1; j < placed.size(); j++) {
            var a = placed.get(i);
            var b = placed.get(j);
            if (a.done || b.done || a.task.resource() != Task.Resource.PRINTER || !a.task.printer().equals(b.task.printer())
                    || b.task.resource() != Task.Resource.PRINTER)
                continue;
            if (a.start.isBefore(b.end) && b.start.isBefore(a.end))
                out.add(a.task.name() + " and " + b.task.name() + " overlap on " + a.task.printer());
        }
    }
}
