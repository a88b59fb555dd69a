package yellowbracket.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.shop.Catalogue;
import yellowbracket.wear.panel.Openings;
import yellowbracket.wear.panel.PanelWish;
import yellowbracket.wear.panel.Visor;

class FitOutFilesTest {
    @TempDir
    private Path dir;

    /** A plate with a window of 90 x 40, and what closes it. */
    private static Visor visor(PanelWish.Kind kind) {
        var b = new MeshBuilder(64, 128);
        b.addAll(Shapes.box(new Vec3(-200, 0, 20), new Vec3(200, 3, 200)));
        b.addAll(Shapes.box(new Vec3(-200, 0, -200), new Vec3(200, 3, -20)));
        b.addAll(Shapes.box(new Vec3(-200, 0, -20), new Vec3(-45, 3, 20)));
        b.addAll(Shapes.box(new Vec3(45, 0, -20), new Vec3(200, 3, 20)));
        var m = b.build();
        var shell = new ScaledShell(m, Bvh.of(m), 1);
        var found = Openings.of(shell, new Vec3(0, -60, 0), new Vec3(0, -1, 0), Progress.NONE);
        return Visor.of(found, List.of(new PanelWish("front", kind, "clear PETG", 1, 9)), Catalogue.builtIn().sheets(), shell, 300, 300);
    }

    @Test
    void theVisorMeasuresWhatItSaysOnPaper() throws Exception {
        var files = FitOutFiles.write(dir, List.of(), Optional.of(visor(PanelWish.Kind.SHEET)), 0.1).files();

        assertThat(files).extracting(f -> f.getFileName().toString()).containsExactly("visor.pdf", "visor-front.svg");
        try (var doc = Loader.loadPDF(files.getFirst().toFile())) {
            assertThat(new PDFTextStripper().getText(doc)).contains("108.0 x 58.0 mm, 1:1", "clear PETG", "seen from inside");
            var box = OnPaper.box(new PDFRenderer(doc).renderImageWithDPI(0, (float) OnPaper.DPI), 39.5);
            assertThat(box[1] - box[0]).isCloseTo(108, within(0.3));
            assertThat(box[3] - box[2]).isCloseTo(58, within(0.3));
        }
    }

    @Test
    void lensAndBuckAreClosedMeshesThatTellTheirSize() throws Exception {
        for (var kind : List.of(PanelWish.Kind.PRESSED, PanelWish.Kind.FORMED)) {
            var w = FitOutFiles.write(dir, List.of(), Optional.of(visor(kind)), 0.1);
            assertThat(w.left()).isEmpty();
            var file = w.files().getFirst();
            assertThat(file.getFileName().toString()).isEqualTo(kind == PanelWish.Kind.PRESSED ? "lens-front.3mf" : "buck-front.3mf");
            var read = (MeshFile.Read) MeshFile.read(file, Progress.NONE);
            MeshAssert.assertClosed(read.mesh());
            if (kind == PanelWish.Kind.PRESSED) {
                var sides = new ArrayList<>(
                        List.of(read.mesh().bounds().size().x(), read.mesh().bounds().size().y(), read.mesh().bounds().size().z()));
                sides.sort(null);
                assertThat(sides.get(2)).isCloseTo(89.8, within(0.06));
                assertThat(sides.get(1)).isCloseTo(39.8, within(0.06));
            }
        }
    }

    @Test
    void whatCannotBeMadeIsToldAndTheRestIsWritten() throws Exception {
        var w = FitOutFiles.write(dir, List.of(), Optional.of(visor(PanelWish.Kind.PRESSED)), 25);

        assertThat(w.files()).isEmpty();
        assertThat(w.left()).singleElement().asString().contains("front", "clearance");
    }
}
