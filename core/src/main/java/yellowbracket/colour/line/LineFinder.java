package yellowbracket.colour.line;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import yellowbracket.colour.zone.Finer;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;

/**
 * Finds grooves and raised lines of a mesh, sharp or rounded, whatever its triangles. A ball twice as wide as the widest line does not
 * come into a groove. What it does not reach, cut across its length into bands, has the line for its middle. An inner corner keeps out a
 * larger ball over a wider strip, a groove does not: so corners fall out. Raised lines are the same from within. Lines nobody sees are
 * left out.
 */
public final class LineFinder {
    private static final double BALL = 1, LARGER = 2;
    /** So far beyond its border, as a share of the ball, a hollow that goes on is a corner's. */
    private static final double BEYOND = 0.25;
    /** Pieces and bands, as shares of the widest line. */
    private static final double PIECE = 0.3, STEP = 0.7, LEAST_PIECE_MM = 0.4;
    /** What counts as a line: so much longer than wide, so deep, and no deeper than so many times the widest. */
    private static final double LONG = 4, LEAST_MM = 12, LEAST_WIDTH_MM = 0.3, LEAST_DEPTH_MM = 0.2, STEEP = 0.15, DEEP = 4;
    /** What lies so far beside it is looked at. */
    private static final double BESIDE_MM = 0.3;
    /** Surfaces at both lips look the same way, by the length of their mean normal. */
    private static final double ALIKE = 0.85;
    /** A fork shorter than this many widths is a bulge. */
    private static final double SPUR = 1.3;
    /** A band with more of its border to a hollow is in a corner. */
    private static final double CORNER = 0.5;

    private final Mesh mesh;
    private final Bvh index;
    private final SurfaceLine.Kind kind;
    private final double widest;
    private List<Bands.Band> bands = List.of();
    private List<Set<Integer>> next = List.of();

    private LineFinder(Mesh mesh, Bvh index, SurfaceLine.Kind kind, double widest) {
        this.mesh = mesh;
        this.index = index;
        this.kind = kind;
        this.widest = widest;
    }

    /** Longest first. @param widestMm what is wider is no line */
    public static List<SurfaceLine> find(Mesh m, Bvh index, double widestMm) {
        if (m.isEmpty()) return List.of();
        var out = new ArrayList<SurfaceLine>();
        for (var kind : SurfaceLine.Kind.values()) out.addAll(new LineFinder(m, index, kind, widestMm).run());
        out.removeIf(l -> out.stream().anyMatch(o -> o.kind() != l.kind() && o.depthMm() > l.depthMm() && beside(l, o)));
        out.sort(Comparator.comparingDouble(l -> -l.lengthMm()));
        return List.copyOf(out);
    }

    /** The lip of a groove is no raised line, nor the foot of a bar a groove. */
    private static boolean beside(SurfaceLine l, SurfaceLine deeper) {
        double near = (l.widthMm() + deeper.widthMm()) / 2;
        var points = l.runs().stream().flatMap(List::stream).toList();
        return 2 * points.stream().filter(p -> deeper.distance(p) < near).count() > points.size();
    }

    private List<SurfaceLine> run() {
        double ball = BALL * widest;
        var reach = kind == SurfaceLine.Kind.GROOVE ? Narrow.outside(index) : Narrow.within(mesh);
        var narrow = reach.facets(mesh, ball);
        var near = mesh.only(beside(narrow));
        var fine = Finer.all(Painted.all(near, 0), Math.max(LEAST_PIECE_MM, PIECE * widest));
        var in = reach.facets(fine.mesh(), ball);
        bands = new Bands(fine, in, STEP * widest).run(l -> {
            var beyond = index.closest(l.at().plus(l.away().times(BEYOND * ball)));
            var a = mesh.areaVector(beyond.triangle());
            return a.norm() > 0 && reach.stopped(beyond.point(), a.unit(), LARGER * ball, l.away().times(-1));
        });
        next = new ArrayList<>();
        for (var b : bands) next.add(new TreeSet<>(b.next()));
        for (int b = 0; b < bands.size(); b++) if (bands.get(b).wider() > CORNER) isolate(b);
        var shown = new boolean[bands.size()];
        for (int b = 0; b < shown.length; b++) shown[b] = shown(bands.get(b));
        var out = new ArrayList<SurfaceLine>();
        var done = new boolean[bands.size()];
        for (int b = 0; b < done.length; b++) {
            if (done[b] || next.get(b).isEmpty()) continue;
            var net = together(b, done);
            if (net.stream().filter(i -> shown[i]).count() * 2 >= net.size()) line(net).ifPresent(out::add);
        }
        return out;
    }

    /** With what lies next to it. */
    private boolean[] beside(boolean[] in) {
        var adjacency = new Adjacency(mesh);
        var out = in.clone();
        for (int c = 0; c < 3 * in.length; c++) if (in[c / 3] && adjacency.across(c) >= 0) out[adjacency.across(c) / 3] = true;
        return out;
    }

    /** Whether what lies beside it is seen. */
    private boolean shown(Bands.Band b) {
        double all = 0, open = 0;
        for (var l : b.lips()) {
            all += l.mm();
            if (ShowSide.seen(index, l.at().plus(l.away().times(BESIDE_MM)), l.normal())) open += l.mm();
        }
        return open * 2 >= all;
    }

    private void isolate(int b) {
        for (int n : next.get(b)) next.get(n).remove(b);
        next.get(b).clear();
    }

    private Set<Integer> together(int start, boolean[] done) {
        var out = new LinkedHashSet<Integer>();
        var todo = new ArrayList<>(List.of(start));
        while (!todo.isEmpty()) {
            int b = todo.removeLast();
            if (!out.add(b)) continue;
            done[b] = true;
            todo.addAll(next.get(b));
        }
        return out;
    }

