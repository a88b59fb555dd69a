package yellowbracket.desktop.theme;

import java.util.List;
import javafx.scene.Parent;
import javafx.scene.text.Font;

/** Fonts and the two style sheets: base rules and one palette of roles. */
public final class Theme {
    private static final List<String> FONTS = List.of("barlow-latin-400", "barlow-latin-500", "barlow-latin-600", "barlow-latin-700",
            "barlow-condensed-latin-400", "barlow-condensed-latin-500", "barlow-condensed-latin-600", "barlow-condensed-latin-700",
            "jetbrains-mono-latin-400", "jetbrains-mono-latin-600");

    private static boolean loaded;

    private Theme() {}

    /** Once: a font loaded again would have other heights of line than texts made before, and be measured wrong. */
    public static synchronized void loadFonts() {
        if (loaded) return;
        loaded = true;
        for (var f : FONTS) {
            try (var in = Theme.class.getResourceAsStream("fonts/" + f + "-normal.woff")) {
                Font.loadFont(in, 14);
            } catch (java.io.IOException e) {
                throw new java.io.UncheckedIOException("a font that ships with the program cannot be read", e);
            }
        }
    }

    public static void apply(Parent root, boolean night) {
        root.getStylesheets().setAll(sheet("base"), sheet(night ? "night" : "day"));
    }

    private static String sheet(String name) {
        return Theme.class.getResource(name + ".css").toExternalForm();
    }
}
