package yellowbracket.plan;

import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.random.RandomGenerator;
import yellowbracket.mesh.Progress;

/**
 * Serial schedule generation (Kolisch, Hartmann 1999) with the longest remaining chain first: each task, when all it waits for is placed, takes the earliest
 * time its resource allows. One person within the working hours; printers run day and night but are started when somebody is up; spraying needs the
 * person and an hour the weather allows. Times are whole minutes after {@code now}. O(tasks x spans).
 */
public final class Scheduler {
    private static final int HORIZON_DAYS = 400;
    private static final int STEP_MIN = 15;

    private final LocalDateTime now;
    private final LocalDateTime due;
    private final WorkHours hours;
    private final Predicate<LocalDateTime> sprayable;
    private final int[] work;

    /** @param sprayable whether the weather of an hour allows spraying */
    public Scheduler(LocalDateTime now, LocalDateTime due, WorkHours hours, Predicate<LocalDateTime> sprayable) {
        this.now = now;
        this.due = due;
        this.hours = hours;
        this.sprayable = sprayable;
        work = hours.minutes(now, HORIZON_DAYS);
    }

    /** @throws IllegalArgumentException if tasks wait for each other in a ring, or a task has no time long enough in any week */
    public Schedule schedule(List<Task> tasks, Map<String, Actual> done) {
        return new Run(tasks, done, work).place();
    }

    /** Share of simulated futures that end before the day: hours drawn about their estimates, prints lost and restarted at their printers' rates. */
    public double chance(List<Task> tasks, Map<String, Actual> done, int runs, RandomGenerator random, Progress progress) {
        int ready = 0;
        for (int i = 0; i < runs; i++) {
            progress.check();
            progress.report(i, runs);
            var drawn = tasks.stream().map(t -> t.withActive(draw(t, random))).toList();
            if (new Run(drawn, done, work).place().slackH() >= 0) ready++;
        }
        return (double) ready / runs;
    }

    private static double draw(Task t, RandomGenerator random) {
        double one = t.activeH() * Math.exp(t.spread() * random.nextGaussian() - t.spread() * t.spread() / 2);
        if (t.resource() != Task.Resource.PRINTER || t.failuresPerHour() <= 0) return one;
        double sum = 0;
        for (int attempt = 0; attempt < 20; attempt++) {
            double fails = -Math.log(1 - random.nextDouble()) / t.failuresPerHour();
            if (fails >= one) return sum + one;
            sum += fails;
        }
        return sum + one;
    }

    private final class Run {
        private final List<Task> tasks;
        private final Map<String, Integer> index = new HashMap<>();
        private final Map<String, Actual> done;
        private final int[][] before;
        private final double[] tail;
        private final int[] start;
        private final int[] end;
        private final int[] ready;
        private int[] free;
        private int spans;
        private final Map<String, Integer> printerFree = new HashMap<>();

        Run(List<Task> tasks, Map<String, Actual> done, int[] work) {
            this.tasks = tasks;
            this.done = done;
            for (int i = 0; i < tasks.size(); i++) index.put(tasks.get(i).id(), i);
            before = tasks.stream().map(t -> t.after().stream().filter(index::containsKey).mapToInt(index::get).toArray()).toArray(int[][]::new);
            tail = new double[tasks.size()];
            start = new int[tasks.size()];
            end = new int[tasks.size()];
            ready = new int[tasks.size()];
            free = Arrays.copyOf(work, work.length + 4 * tasks.size() + 64);
            spans = work.length / 2;
        }

        Schedule place() {
            for (int i : topological()) tail[i] += tasks.get(i).activeH() + tasks.get(i).waitH();
            var placed = new boolean[tasks.size()];
            for (int n = 0; n < tasks.size(); n++) {
                int next = -1;
                for (int i = 0; i < placed.length; i++) {
                    if (placed[i] || next >= 0 && tail[i] <= tail[next] || !Arrays.stream(before[i]).allMatch(b -> placed[b])) continue;
                    next = i;
                }
                put(next);
                placed[next] = true;
            }
            var out = new ArrayList<Schedule.Placed>();
            for (int i = 0; i < placed.length; i++)
                out.add(new Schedule.Placed(tasks.get(i), now.plusMinutes(start[i]), now.plusMinutes(end[i]), now.plusMinutes(ready[i]), done.containsKey(tasks.get(i).id())));
            return new Schedule(now, due, List.copyOf(out));
        }

