package yellowbracket.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.join.Broken;
import yellowbracket.join.Contact;
import yellowbracket.join.InHand;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.JoinPlanner;
import yellowbracket.join.JoinWish;
import yellowbracket.join.LoadCase;
import yellowbracket.join.Mend;
import yellowbracket.join.Weakest;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Catalogue;
import yellowbracket.work.Known;
import yellowbracket.work.TaskId;

/** What broke, how it is mended, and that it comes back where another seam is made the same way. */
class BreakageTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static List<Entry> log(String... lines) {
        var out = new ArrayList<Entry>();
        for (var l : lines) out.add(Entry.parse(LocalDateTime.of(2026, 3, 1, 8, 0).plusHours(out.size()), l, Known.NAMES).orElseThrow());
        return out;
    }

    /** A rod of three pieces, too heavy for its seams. */
    private static JoinPlan plan(double radius) {
        var m = Shapes.tube(radius, 0, -450, 450, 48);
        var tree = CutTree.split(CutPlane.across(2, 150), CutTree.WHOLE,
                CutTree.split(CutPlane.across(2, -150), CutTree.WHOLE, CutTree.WHOLE));
        var s = Sectioning.of(m, Bvh.of(m), tree, "p", Letters.alone(), Progress.NONE);
        var prints = new HashMap<String, JoinPlanner.Print>();
        for (var q : s.sections())
            prints.put(q.name(), new JoinPlanner.Print(500, "PLA", new Weakest.Printed(3, 0.44, 0.15, Vec3.X, 50, 0.5)));
        return JoinPlanner.plan(
                new JoinPlanner.Given(s.sections(), s.seams(), Contact.Found.NONE, InHand.UNKNOWN, prints, Map.of(),
                        new JoinPlanner.Place(20, 35), JoinWish.NONE, List.of(LoadCase.picked(LoadCase.CAREFUL)), Set.of(), Map.of(), SHOP),
                Progress.NONE);
    }

    @Test
    void linesAreRead() {
        var broke = log("broke A|B at the fair").getFirst();
        assertThat(broke.kind()).isEqualTo(Entry.Kind.BROKE);
        assertThat(broke.printed()).extracting(s -> s.letter()).containsExactly("A", "B");
        assertThat(log("broke B snapped at the crook").getFirst().kind()).isEqualTo(Entry.Kind.BROKE);
        assertThat(log("broke even at the fair").getFirst().kind()).as("no section").isEqualTo(Entry.Kind.NOTE);
        var all = Breakage.of(log("broke A|B", "lesson: pin it", "broke C", "done A 3 h"), "p");
        assertThat(all).hasSize(2);
        assertThat(all.getFirst().lesson()).isEqualTo("pin it");
        assertThat(all.get(1).task().text()).isEqualTo("mend:p:2");
        assertThat(TaskId.of("mend:p:2")).isEqualTo(all.get(1).task());
        assertThat(Breakage.of(log("broke A|B"), "q")).isEmpty();
    }

    @Test
    void aBrokenSeamIsMendedAcrossTheBreakAndStronger() {
        var plan = plan(9);
        var b = Breakage.of(log("broke A|B"), "p").getFirst();
        var seam = b.seam(plan).orElseThrow();
        var mend = Mend.seam(b.task(), seam, plan.rods().getOrDefault(seam.seam().name(), List.of()),
                plan.options().get(seam.seam().name()), SHOP);
        assertThat(mend.what()).isEqualTo("seam " + seam.seam().name());
        assertThat(mend.steps()).anyMatch(s -> s.contains("rod") || s.contains("dowels")).last().asString().contains("fill the line");
        assertThat(mend.steps().getFirst()).contains("scrape the old glue off");
        assertThat(mend.hours()).isPositive();
        assertThat(mend.waitH()).isPositive();
        assertThat(SHOP.joins()).anyMatch(p -> p.name().equals(mend.product()) && p.shearHighMpa() >= seam.product().shearHighMpa());
        var strongest = SHOP.joins().stream().filter(p -> p.name().equals("epoxy slow")).findFirst().orElseThrow();
        var neck = Mend.section(b.task(), "A", plan.weakest().stream().findFirst(), Optional.empty(),
                plan.rods().getOrDefault("A", List.of()), strongest, 10, SHOP);
        assertThat(neck.steps()).hasSizeGreaterThan(3);
        assertThat(neck.waitH()).as("twice as long in the cold").isEqualTo(2 * strongest.handleH());
        assertThat(neck.product()).isEqualTo("epoxy slow");
    }

    @Test
    void aSeamMadeLikeOneThatBrokeIsTold() {
        var plan = plan(9);
        var all = Breakage.of(log("broke A|B", "lesson: a rod through it"), "p");
        var first = all.getFirst().seam(plan).orElseThrow();
        assertThat(first.reserve()).isLessThan(JoinPlan.LEAST_RESERVE);
        assertThat(Breakage.alike(all, plan)).singleElement()
                .satisfies(f -> assertThat(f.words()).contains("no stronger than " + first.seam().name(), "a rod through it"));
        assertThat(Breakage.alike(all, plan(40))).as("strong seams are not like it").isEmpty();
    }

    @Test
    void thePlaceIsReadAndTheRecipeGoesByWhatThePrintIsLikeThere() {
        assertThat(log("broke C at 12.5, -30,400 when it fell").getFirst().place()).contains(new Vec3(12.5, -30, 400));
        assertThat(log("broke C at the fair").getFirst().place()).isEmpty();
        assertThat(log("broke C at 1,2").getFirst().place()).isEmpty();
        assertThat(log("note at 1,2,3").getFirst().place()).as("only of what broke").isEmpty();
        var b = Breakage.of(log("broke A at 0,9,300"), "p").getFirst();
        assertThat(b.place()).contains(new Vec3(0, 9, 300));
        var strongest = SHOP.joins().stream().filter(p -> p.name().equals("epoxy slow")).findFirst().orElseThrow();
        var rod = Shapes.tube(9, 0, -450, 450, 48);
        var upright = new Weakest.Printed(3, 0.44, 0.15, Vec3.Z, 50, 0.5);
        var layers = Mend.section(b.task(), "A", Optional.empty(), Broken.of(rod, upright, b.place().get()), List.of(), strongest, 20,
                SHOP);
        assertThat(layers.what()).isEqualTo("section A between layers");
        assertThat(layers.steps()).anyMatch(s -> s.contains("cross several of them"))
                .anyMatch(s -> s.contains("dowels of 3 mm, 12 mm into"));
        assertThat(layers.needs()).anySatisfy(n -> {
            assertThat(n.product()).isEqualTo("beech dowel 3 mm");
            assertThat(n.amount()).as("two of 24 mm at least").isGreaterThanOrEqualTo(4.8);
        });
        var shell = Shapes.tube(60, 57.5, 0, 120, 72);
        var wall = Mend.section(b.task(), "A", Optional.empty(), Broken.of(shell, upright, new Vec3(60, 0, 60)), List.of(), strongest, 20,
                SHOP);
        assertThat(wall.what()).isEqualTo("section A through a thin wall");
        assertThat(wall.steps()).anyMatch(s -> s.contains("staples"));
        assertThat(wall.needs()).anyMatch(n -> n.product().equals("staples") && n.amount() >= 2);
    }

    @Test
    void aSectionAsSlenderAsOneThatSnappedIsTold() {
        var plan = plan(9);
        var weakest = plan.weakest().getFirst();
        assertThat(weakest.low()).isLessThan(JoinPlan.LEAST_RESERVE);
        var all = Breakage.of(log("broke " + weakest.section(), "lesson: six walls there"), "p");
        assertThat(Breakage.alike(all, plan)).isNotEmpty()
                .allSatisfy(f -> assertThat(f.words()).contains("as slender as " + weakest.section(), "six walls there"));
        assertThat(Breakage.alike(all, plan(40))).isEmpty();
    }
}
