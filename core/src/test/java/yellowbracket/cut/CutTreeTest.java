package yellowbracket.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Vec3;

/** Planes are numbered node, above, below; every change leaves the rest as it was. */
class CutTreeTest {
    private static final CutPlane X = CutPlane.across(0, 1);
    private static final CutPlane Y = CutPlane.across(1, 2);
    private static final CutPlane Z = CutPlane.across(2, 3);
    private static final CutTree TREE = CutTree.split(Z, CutTree.split(Y, CutTree.WHOLE, CutTree.WHOLE),
            CutTree.split(X, CutTree.WHOLE, CutTree.WHOLE));

    @Test
    void planesAreNumberedNodeAboveBelow() {
        assertThat(TREE.planes()).containsExactly(Z, Y, X);
        assertThat(TREE.planeCount()).isEqualTo(3);
        assertThat(TREE.withPlane(1, X).planes()).containsExactly(Z, X, X);
        assertThat(TREE.without(1).planes()).containsExactly(Z, X);
        assertThat(TREE.without(0)).as("what stands on it goes too").isEqualTo(CutTree.WHOLE);
        assertThatThrownBy(() -> TREE.withPlane(3, X)).isInstanceOf(IndexOutOfBoundsException.class);
        assertThatThrownBy(() -> CutTree.WHOLE.without(0)).isInstanceOf(IndexOutOfBoundsException.class);
    }

    @Test
    void aLockedPlaneKeepsWhatHoldsIt() {
        var locked = TREE.withLock(2, true);
        assertThat(locked.locks()).containsExactly(false, false, true);
        assertThat(locked.onlyLocked().planes()).containsExactly(Z, X);
        assertThat(TREE.onlyLocked()).isEqualTo(CutTree.WHOLE);
        assertThat(locked.withLock(2, false)).isEqualTo(TREE);
        assertThat(locked.withPlane(2, Y).locks()).as("moving it does not let it go").containsExactly(false, false, true);
    }

    @Test
    void aPointFindsItsEnd() {
        assertThat(TREE.pathTo(new Vec3(0, 9, 9))).containsExactly(true, true);
        assertThat(TREE.pathTo(new Vec3(0, 9, 0))).containsExactly(false, false);
        assertThat(TREE.pathTo(new Vec3(1, 2, 3))).as("on a plane is above it").containsExactly(true, true);
        assertThat(TREE.at(List.of(true))).isEqualTo(CutTree.split(Y, CutTree.WHOLE, CutTree.WHOLE));
        assertThat(TREE.with(List.of(false, true), CutTree.split(Y, CutTree.WHOLE, CutTree.WHOLE)).planes()).containsExactly(Z, Y, X, Y);
    }

    @Test
    void endsPartedByOneLastPlaneBecomeOne() {
        assertThat(TREE.merged(List.of(true, true), List.of(true, false)).orElseThrow().planes()).containsExactly(Z, X);
        assertThat(TREE.merged(List.of(true, true), List.of(false, true))).as("the plane parts two others as well").isEmpty();
    }

    static Stream<Long> seeds() {
        return new Random(7).longs(40).boxed();
    }

    /**
     * Wherever a point lies, the same planes are above and below it after one and the same plane cut two neighbours and changed places with
     * what parted them.
     */
    @ParameterizedTest
    @MethodSource("seeds")
    void mergingKeepsEveryOtherBorder(long seed) {
        var r = new Random(seed);
        var inner = CutPlane.across(r.nextInt(2), 10 * r.nextGaussian());
        var tree = CutTree.split(CutPlane.across(2, 10 * r.nextGaussian()), CutTree.WHOLE, CutTree.WHOLE).cutEverywhere(inner);
        var merged = tree.merged(List.of(true, true), List.of(false, true)).orElseThrow();
        for (int i = 0; i < 60; i++) {
            var p = new Vec3(30 * r.nextGaussian(), 30 * r.nextGaussian(), 30 * r.nextGaussian());
            var q = new Vec3(30 * r.nextGaussian(), 30 * r.nextGaussian(), 30 * r.nextGaussian());
            boolean before = tree.pathTo(p).equals(tree.pathTo(q)), after = merged.pathTo(p).equals(merged.pathTo(q));
            boolean bothMerged = inner.height(p) >= 0 && inner.height(q) >= 0;
            assertThat(after).isEqualTo(before || bothMerged);
        }
    }
}