        /** From the last to the first, so that each task's tail holds the longest chain behind it. */
        private int[] topological() {
            int n = tasks.size();
            var waiting = new int[n];
            for (var b : before) for (int i : b) waiting[i]++;
            var order = new int[n];
            int head = 0, count = 0;
            for (int i = 0; i < n; i++) if (waiting[i] == 0) order[count++] = i;
            while (head < count) {
                int i = order[head++];
                double behind = tail[i] + tasks.get(i).activeH() + tasks.get(i).waitH();
                for (int b : before[i]) {
                    tail[b] = Math.max(tail[b], behind);
                    if (--waiting[b] == 0) order[count++] = b;
                }
            }
            if (count < n) throw new IllegalArgumentException("tasks wait for each other in a ring");
            return order;
        }

        private void put(int i) {
            var t = tasks.get(i);
            var fact = done.get(t.id());
            if (fact != null) {
                end[i] = (int) ChronoUnit.MINUTES.between(now, fact.end());
                start[i] = end[i] - (int) Math.round(60 * fact.hours());
                ready[i] = end[i] + (int) Math.round(60 * t.waitH());
                return;
            }
            int from = 0;
            for (int b : before[i]) from = Math.max(from, ready[b]);
            int minutes = (int) Math.round(60 * t.activeH());
            switch (t.resource()) {
                case PRINTER -> print(i, t, from, minutes);
                case SPRAY -> spray(i, from, minutes);
                case PERSON -> work(i, t, from, minutes);
            }
            ready[i] = end[i] + (int) Math.round(60 * t.waitH());
        }

        private void print(int i, Task t, int from, int minutes) {
            int at = awake(Math.max(from, printerFree.getOrDefault(t.printer(), 0)));
            start[i] = at;
            end[i] = at + minutes;
            printerFree.put(t.printer(), awake(end[i]) + 20); // somebody takes it off and starts the next
        }

        private int awake(int minute) {
            var at = now.plusMinutes(minute);
            if (at.toLocalTime().isBefore(hours.printFrom())) return minute + (int) ChronoUnit.MINUTES.between(at.toLocalTime(), hours.printFrom());
            if (at.toLocalTime().isAfter(hours.printTo())) return minute + (int) ChronoUnit.MINUTES.between(at, at.toLocalDate().plusDays(1).atTime(hours.printFrom()));
            return minute;
        }

        /** Takes the person's time from {@code from} on; a task that does not split takes the first span that holds it, or starts one that is the longest. */
        private void work(int i, Task t, int from, int minutes) {
            int s = 0;
            while (s < spans && free[2 * s + 1] <= from) s++;
            if (!t.splits()) {
                while (s < spans && free[2 * s + 1] - Math.max(from, free[2 * s]) < minutes) s++;
                if (s == spans) throw new IllegalArgumentException(t.name() + " needs " + minutes / 60 + " hours on end, more than any working day has");
                start[i] = Math.max(from, free[2 * s]);
                end[i] = start[i] + minutes;
                take(s, start[i], end[i]);
                return;
            }
            start[i] = s < spans ? Math.max(from, free[2 * s]) : from;
            end[i] = start[i];
            int left = minutes;
            while (left > 0) {
                if (s >= spans) throw new IllegalArgumentException(t.name() + " finds no working hours left: give the week more hours");
                int a = Math.max(from, free[2 * s]), b = Math.min(free[2 * s + 1], a + left);
                if (b > a) {
                    left -= b - a;
                    end[i] = b;
                    int before = spans;
                    take(s, a, b);
                    if (spans < before) continue;
                }
                s++;
            }
        }

        private void spray(int i, int from, int minutes) {
            for (int s = 0; s < spans; s++) {
                if (free[2 * s + 1] <= from) continue;
                int at = Math.max(from, free[2 * s]);
                at += Math.floorMod(-at, STEP_MIN);
                for (; at + minutes <= free[2 * s + 1]; at += STEP_MIN) {
                    if (!sprayable.test(now.plusMinutes(at)) || !sprayable.test(now.plusMinutes(at + minutes))) continue;
                    start[i] = at;
                    end[i] = at + minutes;
                    take(s, at, end[i]);
                    return;
                }
            }
            throw new IllegalArgumentException(tasks.get(i).name() + " finds no hour fit for spraying: work indoors with a booth or allow daytime hours");
        }

        /** Removes [a, b) from span s: it shrinks, splits, or goes. */
        private void take(int s, int a, int b) {
            int lo = free[2 * s], hi = free[2 * s + 1];
            if (a > lo && b < hi) {
                if (2 * spans + 2 > free.length) free = Arrays.copyOf(free, 2 * free.length);
                System.arraycopy(free, 2 * s + 2, free, 2 * s + 4, 2 * (spans - s - 1));
                free[2 * s + 1] = a;
                free[2 * s + 2] = b;
                free[2 * s + 3] = hi;
                spans++;
            } else if (a > lo) free[2 * s + 1] = a;
            else if (b < hi) free[2 * s] = b;
            else {
                System.arraycopy(free, 2 * s + 2, free, 2 * s, 2 * (spans - s - 1));
                spans--;
            }
        }
    }
}
