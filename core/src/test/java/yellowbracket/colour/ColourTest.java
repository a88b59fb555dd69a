package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Lab;

class ColourTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    /** Pairs of Sharma, Wu, Dalal (2005), table 1. */
    @ParameterizedTest
    @CsvSource({"50.0000,2.6772,-79.7751,50.0000,0.0000,-82.7485,2.0425", "50.0000,3.1571,-77.2803,50.0000,0.0000,-82.7485,2.8615",
            "50.0000,2.8361,-74.0200,50.0000,0.0000,-82.7485,3.4412", "50.0000,-1.3802,-84.2814,50.0000,0.0000,-82.7485,1.0000",
            "50.0000,-1.1848,-84.8006,50.0000,0.0000,-82.7485,1.0000", "50.0000,-0.9009,-85.5211,50.0000,0.0000,-82.7485,1.0000",
            "50.0000,0.0000,0.0000,50.0000,-1.0000,2.0000,2.3669", "50.0000,-1.0000,2.0000,50.0000,0.0000,0.0000,2.3669",
            "50.0000,2.4900,-0.0010,50.0000,-2.4900,0.0009,7.1792", "50.0000,2.4900,-0.0010,50.0000,-2.4900,0.0010,7.1792",
            "50.0000,2.4900,-0.0010,50.0000,-2.4900,0.0011,7.2195", "50.0000,2.4900,-0.0010,50.0000,-2.4900,0.0012,7.2195",
            "50.0000,-0.0010,2.4900,50.0000,0.0009,-2.4900,4.8045", "50.0000,-0.0010,2.4900,50.0000,0.0010,-2.4900,4.8045",
            "50.0000,-0.0010,2.4900,50.0000,0.0011,-2.4900,4.7461", "50.0000,2.5000,0.0000,50.0000,0.0000,-2.5000,4.3065",
            "50.0000,2.5000,0.0000,73.0000,25.0000,-18.0000,27.1492", "50.0000,2.5000,0.0000,61.0000,-5.0000,29.0000,22.8977",
            "50.0000,2.5000,0.0000,56.0000,-27.0000,-3.0000,31.9030", "50.0000,2.5000,0.0000,58.0000,24.0000,15.0000,19.4535",
            "50.0000,2.5000,0.0000,50.0000,3.1736,0.5854,1.0000", "50.0000,2.5000,0.0000,50.0000,3.2972,0.0000,1.0000",
            "50.0000,2.5000,0.0000,50.0000,1.8634,0.5757,1.0000", "50.0000,2.5000,0.0000,50.0000,3.2592,0.3350,1.0000",
            "60.2574,-34.0099,36.2677,60.4626,-34.1751,39.4387,1.2644", "63.0109,-31.0961,-5.8663,62.8187,-29.7946,-4.0864,1.2630",
            "61.2901,3.7196,-5.3901,61.4292,2.2480,-4.9620,1.8731", "35.0831,-44.1164,3.7933,35.0232,-40.0716,1.5901,1.8645",
            "22.7233,20.0904,-46.6940,23.0331,14.9730,-42.5619,2.0373", "36.4612,47.8580,18.3852,36.2715,50.5065,21.2231,1.4146",
            "90.8027,-2.0831,1.4410,91.1528,-1.6435,0.0447,1.4441", "90.9257,-0.5406,-0.9208,88.6381,-0.8985,-0.7239,1.5381",
            "6.7747,-0.2908,-2.4247,5.8714,-0.0985,-2.2286,0.6377", "2.0776,0.0795,-1.1350,0.9033,-0.0636,-0.5514,0.9082"})
    void ciede2000AgreesWithThePublishedPairs(double l1, double a1, double b1, double l2, double a2, double b2, double expected) {
        assertThat(new Lab(l1, a1, b1).difference(new Lab(l2, a2, b2))).isCloseTo(expected, within(1e-4));
        assertThat(new Lab(l2, a2, b2).difference(new Lab(l1, a1, b1))).isCloseTo(expected, within(1e-4));
    }

    @Test
    void knownColours() {
        assertThat(Lab.ofHex("#ffffff").l()).isCloseTo(100, within(0.01));
        assertThat(Lab.ofHex("#ff0000").a()).isCloseTo(80.1, within(0.2));
        assertThatThrownBy(() -> Lab.ofHex("red")).hasMessageContaining("#rrggbb");
    }

    @ParameterizedTest
    @CsvSource({"#000000,#ffffff,0.75", "#8b8f92,#f2c200,0.4", "#1b1c1e,#7a3b2a,0.9", "#ffffff,#1f5156,0.85"})
    void coatsByTheClosedForm(String base, String paint, double share) {
        int n = Cover.coats(base, paint, share).orElseThrow();
        assertThat(difference(base, paint, share, n)).isLessThan(Cover.HIDDEN);
        if (n > 2) assertThat(difference(base, paint, share, n - 1)).isGreaterThanOrEqualTo(Cover.HIDDEN);
    }

    /** Of the base (1 - a)^n is left where the paint is bright, (0.35 (1 - a))^n where it is dark. */
    private static double difference(String base, String paint, double share, int n) {
        var mixed = new double[3];
        for (int i = 0; i < 3; i++) {
            double left = Math.pow((1 - share) * (0.35 + 0.65 * Lab.linear(paint)[i]), n);
            mixed[i] = left * Lab.linear(base)[i] + (1 - left) * Lab.linear(paint)[i];
        }
        return Lab.ofLinear(mixed).difference(Lab.ofHex(paint));
    }

    @Test
    void thinColoursNeedMoreCoatsAndThePaintsOwnColourTwo() {
        assertThat(Cover.coats("#808080", "#808080", 0.5)).hasValue(2);
        assertThat(Cover.coats("#1b1c1e", "#f2c200", 0.4).orElse(99)).isGreaterThan(Cover.coats("#f2f2ee", "#f2c200", 0.4).orElse(99));
        assertThat(Cover.coats("#1b1c1e", "#f2c200", 0.05)).as("never").isEmpty();
        assertThatThrownBy(() -> Cover.coats("#000000", "#ffffff", 0)).hasMessageContaining("0..1");
    }

    @ParameterizedTest
    @CsvSource({"#f6f6f2,WHITE", "#1b1c1e,BLACK", "#8b8f92,GREY", "#d9cfb6,CREAM", "#f2c200,YELLOW", "#e87a1c,ORANGE", "#b3202a,RED",
            "#2f7a3a,GREEN", "#1f3f8a,BLUE", "#7a4a24,BROWN", "#1f5156,BLUE"})
    void coloursFallIntoFamilies(String hex, Cover.Family family) {
        assertThat(Cover.family(Lab.ofHex(hex))).isEqualTo(family);
    }

    @Test
    void whiteGoesUnderCreamAndNothingUnderBlack() {
        var cost = new Undercoats.Cost(15, 0.22);
        var primer = new Undercoats.Shade("black primer", "#1b1c1e", true);
        var of = Undercoats.of(List.of(new Undercoats.Over(0, "cream", "#d9cfb6", 12, 0.7, false),
                new Undercoats.Over(1, "thin yellow", "#f2c200", 30, 0.25, false),
                new Undercoats.Over(2, "black", "#1b1c1e", 20, 0.97, false)), primer, cost);
        assertThat(of.of(2).there()).isTrue();
        assertThat(of.of(1).shade()).isEqualTo("white");
        assertThat(of.of(1).why()).contains("yellow");
        assertThat(Undercoats.of(List.of(new Undercoats.Over(4, "chrome", "#c8ccd0", 9, 0.95, true)), primer, cost).of(4).shade())
                .isEqualTo(Undercoats.GLOSS_BLACK);
    }

    @Test
    void undercoatsAreTheBestOfAllAssignments() {
        var r = new java.util.SplittableRandom(3);
        var cost = new Undercoats.Cost(15, 0.22);
        for (int round = 0; round < 200; round++) {
            var zones = new java.util.ArrayList<Undercoats.Over>();
            for (int i = 0; i < 1 + r.nextInt(3); i++) zones.add(new Undercoats.Over(i, "z" + i, String.format("#%06x", r.nextInt(1 << 24)),
                    1 + r.nextInt(40), 0.4 + 0.5 * r.nextDouble(), false));
            var primer = new Undercoats.Shade("primer", String.format("#%06x", r.nextInt(1 << 24)), true);
            assertThat(Undercoats.of(zones, primer, cost).minutes()).isCloseTo(brute(zones, primer, cost, 0, new java.util.TreeMap<>()),
                    within(1e-6));
        }
    }

    private static double brute(List<Undercoats.Over> zones, Undercoats.Shade primer, Undercoats.Cost cost, int i,
            java.util.Map<String, Double> used) {
        if (i == zones.size()) return 15.0 * used.size();
        double best = Double.POSITIVE_INFINITY;
        var z = zones.get(i);
        var shades = new java.util.ArrayList<>(Undercoats.SHADES);
        shades.add(primer);
        for (var s : shades) {
            if (s.name().equals(Undercoats.GLOSS_BLACK)) continue;
            var more = new java.util.TreeMap<>(used);
            if (!s.there()) more.put(s.name(), 1.0);
            double here = (s.there() ? 0 : 2 * z.dm2() * 0.22)
                    + Cover.coats(s.hex(), z.hex(), z.share()).orElse(48) * (z.dm2() * 0.22 + 7.5);
            best = Math.min(best, here + brute(zones, primer, cost, i + 1, more));
        }
        return best;
    }

    private static SprayWeather.Hour hour(double c, double rh, double wind) {
        return new SprayWeather.Hour(LocalDateTime.of(2026, 4, 1, 12, 0), c, rh, wind);
    }

    @Test
    void dewPointByMagnus() {
        assertThat(hour(20, 50, 1).dewPoint()).isCloseTo(9.27, within(0.05));
        assertThat(hour(25, 100, 1).dewPoint()).isCloseTo(25, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"20,50,1,GO", "11,50,1,CARE", "20,72,1,CARE", "20,88,1,NO", "4,50,1,NO", "36,40,1,NO", "20,50,5,CARE", "20,50,9,NO",
            "22,84,1,NO"})
    void spraysOnlyInFitWeather(double c, double rh, double wind, SprayWeather.Verdict verdict) {
        var j = SprayWeather.judge(hour(c, rh, wind), SHOP.coating("acrylic lacquer spray"));
        assertThat(j.verdict()).isEqualTo(verdict);
        if (verdict != SprayWeather.Verdict.GO) assertThat(j.words()).isNotEqualTo("go");
    }

    private static ColourZone zone(int id, String name, String hex, String paint, Patch... patches) {
        return ColourZone.of(id, name, hex, paint).withPatches(List.of(patches));
    }

    @Test
    void aRoundPatchLeavesItsMiddle() {
        var around = new Patch.Around(5, 10, 20, -1, 1);
        assertThat(around.holds(new Vec3(11, 5, 0))).isTrue();
        assertThat(around.holds(new Vec3(9, 5, 0))).isFalse();
        assertThat(around.holds(new Vec3(0, 26, 0))).isTrue();
        assertThat(around.holds(new Vec3(50, 5, 2))).isFalse();
        var list = List.of(zone(7, "a", "#000000", "x", around), zone(3, "b", "#000000", "x"));
        assertThat(ColourZone.at(list, Vec3.ZERO)).isEqualTo(1);
        assertThat(ColourZone.ids(list).applyAsInt(Vec3.ZERO)).isEqualTo(3);
        assertThat(ColourZone.at(List.of(zone(0, "a", "#000000", "x", around)), Vec3.ZERO)).isEqualTo(-1);
    }

    @Test
    void zonesHaveNumbersOfTheirOwn() {
        var z = zone(1, "a", "#000000", "enamel spray");
        assertThatThrownBy(() -> ColourWish.of(List.of(z, z), "")).hasMessageContaining("same number");
        assertThatThrownBy(() -> zone(1, "a", "red", "x")).hasMessageContaining("#1f5156");
        var wish = ColourWish.of(List.of(z, zone(4, "b", "#ffffff", "enamel spray")), "").withOrder(List.of(4, 9, 4));
        assertThat(wish.nextId()).isEqualTo(5);
        assertThat(wish.wholeOrder()).containsExactly(4, 1);
        assertThat(wish.merged(4, 1).zones()).containsExactly(z);
        assertThat(wish.merged(4, 1).merged(1, 1).zones()).as("the last stays").hasSize(1);
    }
}
