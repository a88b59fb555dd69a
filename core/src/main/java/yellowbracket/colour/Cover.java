package yellowbracket.colour;

import java.util.OptionalInt;
import yellowbracket.shop.Lab;

/**
 * How a paint hides what is under it. After n coats each of red, green and blue is base + (1 - t^n) (paint - base) in linear light, t what
 * a coat leaves of the base: 1 - a where the paint is bright, a the share of the way one coat goes (from the maker's black-and-white
 * card, else the family's), and down to 0.35 (1 - a) where it is dark, for a film swallows light that is not of its hue: which is why
 * yellow goes on white and not on black, though both lie as far from it.
 */
public final class Cover {
    /** Nobody sees a difference below this, CIEDE2000. */
    public static final double HIDDEN = 1;
    /** More coats than this run, sag and never end. */
    public static final int MOST = 12;
    /** An even film takes as many whatever it hides. */
    private static final int LEAST = 2;
    /** A family's share is right within this factor. */
    public static final double SPREAD = 1.15;

    /** Of light that is not of its hue a film lets through so much of what it lets through of its own. */
    private static final double OTHER_HUE = 0.35;

    private Cover() {}

    /** Kinds of colour by how their pigments hide; share of the way a coat goes. */
    public enum Family {
        WHITE(0.75), BLACK(0.97), GREY(0.9), CREAM(0.7), YELLOW(0.4), ORANGE(0.5), RED(0.6), GREEN(0.8), BLUE(0.85), BROWN(0.9),
        METALLIC(0.85), MIRROR(0.95);

        private final double share;

        Family(double share) {
            this.share = share;
        }

        public double share() {
            return share;
        }
    }

    /** By lightness, chroma and hue of CIE L*a*b*. */
    public static Family family(Lab c) {
        double chroma = Math.hypot(c.a(), c.b()), hue = (Math.toDegrees(Math.atan2(c.b(), c.a())) + 360) % 360;
        if (chroma < 10) return c.l() > 88 ? Family.WHITE : c.l() < 22 ? Family.BLACK : Family.GREY;
        if (c.l() > 75 && chroma < 32 && hue > 50 && hue < 115) return Family.CREAM;
        if (hue > 25 && hue < 105 && c.l() < 55 && chroma < 60) return Family.BROWN;
        if (hue < 45 || hue >= 330) return Family.RED;
        if (hue < 72) return Family.ORANGE;
        if (hue < 108) return Family.YELLOW;
        return hue < 195 ? Family.GREEN : Family.BLUE;
    }

    /** Colour after some coats, linear light. */
    public static double[] after(double[] base, double[] paint, double share, int coats) {
        var out = new double[3];
        for (int i = 0; i < 3; i++) {
            double left = Math.pow((1 - share) * (OTHER_HUE + (1 - OTHER_HUE) * paint[i]), coats);
            out[i] = paint[i] + left * (base[i] - paint[i]);
        }
        return out;
    }

    /** Coats until the base no longer shows, at least two for an even film; empty where {@link #MOST} do not hide it. */
    public static OptionalInt coats(String baseHex, String paintHex, double share) {
        return coats(baseHex, paintHex, share, HIDDEN);
    }

    /** @param limit CIEDE2000 to the paint that counts as hidden */
    public static OptionalInt coats(String baseHex, String paintHex, double share, double limit) {
        if (!(share > 0 && share <= 1)) throw new IllegalArgumentException("a coat goes a share of the way in 0..1, was " + share);
        double[] base = Lab.linear(baseHex), paint = Lab.linear(paintHex);
        var target = Lab.ofHex(paintHex);
        for (int n = LEAST; n <= MOST; n++)
            if (Lab.ofLinear(after(base, paint, share, n)).difference(target) < limit) return OptionalInt.of(n);
        return OptionalInt.empty();
    }
}
