package yellowbracket.mesh.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** What is seen from outside, and samples that stand for a surface. */
class ShowSideTest {
    /** Directions spread evenly balance out, and none lies much nearer to another than the mean spacing. */
    @ParameterizedTest
    @ValueSource(ints = {40, 48, 220, 1000})
    void directionsAreSpreadEvenly(int n) {
        var all = ShowSide.spread(n);
        assertThat(all).hasSize(n).allSatisfy(d -> assertThat(d.norm()).isCloseTo(1, within(1e-12)));
        assertThat(all.stream().reduce(Vec3.ZERO, Vec3::plus).norm() / n).isLessThan(0.03);
        double mean = Math.sqrt(4 * Math.PI / n);
        for (int i = 0; i < n; i++) for (int j = i + 1; j < n; j++) assertThat(all.get(i).distance(all.get(j))).isGreaterThan(0.45 * mean);
    }

    @Test
    void theOutsideOfABowlIsSeenAndItsInsideHardly() {
        var bowl = Shapes.cappedShell(60, 3, 35, 72, 40); // nearly closed: a small opening
        var index = Bvh.of(bowl);
        int seenOut = 0, out = 0, seenIn = 0, in = 0;
        for (int f = 0; f < bowl.triangleCount(); f += 7) {
            var c = bowl.centroid(f);
            var n = bowl.areaVector(f).unit();
            boolean outward = n.dot(c.minus(bowl.bounds().centre()).unit()) > 0.5,
                    inward = n.dot(c.minus(bowl.bounds().centre()).unit()) < -0.5;
            boolean seen = ShowSide.seen(index, c, n);
            if (outward) out++;
            if (outward && seen) seenOut++;
            if (inward) in++;
            if (inward && seen) seenIn++;
        }
        assertThat((double) seenOut / out).isGreaterThan(0.99);
        assertThat((double) seenIn / in).isLessThan(0.25);
    }

    /** Whether a place is seen is found without asking every direction: it must be what the share says. */
    @Test
    void seenIsWhatTheShareSays() {
        var bowl = Shapes.cappedShell(60, 3, 70, 48, 24);
        var index = Bvh.of(bowl);
        int seen = 0;
        for (int f = 0; f < bowl.triangleCount(); f += 3) {
            var n = bowl.areaVector(f).unit();
            boolean told = ShowSide.seen(index, bowl.centroid(f), n);
            assertThat(told).as("facet %d", f).isEqualTo(ShowSide.share(index, bowl.centroid(f), n) >= ShowSide.SEEN);
            if (told) seen++;
        }
        assertThat(seen).isBetween(bowl.triangleCount() / 12, bowl.triangleCount() / 3 - bowl.triangleCount() / 30);
    }

    @Test
    void samplesCarryTheAreaAndEveryFacetKnowsItsSide() {
        var bowl = Shapes.cappedShell(60, 3, 35, 72, 40);
        var samples = SurfaceSamples.of(bowl, Bvh.of(bowl), 900);
        assertThat(samples.areaMm2()).isCloseTo(bowl.areaMm2(), within(0.02 * bowl.areaMm2()));
        var seen = samples.seenByFacet(bowl);
        double area = 0;
        for (int f = 0; f < seen.length; f++) if (seen[f]) area += bowl.area(f);
        assertThat(area).as("told by facets as by samples").isCloseTo(samples.seenMm2(), within(0.05 * samples.seenMm2()));
        for (int f = 0; f < seen.length; f += 11) {
            double facing = bowl.areaVector(f).unit().dot(bowl.centroid(f).minus(bowl.bounds().centre()).unit());
            if (facing > 0.9) assertThat(seen[f]).as("a facet outside is not taken for the one 3 mm behind it").isTrue();
        }
        var twice = samples.scaled(2);
        assertThat(twice.areaMm2()).isCloseTo(4 * samples.areaMm2(), within(1e-6));
        assertThat(twice.samples().getFirst().bend()).isCloseTo(samples.samples().getFirst().bend() / 2, within(1e-12));
    }

    @Test
    void facesMadeByCutsAreNoShowSide() {
        var box = Shapes.box(Vec3.ZERO, new Vec3(30, 30, 30));
        var tags = new int[box.triangleCount()];
        Arrays.fill(tags, 0, 4, 3); // as if a cut had made them
        Arrays.fill(tags, 4, tags.length, Mesh.ORIGINAL);
        var cut = Mesh.of(box.copyXyz(), box.copyTriangles(), tags);
        var seen = SurfaceSamples.of(cut, Bvh.of(cut), 60).seenByFacet(cut);
        for (int f = 0; f < seen.length; f++) assertThat(seen[f]).isEqualTo(f >= 4);
    }

    @Test
    void theCentreOfMassOfKnownSolids() {
        assertThat(Shapes.box(new Vec3(1, 2, 3), new Vec3(5, 8, 13)).centreOfMass().distance(new Vec3(3, 5, 8))).isLessThan(1e-9);
        var cone = Shapes.lathe(new double[][] {{0, 0}, {30, 0}, {0, 60}}, false, 128);
        assertThat(cone.centreOfMass().z()).as("a quarter up").isCloseTo(15, within(0.01));
        var two = Mesh.union(
                java.util.List.of(Shapes.box(Vec3.ZERO, new Vec3(10, 10, 10)), Shapes.box(new Vec3(90, 0, 0), new Vec3(120, 10, 10))));
        assertThat(two.centreOfMass().x()).as("weighed by volume").isCloseTo((5 + 3 * 105) / 4.0, within(1e-9));
    }

    @Test
    void aTurnAboutAnAxisKeepsItAndTurnsTheRest() {
        var axis = new Vec3(1, 2, -1).unit();
        var t = Turn.about(axis, 40);
        assertThat(t.apply(axis).distance(axis)).isLessThan(1e-12);
        var across = axis.cross(Vec3.Z).unit();
        assertThat(Math.toDegrees(Math.acos(t.apply(across).dot(across)))).isCloseTo(40, within(1e-9));
        assertThat(t.apply(across).cross(across).dot(axis)).as("counter-clockwise seen from the tip").isNegative();
        assertThat(Turn.about(Vec3.X, 90).apply(Vec3.Y).distance(Turn.quarter(0).apply(Vec3.Y))).isLessThan(1e-12);
        assertThat(Turn.about(axis, 25).then(Turn.about(axis, 15)).apply(across).distance(t.apply(across))).isLessThan(1e-12);
    }
}
