package yellowbracket.desktop.theme;

import javafx.scene.image.Image;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;

/**
 * A scalar map: colours by value, even in lightness steps and safe for the colour-blind, with thin dark contour lines at its ticks. {@code
 * low} and {@code high} bound the
 * scale; values beyond take the end colours.
 */
public record Ramp(String title, double low, double high, double[] ticks, Color[] stops) {
    private static final int WIDTH = 1024;
    private static final int LINE_PX = 3;

    /** Skin to wall, mm: short crimson, enough pale, roomy teal to slate. */
    public static Ramp clearance() {
        return new Ramp("skin to wall", 0, 40, new double[] {0, 5, 10, 20, 40},
                colours("#8f0d33", "#c8472f", "#e9c98a", "#9fc8b4", "#4e9f95", "#2f7483", "#2c5a80", "#2a4a78", "#293f6e"));
    }

    /** Depth of layer lines, micrometres: fine pale, deep dark. */
    public static Ramp cusp() {
        return new Ramp("layer-line depth", 0, 200, new double[] {0, 50, 110, 200},
                colours("#e9e4d4", "#d8c79c", "#cda263", "#bb7a3a", "#9a4f2a", "#6e2a26", "#46141f"));
    }

    /** Wall, mm: too thin to sand crimson, usual pale to teal, needlessly heavy dark. */
    public static Ramp wall() {
        return new Ramp("wall", 0, 8, new double[] {0, 1, 2, 4, 8},
                colours("#8f0d33", "#d98a4a", "#e6d6a4", "#b3cfae", "#7db39f", "#529690", "#397b80", "#2c6070", "#24475f"));
    }

    /** Detail drawn out of shape, per cent. */
    public static Ramp distortion() {
        return new Ramp("out of shape", 0, 20, new double[] {0, 5, 10, 20},
                colours("#ece8dc", "#dccfa9", "#cfa867", "#b9773a", "#93472c", "#5e2127"));
    }

    /** Foam, mm. */
    public static Ramp foam() {
        return new Ramp("foam", 0, 40, new double[] {0, 10, 20, 30, 40},
                colours("#f2eee2", "#cfdcd3", "#93bfb6", "#4e9892", "#256d70", "#154a52"));
    }

    private static Color[] colours(String... hex) {
        var out = new Color[hex.length];
        for (int i = 0; i < hex.length; i++) out[i] = Color.web(hex[i]);
        return out;
    }

    public Color at(double value) {
        double t = Math.clamp((value - low) / (high - low), 0, 1) * (stops.length - 1);
        int i = Math.min(stops.length - 2, (int) t);
        return stops[i].interpolate(stops[i + 1], t - i);
    }

    /** Texture coordinate of a value; NaN gets the neutral end beyond the scale. */
    public float u(double value) {
        if (Double.isNaN(value)) return 0.998f;
        return (float) (0.01 + 0.96 * Math.clamp((value - low) / (high - low), 0, 1));
    }

    /** The scale along x; along y, over and over, a dark line as layers have one between them. */
    public Image striped(Color neutral) {
        int high = 48, dark = 9;
        var image = new WritableImage(WIDTH, high);
        for (int x = 0; x < WIDTH; x++) {
            double u = (x + 0.5) / WIDTH;
            var c = u > 0.985 ? neutral : at(low + (u - 0.01) / 0.96 * (this.high - low));
            for (int y = 0; y < high; y++) image.getPixelWriter().setColor(x, y, y < dark ? c.interpolate(Color.BLACK, 0.42) : c);
        }
        return image;
    }

    /** The texture: the scale, with contour lines at its ticks where asked for, then a strip of neutral for what has no value. */
    public Image texture(Color neutral, boolean lines) {
        var image = new WritableImage(WIDTH, 4);
        var pixels = image.getPixelWriter();
        for (int x = 0; x < WIDTH; x++) {
            double u = (x + 0.5) / WIDTH, value = low + (u - 0.01) / 0.96 * (high - low);
            Color c = u > 0.985 ? neutral : at(value);
            for (int i = 1; lines && i + 1 < ticks.length; i++)
                if (Math.abs(x - u(ticks[i]) * WIDTH) < LINE_PX) c = c.interpolate(Color.BLACK, 0.55);
            for (int y = 0; y < 4; y++) pixels.setColor(x, y, c);
        }
        return image;
    }
}
