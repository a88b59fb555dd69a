package yellowbracket.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.repair.Mend;
import yellowbracket.mesh.repair.MeshHealth;

class IntakeTest {
    private static final Mesh BIG = Shapes.box(Vec3.ZERO, new Vec3(10, 20, 30));
    private static final Mesh BALL = Shapes.sphere(2, 12).moved(new Vec3(50, 0, 0));
    private static final Mesh FILE = Mesh.union(List.of(BIG, BALL, Shapes.sphere(1, 8).moved(new Vec3(60, 0, 0))));

    private static Mesh apply(Intake i) {
        return i.apply(FILE, Progress.NONE);
    }

    @Test
    void nothingAskedForIsTheFileItself() {
        assertThat(apply(Intake.AS_IT_IS)).isSameAs(FILE);
    }

    @Test
    void unitsScaleAndDroppedBodiesGo() {
        var i = Intake.AS_IT_IS.with(FileUnit.CM).withRole(List.of(1, 2), BodyRole.DROPPED);
        assertThat(apply(i).volumeMm3()).isCloseTo(6_000_000, within(1e-3));
        assertThat(apply(i.withRole(List.of(1), BodyRole.SHELL)).volumeMm3()).as("brought back")
                .isCloseTo(1000 * (6000 + BALL.volumeMm3()), within(1.0));
        assertThat(i.withRole(List.of(1, 2), BodyRole.SHELL).roles()).as("a shell is the rule and needs no entry").isEmpty();
        for (var r : BodyRole.values()) assertThat(apply(Intake.AS_IT_IS.withRole(List.of(0), r)).triangleCount()).as(r.label())
                .isEqualTo(r.printed() ? FILE.triangleCount() : FILE.triangleCount() - BIG.triangleCount());
    }

    static List<Turn> turns() {
        return Turn.quarterTurns();
    }

    /** Every way of lying is undone by its inverse, and keeps the outside outside; mirrored too. */
    @ParameterizedTest
    @MethodSource("turns")
    void turnsAndMirrorsKeepTheSurface(Turn t) {
        var i = Intake.AS_IT_IS.with(FileUnit.MM, t).withMirrored(true);
        var m = apply(i);
        MeshAssert.assertClosed(m);
        MeshAssert.assertVolume(m, FILE.volumeMm3(), 1e-12);
        assertThat(i.placed(FILE.point(5))).isEqualTo(m.point(5));
        var back = Intake.AS_IT_IS.turned(t).turned(t.inverse());
        assertThat(back.turn()).isEqualTo(Turn.NONE);
    }

    @Test
    void fourQuarterTurnsAreNone() {
        for (int axis = 0; axis < 3; axis++) {
            var q = Turn.quarter(axis);
            assertThat(q.then(q).then(q).then(q).tidy()).isEqualTo(Turn.NONE);
            assertThat(Turn.quarterTurns()).contains(q);
            assertThat(q.apply(Vec3.axis((axis + 1) % 3)).minus(Vec3.axis((axis + 2) % 3)).norm()).as("counter-clockwise from the tip")
                    .isZero();
        }
        assertThatThrownBy(() -> Turn.quarter(3)).hasMessageContaining("axis 3");
    }

    /** The tolerance is in mm whatever the file's unit: a gap of 0.05 mm is kept, in metres too. */
    @Test
    void mendingMeasuresInMillimetres() {
        var near = Mesh.union(List.of(Shapes.box(Vec3.ZERO, new Vec3(0.010, 0.010, 0.010)),
                Shapes.box(new Vec3(0.01005, 0, 0), new Vec3(0.02, 0.010, 0.010))));
        var i = Intake.AS_IT_IS.with(FileUnit.M).withMends(EnumSet.allOf(Mend.Step.class));
        assertThat(MeshHealth.of(i.apply(near, Progress.NONE)).bodies()).hasSize(2);
        assertThat(i.apply(near, Progress.NONE).bounds().size().x()).isCloseTo(20, within(1e-9));
    }

    @Test
    void bodiesAreListedBySize() {
        var list = BodyList.of(FILE);
        assertThat(list.entries()).extracting(BodyList.Entry::number).containsExactly(0, 1, 2);
        assertThat(list.entries().getFirst().longest()).isEqualTo(30);
        assertThat(list.smallerThan(50, FileUnit.CM)).as("in a file of centimetres, 50 mm are 5").containsExactlyInAnyOrder(1, 2);
        assertThat(list.smallerThan(3, FileUnit.MM)).containsExactly(2);
        assertThat(list.bodyOf(FILE.triangleCount() - 1)).isEqualTo(2);
    }

    @Test
    void unitsThatAreNoneAreRefused() {
        assertThatThrownBy(() -> new FileUnit("none", 0)).hasMessageContaining("longer than 0");
        assertThatThrownBy(() -> new FileUnit("none", Double.NaN)).hasMessageContaining("longer than 0");
        assertThat(FileUnit.miniature(12).mm()).isEqualTo(12);
    }

    @Test
    void equalDecisionsAreEqual() {
        var a = Intake.AS_IT_IS.withRole(List.of(2, 1), BodyRole.TRIM).withMends(Set.of(Mend.Step.FILL, Mend.Step.WELD));
        var b = Intake.AS_IT_IS.withRole(List.of(1, 2), BodyRole.TRIM).withMends(Set.of(Mend.Step.WELD, Mend.Step.FILL));
        assertThat(a).isEqualTo(b);
        assertThat(a.mends()).containsExactly(Mend.Step.WELD, Mend.Step.FILL);
    }
}
