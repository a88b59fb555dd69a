package yellowbracket.cut.plan;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import yellowbracket.mesh.Mesh;

/**
 * One branch of a cutting tree under construction: a piece left as it is, or cut in two. Pieces are shared between the trees of a search
 * and never change.
 * {@code symmetric}: its left mirrors its right; {@code count} 2: it stands for its mirror image too; {@code fits}: all of it stands on
 * some bed.
 */
record PlanPiece(Mesh mesh, boolean symmetric, int count, boolean fits, Optional<Cut> cut) {

    /** {@code below} is empty where the two sides are mirror images and {@code above} stands for both. */
    record Cut(CutChoice choice, boolean locked, PlanPiece above, Optional<PlanPiece> below) {}

    static PlanPiece whole(Mesh mesh, boolean symmetric, int count, boolean fits) {
        return new PlanPiece(mesh, symmetric, count, fits, Optional.empty());
    }

    PlanPiece cutBy(Cut c) {
        return new PlanPiece(mesh, symmetric, count, fits, Optional.of(c));
    }

    boolean done() {
        return open().isEmpty();
    }

    /** The largest piece that does not fit. */
    Optional<PlanPiece> open() {
        if (cut.isEmpty()) return fits ? Optional.empty() : Optional.of(this);
        var a = cut.get().above.open();
        var b = cut.get().below.flatMap(PlanPiece::open);
        if (a.isEmpty() || b.isEmpty()) return a.or(() -> b);
        return a.get().mesh.bounds().diagonal() >= b.get().mesh.bounds().diagonal() ? a : b;
    }

    List<PlanPiece> leaves() {
        if (cut.isEmpty()) return List.of(this);
        return Stream.concat(cut.get().above.leaves().stream(), cut.get().below.stream().flatMap(b -> b.leaves().stream())).toList();
    }

    /** The same tree with one of its pieces cut. */
    PlanPiece with(PlanPiece old, PlanPiece by) {
        if (this == old) return by;
        if (cut.isEmpty()) return this;
        var c = cut.get();
        var up = c.above.with(old, by);
        var down = c.below.map(p -> p.with(old, by));
        boolean same = up == c.above && (down.isEmpty() || down.get() == c.below.orElseThrow());
        return same ? this : cutBy(new Cut(c.choice, c.locked, up, down));
    }
}
