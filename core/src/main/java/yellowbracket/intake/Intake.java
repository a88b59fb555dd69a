package yellowbracket.intake;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.repair.Mend;
import yellowbracket.mesh.repair.Rounding;

/**
 * Decisions about a file's mesh: {@code unit} of its coordinates, {@code turn} to bring z up and y forward, whether it is {@code mirrored}
 * left to right (after the turn), the {@code roles} of its bodies by number (a body not named is a shell), which {@code mends} are done,
 * how often its flats are {@code rounded}; not {@code settled} while unit and way up are only guessed. Immutable.
 */
public record Intake(FileUnit unit, Turn turn, boolean mirrored, Map<Integer, BodyRole> roles, Set<Mend.Step> mends, int rounded,
        boolean settled) {
    /** Millimetres, z up, every body, nothing mended. */
    public static final Intake AS_IT_IS = new Intake(FileUnit.MM, Turn.NONE, false, Map.of(), Set.of(), 0, true);

    /** Four times the triangles each: more is never needed. */
    public static final int MOST_ROUNDED = 3;

    public Intake {
        if (rounded < 0 || rounded > MOST_ROUNDED)
            throw new IllegalArgumentException("a mesh is rounded between 0 and " + MOST_ROUNDED + " times, not " + rounded);
        roles = java.util.Collections.unmodifiableSortedMap(new TreeMap<>(roles)); // sorted: the same build gives the same bytes
        mends = java.util.Collections.unmodifiableSortedSet(new TreeSet<>(mends));
    }

    public BodyRole role(int body) {
        return roles.getOrDefault(body, BodyRole.SHELL);
    }

    public Intake with(FileUnit u) {
        return new Intake(u, turn, mirrored, roles, mends, rounded, true);
    }

    /** As guessed, until somebody looks at it and settles it. */
    public static Intake guessed(Stance s) {
        return new Intake(s.unit(), s.turn(), false, Map.of(), Set.of(), 0, false);
    }

    /** Looked at and found right. */
    public Intake accepted() {
        return new Intake(unit, turn, mirrored, roles, mends, rounded, true);
    }

    /** Turned once more, after what was turned before. */
    public Intake turned(Turn more) {
        return new Intake(unit, turn.then(more).tidy(), mirrored, roles, mends, rounded, true);
    }

    public Intake with(FileUnit u, Turn t) {
        return new Intake(u, t, mirrored, roles, mends, rounded, true);
    }

    public Intake withMirrored(boolean on) {
        return new Intake(unit, turn, on, roles, mends, rounded, true);
    }

    public Intake withRole(Iterable<Integer> bodies, BodyRole role) {
        var changed = new TreeMap<>(roles);
        for (int b : bodies) {
            if (role == BodyRole.SHELL) changed.remove(b);
            else changed.put(b, role);
        }
        return new Intake(unit, turn, mirrored, changed, mends, rounded, settled);
    }

    public Intake withMends(Set<Mend.Step> steps) {
        return new Intake(unit, turn, mirrored, roles, steps, rounded, settled);
    }

    public Intake withRounded(int times) {
        return new Intake(unit, turn, mirrored, roles, mends, times, settled);
    }

    /** The mesh that is sized, cut and printed, mm; the file's own mesh when nothing is asked for. O(n log n). */
    public Mesh apply(Mesh file, Progress progress) {
        return placed(Rounding.of(mended(printed(file), progress).mesh(), rounded, progress));
    }

    /** The mesh of printed bodies as the file has it. */
    public Mesh printed(Mesh file) {
        if (roles.values().stream().allMatch(BodyRole::printed)) return file;
        var bodies = Bodies.of(file);
        var keep = new boolean[file.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = role(bodies.bodyOf(f)).printed();
        return file.only(keep);
    }

    /** What mending does to {@code m}, step by step. Tolerances are in mm, so the unit is taken into account. */
    public Mend mended(Mesh m, Progress progress) {
        return Mend.of(m, mends, Mend.WELD_MM / unit.mm(), progress);
    }

    /** Unit, turn and mirror, in this order. */
    public Mesh placed(Mesh m) {
        if (m.isEmpty()) return m;
        var turned = m.scaled(unit.mm()).turned(turn);
        return mirrored ? turned.mirrored() : turned;
    }

    /** Where a point of the file comes to lie. */
    public Vec3 placed(Vec3 p) {
        var t = turn.apply(p.times(unit.mm()));
        return mirrored ? new Vec3(-t.x() + 0.0, t.y(), t.z()) : t;
    }
}
