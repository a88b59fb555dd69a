package yellowbracket.colour.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yellowbracket.colour.zone.Finer;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Sheen;

class WeatherTest {
    /** A tower on a plate with a stud on its side, fine all over. */
    private static final Mesh SHAPE = Finer.atEdges(Painted.all(
            Mesh.union(List.of(Shapes.box(new Vec3(-80, -80, -4), new Vec3(80, 80, 0)),
                    Shapes.box(new Vec3(-20, -20, 0.01), new Vec3(20, 20, 60)), Shapes.box(new Vec3(20.01, -6, 40), new Vec3(30, 6, 52)))),
            0), 25, 300, 4).mesh();
    private static final Vec3 SMOKE = new Vec3(20, 0, 20);
    private static final WearFields CLEAN = WearFields.of(SHAPE, Bvh.of(SHAPE)), FIELDS = CLEAN.sooted(List.of(SMOKE), Bvh.of(SHAPE));

    private static double mean(java.util.function.Predicate<Vec3> where, Vec3 normal, java.util.function.IntToDoubleFunction value) {
        return IntStream.range(0, SHAPE.triangleCount())
                .filter(f -> where.test(SHAPE.centroid(f)) && SHAPE.areaVector(f).unit().dot(normal) > 0.9)
                .mapToDouble(value)
                .average()
                .orElseThrow();
    }

    @Test
    void edgesThatStandOutWearAndFlatsAndFootDoNot() {
        double rim = mean(p -> p.z() > 59 && Math.abs(p.x()) > 18, Vec3.Z, FIELDS::wear);
        double middle = mean(p -> p.z() > 59 && Math.hypot(p.x(), p.y()) < 9, Vec3.Z, FIELDS::wear);
        double foot = mean(p -> p.z() > 0.2 && p.z() < 4 && Math.abs(p.x() - 20) < 0.005 && Math.abs(p.y()) < 12, Vec3.X, FIELDS::wear);
        assertThat(rim).isGreaterThan(0.5);
        assertThat(middle).isLessThan(0.1);
        assertThat(foot).isLessThan(0.8 * rim);
    }

    @Test
    void grimeStaysInTheCornerAndDustLiesOnTop() {
        double corner = mean(p -> Math.abs(p.z()) < 0.1 && p.x() > 20 && p.x() < 25 && Math.abs(p.y()) < 15, Vec3.Z, FIELDS::grime);
        double open = mean(p -> Math.abs(p.z()) < 0.1 && Math.abs(p.x()) > 72, Vec3.Z, FIELDS::grime);
        assertThat(corner).isGreaterThan(open + 0.2);
        assertThat(mean(p -> p.z() > 59, Vec3.Z, FIELDS::dust)).isGreaterThan(0.9);
        assertThat(mean(p -> true, Vec3.X, FIELDS::dust)).isZero();
        assertThat(mean(p -> true, Vec3.Z.times(-1), FIELDS::dust)).isZero();
    }

    @Test
    void sootRisesFromWhereSmokeComesOut() {
        double at = mean(p -> p.x() > 19.9 && p.x() < 20.1 && p.distance(SMOKE) < 6, Vec3.X, FIELDS::soot);
        double above = mean(p -> p.x() > 19.9 && p.x() < 20.1 && Math.abs(p.y()) < 6 && Math.abs(p.z() - 38) < 4, Vec3.X, FIELDS::soot);
        double below = mean(p -> p.x() > 19.9 && p.x() < 20.1 && Math.abs(p.y()) < 6 && Math.abs(p.z() - 4) < 4, Vec3.X, FIELDS::soot);
        assertThat(at).isGreaterThan(0.85);
        assertThat(above).isGreaterThan(below);
        assertThat(mean(p -> p.x() < -19.9 && p.z() > 1, Vec3.X.times(-1), FIELDS::soot)).as("its other side").isZero();
        assertThat(mean(p -> p.x() > 19.9 && p.x() < 20.1, Vec3.X, CLEAN::soot)).isZero();
        assertThat(WeatherPlan.of(WeatherWish.NEW.with(Effect.SOOT, 0.5), Map.of(Effect.SOOT, 1.0), Optional.of(Sheen.MATT), List.of())
                .findings()).anySatisfy(f -> assertThat(f.words()).contains("click on the model where smoke comes out"));
    }

