package yellowbracket.join;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowbracket.cut.Seam;
import yellowbracket.shop.JoinProduct;

/**
 * One way to join a seam. {@code reserve}: capacity over what it must bear, at the low end of the product's range, knocked down for print
 * and gap; {@code high} at the high end. Minutes and hours at the shop's temperature: {@code needMin} to wet and align it, {@code openMin}
 * that the product gives. {@code against}: why not, one reason each.
 * @param bondedMm2 what was printed there as wall, infill by its share @param gapMm to be filled
 */
public record SeamJoin(Seam seam, JoinProduct product, double grams, double needMin, double openMin, double holdMin, double handleH,
        double fullH, double reserve, double high, double bondedMm2, double gapMm, Loads.Demand demand, Besides besides,
        List<Against> against) {
    /** What speaks against a product on a seam. */
    public enum Why { MATERIAL, WEAK, TIME, GAP, HEAT, PEELS, REACH }

    /** One reason, told. */
    public record Against(Why why, String words) {}

    /**
     * What goes with it.
     * @param fillMm3 left to fill along what is seen of it, {@code finishMin} to fill and sand that; {@code sandTimes} against the usual
     * @param owned enough of the product is on the shelf @param apart where the joint is not glued for good
     * @param heldBy what holds one that comes off @param inner strips or staples over it
     */
    public record Besides(double fillMm3, double finishMin, double sandTimes, boolean owned, Optional<Apart> apart,
            Optional<Removable.Kind> heldBy, Optional<Inner> inner) {}

    public SeamJoin {
        against = List.copyOf(against);
    }

    /** The same with less of it holding. @param share 0 to 1 */
    SeamJoin along(double share) {
        double low = reserve < JoinPlan.HARDLY ? reserve * share : reserve, most = high < JoinPlan.HARDLY ? high * share : high;
        return new SeamJoin(seam, product, grams, needMin, openMin, holdMin, handleH, fullH, low, most, bondedMm2 * share, gapMm, demand,
                besides, against);
    }

    public boolean suits() {
        return against.isEmpty();
    }

    public boolean speaks(Why why) {
        return against.stream().anyMatch(a -> a.why == why);
    }

    public boolean glued() {
        return besides.apart.isEmpty();
    }

    /** All that speaks against it. */
    public String objections() {
        return against.stream().map(Against::words).collect(Collectors.joining("; "));
    }

    /** How it bears and whether there is time. */
    public String why() {
        String bears = reserve >= JoinPlan.HARDLY ? "hardly loaded"
                : String.format(java.util.Locale.ROOT, "bears %.1f to %.1f times the load when it is %s", reserve, high, demand.words());
        return bears + (against.isEmpty() ? String.format(java.util.Locale.ROOT, "; %.1f min to wet and align, open %.1f", needMin, openMin)
                : "; " + objections());
    }
}
