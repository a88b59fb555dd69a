package yellowbracket.cut.registration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;
import static yellowbracket.mesh.MeshAssert.assertClosed;
import static yellowbracket.mesh.MeshAssert.assertWatertight;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.repair.MeshHealth;

class RegistrarTest {
    private static final Mesh BLOCK = Shapes.box(new Vec3(-40, -30, -50), new Vec3(40, 30, 50));
    private static final CutTree HALVED = CutTree.split(CutPlane.across(2, 3.137), CutTree.WHOLE, CutTree.WHOLE);

    /** Between columns that check sections, mm. */
    private static final double COLUMN_MM = 0.31;

    private static Registered registered(Mesh m, CutTree tree, double scale, Registration wanted) {
        var index = Bvh.of(m);
        return Registrar.of(Sectioning.of(m, index, tree, "p", Letters.alone(), Progress.NONE).scaled(scale), tree, index, scale, wanted,
                Progress.NONE);
    }

    private static Registration of(RegistrationKind kind) {
        return Registration.PLAIN.withUsual(kind);
    }

    private static double volume(Registered r) {
        return r.sections().sections().stream().mapToDouble(s -> s.mesh().volumeMm3()).sum();
    }

    @Test
    void plainFacesAreLeftAlone() {
        var r = registered(BLOCK, HALVED, 1, Registration.PLAIN);
        assertThat(volume(r)).isCloseTo(80 * 60 * 100, within(1e-6));
        assertThat(r.hardware()).isEmpty();
        assertThat(r.words("A|B")).isEqualTo("plain");
    }

    @Test
    void largePinsGoFarApartIntoABlock() {
        var r = registered(BLOCK, HALVED, 1, of(RegistrationKind.PINS));
        assertThat(r.fitted()).hasSize(3).allMatch(f -> f.diameterMm() == 8 && f.intoAboveMm() == 11 && f.intoBelowMm() == 11);
        for (var f : r.fitted()) for (var g : r.fitted()) if (f != g) assertThat(f.at().distance(g.at())).isGreaterThan(40);
        assertThat(r.hardware()).extracting(Registered.Hardware::words).containsExactly("3 printed pins 8 x 21 mm");
        assertThat(r.loose()).singleElement().satisfies(l -> {
            assertThat(l.count()).isEqualTo(3);
            assertClosed(l.mesh());
            assertThat(l.mesh().bounds().min().z()).as("lies on its flat").isCloseTo(0, within(1e-9));
            assertThat(l.mesh().bounds().size().y()).isCloseTo(21, within(1e-9));
        });
        r.sections().sections().forEach(s -> assertClosed(s.mesh()));
    }

    @Test
    void aLoosePinIsSmallerThanItsSocketAllRound() {
        var socket = Footprints.flatSided(0, 0, 8, 0.1);
        var pin = Footprints.flatSided(0, 0, 8, 0);
        assertThat(socket.contains(pin)).isTrue();
        assertThat(socket.getExteriorRing().distance(pin.getExteriorRing())).isCloseTo(0.1, within(0.01));
    }

    @ParameterizedTest
    @EnumSource(value = RegistrationKind.class, names = {"PINS", "DOWELS", "RODS", "MAGNETS", "SEALED_MAGNETS", "TONGUE", "THROUGH_ROD",
            "FITTING"})
    void everyKindKeepsSectionsClosedAndVolumesExact(RegistrationKind kind) {
        var r = registered(BLOCK, HALVED, 1.25, new Registration(kind, Map.of(), Map.of(), true, false, 0.2, 1.2));
        double whole = BLOCK.scaled(1.25).volumeMm3();
        assertThat(r.refused()).isEmpty();
        assertThat(r.removedMm3()).isPositive();
        assertThat(volume(r)).isCloseTo(whole + r.addedMm3() - r.removedMm3(), within(1e-9 * whole));
        for (var s : r.sections().sections()) {
            assertThat(s.closed()).isTrue();
            assertClosed(s.mesh());
            assertThat(MeshHealth.of(s.mesh()).duplicateTriangles() + MeshHealth.of(s.mesh()).degenerateTriangles()).isZero();
        }
    }

