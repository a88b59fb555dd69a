package yellowbracket.derive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.BuildJson;
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
import yellowbracket.mesh.repair.Mend;
import yellowbracket.plan.Station;
import yellowbracket.plan.Task;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Rate;
import yellowbracket.shop.StockItem;

/** A small build derived end to end: tasks in the craft's order, needs against stock, and what the intake changes downstream. */
class PlanOfTheBuildTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Mesh CRATE = Mesh
            .union(List.of(Shapes.box(Vec3.ZERO, new Vec3(120, 80, 90)), Shapes.sphere(6, 12).moved(new Vec3(60, 40, 100))));
    private static Derived derived;

    private static Build build(Intake intake, List<StockItem> stock, Map<String, Rate> rates, List<Entry> log) {
        var shop = Catalogue.builtIn();
        var prop = Prop.fromFile("crate", "crate", CRATE.contentHash(), intake, List.of(), shop)
                .withRegistration(yellowbracket.cut.Registration.PLAIN)
                .withCuts(CutTree.split(CutPlane.across(0, 61.3), CutTree.WHOLE, CutTree.WHOLE));
        var empty = Build.empty(NOW.minusDays(2), ShopFile.fresh());
        return new Build("crate", empty.started(), "fair", NOW.plusDays(40), List.of(prop), List.of(), shop.printers(), empty.hours(), 20,
                3, stock, List.of(), yellowbracket.print.QueueWish.NONE, log, rates);
    }

    private static Derived derive(Build b) {
        return Workings.derive(b, Meshes.NONE.with(CRATE), Catalogue.builtIn(), new SimulatedWeather(3),
                Clock.fixed(NOW.toInstant(ZoneOffset.UTC), ZoneOffset.UTC), Progress.NONE);
    }

    @BeforeAll
    static void once() {
        derived = derive(build(Intake.AS_IT_IS, List.of(), Map.of(), List.of()));
    }

    private static List<Task> tasks() {
        return derived.require(Node.TASKS, Node.BUILD).list();
    }

    private static Set<String> before(String id, Map<String, Task> all) {
        var out = new HashSet<String>();
        for (var a : all.get(id).after()) {
            out.add(a);
            out.addAll(before(a, all));
        }
        return out;
    }

    @Test
    void tasksFollowTheOrderOfTheCraft() {
        var all = new HashMap<String, Task>();
        tasks().forEach(t -> all.put(t.id(), t));
        assertThat(all).as("no id twice").hasSameSizeAs(tasks());
        for (var t : tasks()) assertThat(all.keySet()).as(t.id()).containsAll(t.after());
        for (var print : tasks())
            if (print.id().startsWith("print:")) assertThat(before(print.id(), all)).contains("cut:crate", "size:crate");
        var dryfit = before("dryfit:crate", all);
        assertThat(dryfit).contains("clean:A", "clean:B");
        for (var t : tasks()) {
            if (t.station() == Station.SMOOTH) assertThat(before(t.id(), all)).as(t.name()).contains("dryfit:crate");
            if (t.station() == Station.COLOUR)
                assertThat(before(t.id(), all)).as(t.name()).anyMatch(x -> all.get(x).station() == Station.SMOOTH);
            assertThat(t.activeH()).isPositive();
        }
        assertThat(tasks()).as("nobody wears a crate").noneMatch(t -> t.station() == Station.WEAR);
    }

    @Test
    void theScheduleKeepsEveryPrecedence() {
        var s = derived.require(Node.SCHEDULE, Node.BUILD);
        for (var p : s.placed()) for (var a : p.task().after()) {
            var earlier = s.placed(a).orElseThrow();
            assertThat(p.start()).as(p.task().id() + " after " + a).isAfterOrEqualTo(earlier.end());
        }
        assertThat(s.finish()).isAfter(NOW);
    }

    @Test
    void needsAreBoughtUnlessTheShelfHoldsThem() {
        var needs = derived.require(Node.NEEDS, Node.BUILD);
        assertThat(needs.lines()).isNotEmpty().allSatisfy(l -> assertThat(l.needed()).isPositive());
        assertThat(needs.shopping()).hasSameSizeAs(needs.lines());
        var line = needs.lines().getFirst();
        var stocked = derive(build(Intake.AS_IT_IS,
                List.of(new StockItem(line.name(), line.needed() / 2, line.unit()), new StockItem(line.name(), line.needed(), line.unit())),
                Map.of(), List.of()));
        var again = stocked.require(Node.NEEDS, Node.BUILD).lines().getFirst();
        assertThat(again.have()).as("two tins of the same are counted together").isCloseTo(1.5 * line.needed(), within(1e-9));
        assertThat(again.missing()).isZero();
        assertThat(stocked.require(Node.NEEDS, Node.BUILD).shopping()).hasSize(needs.shopping().size() - 1);
    }

    @Test
    void theIntakeChangesEverythingDownstream() {
        double volume = derived.require(Node.SECTIONS, "crate").sections().stream().mapToDouble(s -> s.mesh().volumeMm3()).sum();
        assertThat(volume).isCloseTo(CRATE.volumeMm3(), within(1e-6 * volume));
        var dropped = derive(build(Intake.AS_IT_IS.withRole(List.of(1), BodyRole.HARDWARE), List.of(), Map.of(), List.of()));
        assertThat(dropped.require(Node.SECTIONS, "crate").sections().stream().mapToDouble(s -> s.mesh().volumeMm3()).sum())
                .isCloseTo(120 * 80 * 90, within(1e-3));
        assertThat(dropped.require(Node.PRINTS, "crate").grams()).isLessThan(derived.require(Node.PRINTS, "crate").grams());
        var inches = derive(build(Intake.AS_IT_IS.with(new FileUnit("double", 2)), List.of(), Map.of(), List.of()));
        assertThat(inches.require(Node.MODEL, "crate").mesh().volumeMm3()).isCloseTo(8 * CRATE.volumeMm3(), within(1e-3));
    }

    @Test
    void droppingEverythingFailsInWordsAndOtherPropsGoOn() {
        var d = derive(build(Intake.AS_IT_IS.withRole(List.of(0, 1), BodyRole.DROPPED), List.of(), Map.of(), List.of()));
        assertThat(d.state(Node.MODEL, "crate")).isEqualTo(Derived.State.FAILED);
        assertThat(d.reason(Node.MODEL, "crate")).contains("every body of crate is dropped", "keep one");
        assertThat(d.get(Node.SCHEDULE)).as("a plan without it").isPresent();
    }

    @Test
    void ratesFromOtherBuildsStretchThePlan() {
        double plain = hours(derived, "sand"),
                slow = hours(derive(build(Intake.AS_IT_IS, List.of(), Map.of("sand", Rate.UNKNOWN.with(3, 1).with(3, 1)), List.of())),
                        "sand");
        assertThat(slow).isGreaterThan(1.3 * plain);
    }

    private static double hours(Derived d, String rate) {
        return d.require(Node.TASKS, Node.BUILD).list().stream().filter(t -> t.rateKey().equals(rate)).mapToDouble(Task::activeH).sum();
    }

    @Test
    void whatThisBuildTaughtIsKeptApartFromWhatWasKnown() {
        var known = Map.of("size", Rate.UNKNOWN.with(2, 1), "sand", Rate.UNKNOWN.with(2, 1));
        var d = derive(
                build(Intake.AS_IT_IS, List.of(), known, List.of(Entry.parse(NOW.minusDays(1), "done size:crate 0.9 h").orElseThrow())));
        var tasks = d.require(Node.TASKS, Node.BUILD);
        assertThat(tasks.own()).containsOnlyKeys("size");
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

    @Test
    void anOlderFileIsReadAndANewerRefused() throws Exception {
        var b = build(Intake.AS_IT_IS.withMends(Set.of(Mend.Step.ORIENT)), List.of(), Map.of(), List.of());
        var tree = (com.fasterxml.jackson.databind.node.ObjectNode) new com.fasterxml.jackson.databind.ObjectMapper()
                .readTree(BuildJson.write(b));
        assertThat(BuildJson.read(tree.toString())).isEqualTo(b);
        tree.put("schema", 1);
        ((com.fasterxml.jackson.databind.node.ObjectNode) tree.get("build")).remove("rates");
        ((com.fasterxml.jackson.databind.node.ObjectNode) tree.get("build").get("props").get(0)).remove("intake");
        ((com.fasterxml.jackson.databind.node.ObjectNode) tree.get("build").get("props").get(0)).remove("reshape");
        for (var w : tree.get("build").get("wearers"))
            ((com.fasterxml.jackson.databind.node.ObjectNode) w).remove(List.of("eyesMm", "scan"));
        var old = BuildJson.read(tree.toString());
        assertThat(old.prop("crate").orElseThrow().intake()).isEqualTo(Intake.AS_IT_IS);
        assertThat(old.prop("crate").orElseThrow().reshape()).isEqualTo(yellowbracket.size.Reshape.NONE);
        assertThat(old.rates()).isEmpty();
    }

    @Test
    void turningTheModelTakesTheCutsWithItAndRolesDoNot() {
        var prop = build(Intake.AS_IT_IS, List.of(), Map.of(), List.of()).prop("crate").orElseThrow();
        assertThat(prop.withIntake(prop.intake().turned(yellowbracket.mesh.Turn.quarter(2))).cuts()).isEqualTo(CutTree.WHOLE);
        assertThat(prop.withIntake(prop.intake().withRole(List.of(1), BodyRole.DROPPED)).cuts()).isEqualTo(prop.cuts());
    }
}
