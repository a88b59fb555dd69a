package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/** What seams bear, against the formulae of the handbook and against sums that share nothing with it. */
class LoadsTest {
    private static final GeometryFactory G = new GeometryFactory();
    private static final LoadCase.Kind HELD = LoadCase.Kind.HELD;

    private static MatingFace rectangle(CutPlane plane, double u, double v, double wide, double high) {
        return new MatingFace(plane, G.toGeometry(new Envelope(u - wide / 2, u + wide / 2, v - high / 2, v + high / 2)));
    }

    private static MatingFace disc(CutPlane plane, double radius, double hole) {
        Geometry g = G.createPoint(new Coordinate(0, 0)).buffer(radius, 64);
        return new MatingFace(plane, hole > 0 ? g.difference(G.createPoint(new Coordinate(0, 0)).buffer(hole, 64)) : g);
    }

    /** A bar along z, a x b, of so much weight, in k pieces; names A, B, ... from below. */
    private static Loads bar(double a, double b, double length, double grams, int k) {
        var parts = new ArrayList<Weighed>();
        var joints = new ArrayList<Loads.Joined>();
        for (int i = 0; i < k; i++) {
            parts.add(new Weighed(name(i), grams / k, new Vec3(0, 0, (i + 0.5) * length / k)));
            if (i == 0) continue;
            var plane = new CutPlane(Vec3.Z, i * length / k);
            var f = plane.frame();
            // sides of the rectangle along x and y
            boolean first = Math.abs(f.first().x()) > 0.5;
            var face = rectangle(plane, 0, 0, first ? a : b, first ? b : a);
            joints.add(new Loads.Joined(Bond.solid(name(i - 1) + "|" + name(i), face), name(i - 1), name(i), i));
        }
        return new Loads(parts, joints);
    }

    private static String name(int i) {
        return String.valueOf((char) ('A' + i));
    }

