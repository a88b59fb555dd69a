package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;

/** Whole rows at a time give what one cell after another would. */
class VoxelsTest {
    static List<Mesh> meshes() {
        return List.of(SupportReachTest.grille(3.2), SupportReachTest.grille(9));
    }

    private static BitSet oneByOne(Voxels v, BitSet from, BitSet closed, int steps) {
        var seen = (BitSet) from.clone();
        var edge = seen.stream().boxed().toList();
        for (int s = 0; s < steps && !edge.isEmpty(); s++) {
            var next = new ArrayList<Integer>();
            for (int at : edge) v.beside(at, n -> {
                if (closed.get(n) || seen.get(n)) return;
                seen.set(n);
                next.add(n);
            });
            edge = next;
        }
        return seen;
    }

    @ParameterizedTest
    @MethodSource("meshes")
    void whatIsReachedIsWhatStepsFromCellToCellReach(Mesh mesh) {
        var v = Voxels.of(mesh, Turn.pitch(20), 1.1, 3);
        var outside = new BitSet();
        outside.set(0);
        for (int grown = 0; grown <= 2; grown++) {
            var closed = v.grown(grown);
            var flooded = v.flooded(closed);
            assertThat(flooded).isEqualTo(oneByOne(v, outside, closed, Integer.MAX_VALUE));
            assertThat(v.spread(flooded, 3)).isEqualTo(oneByOne(v, flooded, v.solids(), 3));
        }
    }

    @ParameterizedTest
    @MethodSource("meshes")
    void whatIsGrownIsAllThatTouches(Mesh mesh) {
        var v = Voxels.of(mesh, Turn.NONE, 1.7, 3);
        var touched = new BitSet();
        var solid = v.solids();
        solid.stream()
                .forEach(at -> IntStream.range(0, 27)
                        .map(n -> at + n % 3 - 1 + (n / 3 % 3 - 1) * v.nx + (n / 9 - 1) * v.nx * v.ny)
                        .forEach(touched::set));
        assertThat(v.grown(1)).isEqualTo(touched);
        assertThat(solid.cardinality()).isPositive();

    }
}
