package yellowbracket.size;

import org.hipparchus.analysis.MultivariateFunction;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.SimpleValueChecker;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.NelderMeadSimplex;
import org.hipparchus.optim.nonlinear.scalar.noderiv.SimplexOptimizer;

/**
 * Where the head sits best: forward, up and pitch that make the least spare clearance (over what each zone needs) largest, the eyes on the
 * visor's middle. Nelder-Mead on a soft minimum, every third point of the form, a fixed budget.
 */
final class PoseSearch {
    /** Of the search for how it sits. */
    private static final int EVALUATIONS = 140;
    /** Softness of the minimum, mm: differences below it are traded against each other. */
    private static final double SOFT_MM = 2.5;

    private final HeadForm form;
    private final Cavity cavity;
    private final Room room;
    private final double scale;

    PoseSearch(HeadForm form, Cavity cavity, Room room, double scale) {
        this.form = form;
        this.cavity = cavity;
        this.room = room;
        this.scale = scale;
    }

    Pose run() {
        double eyes = cavity.visorZ().orElse(cavity.roofZ() - (form.crownZ() + 15) / scale) * scale;
        return run(new Pose(cavity.middleY() * scale, eyes, 0));
    }

    Pose run(Pose from) {
        double eyes = cavity.visorZ().orElse(Double.NaN) * scale;
        MultivariateFunction cost = v -> cost(new Pose(v[0], v[1], v[2]), eyes);
        var best = new SimplexOptimizer(new SimpleValueChecker(1e-3, 1e-2)).optimize(new MaxEval(4 * EVALUATIONS),
                new ObjectiveFunction(stopAt(cost)), GoalType.MINIMIZE,
                new InitialGuess(new double[] {from.forwardMm(), from.upMm(), from.pitchDeg()}),
                new NelderMeadSimplex(new double[] {6, 5, 4}));
        var p = best.getPoint();
        return new Pose(p[0], p[1], p[2]);
    }

    /** After the budget the function turns flat, which ends the search with the best found. */
    private static MultivariateFunction stopAt(MultivariateFunction f) {
        var calls = new int[1];
        var worst = new double[] {Double.NEGATIVE_INFINITY};
        return v -> {
            if (calls[0]++ >= EVALUATIONS) return worst[0];
            double c = f.value(v);
            worst[0] = Math.max(worst[0], c);
            return c;
        };
    }

    private double cost(Pose pose, double eyesZ) {
        var c = Clearance.of(form, cavity, scale, pose, 3);
        double soft = 0;
        int n = 0;
        for (int i = 0; i < form.samples().size(); i += 3) {
            var zone = form.samples().get(i).zone();
            if (zone == Zone.NECK || Double.isNaN(c.mm(i))) continue;
            soft += Math.exp(-Math.clamp((c.mm(i) - room.leastMm(zone)) / SOFT_MM, -60, 60));
            n++;
        }
        double least = n == 0 ? -1e3 : -SOFT_MM * Math.log(soft / n);
        double eyesOff = Double.isNaN(eyesZ) ? 0 : pose.place(form.eye(1)).z() - eyesZ;
        return -least + 0.02 * eyesOff * eyesOff + 0.02 * pose.pitchDeg() * pose.pitchDeg();
    }
}
