package yellowbracket.mesh;

/** Which triangles stand round each vertex of a mesh. */
public final class VertexFacets {
    private final int[] start;
    private final int[] facets;

    private VertexFacets(int[] start, int[] facets) {
        this.start = start;
        this.facets = facets;
    }

    /** O(n). */
    public static VertexFacets of(Mesh m) {
        int n = 3 * m.triangleCount();
        var start = new int[m.vertexCount() + 1];
        for (int c = 0; c < n; c++) start[m.vertex(c / 3, c % 3) + 1]++;
        for (int v = 0; v < m.vertexCount(); v++) start[v + 1] += start[v];
        var fill = start.clone();
        var facets = new int[n];
        for (int c = 0; c < n; c++) facets[fill[m.vertex(c / 3, c % 3)]++] = c / 3;
        return new VertexFacets(start, facets);
    }

    /** Entries of a vertex: {@code from(v) <= i < from(v + 1)}. */
    public int from(int v) {
        return start[v];
    }

    public int facet(int i) {
        return facets[i];
    }
}
