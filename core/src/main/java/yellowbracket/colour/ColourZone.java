package yellowbracket.colour;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.function.ToIntFunction;
import java.util.regex.Pattern;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Sheen;

/**
 * An area of one colour. Where it lies is told by the numbers in the prop's {@link yellowbracket.colour.zone.ZoneMap}; while there is none,
 * by patches of space (no patch: all that no other zone holds).
 * @param id what the map calls it @param hex wanted colour @param paint product by name
 */
@RecordBuilder
public record ColourZone(int id, String name, String hex, Sheen sheen, String paint, How how,
        List<Patch> patches) implements ColourZoneBuilder.With {
    private static final Pattern HEX = Pattern.compile("#[0-9a-fA-F]{6}");
    /** No map holds more. */
    private static final int MOST_ID = 100_000;

    /** How its paint goes on. */
    public enum How {
        AS_COSTS_LESS("spray or brush, what costs less"), SPRAY("spray"), BRUSH("brush");

        private final String words;

        How(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public ColourZone {
        patches = List.copyOf(patches);
        Limits.named("a colour zone", name);
        if (id < 0 || id > MOST_ID) throw new IllegalArgumentException("zone " + name + " has the number " + id);
        java.util.Objects.requireNonNull(sheen, "sheen");
        java.util.Objects.requireNonNull(how, "how");
        if (!isHex(hex)) throw new IllegalArgumentException("colour of " + name + ": write it as #1f5156, not " + hex);
    }

    /** Found by brush, flood or plane: no patches. */
    public static ColourZone of(int id, String name, String hex, String paint) {
        return new ColourZone(id, name, hex, Sheen.SATIN, paint, How.AS_COSTS_LESS, List.of());
    }

    public static boolean isHex(String text) {
        return HEX.matcher(text).matches();
    }

    public boolean rest() {
        return patches.isEmpty();
    }

    /** The place in the list of the zone of a point by patches: the first that holds it, else the one without, else -1. */
    public static int at(List<ColourZone> zones, Vec3 p) {
        for (int i = 0; i < zones.size(); i++) for (var b : zones.get(i).patches) if (b.holds(p)) return i;
        for (int i = 0; i < zones.size(); i++) if (zones.get(i).rest()) return i;
        return -1;
    }

    /** The number of the zone of a point by patches; that of the first where none holds it. */
    public static ToIntFunction<Vec3> ids(List<ColourZone> zones) {
        return p -> zones.get(Math.max(0, at(zones, p))).id;
    }
}
