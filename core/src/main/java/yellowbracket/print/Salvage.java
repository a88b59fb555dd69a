package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.PlaneCut;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

/**
 * What can be done with a print that stopped part way: print it again, print only what is missing and join it at the height reached, or
 * make up a little
 * with filler. {@code heightMm} above the bed; {@code plane} there, in the coordinates of the section, above being what is missing; {@code
 * turn} as it was printed. Hours are this maker's
 * and the printer's together; the new print's own risk is in them.
 */
public record Salvage(String section, double share, double heightMm, double missingMm, CutPlane plane, Turn turn, double lostHours,
        double lostGrams, List<Option> options) {
    /** Heating up, first layer, taking off; a print of hours does not notice a fifth more or less. */
    private static final double START_H = 0.15;

    /** What to do. */
    public enum Way {
        REST("print the rest"), AGAIN("print it again"), FILL("fill it up");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** {@code seamMm}: line of the seam it adds, inside and outside. */
    public record Option(Way way, double hours, double grams, double seamMm) {
        public String figures() {
            return String.format(Locale.ROOT, "~%.1f h, ~%.0f g", hours, grams)
                    + (seamMm > 0 ? String.format(Locale.ROOT, ", a seam of %.0f mm more", seamMm) : "");
        }
    }

    public Salvage {
        options = List.copyOf(options);
    }

    /**
     * @param section as printed, real mm
     * @param share of the print's time that was done, above 0 and below 1
     */
    public static Salvage of(Mesh section, SectionPrint print, double share, Catalogue shop) {
        var layers = layers(section, print);
        var path = paths(layers, print);
        double all = 0, done = 0;
        for (double p : path) all += p;
        int k = 0;
        while (k < path.length - 1 && done + path[k] <= share * all) done += path[k++];
        return at(section, print, layers, k * layers.layerMm(), share, shop);
    }

    /** From the height measured on the stump instead; what was done follows from it. */
    public static Salvage atHeight(Mesh section, SectionPrint print, double heightMm, Catalogue shop) {
        var layers = layers(section, print);
        var path = paths(layers, print);
        double all = 0, done = 0;
        for (int i = 0; i < path.length; i++) {
            all += path[i];
            if ((i + 1) * layers.layerMm() <= heightMm) done += path[i];
        }
        return at(section, print, layers, heightMm, all > 0 ? done / all : 0, shop);
    }

    private static Layers layers(Mesh section, SectionPrint print) {
        return Layers.of(section, print.orientation().turn(), print.profile().layerMm());
    }

    /** Length of line in each layer, as in {@link Estimate}, solid skins left aside. */
    static double[] paths(Layers layers, SectionPrint print) {
        var profile = print.profile();
        double width = profile.lineWidthMm();
        var out = new double[layers.count()];
        for (int i = 0; i < out.length; i++) {
            double outline = layers.outlineMm(i), area = layers.areaMm2(i),
                    walls = outline * Math.min(profile.walls(), area / Math.max(1e-9, outline * width));
            out[i] = walls + Math.max(0, area - walls * width) / width * profile.infill();
        }
        return out;
    }

    private static Salvage at(Mesh section, SectionPrint print, Layers layers, double height, double share, Catalogue shop) {
        var up = print.orientation().turn().row2();
        double floor = Double.POSITIVE_INFINITY;
        for (int v = 0; v < section.vertexCount(); v++) floor = Math.min(floor, up.dot(section.point(v)));
        double whole = layers.count() * layers.layerMm(), missing = Math.max(0, whole - height), left = 1 - Math.clamp(share, 0, 1);
        double line = layers.count() == 0 ? 0 : layers.outlineMm(Math.clamp((int) (height / layers.layerMm()), 0, layers.count() - 1));
        double rate = print.printer().failuresPerHour(), grams = print.grams();
        var options = new ArrayList<Option>();
        options.add(new Option(Way.AGAIN, print.expectedHours(), grams, 0));
        if (height > 0 && missing > 0) options.add(new Option(Way.REST,
                Failure.expectedHours(left * print.hours() + START_H, rate) + shop.usual(Practice.LEVEL_STUMP_H)
                        + line / shop.usual(Practice.WET_SEAM_MM_MIN) / 60 + line / 2 * shop.usual(Practice.HIDE_SEAM_H_MM),
                left * grams, line));
        if (missing <= shop.usual(Practice.MOST_FILLED_MM)) options.add(
                new Option(Way.FILL, shop.usual(Practice.THICK_FILL_H) * Math.ceil(missing / shop.usual(Practice.THICK_FILL_MM)), 0, 0));
        options.sort(java.util.Comparator.comparingDouble(Option::hours));
        return new Salvage(print.name(), share, height, missing, new CutPlane(up, floor + height), print.orientation().turn(),
                share * print.hours(), share * grams, options);
    }

    /** What is missing, closed, standing on the cut at z = 0 the way up it was printed. @param whole the section */
    public Mesh rest(Mesh whole) {
        return PlaneCut.cut(whole, plane, 0).above().turned(turn).moved(new Vec3(0, 0, -plane.offsetMm()));
    }
}
