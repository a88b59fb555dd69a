package yellowbracket.shop;

/**
 * CIE L*a*b* under D65. Differences by CIEDE2000 as in Sharma, Wu, Dalal, "The CIEDE2000 color-difference formula: implementation notes,
 * supplementary
 * test data, and mathematical observations" (2005).
 */
public record Lab(double l, double a, double b) {
    /** Part of CIEDE2000. */
    private static final double POW7 = Math.pow(25, 7);
    /** White of daylight, D65, 2 degrees (CIE 15). */
    private static final double WHITE_X = 0.95047;
    private static final double WHITE_Z = 1.08883;

    /** From {@code #rrggbb}, sRGB. @throws IllegalArgumentException if it is not such a text */
    public static Lab ofHex(String hex) {
        return ofLinear(linear(hex));
    }

    /** Linear-light red, green, blue, 0..1. */
    public static double[] linear(String hex) {
        if (!hex.matches("#[0-9a-fA-F]{6}")) throw new IllegalArgumentException("a colour is written #rrggbb, not " + hex);
        var out = new double[3];
        for (int i = 0; i < 3; i++) {
            double c = Integer.parseInt(hex.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
            out[i] = c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
        }
        return out;
    }

    public static Lab ofLinear(double[] c) {
        double x = (0.4124564 * c[0] + 0.3575761 * c[1] + 0.1804375 * c[2]) / WHITE_X;
        double y = 0.2126729 * c[0] + 0.7151522 * c[1] + 0.0721750 * c[2];
        double z = (0.0193339 * c[0] + 0.1191920 * c[1] + 0.9503041 * c[2]) / WHITE_Z;
        double fx = f(x), fy = f(y), fz = f(z);
        return new Lab(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz));
    }

    /** Linear-light red, green, blue; outside 0..1 where a screen cannot show it. */
    public double[] linear() {
        double fy = (l + 16) / 116, fx = fy + a / 500, fz = fy - b / 200;
        double x = WHITE_X * back(fx), y = back(fy), z = WHITE_Z * back(fz);
        return new double[] {3.2404542 * x - 1.5371385 * y - 0.4985314 * z, -0.9692660 * x + 1.8760108 * y + 0.0415560 * z,
                0.0556434 * x - 0.2040259 * y + 1.0572252 * z};
    }

    /** The nearest a screen shows, {@code #rrggbb}. */
    public String hex() {
        var c = linear();
        var out = new StringBuilder("#");
        for (double v : c) {
            double s = v <= 0.0031308 ? 12.92 * Math.max(0, v) : 1.055 * Math.pow(Math.min(1, v), 1 / 2.4) - 0.055;
            out.append(String.format("%02x", Math.round(255 * Math.clamp(s, 0, 1))));
        }
        return out.toString();
    }

    private static double back(double f) {
        return f * f * f > 216.0 / 24389 ? f * f * f : (116 * f - 16) * 27 / 24389;
    }

    private static double f(double t) {
        return t > 216.0 / 24389 ? Math.cbrt(t) : (24389.0 / 27 * t + 16) / 116;
    }

    /** CIEDE2000 with all factors 1: below 1 nobody sees it, 2 side by side, 5 at a glance. */
    public double difference(Lab o) {
        double c1 = Math.hypot(a, b), c2 = Math.hypot(o.a, o.b), cm7 = Math.pow((c1 + c2) / 2, 7);
        double g = 0.5 * (1 - Math.sqrt(cm7 / (cm7 + POW7)));
        double a1 = (1 + g) * a, a2 = (1 + g) * o.a;
        double p1 = Math.hypot(a1, b), p2 = Math.hypot(a2, o.b);
        double h1 = hue(a1, b), h2 = hue(a2, o.b);
        double dh = p1 * p2 == 0 ? 0 : wrap(h2 - h1);
        double dL = o.l - l, dC = p2 - p1, dH = 2 * Math.sqrt(p1 * p2) * Math.sin(Math.toRadians(dh / 2));
        double lm = (l + o.l) / 2, cm = (p1 + p2) / 2, hm = meanHue(h1, h2, p1 * p2);
        double t = 1 - 0.17 * cos(hm - 30) + 0.24 * cos(2 * hm) + 0.32 * cos(3 * hm + 6) - 0.20 * cos(4 * hm - 63);
        double turn = 30 * Math.exp(-Math.pow((hm - 275) / 25, 2)), rc = 2 * Math.sqrt(Math.pow(cm, 7) / (Math.pow(cm, 7) + POW7));
        double sl = 1 + 0.015 * (lm - 50) * (lm - 50) / Math.sqrt(20 + (lm - 50) * (lm - 50)), sc = 1 + 0.045 * cm, sh = 1 + 0.015 * cm * t;
        double rt = -Math.sin(Math.toRadians(2 * turn)) * rc;
        double el = dL / sl, ec = dC / sc, eh = dH / sh;
        return Math.sqrt(el * el + ec * ec + eh * eh + rt * ec * eh);
    }

    private static double hue(double a, double b) {
        if (a == 0 && b == 0) return 0;
        double h = Math.toDegrees(Math.atan2(b, a));
        return h < 0 ? h + 360 : h;
    }

    private static double wrap(double d) {
        return d > 180 ? d - 360 : d < -180 ? d + 360 : d;
    }

    private static double meanHue(double h1, double h2, double product) {
        if (product == 0) return h1 + h2;
        if (Math.abs(h1 - h2) <= 180) return (h1 + h2) / 2;
        return h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
    }

    private static double cos(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }
}
