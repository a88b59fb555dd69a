package yellowbracket.wear.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Sheeting;

/**
 * Patterns laid out on sheets as they are sold: rows of rectangles, tallest first, each turned by a quarter where that fits better and
 * neither a bend nor the grain of cloth forbids it (sheets bend best across the way they were rolled). What is larger than a sheet is cut
 * in two halves that meet amid.
 */
public record Nest(Sheeting sheet, double thickMm, List<Laid> laid, int sheets, List<Finding> findings) {
    /** Between patterns, and to the edge of the sheet, mm. */
    static final double APART_MM = 8, EDGE_MM = 5;

    /** What is cut in one: a pattern, or half of one. @param half "" for all of it, else "left", "lower" ... */
    public record Piece(Panel panel, String half, Polygon shape) {
        private double wideMm() {
            return shape.getEnvelopeInternal().getWidth();
        }

        private double highMm() {
            return shape.getEnvelopeInternal().getHeight();
        }

        private static Piece whole(Panel p) {
            return new Piece(p, "", p.pattern());
        }

        /** @param upright whether the cut runs up and down */
        private static List<Piece> halves(Panel p, boolean upright) {
            var box = p.pattern().getEnvelopeInternal();
            var c = box.centre();
            var one = upright ? new Envelope(box.getMinX(), c.x, box.getMinY(), box.getMaxY())
                    : new Envelope(box.getMinX(), box.getMaxX(), box.getMinY(), c.y);
            var other = upright ? new Envelope(c.x, box.getMaxX(), box.getMinY(), box.getMaxY())
                    : new Envelope(box.getMinX(), box.getMaxX(), c.y, box.getMaxY());
            return List.of(new Piece(p, upright ? "left" : "lower", within(p, one)),
                    new Piece(p, upright ? "right" : "upper", within(p, other)));
        }

        private static Polygon within(Panel p, Envelope box) {
            return Panel.largest(p.pattern().intersection(p.pattern().getFactory().toGeometry(box)));
        }
    }

    /** @param x of the lower left corner, y upwards @param on which sheet, from 0 */
    public record Laid(Piece piece, int on, double x, double y, boolean turned) {
        public double wideMm() {
            return turned ? piece.highMm() : piece.wideMm();
        }

        public double highMm() {
            return turned ? piece.wideMm() : piece.highMm();
        }
    }

    /** @param panels of one sheet and thickness */
    public static Nest of(List<Panel> panels, Sheeting sheet, double thickMm) {
        var findings = new ArrayList<Finding>();
        var nest = new Rows(sheet);
        var pieces = new ArrayList<Piece>();
        for (var p : panels) {
            var whole = Piece.whole(p);
            if (nest.holds(whole)) {
                pieces.add(whole);
                continue;
            }
            // across its longer side first: the shorter seam
            boolean wide = p.wideMm() >= p.highMm();
            var cut = Stream.of(Piece.halves(p, wide), Piece.halves(p, !wide)).filter(h -> h.stream().allMatch(nest::holds)).findFirst();
            cut.ifPresent(pieces::addAll);
            findings.add(tooLarge(p, sheet, cut.isPresent()));
        }
        pieces.sort(Comparator.comparingDouble(Piece::highMm).reversed());
        pieces.forEach(nest::lay);
        return new Nest(sheet, thickMm, List.copyOf(nest.laid), nest.laid.isEmpty() ? 0 : nest.on + 1, List.copyOf(findings));
    }

    private static Finding tooLarge(Panel p, Sheeting sheet, boolean halves) {
        return Finding.of(halves ? Weight.CARE : Weight.STOP, Subject.WHOLE,
                String.format(Locale.ROOT, "the %s opening wants %.0f x %.0f mm, a sheet of %s gives %.0f x %.0f: %s", p.opening().name(),
                        p.wideMm(), p.highMm(), sheet.name(), sheet.wideMm() - 2 * EDGE_MM, sheet.highMm() - 2 * EDGE_MM,
                        halves ? "it is cut in two halves that meet amid, on a strip glued behind; a larger sheet shows no seam"
                                : "not even two halves that meet amid go on it: a larger sheet"));
    }

    /** Sheets being filled row by row. */
    private static final class Rows {
        private final double wide, high;
        private final List<Laid> laid = new ArrayList<>();
        private int on;
        private double x, y, row;

        Rows(Sheeting sheet) {
            wide = sheet.wideMm() - 2 * EDGE_MM;
            high = sheet.highMm() - 2 * EDGE_MM;
        }

        private boolean straight(Piece p) {
            return p.wideMm() <= wide && p.highMm() <= high;
        }

        private boolean turned(Piece p) {
            return p.panel.sheet().kind() != Sheeting.Kind.CLOTH && p.panel.bend().how() == Panel.How.FLAT && p.highMm() <= wide
                    && p.wideMm() <= high;
        }

        boolean holds(Piece p) {
            return straight(p) || turned(p);
        }

        void lay(Piece p) {
            boolean turned = !straight(p);
            double w = turned ? p.highMm() : p.wideMm(), h = turned ? p.wideMm() : p.highMm();
            if (x > 0 && x + w > wide) {
                x = 0;
                y += row + APART_MM;
                row = 0;
            }
            if (y + h > high) {
                on++;
                x = 0;
                y = 0;
                row = 0;
            }
            laid.add(new Laid(p, on, EDGE_MM + x, EDGE_MM + y, turned));
            x += w + APART_MM;
            row = Math.max(row, h);
        }
    }
}
