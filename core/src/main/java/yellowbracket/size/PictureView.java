package yellowbracket.size;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.DiagonalMatrix;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresFactory;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.MultivariateJacobianFunction;
import org.hipparchus.util.Pair;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * From where a picture shows the model: scaled orthographic, as from far away. {@code turn}: rows point to the right of the picture, up in
 * it, and towards who looks; {@code perMm} shares of the picture's width for each mm of the model; {@code u0, v0} where its origin is seen.
 * Two pairs of points keep the direction of looking they start from and give size, roll and place; three and four give the direction too
 * (least squares by Levenberg and Marquardt from many starts; with three there are two answers, the one nearer to the start is taken).
 */
public record PictureView(Turn turn, double perMm, double u0, double v0, double errorShare) {
    /** As seen from straight ahead: the model faces +y, its left is the picture's right. */
    public static final Turn FRONT = new Turn(Vec3.X.times(-1), Vec3.Z, Vec3.Y);
    private static final double STEP = 1e-6;
    /** Answers this much worse than the best are none; shares of the width. */
    private static final double AS_GOOD = 1e-4;

    public double u(Vec3 p) {
        return u0 + perMm * turn.row0().dot(p);
    }

    public double v(Vec3 p) {
        return v0 - perMm * turn.row1().dot(p);
    }

    /** Empty for fewer than two pairs, or for points that lie together. @param start from where it is looked at about */
    public static Optional<PictureView> of(List<Reference.Pair> pairs, Turn start) {
        if (pairs.size() < 2 || tooNear(pairs)) return Optional.empty();
        if (pairs.size() == 2) return Optional.of(rolled(pairs, start));
        var middle = middle(pairs);
        var found = starts(start).stream().map(t -> refined(pairs, middle, t)).filter(v -> v.perMm > 0).toList();
        double best = found.stream().mapToDouble(PictureView::errorShare).min().orElse(Double.POSITIVE_INFINITY);
        return found.stream()
                .filter(v -> v.errorShare <= best + AS_GOOD)
                .min(Comparator.comparingDouble((PictureView v) -> Math.rint((v.errorShare - best) / AS_GOOD))
                        .thenComparingDouble(v -> apart(v.turn, start)));
    }

    private static boolean tooNear(List<Reference.Pair> pairs) {
        for (int i = 0; i < pairs.size(); i++) for (int j = 0; j < i; j++) {
            var a = pairs.get(i);
            var b = pairs.get(j);
            if (a.model().distance(b.model()) < 1e-6 || Math.hypot(a.u() - b.u(), a.v() - b.v()) < 1e-6) return true;
        }
        return false;
    }

    /** How far one must turn from one to the other, degrees. */
    static double apart(Turn a, Turn b) {
        double trace = a.row0().dot(b.row0()) + a.row1().dot(b.row1()) + a.row2().dot(b.row2());
        return Math.toDegrees(Math.acos(Math.clamp((trace - 1) / 2, -1, 1)));
    }

    private static Vec3 middle(List<Reference.Pair> pairs) {
        return pairs.stream().map(Reference.Pair::model).reduce(Vec3.ZERO, Vec3::plus).times(1.0 / pairs.size());
    }

    /** The direction stays: the picture is turned in its plane. */
    private static PictureView rolled(List<Reference.Pair> pairs, Turn start) {
        var a = pairs.get(0);
        var b = pairs.get(1);
        var d = b.model().minus(a.model());
        double x = start.row0().dot(d), y = start.row1().dot(d), u = b.u() - a.u(), w = -(b.v() - a.v());
        double k = Math.hypot(u, w) / Math.max(1e-9, Math.hypot(x, y)), roll = Math.atan2(w, u) - Math.atan2(y, x);
        double c = Math.cos(roll), s = Math.sin(roll);
        var turn = new Turn(start.row0().times(c).minus(start.row1().times(s)), start.row0().times(s).plus(start.row1().times(c)),
                start.row2());
        return placed(turn, k, pairs);
    }