    static Stream<Arguments> cutsAndKinds() {
        var random = new Random(5);
        var meshes = List.of(Shapes.torus(60, 18, 72, 36).turned(Turn.pitch(20)), Shapes.cappedShell(90, 4, 55, 72, 40),
                Shapes.sphere(45, 48), Shapes.tube(50, 44, -60, 60, 64));
        var kinds = List.of(RegistrationKind.FITTING, RegistrationKind.PINS, RegistrationKind.MAGNETS, RegistrationKind.TONGUE,
                RegistrationKind.RODS);
        return meshes.stream().flatMap(m -> IntStream.range(0, 5).mapToObj(i -> Arguments.of(m, tree(random, m), kinds.get(i))));
    }

    private static CutTree tree(Random r, Mesh m) {
        CutTree t = CutTree.WHOLE;
        for (int i = 0; i < 3; i++) {
            var n = i < 2 ? Vec3.axis(r.nextInt(3)) : new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
            t = t.cutEverywhere(new CutPlane(n, n.dot(m.bounds().centre()) + 12 * r.nextGaussian()));
        }
        return t;
    }

    @ParameterizedTest
    @MethodSource("cutsAndKinds")
    void anySequenceOfCutsAndAnyAcceptedRegistration(Mesh m, CutTree tree, RegistrationKind kind) {
        var r = registered(m, tree, 1.1, new Registration(kind, Map.of(), Map.of(), true, false, 0.2, 1.2));
        double whole = m.scaled(1.1).volumeMm3();
        assertThat(volume(r)).isCloseTo(whole + r.addedMm3() - r.removedMm3(), within(1e-9 * whole));
        r.sections().sections().forEach(s -> assertWatertight(s.mesh()));
        for (var f : r.fitted()) {
            assertThat(f.intoAboveMm())
                    .isGreaterThanOrEqualTo(kind == RegistrationKind.FITTING ? 3 : f.kind().leastDepthMm(f.diameterMm()));
        }
    }

    /** Solids and shells cut into small parts: seams meet at corners, walls lean, faces are round. */
    static Stream<Arguments> small() {
        var models = Map.of("figure", Mesh.union(List.of(Shapes.ellipsoid(34, 26, 60, 48, 32))), "lump", Shapes.bumpySphere(45, 4000),
                "block", BLOCK, "leaning", Shapes.tube(46, 34, -50, 50, 64).mapped(p -> new Vec3(p.x() + 0.5 * p.z(), p.y(), p.z())),
                "ring", Shapes.torus(60, 18, 64, 32), "cup", Shapes.cappedShell(70, 7, 60, 64, 40));
        return models.entrySet()
                .stream()
                .sorted(Map.Entry.comparingByKey())
                .flatMap(e -> (e.getKey().equals("lump") ? Stream.of(RegistrationKind.values())
                        : Stream.of(RegistrationKind.TONGUE, RegistrationKind.FITTING))
                        .map(k -> Arguments.of(e.getKey(), e.getValue(), k)));
    }

