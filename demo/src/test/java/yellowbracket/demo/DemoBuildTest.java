package yellowbracket.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.Bed;
import yellowbracket.derive.Derived;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.log.Entry;
import yellowbracket.size.UseGuess;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.shop.Catalogue;
import yellowbracket.size.Cavity;
import yellowbracket.size.Donning;
import yellowbracket.size.HeadField;
import yellowbracket.size.HeadForm;
import yellowbracket.work.Operation;
import yellowbracket.work.Station;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

class DemoBuildTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 30);
    private static final DemoBuild DEMO = DemoBuild.at(TODAY);
    private static final Derived DERIVED = Everything.derive(DEMO.build(), DEMO.meshes(), Catalogue.builtIn(), new SimulatedWeather(11),
            Clock.fixed(LocalDateTime.of(2026, 3, 30, 18, 0).toInstant(ZoneOffset.UTC), ZoneOffset.UTC), Progress.NONE);

    @Test
    void theHelmIsAClosedShellOfRealSize() {
        var helm = DEMO.mesh("helm");
        var h = MeshHealth.of(helm);
        assertThat(h.closed()).isTrue();
        assertThat(h.bodies()).hasSize(1);
        assertThat(h.degenerateTriangles()).isZero();
        assertThat(helm.triangleCount()).isBetween(100_000, 200_000);
        assertThat(helm.bounds().size().x()).as("the brim is wider than a common bed").isGreaterThan(300);
        var cavity = Cavity.of(helm, Bvh.of(helm));
        assertThat(cavity.holdsAHead()).isTrue();
        assertThat(cavity.visorHeight().orElseThrow()).isBetween(35.0, 60.0);
    }

    @Test
    void theWallIsBetweenTwoAndAHalfAndFourMillimetresOnThePlainShell() {
        var helm = DEMO.mesh("helm");
        var index = Bvh.of(helm);
        for (double a = -0.9; a < 0.9; a += 0.06) { // over the temples, above the guards and below the brim
            var out = new java.util.ArrayList<Double>();
            index.allDistances(new yellowbracket.mesh.Vec3(0.1, 8, 30), new yellowbracket.mesh.Vec3(Math.cos(a), Math.sin(a), 0), out::add);
            out.sort(null);
            assertThat(out.get(1) - out.get(0)).isBetween(2.4, 7.0);
        }
    }

    @Test
    void whatEachIsForIsSeenByItsShape() {
        for (var p : DEMO.build().props()) {
            var mesh = DEMO.mesh(p.id());
            assertThat(UseGuess.of(mesh, Bvh.of(mesh)).use()).as(p.name()).isEqualTo(p.size().use().orElseThrow());
        }
    }

    @Test
    void staffAndMaskAreClosedToo() {
        var staff = MeshHealth.of(DEMO.mesh("staff"));
        assertThat(staff.closed()).isTrue();
        assertThat(staff.bodies()).hasSize(2);
        assertThat(DEMO.mesh("staff").bounds().size().z()).isCloseTo(1425, within(10.0));
        assertThat(MeshHealth.of(DEMO.mesh("mask")).closed()).isTrue();
    }

    @Test
    void theSameDayGivesTheSameBuildAndAnotherDayMovesTheDates() {
        var again = DemoBuild.at(TODAY);
        assertThat(again.build()).isEqualTo(DEMO.build());
        assertThat(again.meshes().hashes()).isEqualTo(DEMO.meshes().hashes());
        var later = DemoBuild.at(TODAY.plusDays(100)).build();
        assertThat(later.due()).isEqualTo(DEMO.build().due().plusDays(100));
        assertThat(later.log().getFirst().at()).isEqualTo(DEMO.build().log().getFirst().at().plusDays(100));
    }

    @Test
    void itIsAWorkInProgress() {
        var log = DEMO.build().log();
        assertThat(log).anyMatch(e -> e.kind() == Entry.Kind.FAILED)
                .anyMatch(e -> e.task().filter(t -> t instanceof TaskId.Step).isPresent())
                .anyMatch(e -> e.tags().contains("flaw"));
        var schedule = DERIVED.require(PlanFigures.SCHEDULE, "");
        var ids = schedule.placed().stream().map(p -> p.task().id()).toList();
        assertThat(log.stream().filter(e -> e.kind() == Entry.Kind.DONE).map(e -> e.task().orElseThrow()))
                .as("every done entry names a task of the plan")
                .allMatch(ids::contains);
        assertThat(schedule.placed()).anyMatch(p -> p.done()).anyMatch(p -> !p.done());
        assertThat(schedule.conflicts()).isEmpty();
    }

    /** Blocks of letters hold every section there is, and each prop's log lines are its own. */
    @Test
    void everySectionHasALetterOfItsPropsBlock() {
        var seen = new HashSet<String>();
        for (var prop : DEMO.build().props()) for (var s : DERIVED.require(CutFigures.SECTIONS, prop.id()).sections()) {
            assertThat(s.name()).as(prop.id()).matches("[A-Z]");
            assertThat(seen.add(s.name())).as(s.name()).isTrue();
            assertThat(DEMO.build().section(s.name())).contains(s.id());
        }
        assertThat(seen).hasSize(11);
    }

    /**
     * The craft's order, whatever the plan is: nothing is glued before it was fitted dry, painted before it is smooth, padded before it is
     * painted.
     */
    @Test
    void theCraftsOrderHoldsInEveryProp() {
        var tasks = DERIVED.require(PlanFigures.TASKS, "").list();
        var earlier = new HashMap<TaskId, Set<TaskId>>(); // all a task waits for, near and far
        for (var t : tasks) {
            var all = new HashSet<TaskId>();
            for (var a : t.after()) {
                assertThat(earlier).as("what %s waits for is listed before it", t.name()).containsKey(a);
                all.add(a);
                all.addAll(earlier.get(a));
            }
            assertThat(earlier.put(t.id(), all)).as("%s is there once", t.name()).isNull();
        }
        for (var prop : DEMO.build().props()) {
            var own = tasks.stream().filter(t -> t.prop().equals(prop.id())).toList();
            var station = own.stream().collect(Collectors.groupingBy(Task::station));
            Function<Station, List<TaskId>> ids = s -> station.getOrDefault(s, List.of()).stream().map(Task::id).toList();
            var dryFit = new TaskId.OfProp(prop.id(), TaskId.Once.DRYFIT);
            for (var t : own) assertThat(t.activeH()).as(t.name()).isPositive();
            var cleaned = ids.apply(Station.PRINT).stream().filter(id -> id instanceof TaskId.Clean).toList();
            assertThat(cleaned).hasSize(DERIVED.require(CutFigures.SECTIONS, prop.id()).sections().size());
            for (var join : ids.apply(Station.JOIN))
                assertThat(earlier.get(join)).as(join.text()).containsAll(cleaned).contains(TaskId.cut(prop.id()));
            ids.apply(Station.JOIN)
                    .stream()
                    .filter(id -> !id.equals(dryFit))
                    .forEach(id -> assertThat(earlier.get(id)).as(id.text()).contains(dryFit));
            for (var smooth : ids.apply(Station.SMOOTH))
                assertThat(earlier.get(smooth)).as(smooth.text()).containsAll(ids.apply(Station.JOIN));
            for (var colour : ids.apply(Station.COLOUR))
                assertThat(earlier.get(colour)).as(colour.text()).containsAll(ids.apply(Station.SMOOTH));
            for (var wear : ids.apply(Station.WEAR)) assertThat(earlier.get(wear)).as(wear.text()).containsAll(ids.apply(Station.COLOUR));
            if (!station.containsKey(Station.WEAR)) continue;
            var last = ids.apply(Station.WEAR).getLast();
            assertThat(station.get(Station.WEAR).getLast().operation()).isEqualTo(Operation.WALK_TEST);
            assertThat(earlier.get(last)).as("the walk test comes after all else")
                    .containsAll(own.stream().map(Task::id).filter(id -> !id.equals(last)).toList());
        }
    }

    @Test
    void everyHelmSectionFitsAPrinterAndIsClosed() {
        var sections = DERIVED.require(CutFigures.SECTIONS, "helm");
        assertThat(sections.sections()).hasSize(5);
        for (var s : sections.sections()) {
            assertThat(s.closed()).as(s.name()).isTrue();
            assertThat(DEMO.build().printers()).as(s.name()).anyMatch(p -> Bed.of(p).holds(s.size()));
        }
        assertThat(DERIVED.require(PrintFigures.PRINTS, "helm").findings()).isEmpty();
    }

    @Test
    void bothWearersFitTheSharedHelm() {
        var fits = DERIVED.require(SizeFigures.FITS, "helm").list();
        assertThat(fits).hasSize(2);
        for (var f : fits) {
            var cavity = DERIVED.require(SizeFigures.CAVITY, "helm");
            var way = Donning.of(HeadField.of(HeadForm.of(f.wearer()), f.wearer(), Progress.NONE), cavity, f.scale(), f.pose(),
                    Progress.NONE);
            assertThat(way.passes()).as(way.words()).isTrue();
        }
        assertThat(fits.get(1).clearance().tightest().orElseThrow().minMm()).as("the smaller head has more room")
                .isGreaterThan(fits.get(0).clearance().tightest().orElseThrow().minMm());
        assertThat(DERIVED.require(WearFigures.PADS, "helm").sets()).hasSize(2);
    }

    @Test
    void everyColourZoneOfTheHelmHasItsArea() {
        assertThat(DERIVED.require(ColourFigures.COLOUR, "helm").areas()).hasSize(5)
                .allSatisfy(a -> assertThat(a.dm2()).as(a.zone().name()).isGreaterThan(0.5));
    }
}
