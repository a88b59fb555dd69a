package yellowbracket.plan;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** Tasks by number, and what waits for what. Not changed after it is made, but for who lasts how long. */
final class Network {
    final List<Task> tasks;
    final Map<TaskId, Integer> index = new HashMap<>();
    /** Which each waits for. */
    final int[][] before;
    /** Which wait for each. */
    final int[][] then;
    /** Hours of the longest chain from the start of each on, its waits included. */
    final double[] tail;
    /** From the last to the first. */
    final int[] backwards;

    /** @throws IllegalArgumentException if tasks wait for each other in a circle, which is named */
    Network(List<Task> tasks) {
        this.tasks = tasks;
        int n = tasks.size();
        for (int i = 0; i < n; i++) index.put(tasks.get(i).id(), i);
        before = new int[n][];
        var count = new int[n];
        for (int i = 0; i < n; i++) {
            before[i] = tasks.get(i).after().stream().filter(index::containsKey).mapToInt(index::get).distinct().toArray();
            for (int b : before[i]) count[b]++;
        }
        then = new int[n][];
        for (int i = 0; i < n; i++) then[i] = new int[count[i]];
        for (int i = n - 1; i >= 0; i--) for (int b : before[i]) then[b][--count[b]] = i;
        tail = new double[n];
        backwards = topological();
    }

    int size() {
        return tasks.size();
    }

    private int[] topological() {
        int n = size(), head = 0, count = 0;
        var waiting = new int[n];
        for (int i = 0; i < n; i++) waiting[i] = then[i].length;
        var order = new int[n];
        for (int i = 0; i < n; i++) if (waiting[i] == 0) order[count++] = i;
        while (head < count) {
            int i = order[head++];
            tail[i] += tasks.get(i).activeH() + tasks.get(i).lag().leastH();
            for (int b : before[i]) {
                tail[b] = Math.max(tail[b], tail[i]);
                if (--waiting[b] == 0) order[count++] = b;
            }
        }
        if (count < n) throw new IllegalArgumentException("tasks wait for each other in a circle: " + circle(waiting));
        return order;
    }

    /** One ring of those that never became free, in words. */
    private String circle(int[] waiting) {
        int at = 0;
        while (waiting[at] == 0) at++;
        var seen = new ArrayList<Integer>();
        while (!seen.contains(at)) {
            seen.add(at);
            at = Arrays.stream(then[at]).filter(t -> waiting[t] > 0).findFirst().orElseThrow();
        }
        var names = new ArrayList<String>();
        for (int i : seen.subList(seen.indexOf(at), seen.size())) names.add("\"" + tasks.get(i).name() + "\"");
        names.add(names.getFirst());
        return String.join(" before ", names);
    }

    /** All that wait for one, at once or at last. */
    BitSet after(int of) {
        var out = new BitSet(size());
        var todo = new ArrayDeque<Integer>(List.of(of));
        while (!todo.isEmpty()) for (int f : then[todo.pop()]) if (!out.get(f)) {
            out.set(f);
            todo.push(f);
        }
        return out;
    }

    /** Minutes that the longest chain between two takes, its waits included; the one comes before the other. */
    double between(int from, int to) {
        return between(from, to, new HashMap<>());
    }

    private double between(int from, int to, Map<Integer, Double> known) {
        var k = known.get(to);
        if (k != null) return k;
        double most = Double.NEGATIVE_INFINITY;
        for (int b : before[to]) {
            double lag = 60 * tasks.get(b).lag().leastH();
            most = Math.max(most, b == from ? lag : between(from, b, known) + 60 * tasks.get(b).activeH() + lag);
        }
        known.put(to, most);
        return most;
    }

    static int minutes(Task t) {
        return (int) Math.round(60 * t.activeH());
    }

    /** Where spot and gear are laid out already. */
    static int minutesSetUp(Task t) {
        return Math.max(0, minutes(t) - (int) Math.round(60 * t.effort().setupH()));
    }

    static int waitMin(Task t) {
        return (int) Math.round(60 * t.lag().leastH());
    }
}