    /** Where it lies best, and what is left. */
    private static PictureView placed(Turn t, double k, List<Reference.Pair> pairs) {
        double u0 = 0, v0 = 0;
        for (var p : pairs) {
            u0 += (p.u() - k * t.row0().dot(p.model())) / pairs.size();
            v0 += (p.v() + k * t.row1().dot(p.model())) / pairs.size();
        }
        var view = new PictureView(t, k, u0, v0, 0);
        double sum = 0;
        for (var p : pairs) sum += Math.pow(view.u(p.model()) - p.u(), 2) + Math.pow(view.v(p.model()) - p.v(), 2);
        return new PictureView(t, k, u0, v0, Math.sqrt(sum / pairs.size()));
    }

    private static List<Turn> starts(Turn start) {
        return java.util.stream.Stream
                .concat(java.util.stream.Stream.of(start), Turn.quarterTurns()
                        .stream()
                        .flatMap(q -> IntStream.of(0, 1).mapToObj(i -> i == 0 ? q : q.then(Turn.about(new Vec3(1, 1, 1).unit(), 40)))))
                .toList();
    }

    /** Unknowns: a small turn after the start, and the logarithm of the size; the place follows. */
    private static PictureView refined(List<Reference.Pair> pairs, Vec3 middle, Turn start) {
        double spread = pairs.stream().mapToDouble(p -> p.model().distance(middle)).max().orElse(1);
        double seen = pairs.stream()
                .mapToDouble(p -> Math.hypot(p.u() - pairs.getFirst().u(), p.v() - pairs.getFirst().v()))
                .max()
                .orElse(1);
        double k0 = seen / Math.max(1e-9, spread);
        MultivariateJacobianFunction f = x -> {
            var at = residuals(pairs, start, k0, x);
            RealMatrix jacobian = MatrixUtils.createRealMatrix(at.getDimension(), 4);
            for (int i = 0; i < 4; i++) {
                var moved = x.copy();
                moved.addToEntry(i, STEP);
                jacobian.setColumnVector(i, residuals(pairs, start, k0, moved).subtract(at).mapDivide(STEP));
            }
            return new Pair<>(at, jacobian);
        };
        var problem = LeastSquaresFactory.create(f, new ArrayRealVector(2 * pairs.size()), new ArrayRealVector(4),
                new DiagonalMatrix(ones(2 * pairs.size())),
                (i, before, after) -> before != null && before.getPoint().subtract(after.getPoint()).getNorm() < 1e-10, 300, 300);
        try {
            var x = new LevenbergMarquardtOptimizer().optimize(problem).getPoint();
            return placed(turned(start, x), k0 * Math.exp(x.getEntry(3)), pairs);
        } catch (org.hipparchus.exception.MathRuntimeException noAnswer) {
            return new PictureView(start, -1, 0, 0, Double.POSITIVE_INFINITY); // from another start there is one
        }
    }

    private static double[] ones(int n) {
        var out = new double[n];
        java.util.Arrays.fill(out, 1);
        return out;
    }

    private static Turn turned(Turn start, RealVector x) {
        var axis = new Vec3(x.getEntry(0), x.getEntry(1), x.getEntry(2));
        double angle = axis.norm();
        return angle < 1e-12 ? start : start.then(Turn.about(axis.times(1 / angle), Math.toDegrees(angle)));
    }

    private static RealVector residuals(List<Reference.Pair> pairs, Turn start, double k0, RealVector x) {
        var view = placed(turned(start, x), k0 * Math.exp(Math.clamp(x.getEntry(3), -20, 20)), pairs);
        var out = new double[2 * pairs.size()];
        for (int i = 0; i < pairs.size(); i++) {
            out[2 * i] = view.u(pairs.get(i).model()) - pairs.get(i).u();
            out[2 * i + 1] = view.v(pairs.get(i).model()) - pairs.get(i).v();
        }
        return new ArrayRealVector(out);
    }
}
