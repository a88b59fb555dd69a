package yellowbracket.export;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.shop.Catalogue;

class LabelsTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final LocalDate DAY = LocalDate.of(2026, 4, 2);

    @Test
    void aLabelTellsProductHazardDateAndWhereTheRestGoes(@TempDir Path dir) throws Exception {
        var file = Labels.write(List.of("coating epoxy", "brush-on UV resin", "no such thing"), DAY, SHOP, dir.resolve("labels.pdf"));
        try (var pdf = Loader.loadPDF(file.toFile())) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("coating epoxy", "2026-04-02", "epoxy on the skin", "1 : 0.50 by volume", "collection point",
                            "brush-on UV resin", "harden under the lamp")
                    .doesNotContain("no such thing");
        }
    }

    @Test
    void everyProductHasOne() {
        for (var c : SHOP.coatings()) {
            var lines = Labels.lines(c, DAY, SHOP);
            assertThat(lines).allMatch(l -> l.length() <= 110);
            assertThat(String.join(" ", lines)).contains("never in a drinks bottle");
            if (!c.hazards().isEmpty()) assertThat(String.join(" ", lines)).as(c.name()).contains("hazards:");
        }
        assertThat(String.join(" ", Labels.lines(SHOP.coating("two-part polyester filler"), DAY, SHOP))).contains("1.0 to 3.0 %");
    }
}
