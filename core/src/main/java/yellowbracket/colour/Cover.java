package yellowbracket.colour;

import yellowbracket.shop.Lab;

/** How a paint hides what is under it: each coat moves the colour towards the paint by its opacity, in linear light. */
public final class Cover {
    /** Side by side under shop light nobody tells colours closer than this apart. */
    private static final double HIDDEN = 1.5;
    /** Coats counted at most. */
    private static final int MOST = 9;
    /** What a film lets through of light that is not of its hue, as a share of what it lets through of its own. */
    private static final double OWN_HUE_FLOOR = 0.35;

    private Cover() {}

    /** Coats until the base no longer shows; at least 2, for an even film. */
    public static int coats(String baseHex, String paintHex, double opacity) {
        if (!(opacity > 0 && opacity <= 1)) throw new IllegalArgumentException("opacity lies in 0..1, was " + opacity);
        double[] now = Lab.linear(baseHex), paint = Lab.linear(paintHex);
        var target = Lab.ofHex(paintHex);
        for (int n = 1; n < MOST; n++) {
            for (int i = 0; i < 3; i++)
                now[i] += (paint[i] - now[i]) * (1 - (1 - opacity) * (OWN_HUE_FLOOR + (1 - OWN_HUE_FLOOR) * paint[i]));
            if (n >= 2 && Lab.ofLinear(now).difference(target) < HIDDEN) return n;
        }
        return MOST;
    }

    /** What one spray coat of a colour hides: strong yellows, oranges, reds and whites are thin, dark and grey ones dense. */
    public static double opacity(String hex) {
        var lab = Lab.ofHex(hex);
        double chroma = Math.hypot(lab.a(), lab.b());
        double clean = Math.min(1, chroma / 90) * Math.clamp((lab.l() - 25) / 60, 0, 1);
        return Math.clamp(0.92 - 0.45 * clean - 0.25 * Math.clamp((lab.l() - 70) / 30, 0, 1), 0.35, 0.92);
    }
}
