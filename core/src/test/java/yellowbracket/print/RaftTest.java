package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import yellowbracket.finding.Fix;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Profile;
import yellowbracket.work.Known;

class RaftTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Profile RAFTED = SHOP.profile("usual").withRaftLayers(3);

    private static SectionPrint print(Mesh m, Profile profile) {
        var way = Orientation.of(m, SurfaceSamples.of(m, Bvh.of(m), 800), profile, Turn.NONE);
        var printer = SHOP.printers().getFirst();
        return new SectionPrint(Known.p("A"), way, profile, printer, Estimate.of(m, way, profile, SHOP.material("PLA"), printer), true);
    }

    private static boolean[] all(Mesh m, boolean seen) {
        var out = new boolean[m.triangleCount()];
        Arrays.fill(out, seen);
        return out;
    }

    @Test
    void itReachesOutAroundTheFootAndScarsIt() {
        var m = Shapes.box(Vec3.ZERO, new Vec3(80, 50, 30));
        var r = Raft.of(m, print(m, RAFTED), all(m, true)).orElseThrow();
        assertThat(r.wideMm()).isCloseTo(86, within(1.0));
        assertThat(r.deepMm()).isCloseTo(56, within(1.0));
        assertThat(r.scarMm2()).isCloseTo(4000, within(80.0));
        assertThat(r.seenMm2()).isEqualTo(r.scarMm2());
        assertThat(Raft.of(m, print(m, RAFTED), all(m, false)).orElseThrow().seenMm2()).isZero();
        assertThat(Raft.of(m, print(m, SHOP.profile("usual")), all(m, true))).as("none without a raft").isEmpty();
    }

    @Test
    void supportStandsOnItToo() {
        var table = Mesh.union(java.util.List.of(Shapes.box(new Vec3(-5, -5, 0), new Vec3(5, 5, 30)),
                Shapes.box(new Vec3(-40, -20, 30), new Vec3(40, 20, 36))));
        var r = Raft.of(table, print(table, RAFTED), all(table, false)).orElseThrow();
        assertThat(r.wideMm()).isCloseTo(86, within(2.0));
        assertThat(r.scarMm2()).isCloseTo(100, within(15.0));
    }

    @Test
    void whatDoesNotFitOrIsSeenIsToldAndABrimTakesItsPlace() {
        double bed = SHOP.printers().getFirst().bedX();
        var m = Shapes.box(Vec3.ZERO, new Vec3(bed - 4, 60, 30));
        var checks = PrintChecks.of(m, print(m, RAFTED), all(m, true), 1);
        assertThat(checks.findings()).anyMatch(f -> f.words().contains("its raft of")).anyMatch(f -> f.words().contains("rough underside"));
        var fix = (Fix.Change<?>) checks.findings()
                .stream()
                .filter(f -> f.words().contains("its raft"))
                .findFirst()
                .orElseThrow()
                .fix()
                .orElseThrow();
        @SuppressWarnings("unchecked")
        var wish = ((Fix.Change<PrintWish>) fix).change().apply(PrintWish.of(RAFTED));
        var mended = wish.section("A").profile().orElseThrow();
        assertThat(mended.raftLayers()).isZero();
        assertThat(mended.brimMm()).isEqualTo(PrintRules.BRIM_MM);
    }
}
