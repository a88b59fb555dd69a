package yellowbracket.export;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourSurface;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.Match;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.shop.Lab;
import yellowbracket.shop.PaintShelf;

/** Papers for the spray spot: where each colour lies, from four sides with a scale, and a card of the colours with room for real paint. */
public final class ZonesDrawing {
    private static final float PT = 72 / 25.4f, WIDE = PDRectangle.A4.getHeight(), TALL = PDRectangle.A4.getWidth(), MARGIN = 34, HEAD = 26,
            LIST = 150, LINE = 12;
    private static final int PIXELS = 1100;
    private static final int PLAIN = 0x8b8f92;

    private final PDDocument document = new PDDocument();
    private final PDFont head = PdfPages.font(document, "barlow-condensed-600.ttf");
    private final PDFont body = PdfPages.font(document, "jetbrains-mono-400.ttf");
    private PDPageContentStream out;

    private ZonesDrawing() {}

    /** A side it is seen from. */
    private enum Side {
        FRONT("front", Vec3.X.times(-1), Vec3.Z), LEFT("its left side", Vec3.Y.times(-1), Vec3.Z), BACK("back", Vec3.X, Vec3.Z),
        TOP("top", Vec3.X.times(-1), Vec3.Y.times(-1));

        private final String words;
        private final Vec3 right;
        private final Vec3 up;

        Side(String words, Vec3 right, Vec3 up) {
            this.words = words;
            this.right = right;
            this.up = up;
        }
    }

    /** One A4 page across. @param painted real mm, y forward, z up @throws IOException when it cannot be written */
    public static void zones(String prop, Painted painted, List<ColourZone> zones, ColourSurface surface, ColourPlan plan, Path file)
            throws IOException {
        var d = new ZonesDrawing();
        try (d.document) {
            d.views(prop, painted, zones, surface, plan);
            SafeFile.write(file, Export.bytes(d.document));
        }
    }

    /** A4 pages with a field for each zone's colour. @throws IOException when it cannot be written */
    public static void card(String prop, List<ColourZone> zones, PaintShelf shelf, ColourPlan plan, Path file) throws IOException {
        var d = new ZonesDrawing();
        try (d.document) {
            d.cards(prop, zones, shelf, plan);
            SafeFile.write(file, Export.bytes(d.document));
        }
    }

    private void views(String prop, Painted p, List<ColourZone> zones, ColourSurface surface, ColourPlan plan) throws IOException {
        start(new PDRectangle(WIDE, TALL));
        text(head, 16, MARGIN, TALL - MARGIN, prop + ": what colour goes where");
        var m = p.mesh();
        var size = m.bounds().size();
        double mm = Math.max(size.x(), Math.max(size.y(), size.z())) / PIXELS;
        double cellWide = (WIDE - 2 * MARGIN - LIST) / 2, cellTall = (TALL - 2 * MARGIN - HEAD) / 2;
        var shots = new ArrayList<Raster>();
        for (var s : Side.values()) shots.add(Raster.of(m, s.right, s.up, mm, f -> colour(zones, p.zone(f))));
        double least = Double.POSITIVE_INFINITY; // points of paper for a mm, the same for all four
        for (var r : shots) least = Math.min(least, Math.min((cellWide - 12) / r.wideMm(), (cellTall - 24) / r.tallMm()));
        for (int i = 0; i < shots.size(); i++) {
            var r = shots.get(i);
            double x = MARGIN + i % 2 * cellWide, y = TALL - MARGIN - HEAD - (1 + i / 2) * cellTall;
            out.drawImage(r.image(document), (float) (x + (cellWide - r.wideMm() * least) / 2), (float) (y + 6),
                    (float) (r.wideMm() * least), (float) (r.tallMm() * least));
            text(body, 8, x, y + cellTall - 8, Side.values()[i].words);
        }
        scale(least);
        list(zones, surface, plan);
        out.close();
    }

    private static int colour(List<ColourZone> zones, int id) {
        return zones.stream().filter(z -> z.id() == id).findFirst().map(z -> Integer.parseInt(z.hex().substring(1), 16)).orElse(PLAIN);
    }

    /** @param points of paper for a mm */
    private void scale(double points) throws IOException {
        double mm = 100;
        float y = MARGIN - 14;
        out.setLineWidth(1);
        out.moveTo(MARGIN, y);
        out.lineTo((float) (MARGIN + mm * points), y);
        out.stroke();
        text(body, 8, MARGIN + mm * points + 6, y - 3, String.format(Locale.ROOT, "100 mm; drawn 1 : %.1f", PT / points));
    }

