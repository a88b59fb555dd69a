package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.work.Known;

/** Sections packed on beds: nothing overlaps, nothing leaves the bed, whatever the shapes. */
class PlatesTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Printer BED = Printer.of("bed", 220, 200, 200, 5, 0.4, 100, 0.002, 0.1);

    private static SectionPrint print(String name, Mesh m, Printer printer) {
        var profile = SHOP.profile("usual");
        var way = Orientation.of(m, SurfaceSamples.of(m, Bvh.of(m), 60), profile, Turn.NONE);
        return new SectionPrint(Known.p(name), way, profile, printer, Estimate.of(m, way, profile, SHOP.material("PLA"), printer),
                way.fits(1, printer));
    }

    private static Plates.Item item(String name, Mesh m, double brim) {
        return new Plates.Item(Known.p(name), Shadow.of(m, Turn.NONE, 1, Plates.CELL_MM), brim, print(name, m, BED), "PLA");
    }

    /** Boxes, rings, cones and corner pieces of any size, turned anyhow. */
    private static Mesh shape(Random random) {
        double a = 15 + random.nextInt(70), b = 12 + random.nextInt(60);
        var m = switch (random.nextInt(4)) {
            case 0 -> Shapes.box(Vec3.ZERO, new Vec3(a, b, 10));
            case 1 -> Shapes.tube(a / 2, a / 2 - 4, 0, 12, 32);
            case 2 -> Shapes.lathe(new double[][] {{0, 0}, {b / 2, 0}, {0, 20}}, false, 24);
            default ->
                    Mesh.union(List.of(Shapes.box(Vec3.ZERO, new Vec3(a, 8, 10)), Shapes.box(new Vec3(0, 8.001, 0), new Vec3(8, b, 10))));
        };
        double t = random.nextDouble() * 6.28, c = Math.cos(t), s = Math.sin(t);
        return m.turned(new Turn(new Vec3(c, -s, 0), new Vec3(s, c, 0), Vec3.Z))
                .moved(new Vec3(random.nextInt(100), -random.nextInt(100), 3));
    }

    static IntStream seeds() {
        return IntStream.range(0, 25);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothingOverlapsAndNothingLeavesTheBed(int seed) {
        var random = new Random(seed);
        var meshes = new ArrayList<Mesh>();
        var items = new ArrayList<Plates.Item>();
        for (int i = 0; i < 4 + random.nextInt(12); i++) {
            meshes.add(shape(random));
            items.add(item("S" + i, meshes.getLast(), random.nextInt(3) == 0 ? 4 : 0));
        }
        var plates = Plates.full(items, BED);
        assertThat(plates.stream().mapToInt(p -> p.prints().size()).sum()).isEqualTo(items.size());
        for (var plate : plates) {
            assertThat(plate.fits()).isTrue();
            var clouds = new ArrayList<List<Vec3>>();
            for (var place : plate.places()) {
                var cloud = standing(meshes.get(Integer.parseInt(place.section().letter().substring(1))), place);
                assertThat(cloud).allSatisfy(p -> {
                    assertThat(p.x()).isBetween(BED.marginMm() - 1e-6, BED.bedX() - BED.marginMm() + 1e-6);
                    assertThat(p.y()).isBetween(BED.marginMm() - 1e-6, BED.bedY() - BED.marginMm() + 1e-6);
                });
                clouds.add(cloud);
            }
            for (int i = 0; i < clouds.size(); i++) for (int j = i + 1; j < clouds.size(); j++)
                assertThat(apart(clouds.get(i), clouds.get(j))).as("%s", plate.name()).isGreaterThanOrEqualTo(Plates.SPACING_MM - 0.6);
        }
    }

    /** Points along every edge of the mesh, at most half a millimetre apart, where the plate puts them: shares nothing with the packer. */
    private static List<Vec3> standing(Mesh m, Plates.Place place) {
        var turned = m;
        for (int q = 0; q < place.quarters(); q++) turned = turned.turned(Turn.quarter(2));
        var min = turned.bounds().min();
        var out = new ArrayList<Vec3>();
        for (int f = 0; f < turned.triangleCount(); f++) for (int k = 0; k < 3; k++) {
            var a = turned.corner(f, k);
            var b = turned.corner(f, (k + 1) % 3);
            int n = Math.max(1, (int) Math.ceil(Math.hypot(b.x() - a.x(), b.y() - a.y()) / 0.5));
            for (int i = 0; i < n; i++) out.add(new Vec3(a.x() + (b.x() - a.x()) * i / n - min.x() + place.x(),
                    a.y() + (b.y() - a.y()) * i / n - min.y() + place.y(), 0));
        }
        return out;
    }

    /** Least distance of two clouds, by cells of 10 mm. */
    private static double apart(List<Vec3> a, List<Vec3> b) {
        var cells = new java.util.HashMap<Long, List<Vec3>>();
        for (var p : a)
            cells.computeIfAbsent((long) Math.floor(p.x() / 10) * 1000 + (long) Math.floor(p.y() / 10), k -> new ArrayList<>()).add(p);
        double least = 10;
        for (var p : b) for (int i = -1; i <= 1; i++) for (int j = -1; j <= 1; j++)
            for (var q : cells.getOrDefault(((long) Math.floor(p.x() / 10) + i) * 1000 + (long) Math.floor(p.y() / 10) + j, List.of()))
                least = Math.min(least, Math.hypot(p.x() - q.x(), p.y() - q.y()));
        return least;
    }

    @Test
    void aRingHoldsWhatFitsInIt() {
        var ring = item("A", Shapes.tube(95, 90, 0, 10, 96), 0);
        var small = item("B", Shapes.box(Vec3.ZERO, new Vec3(60, 60, 10)), 0);
        assertThat(Plates.full(List.of(ring, small), BED)).singleElement().satisfies(p -> assertThat(p.name()).isEqualTo("A+B"));
    }

    @Test
    void whatIsPrintedOtherwiseGoesOnAnotherPlate() {
        var a = item("A", Shapes.box(Vec3.ZERO, new Vec3(30, 30, 10)), 0);
        var b = new Plates.Item(Known.p("B"), a.shadow(), 0, a.print(), "PETG");
        assertThat(Plates.full(List.of(a, b), BED)).hasSize(2);
    }

    @Test
    void whatFitsNoBedHasNoPlaceButIsNotLost() {
        var large = item("A", Shapes.box(Vec3.ZERO, new Vec3(300, 30, 10)), 0);
        assertThat(Plates.full(List.of(large), BED)).singleElement().satisfies(p -> {
            assertThat(p.fits()).isFalse();
            assertThat(p.sections()).containsExactly(Known.p("A"));
        });
        assertThat(Plates.single(List.of(large), BED).getFirst().fits()).isFalse();
    }

    @Test
    void aLongPieceIsTurnedToLieOnTheBed() {
        var tall = item("A", Shapes.box(Vec3.ZERO, new Vec3(30, 205, 10)), 0);
        assertThat(Plates.full(List.of(tall), BED).getFirst().places().getFirst().quarters() % 2).isEqualTo(1);
        var single = Plates.single(List.of(tall), BED).getFirst().places().getFirst();
        assertThat(single.quarters()).isEqualTo(1);
        assertThat(single.x() + single.wideMm() / 2).isCloseTo(110, within(1e-9));
    }

    @Test
    void aFullPlateRisksAllThatIsOnIt() {
        var items = IntStream.range(0, 4).mapToObj(i -> item("" + (char) ('A' + i), Shapes.tube(25, 22, 0, 90, 48), 0)).toList();
        var one = Plates.single(items, BED);
        var full = Plates.full(items, BED);
        assertThat(full).hasSize(1);
        double alone = one.stream().mapToDouble(Plates.Plate::expectedHours).sum();
        assertThat(full.getFirst().hours()).as("heated up once")
                .isCloseTo(one.stream().mapToDouble(Plates.Plate::hours).sum() - 3 * 240 / 3600.0, within(1e-9));
        assertThat(full.getFirst().expectedHours() - full.getFirst().hours()).as("lost hours")
                .isGreaterThan(3 * (alone - one.stream().mapToDouble(Plates.Plate::hours).sum()));
        assertThat(full.getFirst().risk()).isGreaterThan(one.stream().mapToDouble(Plates.Plate::risk).max().orElseThrow());
        assertThat(Plates.full(List.of(), BED)).isEmpty();
    }

    @Test
    void aShadowCoversWhatStandsAboveItAndTurnsWithIt() {
        var s = Shadow.of(Shapes.tube(20, 15, 0, 5, 128), Turn.NONE, 1, 1);
        assertThat(s.areaMm2()).as("every touched cell counts")
                .isBetween(Math.PI * (400 - 225), Math.PI * (400 - 225) + 2 * Math.PI * 35 * 1.3);
        assertThat(s.covers(20, 20)).as("the hole is free").isFalse();
        var corner = Shadow.of(
                Mesh.union(List.of(Shapes.box(Vec3.ZERO, new Vec3(20, 4, 1)), Shapes.box(new Vec3(0, 4, 0), new Vec3(4, 10, 1)))),
                Turn.NONE, 1, 1);
        var q = corner.quarter();
        assertThat(q.columns()).isEqualTo(corner.rows());
        assertThat(q.quarter().quarter().quarter().areaMm2()).isEqualTo(corner.areaMm2());
        assertThat(corner.covers(19, 0)).isTrue();
        assertThat(q.covers(q.columns() - 1, 19)).as("right goes to the back").isTrue();
        assertThat(s.widened(3).areaMm2()).isGreaterThan(s.areaMm2());
        assertThat(Shadow.of(Shapes.box(Vec3.ZERO, new Vec3(10, 10, 1)), Turn.NONE, 2, 1).wideMm()).isCloseTo(20, within(1e-9));
    }
}
