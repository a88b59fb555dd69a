package yellowbracket.colour.zone;

import java.util.List;
import yellowbracket.mesh.Vec3;

/**
 * One run of the line where two zones meet, from where a third joins to the next such place, or closed.
 * @param low the smaller zone number @param line as tape is laid: without the steps of the mesh
 * @param lengthMm of that line @param atEdge share of it where the surface bends sharply, which tape can follow
 * @param leastRadiusMm how tightly it turns within the surface: nine tenths of it are gentler; infinite where straight
 */
public record Border(int low, int high, List<Vec3> line, boolean closed, double lengthMm, double atEdge, double leastRadiusMm) {
    public Border {
        line = List.copyOf(line);
    }

    public boolean of(int zone) {
        return zone == low || zone == high;
    }

    public int other(int zone) {
        return zone == low ? high : low;
    }
}
