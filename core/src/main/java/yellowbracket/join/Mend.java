package yellowbracket.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Practice;
import yellowbracket.work.TaskId;

/**
 * How something broken is put together again, stronger than it was: what to take off, what goes across the break, with what it is glued.
 * @param hours by hand, {@code waitH} until it may be handled, as warm as the shop is
 * @param grams of {@code product}
 */
public record Mend(TaskId.Step task, String what, List<String> steps, String product, double grams, double hours, double waitH) {
    /** Thin dowels round a rim where no rod has room: diameter and depth into each side, mm. */
    private static final double DOWEL_MM = 3, DEEP_MM = 12;
    private static final int LEAST_DOWELS = 2, MOST_DOWELS = 12;
    /** Melted-in staples and inner strips lie so far apart, mm. */
    private static final double APART_MM = 25;
    private static final double THIN_MM = 5;
    private static final double LEAST_BATCH_G = 2;
    /** Cleaning up a break, and each dowel drilled and set, h. */
    private static final double CLEAN_H = 0.3, DOWEL_H = 0.08, STAPLE_H = 0.04;

    public Mend {
        steps = List.copyOf(steps);
    }

    /** A glue line that let go. */
    public static Mend seam(TaskId.Step task, SeamJoin j, List<Rod> rods, List<SeamJoin> options, Catalogue shop) {
        var steps = new ArrayList<String>();
        steps.add("scrape the old glue off both faces down to the print, scuff them P80, wipe with alcohol");
        double hours = CLEAN_H + across(j.seam().wallMm(), j.seam().lengthMm(), j.demand().bendingNmm(), rods, steps);
        var best = options.stream()
                .filter(o -> !o.speaks(SeamJoin.Why.MATERIAL) && !o.speaks(SeamJoin.Why.HEAT))
                .max(java.util.Comparator.comparingDouble(SeamJoin::high))
                .orElse(j);
        steps.add(text("join with %s, ~%.1f g; hold it %.0f min", best.product().name(), best.grams(), best.holdMin()));
        return closed(task, "seam " + j.seam().name(), steps, best.product(), best.grams(), hours + best.needMin() / 60, best.handleH(),
                shop);
    }

    /** A print that broke between its seams. @param weakest of that section, where it is slender */
    public static Mend section(TaskId.Step task, String section, Optional<Weakest> weakest, List<Rod> rods, JoinProduct strongest,
            double celsius, Catalogue shop) {
        var steps = new ArrayList<String>();
        steps.add("fit the halves together dry, mark them across the break, trim threads and whitened edges");
        double wide = weakest.map(Weakest::widestMm).orElse(0.0), moment = weakest.map(w -> w.demand().bendingNmm()).orElse(0.0);
        double hours = CLEAN_H + across(wide > THIN_MM ? 2 * THIN_MM : THIN_MM / 2, Math.PI * Math.max(20, wide), moment, rods, steps);
        steps.add(text("join with %s in a thin film on both sides; hold it %.0f min", strongest.name(),
                strongest.holdMin() * JoinPlanner.slower(celsius)));
        return closed(task, "section " + section, steps, strongest, 0, hours, strongest.handleH() * JoinPlanner.slower(celsius), shop);
    }

    private static Mend closed(TaskId.Step task, String what, List<String> steps, JoinProduct with, double grams, double hours,
            double waitH, Catalogue shop) {
        steps.add("fill the line, sand it level, prime and paint the place again");
        return new Mend(task, what, steps, with.name(), Math.max(LEAST_BATCH_G, grams), hours + shop.usual(Practice.REINFORCE_SEAM_H),
                waitH);
    }

    /** What goes across a break; the hours it takes. */
    private static double across(double wall, double line, double moment, List<Rod> rods, List<String> steps) {
        var rod = rods.stream().filter(Rod::fits).findFirst();
        if (rod.isPresent()) {
            steps.add("drill the middle of both sides straight and set a rod: " + rod.get().words());
            return 2 * DOWEL_H;
        }
        if (wall < THIN_MM) {
            int n = (int) Math.max(2, Math.ceil(line / APART_MM));
            steps.add(text("melt %d staples in across it from inside, %.0f mm apart, or glue strips of 1 mm sheet over it", n, APART_MM));
            return n * STAPLE_H;
        }
        // each dowel holds by the glue round it, over about half the line's breadth
        double each = Math.PI * DOWEL_MM * DEEP_MM * Rod.BORE_MPA * line / (2 * Math.PI);
        int n = (int) Math.clamp(Math.ceil(JoinPlan.LEAST_RESERVE * moment / each), LEAST_DOWELS, MOST_DOWELS);
        steps.add(
                text("drill for %d dowels of %.0f mm, %.0f mm into each side, spread round the rim and slanted a little against each other",
                        n, DOWEL_MM, DEEP_MM));
        return n * DOWEL_H;
    }

    private static String text(String f, Object... v) {
        return String.format(Locale.ROOT, f, v);
    }
}
