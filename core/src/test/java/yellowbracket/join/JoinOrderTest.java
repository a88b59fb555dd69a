package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import yellowbracket.join.JoinOrder.Aim;
import yellowbracket.join.JoinOrder.Edge;
import yellowbracket.join.JoinOrder.Inside;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;

/** Orders against every tree there is, and against a checker of its own. */
class JoinOrderTest {
    private static String name(int i) {
        return String.valueOf((char) ('A' + i));
    }

    private static List<String> names(int n) {
        return IntStream.range(0, n).mapToObj(JoinOrderTest::name).toList();
    }

    private static Map<String, Double> grams(Random rnd, int n) {
        var out = new HashMap<String, Double>();
        for (int i = 0; i < n; i++) out.put(name(i), 20 + 200 * rnd.nextDouble());
        return out;
    }

    /** Connected; some rings. */
    private static List<Edge> edges(Random rnd, int n) {
        var out = new ArrayList<Edge>();
        var pairs = new HashSet<String>();
        for (int i = 1; i < n; i++) add(rnd, rnd.nextInt(i), i, out, pairs);
        for (int k = 0; k < rnd.nextInt(n); k++) {
            int a = rnd.nextInt(n), b = rnd.nextInt(n);
            if (a != b) add(rnd, Math.min(a, b), Math.max(a, b), out, pairs);
        }
        return out;
    }

    private static void add(Random rnd, int a, int b, List<Edge> out, Set<String> pairs) {
        String s = name(a) + "|" + name(b);
        if (!pairs.add(s)) return;
        var n = new Vec3(rnd.nextGaussian(), rnd.nextGaussian(), rnd.nextGaussian()).unit();
        out.add(new Edge(s, name(a), name(b), n, rnd.nextInt(4) == 0, 1 + 5 * rnd.nextDouble(), 20 * rnd.nextDouble()));
    }

    /** The least over all trees, by trying them. */
    private static double brute(List<Set<String>> clusters, List<JoinOrder.Pair> so, List<Edge> edges, Map<String, Double> grams, Aim aim,
            Inside inside) {
        if (clusters.size() == 1) return JoinOrder.cost(so, grams, edges, aim, inside);
        double best = Double.POSITIVE_INFINITY;
        for (int i = 0; i < clusters.size(); i++) for (int k = i + 1; k < clusters.size(); k++) {
            var a = clusters.get(i);
            var b = clusters.get(k);
            var between = edges.stream()
                    .filter(e -> a.contains(e.first()) && b.contains(e.second()) || b.contains(e.first()) && a.contains(e.second()))
                    .map(Edge::seam)
                    .toList();
            if (between.isEmpty()) continue;
            var next = new ArrayList<>(clusters);
            next.remove(a);
            next.remove(b);
            var both = new HashSet<>(a);
            both.addAll(b);
            next.add(both);
            var steps = new ArrayList<>(so);
            steps.add(new JoinOrder.Pair(List.copyOf(a), List.copyOf(b), between, ""));
            best = Math.min(best, brute(next, steps, edges, grams, aim, inside));
        }
        return best;
    }

    @RepeatedTest(10)
    void noTreeIsBetter(RepetitionInfo info) {
        var rnd = new Random(info.getCurrentRepetition());
        int n = 3 + rnd.nextInt(4);
        var grams = grams(rnd, n);
        var edges = edges(rnd, n);
        for (var aim : Aim.values()) {
            if (aim == Aim.SOONEST && n > 5) continue; // the same tree comes in many orders of its steps
            // every third seam is worked on from inside, where no more than three parts stand round it
            var inside = new Inside(edges.stream().map(Edge::seam).filter(e -> e.hashCode() % 3 == 0).collect(Collectors.toSet()),
                    (seam, together) -> together.size() > 3 ? 0 : 1);
            var found = JoinOrder.best(names(n), grams, edges, aim, inside, Progress.NONE);
            var start = names(n).stream().<Set<String>>map(Set::of).toList();
            assertThat(JoinOrder.cost(found, grams, edges, aim, inside)).as(aim.words())
                    .isCloseTo(brute(start, List.of(), edges, grams, aim, inside), within(1e-6));
        }
    }

