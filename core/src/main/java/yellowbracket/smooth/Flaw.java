package yellowbracket.smooth;

import java.util.Optional;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/**
 * A flaw marked on the model.
 * @param at in the model's own mm @param sizeMm across @param found in which round, from 1 @param cleared in which round it was looked for
 *        and gone @param accepted left as weathering: the colour station hides it
 */
public record Flaw(Kind kind, Vec3 at, double sizeMm, int found, Optional<Integer> cleared, boolean accepted) {
    /** What it is, and what is done about it. */
    public enum Kind {
        LINE("layer line", "filler primer, block with P320"), PINHOLE("pinhole", "spot putty, P320 when hard"),
        LOW("low", "fill, block flush with P180"), RUN("run", "let it harden, block with P400 wet"),
        SCRATCH("scratch", "primer, then P320; the paper before was too coarse"), CRACK("crack", "open it to a V, glue, fill"),
        SAND_THROUGH("sand-through", "primer on the spot, no more paper there"), SCAR("support scar", "scrape, fill, P180");

        private final String label;
        private final String mend;

        Kind(String label, String mend) {
            this.label = label;
            this.mend = mend;
        }

        public String label() {
            return label;
        }

        public String mend() {
            return mend;
        }
    }

    public Flaw {
        java.util.Objects.requireNonNull(kind, "kind");
        java.util.Objects.requireNonNull(at, "at");
        Limits.within("size of a flaw, mm", sizeMm, 0.1, 500);
        if (found < 1 || cleared.filter(c -> c <= found).isPresent())
            throw new IllegalArgumentException("a flaw is found in a round, from 1, and cleared in a later one");
    }

    public static Flaw of(Kind kind, Vec3 at, double sizeMm, int round) {
        return new Flaw(kind, at, sizeMm, round, Optional.empty(), false);
    }

    /** Still to be worked on. */
    public boolean open() {
        return cleared.isEmpty() && !accepted;
    }

    public Flaw clearedIn(int round) {
        return new Flaw(kind, at, sizeMm, found, Optional.of(round), accepted);
    }

    public Flaw asWeathering() {
        return new Flaw(kind, at, sizeMm, found, cleared, true);
    }

    public Flaw reopened() {
        return new Flaw(kind, at, sizeMm, found, Optional.empty(), false);
    }
}
