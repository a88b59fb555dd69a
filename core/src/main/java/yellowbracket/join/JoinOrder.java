package yellowbracket.join;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.ToDoubleBiFunction;
import java.util.stream.IntStream;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;

/**
 * In which order parts come together: over all trees of subassemblies, exact to {@link #EXACT} parts (dynamic programme over subsets),
 * beyond that the better of what a search with a beam finds and of the best tree that closes one cut at a time. Two subassemblies close all
 * seams between them at once.
 */
public final class JoinOrder {
    /** What the order is chosen by. */
    public enum Aim {
        LEAST_HOLDING("least holding"), SOONEST("soonest together"), FEWEST_AT_ONCE("fewest seams at once");

        private final String words;

        Aim(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Subassemblies are found exactly up to so many parts. */
    static final int EXACT = 9;
    private static final int BEAM = 16, BEAM_OF_MANY = 4, MANY = 40;
    /** A step that cannot be done costs more than any other way, min. */
    private static final double BLOCKED_MIN = 10_000;
    /** The inside of a seam is to be worked on and cannot be reached any more, min. */
    private static final double SHUT_MIN = 300;
    /** What cannot be wetted while the usual glue is open counts so many times: it asks for a slow one, or for tacking. */
    private static final double LATE = 4, USUAL_OPEN_MIN = 4;
    /** A gram held counts for so much of a minute of holding: half a kilogram for as much again. */
    private static final double OF_A_GRAM = 1 / 500.0;
    /** Pins point alike within some degrees, a plain face gives way up to at right angles. */
    private static final double ALIKE = Math.cos(Math.toRadians(4)), ASIDE = -0.03;

    /**
     * A seam for the order.
     * @param normal from the first to the second @param pinned goes on along the normal only @param needMin wetting and aligning
     * @param plane number of its cut; less than 0 for none
     */
    public record Edge(String seam, String first, String second, Vec3 normal, boolean pinned, double needMin, double holdMin, int plane) {
        public Edge(String seam, String first, String second, Vec3 normal, boolean pinned, double needMin, double holdMin) {
            this(seam, first, second, normal, pinned, needMin, holdMin, -1);
        }
    }

    /** Two subassemblies brought together. @param blocked why one does not go on to the other along a straight line; empty if it does */
    public record Pair(List<String> one, List<String> other, List<String> seams, String blocked) {
        public boolean free() {
            return blocked.isEmpty();
        }
    }

    /**
     * Seams whose inside is worked on once they are closed.
     * @param share of a seam's inside that is reached while some parts are together
     */
    public record Inside(Set<String> seams, ToDoubleBiFunction<String, Set<String>> share) {
        public static final Inside NONE = new Inside(Set.of(), (seam, together) -> 1);
        /** Less of it reached is not reached. */
        static final double REACHED = 0.5;

        boolean shut(String seam, Set<String> together) {
            return seams.contains(seam) && share.applyAsDouble(seam, together) < REACHED;
        }
    }

    private final List<String> names;
    private final double[] grams;
    private final List<Edge> edges;
    private final int[][] ends;
    private final Aim aim;
    private final Inside inside;

    private JoinOrder(List<String> names, Map<String, Double> grams, List<Edge> edges, Aim aim, Inside inside) {
        this.names = names;
        this.grams = names.stream().mapToDouble(n -> grams.getOrDefault(n, 0.0)).toArray();
        this.edges = edges;
        ends = edges.stream().map(e -> new int[] {names.indexOf(e.first), names.indexOf(e.second)}).toArray(int[][]::new);
        this.aim = aim;
        this.inside = inside;
    }

    /** First to last. Parts without a seam are in no step. */
    public static List<Pair> best(List<String> names, Map<String, Double> grams, List<Edge> edges, Aim aim, Inside inside,
            Progress progress) {
        var out = new ArrayList<Pair>();
        for (var own : together(names, edges)) {
            var o = new JoinOrder(own, grams, edges.stream().filter(e -> own.contains(e.first)).toList(), aim, inside);
            out.addAll(own.size() <= EXACT ? o.exact() : o.many(progress));
        }
        return List.copyOf(out);
    }

    /**
     * The maker's own: each seam in turn brings together what lies on its two sides, with all other seams between them. Seams that are not
     * named come last; names of seams that are not there are passed over.
     */
    public static List<Pair> own(List<String> names, Map<String, Double> grams, List<Edge> edges, List<String> order) {
        var o = new JoinOrder(names, grams, edges, Aim.LEAST_HOLDING, Inside.NONE);
        var in = IntStream.range(0, names.size()).toArray();
        var turn = new ArrayList<>(order);
        edges.forEach(e -> turn.add(e.seam));
        var out = new ArrayList<Pair>();
        for (var seam : turn) for (int i = 0; i < edges.size(); i++) {
            int p = in[o.ends[i][0]], q = in[o.ends[i][1]];
            if (p == q || !edges.get(i).seam.equals(seam)) continue;
            out.add(o.pair(o.within(in, p), o.within(in, q)));
            for (int k = 0; k < in.length; k++) if (in[k] == q) in[k] = p;
        }
        return List.copyOf(out);
    }

    private boolean[] within(int[] in, int which) {
        var out = new boolean[in.length];
        for (int i = 0; i < in.length; i++) out[i] = in[i] == which;
        return out;
    }

    /** What an order costs: for comparing. */
    static double cost(List<Pair> steps, Map<String, Double> grams, List<Edge> edges, Aim aim, Inside inside) {
        double sum = 0;
        var ready = new HashMap<Set<String>, Double>();
        for (var p : steps) {
            var all = new HashSet<>(p.one);
            all.addAll(p.other);
            var o = new JoinOrder(List.copyOf(all), grams,
                    edges.stream().filter(e -> all.contains(e.first) && all.contains(e.second)).toList(), aim, inside);
            double step = o.step(o.mask(p.one), o.mask(p.other));
            double a = ready.getOrDefault(new HashSet<>(p.one), 0.0), b = ready.getOrDefault(new HashSet<>(p.other), 0.0);
            ready.put(all, o.both(a, b) + step);
            sum = ready.get(all);
        }
        return sum;
    }

    private boolean[] mask(List<String> some) {
        var out = new boolean[names.size()];
        for (int i = 0; i < out.length; i++) out[i] = some.contains(names.get(i));
        return out;
    }

    private static List<List<String>> together(List<String> names, List<Edge> edges) {
        var out = new ArrayList<List<String>>();
        var left = new ArrayList<>(names);
        while (!left.isEmpty()) {
            var own = new HashSet<>(Set.of(left.getFirst()));
            for (boolean more = true; more;) {
                more = false;
                for (var e : edges) if (own.contains(e.first) != own.contains(e.second)) {
                    own.add(e.first);
                    own.add(e.second);
                    more = true;
                }
            }
            var list = names.stream().filter(own::contains).toList();
            left.removeAll(list);
            if (list.size() > 1) out.add(list);
        }
        return out;
    }

    private double both(double a, double b) {
        return aim == Aim.SOONEST ? Math.max(a, b) : a + b;
    }

    /** Minutes and what stands for them; infinite where no seam joins the two. */
    private double step(boolean[] a, boolean[] b) {
        double need = 0, hold = 0, shut = 0;
        int n = 0;
        Set<String> together = null;
        for (int i = 0; i < ends.length; i++) {
            int p = ends[i][0], q = ends[i][1];
            if (!(a[p] && b[q] || a[q] && b[p])) continue;
            n++;
            need += edges.get(i).needMin;
            hold = Math.max(hold, edges.get(i).holdMin);
            if (!inside.seams.contains(edges.get(i).seam)) continue;
            if (together == null) together = both(a, b);
            if (inside.shut(edges.get(i).seam, together)) shut += SHUT_MIN;
        }
        if (n == 0) return Double.POSITIVE_INFINITY;
        double lighter = Math.min(grams(a), grams(b));
        double late = LATE * Math.max(0, need - USUAL_OPEN_MIN);
        double cost = switch (aim) {
            case LEAST_HOLDING -> need + late + hold * (1 + lighter * OF_A_GRAM) + 2 * (n - 1);
            case SOONEST -> need + late + hold;
            case FEWEST_AT_ONCE -> need + 60 * (n - 1) * (n - 1);
        };
        return cost + shut + (free(a, b) ? 0 : BLOCKED_MIN);
    }

    private Set<String> both(boolean[] a, boolean[] b) {
        var out = new HashSet<String>();
        for (int i = 0; i < a.length; i++) if (a[i] || b[i]) out.add(names.get(i));
        return out;
    }

    private double grams(boolean[] some) {
        double sum = 0;
        for (int i = 0; i < grams.length; i++) if (some[i]) sum += grams[i];
        return sum;
    }

    private boolean free(boolean[] a, boolean[] b) {
        return blocked(a, b, false).isEmpty();
    }

    /** Why one cannot go on to the other along a straight line; empty where it can. @param said whether the words matter */
    private String blocked(boolean[] a, boolean[] b, boolean said) {
        var ways = new ArrayList<Vec3>();
        var seams = new ArrayList<String>();
        Vec3 pin = null;
        String pinned = "";
        for (int i = 0; i < ends.length; i++) {
            boolean forth = a[ends[i][0]] && b[ends[i][1]];
            if (!forth && !(a[ends[i][1]] && b[ends[i][0]])) continue;
            var n = edges.get(i).normal.times(forth ? 1 : -1);
            ways.add(n);
            if (said) seams.add(edges.get(i).seam);
            if (!edges.get(i).pinned) continue;
            if (pin != null && pin.dot(n) < ALIKE) return String.format(Locale.ROOT, "the pins of %s and %s point %.0f degrees apart",
                    pinned, edges.get(i).seam, Math.toDegrees(Math.acos(Math.clamp(pin.dot(n), -1, 1))));
            pin = n;
            pinned = edges.get(i).seam;
        }
        if (pin != null && clear(pin, ways)) return "";
        if (pin != null) return "the pins of " + pinned + " point to where " + String.join(", ", seams) + " do not let it go";
        var tried = new ArrayList<>(ways);
        var sum = ways.stream().reduce(Vec3.ZERO, Vec3::plus);
        if (sum.norm() > 1e-6) tried.add(sum.unit());
        for (int i = 0; i < ways.size(); i++) for (int k = i + 1; k < ways.size(); k++) {
            var c = ways.get(i).cross(ways.get(k));
            if (c.norm() > 1e-3) {
                tried.add(c.unit());
                tried.add(c.unit().times(-1));
            }
        }
        return tried.stream().anyMatch(d -> clear(d, ways)) ? ""
                : "it is shut in between the faces of " + String.join(", ", seams) + ", with no straight way there";
    }

    private static boolean clear(Vec3 d, List<Vec3> ways) {
        return ways.stream().allMatch(n -> n.dot(d) > ASIDE);
    }

    private boolean[] bits(int set) {
        var out = new boolean[names.size()];
        for (int i = 0; i < out.length; i++) out[i] = (set >> i & 1) == 1;
        return out;
    }

    private List<Pair> exact() {
        int n = names.size(), all = (1 << n) - 1;
        var best = new double[all + 1];
        var part = new int[all + 1];
        Arrays.fill(best, Double.POSITIVE_INFINITY);
        for (int i = 0; i < n; i++) best[1 << i] = 0;
        for (int s = 3; s <= all; s++) {
            if (Integer.bitCount(s) < 2) continue;
            int low = Integer.lowestOneBit(s);
            for (int a = (s - 1) & s; a > 0; a = (a - 1) & s) {
                int b = s ^ a;
                if ((a & low) == 0 || best[a] == Double.POSITIVE_INFINITY || best[b] == Double.POSITIVE_INFINITY) continue;
                double c = both(best[a], best[b]);
                if (c >= best[s]) continue;
                c += step(bits(a), bits(b));
                if (c < best[s]) {
                    best[s] = c;
                    part[s] = a;
                }
            }
        }
        var out = new ArrayList<Pair>();
        unfold(all, part, out);
        return out;
    }

    private void unfold(int set, int[] part, List<Pair> out) {
        if (Integer.bitCount(set) < 2) return;
        unfold(part[set], part, out);
        unfold(set ^ part[set], part, out);
        out.add(pair(bits(part[set]), bits(set ^ part[set])));
    }

    private Pair pair(boolean[] a, boolean[] b) {
        var seams = new ArrayList<String>();
        for (int i = 0; i < ends.length; i++)
            if (a[ends[i][0]] && b[ends[i][1]] || a[ends[i][1]] && b[ends[i][0]]) seams.add(edges.get(i).seam);
        // the lighter goes on to the heavier
        String blocked = blocked(a, b, true);
        return grams(a) <= grams(b) ? new Pair(called(a), called(b), seams, blocked) : new Pair(called(b), called(a), seams, blocked);
    }

    private List<String> called(boolean[] some) {
        var out = new ArrayList<String>();
        for (int i = 0; i < some.length; i++) if (some[i]) out.add(names.get(i));
        out.sort(Comparator.comparing(String::length).thenComparing(Comparator.naturalOrder()));
        return out;
    }

    private List<Pair> many(Progress progress) {
        var found = beam(progress);
        var byCuts = names.size() > MANY ? null : cutByCut(all(), new HashMap<>(), progress);
        if (byCuts == null || byCuts.cost == Double.POSITIVE_INFINITY) return found;
        var out = new ArrayList<Pair>();
        unfold(byCuts, out);
        var by = new HashMap<String, Double>();
        for (int i = 0; i < grams.length; i++) by.put(names.get(i), grams[i]);
        return cost(out, by, edges, aim, inside) < cost(found, by, edges, aim, inside) ? out : found;
    }

    private BitSet all() {
        var out = new BitSet();
        out.set(0, names.size());
        return out;
    }

    /** A subassembly and the two it is made of, with what that costs. */
    private record Tree(BitSet set, Tree one, Tree other, double cost) {}

    /** The cheapest way to a subassembly that closes the seams of one cut at each step: these always go on straight. */
    private Tree cutByCut(BitSet set, Map<BitSet, Tree> known, Progress progress) {
        if (set.cardinality() == 1) return new Tree(set, null, null, 0);
        var before = known.get(set);
        if (before != null) return before;
        progress.check();
        var best = new Tree(set, null, null, Double.POSITIVE_INFINITY);
        var tried = new HashSet<BitSet>();
        for (int i = 0; i < ends.length; i++) {
            if (!set.get(ends[i][0]) || !set.get(ends[i][1])) continue;
            var side = beyond(set, i);
            if (side.get(ends[i][1]) || !tried.add(side)) continue;
            var rest = (BitSet) set.clone();
            rest.andNot(side);
            if (!beyond(rest, i, ends[i][1]).equals(rest)) continue; // falls in more than two
            Tree a = cutByCut(side, known, progress), b = cutByCut(rest, known, progress);
            double c = both(a.cost, b.cost) + step(bits(side), bits(rest));
            if (c < best.cost) best = new Tree(set, a, b, c);
        }
        known.put(set, best);
        return best;
    }

    private BitSet beyond(BitSet set, int edge) {
        return beyond(set, edge, ends[edge][0]);
    }

    /** What of a set hangs together with a part when the seams of an edge's cut are open. */
    private BitSet beyond(BitSet set, int edge, int from) {
        var out = new BitSet();
        out.set(from);
        for (boolean more = true; more;) {
            more = false;
            for (int k = 0; k < ends.length; k++) {
                int p = ends[k][0], q = ends[k][1];
                boolean open = k == edge || edges.get(k).plane >= 0 && edges.get(k).plane == edges.get(edge).plane;
                if (open || !set.get(p) || !set.get(q) || out.get(p) == out.get(q)) continue;
                out.set(p);
                out.set(q);
                more = true;
            }
        }
        return out;
    }

    private boolean[] bits(BitSet set) {
        var out = new boolean[names.size()];
        for (int i = 0; i < out.length; i++) out[i] = set.get(i);
        return out;
    }

    private void unfold(Tree t, List<Pair> out) {
        if (t.one == null) return;
        unfold(t.one, out);
        unfold(t.other, out);
        out.add(pair(bits(t.one.set), bits(t.other.set)));
    }

    /** Subassemblies so far, by the number each part is in, with what each has cost. */
    private record State(int[] in, double[] cost, double sum, List<Pair> steps) {}

    private List<Pair> beam(Progress progress) {
        int n = names.size(), wide = n > MANY ? BEAM_OF_MANY : BEAM;
        var in = new int[n];
        for (int i = 0; i < n; i++) in[i] = i;
        var states = List.of(new State(in, new double[n], 0, List.of()));
        for (int round = 1; round < n; round++) {
            progress.check();
            var next = new HashMap<List<Integer>, State>();
            for (var s : states) {
                var tried = new HashSet<Long>();
                for (var e : ends) {
                    int p = Math.min(s.in[e[0]], s.in[e[1]]), q = Math.max(s.in[e[0]], s.in[e[1]]);
                    if (p == q || !tried.add((long) p << 32 | q)) continue;
                    var merged = merged(s, p, q);
                    next.merge(Arrays.stream(merged.in).boxed().toList(), merged, (x, y) -> x.sum <= y.sum ? x : y);
                }
            }
            states = next.values().stream().sorted(Comparator.comparingDouble(State::sum)).limit(wide).toList();
        }
        return states.getFirst().steps;
    }

    private State merged(State s, int p, int q) {
        int n = s.in.length;
        boolean[] a = new boolean[n], b = new boolean[n];
        for (int i = 0; i < n; i++) {
            a[i] = s.in[i] == p;
            b[i] = s.in[i] == q;
        }
        var in = s.in.clone();
        for (int i = 0; i < n; i++) if (b[i]) in[i] = p;
        var cost = s.cost.clone();
        double step = step(a, b);
        cost[p] = both(cost[p], cost[q]) + step;
        cost[q] = 0;
        double sum = aim == Aim.SOONEST ? Arrays.stream(cost).max().orElse(0) + 1e-3 * Arrays.stream(cost).sum() : s.sum + step;
        var steps = new ArrayList<>(s.steps);
        steps.add(pair(a, b));
        return new State(in, cost, sum, steps);
    }
}
