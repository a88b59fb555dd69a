package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.PlaneSlice;
import yellowbracket.mesh.measure.Cylinders;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;

/** Scans, masks, carried props, hardware after scaling, test pieces, air: each against something known. */
class OtherPropsTest {
    private static final Wearer WEARER = new Wearer("Ada",
            new HeadMeasures(570, 195, 152, Optional.of(222.0), Optional.empty(), Optional.empty(), Optional.of(62.0)), false, 0, 1700);
    private static final HeadForm FORM = HeadForm.of(WEARER);

    private static Vec3 ear(int side) {
        var p = FORM.samples()
                .stream()
                .filter(s -> s.zone() == Zone.EARS)
                .map(HeadForm.Sample::point)
                .min(java.util.Comparator.comparingDouble(q -> Math.hypot(q.y() + 8, q.z() + 20) + (q.x() * side > 0 ? 0 : 1e6)))
                .orElseThrow();
        return new Vec3(side * 76, p.y(), -20);
    }

    /** The form itself, turned and moved as a scanner might leave it: brought back, the tape finds the same measures. */
    @ParameterizedTest
    @CsvSource({"0", "1", "2"})
    void aScanOfAKnownHeadHasItsMeasures(int axis) {
        var turn = Turn.quarter(axis).then(Turn.pitch(17));
        var off = new Vec3(210, -40, 95);
        var scan = FORM.mesh().turned(turn).moved(off);
        var bridge = new Vec3(0, FORM.eye(1).y() + 4, 0);
        var out = ScanAlignment.of(scan, turn.apply(ear(-1)).plus(off), turn.apply(ear(1)).plus(off), turn.apply(bridge).plus(off));
        var head = ((ScanAlignment.Outcome.Head) out).scan();
        var form = HeadForm.of(head, WEARER.head());
        assertThat(form.tape().circumferenceMm()).isCloseTo(570, within(1.0));
        assertThat(form.tape().lengthMm()).isCloseTo(195, within(1.0));
        assertThat(form.tape().breadthMm()).isCloseTo(152, within(1.0));
        assertThat(head.heightMm()).isCloseTo(222, within(1.5));
        MeshAssert.assertClosed(form.mesh());
        var w = WEARER.scanned(head, form.taped());
        assertThat(HeadForm.of(w).tape()).isEqualTo(form.tape());
        assertThat(w.head().check()).isEmpty();
    }

    @Test
    void aScanThatIsNoHeadIsRefusedWithTheReason() {
        var ball = Shapes.sphere(100, 64);
        assertThat(reason(ScanAlignment.of(ball, new Vec3(-5, 0, 0), new Vec3(5, 0, 0), new Vec3(0, 90, 0)))).contains("10 mm apart")
                .contains("unit");
        assertThat(reason(ScanAlignment.of(ball, new Vec3(-75, 0, 0), new Vec3(75, 0, 0), new Vec3(60, 90, 0)))).contains("not two ears");
        assertThat(reason(ScanAlignment.of(Shapes.box(new Vec3(-90, -90, -3), new Vec3(90, 90, 3)), new Vec3(-75, 0, 0), new Vec3(75, 0, 0),
                new Vec3(0, 95, 20)))).isNotBlank();
    }

    private static String reason(ScanAlignment.Outcome o) {
        return ((ScanAlignment.Outcome.Refused) o).reason();
    }

