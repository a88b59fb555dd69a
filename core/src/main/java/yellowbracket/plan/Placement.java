package yellowbracket.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * One serial schedule generation (Kolisch, Hartmann 1999). Single use, but that a task may be probed. {@code alone}: as if nobody else
 * wanted the same hands, printer or spot, and no film were ever closed: no schedule has any task sooner.
 */
final class Placement {
    /** A print under way that should be through is taken to need this much longer. */
    private static final int OVERDUE_MIN = 10;
    /** Somebody takes a print off and starts the next. */
    private static final int CHANGE_MIN = 20;

    private final Network net;
    private final Times times;
    private final Scheduler.Facts facts;
    private final boolean alone;
    /** Whether what is placed takes hands, printer and spot from what comes later. */
    private boolean takes;
    final int[] start;
    final int[] end;
    final int[] ready;
    /** Whose end is known: a window after any other says nothing yet. */
    final boolean[] ended;
    private final String[] who;
    private final List<List<int[]>> parts = new ArrayList<>();
    private final List<Hands> hands;
    private final Map<String, Integer> printerFree = new HashMap<>();
    /** When the spot is in use, and when there is dust in the air; asked only where several work. */
    private final List<int[]> sprays = new ArrayList<>(), dusts = new ArrayList<>();
    /** Which print on the same printer must be placed before this one, or -1. */
    private final int[] follows;
    /** Not sooner than this, minutes. */
    private final int[] floor;

    Placement(Network net, Times times, Scheduler.Facts facts, boolean alone) {
        this.net = net;
        this.times = times;
        this.facts = facts;
        this.alone = alone;
        takes = !alone;
        int n = net.size();
        start = new int[n];
        end = new int[n];
        ready = new int[n];
        ended = new boolean[n];
        who = new String[n];
        Arrays.fill(who, "");
        for (int i = 0; i < n; i++) parts.add(List.of());
        hands = times.hands();
        floor = new int[n];
        facts.notBefore().forEach((id, at) -> {
            var i = net.index.get(id);
            if (i != null) floor[i] = Math.max(0, times.minute(at));
        });
        follows = follows();
    }

    /** @param rank which comes first of those that could, the smallest; but what must go into a window that closes goes first */
    Placement place(double[] rank) {
        int n = net.size();
        var waiting = new int[n];
        var behind = new int[n];
        Arrays.fill(behind, -1); // the one print that follows each
        var heads = new ArrayList<List<Integer>>();
        for (int i = 0; i < n; i++) heads.add(null);
        for (int i = 0; i < n; i++) {
            waiting[i] = net.before[i].length + (follows[i] >= 0 ? 1 : 0);
            if (follows[i] < 0) continue;
            if (heads.get(follows[i]) == null) heads.set(follows[i], new ArrayList<>(2));
            heads.get(follows[i]).add(i);
        }
        var next = new PriorityQueue<Integer>(
                Comparator.comparingInt(this::closes).thenComparingDouble(i -> rank[i]).thenComparingInt(i -> i));
        for (int i = 0; i < n; i++) if (waiting[i] == 0) next.add(i);
        for (int count = 0; count < n; count++) {
            int i = next.remove();
            put(i);
            for (int f : net.then[i]) if (--waiting[f] == 0) next.add(f);
            if (heads.get(i) != null) for (int f : heads.get(i)) if (--waiting[f] == 0) next.add(f);
        }
        return this;
    }

    Schedule schedule() {
        var out = new ArrayList<Schedule.Placed>();
        for (int i = 0; i < net.size(); i++) {
            var t = net.tasks.get(i);
            out.add(new Schedule.Placed(t, times.now.plusMinutes(start[i]), times.now.plusMinutes(end[i]), times.now.plusMinutes(ready[i]),
                    facts.done().containsKey(t.id()), parts(i), who[i]));
        }
        return new Schedule(times.now, times.due, List.copyOf(out));
    }

    /** When the last is ready, minutes; 0 for none. */
    int finish() {
        return Arrays.stream(ready).max().orElse(0);
    }

    private List<Schedule.Part> parts(int i) {
        if (parts.get(i).isEmpty()) return List.of(new Schedule.Part(times.now.plusMinutes(start[i]), times.now.plusMinutes(end[i])));
        return parts.get(i).stream().map(p -> new Schedule.Part(times.now.plusMinutes(p[0]), times.now.plusMinutes(p[1]))).toList();
    }

