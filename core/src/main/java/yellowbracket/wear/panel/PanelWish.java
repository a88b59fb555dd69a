package yellowbracket.wear.panel;

import yellowbracket.finding.Limits;

/**
 * How an opening is closed.
 *
 * @param opening by name @param sheet by its name in the catalogue @param marginMm of glue or seam all round
 */
public record PanelWish(String opening, Kind kind, String sheet, double thickMm, double marginMm) {
    public static final double USUAL_MARGIN_MM = 9;
    private static final double MOST_MARGIN_MM = 40, MOST_THICK_MM = 10;

    /** What closes it. */
    public enum Kind {
        OPEN("left open"), SHEET("a sheet behind it"), PRESSED("a printed lens pressed in"), FORMED("a lens formed over a buck"),
        MESH("mesh or cloth");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public PanelWish {
        Limits.named("an opening", opening);
        Limits.within("thickness of the sheet in the " + opening + " opening, mm", thickMm, 0.05, MOST_THICK_MM);
        Limits.within("margin of the sheet in the " + opening + " opening, mm", marginMm, 0, MOST_MARGIN_MM);
    }

    public PanelWish of(Kind k) {
        return new PanelWish(opening, k, sheet, thickMm, marginMm);
    }

    public PanelWish of(String name, double thick) {
        return new PanelWish(opening, kind, name, thick, marginMm);
    }

    public PanelWish withMargin(double mm) {
        return new PanelWish(opening, kind, sheet, thickMm, mm);
    }
}