    /** As tension: what pure tension does is told as the shear that does as much harm. */
    private static double tension(Loads.Demand d) {
        return d.mpa() * JointGroup.TENSION;
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 4, 6})
    void aBarHeldAtOneEndBearsHalfItsWeightTimesItsLengthThere(int k) {
        double a = 18, b = 26, length = 1200, grams = 900, w = 6 * Loads.GRAVITY * grams;
        var flat = new LoadCase(HELD, 6, Set.of("A"), List.of(), new JointGroup.Ways.Along(Vec3.X));
        var d = bar(a, b, length, grams, k).demands(List.of(flat)).get("A|B");
        // what is beyond the first seam: its share of the weight, its own middle
        double share = (k - 1.0) / k, moment = w * share * (share * length / 2);
        assertThat(d.bendingNmm()).isCloseTo(moment, withinPercentage(1));
        assertThat(tension(d)).as("over the flat way").isCloseTo(6 * moment / (b * a * a), withinPercentage(1));
        assertThat(d.freeGrams()).isCloseTo(grams * share, within(1e-6));
    }

    @Test
    void heldInTheMiddleItBearsAnEighthAndOnTwoSupportsToo() {
        double a = 20, length = 1000, grams = 800, w = Loads.GRAVITY * grams;
        var held = bar(a, a, length, grams, 200).demands(List.of(LoadCase.held(HELD, 1, Set.of(name(100)))))
                .get(name(99) + "|" + name(100));
        assertThat(held.bendingNmm()).isCloseTo(w * length / 8, withinPercentage(1.5));
        var ends = LoadCase.onTwo(LoadCase.Kind.LYING, 1, Vec3.ZERO, new Vec3(0, 0, length));
        var lying = bar(a, a, length, grams, 2).demands(List.of(ends)).get("A|B");
        assertThat(lying.bendingNmm()).isCloseTo(w * length / 8, withinPercentage(1));
        double oneWay = 6 * w * length / 8 / (a * a * a);
        var rolled = new LoadCase(LoadCase.Kind.LYING, 1, Set.of(), ends.supports(), new JointGroup.Ways.Along(Vec3.Y));
        assertThat(tension(bar(a, a, length, grams, 2).demands(List.of(rolled)).get("A|B"))).isCloseTo(oneWay, withinPercentage(1));
        assertThat(tension(lying)).as("on its edge both ways add up at the corner").isCloseTo(Math.sqrt(2) * oneWay, withinPercentage(1));
    }

    @Test
    void aTubeAndARectangleWithWallsBearByTheirOwnSums() {
        var plane = new CutPlane(Vec3.Z, 0);
        var tube = new JointGroup(List.of(Bond.solid("t", disc(plane, 15, 11))));
        assertThat(tube.leastMoment()).isCloseTo(Math.PI / 4 * (Math.pow(15, 4) - Math.pow(11, 4)), withinPercentage(0.5));
        double wall = 1.76, fill = 0.15, wide = 40, high = 24;
        var printed = new JointGroup(List.of(Bond.of("r", rectangle(plane, 0, 0, wide, high), wall, fill)));
        double in = wide - 2 * wall, up = high - 2 * wall;
        assertThat(printed.areaMm2()).isCloseTo(wide * high - (1 - fill) * in * up, withinPercentage(0.1));
        assertThat(printed.leastMoment()).isCloseTo(wide * Math.pow(high, 3) / 12 - (1 - fill) * in * Math.pow(up, 3) / 12,
                withinPercentage(0.1));
    }

    @Test
    void twoSeamsInOnePlaneAreOneSeamOfTheJoinedOutline() {
        var plane = new CutPlane(new Vec3(1, 2, 3).unit(), 17);
        var whole = new JointGroup(List.of(Bond.solid("w", rectangle(plane, 0, 0, 30, 20))));
        var left = Bond.solid("l", rectangle(plane, -10, 0, 10, 20));
        var right = Bond.solid("r", rectangle(plane, 5, 0, 20, 20));
        var both = new JointGroup(List.of(left, right));
        var pull = JointGroup.Pull.at(7, plane.normal().times(140).plus(new Vec3(3, -9, 2)));
        assertThat(both.areaMm2()).isCloseTo(whole.areaMm2(), within(1e-6));
        var way = new JointGroup.Ways.Any();
        assertThat(both.worst(pull, way).mpa()).isCloseTo(whole.worst(pull, way).mpa(), withinPercentage(1e-6));
    }

    @Test
    void aRingOfFourTakesAQuarterEach() {
        double r = 60;
        var bonds = new ArrayList<Bond>();
        for (int i = 0; i < 4; i++) {
            double t = i * Math.PI / 2;
            var plane = new CutPlane(Vec3.Z, 0);
            var f = plane.frame();
            var at = new Vec3(r * Math.cos(t), r * Math.sin(t), 0);
            bonds.add(Bond.solid("s" + i, rectangle(plane, f.u(at), f.v(at), 8, 8)));
        }
        var ring = new JointGroup(bonds);
        var lift = JointGroup.Pull.at(40, new Vec3(0, 0, 90));
        var along = new JointGroup.Ways.Along(Vec3.Z);
        for (var b : bonds)
            assertThat(ring.worst(b, lift, along).mpa() * JointGroup.TENSION).isCloseTo(40 / 4.0 / 64, withinPercentage(1e-6));
    }

    private static Bond random(Random rnd, String name) {
        var n = new Vec3(rnd.nextGaussian(), rnd.nextGaussian(), rnd.nextGaussian()).unit();
        var plane = new CutPlane(n, 30 * rnd.nextGaussian());
        return Bond.of(name,
                rectangle(plane, 40 * rnd.nextGaussian(), 40 * rnd.nextGaussian(), 4 + 30 * rnd.nextDouble(), 4 + 30 * rnd.nextDouble()),
                1.5, 0.15);
    }

    private static JointGroup.Pull pull(Random rnd) {
        return JointGroup.Pull.at(5, new Vec3(90 * rnd.nextGaussian(), 90 * rnd.nextGaussian(), 90 * rnd.nextGaussian()));
    }

    /** Harm at a place from the stress there, by its own sum. */
    private static double harm(JointGroup g, Bond.Spot s, JointGroup.Pull p, Vec3 way) {
        var t = g.at(s.at(), p, way);
        double pulls = t.dot(s.normal());
        return Math.hypot(pulls / JointGroup.TENSION, t.minus(s.normal().times(pulls)).norm());
    }

    @RepeatedTest(12)
    void noDirectionOfTenThousandIsWorseThanTheWorst(RepetitionInfo i) {
        var rnd = new Random(i.getCurrentRepetition());
        var bonds = List.of(random(rnd, "a"), random(rnd, "b"), random(rnd, "c")).subList(0, 1 + rnd.nextInt(3));
        var g = new JointGroup(bonds);
        var p = pull(rnd);
        var worst = g.worst(p, new JointGroup.Ways.Any());
        double most = 0;
        for (int k = 0; k < 10_000; k++) {
            var way = new Vec3(rnd.nextGaussian(), rnd.nextGaussian(), rnd.nextGaussian()).unit();
            for (var b : bonds) for (var s : b.rim()) most = Math.max(most, harm(g, s, p, way));
        }
        assertThat(most).isLessThanOrEqualTo(worst.mpa() * (1 + 1e-9)).isGreaterThan(0.95 * worst.mpa());
        double there = bonds.stream().flatMap(b -> b.rim().stream()).mapToDouble(s -> harm(g, s, p, worst.way())).max().orElseThrow();
        assertThat(there).as("the way told is the worst").isCloseTo(worst.mpa(), withinPercentage(0.1));
    }

    @RepeatedTest(8)
    void stressesBalanceThePull(RepetitionInfo i) {
        var rnd = new Random(90 + i.getCurrentRepetition());
        var plane = new CutPlane(new Vec3(rnd.nextGaussian(), rnd.nextGaussian(), rnd.nextGaussian()).unit(), 12);
        var face = rectangle(plane, 5, -8, 12, 20);
        var g = new JointGroup(List.of(Bond.solid("a", face)));
        var p = pull(rnd);
        var way = new Vec3(rnd.nextGaussian(), rnd.nextGaussian(), rnd.nextGaussian()).unit();
        Vec3 force = Vec3.ZERO, moment = Vec3.ZERO;
        int n = 60;
        for (int u = 0; u < n; u++) for (int v = 0; v < n; v++) {
            var at = face.at(5 - 6 + 12 * (u + 0.5) / n, -8 - 10 + 20 * (v + 0.5) / n);
            var t = g.at(at, p, way).times(12 * 20.0 / (n * n));
            force = force.plus(t);
            moment = moment.plus(at.cross(t));
        }
        assertThat(force.distance(way.times(p.newton()))).isLessThan(1e-6);
        assertThat(moment.distance(p.moment().cross(way))).isLessThan(0.002 * p.moment().norm());
    }

    @RepeatedTest(20)
    void aSeamMoreNeverMakesItWeakerAndAGramMoreNeverStronger(RepetitionInfo i) {
        var rnd = new Random(500 + i.getCurrentRepetition());
        var parts = List.of(new Weighed("A", 100, new Vec3(0, 0, 0)), new Weighed("B", 80, pull(rnd).moment().times(0.2)));
        var joints = new ArrayList<Loads.Joined>();
        for (int k = 0; k < 1 + rnd.nextInt(3); k++) joints.add(new Loads.Joined(random(rnd, "s" + k), "A", "B", k));
        var cases = List.of(LoadCase.picked(3));
        double before = most(new Loads(parts, joints).demands(cases));
        var heavier = List.of(parts.get(0).grams() > 0 ? new Weighed("A", 130, parts.get(0).at()) : parts.get(0),
                new Weighed("B", 120, parts.get(1).at()));
        assertThat(most(new Loads(heavier, joints).demands(cases))).isGreaterThan(before);
        joints.add(new Loads.Joined(random(rnd, "more"), "A", "B", 9));
        assertThat(most(new Loads(parts, joints).demands(cases))).isLessThanOrEqualTo(before * (1 + 1e-9));
    }

    private static double most(Map<String, Loads.Demand> all) {
        return all.values().stream().mapToDouble(Loads.Demand::mpa).max().orElseThrow();
    }

    @Test
    void turningTheWorldChangesNothing() {
        var rnd = new Random(3);
        var turn = new Turn(new Vec3(0.36, 0.48, -0.8), new Vec3(-0.8, 0.6, 0), new Vec3(0.48, 0.64, 0.6));
        var plane = new CutPlane(new Vec3(0.2, 0.3, 0.9).unit(), 8);
        var c = new Coordinate[] {new Coordinate(0, 0), new Coordinate(20, 3), new Coordinate(11, 17), new Coordinate(0, 0)};
        var face = new MatingFace(plane, G.createPolygon(c));
        var turned = new CutPlane(turn.apply(plane.normal()), plane.offsetMm());
        var flat = new MatingFace(turned, G.createPolygon());
        var d = new Coordinate[4];
        for (int k = 0; k < 4; k++) d[k] = flat.flat(turn.apply(face.at(c[k].x, c[k].y)));
        var p = pull(rnd);
        double one = new JointGroup(List.of(Bond.solid("a", face))).worst(p, new JointGroup.Ways.Any()).mpa();
        double other = new JointGroup(List.of(Bond.solid("a", new MatingFace(turned, G.createPolygon(d)))))
                .worst(new JointGroup.Pull(p.newton(), turn.apply(p.moment())), new JointGroup.Ways.Any())
                .mpa();
        assertThat(other).isCloseTo(one, withinPercentage(1e-6));
    }
}
