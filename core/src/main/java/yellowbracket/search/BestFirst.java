package yellowbracket.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;

/**
 * Best-first search over a graph that is never written down: nodes are numbered, edges asked for when a node is reached. With sums of costs
 * it is Dijkstra's shortest path ("A note on two problems in connexion with graphs", 1959), with the least of rooms his widest path. Flat
 * arrays over the nodes; O(edges log edges).
 */
public final class BestFirst {
    /** What is searched. */
    public interface Graph {
        /** One more than the highest number. */
        int nodes();

        boolean goal(int node);

        void edges(int node, Edges out);
    }

    /** Takes the edges of a node: where to, its measure (a cost of at least 0, or a room), and a label that is handed back with the way. */
    public interface Edges {
        void to(int node, double measure, int label);
    }

    /** A step of the way found: the node reached and the label of the edge that led there (-1 for the first). */
    public record Step(int node, int label) {}

    /** {@code measure}: the sum of costs, or the least room on it. */
    public record Way(List<Step> steps, double measure) {
        public Way {
            steps = List.copyOf(steps);
        }
    }

    private record Reached(int node, double measure) {}

    private final Graph graph;
    private final boolean widest;
    private final double[] best;
    private final int[] from;
    private final int[] label;
    private final PriorityQueue<Reached> queue;

    private BestFirst(Graph graph, boolean widest) {
        this.graph = graph;
        this.widest = widest;
        best = new double[graph.nodes()];
        Arrays.fill(best, widest ? Double.NEGATIVE_INFINITY : Double.POSITIVE_INFINITY);
        from = new int[graph.nodes()];
        label = new int[graph.nodes()];
        queue = new PriorityQueue<>(
                widest ? (a, b) -> Double.compare(b.measure, a.measure) : (a, b) -> Double.compare(a.measure, b.measure));
    }

    /** The way of least cost to a goal. @param budget nodes looked at before it is given up */
    public static Optional<Way> cheapest(Graph graph, int start, int budget) {
        return new BestFirst(graph, false).run(start, 0, budget);
    }

    /** The way to a goal whose narrowest edge is widest. @param room at the start */
    public static Optional<Way> widest(Graph graph, int start, double room) {
        return new BestFirst(graph, true).run(start, room, Integer.MAX_VALUE);
    }

    private Optional<Way> run(int start, double measure, int budget) {
        reach(start, measure, -1, -1);
        for (int visited = 0; !queue.isEmpty();) {
            var at = queue.poll();
            if (at.measure != best[at.node]) continue; // here: a better way to it was taken meanwhile
            if (graph.goal(at.node)) return Optional.of(way(at));
            if (++visited > budget) return Optional.empty();
            graph.edges(at.node, (to, m, l) -> reach(to, widest ? Math.min(at.measure, m) : at.measure + m, at.node, l));
        }
        return Optional.empty();
    }

    private void reach(int node, double measure, int by, int edge) {
        if (widest ? measure <= best[node] : measure >= best[node]) return;
        best[node] = measure;
        from[node] = by;
        label[node] = edge;
        queue.add(new Reached(node, measure));
    }

    private Way way(Reached end) {
        var steps = new ArrayList<Step>();
        for (int n = end.node; n >= 0; n = from[n]) steps.add(new Step(n, label[n]));
        Collections.reverse(steps);
        return new Way(steps, end.measure);
    }
}
