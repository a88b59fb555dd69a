package yellowbracket.cut;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.List;

/**
 * Where to cut: a plane and what to do with each side of it, or an end. A plane cuts only what its ancestors left on its side.
 * Planes are numbered in the order of {@link #planes} (node, above, below).
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({@JsonSubTypes.Type(value = CutTree.Whole.class, name = "whole"), @JsonSubTypes.Type(value = CutTree.Split.class, name = "split")})
public sealed interface CutTree {
    CutTree WHOLE = new Whole();

    /** Not cut any further. */
    record Whole() implements CutTree {}

    record Split(CutPlane plane, CutTree above, CutTree below) implements CutTree {}

    static CutTree split(CutPlane plane, CutTree above, CutTree below) {
        return new Split(plane, above, below);
    }

    /** All planes, in number order. */
    default List<CutPlane> planes() {
        return switch (this) {
            case Whole w -> List.of();
            case Split s -> {
                var out = new ArrayList<CutPlane>();
                out.add(s.plane);
                out.addAll(s.above.planes());
                out.addAll(s.below.planes());
                yield List.copyOf(out);
            }
        };
    }

    default int planeCount() {
        return switch (this) {
            case Whole w -> 0;
            case Split s -> 1 + s.above.planeCount() + s.below.planeCount();
        };
    }

    /** The same tree with plane {@code number} replaced. @throws IndexOutOfBoundsException if there is no such plane */
    default CutTree withPlane(int number, CutPlane plane) {
        return switch (this) {
            case Whole w -> throw new IndexOutOfBoundsException("no plane " + number);
            case Split s -> {
                int up = s.above.planeCount();
                if (number == 0) yield new Split(plane, s.above, s.below);
                yield number <= up ? new Split(s.plane, s.above.withPlane(number - 1, plane), s.below)
                        : new Split(s.plane, s.above, s.below.withPlane(number - 1 - up, plane));
            }
        };
    }

    /** The same tree with plane {@code number} and all planes that depend on it taken out. */
    default CutTree without(int number) {
        return switch (this) {
            case Whole w -> throw new IndexOutOfBoundsException("no plane " + number);
            case Split s -> {
                int up = s.above.planeCount();
                if (number == 0) yield WHOLE;
                yield number <= up ? new Split(s.plane, s.above.without(number - 1), s.below)
                        : new Split(s.plane, s.above, s.below.without(number - 1 - up));
            }
        };
    }

    /** The same tree with {@code plane} cutting every end of it. */
    default CutTree cutEverywhere(CutPlane plane) {
        return switch (this) {
            case Whole w -> new Split(plane, WHOLE, WHOLE);
            case Split s -> new Split(s.plane, s.above.cutEverywhere(plane), s.below.cutEverywhere(plane));
        };
    }
}
