package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.shop.Catalogue;

/** The surface after each of a plan's steps, for places of any depth; what was asked once is kept. Not for several threads at once. */
public final class Walk {
    /** Depths are told apart so finely, um. */
    private static final double CELL_UM = 2;

    private final SmoothPlan plan;
    private final Catalogue shop;
    private final Map<Areas.Area, List<List<Ladder.Step>>> steps = new HashMap<>();
    private final Map<Areas.Area, double[][]> valleys = new HashMap<>();

    public Walk(SmoothPlan plan, Catalogue shop) {
        this.plan = plan;
        this.shop = shop;
        for (var a : plan.areas().list()) {
            var own = new ArrayList<List<Ladder.Step>>();
            for (int k = 0; k <= plan.work().size(); k++) own.add(plan.until(a, k));
            steps.put(a, own);
            valleys.put(a, new double[plan.work().size() + 1][]);
        }
    }

    /** What is left open of a valley, um. @param done how many of the plan's steps */
    public double valleyUm(Areas.Area area, double depthUm, int done) {
        int cell = (int) Math.round(Math.clamp(depthUm, 0, 4000) / CELL_UM);
        var row = valleys.get(area)[done];
        if (row == null || row.length <= cell) {
            var longer = new double[cell + 64];
            Arrays.fill(longer, Double.NaN);
            if (row != null) System.arraycopy(row, 0, longer, 0, row.length);
            valleys.get(area)[done] = longer;
            row = longer;
        }
        if (Double.isNaN(row[cell])) row[cell] = surfaces(area, cell * CELL_UM, done).getLast().valley();
        return row[cell];
    }

    /** As printed, and after each of its steps among the first so many of the plan's. */
    public List<Surface> surfaces(Areas.Area area, double depthUm, int done) {
        var out = new ArrayList<Surface>();
        out.add(Surface.printed(depthUm, shop));
        for (var s : steps.get(area).get(done)) out.add(out.getLast().after(s, shop));
        return out;
    }

    /** The steps those surfaces come of. */
    public List<Ladder.Step> steps(Areas.Area area, int done) {
        return steps.get(area).get(done);
    }

}
