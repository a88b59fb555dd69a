package yellowbracket.derive;

/** What became of a rule. */
sealed interface Outcome {
    record Made(Object value) implements Outcome {}

    /** This prop has no such figure. */
    record Absent() implements Outcome {}

    /** {@code reason}: for people. */
    record Failed(String reason) implements Outcome {}

    /** Something it needs has failed. */
    record Blocked(String reason) implements Outcome {}

    /** Leaves a rule that cannot go on. */
    final class Leave extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final transient Outcome outcome;

        Leave(Outcome outcome) {
            super(null, null, false, false);
            this.outcome = outcome;
        }

        Outcome outcome() {
            return outcome;
        }
    }
}
