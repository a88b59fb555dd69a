package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import yellowbracket.colour.order.Aim;
import yellowbracket.colour.line.LinePlan;
import yellowbracket.colour.line.SurfaceLine;
import yellowbracket.colour.line.LineWish;
import yellowbracket.colour.line.LineTool;
import yellowbracket.colour.weather.Effect;
import yellowbracket.colour.weather.WeatherPlan;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.colour.zone.BorderLines;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Side;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Sheen;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.Task;

class ColourPlanTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Undercoats.Shade GREY = new Undercoats.Shade("grey primer", "#8d9092", true);
    private static final String LACQUER = "acrylic lacquer spray";

    /** A ball of 20 cm in bands, zone 0 at the bottom. */
    private static Painted bands(double... heights) {
        var p = Painted.all(Shapes.sphere(100, 96), 0);
        for (int i = 0; i < heights.length; i++) p = Side.of(p, Vec3.Z, heights[i], i + 1, Side.Only.zone(i));
        return p;
    }

    private static ColourSurface surface(Painted p) {
        var areas = new TreeMap<Integer, ColourSurface.Area>();
        for (int f = 0; f < p.count(); f++)
            areas.merge(p.zone(f), new ColourSurface.Area(p.mesh().area(f), 1), (a, b) -> new ColourSurface.Area(a.mm2() + b.mm2(), 1));
        return new ColourSurface(areas, BorderLines.of(p), Overspray.all(p));
    }

    private static ColourPlan plan(Painted p, ColourWish wish) {
        return ColourPlanner.plan(surface(p), wish, GREY, PaintShelf.EMPTY, SHOP);
    }

    private static ColourZone zone(int id, String name, String hex, String paint) {
        return ColourZone.of(id, name, hex, paint).withHow(ColourZone.How.SPRAY);
    }

    @Test
    void theSecondZoneMasksTheFirstAlongTheirBorder() {
        var plan = plan(bands(20), ColourWish.of(List.of(zone(0, "dark", "#1b1c1e", LACQUER), zone(1, "light", "#e8e0c8", LACQUER)), ""));
        assertThat(plan.order()).containsExactly(1, 0);
        var last = plan.coats().getLast();
        double circle = 2 * Math.PI * Math.sqrt(100 * 100 - 20 * 20) / 1000;
        assertThat(last.zone()).isEqualTo("dark");
        assertThat(last.tapeM()).isCloseTo(circle, within(0.01 * circle));
        assertThat(last.filmDm2()).isBetween(1.0, plan.areas().getLast().dm2());
        assertThat(plan.coats().stream().filter(c -> c.zone().equals("light")).findFirst().orElseThrow().masks()).isEmpty();
        assertThat(plan.areas().stream().mapToDouble(ColourPlan.Area::dm2).sum()).isCloseTo(4 * Math.PI, within(0.01 * 4 * Math.PI));
    }

    @Test
    void theMakersOwnOrderIsPricedAndTheBestTold() {
        var wish = ColourWish
                .of(List.of(zone(0, "a", "#1b1c1e", LACQUER), zone(1, "b", "#b3202a", LACQUER), zone(2, "c", "#e8e0c8", LACQUER)), "");
        var best = plan(bands(-40, 40), wish);
        var own = plan(bands(-40, 40), wish.withOrder(List.of(0, 2, 1)));
        assertThat(own.own()).isTrue();
        assertThat(own.order()).containsExactly(0, 2, 1);
        assertThat(own.chosen().minutes()).isGreaterThanOrEqualTo(best.chosen().minutes());
        assertThat(best.orders()).containsOnlyKeys(Aim.values());
    }

    @Test
    void aSmallZoneIsBrushedWhereTapeCostsMore() {
        var p = Painted.all(Shapes.sphere(100, 96), 0);
        var brush = new yellowbracket.colour.zone.Brush(p, 6);
        var near = Bvh.of(p.mesh()).closest(new Vec3(0, 0, 100));
        brush.add(near.triangle(), near.point());
        var plan = plan(brush.onto(1),
                ColourWish.of(List.of(zone(0, "ground", "#1f5156", LACQUER), ColourZone.of(1, "dot", "#b3202a", LACQUER)), ""));
        assertThat(plan.coats().getLast().zone()).isEqualTo("dot");
        assertThat(plan.coats().getLast().sprayed()).isFalse();
        assertThat(plan.tapeM()).isZero();
    }

    @Test
    void enamelUnderClearIsToldAndWaitedFor() {
        var plan = plan(bands(0),
                ColourWish.of(List.of(zone(0, "a", "#1f5156", "enamel spray"), zone(1, "b", "#d9cfb6", LACQUER)), "matt clear"));
        var work = new ColourWork("p", plan, List.of(), LinePlan.NONE, new WeatherPlan(List.of(), List.of()), SHOP).after(Ready.AT_ONCE);
        int enamel = plan.coats().stream().map(ColourPlan.Coats::product).toList().indexOf("enamel spray");
        double wait = 0;
        for (int i = enamel; i + 1 < work.tasks().size(); i++)
            wait += work.tasks().get(i).lag().leastH() + (i > enamel ? work.tasks().get(i).activeH() : 0);
        assertThat(wait).isGreaterThanOrEqualTo(SHOP.coating("enamel spray").fullH() - 1e-6);
    }

    /** Whatever goes over an enamel next, however late, may not go on while it is shut; masking comes out of the hour it is open. */
    @Test
    void whatGoesOverAnEnamelKnowsWhenItIsShut() {
        var plan = plan(bands(0),
                ColourWish.of(List.of(zone(0, "a", "#1f5156", "enamel spray"), zone(1, "b", "#d9cfb6", LACQUER)), "matt clear"));
        var tasks = new ColourWork("p", plan, List.of(), LinePlan.NONE, new WeatherPlan(List.of(), List.of()), SHOP).after(Ready.AT_ONCE)
                .tasks();
        var enamel = SHOP.coating("enamel spray");
        int coated = plan.coats().stream().map(ColourPlan.Coats::product).toList().indexOf("enamel spray");
        int over = 0;
        for (int i = coated + 1; i < plan.coats().size(); i++) {
            boolean on = plan.coats().get(i).zones().stream().anyMatch(plan.coats().get(coated).zones()::contains);
            var closed = tasks.get(i).closed().stream().filter(c -> c.after().equals(tasks.get(coated).id())).findFirst();
            if (!on) assertThat(closed).isEmpty();
            if (!on || over++ > 0) continue;
            double masksH = plan.coats().get(i).masks().stream().mapToDouble(ColourPlan.Masked::minutes).sum() / 60;
            assertThat(closed.orElseThrow().fromH()).isCloseTo(Math.max(0, enamel.recoatToH() - masksH), within(1e-9));
            assertThat(closed.orElseThrow().againH()).isEqualTo(enamel.recoatAgainH());
        }
        assertThat(over).as("the clear goes over all").isPositive();
        assertThat(tasks.getFirst().closed()).as("nothing lies beneath").isEmpty();
    }

    /** What is shown as waiting is what the tasks wait; tape and film wait until what they touch is dry. */
    @Test
    void theTasksWaitAsThePlanSays() {
        var plan = plan(bands(-40, 40),
                ColourWish.of(List.of(zone(0, "a", "#1b1c1e", LACQUER), zone(1, "b", "#b3202a", LACQUER), zone(2, "c", "#e8e0c8", LACQUER)),
                        "matt clear"));
        var tasks = new ColourWork("p", plan, List.of(), LinePlan.NONE, new WeatherPlan(List.of(), List.of()), SHOP).after(Ready.AT_ONCE)
                .tasks();
        double waits = tasks.stream().mapToDouble(t -> t.lag().leastH() + t.effort().fixedH() - t.effort().setupH()).sum();
        assertThat(plan.waitH()).isCloseTo(waits, within(1e-9));
        for (int then = 1; then < plan.coats().size(); then++) for (int i = 0; i < then; i++) {
            var first = plan.coats().get(i);
            if (plan.coats().get(then).masks().stream().noneMatch(m -> first.zones().contains(m.zone()))) continue;
            double dry = tasks.get(i).lag().leastH();
            for (int k = i + 1; k < then; k++) dry += tasks.get(k).activeH() + tasks.get(k).lag().leastH();
            assertThat(dry).isGreaterThanOrEqualTo(first.tapeH() - 1e-9);
        }
    }

    @Test
    void nothingIsWeatheredBeforeThePaintIsDry() {
        var worn = WeatherWish.NEW.with(Effect.WASH, 0.5);
        var wish = ColourWish.of(List.of(zone(0, "a", "#1f5156", LACQUER), zone(1, "b", "#d9cfb6", LACQUER)), "matt clear");
        var plan = plan(bands(0), wish.withWeather(worn));
        var weather = WeatherPlan.of(worn, Map.of(Effect.WASH, 4.0), Optional.of(Sheen.MATT), List.of());
        var tasks = new ColourWork("p", plan, List.of(), LinePlan.NONE, weather, SHOP).after(Ready.AT_ONCE).tasks();
        int wash = tasks.stream().map(t -> t.name().startsWith("wash")).toList().indexOf(true);
        assertThat(tasks.get(wash + 1).product()).isEqualTo("matt clear");
        assertThat(tasks.get(wash - 1).lag().leastH()).isGreaterThanOrEqualTo(SHOP.coating(LACQUER).tapeH());
        assertThat(tasks.get(wash).lag().leastH()).as("oil dries slowly").isGreaterThanOrEqualTo(48);
    }

    @Test
    void mirrorMetalStandsOnGlossBlackAndIsMaskedFromTheClear() {
        var plan = plan(bands(0),
                ColourWish.of(List.of(zone(0, "chrome", "#c8ccd0", "mirror metal spray"), zone(1, "b", "#d9cfb6", LACQUER)), "matt clear"));
        assertThat(plan.undercoats().of(0).shade()).isEqualTo(Undercoats.GLOSS_BLACK);
        assertThat(plan.coats().getLast().masks()).singleElement().satisfies(m -> assertThat(m.name()).isEqualTo("chrome"));
        assertThat(plan.findings()).anyMatch(f -> f.words().contains("dulls mirror metal"));
    }

    @Test
    void coatsAreToldWithTheirRangeAndAreNotTheSameForAll() {
        var plan = plan(bands(0), ColourWish.of(List.of(zone(0, "yellow", "#f2c200", LACQUER), zone(1, "black", "#101010", LACQUER)), ""));
        var yellow = plan.coats().stream().filter(c -> c.zone().equals("yellow")).findFirst().orElseThrow();
        var black = plan.coats().stream().filter(c -> c.zone().equals("black")).findFirst().orElseThrow();
        assertThat(yellow.count()).isGreaterThan(black.count());
        assertThat(yellow.likely().least()).isLessThan(yellow.likely().most());
        assertThat(yellow.count()).isBetween(yellow.likely().least(), yellow.likely().most());
        assertThat(yellow.cans()).isCloseTo(yellow.count() * yellow.dm2() / 100 / SHOP.coating(LACQUER).m2PerContainer(), within(1e-9));
    }

    @Test
    void noZonesAndAnEmptyOneAreSaid() {
        assertThat(plan(bands(), ColourWish.of(List.of(), "")).findings()).singleElement().asString().contains("no colour zones");
        var plan = plan(bands(), ColourWish.of(List.of(zone(0, "a", "#1f5156", LACQUER), zone(5, "lost", "#d9cfb6", LACQUER)), ""));
        assertThat(plan.findings()).anyMatch(f -> f.words().contains("lost has no surface"));
        assertThat(plan.areas()).hasSize(1);
    }

    /** A wall with a slot: what lies behind it gets spray through the slot only. */
    @Test
    void sprayGoesThroughASlotAndNoFurther() {
        var wall = Mesh.union(List.of(Shapes.box(new Vec3(-150, 0, -100), new Vec3(-5, 3, 100)),
                Shapes.box(new Vec3(5, 0, -100), new Vec3(150, 3, 100))));
        var behind = Shapes.box(new Vec3(-150, 60, -100), new Vec3(150, 63, 100));
        var all = Mesh.union(List.of(wall, behind));
        var p = Painted.of(all, f -> all.centroid(f).y() > 50 ? 1 : all.areaVector(f).unit().y() < -0.9 ? 0 : 2);
        var fine = Overspray.of(split(p), Bvh.of(split(p).mesh()), 0);
        // guns as near as the middle of the slot, cone of 20 degrees: 220 mm off, 60 behind, a strip of some cm
        assertThat(fine.mm2(1)).isGreaterThan(0).isLessThan(0.35 * 300 * 200);
        var closed = Mesh.union(List.of(Shapes.box(new Vec3(-150, 0, -100), new Vec3(150, 3, 100)), behind));
        var q = split(Painted.of(closed, f -> closed.centroid(f).y() > 50 ? 1 : closed.areaVector(f).unit().y() < -0.9 ? 0 : 2));
        assertThat(Overspray.of(q, Bvh.of(q.mesh()), 0).mm2(1)).isZero();
    }

    /** A box with a window: its back is met through the window, its inner front is not. */
    @Test
    void sprayThroughAWindowMeetsTheBackOfTheBox() {
        var parts = List.of(Shapes.box(new Vec3(-100, 0, -100), new Vec3(100, 3, -30)),
                Shapes.box(new Vec3(-100, 0, 30), new Vec3(100, 3, 100)), Shapes.box(new Vec3(-100, 0, -30), new Vec3(-30, 3, 30)),
                Shapes.box(new Vec3(30, 0, -30), new Vec3(100, 3, 30)), Shapes.box(new Vec3(-100, 120, -100), new Vec3(100, 123, 100)));
        var all = Mesh.union(parts);
        var p = split(Painted.of(all, f -> {
            var n = all.areaVector(f).unit();
            double y = all.centroid(f).y();
            return y < 1 && n.y() < -0.9 ? 0 : y > 2 && y < 4 && n.y() > 0.9 ? 1 : y > 119 && y < 121 ? 2 : 3;
        }));
        var over = Overspray.of(p, Bvh.of(p.mesh()), 0);
        assertThat(over.mm2(1)).as("inner front").isZero();
        assertThat(over.mm2(2)).as("back").isBetween(0.05 * 4e4, 0.7 * 4e4);
    }

    /** Fine enough for cells. */
    private static Painted split(Painted p) {
        var q = p;
        for (double x = -145; x < 150; x += 10) q = cut(q, Vec3.X, x);
        for (double z = -95; z < 100; z += 10) q = cut(q, Vec3.Z, z);
        var m = q.mesh();
        var whole = Painted.of(m, q::zone);
        return whole;
    }

    private static Painted cut(Painted p, Vec3 n, double at) {
        var q = Side.parted(p, n, at);
        return Painted.of(q.mesh(), q::zone);
    }

    @Test
    void tapeByHowTheBorderTurns() {
        var b = BorderLines.of(bands(0)).getFirst();
        assertThat(Tape.along(b)).isEqualTo(Tape.PLAIN);
        assertThat(Tape.along(BorderLines.of(bands(98)).getFirst())).isEqualTo(Tape.FLEXIBLE);
        assertThat(Tape.metres(surface(bands(0)), 0, List.of(1))).containsOnlyKeys(Tape.PLAIN);
    }

    /** The first runs over the line into the second; the second is masked against, its tape sealed with the first's colour. */
    @Test
    void theFirstRunsOverTheLineAndTheTapeIsSealedWithWhatIsBeneath() {
        var wish = ColourWish.of(List.of(zone(0, "a", "#1b1c1e", LACQUER), zone(1, "b", "#b3202a", LACQUER)), "");
        var plan = plan(bands(0), wish);
        var surface = surface(bands(0));
        var own = plan.coats().stream().filter(c -> c.zones().size() == 1 && !c.zone().equals(ColourPlan.ALL)).toList();
        var first = Overlap.of(plan, surface, plan.coats().indexOf(own.getFirst()), wish::zone);
        var last = Overlap.of(plan, surface, plan.coats().indexOf(own.getLast()), wish::zone);
        assertThat(first.over()).singleElement().satisfies(o -> {
            assertThat(o.zone()).isEqualTo(own.getLast().zone());
            assertThat(o.mm()).isEqualTo(3);
        });
        assertThat(first.seals()).isEmpty();
        assertThat(last.over()).isEmpty();
        assertThat(last.seals()).singleElement().satisfies(x -> assertThat(x.zone()).isEqualTo(own.getFirst().zone()));
    }

    private static List<Task> withLines(LineWish lines, String seal) {
        var wish = ColourWish.of(List.of(zone(0, "a", "#d9cfb6", LACQUER)), seal).withLines(lines);
        var plan = plan(Painted.all(Shapes.sphere(100, 96), 0), wish);
        var line = new SurfaceLine(SurfaceLine.Kind.RIDGE, List.of(List.of(Vec3.ZERO, new Vec3(9000, 0, 0))), 9000, 3, 1);
        var by = LinePlan.of(List.of(line), lines, p -> "#d9cfb6", base -> 1, SHOP);
        return new ColourWork("p", plan, List.of(), by, new WeatherPlan(List.of(), List.of()), SHOP).after(Ready.AT_ONCE).tasks();
    }

    /** A hand lies on the prop while lines are drawn. */
    @Test
    void linesAreDrawnOnDryPaintAndAreDryUnderTheClear() {
        var tasks = withLines(LineWish.NONE.withKinds(Set.of(SurfaceLine.Kind.RIDGE)).withTool(Optional.of(LineTool.BRUSH)), "matt clear");
        int first = tasks.stream().map(t -> t.name().startsWith("lines by")).toList().indexOf(true);
        assertThat(tasks.get(first - 1).lag().leastH()).isGreaterThanOrEqualTo(SHOP.coating(LACQUER).tapeH());
        int last = tasks.stream().map(t -> t.name().startsWith("lines by")).toList().lastIndexOf(true);
        assertThat(last).as("several sessions").isGreaterThan(first);
        assertThat(tasks.get(last + 1).product()).isEqualTo("matt clear");
        assertThat(tasks.get(last).lag().leastH()).isGreaterThanOrEqualTo(SHOP.coating("brush acrylic").tapeH());
    }

    @Test
    void linesBehindTapeAreSprayed() {
        var tasks = withLines(LineWish.NONE.withKinds(Set.of(SurfaceLine.Kind.RIDGE)).withTool(Optional.of(LineTool.TAPE)), "matt clear");
        int spray = tasks.stream().map(t -> t.name().startsWith("spray the lines")).toList().indexOf(true);
        assertThat(tasks.get(spray).operation()).isEqualTo(Operation.SPRAY);
        assertThat(tasks.get(spray - 1).operation()).isEqualTo(Operation.MASK);
        assertThat(tasks.get(spray + 1).product()).isEqualTo("matt clear");
    }
}
