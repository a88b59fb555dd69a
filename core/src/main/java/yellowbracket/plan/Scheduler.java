package yellowbracket.plan;

import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.function.BiPredicate;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.random.RandomGenerator;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * Serial schedule generation (Kolisch, Hartmann 1999), what must go into a window that closes first, then the longest remaining chain:
 * each task, when all it waits for is placed, takes the earliest time its resource allows and no film it goes over is closed. One person
 * within the working hours; printers run day and night, but for their quiet hours, and are started when somebody is there; spraying needs
 * the person and an hour the weather allows. Times are whole minutes after {@code now}. O(tasks x spans).
 */
public final class Scheduler {
    /** What is not done in so many days is told as never. */
    private static final int HORIZON_DAYS = 400;
    /** Starts are tried at every quarter of an hour. */
    private static final int STEP_MIN = 15;
    private static final int DAY_MIN = 24 * 60;
    /** A print under way that should be through is taken to need this much longer. */
    private static final int OVERDUE_MIN = 10;
    /** Before now, for good. */
    private static final int NEVER = Integer.MIN_VALUE / 4;

    private final LocalDateTime now;
    private final LocalDateTime due;
    private final WorkHours hours;
    private final BiPredicate<Task, LocalDateTime> sprayable;
    private final Map<String, Quiet> quiet;
    private final int[] work;

    /** @param sprayable whether the weather of an hour allows what a task sprays */
    public Scheduler(LocalDateTime now, LocalDateTime due, WorkHours hours, BiPredicate<Task, LocalDateTime> sprayable) {
        this(now, due, hours, sprayable, Map.of());
    }

    /** @param quiet by printer: when it must not run */
    public Scheduler(LocalDateTime now, LocalDateTime due, WorkHours hours, BiPredicate<Task, LocalDateTime> sprayable,
            Map<String, Quiet> quiet) {
        this.quiet = Map.copyOf(quiet);
        this.now = now;
        this.due = due;
        this.hours = hours;
        this.sprayable = sprayable;
        work = hours.minutes(now, HORIZON_DAYS);
    }

    /** @throws IllegalArgumentException if tasks wait for each other in a circle, or a task has no time long enough in any week */
    public Schedule schedule(List<Task> tasks, Map<TaskId, Actual> done) {
        return schedule(tasks, new Facts(done, Map.of(), List.of()));
    }

    /** What is done, the prints under way since when, and those that are to come first on their printers, in that order, by task id. */
    public record Facts(Map<TaskId, Actual> done, Map<TaskId, LocalDateTime> running, List<TaskId> order) {}

    public Schedule schedule(List<Task> tasks, Facts facts) {
        return new Run(tasks, facts, work).place();
    }

    /**
     * When each task that is not done must begin at the latest: from the day backwards over waits, windows, working hours, weather and
     * quiet hours, as if nothing else wanted the same hands or printer. A minute later and the day is lost; what has no such moment is
     * left out.
     */
    public Map<TaskId, LocalDateTime> latestStarts(List<Task> tasks, Facts facts) {
        return new Run(tasks, facts, work).latest();
    }

    /** Of how hours differ from their estimates, this share of the variance is one for all that is done by hand; a starting value. */
    private static final double SHARED_BY_HAND = 0.25;
    /** The same for all prints of one printer: how it is set and how its slicer reckons. */
    private static final double SHARED_BY_PRINTER = 0.5;

    /**
     * Futures that end before the day: hours drawn about their estimates, prints lost and restarted at their printers' rates. Who is slow
     * at one thing is slow at the rest, and a printer that runs late does so with every print: slow days do not even out.
     */
    public Chance chance(List<Task> tasks, Facts facts, int runs, SplittableRandom random, Progress progress) {
        var seeds = random.longs(runs).toArray();
        var count = new AtomicInteger();
        long ready = Arrays.stream(seeds).parallel().filter(seed -> {
            progress.check();
            progress.report(count.getAndIncrement(), runs);
            return future(tasks, facts, new SplittableRandom(seed)).slackH() >= 0;
        }).count();
        return new Chance((int) ready, runs);
    }

