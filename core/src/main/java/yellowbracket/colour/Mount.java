package yellowbracket.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Spaces;

/**
 * How a part is held while it is painted, and what it dries in. Millimetres and grams.
 * @param part what is painted in one piece @param bearsG what the mount bears @param roomMm width, depth and height it dries in
 * @param freeH until it may be taken in the hand: the longest of its coats
 */
public record Mount(String part, How how, double grams, double bearsG, Vec3 roomMm, double freeH) {
    /** Ways to hold. */
    public enum How {
        POST("on a padded post inside", "a post screwed to a board, its head padded, inside the hollow; it touches nothing that is seen",
                6000),
        HANGS("hung by both ends", "wire through a hole or a screw eye in a bare face at each end, high enough to walk round", 4000),
        STICK("on a stick", "a stick or screw in a socket or a bare face; stood in a block with holes", 150),
        POINTS("on points", "three screws through a board: paint the under side first, turn it over when it may be handled", 8000);

        private final String words;
        private final String told;
        private final double bearsG;

        How(String words, String told, double bearsG) {
            this.words = words;
            this.told = told;
            this.bearsG = bearsG;
        }

        public String words() {
            return words;
        }

        public String told() {
            return told;
        }
    }

    /** Film, filler and what the maker adds, over the print. */
    private static final double HEAVIER = 1.2;
    /** A mount bears this many times what hangs on it. */
    private static final double RESERVE = 2;
    /** Air about it, and the board below it; a hollow a post goes into; what counts as long; how far up it may be. */
    private static final double AIR_MM = 120, BOARD_MM = 250, HOLLOW_MM = 90, LONG = 4;
    private static final List<Vec3> WAYS = List.of(Vec3.Z.times(-1), Vec3.Y.times(-1), Vec3.Y, Vec3.X, Vec3.X.times(-1));

    /** @param printG of the print @param index of the part, real mm @param freeH as {@link ColourPlan} tells */
    public static Mount of(String part, double printG, Bounds3 box, Bvh index, double freeH) {
        double grams = HEAVIER * printG;
        var size = box.size();
        double most = Math.max(size.x(), Math.max(size.y(), size.z())), least = Math.min(size.x(), Math.min(size.y(), size.z())),
                middle = size.x() + size.y() + size.z() - most - least;
        How how;
        if (hollow(index, box) && RESERVE * grams <= How.POST.bearsG) how = How.POST;
        else if (most > LONG * middle && RESERVE * grams <= How.HANGS.bearsG) how = How.HANGS;
        else if (RESERVE * grams <= How.STICK.bearsG) how = How.STICK;
        else how = How.POINTS;
        var room = how == How.HANGS ? new Vec3(most + 2 * AIR_MM, middle + 2 * AIR_MM, least + 2 * AIR_MM)
                : new Vec3(size.x() + 2 * AIR_MM, size.y() + 2 * AIR_MM, size.z() + AIR_MM + BOARD_MM);
        return new Mount(part, how, grams, how.bearsG, room, freeH);
    }

    /** Its middle is in the open, wide enough for a post, and open to one side. */
    private static boolean hollow(Bvh index, Bounds3 box) {
        var c = box.centre();
        if (index.inside(c) || index.distance(c) < HOLLOW_MM / 2) return false;
        return WAYS.stream().anyMatch(d -> !index.blocked(c, d, 0));
    }

    /** What is wrong with it where it is to be sprayed, or what it weighs. */
    public List<Finding> findings(Optional<Spaces.Room> spray) {
        var out = new ArrayList<Finding>();
        if (RESERVE * grams > bearsG) out.add(Finding.of(Weight.CARE, Subject.named(part),
                "%s: %.1f kg on a mount of this kind that bears %.1f: brace it, or paint it in parts", part, grams / 1000, bearsG / 1000));
        spray.ifPresent(r -> {
            if (!fits(r))
                out.add(Finding.of(Weight.CARE, Subject.named(part), "%s needs %s to dry in with air round it; the spray spot has %s", part,
                        sides(roomMm.x(), roomMm.y(), roomMm.z()), sides(r.wideMm(), r.deepMm(), r.highMm())));
        });
        return List.copyOf(out);
    }

    private boolean fits(Spaces.Room r) {
        boolean straight = roomMm.x() <= r.wideMm() && roomMm.y() <= r.deepMm(),
                turned = roomMm.y() <= r.wideMm() && roomMm.x() <= r.deepMm();
        return roomMm.z() <= r.highMm() && (straight || turned);
    }

    private static String sides(double a, double b, double c) {
        return String.format(Locale.ROOT, "%.0f x %.0f x %.0f cm", a / 10, b / 10, c / 10);
    }

    /** Room to dry in, in words. */
    public String room() {
        return sides(roomMm.x(), roomMm.y(), roomMm.z());
    }
}
