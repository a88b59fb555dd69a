package yellowbracket.join;

import yellowbracket.join.SeamJoin.Why;
import yellowbracket.work.Hazard;
import java.util.Set;

/**
 * By what ways to join a seam are compared: minutes of the maker's life, and what stands for what would go wrong. Starting values of
 * workshop
 * practice; how far each moves the choice is in {@code docs/sensitivity.md}.
 * @param heldMin hold is counted up to so many minutes, longer ones go into braces @param handleHMin for each hour until it may be handled
 * @param shortMin for each time the load that it bears less than {@link JoinPlan#GOOD_RESERVE}, {@code weakMin} less than
 *        {@link JoinPlan#LEAST_RESERVE} @param missedMin where the time is too short to wet and align it,
 *        and {@code lateMin} for each minute that is missing
 * @param hazardMin for each hazard it brings into the house @param peelsMin on a long thin rim
 * @param creepsMin where what the prop goes through is too warm for it @param gapMin where it does not fill the gap
 * @param softMin where it bears too little to be called a joint @param burnsMin what a hot tip may warp or burn through
 */
public record JoinCost(double heldMin, double handleHMin, double shortMin, double weakMin, double missedMin, double lateMin,
        double hazardMin, double peelsMin, double creepsMin, double gapMin, double softMin, double burnsMin) {
    public static final JoinCost USUAL = new JoinCost(40, 2, 3, 400, 60, 15, 3, 25, 400, 100, 200, 70);
    /** Not to be done at all: not counted in minutes any more. */
    private static final double NEVER_MIN = 2_000;
    /** Pulled apart by less than this it is padding, MPa. */
    private static final double SOFT_MPA = 1;

    /** @param fetchMin what getting the product costs */
    double of(SeamJoin j, double fetchMin) {
        double c = j.needMin() + once(j, fetchMin) + j.besides().finishMin();
        c += Math.max(0, JoinPlan.GOOD_RESERVE - j.reserve()) * shortMin + Math.max(0, JoinPlan.LEAST_RESERVE - j.reserve()) * weakMin;
        c += late(j.needMin(), j.openMin()) + hazardMin * hazards(j.product().hazards());
        if (j.product().manner().welds()) c += burnsMin;
        if (j.speaks(Why.MATERIAL) || j.speaks(Why.REACH)) c += NEVER_MIN;
        if (j.speaks(Why.HEAT)) c += creepsMin;
        if (j.speaks(Why.GAP)) c += gapMin;
        if (j.speaks(Why.PEELS)) c += peelsMin;
        if (j.product().shearLowMpa() < SOFT_MPA) c += softMin;
        return c;
    }

    /** What seams that close together cost but once: holding, waiting, getting it. */
    double once(SeamJoin j, double fetchMin) {
        return Math.min(heldMin, j.holdMin()) + handleHMin * j.handleH() + (j.besides().owned() ? 0 : fetchMin);
    }

    double late(double needMin, double openMin) {
        return needMin > openMin ? missedMin + (needMin - openMin) * lateMin : 0;
    }

    private static int hazards(Set<Hazard> all) {
        return (int) all.stream().filter(h -> h != Hazard.HEAT && h != Hazard.DUST).count();
    }
}
