package yellowbracket.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiPredicate;
import java.util.random.RandomGenerator;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * Serial schedule generation, what must go into a window that closes first, then what the maker wants first, then the longest remaining
 * chain: each task, when all it waits for is placed, takes the earliest time its resource allows and no film it goes over is closed. People
 * work within their hours, with a break after an hour of what tires; printers run day and night, but for their quiet hours, and are started
 * when somebody is there; spraying needs a person, the spot and an hour the weather allows, and no dust in the air. Times are whole minutes
 * after {@code now}. O(tasks x spans).
 */
public final class Scheduler {
    private final Times times;
    private final LostDays lost;

    /** For a maker alone. @param sprayable whether the weather of an hour allows what a task sprays */
    public Scheduler(LocalDateTime now, LocalDateTime due, WorkHours hours, BiPredicate<Task, LocalDateTime> sprayable) {
        this(now, due, Crew.alone(hours), sprayable, Map.of());
    }

    /** @param quiet by printer: when it must not run */
    public Scheduler(LocalDateTime now, LocalDateTime due, Crew crew, BiPredicate<Task, LocalDateTime> sprayable,
            Map<String, Quiet> quiet) {
        this(new Times(now, due, crew, sprayable, quiet), LostDays.NONE);
    }

    private Scheduler(Times times, LostDays lost) {
        this.times = times;
        this.lost = lost;
    }

    /** Whose futures lose days of spraying. */
    public Scheduler losing(LostDays days) {
        return new Scheduler(times, days);
    }

    /** @throws IllegalArgumentException if tasks wait for each other in a circle, or a task has no time long enough in any week */
    public Schedule schedule(List<Task> tasks, Map<TaskId, Actual> done) {
        return schedule(tasks, new Facts(done, Map.of(), List.of()));
    }

    /**
     * What is done; the prints under way since when; those that are to come first on their printers, in that order; what is not to begin
     * before a moment; what goes first of all that could, in that order, with all it waits for; a better order of all tasks, where one was
     * found.
     */
    public record Facts(Map<TaskId, Actual> done, Map<TaskId, LocalDateTime> running, List<TaskId> order,
            Map<TaskId, LocalDateTime> notBefore, List<TaskId> first, List<TaskId> better) {

        public Facts(Map<TaskId, Actual> done, Map<TaskId, LocalDateTime> running, List<TaskId> order) {
            this(done, running, order, Map.of(), List.of(), List.of());
        }

        public Facts withBetter(List<TaskId> all) {
            return new Facts(done, running, order, notBefore, first, all);
        }

        Facts withNotBefore(Map<TaskId, LocalDateTime> moments) {
            return new Facts(done, running, order, moments, first, better);
        }
    }

    public Schedule schedule(List<Task> tasks, Facts facts) {
        var net = new Network(tasks);
        return new Placement(net, times, facts, false).place(rank(net, facts)).schedule();
    }

    /**
     * When each task that is not done must begin at the latest: from the day backwards over waits, windows, working hours, weather and
     * quiet hours, as if nothing else wanted the same hands or printer. A minute later and the day is lost; what has no such moment is
     * left out.
     */
    public Map<TaskId, LocalDateTime> latestStarts(List<Task> tasks, Facts facts) {
        return new LatestStarts(new Network(tasks), times, facts).all();
    }

    /** When each task could begin at the earliest if nobody else wanted the same hands, printer or spot. */
    public Map<TaskId, LocalDateTime> earliestStarts(List<Task> tasks, Facts facts) {
        return aloneInTheWorld(new Network(tasks), facts).starts();
    }

    private Placement aloneInTheWorld(Network net, Facts facts) {
        return new Placement(net, times, facts, true).place(new double[net.size()]);
    }

    /**
     * No schedule is ready sooner: neither than the longest chain by itself, nor than all hands together, nor than all prints of a printer
     * one after the other.
     */
    public LocalDateTime bound(List<Task> tasks, Facts facts) {
        var net = new Network(tasks);
        int bound = aloneInTheWorld(net, facts).finish();
        var printers = new HashMap<String, Integer>();
        int byHand = 0;
        for (var t : tasks) {
            if (facts.done().containsKey(t.id()) || facts.running().containsKey(t.id())) continue;
            if (t.resource() == Task.Resource.PRINTER) printers.merge(t.printer(), Network.minutes(t), Integer::sum);
            else byHand += Network.minutesSetUp(t);
        }
        for (int sum : printers.values()) bound = Math.max(bound, sum);
        return times.now.plusMinutes(Math.max(bound, together(byHand)));
    }

