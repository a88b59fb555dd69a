package yellowbracket.desktop;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Edit;
import yellowbracket.intake.BodyRole;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshWriter;
import static org.assertj.core.api.Assertions.assertThat;

/** What the window stands on: edits, previews, what-ifs, work aside, files, and what is told when they fail. */
class AppModelTest extends WindowTest {
    @Override
    DemoBuild first() {
        return lightDemo();
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    @Test
    void aPreviewIsShownAndNotTaken(FxRobot robot) {
        var build = model.session().build();
        robot.interact(() -> model.preview(Edit.scale("helm", 1.2)));
        assertThat(model.shownProperty().get().prop("helm").orElseThrow().scale()).isEqualTo(1.2);
        assertThat(model.session().build()).isSameAs(build);
        robot.interact(model::endPreview);
        assertThat(model.shownProperty().get()).isSameAs(build);
        assertThat(model.session().dirty()).isFalse();
    }

    @Test
    void aWhatIfAnswersWithoutChangingAnything(FxRobot robot) {
        derived();
        var answers = new ArrayList<Double>();
        var ends = finish();
        robot.interact(() -> model.whatIf(Edit.scale("helm", 1.3), d -> answers.add(d.require(PrintFigures.PRINTS, "helm").hours())));
        until("an answer", () -> !answers.isEmpty());
        assertThat(answers.getFirst()).isGreaterThan(1.2 * model.derivedProperty().get().require(PrintFigures.PRINTS, "helm").hours());
        assertThat(finish()).isEqualTo(ends);
        assertThat(model.session().dirty()).isFalse();
    }

    /** The newest work wins: what was begun before is stopped and never answers. */
    @Test
    void newerWorkStopsOlder(FxRobot robot) throws Exception {
        var begun = new CountDownLatch(1);
        var answers = new ArrayList<String>();
        robot.interact(() -> model.background("first", p -> {
            begun.countDown();
            while (true) {
                p.report(1, 2);
                p.check();
                Thread.onSpinWait();
            }
        }, x -> answers.add("first")));
        assertThat(begun.await(10, TimeUnit.SECONDS)).isTrue();
        until("progress is told", () -> model.busyProperty().get().equals("first  50 %"));
        robot.interact(() -> model.background("second", p -> "done", x -> answers.add("second")));
        until("the second", () -> answers.contains("second"));
        assertThat(answers).containsExactly("second");
        assertThat(model.busyProperty().get()).isEmpty();
    }

    @Test
    void workThatFailsIsToldInWords(FxRobot robot) {
        robot.interact(() -> model.background("packing", p -> {
            throw new IllegalStateException("the box is full; take a larger one");
        }, x -> {}));
        until("told", () -> told().equals("packing failed: the box is full; take a larger one"));
        robot.interact(() -> model.background("weighing", p -> {
            throw new OutOfMemoryError("simulated");
        }, x -> {}));
        until("told", () -> told().contains("more memory than there is"));
        assertThat(model.busyProperty().get()).isEmpty();
    }

    @Test
    void decisionsAboutTheFileAreSavedAndComeBack(FxRobot robot) throws Exception {
        derived();
        var file = dir.resolve("two.ply");
        var two = Mesh.union(List.of(Shapes.box(Vec3.ZERO, new Vec3(30, 20, 25)), Shapes.sphere(2, 12).moved(new Vec3(40, 0, 0))));
        MeshWriter.write(List.of(new MeshWriter.Named("two", two)), MeshWriter.Kind.PLY, file);
        robot.interact(() -> model.sessions().open(file));
        until("opened", () -> model.currentProp().map(p -> p.name().equals("two")).orElse(false));
        String id = prop().id();
        robot.interact(
                () -> model.apply(Edit.intake("drop the ball", id, i -> i.withRole(List.of(1), BodyRole.DROPPED).withMirrored(true))));
        var saved = dir.resolve("with-two.bracket");
        robot.interact(() -> model.sessions().save(saved));
        until("saved", () -> !model.session().dirty());
        var back = ((BuildFile.Outcome.Opened) BuildFile.read(saved, Progress.NONE)).build();
        assertThat(back).isEqualTo(model.session().build());
        assertThat(back.prop(id).orElseThrow().intake().role(1)).isEqualTo(BodyRole.DROPPED);
        assertThat(back.prop(id).orElseThrow().intake().mirrored()).isTrue();
    }

    @Test
    void theFileItselfIsNeverOverwrittenByAnImport(FxRobot robot) throws Exception {
        var file = dir.resolve("model.stl");
        MeshWriter.write(List.of(new MeshWriter.Named("m", Shapes.sphere(50, 20))), MeshWriter.Kind.STL, file);
        var bytes = java.nio.file.Files.readAllBytes(file);
        robot.interact(() -> model.sessions().open(file));
        until("opened", () -> model.currentProp().map(p -> p.name().equals("model")).orElse(false));
        robot.interact(() -> model.apply(Edit.scale(prop().id(), 2)));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(java.nio.file.Files.readAllBytes(file)).isEqualTo(bytes);
    }
}
