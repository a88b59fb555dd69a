package yellowbracket.colour;

import java.util.List;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;

/** An area of one colour: the surface within any of the boxes, in model coordinates (no box: all that no other zone holds). */
public record ColourZone(String name, String hex, String paint, List<Bounds3> boxes) {
    public boolean rest() {
        return boxes.isEmpty();
    }

    /** The zone of a point: the first whose box holds it, else the one without boxes, else -1. */
    public static int at(List<ColourZone> zones, Vec3 p) {
        for (int i = 0; i < zones.size(); i++) for (var b : zones.get(i).boxes) if (b.contains(p)) return i;
        for (int i = 0; i < zones.size(); i++) if (zones.get(i).rest()) return i;
        return -1;
    }
}
