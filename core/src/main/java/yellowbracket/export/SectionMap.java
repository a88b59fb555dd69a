package yellowbracket.export;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import yellowbracket.cut.Seam;
import yellowbracket.cut.registration.Registered;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.SafeFile;

/**
 * The section map: one A4 page with all sections pulled apart and lettered, seams marked where they meet, and beside it sizes, seams and
 * hardware. Drawn by
 * painter's order from light copies of the sections, looking at the wearer's face from the left and a little above. Single use.
 */
final class SectionMap {
    private static final int TRIANGLES_EACH = 1_600;
    private static final double APART = 0.62;
    private static final double YAW_DEG = -28;
    private static final double PITCH_DEG = 16;
    private static final Vec3 LIGHT = new Vec3(-0.45, 0.75, 0.55).unit();
    private static final float WIDE = PDRectangle.A4.getHeight();
    private static final float TALL = PDRectangle.A4.getWidth();
    private static final float MARGIN = 36;
    private static final float TABLE = 262;
    private static final float ROW = 9.6f;
    private static final float[] PAPER = {0.973f, 0.969f, 0.953f};
    private static final float[] INK = {0.114f, 0.133f, 0.149f};
    private static final float[] SOFT = {0.353f, 0.38f, 0.408f};
    private static final float[][] FILLS = {{0.58f, 0.69f, 0.71f}, {0.82f, 0.70f, 0.54f}, {0.65f, 0.62f, 0.56f}, {0.76f, 0.79f, 0.72f},
            {0.70f, 0.59f, 0.64f}, {0.53f, 0.62f, 0.50f}, {0.60f, 0.63f, 0.74f}, {0.74f, 0.65f, 0.52f}};

    private final PDDocument document = new PDDocument();
    private final PDFont head = PdfPages.font(document, "barlow-condensed-600.ttf");
    private final PDFont body = PdfPages.font(document, "jetbrains-mono-400.ttf");
    private final Registered registered;
    private final Map<String, Vec3> moved = new HashMap<>();
    private final Bounds3 whole;
    private PDPageContentStream out;
    private double unit = 1;
    private double midX;
    private double midY;

    private SectionMap(Registered registered) {
        this.registered = registered;
        whole = registered.sections()
                .sections()
                .stream()
                .map(s -> s.mesh().bounds())
                .reduce(Bounds3::union)
                .orElseThrow(() -> new IllegalArgumentException("no sections to draw"));
        for (var s : registered.sections().sections()) moved.put(s.name(), s.mesh().bounds().centre().minus(whole.centre()).times(APART));
    }

    /** @param heading build and prop; @param scale of the prop, told under the heading */
    static Path write(String heading, double scale, Registered registered, Path file) throws IOException {
        var map = new SectionMap(registered);
        try (map.document) {
            map.page(heading, scale);
            SafeFile.write(file, Export.bytes(map.document));
        }
        return file;
    }

    private void page(String heading, double scale) throws IOException {
        fresh();
        var size = whole.size();
        text(head, 17, MARGIN, TALL - MARGIN - 8, heading, INK);
        text(body, 7.5f, MARGIN, TALL - MARGIN - 21, String.format(Locale.ROOT,
                "at %.1f %%: %.0f x %.0f x %.0f mm, %d sections, %d seams; pulled apart, looked at from the wearer's front left",
                100 * scale, size.x(), size.y(), size.z(), registered.sections().sections().size(), registered.sections().seams().size()),
                SOFT);
        drawing();
        tables();
        out.close();
    }

    private void fresh() throws IOException {
        if (out != null) out.close();
        var page = new PDPage(new PDRectangle(WIDE, TALL));
        document.addPage(page);
        out = new PDPageContentStream(document, page);
        fill(PAPER);
        out.addRect(0, 0, WIDE, TALL);
        out.fill();
    }

    /** Right, up, and towards the viewer. */
    private static Vec3 view(Vec3 p) {
        double c = Math.cos(Math.toRadians(YAW_DEG)), s = Math.sin(Math.toRadians(YAW_DEG));
        double right = -(c * p.x() - s * p.y()), near = s * p.x() + c * p.y();
        double cp = Math.cos(Math.toRadians(PITCH_DEG)), sp = Math.sin(Math.toRadians(PITCH_DEG));
        return new Vec3(right, cp * p.z() - sp * near, sp * p.z() + cp * near);
    }

    private record Facet(Vec3 a, Vec3 b, Vec3 c, float[] fill) {
        double depth() {
            return a.z() + b.z() + c.z();
        }
    }

    private void drawing() throws IOException {
        var facets = new ArrayList<Facet>();
        int i = 0;
        for (var s : registered.sections().sections()) facets(Simplify.to(s.mesh(), TRIANGLES_EACH, yellowbracket.mesh.Progress.NONE),
                moved.get(s.name()), FILLS[i++ % FILLS.length], facets);
        fitToPage(facets);
        facets.sort(Comparator.comparingDouble(Facet::depth));
        out.setLineWidth(0.15f);
        for (var f : facets) {
            fill(f.fill);
            out.setStrokingColor(f.fill[0], f.fill[1], f.fill[2]);
            out.moveTo(px(f.a), py(f.a));
            out.lineTo(px(f.b), py(f.b));
            out.lineTo(px(f.c), py(f.c));
            out.closeAndFillAndStroke();
        }
        for (var s : registered.sections().seams()) seam(s);
        for (var s : registered.sections().sections()) tag(s.name(), view(s.mesh().bounds().centre().plus(moved.get(s.name()))), 11);
    }

