package yellowbracket.wear.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import yellowbracket.document.Build;
import yellowbracket.document.SmallBuild;
import yellowbracket.join.Weighed;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Cavity;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadForm;
import yellowbracket.size.OnHead;
import yellowbracket.size.Room;
import yellowbracket.size.Zone;
import yellowbracket.wear.body.Balance;
import yellowbracket.wear.body.HeadTurn;
import yellowbracket.wear.light.Load;
import yellowbracket.wear.light.Power;
import yellowbracket.wear.panel.ViewThrough;

class DayTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);

    private static WalkTest.Known known(boolean glasses) {
        var shell = Shapes.cappedShell(124, 4, 50, 96, 64);
        var ada = new Wearer("Ada", HeadMeasures.of(575, 195, 153), glasses, 9, 1700);
        var cavity = Cavity.of(shell, Bvh.of(shell));
        var fit = Fit.of(Room.of(ada), HeadForm.of(ada.head()), cavity, 1, new Fit.Scales(0.5, "", 1, "", 2, "", true));
        var turn = new HeadTurn(50, 50, 20, 25, List.of(), List.of());
        var on = OnHead.of(fit);
        return new WalkTest.Known(on, ViewThrough.of(on.vision(), on.form(), on.pose(), List.of()), OptionalDouble.of(fit.air().openCm2()),
                turn, Balance.worn(List.of(new Weighed("all", 900, new Vec3(0, 40, 0))), Vec3.ZERO, Optional.empty()), 4, !glasses);
    }

    @Test
    void theListIsMadeForThisWearer() {
        assertThat(WalkTest.of(known(true), Map.of()).items()).extracting(WalkTest.Item::what)
                .contains(WalkTest.What.GLASSES, WalkTest.What.OFF, WalkTest.What.STAIRS);
        assertThat(WalkTest.of(known(false), Map.of()).items()).extracting(WalkTest.Item::what).doesNotContain(WalkTest.What.GLASSES);
        assertThat(WalkTest.of(known(false), Map.of()).items()).allSatisfy(i -> {
            assertThat(i.why()).isNotBlank();
            assertThat(i.remedy()).isNotBlank();
        });
    }

    @Test
    void whatFailsGetsItsRemedyAndAllPassedIsDone() {
        var failed = WalkTest.of(known(false), Map.of(WalkTest.What.STAIRS, new WalkTest.Result(false, "caught the rail")));
        assertThat(failed.findings()).singleElement().asString().contains("stairs", "helper");
        assertThat(failed.done()).isFalse();
        var all = new java.util.EnumMap<WalkTest.What, WalkTest.Result>(WalkTest.What.class);
        assertThat(WalkTest.of(known(true), Map.of()).items()).as("its ears are free")
                .extracting(WalkTest.Item::what)
                .doesNotContain(WalkTest.What.HEARING);
        for (var w : WalkTest.What.values()) all.put(w, new WalkTest.Result(true, ""));
        assertThat(WalkTest.of(known(false), all).done()).isTrue();
    }

    @Test
    void linesOfTheLogAreReadBack() {
        Build b = SmallBuild.build();
        String prop = b.props().getFirst().id();
        var note = new Entry.PadNote(prop, "Ada May", Zone.BACK, 3);
        var walked = new Entry.Walked(prop, "Ada May", WalkTest.What.STAIRS, new WalkTest.Result(false, "caught the rail"));

        assertThat(Entry.parse(NOW, note.line(), b).orElseThrow().padNote()).contains(note);
        assertThat(
                Entry.parse(NOW, new Entry.PadNote(prop, "Ada", Zone.BROW, -2).line(), b).orElseThrow().padNote().orElseThrow().tightMm())
                .isEqualTo(-2);
        assertThat(Entry.parse(NOW, walked.line(), b).orElseThrow().walked()).contains(walked);
        assertThat(Entry.parse(NOW, "pads nobody Ada tight back 3 mm", b).orElseThrow().kind()).isEqualTo(Entry.Kind.NOTE);
        assertThat(Entry.parse(NOW, "pads " + prop + " Ada tight nose 3 mm", b).orElseThrow().kind()).isEqualTo(Entry.Kind.NOTE);
        assertThat(Entry.parse(NOW, "walk " + prop + " Ada flying passed", b).orElseThrow().kind()).isEqualTo(Entry.Kind.NOTE);
    }

    @Test
    void theKitGoesByWhatIsInTheProp() {
        var lit = Power.of(
                List.of(new Power.Run(new Load("eyes", Load.Kind.LIGHT, Optional.empty(), List.of(), 0, 10), 0, Double.POSITIVE_INFINITY)),
                2, List.of());
        var p = Packing.of(new Packing.Of("helm", true, List.of("Ada"), 5, 12, List.of("brim"), 12_000, true, Optional.of(lit), 8));

        assertThat(p.kit()).extracting(Packing.Line::what).contains("touch-up: brim", "soft cloth, anti-fog", "hook tape");
        assertThat(p.kit()).anySatisfy(l -> {
            assertThat(l.what()).startsWith("spare cells");
            // 1000 mAh at 200 mA, four fifths useful: four hours a set, two sets for eight
            assertThat(l.amount()).startsWith("2 sets");
        });
        assertThat(p.kit()).anySatisfy(l -> assertThat(l.what() + l.amount()).isEqualTo("spare magnets of the size used2"));
        var displayed = Packing.of(new Packing.Of("staff", false, List.of(), 0, 0, List.of(), 0, false, Optional.empty(), 8));
        assertThat(displayed.prop()).anyMatch(l -> l.what().startsWith("stand"));
        assertThat(displayed.kit()).noneMatch(l -> l.what().startsWith("water"));
    }
}
