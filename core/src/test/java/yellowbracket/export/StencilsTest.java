package yellowbracket.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.colour.mark.Mark;
import yellowbracket.colour.mark.MarkShape;
import yellowbracket.colour.mark.SvgPaths;
import yellowbracket.mesh.Vec3;

class StencilsTest {
    @TempDir
    private Path dir;

    private static Mark mark(MarkShape shape, boolean mirrored) {
        return new Mark("lamp & <hook>", shape, Mark.Way.STENCIL, Vec3.ZERO, Vec3.Z, mirrored, 3, 0.05);
    }

    @Test
    void aPrintedStencilMeasuresWhatItSays() throws Exception {
        var file = dir.resolve("s.pdf");
        var shape = new MarkShape.Stripes(5, 100, 4, 60);
        Stencils.pdf(List.of(mark(shape, false)), file);
        try (var doc = Loader.loadPDF(file.toFile())) {
            assertThat(doc.getNumberOfPages()).isEqualTo(1);
            var b = OnPaper.box(new PDFRenderer(doc).renderImageWithDPI(0, (float) OnPaper.DPI), 39.5);
            assertThat(b[1] - b[0]).isCloseTo(100, within(0.3));
            assertThat(b[3] - b[2]).isCloseTo(60, within(0.3));
        }
    }

    @Test
    void aLargeOneRunsOverSeveralPages() throws Exception {
        var file = dir.resolve("s.pdf");
        Stencils.pdf(List.of(mark(new MarkShape.Ring(400, 380), false)), file);
        try (var doc = Loader.loadPDF(file.toFile())) {
            assertThat(doc.getNumberOfPages()).isEqualTo(6);
        }
    }

    @Test
    void theSvgHoldsTheSameOutlineInMillimetres() throws Exception {
        var file = dir.resolve("s.svg");
        Stencils.svg(mark(new MarkShape.Letters("L7", 30), true), file);
        assertThat(Files.readString(file)).contains("mm\"").contains("lamp &amp; &lt;hook&gt;");
        var shape = SvgPaths.shape(SvgPaths.read(file));
        var drawn = new MarkShape.Letters("L7", 30).outline().getBounds2D();
        assertThat(shape.getBounds2D().getWidth()).isCloseTo(drawn.getWidth(), within(0.01));
        assertThat(shape.getBounds2D().getHeight()).isCloseTo(drawn.getHeight(), within(0.01));
    }
}