    @ParameterizedTest(name = "{0}, {2}")
    @MethodSource("small")
    void sectionsStayApartAndWithinTheModel(String name, Mesh m, RegistrationKind kind) {
        CutTree t = CutTree.WHOLE;
        var tilted = new Vec3(0.25, 0.1, 1).unit();
        var cuts = List.of(CutPlane.across(0, 1.3), CutPlane.across(1, -2.1), new CutPlane(tilted, 9.7), CutPlane.across(2, -21.9));
        for (var c : cuts) t = t.cutEverywhere(c);
        var r = registered(m, t, 1, new Registration(kind, Map.of(), Map.of(), true, true, 0.2, 1.2));
        var sections = r.sections().sections();
        for (int axis : kind == RegistrationKind.TONGUE ? new int[] {0, 1, 2} : new int[] {kind.ordinal() % 3}) {
            var model = new ColumnCheck(m, axis, COLUMN_MM);
            var all = new ArrayList<ColumnCheck>();
            for (var a : sections) {
                var own = new ColumnCheck(a.mesh(), axis, COLUMN_MM);
                assertThat(own.volumeMm3()).as(a.name()).isCloseTo(a.mesh().volumeMm3(), within(10 + 0.02 * a.mesh().volumeMm3()));
                assertThat(own.crossed().mm3()).as(a.name() + " runs through itself").isLessThan(0.05);
                assertThat(own.outside(model).thickMm()).as(a.name() + " outside the model").isLessThan(0.02);
                for (int i = 0; i < all.size(); i++)
                    assertThat(own.within(all.get(i)).mm3()).as(a.name() + " in " + sections.get(i).name()).isLessThan(0.05);
                all.add(own);
            }
        }
    }

    /** The check itself: what it must find, it finds. */
    @Test
    void columnsFindWhatLiesWithinAnotherAndOutside() {
        var one = new ColumnCheck(Shapes.box(Vec3.ZERO, new Vec3(20, 20, 20)), 1, COLUMN_MM);
        var other = new ColumnCheck(Shapes.box(new Vec3(10, 15, 5), new Vec3(30, 25, 9)), 1, COLUMN_MM);
        assertThat(one.within(other).mm3()).isCloseTo(10 * 5 * 4, withinPercentage(4));
        assertThat(other.outside(one).mm3()).isCloseTo(20 * 10 * 4 - 10 * 5 * 4, withinPercentage(4));
        assertThat(one.crossed().mm3()).isZero();
        var twice = Mesh.union(List.of(Shapes.box(Vec3.ZERO, new Vec3(9, 9, 9)), Shapes.box(new Vec3(5, 5, 5), new Vec3(12, 12, 12))));
        assertThat(new ColumnCheck(twice, 2, COLUMN_MM).crossed().mm3()).isCloseTo(64, withinPercentage(6));
    }

    @Test
    void matingFacesCoincide() {
        var r = registered(BLOCK, HALVED, 1, of(RegistrationKind.TONGUE));
        for (var s : r.sections().sections()) for (int f = 0; f < s.mesh().triangleCount(); f++)
            if (s.mesh().tag(f) == 0) for (int k = 0; k < 3; k++) assertThat(s.mesh().corner(f, k).z()).isCloseTo(3.137, within(1e-9));
    }

    @Test
    void everyHoleKeepsItsWall() {
        var shell = Shapes.cappedShell(90, 14, 55, 96, 60);
        var tree = CutTree.split(CutPlane.across(0, 0.137), CutTree.WHOLE, CutTree.WHOLE);
        var r = registered(shell, tree, 1, of(RegistrationKind.PINS));
        var index = Bvh.of(shell);
        assertThat(r.fitted()).isNotEmpty();
        for (var f : r.fitted()) for (double t = -f.intoBelowMm(); t <= f.intoAboveMm(); t += 0.5)
            assertThat(index.distance(f.at().plus(f.axis().times(t)))).isGreaterThan(f.diameterMm() / 2 + 0.1 + 1.2 - 0.05);
    }

    @Test
    void aThinWallGetsATongueAndAThinnerOneIsTold() {
        var tree = CutTree.split(CutPlane.across(2, 0.137), CutTree.WHOLE, CutTree.WHOLE);
        var tongue = registered(Shapes.tube(50, 46, -40, 40, 96), tree, 1, of(RegistrationKind.FITTING));
        assertThat(tongue.tongues()).singleElement().satisfies(t -> assertThat(t.lengthMm()).isCloseTo(2 * Math.PI * 48, within(6.0)));
        var plain = registered(Shapes.tube(50, 48.5, -40, 40, 96), tree, 1, of(RegistrationKind.FITTING));
        assertThat(plain.tongues()).isEmpty();
        assertThat(plain.findings()).anyMatch(f -> f.words().contains("seam A|B stays plain") && f.words().contains("1.5 mm"));
        var refused = registered(Shapes.tube(50, 48.5, -40, 40, 96), tree, 1, of(RegistrationKind.MAGNETS));
        assertThat(refused.refused()).singleElement()
                .satisfies(q -> assertThat(q.words()).startsWith("seam A|B: no magnets: the face is 1.5 mm wide at most"));
    }

