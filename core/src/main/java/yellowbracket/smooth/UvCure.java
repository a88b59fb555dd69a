package yellowbracket.smooth;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Lamp;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Catalogue;

/**
 * How long resin stays under which light: dose over irradiance, spot after spot for a lamp held in the hand, side after side in a box.
 * @param minutesASpot until the dose is in @param spots of one turn round the prop; {@code sides} it is turned to
 * @param minutes in all, turning and all @param refused why this lamp does not harden it; empty where it does @param care what is done
 *        besides
 */
public record UvCure(String lamp, double minutesASpot, int spots, int sides, double minutes, String refused, List<String> care) {
    /** Latitude that the sun is told for. */
    private static final double LATITUDE_DEG = 50;
    /** The earth's axis leans so much. */
    private static final double TILT_DEG = 23.44;
    /** Resin is lit from so many sides that each face is hit within 45 degrees. */
    private static final int SIDES = 6;
    private static final List<String> CARE = List.of("wipe the tacky film with isopropanol on a lint-free cloth, away from flames",
            "harden leftovers, brushes and wipes under the lamp before they go in the bin; nothing goes down the drain",
            "shield and glasses: the lamp, and its light off a wet surface, hurt eyes");

    public UvCure {
        care = List.copyOf(care);
    }

    /** What clouds leave of the sun. */
    public enum Sky {
        CLEAR("clear", 1), HAZY("hazy", 0.6), OVERCAST("overcast", 0.25);

        private final String words;
        private final double share;

        Sky(String words, double share) {
            this.words = words;
            this.share = share;
        }

        public String words() {
            return words;
        }
    }

    /** @throws IllegalArgumentException for a film that light does not harden */
    public static UvCure of(Coating film, Lamp lamp, double areaDm2, LocalDate day, Sky sky, Catalogue shop) {
        var light = film.light().orElseThrow(() -> new IllegalArgumentException(film.name() + " is not hardened by light"));
        String refused = refused(film, lamp);
        if (!refused.isEmpty()) return new UvCure(lamp.name(), 0, 0, 0, 0, refused, List.of());
        double strength = lamp.mwCm2() * (lamp.kind() == Lamp.Kind.SUN ? sun(day) * sky.share : 1);
        double spot = light.doseMj() / strength / 60;
        int spots = (int) Math.max(1, Math.ceil(areaDm2 / lamp.spotDm2()));
        int sides = lamp.kind() == Lamp.Kind.SPOT ? 1 : SIDES;
        int times = lamp.kind() == Lamp.Kind.SPOT ? spots : sides;
        return new UvCure(lamp.name(), spot, lamp.kind() == Lamp.Kind.SPOT ? spots : 1, sides,
                times * spot + (times - 1) * shop.usual(Practice.LAMP_TURN_MIN) * (lamp.kind() == Lamp.Kind.SPOT ? 0.2 : 1), "", CARE);
    }

    /** Why a lamp leaves a film wet; empty where it hardens it. */
    static String refused(Coating film, Lamp lamp) {
        return film.light()
                .filter(l -> !l.takes(lamp.nm()))
                .map(l -> String.format(Locale.ROOT,
                        "%s hardens at %.0f to %.0f nm; the %s shines at %.0f nm and leaves it wet: use another lamp", film.name(),
                        l.leastNm(), l.mostNm(), lamp.name(), lamp.nm()))
                .orElse("");
    }

    /** Standing by with a lamp in the hand, a coat; nobody stands by a box or the sun. */
    static double minutesPerDm2(Coating film, Lamp lamp) {
        return lamp.kind() == Lamp.Kind.SPOT ? film.light().orElseThrow().doseMj() / lamp.mwCm2() / 60 / lamp.spotDm2() : 0;
    }

    /** UV-A at noon against June's: by the sine of the sun's height to the power of 1.3, for what the air takes of a low sun. */
    static double sun(LocalDate day) {
        double declination = -TILT_DEG * Math.cos(2 * Math.PI * (day.getDayOfYear() + 10) / 365.25);
        return Math.pow(height(declination) / height(TILT_DEG), 1.3);
    }

    private static double height(double declinationDeg) {
        return Math.max(0.02, Math.cos(Math.toRadians(LATITUDE_DEG - declinationDeg)));
    }
}
