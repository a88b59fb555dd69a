package yellowbracket.cut;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Where a prop is cut and how its sections find each other. {@code revision} counts the cuts made: what the log says of sections belongs to
 * the revision it was written under. Moving a plane leaves the sections the same ones; other planes make new ones.
 */
@RecordBuilder
public record CutWish(CutTree tree, Registration registration, int revision) implements CutWishBuilder.With {
    public static final CutWish WHOLE = new CutWish(CutTree.WHOLE, Registration.FITTING, 0);

    public CutWish {
        if (revision < 0) throw new IllegalArgumentException("a revision must not be negative, was " + revision);
    }

    /** Cut otherwise: other sections, other seams. The same cuts again change nothing. */
    public CutWish cutAnew(CutTree other) {
        return other.equals(tree) ? this : new CutWish(other, registration.forOtherCuts(), revision + 1);
    }

    /** One plane elsewhere: sections and seams stay the same ones. */
    public CutWish withPlane(int number, yellowbracket.cut.solid.CutPlane to) {
        return withTree(tree.withPlane(number, to));
    }

    /** One plane kept or let go when the cuts are planned again. */
    public CutWish withLock(int number, boolean on) {
        return withTree(tree.withLock(number, on));
    }
}
