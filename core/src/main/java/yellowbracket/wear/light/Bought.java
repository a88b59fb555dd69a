package yellowbracket.wear.light;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.ScaledShell;

/**
 * A bought part that is fitted to the prop.
 *
 * @param at of the model, model mm, where it sits or ends @param along places it runs through, none for what sits in one @param holeMm
 * cut for it, 0 for none @param grams of it
 */
public record Bought(String name, Kind kind, Vec3 at, List<Vec3> along, double holeMm, double grams) {
    /** What it is, and when it goes in. */
    public enum Kind {
        BOLT("bolt", "before paint: drill and dry fit; for good after the last coat"),
        BUCKLE("buckle or strap plate", "after the last coat, before pads"), GRILLE("grille", "after the last coat, from inside"),
        HOSE("hose", "after the last coat; its end pieces before paint"), HEADBAND("headband", "after the visor, before the walk test"),
        OTHER("part", "after the last coat");

        private final String words, when;

        Kind(String words, String when) {
            this.words = words;
            this.when = when;
        }

        public String words() {
            return words;
        }

        public String when() {
            return when;
        }
    }

    /** A hole weakens its edge: so much wall is left beside it, and a part needs so much wall behind, mm. */
    private static final double LEAST_WALL_MM = 1.6, ABOVE_MM = 4;

    public Bought {
        Limits.named("a bought part", name);
        along = List.copyOf(along);
        Limits.within("hole for " + name + ", mm", holeMm, 0, 200);
        Limits.within("mass of " + name + ", g", grams, 0, 20_000);
    }

    /** Thickness of the wall it sits on, and its length over the prop, mm; what to say of it. */
    public record Seat(Bought part, double wallMm, double lengthMm, Optional<Finding> finding) {}

    /** @param outward normal of the surface there @param lengthMm of its path, 0 for none */
    public Seat seat(ScaledShell shell, Vec3 outward, double lengthMm) {
        var p = at.times(shell.scale());
        var in = outward.times(-1);
        double skin = shell.firstMm(p.plus(outward.times(ABOVE_MM)), in);
        double back = shell.firstMm(p.plus(outward.times(ABOVE_MM - skin - 0.02)), in) + 0.02;
        var finding = holeMm > 0 && back < LEAST_WALL_MM
                ? Optional.of(Finding.care(String.format(Locale.ROOT,
                        "%s: the wall behind it is %.1f mm, a hole of %.1f mm tears it: glue a plate of sheet behind", name, back, holeMm)))
                : holeMm > 0 && !Double.isFinite(back)
                        ? Optional.of(Finding.care(name + ": no wall is found behind it: put it on the surface"))
                        : Optional.<Finding>empty();
        return new Seat(this, back, lengthMm, finding);
    }
}
