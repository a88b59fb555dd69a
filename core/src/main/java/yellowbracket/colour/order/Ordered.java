package yellowbracket.colour.order;

import java.util.List;

/**
 * Jobs in order with what it takes. {@code elapsedH}: until the last coat, waits included, if one worked through; {@code proven}: no order
 * is better for the aim.
 */
public record Ordered(List<Step> steps, double minutes, double tapeM, double filmDm2, double elapsedH, boolean proven) {
    /** @param brush rather than spray @param masked what was painted before and is covered for it @param startH from the first step on */
    public record Step(int job, boolean brush, List<Masked> masked, double minutes, double startH, double endH) {
        public Step {
            masked = List.copyOf(masked);
        }
    }

    /** Zone that is covered, and how much. */
    public record Masked(int job, Jobs.Mask mask) {}

    public Ordered {
        steps = List.copyOf(steps);
    }

    public List<Integer> order() {
        return steps.stream().map(Step::job).toList();
    }

    Ordered unproven() {
        return new Ordered(steps, minutes, tapeM, filmDm2, elapsedH, false);
    }
}
