package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.cut.Section;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Estimate;
import yellowbracket.print.Layers;
import yellowbracket.print.Orientation;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Catalogue;
import yellowbracket.work.SectionId;

class DepthMapTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static DepthMap map(Mesh m, double layer, double contactMm2, Targets targets) {
        var section = new Section(new SectionId("p", "A"), m, true);
        var profile = SHOP.profile("usual").withLayerMm(layer);
        var up = new Orientation("flat", Turn.NONE, 0, contactMm2, 0, 0, 0, m.bounds().size(), 0, 0);
        var print = new SectionPrint(section.id(), up, profile, SHOP.printers().getFirst(),
                Estimate.of(Layers.of(m, Turn.NONE, layer), up, profile, SHOP.material("PLA"), SHOP.printers().getFirst()), true);
        return DepthMap.of(List.of(new DepthMap.Printed(section, SurfaceSamples.of(m, Bvh.of(m), 6000), print)), targets, SHOP);
    }

    private static DepthMap map(Mesh m, double layer) {
        return map(m, layer, 0, Targets.NONE);
    }

    /**
     * Valleys h |cos| deep with beads on upright walls hold, over a ball, 2 pi R2 h/2 times the integral of sqrt(c2 + b2 (1 - c2)) from -1
     * to 1 over c.
     */
    @ParameterizedTest
    @ValueSource(doubles = {0.12, 0.2, 0.4})
    void aBallHoldsTheIntegral(double layer) {
        double sum = 0, n = 100_000, b2 = 0.14 * 0.14;
        for (int i = 0; i < n; i++) {
            double c = -1 + 2 * (i + 0.5) / n;
            sum += Math.sqrt(c * c + b2 * (1 - c * c)) * 2 / n;
        }
        var ball = map(Shapes.sphere(60, 60), layer);
        double expected = 2 * Math.PI * 3600 * layer / 2 * sum;
        double lines = ball.places().stream().mapToDouble(p -> p.cuspUm() / 2000 * p.mm2()).sum();
        assertThat(lines).isCloseTo(expected, within(0.02 * expected));
        assertThat(Areas.of(ball, Targets.NONE).valleyMm3()).as("and the flats of its facets").isGreaterThan(lines);
    }

    /** A drum of n flats: each lies R (1 - cos(pi / n)) off its round. */
    @ParameterizedTest
    @CsvSource({"24", "36", "60"})
    void flatsOfADrumLieOffItsRound(int n) {
        var drum = map(Shapes.tube(50, 40, 0, 100, n), 0.2);
        double off = 1000 * 50 * (1 - Math.cos(Math.PI / n));
        assertThat(drum.places()
                .stream()
                .filter(p -> Math.abs(p.normal().z()) < 0.1 && Math.hypot(p.at().x(), p.at().y()) > 45)
                .mapToDouble(Place::flatUm)
                .average()
                .orElseThrow()).isCloseTo(off, within(0.02 * off));
    }

    /** Steps on a slope of a degrees stand h / sin a apart, and are seen one by one where it is gentle. */
    @ParameterizedTest
    @CsvSource({"45,0.283,LINES", "8,1.437,TERRACES"})
    void gentleSlopesAreTerraces(double degrees, double width, Place.Kind kind) {
        double a = Math.toRadians(degrees);
        assertThat(DepthMap.width(SHOP.profile("usual"), 0.2, Math.cos(a))).isCloseTo(width, within(0.001));
        var plate = Shapes.box(new Vec3(-50, -50, -0.02), new Vec3(50, 50, 0.02))
                .mapped(p -> new Vec3(p.x() * Math.cos(a) + p.z() * Math.sin(a), p.y(), p.z() * Math.cos(a) - p.x() * Math.sin(a)));
        var faces = map(plate, 0.2).byKind();
        assertThat(faces.get(kind)).as("but for its rim").isGreaterThan(0.99 * faces.values().stream().mapToDouble(v -> v).sum());
    }

    @Test
    void undersidesThatWereHeldAreScarred() {
        var box = Shapes.box(new Vec3(0, 0, 0), new Vec3(40, 40, 10));
        var table = Mesh.union(List.of(box, Shapes.box(new Vec3(-40, -40, 30), new Vec3(80, 80, 34))));
        var held = map(table, 0.2, 5000, Targets.NONE);
        assertThat(held.places()).filteredOn(p -> p.scarUm() > 0)
                .isNotEmpty()
                .allMatch(p -> p.normal().z() < -0.9 && p.at().z() > 29 && p.kind() == Place.Kind.SCARS);
        assertThat(map(table, 0.2, 0, Targets.NONE).places()).as("nothing held it").noneMatch(p -> p.scarUm() > 0);
    }

    /** Walls of 1.32 mm and 0.8 mm of top: upright 1.32, level 0.8, between the larger of both along the normal; a thin shell is solid. */
    @ParameterizedTest
    @CsvSource({"90,1.32", "0,0.8", "45,0.933", "60,1.143", "20,0.752"})
    void skinAlongTheNormal(double degrees, double mm) {
        var p = SHOP.profile("usual");
        assertThat(Skin.mm(p, Math.cos(Math.toRadians(degrees)), 20)).isCloseTo(mm, within(0.001));
    }

    @Test
    void aShellThinnerThanItsSkinsIsSolidAndABallsSkinIsThatOfItsSlope() {
        var p = SHOP.profile("usual");
        assertThat(Skin.mm(p, 0, 2.5)).isEqualTo(2.5);
        assertThat(Skin.mm(p, 0, 2.7)).isCloseTo(1.32, within(1e-9));
        for (var s : map(Shapes.sphere(60, 40), 0.2).places()) {
            double c = Math.abs(s.normal().z());
            assertThat(s.skinMm()).isCloseTo(Math.max(1.32 * Math.sqrt(1 - c * c), 0.8 * c), within(1e-6));
        }
        // a wedge of 3 degrees thins out: solid where it is thinner than both skins of its slopes
        double t = Math.tan(Math.toRadians(3));
        var wedge = Shapes.box(new Vec3(0, 0, -1), new Vec3(100, 40, 1)).mapped(q -> new Vec3(q.x(), q.y(), q.z() * (0.1 + t * q.x())));
        for (var s : map(wedge, 0.2).places()) {
            if (Math.abs(s.normal().z()) < 0.9 || s.at().x() > 95) continue;
            double thick = 2 * (0.1 + t * s.at().x());
            if (thick < 1.5) assertThat(s.skinMm()).isCloseTo(thick, within(0.03 * thick + 0.01));
            if (thick > 1.7) assertThat(s.skinMm()).isCloseTo(0.8, within(0.02));
        }
    }

    /** Along a seam, and so far beside it as a hand feels; what is to be filled there is the seam's, not the lines'. */
    @Test
    void seamsAreInTheMapWithTheirGap() {
        var box = map(Shapes.box(Vec3.ZERO, new Vec3(100, 60, 80)), 0.2);
        var line = List.of(new Vec3(50, 0, 0), new Vec3(50, 0, 80), new Vec3(50, 0, 80), new Vec3(50, 60, 80));
        var seamed = box.withSeams(List.of(new DepthMap.SeamLine(line, 700)));
        for (var p : seamed.places()) {
            boolean near = Math.abs(p.at().x() - 50) < 4 && (p.at().y() < 0.01 || p.at().z() > 79.99);
            if (Math.abs(Math.abs(p.at().x() - 50) - 4) < 0.1 || p.at().y() > 59.9) continue;
            assertThat(p.seamUm()).as(p.at().toString()).isEqualTo(near ? 700 : 0);
            if (near) assertThat(p.kind()).isEqualTo(Place.Kind.SEAMS);
        }
        assertThat(Areas.of(seamed, Targets.NONE).valleyMm3()).isEqualTo(Areas.of(box, Targets.NONE).valleyMm3());
        assertThat(box.withSeams(List.of()).places()).isEqualTo(box.places());
    }

    @Test
    void brushAndAreaSayWhatAPlaceBecomes() {
        var ball = Shapes.sphere(60, 40);
        var top = new Stroke(Target.LEAVE, 30, List.of(new Vec3(0, 0, 60)));
        var shine = new Stroke(Target.MIRROR, 15, List.of(new Vec3(0, 0, 60), new Vec3(60, 0, 0)));
        var targets = new Targets(List.of(top, shine), Map.of(), 1);
        var map = map(ball, 0.2, 0, targets);
        for (var p : map.places()) {
            double z = p.at().distance(new Vec3(0, 0, 60)), x = p.at().distance(new Vec3(60, 0, 0));
            var expected = z <= 15 || x <= 15 ? Target.MIRROR : z <= 30 ? Target.LEAVE : Target.SHOW;
            assertThat(p.target()).isEqualTo(expected);
        }
        var areas = Areas.of(map, targets);
        double cap = Math.PI * 30 * 30, shown = areas.totalMm2(), all = 4 * Math.PI * 3600;
        assertThat(shown).as("a cap of a ball: pi r2, less what shines").isCloseTo(all - cap + Math.PI * 15 * 15, within(0.03 * cap));
        assertThat(areas.list()).anyMatch(a -> a.target() == Target.MIRROR);
        // half as large a model, the same places
        var half = new Targets(List.of(top, shine), Map.of(), 0.5);
        assertThat(half.of(new Vec3(0, 0, 30), Target.SHOW)).isEqualTo(Target.MIRROR);
        var steps = map(ball, 0.2).places().stream().filter(p -> p.lines() == Areas.Lines.STEPS).findFirst().orElseThrow();
        var byArea = new Targets(List.of(), Map.of(Targets.key(steps.shape(), Areas.Lines.STEPS), Target.TEXTURE), 1);
        assertThat(byArea.ofArea(steps)).isEqualTo(Target.TEXTURE);
        assertThat(Areas.of(map(ball, 0.2), byArea).list()).anyMatch(a -> a.target() == Target.TEXTURE)
                .noneMatch(a -> a.target() == Target.SHOW && a.lines() == Areas.Lines.STEPS);
    }

    @Test
    void areasHaveNamesAPersonUnderstandsAndNoTwoTheSame() {
        var areas = Areas.of(map(Shapes.box(Vec3.ZERO, new Vec3(100, 60, 80)), 0.2), Targets.NONE).list();
        assertThat(areas).extracting(Areas.Area::words).doesNotHaveDuplicates().allMatch(w -> !w.isBlank());
        assertThat(areas.stream().mapToDouble(Areas.Area::mm2).sum()).isLessThanOrEqualTo(2 * (6000 + 8000 + 4800) * 1.001);
    }

    /** Every place that is worked belongs to an area with lines as deep as its own; slivers of area are merged away. */
    @ParameterizedTest
    @ValueSource(ints = {12, 40})
    void everyPlaceHasItsArea(int segments) {
        for (var m : List.of(Shapes.sphere(60, segments), Shapes.cappedShell(100, 4, 60, segments, segments / 2),
                Shapes.torus(60, 14, segments, segments), Shapes.bumpySphere(50, 4000))) {
            var map = map(m, 0.2);
            var areas = Areas.of(map, Targets.NONE);
            double all = areas.totalMm2();
            assertThat(all).isCloseTo(map.worked().stream().mapToDouble(Place::mm2).sum(), within(1e-6 * all));
            assertThat(areas.list()).hasSizeLessThanOrEqualTo(12);
            for (var p : map.worked()) {
                var a = areas.of(p, Targets.NONE).orElseThrow();
                assertThat(a.lines().ordinal()).isGreaterThanOrEqualTo(p.lines().ordinal());
            }
            for (var a : areas.list()) if (a.mm2() < 0.04 * all)
                assertThat(areas.list()).as("nothing to merge it with").noneMatch(o -> o != a && o.lines() == a.lines());
        }
    }

    /** Two boards close together: between them no hand reaches once they are joined. */
    @Test
    void whereNoHandReachesOnceItIsJoined() {
        var boards = Mesh
                .union(List.of(Shapes.box(Vec3.ZERO, new Vec3(100, 4, 100)), Shapes.box(new Vec3(0, 24, 0), new Vec3(100, 28, 100))));
        var map = map(boards, 0.2);
        assertThat(map.places()).filteredOn(p -> p.at().y() > 3 && p.at().y() < 25 && Math.abs(p.normal().y()) > 0.9)
                .allMatch(Place::closed);
        assertThat(map.places()).filteredOn(p -> p.at().y() < 1 && p.normal().y() < -0.9).noneMatch(Place::closed);
    }
}