    private static void facets(Mesh m, Vec3 off, float[] base, List<Facet> into) {
        for (int f = 0; f < m.triangleCount(); f++) {
            var n = m.areaVector(f);
            if (n.norm() == 0) continue;
            var seen = view(n.unit());
            if (seen.z() <= 0) continue;
            float light = (float) (0.62 + 0.5 * Math.max(0, seen.dot(LIGHT)));
            boolean cut = m.tag(f) != Mesh.ORIGINAL;
            var fill = new float[3];
            for (int k = 0; k < 3; k++) fill[k] = Math.min(1, base[k] * light * (cut ? 0.72f : 1));
            into.add(new Facet(view(m.corner(f, 0).plus(off)), view(m.corner(f, 1).plus(off)), view(m.corner(f, 2).plus(off)), fill));
        }
    }

    private void fitToPage(List<Facet> facets) {
        double x0 = 1e300, x1 = -1e300, y0 = 1e300, y1 = -1e300;
        for (var f : facets) for (var p : List.of(f.a, f.b, f.c)) {
            x0 = Math.min(x0, p.x());
            x1 = Math.max(x1, p.x());
            y0 = Math.min(y0, p.y());
            y1 = Math.max(y1, p.y());
        }
        double room = WIDE - 3 * MARGIN - TABLE, high = TALL - 2 * MARGIN - 40;
        unit = Math.min(room / Math.max(1, x1 - x0), high / Math.max(1, y1 - y0));
        midX = MARGIN + room / 2 - unit * (x0 + x1) / 2;
        midY = MARGIN + high / 2 - unit * (y0 + y1) / 2;
    }

    private float px(Vec3 p) {
        return (float) (midX + unit * p.x());
    }

    private float py(Vec3 p) {
        return (float) (midY + unit * p.y());
    }

    /** A thin line between the two places that come together, named in its middle. */
    private void seam(Seam s) throws IOException {
        var a = view(s.centre().plus(moved.get(s.first())));
        var b = view(s.centre().plus(moved.get(s.second())));
        out.setStrokingColor(INK[0], INK[1], INK[2]);
        out.setLineWidth(0.5f);
        out.setLineDashPattern(new float[] {2, 2}, 0);
        out.moveTo(px(a), py(a));
        out.lineTo(px(b), py(b));
        out.stroke();
        out.setLineDashPattern(new float[0], 0);
        tag(s.name(), a.plus(b).times(0.5), 6.5f);
    }

    private void tag(String words, Vec3 at, float size) throws IOException {
        float w = width(head, size, words) + size * 0.7f, h = size * 1.3f, x = px(at) - w / 2, y = py(at) - h / 2;
        fill(PAPER);
        out.setStrokingColor(INK[0], INK[1], INK[2]);
        out.setLineWidth(0.6f);
        out.addRect(x, y, w, h);
        out.fillAndStroke();
        text(head, size, x + size * 0.35f, y + size * 0.32f, words, INK);
    }

    private float y;

    private void tables() throws IOException {
        y = TALL - MARGIN - 8;
        var sections = registered.sections();
        heading("sections");
        for (var s : sections.sections()) row(String.format(Locale.ROOT, "%-3s %4.0f x %4.0f x %4.0f mm  %6.0f cm3", s.name(), s.size().x(),
                s.size().y(), s.size().z(), s.mesh().volumeMm3() / 1000));
        if (!sections.seams().isEmpty()) heading("seams: length, seen, held by");
        for (var s : sections.seams()) row(String.format(Locale.ROOT, "%-6s %4.0f %4.0f mm  %s", s.name(), s.lengthMm(), s.showLengthMm(),
                registered.words(s.name())));
        if (!registered.hardware().isEmpty()) heading("hardware");
        for (var h : registered.hardware()) row(h.words());
        var rest = new ArrayList<>(registered.findings().stream().map(Finding::words).toList());
        registered.refused().forEach(r -> rest.add(r.words()));
        if (!rest.isEmpty()) heading("mind");
        for (var f : rest) for (var line : wrapped(f)) row(line);
    }

    private static List<String> wrapped(String words) {
        var out = new ArrayList<String>();
        var line = new StringBuilder();
        for (var w : words.split(" ")) {
            if (line.length() + w.length() > 56) {
                out.add(line.toString());
                line.setLength(0);
                line.append("  ");
            }
            line.append(w).append(' ');
        }
        out.add(line.toString());
        return out;
    }

    private void heading(String words) throws IOException {
        y -= 6;
        room();
        text(head, 10, WIDE - MARGIN - TABLE, y, words, INK);
        y -= 12;
    }

    private void row(String words) throws IOException {
        room();
        text(body, 7, WIDE - MARGIN - TABLE, y, words, INK);
        y -= ROW;
    }

    /** Long lists run on to a second page. */
    private void room() throws IOException {
        if (y >= MARGIN) return;
        fresh();
        y = TALL - MARGIN - 8;
    }

    private void text(PDFont font, float size, float x, float at, String words, float[] colour) throws IOException {
        fill(colour);
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset(x, at);
        out.showText(PdfPages.plain(words));
        out.endText();
    }

    private void fill(float[] c) throws IOException {
        out.setNonStrokingColor(c[0], c[1], c[2]);
    }

    private static float width(PDFont font, float size, String words) {
        try {
            return font.getStringWidth(PdfPages.plain(words)) / 1000 * size;
        } catch (IOException e) {
            throw new UncheckedIOException("a font that ships with the program cannot be measured", e);
        }
    }
}
