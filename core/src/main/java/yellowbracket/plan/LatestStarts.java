package yellowbracket.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** The pass backwards from the day. Single use. */
final class LatestStarts {
    /** Before now, for good. */
    private static final int NEVER = Integer.MIN_VALUE / 4;

    private final Network net;
    private final Times times;
    private final Scheduler.Facts facts;
    private final List<Hands> hands;
    /** Where a start is tried forwards: whether what must go into a window after it still begins in time. */
    private final Placement forwards;
    /** Which must go into a window after each. */
    private final List<List<Integer>> into = new ArrayList<>();

    LatestStarts(Network net, Times times, Scheduler.Facts facts) {
        this.net = net;
        this.times = times;
        this.facts = facts;
        hands = times.hands();
        forwards = new Placement(net, times, facts, false);
        for (int i = 0; i < net.size(); i++) into.add(new ArrayList<>(0));
    }

    Map<TaskId, LocalDateTime> all() {
        int n = net.size();
        var late = new int[n];
        var last = new int[n];
        Arrays.fill(late, times.minute(times.due));
        var out = new HashMap<TaskId, LocalDateTime>();
        for (int i = 0; i < n; i++) {
            var done = facts.done().get(net.tasks.get(i).id());
            if (done != null) forwards.fact(i, done);
        }
        for (int i : net.backwards) {
            var t = net.tasks.get(i);
            if (facts.done().containsKey(t.id())) continue;
            boolean follower = Arrays.stream(net.then[i]).anyMatch(f -> !facts.done().containsKey(net.tasks.get(f).id()));
            int ends = late[i] - (follower ? 0 : Network.waitMin(t));
            int at = facts.running().containsKey(t.id()) ? NEVER : latest(t, ends);
            // what is done in one go begins sooner or not at all; the others may begin a minute sooner
            boolean whole = t.resource() == Task.Resource.SPRAY || t.resource() == Task.Resource.PERSON && !t.doer().splits();
            while (at >= 0 && !inTime(i, at, last)) {
                ends = whole ? at + Network.minutes(t) - 1 : ends - 1;
                at = latest(t, ends);
            }
            last[i] = at;
            if (at >= 0) out.put(t.id(), times.now.plusMinutes(at));
            for (int b : net.before[i]) late[b] = Math.min(late[b], at - lead(b, i, 60 * net.tasks.get(b).lag().leastH()));
            for (var c : t.closed()) {
                var k = net.index.get(c.after());
                if (k == null) continue;
                into.get(k).add(i);
                late[k] = Math.min(late[k], at - lead(k, i, net.between(k, i)));
            }
        }
        return out;
    }

    /** Minutes from the end of one to the start of another: no fewer than wanted, and outside of what is closed. */
    private int lead(int of, int to, double least) {
        double lead = least;
        for (var c : net.tasks.get(to).closed())
            if (c.after().equals(net.tasks.get(of).id()) && lead > 60 * c.fromH()) lead = Math.max(lead, 60 * c.againH());
        return (int) Math.round(lead);
    }

    /**
     * Whether it may begin then, and what must go into a window after it still begins in time: it may end just when nobody can go on
     * before the film closes.
     */
    private boolean inTime(int i, int at, int[] last) {
        if (forwards.whenOpen(i, at) > at) return false;
        if (into.get(i).isEmpty()) return true;
        forwards.probe(i, at);
        int until = forwards.end[i];
        forwards.ended[i] = true;
        boolean inTime = true;
        for (int s : into.get(i)) {
            forwards.probe(s, forwards.whenOpen(s, until + (int) Math.round(net.between(i, s))));
            inTime &= forwards.start[s] <= last[s];
        }
        forwards.ended[i] = false;
        return inTime;
    }

    /** The last minute at which it can begin to end in time, before now if there is none. */
    private int latest(Task t, int ends) {
        int minutes = Network.minutes(t);
        if (t.resource() == Task.Resource.PRINTER) return lastPrint(t.printer(), ends, minutes);
        int last = NEVER;
        for (var h : hands) if (h.can.test(t)) last = Math.max(last, t.resource() == Task.Resource.SPRAY ? lastSpray(h, t, ends, minutes)
                : t.doer().splits() ? lastSplit(h, t, ends, minutes) : lastWhole(h, t, ends, minutes));
        return last;
    }

    private int lastSplit(Hands h, Task t, int ends, int minutes) {
        int left = Math.max(1, minutes), most = times.mostMin(t), pause = times.breakMin(t);
        for (int s = h.upTo(ends); s >= 0; s--) for (var w : open(h, s, t, ends)) {
            int room = room(w[1] - w[0], most, pause);
            if (room >= left) return w[1] - lasts(left, most, pause) + (minutes == 0 ? 1 : 0);
            left -= room;
        }
        return NEVER;
    }

    /** Minutes of work that so many minutes hold, with a break after each full sitting. */
    private static int room(int minutes, int most, int pause) {
        if (minutes <= most) return minutes;
        return minutes / (most + pause) * most + Math.min(minutes % (most + pause), most);
    }

    /** The other way round. */
    private static int lasts(int work, int most, int pause) {
        return work + (work - 1) / most * pause;
    }

    private int lastWhole(Hands h, Task t, int ends, int minutes) {
        for (int s = h.upTo(ends); s >= 0; s--)
            for (var w : open(h, s, t, ends)) if (w[1] - w[0] >= Math.max(1, minutes)) return w[1] - minutes;
        return NEVER;
    }

    /** When a task may go on in one span, before a minute; the last first. */
    private List<int[]> open(Hands h, int span, Task t, int ends) {
        int to = Math.min(h.to(span), ends);
        if (to <= h.from(span)) return List.of();
        var noise = times.noise(t);
        var out = new ArrayList<int[]>(1);
        for (int at = noise.from(h.from(span)); at < to;) {
            int until = Math.min(to, noise.until(at));
            out.addFirst(new int[] {at, until});
            if (until == to) break;
            at = noise.from(until);
        }
        return out;
    }

    private int lastSpray(Hands h, Task t, int ends, int minutes) {
        for (int s = h.upTo(ends); s >= 0; s--) {
            int at = Math.min(h.to(s), ends) - minutes;
            for (at -= Math.floorMod(at, Times.STEP_MIN); at >= h.from(s); at -= Times.STEP_MIN)
                if (times.fit(t, at, at + minutes)) return at;
        }
        return NEVER;
    }

    private int lastPrint(String printer, int ends, int minutes) {
        for (int at = ends - minutes; at >= 0; at--)
            if (times.loud(printer, times.awake(at)) == at && times.through(printer, at, minutes) <= ends) return at;
        return NEVER;
    }
}
