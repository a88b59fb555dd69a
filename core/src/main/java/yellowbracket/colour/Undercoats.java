package yellowbracket.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;

/**
 * What goes under which zones: the set of undercoats, the primer that is there already among them, with the least minutes of undercoat and
 * colour together. Groups of zones share one.
 */
public record Undercoats(List<Group> groups, double minutes) {
    /** @param shade its name @param zones numbers @param why in words for people; @param there it is the primer that smoothing left */
    public record Group(String shade, String hex, List<Integer> zones, double dm2, boolean there, String why) {
        public Group {
            zones = List.copyOf(zones);
        }
    }

    /** A shade to be had. */
    public record Shade(String name, String hex, boolean there) {}

    /** @param gloss it must shine: under mirror metal; only black will do */
    public record Over(int zone, String name, String hex, double dm2, double share, boolean gloss) {}

    /** What one coat takes: getting ready, and each dm2, minutes. */
    public record Cost(double setupMin, double minPerDm2) {}

    public static final String GLOSS_BLACK = "gloss black";
    public static final List<Shade> SHADES = List.of(new Shade("white", "#f2f2ee", false), new Shade("grey", "#8b8f92", false),
            new Shade("red-brown", "#7a3b2a", false), new Shade("black", "#1b1c1e", false), new Shade(GLOSS_BLACK, "#101113", false));
    /** Coats of an undercoat. */
    public static final int COATS = 2;

    public Undercoats {
        groups = List.copyOf(groups);
    }

    /** @param primer what is there once smoothing is done */
    public static Undercoats of(List<Over> zones, Shade primer, Cost cost) {
        var shades = new ArrayList<Shade>();
        shades.add(primer);
        shades.addAll(SHADES);
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int set = 1; set < 1 << shades.size(); set++) {
            double m = minutes(zones, shades, set, cost);
            if (m < least - 1e-9) {
                least = m;
                best = set;
            }
        }
        var groups = new ArrayList<Group>();
        for (int s = 0; s < shades.size(); s++) {
            var shade = shades.get(s);
            int set = best, here = s;
            var mine = zones.stream().filter(z -> under(z, shades, set, cost) == here).toList();
            if (!mine.isEmpty()) groups.add(new Group(shade.name, shade.hex, mine.stream().map(Over::zone).toList(),
                    mine.stream().mapToDouble(Over::dm2).sum(), shade.there, why(mine, shade, primer)));
        }
        return new Undercoats(groups, least);
    }

    private static double minutes(List<Over> zones, List<Shade> shades, int set, Cost cost) {
        double sum = 0;
        var used = new boolean[shades.size()];
        for (var z : zones) {
            int s = under(z, shades, set, cost);
            if (s < 0) return Double.POSITIVE_INFINITY;
            sum += over(z, shades.get(s), cost);
            used[s] = true;
        }
        for (int s = 0; s < used.length; s++) if (used[s] && !shades.get(s).there) sum += COATS * cost.setupMin / 2;
        return sum;
    }

    /** Which of a set a zone goes on, -1 for none. */
    private static int under(Over z, List<Shade> shades, int set, Cost cost) {
        int best = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int s = 0; s < shades.size(); s++) {
            if ((set >> s & 1) == 0 || z.gloss != shades.get(s).name.equals(GLOSS_BLACK)) continue;
            double m = over(z, shades.get(s), cost);
            if (m < least - 1e-9) {
                least = m;
                best = s;
            }
        }
        return best;
    }

    /** Undercoat and colour of one zone; what cannot be hidden costs more than anything. */
    private static double over(Over z, Shade s, Cost cost) {
        var coats = Cover.coats(s.hex, z.hex, z.share);
        double under = s.there ? 0 : COATS * z.dm2 * cost.minPerDm2;
        return under + coats.orElse(4 * Cover.MOST) * (z.dm2 * cost.minPerDm2 + cost.setupMin / 2);
    }

    private static String why(List<Over> zones, Shade shade, Shade primer) {
        if (zones.getFirst().gloss) return "mirror metal shines only on gloss black, fully dry";
        if (shade.there) return "the primer that is there hides as soon as any";
        var most = zones.stream().max((a, b) -> Double.compare(gain(a, shade, primer), gain(b, shade, primer))).orElseThrow();
        return String.format(Locale.ROOT, "%s: %s coats on %s, %s on %s", most.name, told(Cover.coats(shade.hex, most.hex, most.share)),
                shade.name, told(Cover.coats(primer.hex, most.hex, most.share)), primer.name);
    }

    private static double gain(Over z, Shade shade, Shade primer) {
        return Cover.coats(primer.hex, z.hex, z.share).orElse(2 * Cover.MOST)
                - Cover.coats(shade.hex, z.hex, z.share).orElse(2 * Cover.MOST);
    }

    private static String told(OptionalInt coats) {
        return coats.isPresent() ? String.valueOf(coats.getAsInt()) : "more than " + Cover.MOST;
    }

    public Group of(int zone) {
        return groups.stream().filter(g -> g.zones.contains(zone)).findFirst().orElseThrow();
    }
}
