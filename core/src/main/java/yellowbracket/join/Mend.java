package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Practice;
import yellowbracket.work.Need;
import yellowbracket.work.TaskId;

/**
 * How something broken is put together again, stronger than it was: what to take off, what goes across the break, with what it is glued.
 * @param hours by hand, {@code waitH} until it may be handled, as warm as the shop is
 * @param needs its product first
 */
public record Mend(TaskId.Step task, String what, List<String> steps, String product, List<Need> needs, double hours, double waitH) {
    /** Thin dowels round a rim where no rod has room: diameter and depth into each side, mm. */
    private static final double DOWEL_MM = 3, DEEP_MM = 12;
    private static final int LEAST_DOWELS = 2, MOST_DOWELS = 12;
    /** Melted-in staples and inner strips lie so far apart, mm. */
    private static final double APART_MM = 25;
    private static final double THIN_MM = 5;

    public Mend {
        steps = List.copyOf(steps);
        needs = List.copyOf(needs);
    }

    /** Grams of its product. */
    public double grams() {
        return needs.getFirst().amount();
    }

    /** A glue line that let go. */
    public static Mend seam(TaskId.Step task, SeamJoin j, List<Rod> rods, List<SeamJoin> options, Catalogue shop) {
        var w = new Writing(shop);
        w.steps.add("scrape the old glue off both faces down to the print, scuff them P80, wipe with alcohol");
        w.across(j.seam().wallMm(), j.seam().lengthMm(), j.demand().bendingNmm(), rods);
        var best = options.stream()
                .filter(o -> !o.product().manner().welds() && !o.speaks(SeamJoin.Why.MATERIAL) && !o.speaks(SeamJoin.Why.HEAT))
                .max(Comparator.comparingDouble(SeamJoin::high))
                .orElse(j);
        w.steps.add(text("join with %s, ~%.1f g; hold it %.0f min", best.product().name(), best.grams(), best.holdMin()));
        w.hours += best.needMin() / 60;
        return w.closed(task, "seam " + j.seam().name(), best.product(), best.grams(), best.handleH());
    }

    /**
     * A print that broke between its seams.
     * @param weakest of that section, where it is slender @param place where it broke; empty where nobody said
     */
    public static Mend section(TaskId.Step task, String section, Optional<Weakest> weakest, Optional<Broken> place, List<Rod> rods,
            JoinProduct strongest, double celsius, Catalogue shop) {
        var w = new Writing(shop);
        w.steps.add("fit the halves together dry, mark them across the break, trim threads and whitened edges");
        double wide = place.map(Broken::widestMm).or(() -> weakest.map(Weakest::widestMm)).orElse(0.0),
                moment = weakest.map(k -> k.demand().bendingNmm()).orElse(0.0);
        double thick = place.map(Broken::thickMm).orElse(wide > THIN_MM ? 2 * THIN_MM : THIN_MM / 2),
                line = place.map(Broken::lineMm).orElse(Math.PI * Math.max(20, wide));
        place.filter(b -> b.kind() == Broken.Kind.LAYERS)
                .ifPresent(b -> w.steps
                        .add("it let go between layers: what goes across has to cross several of them, or the next layer is next"));
        w.across(thick, line, moment, rods);
        place.filter(b -> b.kind() == Broken.Kind.NECK)
                .ifPresent(b -> w.steps
                        .add("build the neck up round about with filler or a sleeve of sheet: as thin as it was it breaks again"));
        double grams = place.map(
                b -> b.areaMm2() * shop.usual(Practice.GLUE_FILM_MM) * strongest.densityGcm3() / 1000 * shop.usual(Practice.GLUE_TIMES))
                .orElse(0.0);
        w.steps.add(text("join with %s in a thin film on both sides; hold it %.0f min", strongest.name(),
                strongest.holdMin() * JoinPlanner.slower(celsius)));
        String what = "section " + section + place.map(b -> " " + b.kind().words()).orElse("");
        return w.closed(task, what, strongest, grams, strongest.handleH() * JoinPlanner.slower(celsius));
    }

    /** The steps as they come, with their hours and what they use up. */
    private static final class Writing {
        private final Catalogue shop;
        private final List<String> steps = new ArrayList<>();
        private final List<Need> more = new ArrayList<>();
        private double hours;

        Writing(Catalogue shop) {
            this.shop = shop;
            hours = shop.usual(Practice.CLEAN_BREAK_H);
        }

        /** What goes across a break. */
        void across(double wall, double line, double moment, List<Rod> rods) {
            var rod = rods.stream().filter(Rod::fits).findFirst();
            if (rod.isPresent()) {
                steps.add("drill the middle of both sides straight and set a rod: " + rod.get().words());
                hours += 2 * shop.usual(Practice.SET_DOWEL_H);
                more.add(rod.get().need());
                return;
            }
            if (wall < THIN_MM) {
                int n = (int) Math.max(2, Math.ceil(line / 2 / APART_MM));
                steps.add(
                        text("melt %d staples in across it from inside, %.0f mm apart, or glue strips of 1 mm sheet over it", n, APART_MM));
                hours += n * shop.usual(Practice.SET_STAPLE_H);
                more.add(new Need("staples", n, "pieces"));
                return;
            }
            // each dowel holds by the glue round it, over about half the line's breadth
            double each = Math.PI * DOWEL_MM * DEEP_MM * Rod.BORE_MPA * line / (2 * Math.PI);
            int n = (int) Math.clamp(Math.ceil(JoinPlan.LEAST_RESERVE * moment / each), LEAST_DOWELS, MOST_DOWELS);
            steps.add(text("drill through the walls into the infill for %d dowels of %.0f mm, %.0f mm into each side, "
                    + "spread round the rim %.0f mm in and slanted a little against each other; fill the holes with glue before they go in",
                    n, DOWEL_MM, DEEP_MM, 2 * DOWEL_MM));
            hours += n * shop.usual(Practice.SET_DOWEL_H);
            more.add(new Need(text("beech dowel %.0f mm", DOWEL_MM), n * 2 * DEEP_MM / 10, "cm"));
        }

        Mend closed(TaskId.Step task, String what, JoinProduct with, double grams, double waitH) {
            steps.add("fill the line, sand it level, prime and paint the place again");
            var needs = new ArrayList<Need>();
            needs.add(new Need(with.name(), Math.max(with.manner().leastG(), grams), "g"));
            needs.addAll(more);
            return new Mend(task, what, steps, with.name(), needs, hours + shop.usual(Practice.REINFORCE_SEAM_H), waitH);
        }
    }

    private static String text(String f, Object... v) {
        return String.format(Locale.ROOT, f, v);
    }
}
