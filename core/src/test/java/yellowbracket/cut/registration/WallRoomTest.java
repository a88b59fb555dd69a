package yellowbracket.cut.registration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Material about a place in a section: a bar of 20 x 30 x 100 mm, cut at 40 and at 70 mm. */
class WallRoomTest {
    private static final double WALL = 1.2;
    private static final Mesh BAR = Shapes.box(Vec3.ZERO, new Vec3(20, 30, 100));

    private static final Bar PLAIN = Bar.scaled(1);
    private final String top = PLAIN.top;
    private final String middle = PLAIN.middle;
    private final WallRoom room = PLAIN.room();

    /** The bar, its model drawn smaller by {@code scale}; two of its sections by name. */
    private record Bar(double scale, Sectioning cuts, CutTree tree, Bvh index, String top, String middle) {
        static Bar scaled(double scale) {
            var model = BAR.scaled(1 / scale);
            var index = Bvh.of(model);
            var tree = CutTree.WHOLE.cutEverywhere(CutPlane.across(2, 40 / scale)).cutEverywhere(CutPlane.across(2, 70 / scale));
            var cuts = Sectioning.of(model, index, tree, "p", Letters.alone(), Progress.NONE);
            return new Bar(scale, cuts, tree, index, at(cuts, 85 / scale), at(cuts, 55 / scale));
        }

        WallRoom room() {
            return new WallRoom(index, scale, tree.planes().stream().map(p -> new CutPlane(p.normal(), p.offsetMm() * scale)).toList(),
                    cuts);
        }
    }

    private static String at(Sectioning cuts, double z) {
        return cuts.sections().stream().filter(s -> Math.abs(s.mesh().bounds().centre().z() - z) < 1e-6).findFirst().orElseThrow().name();
    }

    @ParameterizedTest(name = "model in 1/{0} of real size")
    @ValueSource(doubles = {1, 1.25, 10})
    void countsTheNearestWallAndTheOtherCutFace(double scale) {
        var bar = Bar.scaled(scale);
        var scaled = bar.room();
        assertThat(scaled.around(bar.middle, new Vec3(6, 15, 55), -1)).isCloseTo(6, within(1e-9));
        assertThat(scaled.around(bar.middle, new Vec3(10, 15, 43), -1)).as("to the face at 40").isCloseTo(3, within(1e-9));
        assertThat(scaled.around(bar.middle, new Vec3(10, 15, 43), 0)).as("that face left out").isCloseTo(10, within(1e-9));
        assertThat(scaled.around(bar.top, new Vec3(10, 15, 43), -1)).as("the top section has no face at 40").isCloseTo(10, within(1e-9));
    }

    /** From the face at 40 up: 30 mm to the next face, a wall before it. */
    @Test
    void aHoleEndsAWallBeforeTheNextFace() {
        var from = new Vec3(10, 15, 40);
        assertThat(room.depth(middle, from, Vec3.Z, 3, WALL, 12, 0)).isEqualTo(12);
        assertThat(room.depth(middle, from, Vec3.Z, 3, WALL, 60, 0)).isBetween(30 - 3 - WALL - 2.5, 30 - WALL);
        assertThat(room.depth(middle, new Vec3(3, 15, 40), Vec3.Z, 3, WALL, 12, 0)).as("too near the side").isZero();
        assertThat(room.depth(middle, from, new Vec3(1, 0, 1).unit(), 3, WALL, 60, 0)).as("leaning towards the side").isLessThan(10);
    }

    /** Whatever depth is granted, every point of the hole's skin keeps its wall. */
    @Test
    void whatIsGrantedKeepsItsWall() {
        var random = new Random(3);
        int granted = 0;
        for (int i = 0; i < 300; i++) {
            var p = new Vec3(random.nextDouble(1, 19), random.nextDouble(1, 29), 40);
            var into = new Vec3(random.nextGaussian() * 0.2, random.nextGaussian() * 0.2, 1).unit();
            double radius = random.nextDouble(1, 4), wanted = random.nextDouble(2, 30),
                    deep = room.depth(middle, p, into, radius, WALL, wanted, 0);
            assertThat(deep).isLessThanOrEqualTo(wanted);
            if (deep > 0) granted++;
            for (double t = 0; t <= deep && deep > 0; t += 0.1) {
                var at = p.plus(into.times(t));
                double side = Math.min(Math.min(at.x(), 20 - at.x()), Math.min(at.y(), 30 - at.y()));
                assertThat(side).as("hole %d of radius %s, %s mm deep", i, radius, t).isGreaterThanOrEqualTo(radius + WALL - 1e-6);
            }
            assertThat(40 + deep * into.z()).isLessThan(70 - WALL * 0.9);
        }
        assertThat(granted).isBetween(50, 290);
    }

    @Test
    void holesKeepAWallBetweenThem() {
        room.take(middle, new Vec3(10, 10, 40), new Vec3(10, 10, 50), 3);
        var up = Vec3.Z.times(8);
        var near = new Vec3(10, 10 + 3 + 2 + WALL - 0.01, 40);
        var clear = new Vec3(10, 10 + 3 + 2 + WALL + 0.01, 40);
        assertThat(room.free(middle, near, near.plus(up), 2, WALL)).isFalse();
        assertThat(room.free(middle, clear, clear.plus(up), 2, WALL)).isTrue();
        assertThat(room.free(top, near, near.plus(up), 2, WALL)).as("in another section").isTrue();
        assertThat(room.objection(middle, near, Vec3.Z, 2, WALL, 8, 0))
                .hasValueSatisfying(w -> assertThat(w).contains("another hole of " + middle));
        assertThat(room.objection(middle, clear, Vec3.Z, 2, WALL, 8, 0)).isEmpty();
        assertThat(room.objection(middle, new Vec3(2, 15, 40), Vec3.Z, 2, WALL, 8, 0))
                .hasValueSatisfying(w -> assertThat(w).isEqualTo("2.0 mm of material around the middle in " + middle + ", 3.2 needed"));
        assertThat(room.objection(middle, new Vec3(10, 20, 40), Vec3.Z, 2, WALL, 29.5, 0))
                .hasValueSatisfying(w -> assertThat(w).startsWith("only 2").contains("29.5 needed"));
    }

    /** Against points along both segments. */
    @Test
    void segmentsAreAsFarApartAsTheirNearestPoints() {
        var random = new Random(8);
        for (int i = 0; i < 200; i++) {
            var ends = List.of(point(random), point(random), i % 5 == 0 ? Vec3.ZERO : point(random),
                    i % 5 == 0 ? Vec3.ZERO : point(random));
            double told = WallRoom.distance(ends.get(0), ends.get(1), ends.get(2), ends.get(3)), least = Double.POSITIVE_INFINITY;
            for (int s = 0; s <= 100; s++) for (int t = 0; t <= 100; t++)
                least = Math.min(least, along(ends.get(0), ends.get(1), s / 100.0).distance(along(ends.get(2), ends.get(3), t / 100.0)));
            assertThat(told).isLessThanOrEqualTo(least + 1e-9).isGreaterThan(least - 0.5);
        }
    }

    private static Vec3 point(Random r) {
        return new Vec3(r.nextDouble(-10, 10), r.nextDouble(-10, 10), r.nextDouble(-10, 10));
    }

    private static Vec3 along(Vec3 a, Vec3 b, double t) {
        return a.plus(b.minus(a).times(t));
    }
}
