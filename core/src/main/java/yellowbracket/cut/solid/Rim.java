package yellowbracket.cut.solid;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;

/**
 * Where a patch of triangles ends: its directed edges, each as often as it was given; an edge and its reverse cancel. Edges are those of
 * {@link DirectedEdge}.
 */
public final class Rim {
    private final Map<Long, Integer> counts = new HashMap<>();

    /** The rim of one patch of a mesh: all triangles with this tag. */
    public static Rim of(Mesh mesh, int tag) {
        var rim = new Rim();
        for (int f = 0; f < mesh.triangleCount(); f++)
            if (mesh.tag(f) == tag) rim.add(mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2));
        return rim;
    }

    /** A triangle's three edges. */
    public void add(int a, int b, int c) {
        add(a, b);
        add(b, c);
        add(c, a);
    }

    public void add(int from, int to) {
        long edge = DirectedEdge.of(from, to), reverse = DirectedEdge.reverse(edge);
        var n = counts.get(reverse);
        if (n == null) put(edge);
        else if (n == 1) counts.remove(reverse);
        else counts.put(reverse, n - 1);
    }

    /** Nothing cancels it. */
    public void put(long edge) {
        counts.merge(edge, 1, Integer::sum);
    }

    public boolean isEmpty() {
        return counts.isEmpty();
    }

    public boolean has(long edge) {
        return counts.containsKey(edge);
    }

    /** How often the edge is there. */
    public int count(long edge) {
        return counts.getOrDefault(edge, 0);
    }

    /** Each once. */
    public Set<Long> edges() {
        return counts.keySet();
    }
}