    /** When the first window of those it must go into closes; all it waits for is placed. */
    private int closes(int i) {
        int first = Integer.MAX_VALUE;
        for (var c : net.tasks.get(i).closed()) {
            var k = net.index.get(c.after());
            if (k != null && ended[k]) first = Math.min(first, end[k] + (int) Math.floor(60 * c.fromH()));
        }
        return first;
    }

    /** The first minute from {@code at} on at which no film it goes over is closed. */
    int whenOpen(int i, int at) {
        if (alone) return at;
        for (boolean moved = true; moved;) {
            moved = false;
            for (var c : net.tasks.get(i).closed()) {
                var k = net.index.get(c.after());
                if (k == null || !ended[k] || !c.forbids((at - end[k]) / 60.0)) continue;
                at = end[k] + (int) Math.ceil(60 * c.againH());
                moved = true;
            }
        }
        return at;
    }

    /** Prints under way come first on their printer, then those named in order, then the others as they are ranked. */
    private int[] follows() {
        var out = new int[net.size()];
        Arrays.fill(out, -1);
        var last = new HashMap<String, Integer>();
        var queue = new ArrayList<Integer>();
        for (int i = 0; i < out.length; i++) if (open(i) && facts.running().containsKey(net.tasks.get(i).id())) queue.add(i);
        for (var id : facts.order()) {
            var i = net.index.get(id);
            if (i != null && open(i) && !queue.contains(i)) queue.add(i);
        }
        for (int i : queue) {
            var before = last.put(net.tasks.get(i).printer(), i);
            if (before != null) out[i] = before;
        }
        if (last.isEmpty()) return out;
        for (int i = 0; i < out.length; i++) if (open(i) && !queue.contains(i)) out[i] = last.getOrDefault(net.tasks.get(i).printer(), -1);
        return out;
    }

    private boolean open(int i) {
        return net.tasks.get(i).resource() == Task.Resource.PRINTER && !facts.done().containsKey(net.tasks.get(i).id());
    }

    private void put(int i) {
        var t = net.tasks.get(i);
        var fact = facts.done().get(t.id());
        if (fact != null) fact(i, fact);
        else {
            int from = floor[i];
            for (int b : net.before[i]) from = Math.max(from, ready[b]);
            place(i, whenOpen(i, from));
        }
        ended[i] = true;
        ready[i] = end[i] + Network.waitMin(t);
    }

    void fact(int i, Actual done) {
        end[i] = times.minute(done.end());
        start[i] = end[i] - (int) Math.round(60 * done.hours());
        ended[i] = true;
    }

    private void place(int i, int from) {
        var t = net.tasks.get(i);
        switch (t.resource()) {
            case PRINTER -> print(i, t, from, Network.minutes(t));
            case SPRAY -> spray(i, t, from);
            case PERSON -> work(i, t, from, Network.minutes(t));
        }
    }

    /** Start and end of a task as if it were placed; hands, printers and the spot stay free. */
    void probe(int i, int from) {
        boolean took = takes;
        takes = false;
        place(i, from);
        takes = took;
    }

    private void print(int i, Task t, int from, int minutes) {
        var since = facts.running().get(t.id());
        int at = since != null ? times.minute(since)
                : times.loud(t.printer(), times.awake(Math.max(from, printerFree.getOrDefault(t.printer(), 0))));
        start[i] = at;
        end[i] = since == null ? times.through(t.printer(), at, minutes) : Math.max(times.through(t.printer(), at, minutes), OVERDUE_MIN);
        if (takes) printerFree.put(t.printer(), times.awake(end[i]) + CHANGE_MIN);
    }

    /** There is no time at all in which something could be done; says what would help. */
    static final class NoTime extends IllegalArgumentException {
        private static final long serialVersionUID = 1;

        NoTime(String words) {
            super(words);
        }
    }

