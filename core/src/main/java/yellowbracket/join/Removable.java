package yellowbracket.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.cut.Seam;

/**
 * What holds a joint that is taken apart again, and how many of it: against the pull that handling makes and its prying, with the reserve
 * asked of every joint. Starting values of workshop practice, not measured.
 * @param newton that one holds @param asks of the cut station @param reserve what all of them hold over the pull
 */
public record Removable(Kind kind, String what, double newton, int count, boolean fits, String asks, double reserve) {
    /** What holds. */
    public enum Kind { MAGNETS, SCREWS, HOOK_TAPE }

    /** Discs that are sold everywhere, diameter and height, mm. */
    private static final double[][] DISCS = {{5, 2}, {6, 2}, {8, 3}, {10, 3}, {12, 4}, {15, 5}};
    /** Remanence of the usual grade, tesla; paint and tilt take half of the pull. */
    private static final double TESLA = 1.3, PAINT_AND_TILT = 0.5;
    /** Pulled out of a melted-in insert of M3, of a pair of hook tape, N and N/mm2, at the low end. */
    private static final double INSERT_N = 150, HOOK_MPA = 0.03;
    private static final double INSERT_WIDE_MM = 4.2, WALL_MM = 1.2;
    private static final int MOST = 12;
    /** Between magnets that are glued in, and printed over, mm. */
    public static final double OPEN_GAP_MM = 0.4, SEALED_GAP_MM = 2.0;

    /**
     * Pull between two equal discs across a gap, paint and tilt taken off. N.
     * @param gapMm skins, paint and glue between them
     */
    public static double pullN(double diameterMm, double highMm, double gapMm) {
        return PAINT_AND_TILT * MagnetPull.pairN(diameterMm, highMm, highMm, gapMm, TESLA);
    }

    /** The smallest count of each kind, fewest first; what has no room on the face is told as that. @param gapMm between magnets */
    public static List<Removable> of(Seam seam, Loads.Demand demand, double gapMm) {
        double wide = Weakest.room(seam.face().shape(), 0), load = loadN(seam, demand), pull = JoinPlan.LEAST_RESERVE * load;
        var out = new ArrayList<Removable>();
        for (var d : DISCS) {
            double one = pullN(d[0], d[1], gapMm);
            int n = count(pull, one);
            out.add(new Removable(Kind.MAGNETS, String.format(Locale.ROOT, "pairs of magnets %.0f x %.0f mm", d[0], d[1]), one, n,
                    n <= MOST && d[0] + 2 * WALL_MM <= wide, "pockets for magnets on this seam", over(n * one, load)));
        }
        int screws = count(pull, INSERT_N);
        out.add(new Removable(Kind.SCREWS, "M3 screws in melted-in inserts", INSERT_N, screws,
                screws <= MOST && INSERT_WIDE_MM + 2 * WALL_MM <= wide, "a flange inside to put them through",
                over(screws * INSERT_N, load)));
        double tape = pull / HOOK_MPA;
        out.add(new Removable(Kind.HOOK_TAPE, String.format(Locale.ROOT, "hook tape, %.0f cm2", Math.ceil(tape / 100)),
                tape * HOOK_MPA / JoinPlan.LEAST_RESERVE, 1, tape <= seam.areaMm2(), "a lap to stick it on", JoinPlan.LEAST_RESERVE));
        out.sort(java.util.Comparator.comparing((Removable r) -> !r.fits).thenComparingInt(Removable::count));
        return List.copyOf(out);
    }

    /** What the magnets that are in a seam hold over its pull. */
    public static double reserve(Seam seam, Loads.Demand demand, double magnetN) {
        return over(magnetN, loadN(seam, demand));
    }

    /** What pulls it open, N: what pries it is held at half its breadth. */
    public static double loadN(Seam seam, Loads.Demand demand) {
        double across = Math.max(10, Math.sqrt(Math.max(1, seam.areaMm2())));
        return demand.newton() + demand.bendingNmm() / (across / 2);
    }

    private static double over(double holds, double load) {
        return Math.min(JoinPlan.HARDLY, holds / Math.max(1e-9, load));
    }

    private static int count(double pull, double one) {
        return one > 0 ? (int) Math.max(2, Math.ceil(Math.min(1e6, pull / one))) : Integer.MAX_VALUE;
    }

    public String words() {
        return String.format(Locale.ROOT, "%s%s, %.0f N each; needs %s", count > 1 ? count + " " : "", what, newton, asks);
    }
}
