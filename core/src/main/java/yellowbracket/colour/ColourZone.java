package yellowbracket.colour;

import java.util.List;
import java.util.regex.Pattern;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/** An area of one colour: the surface within any of the patches (no patch: all that no other zone holds). */
public record ColourZone(String name, String hex, String paint, List<Patch> patches) {
    private static final Pattern HEX = Pattern.compile("#[0-9a-fA-F]{6}");

    public ColourZone {
        patches = List.copyOf(patches);
        Limits.named("a colour zone", name);
        if (!HEX.matcher(hex).matches()) throw new IllegalArgumentException("colour of " + name + ": write it as #1f5156, not " + hex);
    }

    public ColourZone withPaint(String product) {
        return new ColourZone(name, hex, product, patches);
    }

    public boolean rest() {
        return patches.isEmpty();
    }

    /** The zone of a point: the first with a patch that holds it, else the one without, else -1. */
    public static int at(List<ColourZone> zones, Vec3 p) {
        for (int i = 0; i < zones.size(); i++) for (var b : zones.get(i).patches) if (b.holds(p)) return i;
        for (int i = 0; i < zones.size(); i++) if (zones.get(i).rest()) return i;
        return -1;
    }
}