    private void list(List<ColourZone> zones, ColourSurface surface, ColourPlan plan) throws IOException {
        double x = WIDE - MARGIN - LIST + 10, y = TALL - MARGIN - HEAD;
        for (var z : zones) {
            if (y < MARGIN + 4 * LINE) {
                text(body, 8, x, y, "and more");
                break;
            }
            swatch(z.hex(), x, y - 22, 22, 22);
            text(head, 11, x + 28, y - 8, z.name());
            text(body, 7, x + 28, y - 19, z.hex() + " " + z.sheen().words());
            text(body, 7, x, y - 32, z.paint());
            var coats = coats(plan, z);
            text(body, 7, x, y - 42, String.format(Locale.ROOT, "%.1f dm2, %s", surface.paintedDm2(z.id()),
                    coats.map(c -> c.count() + (c.count() == 1 ? " coat" : " coats")).orElse("no coats")));
            y -= 56;
        }
    }

    private static Optional<ColourPlan.Coats> coats(ColourPlan plan, ColourZone z) {
        return plan.coats().stream().filter(c -> c.zones().equals(List.of(z.id())) && c.zone().equals(z.name())).findFirst();
    }

    private void cards(String prop, List<ColourZone> zones, PaintShelf shelf, ColourPlan plan) throws IOException {
        float y = 0, tall = 108;
        for (int i = 0; i < zones.size(); i++) {
            if (y < MARGIN + tall) {
                if (out != null) out.close();
                start(PDRectangle.A4);
                y = PDRectangle.A4.getHeight() - MARGIN;
                text(head, 16, MARGIN, y, prop + ": colours");
                text(body, 8, MARGIN, y - 16,
                        "printers and screens do not show colours true: paint the empty field, let it dry, judge by it");
                y -= 34;
            }
            var z = zones.get(i);
            field(z, shelf, plan, y);
            y -= tall;
        }
        if (out == null) {
            start(PDRectangle.A4);
            text(head, 16, MARGIN, PDRectangle.A4.getHeight() - MARGIN, prop + ": no zones yet");
        }
        out.close();
    }

    private void field(ColourZone z, PaintShelf shelf, ColourPlan plan, float y) throws IOException {
        float h = 88;
        swatch(z.hex(), MARGIN, y - h, 130, h);
        out.setLineWidth(0.6f);
        out.setStrokingColor(0.45f, 0.45f, 0.45f);
        out.addRect(MARGIN + 130, y - h, 130, h);
        out.stroke();
        text(body, 7, MARGIN + 136, y - h + 6, "paint here");
        double x = MARGIN + 274;
        var lab = Lab.ofHex(z.hex());
        text(head, 13, x, y - 12, z.name());
        text(body, 8, x, y - 26, String.format(Locale.ROOT, "%s, L* %.0f a* %.0f b* %.0f", z.hex(), lab.l(), lab.a(), lab.b()));
        text(body, 8, x, y - 38, z.paint() + ", " + z.sheen().words());
        var under = plan.undercoats().groups().stream().filter(g -> g.zones().contains(z.id())).findFirst();
        text(body, 8, x, y - 50,
                String.format(Locale.ROOT, "%s%s",
                        coats(plan, z).map(c -> c.likely().words() + " coats of " + String.format(Locale.ROOT, "%.0f g", c.grams()))
                                .orElse("no coats"),
                        under.map(g -> ", on " + g.shade()).orElse("")));
        var best = Match.of(lab, z.sheen(), shelf.paints()).stream().findFirst();
        text(body, 8, x, y - 62, best.map(b -> String.format(Locale.ROOT, "nearest: %s, %.1f off%s", b.paint().name(), b.off(),
                b.sure() ? ", by its card" : ", by its lid")).orElse("no paint on the shelf"));
        text(body, 8, x, y - 78, "lot:              date:");
    }

    private void start(PDRectangle size) throws IOException {
        var page = new PDPage(size);
        document.addPage(page);
        out = new PDPageContentStream(document, page);
    }

    private void swatch(String hex, double x, double y, double w, double h) throws IOException {
        int rgb = Integer.parseInt(hex.substring(1), 16);
        out.setNonStrokingColor((rgb >> 16 & 255) / 255f, (rgb >> 8 & 255) / 255f, (rgb & 255) / 255f);
        out.addRect((float) x, (float) y, (float) w, (float) h);
        out.fill();
        out.setNonStrokingColor(0f, 0f, 0f);
    }

    private void text(PDFont font, float size, double x, double y, String words) throws IOException {
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset((float) x, (float) y);
        out.showText(PdfPages.plain(words));
        out.endText();
    }
}
