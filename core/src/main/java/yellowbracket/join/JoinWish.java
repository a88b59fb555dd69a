package yellowbracket.join;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/** What each seam is joined with: a product by seam name, where the maker chose another than was proposed. */
@RecordBuilder
public record JoinWish(Map<String, String> products) implements JoinWishBuilder.With {
    public static final JoinWish NONE = new JoinWish(Map.of());

    public JoinWish {
        products = Collections.unmodifiableMap(new TreeMap<>(products));
    }

    public JoinWish with(String seam, String product) {
        var changed = new TreeMap<>(products);
        changed.put(seam, product);
        return new JoinWish(changed);
    }
}
