package yellowbracket.wear.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.util.Pair;
import yellowbracket.mesh.Vec3;

/**
 * The flat, round, conical or once folded surface that lies nearest to places of a wall: what a sheet behind an opening can take. First
 * from
 * how the normals lie, then by least squares (Levenberg, Marquardt).
 *
 * @param rmsMm root mean square of the distances of the nearest nine places in ten, {@code mostMm} the largest of those
 */
public record BestSurface(Developable surface, double rmsMm, double mostMm) {
    /** Closer than this nobody glues: a simpler surface that fits so well is taken. */
    private static final double NEAR_ENOUGH_MM = 0.12;
    /** How much better the less simple must fit. */
    private static final double ROUND = 1.15, FOLDED = 1.35, CONICAL = 1.4;
    private static final double STEP = 1e-4, MOST_RADIUS_MM = 2000, LEAST_RADIUS_MM = 8;
    /** Share of the places that counts: faces of the rim and what lies on the wall do not. */
    private static final double COUNTED = 0.9;
    private static final int TURNS = 60, LEAST_PLACES = 12;

    /** A place of the inner wall and the outward normal there. */
    public record Place(Vec3 at, Vec3 outward) {}

    private record Scored(BestSurface fit, double score) {}

    /** @param up about upwards on the pattern; empty when the places are too few to tell */
    public static Optional<BestSurface> of(List<Place> places, Vec3 up) {
        if (places.size() < LEAST_PLACES) return Optional.empty();
        var out = new ArrayList<Scored>();
        score(out, p -> flat(p, up), places, 1);
        for (boolean hollow : new boolean[] {true, false}) score(out, p -> round(p, up, hollow), places, ROUND);
        score(out, p -> cone(p, up), places, CONICAL);
        score(out, p -> folded(p, up), places, FOLDED);
        return out.stream().min(Comparator.comparingDouble(Scored::score)).map(Scored::fit);
    }

    private static double median(List<Place> places, Developable s) {
        var d = places.stream().mapToDouble(p -> Math.abs(s.flat(p.at)[2])).sorted().toArray();
        return d[d.length / 2];
    }

    /** Fitted to all, then again without what lies far off: a rivet or a lip beside the opening is no part of the wall. */
    private static void score(List<Scored> out, Function<List<Place>, Optional<? extends Developable>> fit, List<Place> places,
            double times) {
        var first = fit.apply(places);
        if (first.isEmpty()) return;
        double keep = Math.max(0.5, 2.5 * median(places, first.get()));
        var rest = places.stream().filter(p -> Math.abs(first.get().flat(p.at)[2]) <= keep).toList();
        var s = rest.size() < LEAST_PLACES || rest.size() == places.size() ? first : fit.apply(rest);
        if (s.isEmpty()) return;
        var d = places.stream().mapToDouble(p -> Math.abs(s.get().flat(p.at)[2])).sorted().toArray();
        int most = Math.max(1, (int) (COUNTED * d.length));
        double sum = 0;
        for (int i = 0; i < most; i++) sum += d[i] * d[i];
        double rms = Math.sqrt(sum / most);
        if (Double.isFinite(rms)) out.add(new Scored(new BestSurface(s.get(), rms, d[most - 1]), times * Math.max(NEAR_ENOUGH_MM, rms)));
    }

    private static Vec3 middle(List<Place> places) {
        var sum = Vec3.ZERO;
        for (var p : places) sum = sum.plus(p.at);
        return sum.times(1.0 / places.size());
    }

    private static Vec3 outward(List<Place> places) {
        var sum = Vec3.ZERO;
        for (var p : places) sum = sum.plus(p.outward);
        return sum.norm() < 1e-9 ? Vec3.Y : sum.unit();
    }

    /** Eigenvectors of the covariance, the least spread first. */
    private static List<Vec3> axes(List<Vec3> vectors, Vec3 about) {
        var m = new double[3][3];
        for (var p : vectors) {
            var d = p.minus(about);
            for (int i = 0; i < 3; i++) for (int j = 0; j < 3; j++) m[i][j] += d.get(i) * d.get(j);
        }
        var e = new EigenDecompositionSymmetric(new Array2DRowRealMatrix(m));
        var out = new ArrayList<Vec3>();
        for (int k = 2; k >= 0; k--) {
            var v = e.getEigenvector(k);
            out.add(new Vec3(v.getEntry(0), v.getEntry(1), v.getEntry(2)).unit());
        }
        return out;
    }

