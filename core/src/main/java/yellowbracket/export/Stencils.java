package yellowbracket.export;

import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import yellowbracket.colour.mark.Mark;
import yellowbracket.mesh.io.SafeFile;

/** Stencils of marks at 1:1, as PDF with a ruler to check the printer by, and as SVG for a cutter. */
public final class Stencils {
    private static final float PT = 72 / 25.4f;
    /** Paper that no printer reaches, mm; the ruler's length. */
    private static final float MARGIN_MM = 12, RULER_MM = 100, HEAD_MM = 26;
    private static final double FLAT_MM = 0.02;

    private Stencils() {}

    /** A4, each mark on as many pages as it takes, side by side. @throws IOException when it cannot be written */
    public static void pdf(List<Mark> marks, Path file) throws IOException {
        try (var doc = new PDDocument(); var bytes = new ByteArrayOutputStream()) {
            var font = PdfPages.font(doc, "jetbrains-mono-400.ttf");
            for (var m : marks) pages(doc, font, m);
            doc.save(bytes);
            SafeFile.write(file, bytes.toByteArray());
        }
    }

    private static void pages(PDDocument doc, PDFont font, Mark m) throws IOException {
        var shape = m.outline();
        var b = shape.getBounds2D();
        double wide = PDRectangle.A4.getWidth() / PT - 2 * MARGIN_MM, tall = PDRectangle.A4.getHeight() / PT - 2 * MARGIN_MM - HEAD_MM;
        int across = Math.max(1, (int) Math.ceil(b.getWidth() / wide - 1e-9)),
                down = Math.max(1, (int) Math.ceil(b.getHeight() / tall - 1e-9));
        for (int j = 0; j < down; j++) for (int i = 0; i < across; i++) {
            var page = new PDPage(PDRectangle.A4);
            doc.addPage(page);
            try (var out = new PDPageContentStream(doc, page)) {
                head(out, font, m,
                        across * down == 1 ? "" : String.format(Locale.ROOT, ", part %d of %d", j * across + i + 1, across * down));
                out.saveGraphicsState();
                out.addRect(MARGIN_MM * PT, MARGIN_MM * PT, (float) wide * PT, (float) tall * PT);
                out.clip();
                path(out, shape, MARGIN_MM - b.getMinX() - i * wide, MARGIN_MM + tall - b.getMaxY() + j * tall);
                out.restoreGraphicsState();
                if (across * down > 1) {
                    out.setLineWidth(0.2f);
                    out.setLineDashPattern(new float[] {2, 3}, 0);
                    out.addRect(MARGIN_MM * PT, MARGIN_MM * PT, (float) wide * PT, (float) tall * PT);
                    out.stroke();
                }
            }
        }
    }

    private static void head(PDPageContentStream out, PDFont font, Mark m, String part) throws IOException {
        var b = m.outline().getBounds2D();
        float top = PDRectangle.A4.getHeight() - MARGIN_MM * PT;
        text(out, font, top - 8, PdfPages.plain(String.format(Locale.ROOT, "%s%s: %.1f x %.1f mm, 1:1%s", m.name(), part, b.getWidth(),
                b.getHeight(), m.mirrored() ? ", mirrored" : "")));
        text(out, font, top - 20, String.format(Locale.ROOT, "a flat sheet must give %.1f %%%s", 100 * m.stretch(),
                m.stretch() > Mark.GIVES ? ": cut it in pieces, or use a soft one" : ""));
        out.setLineWidth(0.5f);
        float y = top - 38;
        for (int mm = 0; mm <= RULER_MM; mm += 10) {
            out.moveTo((MARGIN_MM + mm) * PT, y);
            out.lineTo((MARGIN_MM + mm) * PT, y + (mm % 50 == 0 ? 8 : 5));
        }
        out.moveTo(MARGIN_MM * PT, y);
        out.lineTo((MARGIN_MM + RULER_MM) * PT, y);
        out.stroke();
        text(out, font, y - 9, "100 mm: measure it, print without fitting to the page");
    }

    private static void text(PDPageContentStream out, PDFont font, float y, String words) throws IOException {
        out.beginText();
        out.setFont(font, 8);
        out.newLineAtOffset(MARGIN_MM * PT, y);
        out.showText(words);
        out.endText();
    }

    /** @param dx moves the shape on the page, mm */
    private static void path(PDPageContentStream out, Shape shape, double dx, double dy) throws IOException {
        out.setLineWidth(0.1f);
        double[] c = new double[6];
        for (var it = shape.getPathIterator(null, FLAT_MM); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            float x = (float) ((c[0] + dx) * PT), y = (float) ((c[1] + dy) * PT);
            switch (kind) {
                case PathIterator.SEG_MOVETO -> out.moveTo(x, y);
                case PathIterator.SEG_CLOSE -> out.closePath();
                default -> out.lineTo(x, y);
            }
        }
        out.stroke();
    }

    /** In millimetres, y down as SVG has it. @throws IOException when it cannot be written */
    public static void svg(Mark m, Path file) throws IOException {
        var shape = m.outline();
        var b = shape.getBounds2D();
        var d = new StringBuilder();
        double[] c = new double[6];
        for (var it = shape.getPathIterator(null, FLAT_MM); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            if (kind == PathIterator.SEG_CLOSE) d.append("Z ");
            else d.append(String.format(Locale.ROOT, "%s%.3f %.3f ", kind == PathIterator.SEG_MOVETO ? "M" : "L", c[0] - b.getMinX(),
                    b.getMaxY() - c[1]));
        }
        String name = m.name().replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
        SafeFile.write(file, String.format(Locale.ROOT, """
                <svg xmlns="http://www.w3.org/2000/svg" width="%.3fmm" height="%.3fmm" viewBox="0 0 %.3f %.3f">
                <title>%s</title>
                <path fill="#000000" fill-rule="evenodd" d="%s"/>
                </svg>
                """, b.getWidth(), b.getHeight(), b.getWidth(), b.getHeight(), name, d.toString().strip())
                .getBytes(StandardCharsets.UTF_8));
    }
}
