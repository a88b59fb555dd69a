package yellowbracket.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.colour.ColourPlanner;
import yellowbracket.colour.ColourSurface;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.Undercoats;
import yellowbracket.colour.zone.BorderLines;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.PaintShelf;

class ZonesDrawingTest {
    private static final List<ColourZone> ZONES = List.of(ColourZone.of(0, "lower half", "#1f5156", "acrylic lacquer spray"),
            ColourZone.of(1, "upper half", "#d9cfb6", "acrylic lacquer spray"));

    @TempDir
    private Path dir;

    @Test
    void theNearestFacetIsSeenAndItsSizeIsTrue() {
        var m = Shapes.box(new Vec3(-20, -10, 0), new Vec3(20, 10, 30));
        var r = Raster.of(m, Vec3.X, Vec3.Z, 0.5, f -> m.areaVector(f).unit().y() < -0.9 ? 0xff0000 : 0x00ff00);
        assertThat(r.wideMm()).isCloseTo(40, within(1.1));
        assertThat(r.tallMm()).isCloseTo(30, within(1.1));
        assertThat(r.pixel(40, 30) & 0xff00).as("the side that looks at the eye, not the one behind").isZero();
        assertThat(r.pixel(40, 30) >> 16).isPositive();
    }

    @Test
    void bothPapersNameEveryZone() throws Exception {
        var m = Shapes.sphere(80, 64);
        var painted = Painted.of(m, f -> m.centroid(f).z() > 0 ? 1 : 0);
        double half = m.areaMm2() / 2;
        var surface = new ColourSurface(Map.of(0, new ColourSurface.Area(half, 1), 1, new ColourSurface.Area(half, 1)),
                BorderLines.of(painted), Map.of());
        var plan = ColourPlanner.plan(surface, ColourWish.of(ZONES, "matt clear"), new Undercoats.Shade("grey primer", "#8a8d90", true),
                PaintShelf.EMPTY, Catalogue.builtIn());
        var drawing = dir.resolve("d.pdf");
        var card = dir.resolve("c.pdf");
        ZonesDrawing.zones("Orb", painted, ZONES, surface, plan, drawing);
        ZonesDrawing.card("Orb", ZONES, PaintShelf.EMPTY, plan, card);
        for (var file : List.of(drawing, card)) try (var doc = Loader.loadPDF(file.toFile())) {
            assertThat(doc.getNumberOfPages()).isEqualTo(1);
            assertThat(new PDFTextStripper().getText(doc)).contains("Orb")
                    .contains("upper half")
                    .contains("#d9cfb6")
                    .contains("lower half");
        }
    }
}