    @Test
    void finerAtEdgesKeepsTheSurface() {
        var p = Painted.of(Shapes.box(Vec3.ZERO, new Vec3(50, 50, 50)), f -> f % 3);
        var fine = Finer.atEdges(p, 25, 6, 3);
        assertThat(fine.count()).isGreaterThan(200);
        for (int z = 0; z < 3; z++) assertThat(fine.areaMm2(z)).isCloseTo(p.areaMm2(z), org.assertj.core.api.Assertions.within(1e-6));
    }

    @ParameterizedTest
    @EnumSource
    void moreStrengthTakesMore(Effect e) {
        double before = 0;
        for (double s : new double[] {0, 0.25, 0.5, 0.75, 1}) {
            double now = Weathered.dm2(FIELDS, SHAPE, e, s, f -> true);
            assertThat(now).isGreaterThanOrEqualTo(before);
            before = now;
        }
        assertThat(before).as("reaches some of it").isPositive().isLessThanOrEqualTo(SHAPE.areaMm2() / 1e4 + 1e-9);
    }

    @Test
    void asNewIsThePaintItself() {
        assertThat(Weathered.colours(FIELDS, WeatherWish.NEW, f -> 0x1f5156, Effect.DUST)).containsOnly(0x1f5156);
        var washed = Weathered.colours(FIELDS, WeatherWish.NEW.with(Effect.WASH, 1), f -> 0x1f5156, Effect.DUST);
        assertThat(IntStream.of(washed).map(c -> c >> 8 & 255).min().orElseThrow()).isLessThan(0x51);
        assertThat(Weathered.colours(FIELDS, WeatherWish.NEW.with(Effect.DUST, 1), f -> 0x1f5156, Effect.WASH)).as("not shown yet")
                .containsOnly(0x1f5156);
    }

    private static WeatherPlan plan(WeatherWish wish, Sheen seal, String... mirror) {
        var dm2 = new EnumMap<Effect, Double>(Effect.class);
        for (var e : Effect.values()) dm2.put(e, 2.0);
        return WeatherPlan.of(wish, dm2, Optional.ofNullable(seal), List.of(mirror));
    }

    @Test
    void stepsStandWhereTheyCanWork() {
        var all = WeatherWish.NEW;
        for (var e : Effect.values()) all = all.with(e, 0.5);
        var p = plan(all, Sheen.MATT);
        assertThat(p.steps()).hasSize(8).isSortedAccordingTo(java.util.Comparator.comparing(WeatherPlan.Step::when));
        assertThat(p.steps().getFirst().effect()).isEqualTo(Effect.CHIPS);
        assertThat(p.steps().getFirst().when()).isEqualTo(WeatherPlan.When.UNDER_COLOUR);
        assertThat(p.steps().getFirst().what()).as("metal first, then what is rubbed off").contains("bare metal");
        assertThat(p.steps().get(1).what()).contains("masking liquid");
        assertThat(plan(all.chippedBy(Chipping.DRY_BRUSH), Sheen.MATT).steps().getFirst().when()).isEqualTo(WeatherPlan.When.UNDER_SEAL);
        assertThat(plan(all, Sheen.GLOSS).steps().getLast()).satisfies(s -> {
            assertThat(s.effect()).isEqualTo(Effect.DUST);
            assertThat(s.when()).isEqualTo(WeatherPlan.When.LAST);
        });
    }

    @Test
    void ordersThatCannotWorkAreTold() {
        assertThat(plan(WeatherWish.NEW.with(Effect.DUST, 0.4), Sheen.GLOSS).findings()).anyMatch(f -> f.words().contains("vanishes"));
        assertThat(plan(WeatherWish.NEW.with(Effect.WASH, 0.4), Sheen.MATT).findings())
                .anyMatch(f -> f.words().contains("gloss clear before"));
        assertThat(plan(WeatherWish.NEW.with(Effect.WASH, 0.4), null).findings()).anyMatch(f -> f.words().contains("nothing seals"));
        assertThat(plan(WeatherWish.NEW.with(Effect.WASH, 0.4), Sheen.MATT, "visor").findings()).anyMatch(f -> f.words().contains("visor"));
        assertThat(plan(WeatherWish.NEW, Sheen.MATT).findings()).isEmpty();
        assertThatThrownBy(() -> WeatherWish.NEW.with(Effect.DUST, 1.5)).hasMessageContaining("dust");
        assertThat(new WeatherWish(Map.of(Effect.DUST, 0.0), Chipping.HAIRSPRAY, List.of()).none()).isTrue();
    }
}
