package yellowbracket.join;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yellowbracket.mesh.Vec3;

/**
 * What the maker says of the joints.
 * @param products by seam name, where another was chosen than is proposed @param dryFit what was found at seams put together dry
 * @param hold where the prop is held, in the model's own mm; empty for where it balances
 * @param times its weight that handling makes; empty for what its use implies @param aim of the order
 * @param inner by seam name, what is set across it from inside @param apart by seam name, joints that are not glued for good
 * @param order seams in the order in which the maker closes them; empty for the order that is proposed
 */
@RecordBuilder
public record JoinWish(Map<String, String> products, Map<String, DryFit> dryFit, Optional<Vec3> hold, Optional<Double> times,
        JoinOrder.Aim aim, Map<String, Inner.Kind> inner, Map<String, Apart> apart, List<String> order) implements JoinWishBuilder.With {
    public static final JoinWish NONE = new JoinWish(Map.of(), Map.of(), Optional.empty(), Optional.empty(), JoinOrder.Aim.LEAST_HOLDING,
            Map.of(), Map.of(), List.of());
    /** Handling that is believed, times the weight. */
    public static final double LEAST_TIMES = 1, MOST_TIMES = 30;

    /** Gap left open and step across the line, mm; both 0 where it fits. */
    public record DryFit(double gapMm, double stepMm) {
        public static final double MOST_MM = 20;

        public DryFit {
            if (!(gapMm >= 0 && gapMm <= MOST_MM && stepMm >= 0 && stepMm <= MOST_MM))
                throw new IllegalArgumentException("a gap or a step lies between 0 and 20 mm");
        }

        public boolean fits() {
            return gapMm == 0 && stepMm == 0;
        }
    }

    public JoinWish {
        products = Collections.unmodifiableMap(new TreeMap<>(products));
        dryFit = Collections.unmodifiableMap(new TreeMap<>(dryFit));
        inner = Collections.unmodifiableMap(new TreeMap<>(inner));
        apart = Collections.unmodifiableMap(new TreeMap<>(apart));
        order = List.copyOf(order);
        if (times.isPresent() && !(times.get() >= LEAST_TIMES && times.get() <= MOST_TIMES))
            throw new IllegalArgumentException("handling lies between 1 and 30 times the weight");
    }

    /** Without what names single seams. */
    public JoinWish forOtherCuts() {
        return withProducts(Map.of()).withDryFit(Map.of()).withInner(Map.of()).withApart(Map.of()).withOrder(List.of());
    }

    public JoinWish with(String seam, String product) {
        var changed = new TreeMap<>(products);
        changed.put(seam, product);
        return withProducts(changed);
    }

    /** Strips or staples across a seam, or none. */
    public JoinWish set(String seam, Optional<Inner.Kind> kind) {
        return withInner(changed(inner, seam, kind));
    }

    /** Another way to hold it goes with the product that was chosen. */
    public JoinWish kept(String seam, Optional<Apart> how) {
        return withApart(changed(apart, seam, how)).withProducts(changed(products, seam, Optional.empty()));
    }

    private static <T> Map<String, T> changed(Map<String, T> map, String seam, Optional<T> to) {
        var out = new TreeMap<>(map);
        to.ifPresentOrElse(t -> out.put(seam, t), () -> out.remove(seam));
        return out;
    }

    public JoinWish found(String seam, DryFit f) {
        var changed = new TreeMap<>(dryFit);
        changed.put(seam, f);
        return withDryFit(changed);
    }
}
