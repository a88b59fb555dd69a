package yellowbracket.colour;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import yellowbracket.colour.order.Jobs;
import yellowbracket.colour.zone.Border;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

/** What a border is masked with, by how tightly it turns. */
public enum Tape {
    PLAIN("masking tape 18 mm", 60), FLEXIBLE("flexible tape 6 mm", 12), FINE("flexible tape 2 mm", 3),
    LIQUID("masking liquid, cut or brushed by hand", 0);

    private static final double MM_PER_M = 1000;
    /** Masking liquid against tight tape. */
    private static final double LIQUID_TIMES = 1.5;
    /** Less film is held off with a card, dm2. */
    private static final double LEAST_DM2 = 0.3;

    private final String words;
    private final double leastRadiusMm;

    Tape(String words, double leastRadiusMm) {
        this.words = words;
        this.leastRadiusMm = leastRadiusMm;
    }

    public String words() {
        return words;
    }

    /** The widest that lies flat. */
    public static Tape along(Border b) {
        for (var t : values()) if (b.leastRadiusMm() >= t.leastRadiusMm) return t;
        return LIQUID;
    }

    double minutes(double mm, Catalogue shop) {
        double perM = this == PLAIN ? shop.usual(Practice.TAPE_GENTLE_MIN_M) : shop.usual(Practice.TAPE_TIGHT_MIN_M);
        return mm / MM_PER_M * (perM * (this == LIQUID ? LIQUID_TIMES : 1) + shop.usual(Practice.TOUCH_UP_MIN_M));
    }

    /** On zones painted before while another is sprayed: tape along what they share, film where its spray lands. */
    public static Jobs.Mask mask(ColourSurface s, int sprayed, int on, Catalogue shop) {
        var lines = s.between(sprayed, on);
        double mm = lines.stream().mapToDouble(Border::lengthMm).sum();
        double film = s.over().containsKey(sprayed) ? s.over().get(sprayed).mm2(on) * s.seen(on) / 1e4 : 0;
        double minutes = lines.stream().mapToDouble(b -> along(b).minutes(b.lengthMm(), shop)).sum()
                + film * shop.usual(Practice.MASK_MIN_DM2);
        return mm == 0 && film < LEAST_DM2 ? Jobs.Mask.NONE : new Jobs.Mask(mm / MM_PER_M, film, minutes);
    }

    /** Metres by tape, for the shopping list: what borders of a zone with others take. */
    public static Map<Tape, Double> metres(ColourSurface s, int sprayed, List<Integer> on) {
        var out = new EnumMap<Tape, Double>(Tape.class);
        for (int j : on) for (var b : s.between(sprayed, j)) out.merge(along(b), b.lengthMm() / MM_PER_M, Double::sum);
        return out;
    }
}
