package yellowbracket.smooth;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import yellowbracket.shop.Catalogue;

/** Ladders of one school, finish and aim, each worked out once: depths are rounded up to {@link #STEP_UM}. For any number of threads. */
public final class Ladders {
    static final double STEP_UM = 5;

    private record Key(Areas.Shape shape, int steps, String material, int dm2) {}

    private final Finish finish;
    private final School school;
    private final Ladder.Weights weights;
    private final Catalogue shop;
    private final Map<Key, Ladder.Outcome> known = new ConcurrentHashMap<>();

    public Ladders(Finish finish, School school, Ladder.Weights weights, Catalogue shop) {
        this.finish = finish;
        this.school = school;
        this.weights = weights;
        this.shop = shop;
    }

    public Finish finish() {
        return finish;
    }

    public School school() {
        return school;
    }

    /** @param material of the print @param totalDm2 of the show side */
    Ladder.Outcome of(Areas.Shape shape, double deepUm, String material, double totalDm2) {
        return known.computeIfAbsent(new Key(shape, (int) Math.ceil(deepUm / STEP_UM - 1e-9), material, (int) Math.ceil(totalDm2)),
                k -> Ladder.find(k.steps * STEP_UM, shape, finish, school, weights, shop, material, k.dm2));
    }
}
