package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.work.Known;
import yellowbracket.work.TaskId;

/** Scales and why: shells made from the head itself, other proportions, references, and what a test piece corrects. */
class ProportionTest {
    private static final Wearer WEARER = new Wearer("Ada", HeadMeasures.of(570, 195, 152), false, 0, 1700);
    private static final HeadForm FORM = HeadForm.of(WEARER);
    private static final Room RULE = Room.of(WEARER);

    /** A shell whose inner wall lies {@code mm(zone)} off the skin along its normal. */
    private static Cavity around(java.util.function.ToDoubleFunction<Zone> mm) {
        var m = Mesh.union(List.of(MeshAssert.turnedInside(FORM.skull(mm)), FORM.skull(z -> mm.applyAsDouble(z) + 4)));
        return Cavity.of(m, Bvh.of(m));
    }

    @Test
    void aShellOneClearanceOffTheSkinHasItEverywhere() {
        var c = Clearance.of(FORM, around(z -> 12), 1, new Pose(0, 0, 0));
        for (var z : c.zones()) if (z.zone() != Zone.NECK && z.zone() != Zone.EARS && z.zone() != Zone.NOSE && z.zone() != Zone.CHIN)
            assertThat(z.medianMm()).as(z.zone().label()).isCloseTo(12, within(0.5));
    }

    /**
     * Along a normal from p the wall of a ball of radius r about the origin is met at -b + sqrt(b2 - p2 + r2). @return what the worst zone
     * has over what it wants
     */
    private static double spareInABall(double r, Pose pose) {
        var byZone = new java.util.EnumMap<Zone, List<Double>>(Zone.class);
        for (var s : FORM.samples()) {
            var p = pose.place(s.point());
            double b = p.dot(pose.direction(s.normal()));
            if (s.zone() != Zone.NECK) byZone.computeIfAbsent(s.zone(), z -> new java.util.ArrayList<>())
                    .add(-b + Math.sqrt(Math.max(0, b * b - p.dot(p) + r * r)));
        }
        double worst = Double.POSITIVE_INFINITY;
        for (var e : byZone.entrySet()) worst = Math.min(worst,
                e.getValue().stream().sorted().toList().get((int) (0.02 * e.getValue().size())) - RULE.leastMm(e.getKey()));
        return worst;
    }

    @Test
    void atTheLowestScaleOfABallTheWorstZoneHasJustWhatItWants() {
        var ball = Mesh.union(List.of(Shapes.sphere(154, 200), MeshAssert.turnedInside(Shapes.sphere(150, 200))));
        var cavity = Cavity.of(ball, Bvh.of(ball));
        double lowest = Fit.scales(RULE, FORM, cavity, Progress.NONE).lowest();
        var pose = new PoseSearch(FORM, cavity, RULE, lowest).run();
        assertThat(spareInABall(150 * lowest, pose)).as("in closed form, at the pose found").isBetween(-0.5, 1.0);
        double best = Double.NEGATIVE_INFINITY;
        for (double f = -30; f <= 30; f += 3) for (double u = -30; u <= 30; u += 3)
            for (double t = -12; t <= 12; t += 4) best = Math.max(best, spareInABall(150 * lowest, new Pose(f, u, t)));
        assertThat(best).as("no pose of a plain grid leaves much more").isLessThan(2.5);
    }

    @Test
    void aShellTooNarrowIsWidenedMoreThanTheRest() {
        var narrow = around(z -> RULE.leastMm(z) + 1).mesh().mapped(p -> new Vec3(p.x() * 0.93, p.y(), p.z()));
        var cavity = Cavity.of(narrow, Bvh.of(narrow));
        var scales = Fit.scales(RULE, FORM, cavity, Progress.NONE);
        var best = Proportions.of(RULE, FORM, cavity, scales).orElseThrow();
        assertThat(best.reshape().wide()).isGreaterThan(best.reshape().deep()).isGreaterThan(best.reshape().tall());
        assertThat(best.scale()).isLessThan(scales.lowest());
        var reshaped = best.reshape().apply(narrow);
        var after = Fit.of(RULE, FORM, Cavity.of(reshaped, Bvh.of(reshaped)), best.scale(), scales);
        assertThat(Fit.worst(after.clearance(), RULE, false).spare()).isGreaterThan(-1.5);
        assertThat(Proportions.of(RULE, FORM, around(RULE::leastMm), Fit.scales(RULE, FORM, around(RULE::leastMm), Progress.NONE)))
                .as("made to measure: no axis gains")
                .isEmpty();
    }