    private Schedule future(List<Task> tasks, Facts facts, SplittableRandom random) {
        double hands = random.nextGaussian();
        var printers = new HashMap<String, Double>();
        var drawn = new ArrayList<Task>(tasks.size());
        for (var t : tasks) {
            boolean prints = t.resource() == Task.Resource.PRINTER;
            double shared = prints ? SHARED_BY_PRINTER : SHARED_BY_HAND;
            double common = prints ? printers.computeIfAbsent(t.printer(), p -> random.nextGaussian()) : hands;
            double z = Math.sqrt(shared) * common + Math.sqrt(1 - shared) * random.nextGaussian();
            drawn.add(t.lasting(drawn(t, z, random)));
        }
        return new Run(drawn, facts, work).place();
    }

    /** @param z of the standard normal distribution */
    private static double drawn(Task t, double z, RandomGenerator random) {
        double spread = t.effort().spread(), one = t.activeH() * Math.exp(spread * z - spread * spread / 2);
        if (t.resource() != Task.Resource.PRINTER || t.doer().failuresPerHour() <= 0) return one;
        double sum = 0;
        for (int attempt = 0; attempt < 20; attempt++) {
            double fails = -Math.log(1 - random.nextDouble()) / t.doer().failuresPerHour();
            if (fails >= one) return sum + one;
            sum += fails;
        }
        return sum + one;
    }

    private final class Run {
        private final List<Task> tasks;
        private final Map<TaskId, Integer> index = new HashMap<>();
        private final Map<TaskId, Actual> done;
        private final int[][] before;
        private final double[] tail;
        private final int[] start;
        private final int[] end;
        private final int[] ready;
        /** Whose end is known: a window after any other says nothing yet. */
        private final boolean[] ended;
        private int[] free;
        private int spans;
        private final Map<String, Integer> printerFree = new HashMap<>();
        private final Map<TaskId, LocalDateTime> running;
        /** Which print on the same printer must be placed before this one, or -1. */
        private final int[] follows;
        /** Whether something waits for it: its own wait is then counted there. */
        private final boolean[] follower;
        /** Which wait for each to be placed, and which must go into a window after it. */
        private final List<List<Integer>> then = new ArrayList<>(), into = new ArrayList<>();
        /** Sittings of what may be left and taken up again. */
        private final List<List<int[]>> parts = new ArrayList<>();

        Run(List<Task> tasks, Facts facts, int[] work) {
            this.tasks = tasks;
            done = facts.done();
            running = facts.running();
            for (int i = 0; i < tasks.size(); i++) index.put(tasks.get(i).id(), i);
            before = tasks.stream()
                    .map(t -> t.after().stream().filter(index::containsKey).mapToInt(index::get).toArray())
                    .toArray(int[][]::new);
            tail = new double[tasks.size()];
            follower = new boolean[tasks.size()];
            start = new int[tasks.size()];
            end = new int[tasks.size()];
            ended = new boolean[tasks.size()];
            ready = new int[tasks.size()];
            free = Arrays.copyOf(work, work.length + 4 * tasks.size() + 64);
            spans = work.length / 2;
            follows = follows(facts.order());
            for (int i = 0; i < tasks.size(); i++) {
                then.add(new ArrayList<>(2));
                into.add(new ArrayList<>(0));
                parts.add(new ArrayList<>(0));
            }
        }

        Schedule place() {
            for (int i : topological()) tail[i] += tasks.get(i).activeH() + tasks.get(i).lag().leastH();
            int n = tasks.size();
            var waiting = new int[n];
            for (int i = 0; i < n; i++) {
                waiting[i] = before[i].length + (follows[i] >= 0 ? 1 : 0);
                for (int b : before[i]) then.get(b).add(i);
                if (follows[i] >= 0) then.get(follows[i]).add(i);
            }
            // what closes soon goes first, then the longest chain
            var next = new PriorityQueue<Integer>(
                    Comparator.comparingInt(this::closes).thenComparingDouble(i -> -tail[i]).thenComparingInt(i -> i));
            for (int i = 0; i < n; i++) if (waiting[i] == 0) next.add(i);
            for (int count = 0; count < n; count++) {
                int i = next.remove();
                put(i);
                for (int f : then.get(i)) if (--waiting[f] == 0) next.add(f);
            }
            var out = new ArrayList<Schedule.Placed>();
            for (int i = 0; i < n; i++) out.add(new Schedule.Placed(tasks.get(i), now.plusMinutes(start[i]), now.plusMinutes(end[i]),
                    now.plusMinutes(ready[i]), done.containsKey(tasks.get(i).id()), parts(i)));
            return new Schedule(now, due, List.copyOf(out));
        }