    private java.util.Optional<SurfaceLine> line(Set<Integer> net) {
        var width = new ArrayList<Double>();
        var depth = new ArrayList<Double>();
        for (int b : net) section(b).ifPresent(s -> {
            width.add(s[0]);
            depth.add(s[1]);
        });
        if (width.size() < 2 || 2 * width.size() < net.size()) return java.util.Optional.empty();
        double wide = median(width), deep = median(depth);
        prune(net, SPUR * wide);
        var runs = runs(net);
        double length = ends(net);
        for (var r : runs) for (int i = 1; i < r.size(); i++) length += r.get(i - 1).distance(r.get(i));
        boolean is = wide >= LEAST_WIDTH_MM && wide <= widest && deep >= Math.max(LEAST_DEPTH_MM, STEEP * wide) && deep <= DEEP * widest
                && length >= Math.max(LEAST_MM, LONG * wide);
        return is && !runs.isEmpty() ? java.util.Optional.of(new SurfaceLine(kind, runs, length, wide, deep)) : java.util.Optional.empty();
    }

    private Vec3 middle(int b) {
        return bands.get(b).middle();
    }

    /** Width between its lips and depth below them; nothing where there is a lip on one side only. */
    private java.util.Optional<double[]> section(int b) {
        var along = along(b);
        var band = bands.get(b);
        if (along.norm() < 1e-9 || band.lips().isEmpty()) return java.util.Optional.empty();
        var normal = Vec3.ZERO;
        double all = 0;
        for (var l : band.lips()) {
            normal = normal.plus(l.normal().times(l.mm()));
            all += l.mm();
        }
        normal = normal.minus(along.times(normal.dot(along)));
        if (normal.norm() < ALIKE * all) return java.util.Optional.empty();
        normal = normal.unit();
        var across = along.cross(normal);
        double left = 0, right = 0, leftUp = 0, rightUp = 0, leftMm = 0, rightMm = 0;
        for (var l : band.lips()) {
            var from = l.at().minus(band.middle());
            double x = from.dot(across), up = from.dot(normal);
            if (x < 0) {
                left += x * l.mm();
                leftUp += up * l.mm();
                leftMm += l.mm();
            } else {
                right += x * l.mm();
                rightUp += up * l.mm();
                rightMm += l.mm();
            }
        }
        if (leftMm < 0.15 * all || rightMm < 0.15 * all) return java.util.Optional.empty();
        double sign = kind == SurfaceLine.Kind.GROOVE ? -1 : 1, most = Double.NEGATIVE_INFINITY;
        for (var c : band.corners()) most = Math.max(most, sign * c.minus(band.middle()).dot(normal));
        // here: from the lower lip of a groove, the higher foot of a bar: a step has none
        return java.util.Optional
                .of(new double[] {right / rightMm - left / leftMm, most - Math.max(sign * leftUp / leftMm, sign * rightUp / rightMm)});
    }

    private Vec3 along(int b) {
        var around = next.get(b).stream().map(this::middle).toList();
        if (around.isEmpty() || around.size() > 2) return Vec3.ZERO;
        var d = around.getLast().minus(around.size() == 1 ? middle(b) : around.getFirst());
        return d.norm() > 0 ? d.unit() : Vec3.ZERO;
    }

    private static double median(List<Double> values) {
        return values.stream().sorted().toList().get(values.size() / 2);
    }

    /** Ends of short forks are taken away. */
    private void prune(Set<Integer> net, double shorter) {
        for (int end : List.copyOf(net)) {
            if (next.get(end).size() != 1) continue;
            var way = new ArrayList<Integer>();
            int at = end, from = -1;
            double length = 0;
            while (next.get(at).size() <= 2) {
                way.add(at);
                int came = from;
                var on = next.get(at).stream().filter(n -> n != came).findFirst();
                if (on.isEmpty()) break;
                length += middle(at).distance(middle(on.get()));
                from = at;
                at = on.get();
            }
            if (next.get(at).size() > 2 && length < shorter) way.forEach(b -> {
                isolate(b);
                net.remove(b);
            });
        }
    }

    /** From each fork or end to the next; rings by themselves. */
    private List<List<Vec3>> runs(Set<Integer> net) {
        var out = new ArrayList<List<Vec3>>();
        var walked = new java.util.HashSet<Long>();
        var starts = new ArrayList<>(net.stream().filter(b -> next.get(b).size() != 2 && !next.get(b).isEmpty()).toList());
        starts.addAll(net.stream().filter(b -> next.get(b).size() == 2).toList());
        for (int s : starts) for (int n : next.get(s)) {
            if (!walked.add(edge(s, n))) continue;
            var run = new ArrayList<>(List.of(middle(s), middle(n)));
            int from = s, at = n;
            while (next.get(at).size() == 2 && at != s) {
                int came = from, to = next.get(at).stream().filter(x -> x != came).findFirst().orElse(-1);
                if (to < 0 || !walked.add(edge(at, to))) break;
                run.add(middle(to));
                from = at;
                at = to;
            }
            out.add(run);
        }
        return out;
    }

    private static long edge(int a, int b) {
        return (long) Math.min(a, b) << 32 | Math.max(a, b);
    }

    /** From the middle of the last bands to where the line ends. */
    private double ends(Set<Integer> net) {
        double sum = 0;
        for (int b : net) {
            if (next.get(b).size() != 1) continue;
            var out = middle(b).minus(middle(next.get(b).iterator().next()));
            if (!(out.norm() > 0)) continue;
            var way = out.unit();
            sum += bands.get(b).corners().stream().mapToDouble(c -> c.minus(middle(b)).dot(way)).max().orElse(0);
        }
        return sum;
    }
}