    private static void check(List<String> names, List<Edge> edges, List<JoinOrder.Pair> steps) {
        var cluster = new HashMap<String, Set<String>>();
        names.forEach(n -> cluster.put(n, Set.of(n)));
        var closed = new HashSet<String>();
        for (var s : steps) {
            assertThat(cluster.get(s.one().getFirst())).as("is together").isEqualTo(Set.copyOf(s.one()));
            assertThat(cluster.get(s.other().getFirst())).isEqualTo(Set.copyOf(s.other()));
            for (var e : edges) {
                boolean between = s.one().contains(e.first()) && s.other().contains(e.second())
                        || s.other().contains(e.first()) && s.one().contains(e.second());
                assertThat(s.seams().contains(e.seam())).as("all seams between at once").isEqualTo(between);
            }
            assertThat(s.seams()).isNotEmpty();
            closed.addAll(s.seams());
            var both = new HashSet<>(s.one());
            both.addAll(s.other());
            both.forEach(n -> cluster.put(n, both));
        }
        assertThat(closed).hasSameSizeAs(edges);
    }

    @RepeatedTest(6)
    void everySeamIsClosedOnceByPartsThatAreTogether(RepetitionInfo info) {
        var rnd = new Random(70 + info.getCurrentRepetition());
        int n = info.getCurrentRepetition() < 4 ? 4 + rnd.nextInt(5) : 14 + rnd.nextInt(12);
        var edges = edges(rnd, n);
        for (var aim : Aim.values())
            check(names(n), edges, JoinOrder.best(names(n), grams(rnd, n), edges, aim, Inside.NONE, Progress.NONE));
    }

    @Test
    void aManyPartedPropIsOrderedToo() {
        var rnd = new Random(5);
        var all = IntStream.range(0, 200).mapToObj(i -> "S" + i).toList();
        var edges = new ArrayList<Edge>();
        for (int i = 1; i < 200; i++)
            edges.add(new Edge("S" + (i - 1) + "|S" + i, "S" + (i - 1), "S" + i, Vec3.Z, rnd.nextBoolean(), 2, 5));
        check(all, edges, JoinOrder.best(all, Map.of(), edges, Aim.LEAST_HOLDING, Inside.NONE, Progress.NONE));
    }

    @Test
    void pinsThatPointTwoWaysDoNotGoOnAtOnce() {
        var edges = List.of(new Edge("A|B", "A", "B", Vec3.Z, true, 2, 5), new Edge("B|C", "B", "C", Vec3.X, true, 2, 5),
                new Edge("A|C", "A", "C", Vec3.Z, true, 2, 5));
        var steps = JoinOrder.best(List.of("A", "B", "C"), Map.of("A", 50.0, "B", 50.0, "C", 50.0), edges, Aim.LEAST_HOLDING, Inside.NONE,
                Progress.NONE);
        assertThat(steps.getFirst().seams()).as("the odd one first, then both that point alike").containsExactly("B|C");
        assertThat(steps).allMatch(JoinOrder.Pair::free);
    }

    @Test
    void looseAndSinglePartsAreInNoStep() {
        assertThat(JoinOrder.best(List.of("A", "B"), Map.of(), List.of(), Aim.SOONEST, Inside.NONE, Progress.NONE)).isEmpty();
        assertThat(JoinOrder.best(List.of("A"), Map.of(), List.of(), Aim.SOONEST, Inside.NONE, Progress.NONE)).isEmpty();
        assertThat(JoinOrder.best(List.of(), Map.of(), List.of(), Aim.SOONEST, Inside.NONE, Progress.NONE)).isEmpty();
    }