    @Test
    void aTongueStandsInItsGrooveWithTheClearanceAllRound() {
        var tree = CutTree.split(CutPlane.across(2, 0.137), CutTree.WHOLE, CutTree.WHOLE);
        var r = registered(Shapes.tube(50, 45, -40, 40, 96), tree, 1, of(RegistrationKind.TONGUE).withFit(0.4, 1.2));
        var below = r.sections().section(r.tongues().getFirst().below()).mesh();
        var above = r.sections()
                .sections()
                .stream()
                .filter(s -> !s.name().equals(r.tongues().getFirst().below()))
                .findFirst()
                .orElseThrow()
                .mesh();
        var index = Bvh.of(above);
        double least = 99;
        for (int v = 0; v < below.vertexCount(); v++)
            if (below.z(v) > 1 && below.z(v) < 5) least = Math.min(least, index.distance(below.point(v)));
        assertThat(least).isBetween(0.15, 0.35);
    }

    /** Slid in the plane of the cut by the clearance, a tongue does not yet touch its groove; by more it does. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("walls")
    void aTongueKeepsItsClearanceEverywhere(String name, Mesh m) {
        var plane = new CutPlane(new Vec3(0.25, 0.1, 1).unit(), 9.7);
        double clearance = 0.4;
        var r = registered(m, CutTree.split(plane, CutTree.WHOLE, CutTree.WHOLE), 1, of(RegistrationKind.TONGUE).withFit(clearance, 1.2));
        var tongue = r.tongues().getFirst();
        var seam = r.sections().seams().stream().filter(s -> s.name().equals(tongue.seam())).findFirst().orElseThrow();
        var stands = r.sections().section(tongue.below()).mesh();
        var groove = new ColumnCheck(r.sections().section(seam.above()).mesh(), 2, COLUMN_MM);
        double most = 0;
        for (int i = 0; i < 5; i++) {
            double turn = 2 * Math.PI * i / 5;
            var way = seam.face().at(Math.cos(turn), Math.sin(turn)).minus(seam.face().at(0, 0));
            // what lies in the plane itself slides along
            assertThat(new ColumnCheck(stands.moved(way.times(clearance / 2 - 0.03)), 2, COLUMN_MM).within(groove).mm3()).as(name)
                    .isLessThan(0.05);
            most = Math.max(most, new ColumnCheck(stands.moved(way.times(clearance / 2 + 0.2)), 2, COLUMN_MM).within(groove).mm3());
        }
        assertThat(most).as("and the check can find it").isGreaterThan(0.5);
    }

    static Stream<Arguments> walls() {
        return small().filter(a -> a.get()[2] == RegistrationKind.TONGUE).map(a -> Arguments.of(a.get()[0], a.get()[1]));
    }

    @Test
    void whatIsPlacedByHandStaysOrIsRefusedWithItsReason() {
        var spots = List.of(new Registration.Spot(RegistrationKind.MAGNETS, new Vec3(20, 10, 0), 8),
                new Registration.Spot(RegistrationKind.MAGNETS, new Vec3(38, 10, 0), 8),
                new Registration.Spot(RegistrationKind.PINS, new Vec3(90, 10, 0), 4),
                new Registration.Spot(RegistrationKind.PINS, new Vec3(21, 12, 0), 4));
        var r = registered(BLOCK, HALVED, 1, Registration.PLAIN.withSpots("A|B", spots).withSpots("C|D", spots));
        assertThat(r.fitted()).singleElement().satisfies(f -> {
            assertThat(f.byHand()).isTrue();
            assertThat(f.at().distance(new Vec3(20, 10, 3.137))).isLessThan(1e-9);
        });
        assertThat(r.refused()).extracting(Registered.Refused::why)
                .satisfiesExactly(w -> assertThat(w).contains("2.0 mm of material around the middle in A, 5.3 needed"),
                        w -> assertThat(w).contains("off the face"), w -> assertThat(w).contains("runs into another hole"));
        assertThat(r.findings()).anyMatch(f -> f.words().contains("seam C|D is waiting"));
    }

    @Test
    void polesAreSuchThatTheFaceGoesOnOneWay() {
        var r = registered(BLOCK, HALVED, 1, of(RegistrationKind.MAGNETS));
        var north = r.fitted().stream().map(Fitted::northUp).toList();
        var at = r.fitted().stream().map(Fitted::at).toList();
        // of three magnets two are alike: shifted onto each other that pair holds, and no wrong pose holds with more
        assertThat(Polarity.pull(north, at, Vec3.Z)).isLessThanOrEqualTo(1);
        assertThat(r.hardware().getFirst().words()).isEqualTo("6 magnets 10 x 3 mm");
    }

    @Test
    void aPrintedInMagnetTellsWhereToPause() {
        var r = registered(BLOCK, HALVED, 1, of(RegistrationKind.SEALED_MAGNETS));
        var f = r.fitted().getFirst();
        var lower = r.sections().section(f.below()).mesh();
        double face = 3.137 + 50;
        assertThat(MeshHealth.of(lower).bodies()).hasSize(1 + r.fitted().size());
        assertThat(f.pauseHeightMm(lower, Turn.NONE, false)).as("cap up: where the skin begins").isCloseTo(face - 0.8, within(1e-6));
        var onItsCap = Turn.quarter(0).then(Turn.quarter(0));
        assertThat(f.pauseHeightMm(lower, onItsCap, false)).as("cap down: where the hollow ends").isCloseTo(4.0, within(1e-6));
        var onItsSide = Turn.quarter(1);
        double side = onItsSide.row2().dot(f.at()) + 40;
        assertThat(f.pauseHeightMm(lower, onItsSide, false)).isCloseTo(side + 5, within(1e-6));
    }

    @Test
    void twoEqualDowelsInARoundFaceWouldGoBothWays() {
        var rod = Shapes.tube(27, 0, -60, 60, 64);
        var r = registered(rod, HALVED, 1, of(RegistrationKind.DOWELS));
        assertThat(r.fitted()).hasSize(2);
        assertThat(r.fitted().get(0).diameterMm()).isNotEqualTo(r.fitted().get(1).diameterMm());
    }

    @Test
    void twoThinnerRodsAreBetterThanOneThatTurnsAndOneGoesInTheMiddle() {
        var r = registered(Shapes.tube(12, 0, -60, 60, 64), HALVED, 1, of(RegistrationKind.RODS));
        assertThat(r.fitted()).hasSize(2);
        assertThat(r.words("A|B")).startsWith("2 metal rods");
        var slim = registered(Shapes.tube(6, 0, -60, 60, 64), HALVED, 1, of(RegistrationKind.RODS));
        assertThat(slim.fitted()).singleElement().satisfies(f -> assertThat(Math.hypot(f.at().x(), f.at().y())).isLessThan(0.5));
        assertThat(slim.words("A|B")).startsWith("1 metal rod ");
    }

    @Test
    void aRodRunsThroughAllSectionsOfAStaff() {
        var staff = Shapes.tube(14, 0, -200, 200, 48);
        CutTree tree = CutTree.WHOLE;
        for (double z : new double[] {-99.9, 0.137, 101.3}) tree = tree.cutEverywhere(CutPlane.across(2, z));
        var r = registered(staff, tree, 1, of(RegistrationKind.THROUGH_ROD));
        assertThat(r.refused()).isEmpty();
        var f = r.fitted().getFirst();
        assertThat(f.diameterMm()).isEqualTo(12);
        assertThat(f.lengthMm()).isCloseTo(201.2 + 2 * 36 - 0.6, within(0.01));
        r.sections().sections().forEach(s -> assertClosed(s.mesh()));
        assertThat(volume(r)).isCloseTo(staff.volumeMm3() - r.removedMm3(), within(1e-9 * staff.volumeMm3()));
        var bent = CutTree.split(new CutPlane(new Vec3(0, 0.3, 1), 60), CutTree.WHOLE,
                CutTree.split(CutPlane.across(2, -40.1), CutTree.WHOLE, CutTree.WHOLE));
        assertThat(registered(staff, bent, 1, of(RegistrationKind.THROUGH_ROD)).refused()).hasSize(2)
                .allMatch(q -> q.why().contains("not parallel"));
    }

    @Test
    void lettersGoWhereTheFaceIsWideEnough() {
        var r = registered(BLOCK, HALVED, 1.04, Registration.PLAIN.withMarks(true, false));
        assertThat(r.findings()).isEmpty();
        assertThat(r.removedMm3()).isBetween(1.0, 60.0);
        var thin = registered(Shapes.tube(50, 48, -40, 40, 96), HALVED, 1, Registration.PLAIN.withMarks(true, false));
        assertThat(thin.findings()).singleElement().satisfies(f -> assertThat(f.words()).contains("sections A, B").contains("pencil"));
        assertThat(thin.removedMm3()).isZero();
    }

    @Test
    void bossesAndTicksGrowOnTheInsideOfAThinShell() {
        var shell = Shapes.cappedShell(90, 2.4, 55, 128, 80);
        var index = Bvh.of(shell);
        var tree = CutTree.split(CutPlane.across(0, 0.137), CutTree.WHOLE, CutTree.WHOLE);
        var plain = Sectioning.of(shell, index, tree, "p", Letters.alone(), Progress.NONE);
        var r = Registrar.of(shell, index, plain, tree, 1.03, Registration.FITTING.withMarks(false, true), Progress.NONE);
        assertThat(r.findings()).isEmpty();
        assertThat(r.fitted()).hasSizeGreaterThanOrEqualTo(3).allMatch(f -> f.kind() == RegistrationKind.BOSSES && f.diameterMm() == 4);
        r.sections().sections().forEach(s -> assertClosed(s.mesh()));
        assertThat(r.sections().seams()).singleElement().satisfies(s -> assertThat(s.name()).isEqualTo("A|B"));
        double radius = 90 * 1.03;
        for (var s : r.sections().sections()) for (int v = 0; v < s.mesh().vertexCount(); v++)
            assertThat(s.mesh().point(v).norm()).as("nothing comes through to the outside by more than a fold of the mesh")
                    .isLessThan(radius + 0.15);
        double bare = shell.scaled(1.03).volumeMm3();
        assertThat(volume(r)).as("lumps outweigh sockets and ticks").isGreaterThan(bare + r.addedMm3() - r.removedMm3() + 100);
        for (var f : r.fitted()) assertThat(f.at().minus(new Vec3(0, 0, f.at().z())).norm()).as("within the shell").isLessThan(90 * 1.03);
    }

    @Test
    void segmentsKnowTheirDistance() {
        assertThat(WallRoom.distance(Vec3.ZERO, Vec3.X, new Vec3(0, 2, 0), new Vec3(1, 2, 0))).isCloseTo(2, within(1e-12));
        assertThat(WallRoom.distance(Vec3.ZERO, Vec3.X, new Vec3(3, 0, 0), new Vec3(3, 0, 9))).isCloseTo(2, within(1e-12));
        assertThat(WallRoom.distance(Vec3.ZERO, Vec3.ZERO, new Vec3(0, 0, 4), new Vec3(0, 0, 4))).isCloseTo(4, within(1e-12));
        var list = new ArrayList<Double>();
        list.add(WallRoom.distance(new Vec3(-5, 0, 1), new Vec3(5, 0, 1), new Vec3(0, -5, 0), new Vec3(0, 5, 0)));
        assertThat(list.getFirst()).isCloseTo(1, within(1e-12));
    }
}
