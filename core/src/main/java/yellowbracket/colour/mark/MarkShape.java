package yellowbracket.colour.mark;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import yellowbracket.finding.Limits;

/** What a mark looks like before it is laid on the surface. Flat, mm, centred, v up. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({@JsonSubTypes.Type(value = MarkShape.Stripes.class, name = "stripes"),
        @JsonSubTypes.Type(value = MarkShape.Ring.class, name = "ring"),
        @JsonSubTypes.Type(value = MarkShape.Letters.class, name = "letters"),
        @JsonSubTypes.Type(value = MarkShape.Emblem.class, name = "emblem")})
public sealed interface MarkShape {
    double LEAST_MM = 1, MOST_MM = 600;

    /** Its outline. */
    Shape outline();

    /** How far its outline reaches from its middle, mm. */
    default double reach() {
        var b = outline().getBounds2D();
        return Math.hypot(Math.max(Math.abs(b.getMinX()), Math.abs(b.getMaxX())), Math.max(Math.abs(b.getMinY()), Math.abs(b.getMaxY())));
    }

    /** Bars side by side over a length: each is (length - (n - 1) gap) / n wide. @param tallMm of the bars */
    record Stripes(int n, double lengthMm, double gapMm, double tallMm) implements MarkShape {
        public Stripes {
            Limits.within("number of stripes", n, 1, 60);
            Limits.within("stripes over a length, mm", lengthMm, LEAST_MM, MOST_MM);
            Limits.within("gap between stripes, mm", gapMm, 0, MOST_MM);
            Limits.within("stripes tall, mm", tallMm, LEAST_MM, MOST_MM);
            if (!((lengthMm - (n - 1) * gapMm) / n >= 0.3)) throw new IllegalArgumentException(
                    n + " stripes with gaps of " + gapMm + " mm do not fit in " + lengthMm + " mm: fewer, or smaller gaps");
        }

        public double widthMm() {
            return (lengthMm - (n - 1) * gapMm) / n;
        }

        @Override
        public Shape outline() {
            var out = new Path2D.Double();
            for (int i = 0; i < n; i++)
                out.append(new Rectangle2D.Double(-lengthMm / 2 + i * (widthMm() + gapMm), -tallMm / 2, widthMm(), tallMm), false);
            return out;
        }
    }

    /** @param outerMm across @param innerMm across, 0 for a disc */
    record Ring(double outerMm, double innerMm) implements MarkShape {
        public Ring {
            Limits.within("ring across, mm", outerMm, LEAST_MM, MOST_MM);
            if (!(innerMm >= 0 && innerMm < outerMm)) throw new IllegalArgumentException("the hole of a ring is smaller than the ring");
        }

        @Override
        public Shape outline() {
            var out = new Area(new Ellipse2D.Double(-outerMm / 2, -outerMm / 2, outerMm, outerMm));
            if (innerMm > 0) out.subtract(new Area(new Ellipse2D.Double(-innerMm / 2, -innerMm / 2, innerMm, innerMm)));
            return out;
        }
    }

    /** @param tallMm of a capital letter */
    record Letters(String text, double tallMm) implements MarkShape {
        private static final TrueTypeFont FONT = font();
        private static final int MOST = 40;

        public Letters {
            Limits.named("letters of a mark", text);
            Limits.within("letters tall, mm", tallMm, LEAST_MM, MOST_MM);
            if (text.length() > MOST) throw new IllegalArgumentException("a mark has at most " + MOST + " letters");
            if (text.codePoints().anyMatch(c -> !Character.isSpaceChar(c) && !drawn(c))) throw new IllegalArgumentException(
                    "\"" + text + "\" has a letter that this program's font cannot draw: take an emblem for it");
        }

        private static boolean drawn(int code) {
            try {
                return FONT.getUnicodeCmapLookup().getGlyphId(code) > 0;
            } catch (IOException e) {
                throw new UncheckedIOException("a font that ships with the program cannot be read", e);
            }
        }

        private static TrueTypeFont font() {
            try (var in = Letters.class.getResourceAsStream("/yellowbracket/export/fonts/barlow-condensed-600.ttf")) {
                return new TTFParser().parse(new RandomAccessReadBuffer(in));
            } catch (IOException e) {
                throw new UncheckedIOException("a font that ships with the program cannot be read", e);
            }
        }

        @Override
        public Shape outline() {
            try {
                var cmap = FONT.getUnicodeCmapLookup();
                var out = new Path2D.Double();
                double x = 0;
                for (int code : text.codePoints().toArray()) {
                    int glyph = cmap.getGlyphId(code);
                    var path = FONT.getGlyph().getGlyph(glyph);
                    if (path != null) out.append(AffineTransform.getTranslateInstance(x, 0).createTransformedShape(path.getPath()), false);
                    x += FONT.getAdvanceWidth(glyph);
                }
                double k = tallMm / FONT.getOS2Windows().getCapHeight();
                var t = AffineTransform.getScaleInstance(k, k);
                t.translate(-x / 2, -FONT.getOS2Windows().getCapHeight() / 2.0);
                return t.createTransformedShape(out);
            } catch (IOException e) {
                throw new UncheckedIOException("a font that ships with the program cannot be read", e);
            }
        }
    }

    /** @param paths as in SVG, y down @param sizeMm its larger side */
    record Emblem(String name, String paths, double sizeMm) implements MarkShape {
        private static final int MOST = 400_000;

        public Emblem {
            Limits.named("an emblem", name);
            Limits.within("emblem across, mm", sizeMm, LEAST_MM, MOST_MM);
            if (paths.length() > MOST)
                throw new IllegalArgumentException("emblem " + name + " has more points than any stencil is cut with");
            SvgPaths.shape(paths);
        }

        @Override
        public Shape outline() {
            var raw = SvgPaths.shape(paths);
            var b = raw.getBounds2D();
            double k = sizeMm / Math.max(b.getWidth(), b.getHeight());
            var t = AffineTransform.getScaleInstance(k, -k);
            t.translate(-b.getCenterX(), -b.getCenterY());
            return t.createTransformedShape(raw);
        }
    }
}
