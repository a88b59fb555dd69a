package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.mesh.Bounds3;

/**
 * How high a place of the prop lies over its lowest point, at one scale.
 * @param modelMm as in the file, {@code mm} as printed
 * @param own named by the maker
 */
public record KeyHeight(String name, double modelMm, double mm, boolean own) {
    private static final double MM_PER_INCH = 25.4;

    public double inch() {
        return mm / MM_PER_INCH;
    }

    /** Own places, then those that can be read off the shape: the top, and of a hollow for a head its eye line and its rim. */
    public static List<KeyHeight> of(Bounds3 model, List<KeyPoint> own, Optional<Cavity> hollow, double scale) {
        double base = model.min().z();
        var out = new ArrayList<KeyHeight>();
        own.forEach(p -> out.add(at(p.name(), p.at().z() - base, scale, true)));
        out.add(at("top", model.max().z() - base, scale, false));
        hollow.filter(Cavity::holdsAHead).ifPresent(c -> {
            c.visorZ().ifPresent(z -> out.add(at("eye line", z - base, scale, false)));
            out.add(at("rim", c.rimZ() - base, scale, false));
        });
        return out.stream().filter(h -> h.own || h.mm > 1).toList();
    }

    private static KeyHeight at(String name, double modelMm, double scale, boolean own) {
        return new KeyHeight(name, modelMm, modelMm * scale, own);
    }

    /** The scale at which the place lies so high. @throws IllegalArgumentException for the lowest point, which stays at 0 */
    public double scaleFor(double wantedMm) {
        if (!(modelMm > 1e-6)) throw new IllegalArgumentException(name + " is the lowest point: it lies at 0 at every scale");
        return wantedMm / modelMm;
    }

    /** 1.40 times, 140 % of the file, 40 % larger: all the ways in which people say it. */
    public static String factor(double scale) {
        double more = 100 * (scale - 1);
        if (Math.abs(more) < 0.05) return "as large as in the file";
        return String.format(Locale.ROOT, "%s times, %s %% of the file, %s %% %s", number(scale, 3), number(100 * scale, 1),
                number(Math.abs(more), 1), more > 0 ? "larger" : "smaller");
    }

    private static String number(double v, int digits) {
        var text = String.format(Locale.ROOT, "%." + digits + "f", v);
        return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
    }
}
