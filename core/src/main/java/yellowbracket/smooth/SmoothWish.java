package yellowbracket.smooth;

import io.soabase.recordbuilder.core.RecordBuilder;

/** How smooth it must get, by which school, and what is spared on the way. */
@RecordBuilder
public record SmoothWish(Finish finish, School school, Hurry hurry) implements SmoothWishBuilder.With {
    /** What the ladder minimises. */
    public enum Hurry {
        LEAST_WORK(Ladder.Weights.LEAST_WORK), SOONEST(Ladder.Weights.SOONEST), CHEAPEST(Ladder.Weights.CHEAPEST);

        private final Ladder.Weights weights;

        Hurry(Ladder.Weights weights) {
            this.weights = weights;
        }

        public Ladder.Weights weights() {
            return weights;
        }
    }

    public static final SmoothWish USUAL = new SmoothWish(Finish.SATIN, School.FILL_SAND_PRIME, Hurry.LEAST_WORK);
}