    /** Whoever can is asked, and does it who is through first. */
    private void work(int i, Task t, int from, int minutes) {
        Hands.Sitting best = null;
        Hands by = null;
        var open = open(t);
        for (var h : hands) {
            if (!h.can.test(t)) continue;
            var found = t.doer().splits() ? h.sittings(from, minutes, times.mostMin(t), times.breakMin(t), open, at -> whenOpen(i, at))
                    : h.whole(from, minutes, times.mostMin(t), times.breakMin(t), open, at -> whenOpen(i, at));
            if (found.isEmpty() || best != null && found.get().end() >= best.end()) continue;
            best = found.get();
            by = h;
        }
        if (best == null) throw new NoTime(t.doer().splits() ? t.name() + " finds no working hours left: give the week more hours"
                : t.name() + " needs " + minutes / 60 + " hours on end, more than any working day has");
        start[i] = best.start();
        end[i] = best.end();
        parts.set(i, best.parts());
        who[i] = by.name;
        if (!takes) return;
        for (var p : best.parts()) {
            by.take(p[0], p[1]);
            if (WorkRules.tires(t)) by.tire(p[0], p[1]);
        }
        if (hands.size() > 1 && WorkRules.dusty(t)) dusts.addAll(best.parts());
    }

    /** Noise by the clock; dust never while somebody sprays. */
    private Hands.Open open(Task t) {
        var noise = times.noise(t);
        if (hands.size() == 1 || alone || !WorkRules.dusty(t)) return noise;
        return new Hands.Open() {
            @Override
            public int from(int minute) {
                return after(sprays, noise.from(minute));
            }

            @Override
            public int until(int minute) {
                int until = noise.until(minute);
                for (var s : sprays) if (s[0] > minute) until = Math.min(until, s[0]);
                return until;
            }
        };
    }

    private static int after(List<int[]> busy, int minute) {
        for (boolean moved = true; moved;) {
            moved = false;
            for (var b : busy) if (b[0] <= minute && minute < b[1]) {
                minute = b[1];
                moved = true;
            }
        }
        return minute;
    }

    /** @param at when it begins @param minutes how long it takes then @param since from when on it keeps the hands */
    private record Session(int at, int minutes, int since) {}

    private void spray(int i, Task t, int from) {
        Session best = null;
        Hands by = null;
        for (var h : hands) {
            if (!h.can.test(t)) continue;
            var found = sprayBy(h, i, t, from, best == null ? Integer.MAX_VALUE : best.at);
            if (found == null) continue;
            best = found;
            by = h;
        }
        if (best == null) throw new NoTime(t.name() + " finds no hour fit for spraying: work indoors with a booth or allow daytime hours");
        start[i] = best.at;
        end[i] = best.at + best.minutes;
        parts.set(i, List.of(new int[] {start[i], end[i]}));
        who[i] = by.name;
        if (!takes) return;
        by.spray(best.since, end[i]);
        if (hands.size() > 1) sprays.add(new int[] {start[i], end[i]});
    }

    /** At the first quarter of an hour that would do; null where none does before {@code beats}. */
    private Session sprayBy(Hands h, int i, Task t, int from, int beats) {
        int full = Network.minutes(t), less = alone && !mayShare(i) ? full : Network.minutesSetUp(t);
        for (int s = h.after(from); s < h.spans(); s++) {
            int at = Math.max(from, h.from(s));
            at += Math.floorMod(-at, Times.STEP_MIN);
            for (; at + less <= h.to(s); at += Times.STEP_MIN) {
                if (at >= beats) return null;
                boolean laidOut = less < full && (alone || h.sprayedUntil(h.from(s)) && at - h.from(s) < Times.STEP_MIN);
                int to = at + (laidOut ? less : full);
                if (to > h.to(s) || whenOpen(i, at) > at || !times.fit(t, at, to)) continue;
                if (meets(sprays, at, to) || meets(dusts, at, to)) continue;
                return new Session(at, to - at, laidOut && !alone ? h.from(s) : at);
            }
        }
        return null;
    }

    /** Whether in some schedule it could be sprayed right after something else. */
    private boolean mayShare(int i) {
        var then = net.after(i);
        for (int j = 0; j < net.size(); j++) {
            var t = net.tasks.get(j);
            if (j == i || t.resource() != Task.Resource.SPRAY || then.get(j) || facts.done().containsKey(t.id())) continue;
            if (!net.after(j).get(i) || net.between(j, i) < Times.STEP_MIN) return true;
        }
        return false;
    }

    private static boolean meets(List<int[]> busy, int from, int to) {
        for (var b : busy) if (b[0] < to && from < b[1]) return true;
        return false;
    }

    Map<TaskId, java.time.LocalDateTime> starts() {
        var out = new HashMap<TaskId, java.time.LocalDateTime>();
        for (int i = 0; i < net.size(); i++) out.put(net.tasks.get(i).id(), times.now.plusMinutes(start[i]));
        return out;
    }
}
