package yellowbracket.smooth;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import yellowbracket.shop.Catalogue;

/** Ladders of one way, each worked out once: depths are rounded up to {@link #STEP_UM}. For any number of threads. */
public final class Ladders {
    static final double STEP_UM = 5;

    private record Key(Areas.Shape shape, Finish finish, int steps, String material, int dm2) {}

    private final Ladder.Way way;
    private final Catalogue shop;
    private final Map<Key, Ladder.Outcome> known = new ConcurrentHashMap<>();

    public Ladders(Ladder.Way way, Catalogue shop) {
        this.way = way;
        this.shop = shop;
    }

    public Ladder.Way way() {
        return way;
    }

    /** @param material of the print @param totalDm2 of what is worked on */
    Ladder.Outcome of(Areas.Shape shape, Finish finish, double deepUm, String material, double totalDm2) {
        return known.computeIfAbsent(new Key(shape, finish, (int) Math.ceil(deepUm / STEP_UM - 1e-9), material, (int) Math.ceil(totalDm2)),
                k -> Ladder.find(k.steps * STEP_UM, shape, way.to(finish), shop, material, k.dm2));
    }
}
