package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** What is reached from where, and how parts lie, on shapes where one can say so. */
class InHandTest {
    private static final CutTree HALVES = CutTree.split(CutPlane.across(2, 0.1), CutTree.WHOLE, CutTree.WHOLE);

    private static Sectioning cut(Mesh m, CutTree t) {
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    private static Set<String> all(Sectioning s) {
        return s.sections().stream().map(Section::name).collect(Collectors.toSet());
    }

    private static InHand of(Sectioning s) {
        return InHand.of(s.sections(), s.seams(), Progress.NONE);
    }

    /** A ball's hollow, closed all round, is reached by nobody; one with a wide mouth is. */
    @Test
    void theInsideOfAClosedBallIsOutOfReach() {
        var closed = cut(shell(40, 36, 1e9), HALVES);
        var hand = of(closed);
        String seam = closed.seams().getFirst().name();
        assertThat(hand.hasInside(seam)).isTrue();
        assertThat(hand.reached(seam, all(closed))).isZero();
        assertThat(hand.reached(seam, Set.of(closed.sections().getFirst().name()))).as("while it is open").isEqualTo(1);
        var open = cut(Shapes.tube(60, 56, -60, 60, 64), HALVES);
        assertThat(of(open).reached(open.seams().getFirst().name(), all(open))).isEqualTo(1);
    }

    private static Mesh shell(double outer, double inner, double none) {
        var hollow = Shapes.sphere(inner, 40);
        var t = hollow.copyTriangles();
        for (int i = 0; i < t.length; i += 3) {
            int s = t[i];
            t[i] = t[i + 1];
            t[i + 1] = s;
        }
        return Mesh.union(List.of(Shapes.sphere(outer, 40), Mesh.of(hollow.copyXyz(), t)));
    }

    /** A long tube is too narrow for the slope of a brush from either end, a short one is not. */
    @Test
    void howDeepOneReachesGoesByTheWidthOfTheMouth() {
        var deep = cut(Shapes.tube(24, 20, -400, 400, 48), HALVES);
        assertThat(of(deep).reached(deep.seams().getFirst().name(), all(deep))).isZero();
        var shallow = cut(Shapes.tube(24, 20, -40, 40, 48), HALVES);
        assertThat(of(shallow).reached(shallow.seams().getFirst().name(), all(shallow))).isEqualTo(1);
    }

    @Test
    void aSolidHasNoInside() {
        var s = cut(Shapes.box(new Vec3(-20, -20, -50), new Vec3(20, 20, 50)), HALVES);
        var hand = of(s);
        assertThat(hand.hasInside(s.seams().getFirst().name())).isFalse();
        assertThat(hand.reached(s.seams().getFirst().name(), all(s))).isEqualTo(1);
        assertThat(InHand.UNKNOWN.reached("A|B", Set.of("A"))).isEqualTo(1);
        assertThat(InHand.UNKNOWN.rest(List.of("A"), Vec3.Z, Vec3.ZERO, Vec3.ZERO)).isEmpty();
    }

    /** A block stands on the face away from what comes on from above; a slanted joint is told by its slant. */
    @Test
    void partsLieSoThatTheSeamLooksUp() {
        var s = cut(Shapes.box(new Vec3(-20, -20, -50), new Vec3(20, 20, 50)), HALVES);
        var hand = of(s);
        var low = s.sections().stream().filter(q -> q.mesh().bounds().min().z() < -1).findFirst().orElseThrow();
        var rest = hand.rest(List.of(low.name()), Vec3.Z, new Vec3(0, 0, -25), Vec3.ZERO).orElseThrow();
        assertThat(rest.tiltDeg()).isCloseTo(0, within(0.5));
        assertThat(rest.stands()).isTrue();
        var slant = new Vec3(0, Math.sin(Math.toRadians(25)), Math.cos(Math.toRadians(25)));
        assertThat(hand.rest(List.of(low.name()), slant, new Vec3(0, 0, -25), Vec3.ZERO).orElseThrow().tiltDeg()).isCloseTo(25,
                within(0.5));
        assertThat(hand.rest(List.of(low.name()), Vec3.Z, new Vec3(0, 0, -25), new Vec3(0, 60, 30)).orElseThrow().stands())
                .as("what comes on hangs over and tips it")
                .isFalse();
    }
}