    @Test
    void whatIsWorkedOnFromInsideIsClosedWhileItIsReached() {
        var edges = List.of(new Edge("A|B", "A", "B", Vec3.Z, false, 2, 5), new Edge("B|C", "B", "C", Vec3.Z, false, 2, 5),
                new Edge("C|D", "C", "D", Vec3.Z, false, 2, 5));
        var grams = Map.of("A", 10.0, "B", 300.0, "C", 300.0, "D", 10.0);
        var steps = JoinOrder.best(names(4), grams, edges, Aim.LEAST_HOLDING,
                new Inside(Set.of("B|C"), (seam, together) -> together.size() > 2 ? 0 : 1), Progress.NONE);
        assertThat(steps.getFirst().seams()).containsExactly("B|C");
    }

    @Test
    void theMakersOwnOrderIsKeptAndWhatCannotGoIsSaid() {
        var edges = List.of(new Edge("A|B", "A", "B", Vec3.Z, true, 2, 5), new Edge("B|C", "B", "C", Vec3.X, true, 2, 5),
                new Edge("A|C", "A", "C", Vec3.Z, true, 2, 5));
        var grams = Map.of("A", 50.0, "B", 50.0, "C", 50.0);
        var own = JoinOrder.own(names(3), grams, edges, List.of("A|C", "nothing", "B|C"));
        assertThat(own).hasSize(2);
        assertThat(own.getFirst().seams()).containsExactly("A|C");
        assertThat(own.getFirst().free()).isTrue();
        assertThat(own.get(1).seams()).containsExactlyInAnyOrder("A|B", "B|C");
        assertThat(own.get(1).blocked()).isEqualTo("the pins of A|B and B|C point 90 degrees apart");
        check(names(3), edges, JoinOrder.own(names(3), grams, edges, List.of()));
        var shut = List.of(new Edge("A|B", "A", "B", Vec3.Z, false, 2, 5), new Edge("B|C", "B", "C", Vec3.Z, false, 2, 5),
                new Edge("A|C", "A", "C", Vec3.X, false, 2, 5));
        assertThat(JoinOrder.own(names(3), grams, shut, List.of("A|C")).get(1).blocked())
                .startsWith("it is shut in between the faces of A|B");
    }

    @RepeatedTest(4)
    void anyOwnOrderClosesEverySeamOnce(RepetitionInfo info) {
        var rnd = new Random(200 + info.getCurrentRepetition());
        int n = 4 + rnd.nextInt(12);
        var edges = edges(rnd, n);
        var order = new ArrayList<>(edges.stream().map(Edge::seam).toList());
        java.util.Collections.shuffle(order, rnd);
        check(names(n), edges, JoinOrder.own(names(n), grams(rnd, n), edges, order.subList(0, order.size() / 2)));
    }

    /** A block of 3 x 2 x 2 parts with pins in every seam goes together slab by slab; parts one by one never would. */
    @Test
    void aGridOfPinnedPartsGoesTogetherCutByCut() {
        var edges = new ArrayList<Edge>();
        var all = new ArrayList<String>();
        for (int x = 0; x < 3; x++) for (int y = 0; y < 2; y++) for (int z = 0; z < 2; z++) {
            String me = "P" + x + y + z;
            all.add(me);
            if (x < 2) edges.add(new Edge(me + "x", me, "P" + (x + 1) + y + z, Vec3.X, true, 2, 18, x));
            if (y < 1) edges.add(new Edge(me + "y", me, "P" + x + (y + 1) + z, Vec3.Y, true, 2, 18, 10));
            if (z < 1) edges.add(new Edge(me + "z", me, "P" + x + y + (z + 1), Vec3.Z, true, 2, 18, 20));
        }
        for (var aim : Aim.values()) {
            var steps = JoinOrder.best(all, Map.of(), edges, aim, Inside.NONE, Progress.NONE);
            check(all, edges, steps);
            assertThat(steps).as(aim.words()).allMatch(JoinOrder.Pair::free);
        }
    }
}
