package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.index.Bvh;

class TightBorderTest {
    /** A groove along y, 100 long, of a width and depth, sunk in a plate: profile swept straight. */
    private static Mesh groove(double wide, double deep) {
        double[][] p = {{-80, 0}, {-wide / 2, 0}, {-wide / 2, -deep}, {wide / 2, -deep}, {wide / 2, 0}, {80, 0}, {80, -deep - 10},
                {-80, -deep - 10}};
        int rows = 21;
        var b = new MeshBuilder(rows * p.length, 4 * rows * p.length);
        for (int r = 0; r < rows; r++) for (var q : p) b.addVertex(q[0], 5.0 * r, q[1]);
        for (int r = 0; r + 1 < rows; r++) for (int i = 0; i < p.length; i++) {
            int j = (i + 1) % p.length;
            b.addQuad(r * p.length + i, r * p.length + j, (r + 1) * p.length + j, (r + 1) * p.length + i);
        }
        return b.build();
    }

    private static List<TightBorder> of(Mesh m, double deep) {
        // the floor of the groove is one colour, all else another
        return TightBorder.of(m, Bvh.of(m), f -> Math.abs(m.centroid(f).z() + deep) < 0.01 ? 1 : 0, List.of("rest", "floor"));
    }

    @Test
    void theFloorOfANarrowGrooveCannotBeMasked() {
        assertThat(of(groove(4, 12), 12)).singleElement().satisfies(t -> {
            assertThat(t.lengthMm()).as("both edges of the floor, but for its open ends").isBetween(160.0, 200.0);
            assertThat(t.finding().words()).contains("rest and floor meet for", "deep in a recess");
        });
    }

    @ParameterizedTest
    @ValueSource(doubles = {60, 120})
    void aBroadOneCan(double wide) {
        assertThat(of(groove(wide, 12), 12)).isEmpty();
    }

    @Test
    void shortOnesAndOneColourAreSilent() {
        var m = groove(4, 12);
        assertThat(TightBorder.of(m, Bvh.of(m), f -> 0, List.of("all"))).isEmpty();
        assertThat(TightBorder.of(m, Bvh.of(m), f -> m.centroid(f).y() < 5 && Math.abs(m.centroid(f).z() + 12) < 0.01 ? 1 : 0,
                List.of("a", "b"))).isEmpty();
    }
}
