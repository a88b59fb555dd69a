package yellowbracket.wear.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.join.Weighed;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;

class BodyTest {
    private static final Wearer ADA = new Wearer("Ada", HeadMeasures.of(575, 195, 153), false, 0, 1700);
    private static final HeadForm FORM = HeadForm.of(ADA.head());
    private static final Pose STRAIGHT = new Pose(0, 0, 0);

    @Test
    void massAndCentreOfSeveralAreThoseOfTheWhole() {
        var b = Balance.worn(List.of(new Weighed("a", 300, new Vec3(10, 60, 0)), new Weighed("b", 900, new Vec3(-2, 20, 40))),
                new Vec3(0, -10, -20), Optional.of(new Vec3(0, -110, 0)));

        assertThat(b.grams()).isEqualTo(1200);
        assertThat(b.centre().distance(new Vec3(1, 30, 30))).isLessThan(1e-9);
        assertThat(b.neckNmm()).isCloseTo(1200 * 9.81e-3 * 40, within(1e-9));
    }

    @Test
    void aCounterweightTakesTheMomentAway() {
        var parts = new ArrayList<>(List.of(new Weighed("shell", 1400, new Vec3(0, 60, 0))));
        var joint = new Vec3(0, -8, 0);
        var behind = new Vec3(0, -100, 0);
        var b = Balance.worn(parts, joint, Optional.of(behind));
        var c = b.counter().orElseThrow();
        parts.add(new Weighed("counter", c.grams(), c.at()));
        var after = Balance.worn(parts, joint, Optional.of(behind));

        assertThat(after.neckNmm()).isCloseTo(c.leftNmm(), within(1e-6));
        assertThat(after.grams()).isLessThanOrEqualTo(Balance.MOST_G + 1e-9);
        assertThat(Math.abs(after.neckNmm())).isLessThan(b.neckNmm());
    }

    @Test
    void aBoxFallsOverItsNearestEdge() {
        var m = Shapes.box(new Vec3(-50, -30, 0), new Vec3(50, 30, 200));
        var s = Stand.of(m, 2, new Vec3(0, 0, 200));

        assertThat(s.tipDeg()).isCloseTo(Math.toDegrees(Math.atan2(60, 200)), within(1e-6));
        assertThat(s.heightMm()).isCloseTo(200, within(1e-9));
        assertThat(Math.toDegrees(Math.atan2(s.footMm(), s.heightMm()))).isCloseTo(Stand.STEADY_DEG, within(1e-9));
        assertThat(s.finding()).isEmpty();
        var over = Stand.of(m, 1, new Vec3(80, 0, 100));
        assertThat(over.tipDeg()).as("its centre lies beside its foot").isZero();
        assertThat(over.finding().orElseThrow().words()).contains("foot of");
    }

    @Test
    void howLongItIsBorneGoesByWeightAndMoment() {
        var joint = Vec3.ZERO;
        assertThat(one(600, 20, joint)).isEqualTo(Balance.Bearable.HOURS);
        assertThat(one(1600, 10, joint)).isEqualTo(Balance.Bearable.AN_HOUR);
        assertThat(one(1000, 90, joint)).isEqualTo(Balance.Bearable.AN_HOUR);
        assertThat(one(1200, 150, joint)).isEqualTo(Balance.Bearable.MINUTES);
        assertThat(one(2300, 0, joint)).isEqualTo(Balance.Bearable.MINUTES);
    }

    private static Balance.Bearable one(double grams, double y, Vec3 joint) {
        return Balance.worn(List.of(new Weighed("all", grams, new Vec3(0, y, 0))), joint, Optional.empty()).bearable();
    }

    @Test
    void aShortShellTurnsFreelyALongOneMeetsTheShoulders() {
        var little = HeadTurn.of(Shapes.cappedShell(130, 4, 85, 96, 64), 1, FORM, STRAIGHT, ADA);
        // a bell down over the shoulders, wider in front and behind than across
        var bell = HeadTurn.of(bell(), 1, FORM, STRAIGHT, ADA);

        assertThat(little.leftDeg()).isEqualTo(70);
        assertThat(little.rightDeg()).isEqualTo(70);
        assertThat(bell.downDeg()).isLessThan(little.downDeg() + 1e-9);
        assertThat(bell.leftDeg() + bell.downDeg()).isLessThan(little.leftDeg() + little.downDeg());
        assertThat(bell.findings()).isNotEmpty();
    }

    @Test
    void whoWasNotMeasuredStandingIsTakenForAnAdultAndToldSo() {
        var nobody = new Wearer("Bo", ADA.head(), false, 0, Optional.empty(), Optional.empty(), Optional.empty());

        assertThat(HeadTurn.of(bell(), 1, FORM, STRAIGHT, nobody).findings())
                .anyMatch(f -> f.words().contains("an adult of 1.70 m is assumed"));
    }

