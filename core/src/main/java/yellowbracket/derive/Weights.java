package yellowbracket.derive;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.size.HeadField;

/** Bytes that large parts of values take, about. */
final class Weights {
    /** An object of a few numbers. */
    private static final long SMALL = 64;
    /** Two vectors and two numbers. */
    private static final long SAMPLE = 120;

    private Weights() {}

    static long bytes(Object part) {
        return switch (part) {
            case Mesh m -> m.bytes();
            case Bvh b -> b.bytes();
            case HeadField g -> g.bytes();
            case SurfaceSamples s -> SAMPLE * s.samples().size();
            case double[] a -> 8L * a.length;
            case float[] a -> 4L * a.length;
            case int[] a -> 4L * a.length;
            case java.util.Collection<?> c -> SMALL * c.size();
            default -> SMALL;
        };
    }
}
