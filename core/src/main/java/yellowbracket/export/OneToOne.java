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
import yellowbracket.mesh.io.SafeFile;

/** Patterns at 1:1, as PDF with a ruler to check the printer by, and as SVG for a cutter. */
final class OneToOne {
    private static final float PT = 72 / 25.4f;
    /** Paper that no printer reaches, mm; the ruler's length; what lies above the pattern. */
    private static final float MARGIN_MM = 12, RULER_MM = 100, HEAD_MM = 28;
    private static final double FLAT_MM = 0.02;
    private static final float CUT = 0.1f, MARK = 0.3f;

    private OneToOne() {}

    /** A4, each pattern on as many pages as it takes, side by side. */
    static void pdf(List<Pattern> patterns, Path file) throws IOException {
        try (var doc = new PDDocument(); var bytes = new ByteArrayOutputStream()) {
            var font = PdfPages.font(doc, "jetbrains-mono-400.ttf");
            for (var p : patterns) pages(doc, font, p);
            doc.save(bytes);
            SafeFile.write(file, bytes.toByteArray());
        }
    }

    private static void pages(PDDocument doc, PDFont font, Pattern p) throws IOException {
        var b = p.cut().getBounds2D();
        double wide = PDRectangle.A4.getWidth() / PT - 2 * MARGIN_MM, tall = PDRectangle.A4.getHeight() / PT - 2 * MARGIN_MM - HEAD_MM;
        int across = Math.max(1, (int) Math.ceil(b.getWidth() / wide - 1e-9)),
                down = Math.max(1, (int) Math.ceil(b.getHeight() / tall - 1e-9));
        for (int j = 0; j < down; j++) for (int i = 0; i < across; i++) {
            var page = new PDPage(PDRectangle.A4);
            doc.addPage(page);
            try (var out = new PDPageContentStream(doc, page)) {
                head(out, font, p, across * down == 1 ? "" : text(", part %d of %d", j * across + i + 1, across * down));
                out.saveGraphicsState();
                out.addRect(MARGIN_MM * PT, MARGIN_MM * PT, (float) wide * PT, (float) tall * PT);
                out.clip();
                double dx = MARGIN_MM - b.getMinX() - i * wide, dy = MARGIN_MM + tall - b.getMaxY() + j * tall;
                path(out, p.cut(), dx, dy, CUT);
                out.setLineDashPattern(new float[] {4, 2}, 0);
                for (var m : p.marks()) path(out, m, dx, dy, MARK);
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

    private static void head(PDPageContentStream out, PDFont font, Pattern p, String part) throws IOException {
        var b = p.cut().getBounds2D();
        float top = PDRectangle.A4.getHeight() - MARGIN_MM * PT, y = top - 8;
        line(out, font, y, text("%s%s: %.1f x %.1f mm, 1:1", p.name(), part, b.getWidth(), b.getHeight()));
        for (var n : p.notes()) line(out, font, y -= 11, n);
        out.setLineWidth(0.5f);
        y = top - 52;
        for (int mm = 0; mm <= RULER_MM; mm += 10) {
            out.moveTo((MARGIN_MM + mm) * PT, y);
            out.lineTo((MARGIN_MM + mm) * PT, y + (mm % 50 == 0 ? 8 : 5));
        }
        out.moveTo(MARGIN_MM * PT, y);
        out.lineTo((MARGIN_MM + RULER_MM) * PT, y);
        out.stroke();
        line(out, font, y - 9, "100 mm: measure it, print without fitting to the page");
    }

    private static void line(PDPageContentStream out, PDFont font, float y, String words) throws IOException {
        out.beginText();
        out.setFont(font, 8);
        out.newLineAtOffset(MARGIN_MM * PT, y);
        out.showText(PdfPages.plain(words));
        out.endText();
    }

    /** @param dx moves the shape on the page, mm */
    private static void path(PDPageContentStream out, Shape shape, double dx, double dy, float wide) throws IOException {
        out.setLineWidth(wide);
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

    /** In millimetres, y down as SVG has it; patterns below each other. @param fill of the cut shape, "none" for its outline alone */
    static void svg(String title, List<Pattern> patterns, String fill, Path file) throws IOException {
        double wide = patterns.stream().mapToDouble(p -> p.cut().getBounds2D().getWidth()).max().orElse(0), y = 0;
        var body = new StringBuilder();
        for (var p : patterns) {
            var b = p.cut().getBounds2D();
            String line = fill.equals("none") ? " stroke=\"#000000\" stroke-width=\"0.1\"" : "";
            body.append(text("<path fill=\"%s\" fill-rule=\"evenodd\"%s d=\"%s\"/>%n", fill, line,
                    data(p.cut(), b.getMinX(), b.getMaxY() + y)));
            for (var m : p.marks())
                body.append(text("<path fill=\"none\" stroke=\"#808080\" stroke-width=\"0.2\" stroke-dasharray=\"3 2\" d=\"%s\"/>%n",
                        data(m, b.getMinX(), b.getMaxY() + y)));
            y += b.getHeight() + (patterns.size() > 1 ? GAP_MM : 0);
        }
        String name = title.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
        SafeFile.write(file, text("""
                <svg xmlns="http://www.w3.org/2000/svg" width="%.3fmm" height="%.3fmm" viewBox="0 0 %.3f %.3f">
                <title>%s</title>
                %s</svg>
                """, wide, y, wide, y, name, body).getBytes(StandardCharsets.UTF_8));
    }

    private static final double GAP_MM = 8;

    private static String data(Shape shape, double left, double top) {
        var d = new StringBuilder();
        double[] c = new double[6];
        for (var it = shape.getPathIterator(null, FLAT_MM); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            if (kind == PathIterator.SEG_CLOSE) d.append("Z ");
            else d.append(text("%s%.3f %.3f ", kind == PathIterator.SEG_MOVETO ? "M" : "L", c[0] - left, top - c[1]));
        }
        return d.toString().strip();
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