    /** The first minute at which so many minutes can have been worked by all hands. */
    private int together(int minutes) {
        if (minutes == 0) return 0;
        var edges = new ArrayList<int[]>();
        for (var h : times.hands()) for (int s = 0; s < h.spans(); s++) {
            edges.add(new int[] {h.from(s), 1});
            edges.add(new int[] {h.to(s), -1});
        }
        edges.sort(java.util.Comparator.comparingInt(e -> e[0]));
        int at = 0, hands = 0;
        for (var e : edges) {
            int worked = hands * (e[0] - at);
            if (worked >= minutes) return at + (minutes + hands - 1) / hands;
            minutes -= worked;
            at = e[0];
            hands += e[1];
        }
        return at;
    }

    /** A schedule found by search, no schedule can be ready before {@code bound}; {@code order}: how to come to it again. */
    public record Better(Schedule schedule, LocalDateTime bound, Facts facts, int tried) {
        /** Hours that could at most still be won. */
        public double gapH() {
            return Math.max(0, java.time.Duration.between(bound, schedule.finish()).toMinutes() / 60.0);
        }
    }

    /** Not worse than {@link #schedule}; of up to seven tasks all orders are tried. */
    public Better better(List<Task> tasks, Facts facts, int tries, SplittableRandom random, Progress progress) {
        var net = new Network(tasks);
        var bound = bound(tasks, facts);
        var search = new OrderSearch(net, times, facts, times.minute(bound), random, progress);
        return search.best(rank(net, facts), tries, bound);
    }

    /** What the maker wants first and all it waits for, then by the order found better, else the longest remaining chain. */
    private static double[] rank(Network net, Facts facts) {
        int n = net.size();
        var out = new double[n];
        for (int i = 0; i < n; i++) out[i] = -net.tail[i];
        for (int k = 0; k < facts.better.size(); k++) {
            var i = net.index.get(facts.better.get(k));
            if (i != null) out[i] = k;
        }
        for (int k = facts.first.size() - 1; k >= 0; k--) {
            var i = net.index.get(facts.first.get(k));
            if (i != null) first(i, 10 * OrderSearch.FIRST + 1e3 * k, net, out, new boolean[n]);
        }
        return out;
    }

    private static void first(int i, double rank, Network net, double[] out, boolean[] seen) {
        if (seen[i]) return;
        seen[i] = true;
        out[i] = rank;
        for (int b : net.before[i]) first(b, rank, net, out, seen);
    }

    /** Of how hours differ from their estimates, this share of the variance is one for all that is done by hand; a starting value. */
    private static final double SHARED_BY_HAND = 0.25;
    /** The same for all prints of one printer: how it is set and how its slicer reckons. */
    private static final double SHARED_BY_PRINTER = 0.5;

    /**
     * Futures that end before the day: hours drawn about their estimates, prints lost and restarted at their printers' rates. Who is slow
     * at one thing is slow at the rest, and a printer that runs late does so with every print: slow days do not even out. Days of spraying
     * are lost to the weather; the rest is planned round them.
     */
    public Chance chance(List<Task> tasks, Facts facts, int runs, SplittableRandom random, Progress progress) {
        var seeds = random.longs(runs).toArray();
        var count = new AtomicInteger();
        int due = times.minute(times.due);
        long ready = Arrays.stream(seeds).parallel().filter(seed -> {
            progress.check();
            progress.report(count.getAndIncrement(), runs);
            return ends(tasks, facts, new SplittableRandom(seed)) <= due;
        }).count();
        return new Chance((int) ready, runs);
    }

    /** Never, where something takes so long that no time is found for it: more is not known than that the day is missed. */
    private int ends(List<Task> tasks, Facts facts, SplittableRandom random) {
        try {
            return future(tasks, facts, random).finish();
        } catch (Placement.NoTime e) {
            return Integer.MAX_VALUE;
        }
    }

    private Placement future(List<Task> tasks, Facts facts, SplittableRandom random) {
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
        var net = new Network(drawn);
        return new Placement(net, times.without(lost.drawn(LOST_WITHIN_DAYS, random)), facts, false).place(rank(net, facts));
    }

    /** Nobody plans further ahead by the weather. */
    private static final int LOST_WITHIN_DAYS = 120;

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
}
