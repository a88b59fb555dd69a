package yellowbracket.cut;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * Where to cut: a plane and what to do with each side of it, or an end. A plane cuts only what its ancestors left on its side.
 * Planes are numbered in the order of {@link #planes} (node, above, below).
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({@JsonSubTypes.Type(value = CutTree.Whole.class, name = "whole"),
        @JsonSubTypes.Type(value = CutTree.Split.class, name = "split")})
public sealed interface CutTree {
    CutTree WHOLE = new Whole();

    /** Not cut any further. */
    record Whole() implements CutTree {}

    /** @param locked whether a new plan keeps it */
    record Split(CutPlane plane, CutTree above, CutTree below, boolean locked) implements CutTree {
        Split with(CutTree up, CutTree down) {
            return new Split(plane, up, down, locked);
        }
    }

    static CutTree split(CutPlane plane, CutTree above, CutTree below) {
        return new Split(plane, above, below, false);
    }

    /** All planes, in number order. */
    default List<CutPlane> planes() {
        return switch (this) {
            case Whole _ -> List.of();
            case Split s -> {
                var out = new ArrayList<CutPlane>();
                out.add(s.plane);
                out.addAll(s.above.planes());
                out.addAll(s.below.planes());
                yield List.copyOf(out);
            }
        };
    }

    /** The planes round the place a point lies at, each turned so that the point is above it. */
    default List<CutPlane> around(Vec3 p) {
        return switch (this) {
            case Whole _ -> List.of();
            case Split s -> {
                boolean up = s.plane.height(p) >= 0;
                var out = new ArrayList<CutPlane>();
                out.add(up ? s.plane : new CutPlane(s.plane.normal().times(-1), -s.plane.offsetMm()));
                out.addAll((up ? s.above : s.below).around(p));
                yield List.copyOf(out);
            }
        };
    }

    default int planeCount() {
        return switch (this) {
            case Whole _ -> 0;
            case Split s -> 1 + s.above.planeCount() + s.below.planeCount();
        };
    }

    /** The same tree with plane {@code number} replaced. @throws IndexOutOfBoundsException if there is no such plane */
    default CutTree withPlane(int number, CutPlane plane) {
        return switch (this) {
            case Whole _ -> throw new IndexOutOfBoundsException("no plane " + number);
            case Split s -> {
                int up = s.above.planeCount();
                if (number == 0) yield new Split(plane, s.above, s.below, s.locked);
                yield number <= up ? s.with(s.above.withPlane(number - 1, plane), s.below)
                        : s.with(s.above, s.below.withPlane(number - 1 - up, plane));
            }
        };
    }

    /** The same tree with plane {@code number} and all planes that depend on it taken out. */
    default CutTree without(int number) {
        return switch (this) {
            case Whole _ -> throw new IndexOutOfBoundsException("no plane " + number);
            case Split s -> {
                int up = s.above.planeCount();
                if (number == 0) yield WHOLE;
                yield number <= up ? s.with(s.above.without(number - 1), s.below) : s.with(s.above, s.below.without(number - 1 - up));
            }
        };
    }

    /** The same tree with {@code plane} cutting every end of it. */
    default CutTree cutEverywhere(CutPlane plane) {
        return switch (this) {
            case Whole _ -> split(plane, WHOLE, WHOLE);
            case Split s -> s.with(s.above.cutEverywhere(plane), s.below.cutEverywhere(plane));
        };
    }

    /** The same planes, none locked: what the sections follow from. */
    default CutTree unlocked() {
        return switch (this) {
            case Whole w -> w;
            case Split s -> new Split(s.plane, s.above.unlocked(), s.below.unlocked(), false);
        };
    }

    /** The same tree with plane {@code number} locked or let go. */
    default CutTree withLock(int number, boolean on) {
        return switch (this) {
            case Whole _ -> throw new IndexOutOfBoundsException("no plane " + number);
            case Split s -> {
                int up = s.above.planeCount();
                if (number == 0) yield new Split(s.plane, s.above, s.below, on);
                yield number <= up ? s.with(s.above.withLock(number - 1, on), s.below)
                        : s.with(s.above, s.below.withLock(number - 1 - up, on));
            }
        };
    }

    /** Whether each plane is locked, in number order. */
    default List<Boolean> locks() {
        return switch (this) {
            case Whole _ -> List.of();
            case Split s -> java.util.stream.Stream.of(List.of(s.locked), s.above.locks(), s.below.locks()).flatMap(List::stream).toList();
        };
    }

    /** Only what is locked and what holds it: a plane that is not locked goes with all planes below it unless one of those is locked. */
    default CutTree onlyLocked() {
        return switch (this) {
            case Whole w -> w;
            case Split s -> {
                var up = s.above.onlyLocked();
                var down = s.below.onlyLocked();
                yield s.locked || up.planeCount() + down.planeCount() > 0 ? s.with(up, down) : WHOLE;
            }
        };
    }

    /** The way to the end that holds {@code p}: true for above. A point on a plane counts as above it. */
    default List<Boolean> pathTo(Vec3 p) {
        return switch (this) {
            case Whole _ -> List.of();
            case Split s -> {
                boolean up = s.plane.height(p) >= 0;
                var out = new ArrayList<Boolean>();
                out.add(up);
                out.addAll((up ? s.above : s.below).pathTo(p));
                yield List.copyOf(out);
            }
        };
    }

    /** The way to the end that holds a section, asked at the facet of the model's own surface that lies furthest from every plane. */
    default List<Boolean> pathTo(Section s) {
        var planes = planes();
        var m = s.mesh();
        Vec3 best = m.bounds().centre();
        double most = -1;
        int step = Math.max(1, m.triangleCount() / 2000);
        for (int f = 0; f < m.triangleCount(); f += step) {
            if (m.tag(f) != Mesh.ORIGINAL) continue;
            var c = m.centroid(f);
            double near = planes.stream().mapToDouble(p -> Math.abs(p.height(c))).min().orElse(0);
            if (near > most) {
                most = near;
                best = c;
            }
        }
        return pathTo(best);
    }

    /** The end or branch at the end of a path. */
    default CutTree at(List<Boolean> path) {
        if (path.isEmpty()) return this;
        return switch (this) {
            case Whole w -> w;
            case Split s -> (path.getFirst() ? s.above : s.below).at(path.subList(1, path.size()));
        };
    }

    /** The same tree with another branch at the end of a path. */
    default CutTree with(List<Boolean> path, CutTree branch) {
        if (path.isEmpty()) return branch;
        return switch (this) {
            case Whole w -> w;
            case Split s -> path.getFirst() ? s.with(s.above.with(path.subList(1, path.size()), branch), s.below)
                    : s.with(s.above, s.below.with(path.subList(1, path.size()), branch));
        };
    }

    /**
     * The same cuts but for the one that parts two ends, which become one; empty when that plane parts others too and cannot be limited to
     * them.
     * Where both sides of a plane are cut by one and the same other plane, the two change places: the cuts stay the same.
     */
    default Optional<CutTree> merged(List<Boolean> one, List<Boolean> other) {
        if (!(this instanceof Split s) || one.isEmpty() || other.isEmpty()) return Optional.empty();
        var restOne = one.subList(1, one.size());
        var restOther = other.subList(1, other.size());
        if (one.getFirst().equals(other.getFirst())) {
            var branch = (one.getFirst() ? s.above : s.below).merged(restOne, restOther);
            return branch.map(b -> one.getFirst() ? s.with(b, s.below) : s.with(s.above, b));
        }
        if (s.above instanceof Whole && s.below instanceof Whole) return Optional.of(WHOLE);
        if (!(s.above instanceof Split a) || !(s.below instanceof Split b) || !a.plane.equals(b.plane)
                || !restOne.getFirst().equals(restOther.getFirst()))
            return Optional.empty();
        var swapped = new Split(a.plane, s.with(a.above, b.above), s.with(a.below, b.below), a.locked || b.locked);
        return swapped.merged(swappedPath(one), swappedPath(other));
    }

    private static List<Boolean> swappedPath(List<Boolean> p) {
        var out = new ArrayList<>(p);
        out.set(0, p.get(1));
        out.set(1, p.get(0));
        return out;
    }
}
