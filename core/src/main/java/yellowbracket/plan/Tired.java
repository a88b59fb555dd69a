package yellowbracket.plan;

import java.util.ArrayList;
import java.util.List;

/** What one person does that tires, as spans of minutes: those with less than a break between them are one run. */
final class Tired {
    /** By their start; none meet. */
    private final List<int[]> spans = new ArrayList<>();

    void add(int[] span) {
        if (span[1] > span[0]) spans.add(after(span[0]), span);
    }

    void remove(int[] span) {
        spans.remove(span);
    }

    /** The first that starts then or later. */
    private int after(int minute) {
        int lo = 0, hi = spans.size();
        while (lo < hi) {
            int mid = (lo + hi) / 2;
            if (spans.get(mid)[0] < minute) lo = mid + 1;
            else hi = mid;
        }
        return lo;
    }

    /** The first minute from one on at which the run that ends there is not yet full. */
    int rested(int at, int most, int pause) {
        int k = after(at) - 1;
        return before(k, at, pause) < most ? at : spans.get(k)[1] + pause;
    }

    /**
     * Until when one may go on from a rested minute, so that neither what was before nor what comes after makes the run too long; not
     * after {@code at} where there is no room.
     */
    int until(int at, int until, int most, int pause) {
        int k = after(at);
        int left = most - before(k - 1, at, pause);
        int to = Math.min(until, at + left);
        if (k == spans.size() || spans.get(k)[0] - to >= pause) return to;
        int apart = spans.get(k)[0] - pause, joined = at + left - following(k, pause);
        return Math.min(to, Math.max(apart, joined));
    }

    /**
     * What is done in one go makes no run too long, but stands alone where it is that long itself. The minute itself where it may begin
     * there, else the next that could do; {@link Integer#MAX_VALUE} where none before the next run could.
     */
    int whole(int at, int minutes, int most, int pause) {
        int k = after(at), before = before(k - 1, at, pause);
        int after = k < spans.size() && spans.get(k)[0] - at - minutes < pause ? following(k, pause) : 0;
        if (before + after == 0 || before + minutes + after <= most) return at;
        return before > 0 ? spans.get(k - 1)[1] + pause : Integer.MAX_VALUE;
    }

    /** Minutes of the run that the k-th span ends, where it is not over by {@code at}. */
    private int before(int k, int at, int pause) {
        int sum = 0;
        for (; k >= 0 && at - spans.get(k)[1] < pause; k--) {
            at = spans.get(k)[0];
            sum += spans.get(k)[1] - at;
        }
        return sum;
    }

    /** Minutes of the run that the k-th span begins. */
    private int following(int k, int pause) {
        int sum = 0, end = spans.get(k)[0];
        for (; k < spans.size() && spans.get(k)[0] - end < pause; k++) {
            end = spans.get(k)[1];
            sum += end - spans.get(k)[0];
        }
        return sum;
    }
}