        private Map<TaskId, LocalDateTime> latest() {
            int n = tasks.size();
            var late = new int[n];
            var last = new int[n];
            Arrays.fill(late, (int) ChronoUnit.MINUTES.between(now, due));
            var out = new HashMap<TaskId, LocalDateTime>();
            for (int i = 0; i < n; i++) if (done.containsKey(tasks.get(i).id())) fact(i, done.get(tasks.get(i).id()));
            for (int i : topological()) {
                var t = tasks.get(i);
                if (done.containsKey(t.id())) continue;
                int ends = late[i] - (follower[i] ? 0 : (int) Math.round(60 * t.lag().leastH()));
                int minutes = (int) Math.round(60 * t.activeH());
                int at = running.containsKey(t.id()) ? NEVER : latest(t, ends, minutes);
                while (at >= 0 && !inTime(i, at, last)) at = latest(t, --ends, minutes);
                last[i] = at;
                if (at >= 0) out.put(t.id(), now.plusMinutes(at));
                for (var c : t.closed()) if (index.containsKey(c.after())) into.get(index.get(c.after())).add(i);
                for (int b : before[i]) {
                    late[b] = Math.min(late[b], at - lead(b, i, 60 * tasks.get(b).lag().leastH()));
                    follower[b] = true;
                }
                for (var c : t.closed()) {
                    var k = index.get(c.after());
                    if (k != null) late[k] = Math.min(late[k], at - lead(k, i, between(k, i)));
                }
            }
            return out;
        }

        /** Minutes from the end of one to the start of another: no fewer than wanted, and outside of what is closed. */
        private int lead(int of, int to, double least) {
            double lead = least;
            for (var c : tasks.get(to).closed())
                if (c.after().equals(tasks.get(of).id()) && lead > 60 * c.fromH()) lead = Math.max(lead, 60 * c.againH());
            return (int) Math.round(lead);
        }

        /** Minutes that the longest chain between two takes, its waits included; the one comes before the other. */
        private double between(int from, int to) {
            double most = Double.NEGATIVE_INFINITY;
            for (int b : before[to]) {
                double lag = 60 * tasks.get(b).lag().leastH();
                most = Math.max(most, b == from ? lag : between(from, b) + 60 * tasks.get(b).activeH() + lag);
            }
            return most;
        }

        /**
         * Whether it may begin then, and what must go into a window after it still begins in time: it may end just when nobody can go on
         * before the film closes.
         */
        private boolean inTime(int i, int at, int[] last) {
            if (whenOpen(i, at) > at) return false;
            if (into.get(i).isEmpty()) return true;
            probe(i, at);
            int until = end[i];
            ended[i] = true;
            boolean inTime = true;
            for (int s : into.get(i)) {
                probe(s, whenOpen(s, until + (int) Math.round(between(i, s))));
                inTime &= start[s] <= last[s];
            }
            ended[i] = false;
            return inTime;
        }

        /** Start and end of a task as if it were placed; hands and printers stay free. */
        private void probe(int i, int from) {
            var hands = free.clone();
            int kept = spans;
            var printers = new HashMap<>(printerFree);
            place(i, from);
            free = hands;
            spans = kept;
            printerFree.clear();
            printerFree.putAll(printers);
        }

        /** The last minute at which it can begin to end in time, before now if there is none. */
        private int latest(Task t, int ends, int minutes) {
            return switch (t.resource()) {
                case PERSON -> t.doer().splits() ? lastSplit(ends, minutes) : lastWhole(ends, minutes);
                case SPRAY -> lastSpray(t, ends, minutes);
                case PRINTER -> lastPrint(t.printer(), ends, minutes);
            };
        }

        private int lastSplit(int ends, int minutes) {
            int left = Math.max(1, minutes);
            for (int s = spans - 1; s >= 0; s--) {
                int to = Math.min(free[2 * s + 1], ends);
                if (to <= free[2 * s]) continue;
                if (to - free[2 * s] >= left) return to - left + (minutes == 0 ? 1 : 0);
                left -= to - free[2 * s];
            }
            return NEVER;
        }