    private static Vec3 across(Vec3 v, Vec3 unit) {
        var d = v.minus(unit.times(v.dot(unit)));
        return d.norm() > 1e-6 ? d.unit() : across(Math.abs(unit.x()) < 0.7 ? Vec3.X : Vec3.Z, unit);
    }

    private static Optional<Developable.Flat> flat(List<Place> places, Vec3 up) {
        var c = middle(places);
        var n = axes(places.stream().map(Place::at).toList(), c).getFirst();
        if (n.dot(outward(places)) < 0) n = n.times(-1);
        var v = across(up, n);
        return Optional.of(new Developable.Flat(c, n.cross(v), v));
    }

    private static Optional<Developable.Cylinder> round(List<Place> places, Vec3 up, boolean hollow) {
        var axis = axes(places.stream().map(Place::outward).toList(), Vec3.ZERO).getFirst();
        if (axis.dot(up) < 0) axis = axis.times(-1);
        var c = middle(places);
        var a = axis;
        var x = across(outward(places), a);
        var y = a.cross(x);
        var circle = circle(places, c, x, y);
        if (circle == null || !(circle[2] < MOST_RADIUS_MM) || circle[2] < LEAST_RADIUS_MM) return Optional.empty();
        // here: which side the middle lies on
        if (circle[0] < 0 != hollow) return Optional.empty();
        Function<double[], Developable> made = p -> {
            var turned = a.plus(x.times(p[0])).plus(y.times(p[1])).unit();
            return new Developable.Cylinder(c.plus(x.times(p[2])).plus(y.times(p[3])), turned, across(hollow ? x : x.times(-1), turned),
                    p[4], hollow);
        };
        return refined(places, new double[] {0, 0, circle[0], circle[1], circle[2]}, made).map(s -> centred((Developable.Cylinder) s, c));
    }

    /** With v 0 at the middle of the places. */
    private static Developable.Cylinder centred(Developable.Cylinder s, Vec3 c) {
        return new Developable.Cylinder(s.origin().plus(s.axis().times(c.minus(s.origin()).dot(s.axis()))), s.axis(), s.out(), s.radius(),
                s.hollow());
    }

