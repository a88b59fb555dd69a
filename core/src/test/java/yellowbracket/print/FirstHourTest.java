package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.work.Known;

class FirstHourTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static FirstHour of(Mesh m, Profile profile) {
        Printer printer = SHOP.printers().getFirst();
        var way = Orientation.of(m, SurfaceSamples.of(m, Bvh.of(m), 800), profile, Turn.NONE);
        var material = SHOP.material(profile.material());
        return FirstHour.of(m, new SectionPrint(Known.p("A"), way, profile, printer, Estimate.of(m, way, profile, material, printer), true),
                material);
    }

    @Test
    void aTallThinPrintIsPushedAndOneWithAnOverhangWatchedThere() {
        var tower = of(Shapes.box(Vec3.ZERO, new Vec3(12, 12, 150)), SHOP.profile("usual"));
        assertThat(tower.looks().getFirst().when()).isEqualTo("at once");
        assertThat(tower.looks()).anyMatch(l -> l.what().contains("push it gently: it stands on 1.4 cm"));
        var table = Mesh.union(java.util.List.of(Shapes.box(new Vec3(-20, -20, 0), new Vec3(20, 20, 9)),
                Shapes.box(new Vec3(-35, -20, 9), new Vec3(35, 20, 30))));
        assertThat(of(table, SHOP.profile("usual")).looks()).anyMatch(l -> l.what().contains("at 9 mm the first overhang"));
        assertThat(of(Shapes.box(Vec3.ZERO, new Vec3(60, 60, 30)), SHOP.profile("usual")).looks())
                .noneMatch(l -> l.what().contains("push") || l.what().contains("overhang"));
    }

    @Test
    void theHeightAfterAnHourFollowsFromTheHours() {
        var m = Shapes.box(Vec3.ZERO, new Vec3(100, 100, 100));
        var f = of(m, SHOP.profile("usual"));
        var way = Orientation.of(m, SurfaceSamples.of(m, Bvh.of(m), 800), SHOP.profile("usual"), Turn.NONE);
        double hours = Estimate.of(m, way, SHOP.profile("usual"), SHOP.material("PLA"), SHOP.printers().getFirst()).hours();
        assertThat(f.reachedMm()).as("a block grows evenly").isCloseTo(100 / hours, within(1.0));
    }

    @Test
    void resinIsLiftedAndWarpingMaterialsHaveTheirCornersLookedAt() {
        assertThat(of(Shapes.sphere(15, 32), SHOP.profile("resin, fine")).looks())
                .anyMatch(l -> l.what().contains("nothing is left on the film"));
        assertThat(of(Shapes.box(Vec3.ZERO, new Vec3(60, 60, 30)), SHOP.profile("usual").withMaterial("ABS")).looks())
                .anyMatch(l -> l.what().contains("ABS pulls"));
    }
}
