package yellowbracket.desktop.theme;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.css.CssParser;
import javafx.scene.paint.Color;

/**
 * What a colour stands for. The values are in the style sheets only: day.css and night.css, and scene.css for what is the same in both.
 * Controls take them by style class; 3D materials and drawn pictures, which style sheets do not reach, take them here.
 */
public enum Role {
    CARD, LINE, INK, YELLOW, GOOD, STOP, PLASTIC, NEUTRAL, BED, BED_FRAME, BED_FRONT,
    // the same by day and night
    PICKED, GLASS, RIM_OPEN, RIM_CROWDED, RIM_TWISTED, CUT_LINE, SKIN_LINE, TOO_LARGE, SEAM, HARDWARE, HARDWARE_OFF, SCAR, HELD,
    PRINT_HOURS, SMOOTH_HOURS, SEAM_STOP, SEAM_CARE, SEAM_GOOD, BLOCKED, ONE_EYE, BOTH_EYES, SIGHT_RING, TAG, TAG_INK, TAPE;

    private static final Map<String, Color> DAY = read("day", "scene"), NIGHT = read("night", "scene");

    /** Sections, next to each other in the list as next to each other in a prop. */
    public static final List<Color> SECTIONS = series("section");

    public Color colour(boolean night) {
        String name = "-" + name().toLowerCase(Locale.ROOT).replace('_', '-');
        return Optional.ofNullable((night ? NIGHT : DAY).get(name)).orElseThrow(() -> new IllegalStateException("no colour " + name));
    }

    /** Of a role that is the same by day and night. */
    public Color colour() {
        return colour(false);
    }

    /** The colours {@code -name-1}, {@code -name-2} and on, as many as there are. */
    static List<Color> series(String name) {
        var out = new ArrayList<Color>();
        for (int i = 1; DAY.containsKey("-" + name + "-" + i); i++) out.add(DAY.get("-" + name + "-" + i));
        if (out.isEmpty()) throw new IllegalStateException("no colours " + name);
        return List.copyOf(out);
    }

    private static Map<String, Color> read(String... sheets) {
        var out = new HashMap<String, Color>();
        for (var sheet : sheets) {
            try {
                for (var rule : new CssParser().parse(Role.class.getResource(sheet + ".css")).getRules())
                    for (var d : rule.getDeclarations())
                        if (d.getParsedValue().convert(null) instanceof Color c) out.put(d.getProperty(), c);
            } catch (IOException e) {
                throw new UncheckedIOException("a style sheet that ships with the program cannot be read", e);
            }
        }
        return out;
    }
}
