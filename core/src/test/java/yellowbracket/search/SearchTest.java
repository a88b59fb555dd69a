package yellowbracket.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SearchTest {
    private record Edge(int from, int to, double measure) {}

    private record Listed(int nodes, List<Edge> edges, int end) implements BestFirst.Graph {
        @Override
        public boolean goal(int node) {
            return node == end;
        }

        @Override
        public void edges(int node, BestFirst.Edges out) {
            for (int i = 0; i < edges.size(); i++) if (edges.get(i).from == node) out.to(edges.get(i).to, edges.get(i).measure, i);
        }
    }

    private static Listed graph(int seed) {
        var random = new Random(seed);
        int n = 4 + random.nextInt(20);
        var edges = new ArrayList<Edge>();
        for (int i = 0; i < 3 * n; i++) edges.add(new Edge(random.nextInt(n), random.nextInt(n), random.nextInt(20)));
        return new Listed(n, edges, n - 1);
    }

    static IntStream seeds() {
        return IntStream.range(0, 60);
    }

    /** Against Bellman and Ford's plain relaxation, which shares nothing with it. */
    @ParameterizedTest
    @MethodSource("seeds")
    void theCheapestWayCostsWhatRelaxationSays(int seed) {
        var g = graph(seed);
        var cost = new double[g.nodes];
        Arrays.fill(cost, Double.POSITIVE_INFINITY);
        cost[0] = 0;
        for (int round = 0; round < g.nodes; round++) for (var e : g.edges) cost[e.to] = Math.min(cost[e.to], cost[e.from] + e.measure);
        var way = BestFirst.cheapest(g, 0, 10_000);
        assertThat(way.isPresent()).isEqualTo(cost[g.end] < Double.POSITIVE_INFINITY);
        way.ifPresent(w -> {
            assertThat(w.measure()).isEqualTo(cost[g.end]);
            assertThat(w.steps().stream().skip(1).mapToDouble(s -> g.edges.get(s.label()).measure).sum()).isEqualTo(w.measure());
            for (int i = 1; i < w.steps().size(); i++) {
                var e = g.edges.get(w.steps().get(i).label());
                assertThat(e.from).isEqualTo(w.steps().get(i - 1).node());
                assertThat(e.to).isEqualTo(w.steps().get(i).node());
            }
        });
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theWidestWayIsAsWideAsRelaxationSays(int seed) {
        var g = graph(seed);
        var room = new double[g.nodes];
        Arrays.fill(room, Double.NEGATIVE_INFINITY);
        room[0] = 50;
        for (int round = 0; round < g.nodes; round++)
            for (var e : g.edges) room[e.to] = Math.max(room[e.to], Math.min(room[e.from], e.measure));
        var way = BestFirst.widest(g, 0, 50);
        assertThat(way.map(BestFirst.Way::measure).orElse(Double.NEGATIVE_INFINITY)).isEqualTo(room[g.end]);
    }

    @Test
    void aSearchEndsWithItsBudget() {
        var line = new Listed(100, IntStream.range(0, 99).mapToObj(i -> new Edge(i, i + 1, 1)).toList(), 99);
        assertThat(BestFirst.cheapest(line, 0, 50)).isEmpty();
        assertThat(BestFirst.cheapest(line, 0, 100)).isPresent();
        assertThat(BestFirst.cheapest(line, 99, 1).orElseThrow().steps()).containsExactly(new BestFirst.Step(99, -1));
    }

    @Test
    void aThresholdIsFoundFromEitherSide() {
        assertThat(Threshold.between(0, 10, 1e-6, x -> x * x >= 2)).isCloseTo(Math.sqrt(2), within(1e-6))
                .isGreaterThanOrEqualTo(Math.sqrt(2));
        assertThat(Threshold.between(10, 0, 1e-6, x -> x <= 3)).isCloseTo(3, within(1e-6)).isLessThanOrEqualTo(3);
        assertThat(Threshold.between(0, 1, 1e-3, x -> false)).as("nowhere else").isEqualTo(1);
        assertThat(Threshold.between(0, 1e-300, 0, x -> true)).as("it ends").isLessThan(1e-300);
    }
}
