package yellowbracket.derive;

import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import yellowbracket.work.Need;
import yellowbracket.shop.Reserved;
import yellowbracket.shop.ProductCard;
import yellowbracket.shop.LabelTerm;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.document.ShopFile;
import yellowbracket.intake.BodyRole;
import yellowbracket.intake.FileUnit;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Rate;
import yellowbracket.shop.StockItem;
import yellowbracket.work.Known;
import yellowbracket.work.Operation;
import yellowbracket.work.Station;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** A small build derived end to end: tasks in the craft's order, needs against stock, and what the intake changes downstream. */
class PlanOfTheBuildTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Mesh CRATE = Mesh
            .union(List.of(Shapes.box(Vec3.ZERO, new Vec3(120, 80, 90)), Shapes.sphere(6, 12).moved(new Vec3(60, 40, 100))));
    private static Derived derived;

    private static Build build(Intake intake, List<StockItem> stock, Map<String, Rate> rates, List<Entry> log) {
        var shop = Catalogue.builtIn();
        var prop = Prop.fromFile("crate", "crate", CRATE.contentHash(), Letters.from(0, 2), intake, shop.profile("usual"))
                .withCut(new CutWish(CutTree.split(CutPlane.across(0, 61.3), CutTree.WHOLE, CutTree.WHOLE), Registration.PLAIN, 0));
        return Build.empty(NOW.minusDays(2), ShopFile.fresh())
                .withDue("fair", NOW.plusDays(40))
                .with(prop)
                .withSeed(3)
                .withStock(stock)
                .withLog(log)
                .withRates(rates);
    }

    private static Derived derive(Build b) {
        return Everything.derive(b, Meshes.NONE.with(CRATE), Catalogue.builtIn(), new SimulatedWeather(3),
                Clock.fixed(NOW.toInstant(ZoneOffset.UTC), ZoneOffset.UTC), Progress.NONE);
    }

    @BeforeAll
    static void once() {
        derived = derive(build(Intake.AS_IT_IS, List.of(), Map.of(), List.of()));
    }

    private static List<Task> tasks() {
        return derived.require(PlanFigures.TASKS, Figure.BUILD).list();
    }

    private static Set<TaskId> before(TaskId id, Map<TaskId, Task> all) {
        var out = new HashSet<TaskId>();
        for (var a : all.get(id).after()) {
            out.add(a);
            out.addAll(before(a, all));
        }
        return out;
    }

    @Test
    void tasksFollowTheOrderOfTheCraft() {
        var all = new HashMap<TaskId, Task>();
        tasks().forEach(t -> all.put(t.id(), t));
        assertThat(all).as("no id twice").hasSameSizeAs(tasks());
        for (var t : tasks()) assertThat(all.keySet()).as(t.name()).containsAll(t.after());
        for (var print : tasks())
            if (print.id() instanceof TaskId.Print) assertThat(before(print.id(), all)).contains(TaskId.cut("crate"), TaskId.size("crate"));
        var dryfit = before(TaskId.of("dryfit:crate"), all);
        assertThat(dryfit).contains(TaskId.of("clean:crate/A"), TaskId.of("clean:crate/B"));
        for (var t : tasks()) {
            if (t.station() == Station.SMOOTH) assertThat(before(t.id(), all)).as(t.name()).contains(TaskId.of("dryfit:crate"));
            if (t.station() == Station.COLOUR)
                assertThat(before(t.id(), all)).as(t.name()).anyMatch(x -> all.get(x).station() == Station.SMOOTH);
            assertThat(t.activeH()).isPositive();
        }
        assertThat(tasks()).as("nobody wears a crate").noneMatch(t -> t.station() == Station.WEAR);
    }

    @Test
    void printsWaitWhereAPrintWasOddUntilACauseIsNoted() {
        var names = build(Intake.AS_IT_IS, List.of(), Map.of(), List.of());
        var odd = Entry.parse(NOW.minusHours(3), "odd A strings all over", names).orElseThrow();
        var held = derive(build(Intake.AS_IT_IS, List.of(), Map.of(), List.of(odd)));
        var look = held.require(PlanFigures.TASKS, Figure.BUILD).list().stream().filter(t -> t.operation() == Operation.LOOK).toList();
        assertThat(look).singleElement().satisfies(t -> assertThat(t.name()).contains("find the cause", "odd A strings"));
        var s = held.require(PlanFigures.SCHEDULE, Figure.BUILD);
        var found = s.placed(look.getFirst().id()).orElseThrow().end();
        var waiting = s.placed().stream().filter(p -> p.task().after().contains(look.getFirst().id())).toList();
        assertThat(waiting).isNotEmpty().allMatch(p -> p.task().operation() == Operation.PRINT && !p.start().isBefore(found));
        var cause = Entry.parse(NOW.minusHours(2), "cause: wet filament", names).orElseThrow();
        assertThat(derive(build(Intake.AS_IT_IS, List.of(), Map.of(), List.of(odd, cause))).require(PlanFigures.TASKS, Figure.BUILD).list())
                .noneMatch(t -> t.operation() == Operation.LOOK);
    }

    @Test
    void theScheduleKeepsEveryPrecedence() {
        var s = derived.require(PlanFigures.SCHEDULE, Figure.BUILD);
        for (var p : s.placed()) for (var a : p.task().after()) {
            var earlier = s.placed(a).orElseThrow();
            assertThat(p.start()).as(p.task().id() + " after " + a).isAfterOrEqualTo(earlier.end());
        }
        assertThat(s.finish()).isAfter(NOW);
    }

    @Test
    void needsAreBoughtUnlessTheShelfHoldsThem() {
        var needs = derived.require(ShelfFigures.NEEDS, Figure.BUILD);
        assertThat(needs.lines()).isNotEmpty().allSatisfy(l -> assertThat(l.needed()).isPositive());
        assertThat(needs.shopping()).hasSameSizeAs(needs.lines());
        var line = needs.lines().stream().filter(l -> l.name().equals("filler primer")).findFirst().orElseThrow();
        var stocked = derive(build(Intake.AS_IT_IS,
                List.of(new StockItem(line.name(), line.needed() / 2, line.unit()), new StockItem(line.name(), line.needed(), line.unit())),
                Map.of(), List.of()));
        var again = stocked.require(ShelfFigures.NEEDS, Figure.BUILD)
                .lines()
                .stream()
                .filter(l -> l.name().equals(line.name()))
                .findFirst()
                .orElseThrow();
        assertThat(again.have()).as("two tins of the same are counted together").isCloseTo(1.5 * line.needed(), within(1e-9));
        assertThat(again.missing()).isZero();
        assertThat(stocked.require(ShelfFigures.NEEDS, Figure.BUILD).shopping()).hasSize(needs.shopping().size() - 1);
    }

    @Test
    void theIntakeChangesEverythingDownstream() {
        double volume = derived.require(CutFigures.SECTIONS, "crate").sections().stream().mapToDouble(s -> s.mesh().volumeMm3()).sum();
        assertThat(volume).isCloseTo(CRATE.volumeMm3(), within(1e-6 * volume));
        var dropped = derive(build(Intake.AS_IT_IS.withRole(List.of(1), BodyRole.HARDWARE), List.of(), Map.of(), List.of()));
        assertThat(dropped.require(CutFigures.SECTIONS, "crate").sections().stream().mapToDouble(s -> s.mesh().volumeMm3()).sum())
                .isCloseTo(120 * 80 * 90, within(1e-3));
        assertThat(dropped.require(PrintFigures.PRINTS, "crate").grams()).isLessThan(derived.require(PrintFigures.PRINTS, "crate").grams());
        var inches = derive(build(Intake.AS_IT_IS.with(new FileUnit("double", 2)), List.of(), Map.of(), List.of()));
        assertThat(inches.require(ModelFigures.MODEL, "crate").mesh().volumeMm3()).isCloseTo(8 * CRATE.volumeMm3(), within(1e-3));
    }

    @Test
    void droppingEverythingFailsInWordsAndOtherPropsGoOn() {
        var d = derive(build(Intake.AS_IT_IS.withRole(List.of(0, 1), BodyRole.DROPPED), List.of(), Map.of(), List.of()));
        assertThat(d.state(ModelFigures.MODEL, "crate")).isEqualTo(Derived.State.FAILED);
        assertThat(d.reason(ModelFigures.MODEL, "crate")).contains("every body of crate is dropped", "keep one");
        assertThat(d.get(PlanFigures.SCHEDULE)).as("a plan without it").isPresent();
    }

    @Test
    void ratesFromOtherBuildsStretchThePlan() {
        var two = Rate.UNKNOWN.with(3, 1).with(3, 1);
        double plain = hours(derived, "sand"),
                slow = hours(derive(build(Intake.AS_IT_IS, List.of(), Map.of("sand", two, "sand/sanding/", two), List.of())), "sand");
        assertThat(slow).as("all but getting out and putting away").isGreaterThan(1.15 * plain);
    }

    private static double hours(Derived d, String rate) {
        return d.require(PlanFigures.TASKS, Figure.BUILD)
                .list()
                .stream()
                .filter(t -> t.operation().rate().equals(rate))
                .mapToDouble(Task::activeH)
                .sum();
    }

    @Test
    void whatThisBuildTaughtIsKeptApartFromWhatWasKnown() {
        var known = Map.of("size", Rate.UNKNOWN.with(2, 1), "sand", Rate.UNKNOWN.with(2, 1));
        var d = derive(build(Intake.AS_IT_IS, List.of(), known,
                List.of(Entry.parse(NOW.minusDays(1), "done size:crate 0.9 h", Known.NAMES).orElseThrow())));
        var tasks = d.require(PlanFigures.TASKS, Figure.BUILD);
        assertThat(tasks.own()).containsOnlyKeys("size", "size/tape_measure/");
        assertThat(tasks.own().get("size").jobs()).isEqualTo(1);
        assertThat(tasks.lessons().rates().get("size").jobs()).as("one before, one now").isEqualTo(2);
        assertThat(tasks.lessons().rates().get("sand").jobs()).isEqualTo(1);
    }

    @Test
    void theShopAddsUpWhatBuildsTaught() {
        var shop = ShopFile.fresh()
                .withLessons("a", Map.of("sand", Rate.UNKNOWN.with(2, 1)))
                .withLessons("b", Map.of("sand", Rate.UNKNOWN.with(2, 1), "fill", Rate.UNKNOWN.with(1, 1)));
        assertThat(shop.rates().get("sand").jobs()).isEqualTo(2);
        assertThat(shop.rates().get("sand").factor()).isCloseTo(Rate.UNKNOWN.with(2, 1).with(2, 1).factor(), within(1e-12));
        assertThat(shop.withLessons("b", Map.of("sand", Rate.UNKNOWN.with(2, 1))).rates()).as("saved again: in place of, not on top")
                .containsOnlyKeys("sand");
        assertThat(shop.withLessons("a", Map.of()).withLessons("b", Map.of()).rates()).isEmpty();
        assertThat(Build.empty(NOW, shop).rates()).isEqualTo(shop.rates());
    }

    /** Two builds want the same can: whichever must be ready first takes it, and it is reserved once. */
    @Test
    void buildsShareTheShelfByTheirDays() {
        var b = build(Intake.AS_IT_IS, List.of(new StockItem("filler primer", 3, "cans")), Map.of(), List.of());
        var need = List.of(new Need("filler primer", 3, "cans"));
        var sooner = List.of(new Reserved("mask", b.due().minusDays(3), need));
        var later = List.of(new Reserved("mask", b.due().plusDays(3), need));
        assertThat(missing(b, List.of())).isZero();
        assertThat(missing(b, sooner)).isPositive();
        assertThat(missing(b, later)).as("that one buys its own").isZero();
        var shop = ShopFile.fresh().withReserved("b", later.getFirst()).withReserved("a", sooner.getFirst());
        assertThat(shop.others("a", NOW)).containsExactly(later.getFirst());
        assertThat(shop.others("a", b.due().plusDays(9))).as("its day has passed").isEmpty();
        var own = derive(b).require(ShelfFigures.RESERVED, Figure.BUILD);
        assertThat(own.needs()).anyMatch(n -> n.product().equals("filler primer") && n.amount() > 0);
    }

    private static double missing(Build b, List<Reserved> others) {
        var world = new World(b, Meshes.NONE.with(CRATE), Catalogue.builtIn(), new SimulatedWeather(3), NOW, others);
        return Workings.derive(world, List.of(Want.ofBuild(ShelfFigures.SHOPPING)), new Memo(), Progress.NONE)
                .require(ShelfFigures.SHOPPING, Figure.BUILD)
                .list()
                .stream()
                .filter(x -> x.line().name().equals("filler primer"))
                .mapToDouble(x -> x.line().missing())
                .sum();
    }

    @Test
    void whatTheLabelSaysAndWhatIsNeverUsedAgainAreHeeded() {
        var b = build(Intake.AS_IT_IS, List.of(), Map.of(), List.of());
        var slow = ProductCard.blank("filler primer").with(LabelTerm.SANDABLE_H, Optional.of(1.5)).never("clogs every sheet");
        var d = derive(b.withPaints(b.paints().with(slow)));
        var primed = d.require(PlanFigures.TASKS, Figure.BUILD).list().stream().filter(t -> t.product().equals("filler primer")).toList();
        assertThat(primed).as("the primer between three rounds dries twice")
                .singleElement()
                .satisfies(t -> assertThat(t.lag().leastH()).isEqualTo(2 * 1.5));
        assertThat(d.require(ShelfFigures.NEVER, Figure.BUILD).findings()).singleElement()
                .satisfies(f -> assertThat(f.words()).contains("never again filler primer").contains("clogs every sheet"));
        assertThat(derived.require(ShelfFigures.NEVER, Figure.BUILD).findings()).isEmpty();
    }

    @Test
    void turningTheModelTakesTheCutsWithItAndRolesDoNot() {
        var prop = build(Intake.AS_IT_IS, List.of(), Map.of(), List.of()).prop("crate").orElseThrow();
        assertThat(prop.taking(prop.intake().turned(yellowbracket.mesh.Turn.quarter(2))).cut().tree()).isEqualTo(CutTree.WHOLE);
        assertThat(prop.taking(prop.intake().withRole(List.of(1), BodyRole.DROPPED)).cut()).isEqualTo(prop.cut());
    }
}