    /** By Kasa's linear fit: middle and radius in the plane of x and y; null where the places lie in a line. */
    private static double[] circle(List<Place> places, Vec3 c, Vec3 x, Vec3 y) {
        var m = new double[3][4];
        for (var p : places) {
            double u = p.at.minus(c).dot(x), v = p.at.minus(c).dot(y);
            double[] row = {u, v, 1};
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) m[i][j] += row[i] * row[j];
                m[i][3] += row[i] * (u * u + v * v);
            }
        }
        var s = solved(m);
        return s == null ? null : new double[] {s[0] / 2, s[1] / 2, Math.sqrt(Math.max(0, s[2] + s[0] * s[0] / 4 + s[1] * s[1] / 4))};
    }

    private static double[] solved(double[][] m) {
        try {
            var a = new Array2DRowRealMatrix(
                    new double[][] {{m[0][0], m[0][1], m[0][2]}, {m[1][0], m[1][1], m[1][2]}, {m[2][0], m[2][1], m[2][2]}});
            return new org.hipparchus.linear.LUDecomposition(a, 1e-9).getSolver()
                    .solve(new ArrayRealVector(new double[] {m[0][3], m[1][3], m[2][3]}))
                    .toArray();
        } catch (MathRuntimeException inALine) {
            return null;
        }
    }

    /** Normals of a cone make the same angle with its axis; places then tell where its tip is. */
    private static Optional<Developable.Cone> cone(List<Place> places, Vec3 up) {
        var normals = places.stream().map(Place::outward).toList();
        var mean = Vec3.ZERO;
        for (var n : normals) mean = mean.plus(n);
        mean = mean.times(1.0 / normals.size());
        var axis = axes(normals, mean).getFirst();
        if (axis.dot(up) < 0) axis = axis.times(-1);
        double sine = mean.dot(axis);
        // normals that look up: the tip is above
        if (Math.abs(sine) < 0.01 || Math.abs(sine) > 0.9) return Optional.empty();
        boolean tipUp = sine > 0;
        var into = tipUp ? axis.times(-1) : axis;
        double half = Math.toDegrees(Math.asin(Math.abs(sine)));
        var c = middle(places);
        // every tangent plane goes through the tip
        var m = new double[3][4];
        for (var p : places) {
            double h = p.outward.dot(p.at.minus(c));
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) m[i][j] += p.outward.get(i) * p.outward.get(j);
                m[i][3] += p.outward.get(i) * h;
            }
        }
        var s = solved(m);
        if (s == null) return Optional.empty();
        var tip = c.plus(new Vec3(s[0], s[1], s[2]));
        var x = across(outward(places), into);
        var y = into.cross(x);
        double middle = c.distance(tip);
        if (!(middle < 20 * MOST_RADIUS_MM)) return Optional.empty();
        Function<double[], Developable> made = p -> {
            var turned = into.plus(x.times(p[0])).plus(y.times(p[1])).unit();
            return new Developable.Cone(tip.plus(x.times(p[2])).plus(y.times(p[3])).plus(into.times(p[4])), turned, across(x, turned), p[5],
                    middle, tipUp);
        };
        return refined(places, new double[] {0, 0, 0, 0, 0, half}, made).map(d -> (Developable.Cone) d)
                .filter(d -> d.half() > 0.5 && d.half() < 80)
                .map(d -> new Developable.Cone(d.tip(), d.axis(), d.out(), d.half(), slope(d, c), d.tipUp()));
    }

    private static double slope(Developable.Cone d, Vec3 c) {
        double h = c.minus(d.tip()).dot(d.axis());
        return h / Math.cos(Math.toRadians(d.half()));
    }

    /** A flat through the places of each side, parted where the normals part. */
    private static Optional<Developable.Fold> folded(List<Place> places, Vec3 up) {
        var out = outward(places);
        var v = across(up, out);
        var right = out.cross(v);
        var c = middle(places);
        var l = places.stream().filter(p -> p.outward.dot(right) < 0).toList();
        var r = places.stream().filter(p -> p.outward.dot(right) >= 0).toList();
        if (l.size() < LEAST_PLACES / 2 || r.size() < LEAST_PLACES / 2) return Optional.empty();
        var a = flat(l, up).orElseThrow();
        var b = flat(r, up).orElseThrow();
        Vec3 na = a.normal(0, 0), nb = b.normal(0, 0);
        var line = na.cross(nb);
        if (line.norm() < 0.05) return Optional.empty();
        line = line.unit();
        if (line.dot(up) < 0) line = line.times(-1);
        var o = solved(new double[][] {{na.x(), na.y(), na.z(), na.dot(a.origin())}, {nb.x(), nb.y(), nb.z(), nb.dot(b.origin())},
                {line.x(), line.y(), line.z(), line.dot(c)}});
        if (o == null) return Optional.empty();
        var left = na.cross(line).times(-1);
        if (left.dot(right) > 0) left = left.times(-1);
        var other = nb.cross(line);
        if (other.dot(right) < 0) other = other.times(-1);
        var fold = new Developable.Fold(new Vec3(o[0], o[1], o[2]), line, left, other);
        return fold.normal(-1, 0).dot(out) > 0 && fold.normal(1, 0).dot(out) > 0 ? Optional.of(fold) : Optional.empty();
    }

    private static Optional<Developable> refined(List<Place> places, double[] start, Function<double[], Developable> made) {
        try {
            var problem = new LeastSquaresBuilder().start(start).target(new double[places.size()]).model(at -> {
                var p = at.toArray();
                var value = off(places, made.apply(p));
                var slope = new Array2DRowRealMatrix(value.length, p.length);
                for (int k = 0; k < p.length; k++) {
                    var moved = p.clone();
                    double step = STEP * Math.max(1, Math.abs(p[k]) / 10);
                    moved[k] += step;
                    var other = off(places, made.apply(moved));
                    for (int i = 0; i < value.length; i++) slope.setEntry(i, k, (other[i] - value[i]) / step);
                }
                return new Pair<>(new ArrayRealVector(value, false), slope);
            }).maxEvaluations(TURNS).maxIterations(TURNS).build();
            return Optional.of(made.apply(new LevenbergMarquardtOptimizer().optimize(problem).getPoint().toArray()));
        } catch (MathRuntimeException noBetter) {
            return Optional.of(made.apply(start));
        }
    }

    private static double[] off(List<Place> places, Developable s) {
        return places.stream().mapToDouble(p -> s.flat(p.at)[2]).toArray();
    }
}
