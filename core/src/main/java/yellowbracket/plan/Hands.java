package yellowbracket.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import java.util.function.Predicate;
import yellowbracket.work.Task;

/** One person's free time as spans of minutes after now, ascending. */
final class Hands {
    /** From one minute to another, and the sittings between. */
    record Sitting(int start, int end, List<int[]> parts) {}

    /** When a task may go on: the first minute from one on, and until when from there. */
    interface Open {
        int from(int minute);

        int until(int minute);
    }

    /** The maker has none. */
    final String name;
    final Predicate<Task> can;
    private int[] free;
    private int spans;
    private final Tired tired = new Tired();
    private final BitSet sprayed = new BitSet();

    Hands(String name, Predicate<Task> can, int[] free) {
        this.name = name;
        this.can = can;
        this.free = free;
        spans = free.length / 2;
    }

    int spans() {
        return spans;
    }

    int from(int span) {
        return free[2 * span];
    }

    int to(int span) {
        return free[2 * span + 1];
    }

    /** The first span that ends after a minute. */
    int after(int minute) {
        int lo = 0, hi = spans;
        while (lo < hi) {
            int mid = (lo + hi) / 2;
            if (free[2 * mid + 1] <= minute) lo = mid + 1;
            else hi = mid;
        }
        return lo;
    }

    /** The last span that begins before a minute. */
    int upTo(int minute) {
        return Math.min(spans - 1, after(minute));
    }

    /** In one go, where it fits first. @param pause 0: it tires nobody @param begin the first minute from one on at which it may begin */
    Optional<Sitting> whole(int from, int minutes, int most, int pause, Open open, IntUnaryOperator begin) {
        for (int s = after(from); s < spans; s++) {
            int at = Math.max(from, from(s));
            while (at < to(s)) {
                int next = Math.max(open.from(at), begin.applyAsInt(at));
                if (next == at && pause > 0) next = tired.whole(at, minutes, most, pause);
                if (next > at) {
                    at = next;
                    continue;
                }
                int until = Math.min(to(s), open.until(at));
                if (until - at >= minutes) return Optional.of(new Sitting(at, at + minutes, List.of(new int[] {at, at + minutes})));
                at = until;
            }
        }
        return Optional.empty();
    }

    /**
     * In sittings. What tires is never done for longer than {@code most} without {@code pause}, all such work of these hands together.
     *
     * @param pause 0: it tires nobody
     */
    Optional<Sitting> sittings(int from, int minutes, int most, int pause, Open open, IntUnaryOperator begin) {
        var parts = new ArrayList<int[]>();
        try {
            int left = minutes, rested = from;
            for (int s = after(from); s < spans; s++) {
                int at = Math.max(rested, from(s));
                while (at < to(s)) {
                    int next = parts.isEmpty() ? Math.max(open.from(at), begin.applyAsInt(at)) : open.from(at);
                    if (next == at && pause > 0) next = tired.rested(at, most, pause);
                    if (next > at) {
                        at = next;
                        continue;
                    }
                    if (left == 0) return Optional.of(new Sitting(at, at, List.of()));
                    int until = Math.min(Math.min(to(s), open.until(at)), at + Math.min(left, most));
                    if (pause > 0) until = tired.until(at, until, most, pause);
                    if (until <= at) break; // what tires comes so soon after that it would be too much
                    parts.add(new int[] {at, until});
                    if (pause > 0) tired.add(parts.getLast());
                    left -= until - at;
                    if (left == 0) return Optional.of(new Sitting(parts.getFirst()[0], until, parts));
                    rested = until;
                    at = rested;
                }
            }
            return Optional.empty();
        } finally {
            if (pause > 0) parts.forEach(tired::remove);
        }
    }

    /** What is done then tires. */
    void tire(int a, int b) {
        tired.add(new int[] {a, b});
    }

    /** No longer free from a to b; what goes on right after finds spot and gear laid out. */
    void spray(int a, int b) {
        take(a, b);
        sprayed.set(b);
    }

    /** Whether something was sprayed until then. */
    boolean sprayedUntil(int minute) {
        return sprayed.get(minute);
    }

    /** Is no longer free from a to b, which lie in one span. */
    void take(int a, int b) {
        if (b <= a) return;
        int s = after(a), lo = from(s), hi = to(s);
        if (a > lo && b < hi) {
            if (2 * spans + 2 > free.length) free = Arrays.copyOf(free, 2 * free.length + 2);
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