    @Test
    void aWidenedNeckKeepsItsWallAndFadesOut() {
        var shell = Shapes.cappedShell(120, 4, 50, 128, 64);
        var neck = new Reshape.Neck(8, -60, 0, 0);
        var wide = new Reshape(1, 1, 1, Optional.of(neck), Optional.empty());
        var m = wide.apply(shell);
        MeshAssert.assertClosed(m);
        for (int v = 0; v < shell.vertexCount(); v += 5) {
            var p = shell.point(v);
            double moved = m.point(v).minus(p).norm(), r = Math.hypot(p.x(), p.y());
            if (p.z() >= 0) assertThat(moved).isZero();
            if (p.z() <= -60 && r > 40) assertThat(moved).isCloseTo(8, within(1e-9));
            assertThat(moved).isLessThanOrEqualTo(8 + 1e-9);
        }
        var both = new Reshape(1.05, 0.97, 1.02, Optional.of(neck), Optional.empty());
        for (int v = 0; v < shell.vertexCount(); v += 7)
            assertThat(both.undone(both.apply(shell.point(v))).distance(shell.point(v))).isLessThan(1e-4);
        var d = wide.distortion(shell);
        assertThat(d.most()).isGreaterThan(0.05).isLessThan(0.4);
        assertThat(d.usual()).isLessThanOrEqualTo(d.most());
        assertThat(Reshape.NONE.distortion(shell).most()).isCloseTo(0, within(1e-6));
        assertThat(new Reshape(1.1, 1, 1, Optional.empty(), Optional.empty()).distortion(shell).most()).isCloseTo(0.1, within(0.005));
        assertThat(wide.widened(new Reshape.Neck(2, -50, 5, 0)).neck().orElseThrow()).isEqualTo(new Reshape.Neck(10, -50, 5, 0));
        assertThatThrownBy(() -> new Reshape(0, 1, 1, Optional.empty(), Optional.empty())).hasMessageContaining("stretched by");
    }

    @Test
    void aReferenceGivesTheScale() {
        assertThat(ScaleReference.twoPoints(50, 62.5)).isEqualTo(1.25);
        assertThat(ScaleReference.characterHeight(2000, 1700)).isEqualTo(0.85);
        assertThat(ScaleReference.miniature(6)).isEqualTo(6);
        assertThatThrownBy(() -> ScaleReference.twoPoints(0, 10)).hasMessageContaining("pick two apart");
        assertThatThrownBy(() -> ScaleReference.twoPoints(10, Double.NaN)).hasMessageContaining("type the real distance");
    }

    @Test
    void aTestPieceThatIsTightAsksForMoreAndOneThatFitsForLess() {
        var cavity = around(z -> 9);
        var before = Fit.scales(RULE, FORM, cavity, Progress.NONE);
        var tight = Fit.room(WEARER, List.of(new Trial(1, Trial.Verdict.TIGHT, Optional.of(Zone.TEMPLES), 3)), FORM, cavity);
        double computed = Clearance.of(FORM, cavity, 1, new PoseSearch(FORM, cavity, RULE, 1).run())
                .zone(Zone.TEMPLES)
                .orElseThrow()
                .minMm();
        assertThat(computed).as("a wall 9 mm off the skin").isBetween(6.0, 10.0);
        assertThat(tight.leastMm(Zone.TEMPLES)).as("and 3 were missing").isCloseTo(computed + 3, within(1e-9));
        assertThat(tight.leastMm(Zone.BROW)).isEqualTo(RULE.leastMm(Zone.BROW));
        var allRound = Fit.room(WEARER, List.of(new Trial(before.lowest(), Trial.Verdict.TIGHT, Optional.empty(), 3)), FORM, cavity);
        assertThat(Fit.scales(allRound, FORM, cavity, Progress.NONE).lowest()).isGreaterThan(before.lowest() + 0.01);
        var fits = Fit.room(WEARER, List.of(new Trial(0.95, Trial.Verdict.FITS, Optional.empty(), 0)), FORM, cavity);
        assertThat(Fit.scales(fits, FORM, cavity, Progress.NONE).lowest()).as("it was tried on smaller than the rule allows, and it fits")
                .isLessThanOrEqualTo(0.955);
        var withdrawn = Fit.room(WEARER, List.of(new Trial(0.95, Trial.Verdict.FITS, Optional.empty(), 0),
                new Trial(0.98, Trial.Verdict.TIGHT, Optional.of(Zone.BACK), 2)), FORM, cavity);
        assertThat(withdrawn.fitsAt()).as("a later piece was tight at a larger scale").isEmpty();
        var loose = Fit.room(WEARER, List.of(new Trial(1.1, Trial.Verdict.LOOSE, Optional.empty(), 8)), FORM, cavity);
        assertThat(loose.targetMm(Zone.BACK))
                .isLessThan(Clearance.of(FORM, cavity, 1.1, new Pose(0, 0, 0)).zone(Zone.BACK).orElseThrow().minMm());
    }

    @ParameterizedTest
    @ValueSource(strings = {"fit helm Ada fits at 104.0 %", "fit helm Ada tight ears 3.0 mm at 104.0 %",
            "fit helm Ada Lund loose 4.0 mm at 98.5 %", "fit helm Ada tight 2.0 mm at 100.0 %"})
    void aTrialInTheLogReadsBack(String line) {
        var e = Entry.parse(LocalDateTime.of(2026, 3, 1, 9, 0), line, Known.NAMES).orElseThrow();
        assertThat(e.kind()).isEqualTo(Entry.Kind.FIT);
        assertThat(e.task()).contains(TaskId.size("helm"));
        var t = e.trial().orElseThrow();
        assertThat(Entry.line("helm", t.wearer(), t.trial())).isEqualTo(line);
    }

    @ParameterizedTest
    @CsvSource({"fit as a fiddle", "fit helm Ada tight elbows 3 mm at 104 %", "fit helm Ada tight ears 3 mm", "fitted the visor at 104 %"})
    void otherWordsStayNotes(String line) {
        assertThat(Entry.parse(LocalDateTime.of(2026, 3, 1, 9, 0), line, Known.NAMES).orElseThrow().kind()).isEqualTo(Entry.Kind.NOTE);
    }
}
