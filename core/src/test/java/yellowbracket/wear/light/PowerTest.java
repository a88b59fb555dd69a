package yellowbracket.wear.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.wear.body.Pocket;

class PowerTest {
    private static Load load(Load.Kind kind, int count) {
        return new Load("eyes", kind, Optional.empty(), List.of(), 0, count);
    }

    private static Pocket pocket(double x, double y, double z, double reach) {
        return new Pocket(new Bounds3(Vec3.ZERO, new Vec3(x, y, z)), reach);
    }

    @Test
    void currentGoesByPointsAndHoursByCapacity() {
        var run = new Power.Run(load(Load.Kind.WARM_STRIP, 2), 400, Double.POSITIVE_INFINITY);
        // 30 points a metre: 12 on 400 mm, 15 mA each, two strips
        assertThat(run.milliamp()).isEqualTo(360);
        var p = Power.of(List.of(run), 4, List.of(pocket(100, 60, 30, 40)));
        assertThat(p.cells()).contains(Power.Cells.TWO_AA);
        assertThat(p.hours()).isCloseTo(2200.0 / 360 * 0.8, within(1e-9));
    }

    @Test
    void withoutAPocketItGoesOnTheBelt() {
        var run = new Power.Run(load(Load.Kind.LIGHT, 2), 0, Double.POSITIVE_INFINITY);
        assertThat(Power.of(List.of(run), 4, List.of(pocket(30, 20, 10, 40))).findings()).anyMatch(f -> f.words().contains("belt"));
        // large enough, but no fingers come to it
        assertThat(Power.of(List.of(run), 4, List.of(pocket(100, 60, 30, 10))).pocket()).isEmpty();
    }

    @Test
    void whatNoPackLastsForIsTold() {
        var run = new Power.Run(load(Load.Kind.FAN, 20), 0, Double.POSITIVE_INFINITY);
        var p = Power.of(List.of(run), 8, List.of());
        assertThat(p.cells()).isEmpty();
        assertThat(p.findings()).anyMatch(f -> f.words().contains("spare cells"));
    }

    @Test
    void lightsOnTheFansVoltageNeedAResistorAndTightBendsAWire() {
        var runs = List.of(new Power.Run(new Load("glow", Load.Kind.STRIP, Optional.empty(), List.of(), 200, 1), 200, 6),
                new Power.Run(new Load("air", Load.Kind.FAN, Optional.empty(), List.of(), 0, 1), 0, Double.POSITIVE_INFINITY));
        var p = Power.of(runs, 1, List.of(pocket(120, 80, 40, 50)));
        assertThat(p.findings()).anyMatch(f -> f.words().contains("resistor"))
                .anyMatch(f -> f.words().contains("bridge it with wire"))
                .anyMatch(f -> f.words().contains("coin cells"));
        assertThat(Power.wireMm(List.of(new Way(List.of(Vec3.ZERO, new Vec3(100, 0, 0)))))).isCloseTo(250, within(1e-9));
    }

    @Test
    void aRodIsBentWarmOverAFormer() {
        var rod = new Load("blade", Load.Kind.ROD, Optional.empty(), List.of(), 300, 1);
        var p = Power.of(List.of(new Power.Run(rod, 300, 18)), 2, List.of(pocket(120, 80, 40, 50)));
        assertThat(p.findings()).anyMatch(f -> f.words().contains("bends to 18 mm") && f.words().contains("takes 24: over a former"));
        assertThat(Power.of(List.of(new Power.Run(rod, 300, 30)), 2, List.of()).findings()).noneMatch(f -> f.words().contains("former"));
        assertThat(rod.grams(500)).isCloseTo(Math.PI * 16 * 500 * 1.19e-3, within(0.5));
        assertThat(load(Load.Kind.LIGHT, 3).grams(0)).isEqualTo(9);
    }

    @Test
    void aWayTellsItsLengthAndItsTightestBend() {
        var quarter = new java.util.ArrayList<Vec3>();
        for (int i = 0; i <= 40; i++) quarter.add(new Vec3(20 * Math.cos(Math.PI * i / 80), 20 * Math.sin(Math.PI * i / 80), 0));

        assertThat(new Way(quarter).lengthMm()).isCloseTo(10 * Math.PI, within(0.01));
        assertThat(new Way(quarter).tightestMm()).isCloseTo(20, within(0.1));
        assertThat(new Way(List.of(Vec3.ZERO, new Vec3(50, 0, 0), new Vec3(90, 0, 0))).tightestMm()).isInfinite();
        assertThat(new Way(List.of(Vec3.X)).lengthMm()).isZero();
    }

    @Test
    void nothingLitNeedsNothing() {
        assertThat(Power.of(List.of(), 6, List.of()).findings()).isEmpty();
        assertThat(Power.of(List.of(), 6, List.of()).cells()).isEmpty();
    }

    @Test
    void aHoleInAThinWallIsTold() {
        var m = Shapes.box(new Vec3(-50, -1, -50), new Vec3(50, 0, 50));
        var shell = new ScaledShell(m, Bvh.of(m), 2);
        var thin = new Bought("buckle", Bought.Kind.BUCKLE, Vec3.ZERO, List.of(), 4, 12).seat(new ScaledShell(m, Bvh.of(m), 1), Vec3.Y, 0);
        var thick = new Bought("buckle", Bought.Kind.BUCKLE, Vec3.ZERO, List.of(), 4, 12).seat(shell, Vec3.Y, 0);

        assertThat(thin.wallMm()).isCloseTo(1, within(0.05));
        assertThat(thin.finding().orElseThrow().words()).contains("plate of sheet");
        assertThat(thick.wallMm()).isCloseTo(2, within(0.05));
        assertThat(thick.finding()).isEmpty();
    }
}
