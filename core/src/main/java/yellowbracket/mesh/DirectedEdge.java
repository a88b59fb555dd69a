package yellowbracket.mesh;

/** An edge from one vertex to another as one number, for maps and sorting: the start in the upper, the end in the lower 32 bits. */
public final class DirectedEdge {
    private DirectedEdge() {}

    public static long of(int from, int to) {
        return (long) from << 32 | to & 0xFFFF_FFFFL;
    }

    /** As {@link #of}, well spread for hash maps, in which the plain numbers of neighbouring edges fall together. */
    public static long key(int from, int to) {
        return of(from, to) * 0x9E37_79B9_7F4A_7C15L;
    }

    /** As {@link #key}, the same for both directions. */
    public static long undirectedKey(int a, int b) {
        return key(Math.min(a, b), Math.max(a, b));
    }

    /** The same number for both directions. */
    public static long undirected(int a, int b) {
        return of(Math.min(a, b), Math.max(a, b));
    }

    public static int from(long edge) {
        return (int) (edge >>> 32);
    }

    public static int to(long edge) {
        return (int) edge;
    }

    public static long reverse(long edge) {
        return edge << 32 | edge >>> 32;
    }
}
