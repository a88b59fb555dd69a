package yellowbracket.mesh;

import yellowbracket.mesh.repair.MeshHealth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** What tests say about meshes. */
public final class MeshAssert {
    private MeshAssert() {}

    public static void assertClosed(Mesh m) {
        var h = MeshHealth.of(m);
        assertThat(h.closed())
                .as("closed: boundary %d, non-manifold %d, misoriented %d", h.boundaryEdges(), h.nonManifoldEdges(), h.misorientedEdges())
                .isTrue();
    }

    /** Every edge is used as often forwards as backwards: no opening, though bodies may touch. */
    public static void assertWatertight(Mesh m) {
        assertThat(MeshHealth.balanced(m)).as("watertight").isTrue();
    }

    public static void assertVolume(Mesh m, double mm3, double relative) {
        assertThat(m.volumeMm3()).isCloseTo(mm3, within(Math.abs(mm3) * relative));
    }

    /** The same surface facing inwards: a void. */
    public static Mesh turnedInside(Mesh m) {
        var t = m.copyTriangles();
        for (int i = 0; i < t.length; i += 3) {
            int swap = t[i];
            t[i] = t[i + 1];
            t[i + 1] = swap;
        }
        return Mesh.of(m.copyXyz(), t);
    }
}
