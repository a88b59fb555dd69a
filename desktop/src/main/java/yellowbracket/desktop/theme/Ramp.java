package yellowbracket.desktop.theme;

import java.util.List;
import java.util.stream.DoubleStream;
import javafx.scene.image.Image;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;

/**
 * A scalar map: colours by value, even in lightness steps and safe for the colour-blind, with thin dark contour lines at its ticks. {@code
 * low} and {@code high} bound the
 * scale; values beyond take the end colours.
 */
public record Ramp(String title, double low, double high, double[] ticks, List<Color> stops) {
    private static final int WIDTH = 1024;
    private static final int LINE_PX = 3;

    /** Skin to wall, mm: short crimson, enough pale, roomy teal to slate. */
    public static Ramp clearance() {
        return new Ramp("skin to wall", 0, 40, new double[] {0, 5, 10, 20, 40}, Role.series("clearance"));
    }

    /** Depth of layer lines, micrometres: fine pale, deep dark. */
    public static Ramp cusp() {
        return new Ramp("layer-line depth", 0, 200, new double[] {0, 50, 110, 200}, Role.series("cusp"));
    }

    /** Wall, mm: too thin to sand crimson, usual pale to teal, needlessly heavy dark. */
    public static Ramp wall() {
        return new Ramp("wall", 0, 8, new double[] {0, 1, 2, 4, 8}, Role.series("wall"));
    }

    /** Solid print left to sand into, mm: less than a third crimson. */
    public static Ramp skin() {
        return new Ramp("solid print left", 0, 3, new double[] {0, 1, 2, 3}, Role.series("wall"));
    }

    /** Detail drawn out of shape, per cent. */
    public static Ramp distortion() {
        return new Ramp("out of shape", 0, 20, new double[] {0, 5, 10, 20}, Role.series("distortion"));
    }

    /** One model off another, mm. */
    public static Ramp deviation() {
        return new Ramp("off the other", 0, 10, new double[] {0, 1, 2, 5, 10}, Role.series("distortion"));
    }

    /** Foam, mm. */
    public static Ramp foam() {
        return new Ramp("foam", 0, 40, new double[] {0, 10, 20, 30, 40}, Role.series("foam"));
    }

    /** What makes two scales look alike. */
    public List<Object> looks() {
        return List.of(title, low, high, DoubleStream.of(ticks).boxed().toList(), stops);
    }

    public Color at(double value) {
        double t = Math.clamp((value - low) / (high - low), 0, 1) * (stops.size() - 1);
        int i = Math.min(stops.size() - 2, (int) t);
        return stops.get(i).interpolate(stops.get(i + 1), t - i);
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