    private static Mesh bell() {
        var b = new MeshBuilder(64, 64);
        b.addAll(Shapes.box(new Vec3(-60, 90, -230), new Vec3(60, 96, 120)));
        b.addAll(Shapes.box(new Vec3(-60, -150, -230), new Vec3(60, -144, 120)));
        b.addAll(Shapes.box(new Vec3(-120, -150, 120), new Vec3(120, 96, 126)));
        return b.build();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void theLargestBoxIsThatOfTrying(int seed) {
        var random = new Random(seed);
        // a closed tank, a lump in it, open below
        double w = 80 + 40 * random.nextDouble(), d = 60 + 40 * random.nextDouble(), h = 70 + 30 * random.nextDouble(), cell = 6;
        var lump = new Vec3(w * (random.nextDouble() - 0.5), d * (random.nextDouble() - 0.5), h / 2);
        double r = 18;
        java.util.function.ToDoubleFunction<Vec3> wall = p -> Math.min(Math.min(w / 2 - Math.abs(p.x()), d / 2 - Math.abs(p.y())),
                h - p.z());
        var box = new Bounds3(new Vec3(-w / 2 - 12, -d / 2 - 12, -20), new Vec3(w / 2 + 12, d / 2 + 12, h + 12));
        var room = Pocket.Room.of(p -> Math.abs(wall.applyAsDouble(p)), p -> p.distance(lump) - r, box, cell, 0, p -> true, Progress.NONE);

        double found = room.largest(0, 1000).orElseThrow().volumeMm3(), best = 0;
        // here: any box on the lattice, clear of the ball of the lump
        for (double x0 = -w / 2; x0 < w / 2;
                x0 += cell)
            for (double x1 = x0 + cell; x1 <= w / 2; x1 += cell)
                for (double y0 = -d / 2; y0 < d / 2; y0 += cell) for (double y1 = y0 + cell; y1 <= d / 2; y1 += cell)
                    for (double z0 = -20; z0 < h; z0 += cell) for (double z1 = z0 + cell; z1 <= h; z1 += cell) {
                        var near = new Vec3(Math.clamp(lump.x(), x0, x1), Math.clamp(lump.y(), y0, y1), Math.clamp(lump.z(), z0, z1));
                        if (near.distance(lump) >= r) best = Math.max(best, (x1 - x0) * (y1 - y0) * (z1 - z0));
                    }
        // within one cell on each side
        double side = Math.cbrt(best);
        assertThat(Math.cbrt(found)).isBetween(side - 2 * cell, side + cell);
    }

    @Test
    void aBallComesThroughARingThatIsLarger() {
        // a sphere with a round opening below of known radius
        double half = Math.toRadians(30), outer = 100, ring = 96 * Math.sin(half);
        var m = Shapes.cappedShell(outer, 4, 30, 96, 64);
        var index = Bvh.of(m);
        var b = m.bounds();
        var pad = new Vec3(14, 14, 14);
        double cell = 4;
        var room = Pocket.Room.of(p -> (index.inside(p) ? -1 : 1) * index.distance(p), p -> 1e3,
                new Bounds3(b.min().minus(pad), b.max().plus(pad)), cell, 0, p -> true, Progress.NONE);

        assertThat(room.reachMm(new Vec3(0, 0, 20))).isCloseTo(ring, within(cell));
        var pocket = room.largest(0, 1000).orElseThrow();
        assertThat(pocket.holds(new Vec3(60, 60, 60))).isTrue();
        assertThat(pocket.holds(new Vec3(180, 60, 60))).isFalse();
    }

    @Test
    void theWallIsFeltToACell() {
        var m = Shapes.sphere(60, 60);
        var index = Bvh.of(m);
        var box = new Bounds3(new Vec3(-90, -90, -90), new Vec3(90, 90, 90));
        double cell = 5;
        var felt = new WallDistance(m, 1, box, cell);
        for (double x = -85; x < 90; x += 10) for (double y = -85; y < 90; y += 10) for (double z = -85; z < 90; z += 10) {
            var centre = new Vec3(x - Math.floorMod((long) x, 5) + 2.5, y - Math.floorMod((long) y, 5) + 2.5,
                    z - Math.floorMod((long) z, 5) + 2.5);
            assertThat(felt.mm(centre)).isBetween(index.distance(centre) - 1.4 * cell, index.distance(centre) + 0.9 * cell);
        }
    }

    @Test
    void throughItsNeckTheHollowOfAShellIsReached() {
        var m = Shapes.cappedShell(100, 4, 30, 96, 64);
        var room = Pocket.Room.of(new ScaledShell(m, Bvh.of(m), 1.2), p -> 1e3, 5, 0, p -> true, Progress.NONE);

        assertThat(room.reachMm(new Vec3(0, 0, 20))).isCloseTo(1.2 * 96 * Math.sin(Math.toRadians(30)), within(10.0));
    }

    @Test
    void pocketsDoNotShareRoom() {
        var box = new Bounds3(new Vec3(-60, -60, -40), new Vec3(60, 60, 60));
        var room = Pocket.Room.of(p -> Math.abs(Math.min(Math.min(48 - Math.abs(p.x()), 48 - Math.abs(p.y())), 48 - p.z())), p -> 1e3, box,
                4, 0, p -> true, Progress.NONE);
        var some = room.several(3, 0, 50);

        assertThat(some).hasSize(3);
        for (int i = 0; i < 3; i++) for (int j = 0; j < i; j++) assertThat(overlap(some.get(i).box(), some.get(j).box())).isZero();
        assertThat(some).allSatisfy(p -> assertThat(p.box().size().x()).isLessThanOrEqualTo(50));
    }

    private static double overlap(Bounds3 a, Bounds3 b) {
        double v = 1;
        for (int k = 0; k < 3; k++) v *= Math.max(0, Math.min(a.max().get(k), b.max().get(k)) - Math.max(a.min().get(k), b.min().get(k)));
        return v;
    }

    private static Mesh spike(double half, double high) {
        return Shapes.lathe(new double[][] {{0, 0}, {high * Math.tan(Math.toRadians(half)), 0}, {0, high}}, false, 64);
    }

    @Test
    void aSpikeIsAPointAndABallIsNone() {
        var m = spike(12, 60);
        var found = Sharp.of(new ScaledShell(m, Bvh.of(m), 1), Progress.NONE);
        var tip = found.stream().filter(s -> s.kind() == Sharp.Kind.POINT).findFirst().orElseThrow();

        assertThat(tip.at().distance(new Vec3(0, 0, 60))).isLessThan(0.01);
        // its width 2.5 mm below the tip, and what comes off a cone of 24 degrees
        assertThat(tip.radiusMm()).isCloseTo(Sharp.radius(2 * 2.5 * Math.tan(Math.toRadians(12)), 2.5), within(0.05));
        assertThat(tip.bluntMm()).isCloseTo(Sharp.POINT_MM * (1 / Math.sin(Math.toRadians(12)) - 1), within(0.6));
        var ball = Shapes.sphere(20, 60);
        assertThat(Sharp.of(new ScaledShell(ball, Bvh.of(ball), 1), Progress.NONE)).isEmpty();
    }

    @Test
    void aKnifeEdgeIsToldWithItsLengthAndARoundedOneIsNot() {
        var knife = prism(20);
        var found = Sharp.of(new ScaledShell(knife, Bvh.of(knife), 1), Progress.NONE);

        assertThat(found.stream().filter(s -> s.kind() == Sharp.Kind.EDGE).mapToDouble(Sharp::lengthMm).sum()).isGreaterThan(90);
        assertThat(found.stream().filter(s -> s.kind() == Sharp.Kind.EDGE).mapToDouble(Sharp::radiusMm).min().orElseThrow())
                .isCloseTo(Sharp.radius(2 * 0.8 * Math.tan(Math.toRadians(10)), 0.8), within(0.1));
        var round = Shapes.tube(10, 0, 0, 100, 90);
        assertThat(Sharp.of(new ScaledShell(round, Bvh.of(round), 1), Progress.NONE)).noneMatch(s -> s.lengthMm() > 90);
    }

    /** A blade along x whose edge above has an inner angle. */
    private static Mesh prism(double innerDeg) {
        double w = 30 * Math.tan(Math.toRadians(innerDeg / 2));
        var b = new MeshBuilder(6, 8);
        for (double x : new double[] {-50, 50}) {
            b.addVertex(x, -w, 0);
            b.addVertex(x, w, 0);
            b.addVertex(x, 0, 30);
        }
        b.addTriangle(0, 2, 1);
        b.addTriangle(3, 4, 5);
        b.addQuad(0, 1, 4, 3);
        b.addQuad(1, 2, 5, 4);
        b.addQuad(2, 0, 3, 5);
        return b.build();
    }

    @Test
    void widthAtADepthTellsTheRoundOfABall() {
        for (double r = 1; r < 8; r += 0.5)
            for (double d = 0.2; d < r; d += 0.3) assertThat(Sharp.radius(2 * Math.sqrt(2 * r * d - d * d), d)).isCloseTo(r, within(1e-9));
        assertThat(Sharp.blunt(90, 1)).isCloseTo(Math.sqrt(2) - 1, within(1e-9));
    }
}