    @Test
    void aScanWithAHoleIsBridged() {
        var keep = new boolean[FORM.mesh().triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = FORM.mesh().centroid(f).distance(new Vec3(70, -20, 45)) > 25;
        var out = ScanAlignment.of(FORM.mesh().only(keep), ear(-1), ear(1), new Vec3(0, FORM.eye(1).y() + 4, 0));
        var head = (ScanAlignment.Outcome.Head) out;
        assertThat(head.bridgedShare()).isBetween(0.001, 0.1);
        assertThat(HeadForm.of(head.scan(), WEARER.head()).tape().circumferenceMm()).isCloseTo(570, within(4.0));
    }

    /** A curved plate with two round holes {@code apart} mm apart, lying before the face. */
    private static Mesh mask(double apart) {
        int columns = 121, rows = 81;
        var xyz = new ArrayList<double[]>();
        var b = new yellowbracket.mesh.MeshBuilder(columns * rows, 2 * columns * rows);
        for (int r = 0; r < rows; r++) for (int c = 0; c < columns; c++) {
            double x = -75 + 150.0 * c / (columns - 1), z = -40 + 80.0 * r / (rows - 1);
            b.addVertex(x, 100 - x * x / 140, z);
            xyz.add(new double[] {x, z});
        }
        for (int r = 0; r + 1 < rows; r++) for (int c = 0; c + 1 < columns; c++) {
            int at = r * columns + c;
            double x = xyz.get(at)[0] + 0.6, z = xyz.get(at)[1] + 0.5;
            if (Math.hypot(Math.abs(x) - apart / 2, z) < 12) continue;
            b.addQuad(at, at + 1, at + columns + 1, at + columns);
        }
        return b.build();
    }

    @ParameterizedTest
    @CsvSource({"62", "74", "54"})
    void aMasksOpeningsAreComparedWithThePupils(double apart) {
        var m = mask(apart);
        var read = MaskFit.Read.of(m, Bvh.of(m));
        var fit = MaskFit.of(WEARER, FORM, read, Bvh.of(m), 1);
        var eyes = fit.eyes().orElseThrow();
        assertThat(eyes.apartMm()).isCloseTo(apart, within(1.0));
        assertThat(eyes.offMm()).isCloseTo((62 - apart) / 2, within(0.5));
        assertThat(read.scaleFor(FORM).orElseThrow()).isCloseTo(62 / apart, within(0.02));
        assertThat(fit.straps()).hasSize(2);
        assertThat(fit.straps().getFirst().x()).isCloseTo(-75, within(2.0));
        assertThat(MaskFit.of(WEARER, FORM, read, Bvh.of(m), 62 / eyes.apartMm()).eyes().orElseThrow().offMm()).isCloseTo(0, within(0.3));
    }

    @Test
    void aMaskMouldedOnTheFaceTouchesAllAlongItsRim() {
        var face = FORM.mesh();
        var keep = new boolean[face.triangleCount()];
        for (int f = 0; f < keep.length; f++) {
            var p = face.centroid(f);
            keep[f] = p.y() > 45 && Math.abs(p.z()) < 38;
        }
        var m = face.only(keep);
        var fit = MaskFit.of(WEARER, FORM, MaskFit.Read.of(m, Bvh.of(m)), Bvh.of(m), 1);
        assertThat(fit.rimTouching()).isGreaterThan(0.9);
        assertThat(Math.abs(fit.pose().pitchDeg())).isLessThanOrEqualTo(2);
        assertThat(fit.eyes()).isEmpty();
        assertThat(fit.findings()).anyMatch(f -> f.words().contains("no pair of eye openings"));
    }

    @Test
    void aStaffIsHeldWhereTheHandHangs() {
        var staff = Shapes.tube(15, 0.5, 0, 2100, 96);
        var c = Carry.of(staff, Bvh.of(staff), 1, WEARER);
        assertThat(c.lengthMm()).isCloseTo(2100, within(1e-6));
        assertThat(c.balanceMm()).isCloseTo(1050, within(1.0));
        assertThat(c.gripAtMm()).isCloseTo(0.42 * 1700, within(1e-9));
        assertThat(c.gripThickMm()).as("both outlines of the pipe").isCloseTo(2 * 15.5, within(0.1));
        assertThat(c.findings()).anyMatch(f -> f.words().contains("door") && f.fix().isPresent()).anyMatch(f -> f.words().contains("car"));
        assertThat(c.scaleFor(1700, 1)).isCloseTo(1700 / 2100.0, within(1e-9));
        var wand = Shapes.tube(5, 0.5, 0, 300, 48);
        assertThat(Carry.of(wand, Bvh.of(wand), 1, WEARER).findings()).anyMatch(f -> f.words().contains("cramps"));
    }

    /** A block with a blind socket and a bored one: two bodies of revolution inside each other stand in for drilling. */
    private static Mesh drilled(double radius, double depth) {
        return Shapes.lathe(new double[][] {{0, 0}, {30, 0}, {30, 20}, {radius, 20}, {radius, 20 - depth}, {0, 20 - depth}}, false, 64);
    }

    @ParameterizedTest
    @CsvSource({"4.1,3.2,1,magnet 8 mm,true", "4.1,3.2,1.08,magnet 8 mm,false", "2.55,12,1,rod 5 mm,true", "3,3.2,1,magnet 6 mm,false"})
    void socketsAreFoundAndMatchedWithStock(double radius, double depth, double scale, String part, boolean fits) {
        var m = drilled(radius, depth);
        var found = Cylinders.of(m, Bvh.of(m), Progress.NONE);
        var holes = found.stream().filter(Cylinders.Cylinder::hole).toList();
        assertThat(holes).singleElement().satisfies(h -> {
            assertThat(h.radiusMm()).isCloseTo(radius, within(0.02));
            assertThat(h.lengthMm()).isCloseTo(depth, within(1e-6));
            assertThat(h.through()).isFalse();
            assertThat(Math.abs(h.axis().z())).isCloseTo(1, within(1e-6));
        });
        assertThat(found).as("the block itself is round outside").anyMatch(c -> !c.hole() && Math.abs(c.radiusMm() - 30) < 0.1);
        var after = Hardware.of(holes.getFirst(), scale);
        assertThat(after.diameterMm()).isCloseTo(2 * radius * scale, within(0.05));
        assertThat(after.part()).isEqualTo(part);
        assertThat(after.fits()).isEqualTo(fits);
        assertThat(after.advice().isEmpty()).isEqualTo(fits);
    }

    @Test
    void aScrewHoleGoesThroughAndAPlainShellHasNone() {
        var plate = Shapes.tube(20, 2.25, 0, 6, 64);
        var hole = Cylinders.of(plate, Bvh.of(plate), Progress.NONE).stream().filter(Cylinders.Cylinder::hole).findFirst().orElseThrow();
        assertThat(hole.through()).isTrue();
        assertThat(Hardware.of(hole, 1).part()).isEqualTo("M4 screw");
        var shell = Shapes.cappedShell(120, 4, 50, 128, 64);
        assertThat(Cylinders.of(shell, Bvh.of(shell), Progress.NONE)).isEmpty();
        var turned = drilled(4.1, 3).turned(Turn.pitch(33).then(Turn.quarter(1)));
        assertThat(Cylinders.of(turned, Bvh.of(turned), Progress.NONE)).filteredOn(Cylinders.Cylinder::hole)
                .singleElement()
                .satisfies(h -> assertThat(h.radiusMm()).isCloseTo(4.1, within(0.02)));
    }

    @ParameterizedTest
    @EnumSource(TestPiece.Kind.class)
    void testPiecesAreClosedAndReadTheInnerWall(TestPiece.Kind kind) {
        var shell = Shapes.cappedShell(150, 4, 55, 120, 60);
        for (double scale : new double[] {1, 1.1}) {
            var cavity = Cavity.of(shell, Bvh.of(shell));
            var room = Room.of(WEARER);
            var fit = Fit.of(room, FORM, cavity, scale, Fit.scales(room, FORM, cavity, Progress.NONE));
            var piece = TestPiece.of(kind, fit,
                    Donning.of(HeadField.of(FORM, WEARER, Progress.NONE), cavity, scale, fit.pose(), Progress.NONE), cavity);
            MeshAssert.assertClosed(piece.mesh());
            assertThat(piece.mesh().volumeMm3()).isPositive().isLessThan(60_000);
            assertThat(piece.mesh().bounds().min().z()).isZero();
            if (kind == TestPiece.Kind.PROFILE) continue;
            // the ring's middle lies on the inner sphere
            double z = piece.atZMm() + cavity.rimZ() * scale, inner = Math.sqrt(Math.pow(146 * scale, 2) - z * z);
            double least = Double.POSITIVE_INFINITY;
            for (int v = 0; v < piece.mesh().vertexCount(); v++)
                least = Math.min(least, piece.mesh().point(v).z() == 5 ? Math.hypot(piece.mesh().x(v), piece.mesh().y(v)) : 1e9);
            assertThat(least).isCloseTo(inner, within(0.5));
        }
    }

    @Test
    void aProfileOfNothingIsRefused() {
        var open = Shapes.sphere(15, 32);
        var cavity = Cavity.of(open, Bvh.of(open));
        var room = Room.of(WEARER);
        var fit = Fit.of(room, FORM, cavity, 1, new Fit.Scales(1, "", 1, "", 2, "", true));
        var way = Donning.of(HeadField.of(FORM, WEARER, Progress.NONE), cavity, 1, fit.pose(), Progress.NONE);
        assertThatThrownBy(() -> TestPiece.of(TestPiece.Kind.PROFILE, fit, way, cavity)).isInstanceOf(IllegalStateException.class);
    }

    /** A ball about the mouth, open ahead in a cone: the area of the cap of wall that is missing. */
    @ParameterizedTest
    @CsvSource({"60,15", "80,10", "90,25"})
    void openAreaIsTheWallThatIsMissing(double r, double deg) {
        var ball = Shapes.cappedShell(r + 3, 3, deg, 240, 120).turned(new Turn(Vec3.X, Vec3.Z.times(-1), Vec3.Y));
        double cap = 2 * Math.PI * r * r * (1 - Math.cos(Math.toRadians(deg))) / 100;
        for (double scale : new double[] {0.8, 1, 1.2})
            assertThat(Air.from(Vec3.ZERO, Cavity.of(ball, Bvh.of(ball)), scale, new Pose(0, 0, 0)).openCm2())
                    .isCloseTo(cap * scale * scale, within(0.08 * cap * scale * scale));
        assertThat(Air.from(Vec3.ZERO, Cavity.of(Shapes.sphere(80, 64), Bvh.of(Shapes.sphere(80, 64))), 1, new Pose(0, 0, 0)).openCm2())
                .isZero();
    }

    @Test
    void aSliceHasTheLengthAndAreaOfTheCut() {
        var ball = Shapes.sphere(50, 200);
        var slice = PlaneSlice.of(ball, Bvh.of(ball), new Vec3(0.6, 0, 0.8), 30);
        assertThat(slice.lengthMm()).isCloseTo(2 * Math.PI * 40, within(0.3));
        assertThat(slice.areaMm2()).isCloseTo(Math.PI * 1600, within(10.0));
        assertThat(PlaneSlice.of(ball, Bvh.of(ball), Vec3.X, 51).isEmpty()).isTrue();
        var behind = PlaneSlice.behind(ball, Vec3.Z, 20);
        assertThat(behind.bounds().max().z()).isCloseTo(20, within(1e-9));
        assertThat(behind.areaMm2()).isCloseTo(2 * Math.PI * 50 * 70, within(30.0));
    }
}
