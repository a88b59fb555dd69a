package yellowbracket.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import yellowbracket.mesh.Progress;
import yellowbracket.work.TaskId;

/**
 * Better orders of the tasks: one is moved before another, and what is not worse is kept; what missed its window is tried with the film
 * beneath put on later. Of a few tasks all orders are tried. What the maker wants first stays first. Single use.
 */
final class OrderSearch {
    /** So many tasks have few enough orders to try them all. */
    private static final int ALL_ORDERS = 7;
    /** What is wished for first is ranked below. */
    static final double FIRST = -1e8;

    private final Network net;
    private final Times times;
    private final Scheduler.Facts facts;
    private final int bound;
    private final SplittableRandom random;
    private final Progress progress;
    private int[] order;
    private Map<TaskId, LocalDateTime> notBefore;
    private Placement best;
    private int tried;
    /** How many the maker wants first. */
    private int fixed;

    OrderSearch(Network net, Times times, Scheduler.Facts facts, int bound, SplittableRandom random, Progress progress) {
        this.net = net;
        this.times = times;
        this.facts = facts;
        this.bound = bound;
        this.random = random;
        this.progress = progress;
        notBefore = facts.notBefore();
    }

    Scheduler.Better best(double[] rank, int tries, LocalDateTime told) {
        order = IntStream.range(0, net.size()).boxed().sorted(Comparator.comparingDouble(i -> rank[i])).mapToInt(i -> i).toArray();
        best = placed(rank, notBefore);
        fixed = (int) Arrays.stream(rank).filter(r -> r <= FIRST).count();
        var free = IntStream.range(0, net.size())
                .filter(i -> rank[i] > FIRST && !facts.done().containsKey(net.tasks.get(i).id()))
                .toArray();
        if (free.length > 1 && free.length <= ALL_ORDERS) all(free, 0);
        else if (free.length > 1) while (tried < tries && best.finish() > bound) {
            progress.check();
            progress.report(tried, tries);
            move(free);
        }
        if (free.length > 1) nights(free);
        return new Scheduler.Better(best.schedule(), told, facts.withNotBefore(notBefore).withBetter(ids(order)), tried);
    }

    private List<TaskId> ids(int[] of) {
        return Arrays.stream(of).mapToObj(i -> net.tasks.get(i).id()).toList();
    }

    private Placement placed(double[] rank, Map<TaskId, LocalDateTime> moments) {
        tried++;
        return new Placement(net, times, facts.withNotBefore(moments), false).place(rank);
    }

    private double[] ranks(int[] of) {
        var out = new double[of.length];
        for (int k = 0; k < of.length; k++) out[of[k]] = k;
        return out;
    }

    private void all(int[] free, int at) {
        if (best.finish() <= bound) return;
        if (at == free.length) {
            var next = order.clone();
            int k = 0;
            for (int j = 0; j < next.length; j++) {
                int of = next[j];
                if (Arrays.stream(free).anyMatch(f -> f == of)) next[j] = free[k++];
            }
            if (keep(next, notBefore)) later();
            return;
        }
        for (int j = at; j < free.length; j++) {
            var turned = free.clone();
            turned[at] = free[j];
            System.arraycopy(free, at, turned, at + 1, j - at);
            all(turned, at + 1);
        }
    }

    private void move(int[] free) {
        if (random.nextInt(4) == 0 && later()) return;
        int what = free[random.nextInt(free.length)], to = fixed + random.nextInt(order.length - fixed);
        var next = new ArrayList<>(Arrays.stream(order).boxed().toList());
        next.remove(Integer.valueOf(what));
        next.add(Math.min(to, next.size()), what);
        keep(next.stream().mapToInt(i -> i).toArray(), notBefore);
    }

    /** What hardens for long is done last on its day where nothing else is later for it: it hardens while nobody works. */
    private void nights(int[] free) {
        for (int i : free) {
            progress.check();
            if (!LongCures.hardens(net.tasks.get(i)) || times.worked(best.end[i], best.ready[i]) == 0) continue;
            int day = day(best.start[i]), last = i;
            for (int j : free) if (day(best.start[j]) == day && best.start[j] > best.start[last]) last = j;
            if (last == i) continue;
            var moments = new HashMap<>(notBefore);
            moments.put(net.tasks.get(i).id(), times.now.plusMinutes(best.end[last]));
            int before = hardening(best);
            var now = best;
            var was = notBefore;
            if (keep(order, moments) && hardening(best) >= before) {
                best = now;
                notBefore = was;
            }
        }
    }

    private int day(int minute) {
        return (int) times.now.plusMinutes(minute).toLocalDate().toEpochDay();
    }

    /** Working minutes in which something hardens for long. */
    private int hardening(Placement p) {
        int sum = 0;
        for (int i = 0; i < net.size(); i++) if (LongCures.hardens(net.tasks.get(i))) sum += times.worked(p.end[i], p.ready[i]);
        return sum;
    }

    /** Whether it is not worse, and then it is taken. */
    private boolean keep(int[] next, Map<TaskId, LocalDateTime> moments) {
        var p = placed(ranks(next), moments);
        if (p.finish() > best.finish() || p.finish() == best.finish() && sum(p) > sum(best)) return false;
        best = p;
        order = next;
        notBefore = moments;
        return true;
    }

    /** When each can be gone on from: what is dry at midnight is no sooner than what is dry in the morning. */
    private long sum(Placement p) {
        return Arrays.stream(p.ready).mapToLong(times::working).sum();
    }

    /** Something waits out a film that has closed: put on so much later, it would still be open. Whether that helped. */
    private boolean later() {
        for (int i = 0; i < net.size(); i++) {
            int wanted = 0;
            for (int b : net.before[i]) wanted = Math.max(wanted, best.ready[b]);
            for (var c : net.tasks.get(i).closed()) {
                var k = net.index.get(c.after());
                if (k == null || facts.done().containsKey(net.tasks.get(k).id())) continue;
                int missed = wanted - best.end[k] - (int) Math.floor(60 * c.fromH());
                if (missed <= 0 || best.start[i] < best.end[k] + 60 * c.againH()) continue;
                var moments = new HashMap<>(notBefore);
                moments.put(net.tasks.get(k).id(), times.now.plusMinutes(best.start[k] + missed));
                if (keep(order, moments)) return true;
            }
        }
        return false;
    }
}