        private int lastWhole(int ends, int minutes) {
            for (int s = spans - 1; s >= 0; s--) {
                int to = Math.min(free[2 * s + 1], ends);
                if (to - free[2 * s] >= Math.max(1, minutes)) return to - minutes;
            }
            return NEVER;
        }

        private int lastSpray(Task t, int ends, int minutes) {
            for (int s = spans - 1; s >= 0; s--) {
                int at = Math.min(free[2 * s + 1], ends) - minutes;
                for (at -= Math.floorMod(at, STEP_MIN); at >= free[2 * s]; at -= STEP_MIN) if (fit(t, at, at + minutes)) return at;
            }
            return NEVER;
        }

        private int lastPrint(String printer, int ends, int minutes) {
            for (int at = ends - minutes; at >= 0; at--)
                if (loud(printer, awake(at)) == at && through(printer, at, minutes) <= ends) return at;
            return NEVER;
        }

        private List<Schedule.Part> parts(int i) {
            if (parts.get(i).isEmpty()) return List.of(new Schedule.Part(now.plusMinutes(start[i]), now.plusMinutes(end[i])));
            return parts.get(i).stream().map(p -> new Schedule.Part(now.plusMinutes(p[0]), now.plusMinutes(p[1]))).toList();
        }

        /** When the first window of those it must go into closes; all it waits for is placed. */
        private int closes(int i) {
            int first = Integer.MAX_VALUE;
            for (var c : tasks.get(i).closed()) {
                var k = index.get(c.after());
                if (k != null && ended[k]) first = Math.min(first, end[k] + (int) Math.floor(60 * c.fromH()));
            }
            return first;
        }

        /** The first minute from {@code at} on at which no film it goes over is closed. */
        private int whenOpen(int i, int at) {
            for (boolean moved = true; moved;) {
                moved = false;
                for (var c : tasks.get(i).closed()) {
                    var k = index.get(c.after());
                    if (k == null || !ended[k] || !c.forbids((at - end[k]) / 60.0)) continue;
                    at = end[k] + (int) Math.ceil(60 * c.againH());
                    moved = true;
                }
            }
            return at;
        }

        /** Prints under way come first on their printer, then those named in order, then the others as their tails want. */
        private int[] follows(List<TaskId> order) {
            var out = new int[tasks.size()];
            Arrays.fill(out, -1);
            var last = new HashMap<String, Integer>();
            var queue = new ArrayList<Integer>();
            for (int i = 0; i < out.length; i++) if (open(i) && running.containsKey(tasks.get(i).id())) queue.add(i);
            for (var id : order) {
                var i = index.get(id);
                if (i != null && open(i) && !queue.contains(i)) queue.add(i);
            }
            for (int i : queue) {
                var before = last.put(tasks.get(i).printer(), i);
                if (before != null) out[i] = before;
            }
            for (int i = 0; i < out.length; i++) if (open(i) && !queue.contains(i)) out[i] = last.getOrDefault(tasks.get(i).printer(), -1);
            return out;
        }

        private boolean open(int i) {
            return tasks.get(i).resource() == Task.Resource.PRINTER && !done.containsKey(tasks.get(i).id());
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
                double behind = tail[i] + tasks.get(i).activeH() + tasks.get(i).lag().leastH();
                for (int b : before[i]) {
                    tail[b] = Math.max(tail[b], behind);
                    if (--waiting[b] == 0) order[count++] = b;
                }
            }
            if (count < n) throw new IllegalArgumentException("tasks wait for each other in a circle");
            return order;
        }

        private void put(int i) {
            var t = tasks.get(i);
            var fact = done.get(t.id());
            ended[i] = true;
            if (fact != null) {
                fact(i, fact);
                ready[i] = end[i] + (int) Math.round(60 * t.lag().leastH());
                return;
            }
            int from = 0;
            for (int b : before[i]) from = Math.max(from, ready[b]);
            place(i, whenOpen(i, from));
            ready[i] = end[i] + (int) Math.round(60 * t.lag().leastH());
        }

        private void fact(int i, Actual done) {
            end[i] = (int) ChronoUnit.MINUTES.between(now, done.end());
            start[i] = end[i] - (int) Math.round(60 * done.hours());
            ended[i] = true;
        }

        private void place(int i, int from) {
            var t = tasks.get(i);
            int minutes = (int) Math.round(60 * t.activeH());
            switch (t.resource()) {
                case PRINTER -> print(i, t, from, minutes);
                case SPRAY -> spray(i, from, minutes);
                case PERSON -> work(i, t, from, minutes);
            }
        }

