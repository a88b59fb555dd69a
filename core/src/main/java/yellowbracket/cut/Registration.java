package yellowbracket.cut;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.mesh.Vec3;

/**
 * What was decided about how the sections of a prop find each other. {@code usual} counts for every seam not named in {@code bySeam};
 * {@code byHand} replaces
 * what would be placed by itself on a seam. {@code letters}: name, arrow and scale sunk into a hidden face; {@code ticks}: witness marks
 * across each seam on
 * the inside. {@code clearanceMm}: hole over pin in diameter; {@code wallMm}: material left around any hole.
 */
public record Registration(RegistrationKind usual, Map<String, RegistrationKind> bySeam, Map<String, List<Spot>> byHand, boolean letters,
        boolean ticks, double clearanceMm, double wallMm) {
    public static final Registration PLAIN = new Registration(RegistrationKind.PLAIN, Map.of(), Map.of(), false, false, 0.2, 1.2);
    public static final Registration FITTING = new Registration(RegistrationKind.FITTING, Map.of(), Map.of(), true, true, 0.2, 1.2);

    /**
     * Something placed by hand: where, in the coordinates of the unscaled model (brought onto the seam's plane), and its stock diameter in
     * mm.
     */
    public record Spot(RegistrationKind kind, Vec3 at, double diameterMm) {
        public Spot {
            if (!(diameterMm >= 1 && diameterMm <= 40))
                throw new IllegalArgumentException("a diameter lies between 1 and 40 mm, was " + diameterMm);
        }
    }

    public Registration {
        bySeam = Map.copyOf(bySeam);
        byHand = Map.copyOf(byHand);
        if (!(clearanceMm >= 0 && clearanceMm <= 2))
            throw new IllegalArgumentException("a clearance lies between 0 and 2 mm, was " + clearanceMm);
        if (!(wallMm >= 0.4 && wallMm <= 20)) throw new IllegalArgumentException("a wall lies between 0.4 and 20 mm, was " + wallMm);
    }

    public RegistrationKind kind(String seam) {
        return bySeam.getOrDefault(seam, usual);
    }

    /** Whether nothing at all is worked into any face. */
    public boolean nothing() {
        return !letters && !ticks && usual == RegistrationKind.PLAIN && byHand.isEmpty()
                && bySeam.values().stream().allMatch(k -> k == RegistrationKind.PLAIN);
    }

    public Registration withUsual(RegistrationKind k) {
        return new Registration(k, Map.of(), Map.of(), letters, ticks, clearanceMm, wallMm);
    }

    /** What was placed by hand on the seam goes. */
    public Registration with(String seam, RegistrationKind k) {
        var kinds = new HashMap<>(bySeam);
        kinds.put(seam, k);
        var hand = new HashMap<>(byHand);
        hand.remove(seam);
        return new Registration(usual, kinds, hand, letters, ticks, clearanceMm, wallMm);
    }

    public Registration withSpots(String seam, List<Spot> spots) {
        var hand = new HashMap<>(byHand);
        hand.put(seam, List.copyOf(spots));
        return new Registration(usual, bySeam, hand, letters, ticks, clearanceMm, wallMm);
    }

    public Registration withSpot(String seam, Spot spot) {
        var list = new ArrayList<>(byHand.getOrDefault(seam, List.of()));
        list.add(spot);
        return withSpots(seam, list);
    }

    public Registration withMarks(boolean letter, boolean tick) {
        return new Registration(usual, bySeam, byHand, letter, tick, clearanceMm, wallMm);
    }

    public Registration withFit(double clearance, double wall) {
        return new Registration(usual, bySeam, byHand, letters, ticks, clearance, wall);
    }

    /** Without what names single seams: after other cuts those names mean something else. */
    public Registration forOtherCuts() {
        return new Registration(usual, Map.of(), Map.of(), letters, ticks, clearanceMm, wallMm);
    }
}
