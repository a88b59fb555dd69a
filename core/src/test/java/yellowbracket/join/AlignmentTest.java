package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class AlignmentTest {
    private static Sectioning cut(Mesh m, double... at) {
        CutTree t = CutTree.WHOLE;
        for (double z : at) t = CutTree.split(CutPlane.across(2, z), t, CutTree.WHOLE);
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    /** A thousand chains of joints each turned a little, added up in space, against the rule. */
    @Test
    void aChainWandersAsTheRuleSays() {
        var s = cut(Shapes.tube(12, 0, 0, 1600, 64), 1200, 800, 400);
        var chain = Alignment.chain(s.sections(), s.seams(), Map.of()).orElseThrow();
        assertThat(chain.seams()).hasSize(3);
        assertThat(chain.lengthMm()).isCloseTo(1600, within(1e-6));
        double theta = Alignment.UNEVEN_MM / (2 * 12);
        var rnd = new Random(3);
        double sum = 0;
        int n = 4000;
        for (int k = 0; k < n; k++) {
            // one way out of the line: slopes add up joint by joint
            double slope = 0, off = 0;
            for (int i = 0; i < 4; i++) {
                off += slope * 400;
                slope += theta * rnd.nextGaussian();
            }
            sum += off * off;
        }
        assertThat(chain.wanderMm()).isCloseTo(Math.sqrt(sum / n), withinPercentage(5));
        assertThat(chain.railMm()).isEqualTo(800);
    }

    @Test
    void aRodKeepsItStraighter() {
        var s = cut(Shapes.tube(12, 0, 0, 1600, 64), 800, 400);
        var plain = Alignment.chain(s.sections(), s.seams(), Map.of()).orElseThrow();
        var rod = Rod.of(3000, 3, 20).getFirst();
        var deep = new Rod(rod.stock(), rod.diameterMm(), 60, 120, true);
        var bored = Map.of(s.seams().get(0).name(), Fittings.rods(List.of(deep)), s.seams().get(1).name(), Fittings.rods(List.of(deep)));
        assertThat(Alignment.chain(s.sections(), s.seams(), bored).orElseThrow().wanderMm()).isLessThan(0.5 * plain.wanderMm());
        var squat = cut(Shapes.box(Vec3.ZERO, new Vec3(300, 300, 400)), 250, 130);
        assertThat(Alignment.chain(squat.sections(), squat.seams(), Map.of())).isEmpty();
    }

    @Test
    void aRoundJointTurnsUntilSomethingStopsIt() {
        var round = cut(Shapes.tube(12, 0, 0, 400, 64), 200).seams().getFirst();
        assertThat(Alignment.rimMm(round)).isCloseTo(12, within(0.1));
        assertThat(Alignment.turnsFreely(round, 0)).isTrue();
        assertThat(Alignment.turnsFreely(round, 1)).isTrue();
        assertThat(Alignment.turnsFreely(round, 2)).isFalse();
        var square = cut(Shapes.box(Vec3.ZERO, new Vec3(30, 30, 400)), 200).seams().getFirst();
        assertThat(Alignment.turnsFreely(square, 0)).isFalse();
    }
}