        private void print(int i, Task t, int from, int minutes) {
            var since = running.get(t.id());
            int at = since != null ? (int) ChronoUnit.MINUTES.between(now, since)
                    : loud(t.printer(), awake(Math.max(from, printerFree.getOrDefault(t.printer(), 0))));
            start[i] = at;
            end[i] = since == null ? through(t.printer(), at, minutes) : Math.max(through(t.printer(), at, minutes), OVERDUE_MIN);
            printerFree.put(t.printer(), awake(end[i]) + 20); // somebody takes it off and starts the next
        }

        private int awake(int minute) {
            var at = now.plusMinutes(minute);
            return minute + (int) ChronoUnit.MINUTES.between(at, hours.present(at));
        }

        /** When a printer may be heard and somebody is there to start it. */
        private int loud(String printer, int minute) {
            var q = quiet.get(printer);
            for (int tries = 0; q != null && tries < 60 && q.holds(now.plusMinutes(minute).toLocalTime()); tries++)
                minute = awake(minute + untilLoud(q, minute));
            return minute;
        }

        private int untilLoud(Quiet q, int minute) {
            var t = now.plusMinutes(minute).toLocalTime();
            return Math.floorMod((int) ChronoUnit.MINUTES.between(t, q.to()), DAY_MIN);
        }

        /** When {@code minutes} of printing from {@code at} on are through, the pauses of quiet hours between. */
        private int through(String printer, int at, int minutes) {
            var q = quiet.get(printer);
            if (q == null) return at + minutes;
            for (int left = minutes; left > 0;) {
                var t = now.plusMinutes(at).toLocalTime();
                if (q.holds(t)) {
                    at += Math.max(1, untilLoud(q, at));
                    continue;
                }
                int run = Math.min(left, Math.max(1, Math.floorMod((int) ChronoUnit.MINUTES.between(t, q.from()), DAY_MIN)));
                at += run;
                left -= run;
            }
            return at;
        }

        /**
         * Takes the person's time from {@code from} on; a task that does not split takes the first span that holds it, or starts one that
         * is the longest.
         */
        private void work(int i, Task t, int from, int minutes) {
            int s = 0;
            while (s < spans && free[2 * s + 1] <= from) s++;
            int first = s < spans ? Math.max(from, free[2 * s]) : from;
            if (whenOpen(i, first) > first) {
                work(i, t, whenOpen(i, first), minutes);
                return;
            }
            if (!t.doer().splits()) {
                while (s < spans && free[2 * s + 1] - Math.max(from, free[2 * s]) < minutes) s++;
                if (s == spans) throw new IllegalArgumentException(
                        t.name() + " needs " + minutes / 60 + " hours on end, more than any working day has");
                start[i] = Math.max(from, free[2 * s]);
                if (whenOpen(i, start[i]) > start[i]) {
                    work(i, t, whenOpen(i, start[i]), minutes);
                    return;
                }
                end[i] = start[i] + minutes;
                take(s, start[i], end[i]);
                return;
            }
            start[i] = s < spans ? Math.max(from, free[2 * s]) : from;
            end[i] = start[i];
            parts.get(i).clear();
            int left = minutes;
            while (left > 0) {
                if (s >= spans) throw new IllegalArgumentException(t.name() + " finds no working hours left: give the week more hours");
                int a = Math.max(from, free[2 * s]), b = Math.min(free[2 * s + 1], a + left);
                if (b > a) {
                    left -= b - a;
                    end[i] = b;
                    parts.get(i).add(new int[] {a, b});
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
                    if (whenOpen(i, at) > at || !fit(tasks.get(i), at, at + minutes)) continue;
                    start[i] = at;
                    end[i] = at + minutes;
                    take(s, at, end[i]);
                    return;
                }
            }
            throw new IllegalArgumentException(
                    tasks.get(i).name() + " finds no hour fit for spraying: work indoors with a booth or allow daytime hours");
        }

        /** In every hour from one minute to another. */
        private boolean fit(Task task, int from, int to) {
            for (int m = from; m < to; m += 60) if (!sprayable.test(task, now.plusMinutes(m))) return false;
            return sprayable.test(task, now.plusMinutes(to));
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
