package yellowbracket.join;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yellowbracket.mesh.Vec3;

/**
 * What the maker says of the joints.
 * @param products by seam name, where another was chosen than is proposed @param dryFit what was found at seams put together dry
 * @param hold where the prop is held, in the model's own mm; empty for where it balances
 * @param times its weight that handling makes; empty for what its use implies @param aim of the order
 */
@RecordBuilder
public record JoinWish(Map<String, String> products, Map<String, DryFit> dryFit, Optional<Vec3> hold, Optional<Double> times,
        JoinOrder.Aim aim) implements JoinWishBuilder.With {
    public static final JoinWish NONE = new JoinWish(Map.of(), Map.of(), Optional.empty(), Optional.empty(), JoinOrder.Aim.LEAST_HOLDING);
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
        if (times.isPresent() && !(times.get() >= LEAST_TIMES && times.get() <= MOST_TIMES))
            throw new IllegalArgumentException("handling lies between 1 and 30 times the weight");
    }

    /** Without what names single seams. */
    public JoinWish forOtherCuts() {
        return withProducts(Map.of()).withDryFit(Map.of());
    }

    public JoinWish with(String seam, String product) {
        var changed = new TreeMap<>(products);
        changed.put(seam, product);
        return withProducts(changed);
    }

    public JoinWish found(String seam, DryFit f) {
        var changed = new TreeMap<>(dryFit);
        changed.put(seam, f);
        return withDryFit(changed);
    }
}
