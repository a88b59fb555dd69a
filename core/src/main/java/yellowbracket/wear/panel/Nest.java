package yellowbracket.wear.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Sheeting;

/**
 * Patterns laid out on sheets as they are sold: rows of rectangles, tallest first, each turned by a quarter where that fits better and no
 * bend forbids it (sheets bend best across the way they were rolled, so patterns that are bent lie one way).
 */
public record Nest(Sheeting sheet, double thickMm, List<Laid> laid, int sheets, List<Finding> findings) {
    /** Between patterns, and to the edge of the sheet, mm. */
    static final double APART_MM = 8, EDGE_MM = 5;

    /** @param x of the lower left corner, y upwards @param on which sheet, from 0 */
    public record Laid(Panel panel, int on, double x, double y, boolean turned) {
        public double wideMm() {
            return turned ? panel.highMm() : panel.wideMm();
        }

        public double highMm() {
            return turned ? panel.wideMm() : panel.highMm();
        }
    }

    /** @param panels of one sheet and thickness */
    public static Nest of(List<Panel> panels, Sheeting sheet, double thickMm) {
        double wide = sheet.wideMm() - 2 * EDGE_MM, high = sheet.highMm() - 2 * EDGE_MM;
        var laid = new ArrayList<Laid>();
        var findings = new ArrayList<Finding>();
        int on = 0;
        double x = 0, y = 0, row = 0;
        for (var p : panels.stream().sorted(Comparator.comparingDouble(Panel::highMm).reversed()).toList()) {
            double w = p.wideMm(), h = p.highMm();
            boolean mayTurn = p.bend().how() == Panel.How.FLAT, straight = w <= wide && h <= high,
                    turned = !straight && mayTurn && h <= wide && w <= high;
            if (!straight && !turned) {
                boolean other = h <= wide && w <= high;
                findings.add(Finding.of(Weight.STOP, Subject.WHOLE,
                        String.format(Locale.ROOT, "the %s opening wants %.0f x %.0f mm, a sheet of %s gives %.0f x %.0f: %s",
                                p.opening().name(), w, h, sheet.name(), wide, high,
                                other ? "it would go in across, where it bends less well; a larger sheet, or two halves that meet amid"
                                        : "a larger sheet, or two halves that meet amid")));
                continue;
            }
            if (turned) {
                double k = w;
                w = h;
                h = k;
            }
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
        return new Nest(sheet, thickMm, List.copyOf(laid), laid.isEmpty() ? 0 : on + 1, List.copyOf(findings));
    }
}
