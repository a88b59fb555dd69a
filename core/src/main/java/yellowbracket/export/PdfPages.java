package yellowbracket.export;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import yellowbracket.mesh.io.SafeFile;

/** A4 pages of headed blocks of lines, running on to new pages as needed. Text outside Latin-1 is shown as ?. Single use. */
final class PdfPages {
    private static final float MARGIN = 50;
    private static final float LINE = 13;

    private final PDDocument document = new PDDocument();
    private final PDFont head = font(document, "barlow-condensed-600.ttf");
    private final PDFont body = font(document, "jetbrains-mono-400.ttf");
    private PDPageContentStream out;
    private float y;
    private String title = "";

    static PDFont font(PDDocument document, String name) {
        try (var in = PdfPages.class.getResourceAsStream("fonts/" + name)) {
            return PDType0Font.load(document, in, true);
        } catch (IOException e) {
            throw new UncheckedIOException("a font that ships with the program cannot be read", e);
        }
    }

    static String plain(String text) {
        return text.replaceAll("[^\\x20-\\x7e\\xa0-\\xff]", "?");
    }

    void page(String heading) {
        title = heading;
        fresh();
    }

    void block(String heading, List<String> lines) {
        if (lines.isEmpty()) return;
        if (y < MARGIN + 4 * LINE) fresh();
        y -= 6;
        line(head, 11, heading);
        for (var l : lines) line(body, 8, l);
    }

    private void fresh() {
        try {
            if (out != null) out.close();
            var page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            out = new PDPageContentStream(document, page);
            y = PDRectangle.A4.getHeight() - MARGIN;
            line(head, 16, title);
            y -= 6;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void line(PDFont font, float size, String text) {
        if (y < MARGIN) fresh();
        try {
            out.beginText();
            out.setFont(font, size);
            out.newLineAtOffset(MARGIN, y);
            out.showText(plain(text));
            out.endText();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        y -= LINE + size / 4;
    }

    void write(Path file) throws IOException {
        if (out == null) page("nothing to show");
        out.close();
        try (document) {
            SafeFile.write(file, Export.bytes(document));
        }
    }
}
