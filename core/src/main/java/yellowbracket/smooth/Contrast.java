package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Lab;

/**
 * Which shade of each film goes over which, so that lows and places sanded through show: of all choices the one whose least difference
 * between neighbours, CIEDE2000, is largest, then the next least.
 */
public record Contrast(List<Coat> coats) {
    /** Below this a film is not told from the one beneath while sanding. */
    public static final double SEEN = 12;

    /** @param product the film @param hex its shade, empty where it is clear @param difference from what it lies on */
    public record Coat(String product, String hex, double difference) {
        public boolean seen() {
            return difference >= SEEN;
        }

        /** grey, red-brown, white ... */
        public String shade() {
            return hex.isEmpty() ? "clear" : Contrast.named(hex);
        }
    }

    public Contrast {
        coats = List.copyOf(coats);
    }

    /** @param printHex the print's own colour @param films in the order in which they go on */
    public static Contrast of(String printHex, List<String> films, Catalogue shop) {
        // states: shades of the last coloured film; value: (least difference so far, sum), with the way there
        var states = new ArrayList<State>();
        states.add(new State(printHex, Double.POSITIVE_INFINITY, 0, List.of()));
        for (var film : films) {
            var shades = shop.coating(film).shades();
            var next = new ArrayList<State>();
            if (shades.isEmpty()) {
                states.forEach(s -> next.add(s.with(new Coat(film, "", 0), s.hex)));
            } else for (var shade : shades) {
                State best = null;
                for (var s : states) {
                    double d = Lab.ofHex(s.hex).difference(Lab.ofHex(shade));
                    var to = s.with(new Coat(film, shade, d), shade);
                    if (best == null || to.better(best)) best = to;
                }
                next.add(best);
            }
            states.clear();
            states.addAll(next);
        }
        State best = states.getFirst();
        for (var s : states) if (s.better(best)) best = s;
        return new Contrast(best.coats);
    }

    private record State(String hex, double least, double sum, List<Coat> coats) {
        State with(Coat c, String now) {
            var all = new ArrayList<>(coats);
            all.add(c);
            return new State(now, c.hex.isEmpty() ? least : Math.min(least, c.difference), sum + c.difference, List.copyOf(all));
        }

        boolean better(State o) {
            return least > o.least + 1e-9 || least > o.least - 1e-9 && sum > o.sum;
        }
    }

    private static String named(String hex) {
        var lab = Lab.ofHex(hex);
        double chroma = Math.hypot(lab.a(), lab.b());
        if (chroma < 12) return lab.l() > 85 ? "white" : lab.l() < 25 ? "black" : lab.l() > 65 ? "light grey" : "grey";
        double hue = Math.toDegrees(Math.atan2(lab.b(), lab.a()));
        return hue >= 0 && hue < 55 ? "red-brown" : hue < 110 && hue >= 55 ? "yellow" : "coloured";
    }
}
