package yellowbracket.derive;

import java.util.List;
import java.util.Optional;

/** What a run of a rule asked and was told, and what came of it. */
final class Trace {
    /** One question with its answer. */
    interface Read {
        /** Whether it would be answered alike now. */
        boolean same(Pass pass, String prop);
    }

    private final List<Read> reads;
    private final Outcome outcome;
    private final List<?> parts;
    private final Optional<KeptFile.Result> lasting;
    private long used;
    private boolean shown;

    /** @param parts what of the value weighs @param lasting for the next start, where it is known again then */
    Trace(List<Read> reads, Outcome outcome, List<?> parts, Optional<KeptFile.Result> lasting) {
        this.reads = List.copyOf(reads);
        this.outcome = outcome;
        this.parts = List.copyOf(parts);
        this.lasting = lasting;
    }

    boolean holds(Pass pass, String prop) {
        for (var r : reads) if (!r.same(pass, prop)) return false;
        return true;
    }

    Outcome outcome() {
        return outcome;
    }

    List<?> parts() {
        return parts;
    }

    Optional<KeptFile.Result> lasting() {
        return lasting;
    }

    long used() {
        return used;
    }

    void use(long clock) {
        used = clock;
    }

    /** Whether it belongs to the build that is shown: then it is not dropped. */
    boolean shown() {
        return shown;
    }

    void show(boolean on) {
        shown = on;
    }
}
