package yellowbracket.colour.order;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The best order of painting. Masks depend only on which zones are painted already, not on their order, so work and tape are found exactly
 * by a dynamic programme over sets of zones (as Held and Karp, 1962, for tours), to {@link #EXACT} zones. For the soonest end a set is
 * reached at different times with different zones still drying: labels none of which is beaten are kept. Beyond, single moves until none
 * helps, told as not proven.
 */
public final class PaintOrder {
    /** 2^14 sets of 14 jobs take a tenth of a second. */
    private static final int EXACT = 14;
    /** The same with labels, of which so many are kept in all sets together; eight zones need some tens a set. */
    private static final int EXACT_SOONEST = 12, MOST_LABELS = 120_000;
    /** Between what costs the same: tape, then dark before light. */
    private static final double TAPE_TIE = 1e-4, DARK_TIE = 1e-6;

    private final Jobs jobs;
    private final Aim aim;
    private final int n;

    private PaintOrder(Jobs jobs, Aim aim) {
        this.jobs = jobs;
        this.aim = aim;
        n = jobs.size();
    }

    public static Ordered best(Jobs jobs, Aim aim) {
        return new PaintOrder(jobs, aim).run();
    }

    /** The maker's own order, each zone by what costs less for the aim. @throws IllegalArgumentException unless each job is in it once */
    public static Ordered priced(Jobs jobs, List<Integer> order, Aim aim) {
        if (order.size() != jobs.size() || order.stream().distinct().count() != order.size()
                || order.stream().anyMatch(i -> i < 0 || i >= jobs.size()))
            throw new IllegalArgumentException("an order holds each of the " + jobs.size() + " zones once");
        return new PaintOrder(jobs, aim).walk(order, null).unproven();
    }

    private Ordered run() {
        if (n == 0) return new Ordered(List.of(), 0, 0, 0, 0, true);
        if (n > (aim == Aim.SOONEST ? EXACT_SOONEST : EXACT)) return moved();
        return aim == Aim.SOONEST ? soonest() : additive();
    }

    /** What it costs for the aim to do a job when these are done; by brush or not. */
    private double cost(int done, int i, boolean brush) {
        double hand = brush ? jobs.job(i).brushMin() : jobs.job(i).sprayMin();
        if (hand == Double.POSITIVE_INFINITY) return hand;
        double tape = 0, minutes = hand, ties = 0;
        for (int j = 0; j < n; j++) {
            if ((done >> j & 1) == 0) continue;
            if (jobs.job(j).lightness() < jobs.job(i).lightness()) ties += DARK_TIE;
            if (brush) continue;
            var mask = jobs.mask(i, j);
            tape += mask.tapeM();
            minutes += mask.minutes();
        }
        return (aim == Aim.LEAST_TAPE ? 1e4 * tape + minutes : minutes + TAPE_TIE * tape) + ties;
    }

    private Ordered additive() {
        int all = 1 << n;
        var best = new double[all];
        var last = new byte[all];
        Arrays.fill(best, Double.POSITIVE_INFINITY);
        best[0] = 0;
        for (int done = 0; done < all - 1; done++) for (int i = 0; i < n; i++) {
            if ((done >> i & 1) != 0) continue;
            double c = best[done] + Math.min(cost(done, i, false), cost(done, i, true));
            int next = done | 1 << i;
            if (c >= best[next]) continue;
            best[next] = c;
            last[next] = (byte) i;
        }
        var order = new ArrayList<Integer>();
        for (int done = all - 1; done != 0; done &= ~(1 << last[done])) order.add(last[done] + 0);
        return walk(order.reversed(), null);
    }

    /** A way to have painted a set: when it is done, when each of its zones bears tape, and what was done last. */
    private record Label(double now, double[] bears, double minutes, int job, boolean brush, Label before) {
        boolean beats(Label o, int[] asked) {
            if (now > o.now + 1e-12) return false;
            for (int j : asked) if (Math.max(now, bears[j]) > Math.max(o.now, o.bears[j]) + 1e-12) return false;
            return now < o.now - 1e-12 || minutes <= o.minutes || Arrays.stream(asked).anyMatch(j -> bears[j] < o.bears[j] - 1e-12);
        }
    }

    private Ordered soonest() {
        int all = 1 << n;
        boolean proven = true;
        int most = MOST_LABELS >> n;
        double bound = moved().elapsedH() + 1e-9;
        var labels = new ArrayList<List<Label>>(all);
        for (int s = 0; s < all; s++) labels.add(null);
        labels.set(0, new ArrayList<>(List.of(new Label(0, new double[n], 0, -1, false, null))));
        for (int done = 0; done < all - 1; done++) {
            var here = labels.get(done);
            if (here == null) continue;
            if (here.size() > most) {
                here.sort(Comparator.comparingDouble(Label::now));
                here.subList(most, here.size()).clear();
                proven = false;
            }
            for (int i = 0; i < n; i++) {
                if ((done >> i & 1) != 0) continue;
                int next = done | 1 << i;
                var there = labels.get(next);
                if (there == null) labels.set(next, there = new ArrayList<>());
                var asked = asked(next);
                double left = left(next);
                for (var l : here) for (int b = 0; b < 2; b++) {
                    var more = after(l, done, i, b == 1);
                    if (more != null && more.now + left <= bound) keep(there, more, asked);
                }
            }
            labels.set(done, null);
        }
        var last = labels.get(all - 1);
        if (last == null || last.isEmpty()) return moved();
        var end = last.stream().min(Comparator.comparingDouble(Label::now).thenComparingDouble(Label::minutes)).orElseThrow();
        var order = new ArrayList<Integer>();
        var brush = new boolean[n];
        for (var l = end; l.job >= 0; l = l.before) {
            order.add(l.job);
            brush[l.job] = l.brush;
        }
        var walked = walk(order.reversed(), brush);
        return proven ? walked : walked.unproven();
    }

    /** Hours that what is not in a set takes at least. */
    private double left(int set) {
        return IntStream.range(0, n)
                .filter(i -> (set >> i & 1) == 0)
                .mapToDouble(i -> Math.min(jobs.job(i).sprayMin(), jobs.job(i).brushMin()) / 60 + jobs.job(i).flashH())
                .sum();
    }

    /** Zones of a set that some zone outside it needs masked. */
    private int[] asked(int set) {
        return IntStream.range(0, n)
                .filter(j -> (set >> j & 1) != 0 && IntStream.range(0, n).anyMatch(i -> (set >> i & 1) == 0 && !jobs.mask(i, j).none()))
                .toArray();
    }

    private static void keep(List<Label> list, Label l, int[] asked) {
        for (var o : list) if (o.beats(l, asked)) return;
        list.removeIf(o -> l.beats(o, asked));
        list.add(l);
    }

    private Label after(Label l, int done, int i, boolean brush) {
        double hand = brush ? jobs.job(i).brushMin() : jobs.job(i).sprayMin();
        if (hand == Double.POSITIVE_INFINITY) return null;
        double start = l.now;
        for (int j = 0; j < n && !brush; j++) {
            if ((done >> j & 1) == 0 || jobs.mask(i, j).none()) continue;
            start = Math.max(start, l.bears[j]);
            hand += jobs.mask(i, j).minutes();
        }
        double end = start + hand / 60 + jobs.job(i).flashH();
        var bears = l.bears.clone();
        bears[i] = end + jobs.job(i).tapeH();
        return new Label(end, bears, l.minutes + hand, i, brush, l);
    }

    /** @param brush by job; null for what costs less */
    private Ordered walk(List<Integer> order, boolean[] brush) {
        var steps = new ArrayList<Ordered.Step>();
        double minutes = 0, tape = 0, film = 0, now = 0;
        var bears = new double[n];
        for (int i : order) {
            boolean b = brush == null ? brushed(order, steps.size(), i) : brush[i];
            var masked = new ArrayList<Ordered.Masked>();
            double hand = b ? jobs.job(i).brushMin() : jobs.job(i).sprayMin(), start = now;
            for (int k = 0; k < steps.size() && !b; k++) {
                int j = order.get(k);
                var mask = jobs.mask(i, j);
                if (mask.none()) continue;
                masked.add(new Ordered.Masked(j, mask));
                hand += mask.minutes();
                tape += mask.tapeM();
                film += mask.filmDm2();
                start = Math.max(start, bears[j]);
            }
            double end = start + hand / 60 + jobs.job(i).flashH();
            bears[i] = end + jobs.job(i).tapeH();
            steps.add(new Ordered.Step(i, b, masked, hand, start, end));
            minutes += hand;
            now = end;
        }
        return new Ordered(steps, minutes, tape, film, now, true);
    }

    /** Whether a brush is better for the aim than spraying with the masks it would take now. */
    private boolean brushed(List<Integer> order, int at, int i) {
        var job = jobs.job(i);
        if (job.brushMin() == Double.POSITIVE_INFINITY || job.sprayMin() == Double.POSITIVE_INFINITY)
            return job.sprayMin() == Double.POSITIVE_INFINITY;
        double tape = 0, minutes = job.sprayMin();
        for (int k = 0; k < at; k++) {
            var mask = jobs.mask(i, order.get(k));
            tape += mask.tapeM();
            minutes += mask.minutes();
        }
        if (aim == Aim.LEAST_TAPE && tape > 0) return true;
        return job.brushMin() < minutes;
    }

    private double value(Ordered o) {
        double dark = 0;
        var order = o.order();
        for (int a = 0; a < order.size(); a++) for (int b = a + 1; b < order.size(); b++)
            if (jobs.job(order.get(a)).lightness() < jobs.job(order.get(b)).lightness()) dark += DARK_TIE;
        return dark + switch (aim) {
            case LEAST_WORK -> o.minutes() + TAPE_TIE * o.tapeM();
            case LEAST_TAPE -> 1e4 * o.tapeM() + o.minutes();
            case SOONEST -> 1e4 * o.elapsedH() + o.minutes();
        };
    }

    /** From light to dark, each job moved to where it helps most until none does. */
    private Ordered moved() {
        var order = new ArrayList<>(
                IntStream.range(0, n).boxed().sorted(Comparator.comparingDouble(i -> -jobs.job(i).lightness())).toList());
        var best = walk(order, null);
        for (int round = 0; round < n; round++) {
            boolean better = false;
            for (int from = 0; from < n; from++) for (int to = 0; to < n; to++) {
                if (from == to) continue;
                var other = new ArrayList<>(order);
                other.add(to, other.remove(from));
                var walked = walk(other, null);
                if (value(walked) >= value(best) - 1e-9) continue;
                best = walked;
                order = other;
                better = true;
            }
            if (!better) break;
        }
        return best.unproven();
    }
}
