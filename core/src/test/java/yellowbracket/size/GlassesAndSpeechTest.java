package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadMeasures;

/** Plates at known places about a head. */
class GlassesAndSpeechTest {
    private static final HeadForm HEAD = HeadForm.of(HeadMeasures.of(570, 195, 152));
    private static final Pose LEVEL = new Pose(0, 0, 0);

    private static Mesh plate(Vec3 min, Vec3 max) {
        return Shapes.box(min, max);
    }

    /** Before the face, its near side at {@code y}. */
    private static Mesh ahead(double y) {
        return plate(new Vec3(-200, y, -200), new Vec3(200, y + 3, 200));
    }

    @ParameterizedTest
    @ValueSource(doubles = {9, 3, 0.5, -2, -6})
    void lensesKeepTheDistanceOfTheWallAhead(double room) {
        double front = HEAD.eye(1).y() + Glasses.BEFORE_MM + room;
        var g = Glasses.of(HEAD, Bvh.of(ahead(front)), 1, LEVEL);
        assertThat(g.lensMm()).isCloseTo(room, within(1e-3));
        assertThat(g.leastMm()).isEqualTo(Math.min(g.lensMm(), g.armsMm()));
        var told = g.finding().map(f -> f.weight());
        if (room >= Glasses.WANTED_MM) assertThat(told).isEmpty();
        else assertThat(told).contains(room < 0 ? Weight.STOP : Weight.CARE);
    }

    @ParameterizedTest
    @CsvSource({"5", "-4"})
    void armsKeepTheDistanceOfTheWallsAtTheSides(double room) {
        double x = HEAD.measures().faceWidthMm() / 2 + 3 + room;
        var walls = Mesh.union(List.of(plate(new Vec3(x, -200, -200), new Vec3(x + 3, 200, 200)),
                plate(new Vec3(-x - 3, -200, -200), new Vec3(-x, 200, 200))));
        var g = Glasses.of(HEAD, Bvh.of(walls), 1, LEVEL);
        assertThat(g.armsMm()).isCloseTo(room, within(1e-3));
        assertThat(g.at().x()).as("tightest at an arm").isNotZero();
        if (room < 0) assertThat(g.finding().orElseThrow().words()).contains("the arms stand 4 mm into the wall");
    }

    @Test
    void roomGrowsWithTheScaleAndFollowsThePose() {
        double front = HEAD.eye(1).y() + Glasses.BEFORE_MM;
        var wall = ahead(front);
        assertThat(Glasses.of(HEAD, Bvh.of(wall), 1.1, LEVEL).lensMm()).isCloseTo(0.1 * front, within(1e-3));
        assertThat(Glasses.of(HEAD, Bvh.of(wall), 1, new Pose(-7, 0, 0)).lensMm()).isCloseTo(7, within(1e-3));
    }

    /** Against turning the points of the form in fine steps. */
    @ParameterizedTest
    @ValueSource(doubles = {4, 12, 22})
    void theMouthOpensUntilTheChinMeetsTheFloor(double below) {
        double h = HEAD.measures().heightMm(), floor = HEAD.chinZ() - below;
        var shell = plate(new Vec3(-200, -200, floor - 3), new Vec3(200, 200, floor));
        var joint = new Vec3(0, 5, -0.10 * h);
        double radius = new Vec3(0, HEAD.frontY(0, -0.33) - 8, -0.33 * h).distance(joint);
        double mm = 0;
        while (mm < Speech.MOST_MM && lowest(joint, mm / radius, h) > floor) mm += 0.05;
        double opens = Speech.of(HEAD, Bvh.of(shell), 1, LEVEL).opensMm();
        assertThat(opens).isCloseTo(Math.min(mm, Speech.MOST_MM), within(0.6));
    }

    private static double lowest(Vec3 joint, double angle, double h) {
        var turn = Turn.pitch(-Math.toDegrees(angle));
        double low = 1e9;
        for (var s : HEAD.samples()) {
            if (s.point().z() >= -0.33 * h || s.zone() == Zone.NECK || s.point().y() <= 5) continue;
            low = Math.min(low, turn.apply(s.point().minus(joint)).plus(joint).z());
        }
        return low;
    }

    @Test
    void nothingBelowAndNothingAheadIsFreeSpeech() {
        var far = plate(new Vec3(-10, -10, 900), new Vec3(10, 10, 910));
        var s = Speech.of(HEAD, Bvh.of(far), 1, LEVEL);
        assertThat(s.opensMm()).isEqualTo(Speech.MOST_MM);
        assertThat(s.openCm2()).isCloseTo(Math.PI * 2.5 * 1.25, within(1e-9));
        assertThat(s.clear()).isTrue();
        assertThat(s.findings()).isEmpty();
    }

    @Test
    void aClosedFrontKeepsTheVoiceInsideAndASlotLetsItOut() {
        double y = HEAD.frontY(0, -0.33) + 20, z = -0.33 * HEAD.measures().heightMm();
        assertThat(Speech.of(HEAD, Bvh.of(ahead(y)), 1, LEVEL).openCm2()).isZero();
        // a slot 10 mm high across the whole mouth
        var slot = Mesh.union(List.of(plate(new Vec3(-200, y, z + 5), new Vec3(200, y + 3, 200)),
                plate(new Vec3(-200, y, -200), new Vec3(200, y + 3, z - 5))));
        var s = Speech.of(HEAD, Bvh.of(slot), 1, LEVEL);
        double half = 5 / 12.5, share = 2 / Math.PI * (half * Math.sqrt(1 - half * half) + Math.asin(half));
        assertThat(s.openCm2()).as("the part of the ellipse within 5 mm of its middle line")
                .isCloseTo(share * Math.PI * 2.5 * 1.25, within(0.9));
        assertThat(s.findings()).noneMatch(f -> f.words().contains("voice"));
    }
}
