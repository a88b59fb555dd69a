package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
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

    @Test
    void thinColoursNeedMoreCoatsAndThePaintsOwnColourTwo() {
        assertThat(Cover.coats("#808080", "#808080", 0.5)).isEqualTo(2);
        assertThat(Cover.coats("#1b1c1e", "#f2c200", Cover.opacity("#f2c200")))
                .isGreaterThan(Cover.coats("#f2f2ee", "#f2c200", Cover.opacity("#f2c200")));
        assertThat(Cover.opacity("#f2c200")).isLessThan(Cover.opacity("#1f5156"));
        assertThatThrownBy(() -> Cover.coats("#000000", "#ffffff", 0)).hasMessageContaining("opacity");
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

    private static ColourZone zone(String name, String hex, String paint, Patch... patches) {
        return new ColourZone(name, hex, paint, List.of(patches));
    }

    @Test
    void areasOfABallHalvedByABox() {
        var ball = Shapes.sphere(100, 64);
        var samples = SurfaceSamples.of(ball, Bvh.of(ball), 3000);
        var zones = List.of(zone("cap", "#d9cfb6", "acrylic lacquer spray", new Patch.Box(Bounds3.of(-200, -200, 50, 200, 200, 200))),
                zone("rest", "#1f5156", "enamel spray"));
        var p = ColourPlan.of(List.of(samples), 1, zones, "matt clear", SHOP);
        double cap = 2 * Math.PI * 100 * 50 / 1e4;
        assertThat(p.areas().getFirst().dm2()).as("spherical cap").isCloseTo(cap, within(0.05 * cap));
        assertThat(p.areas().stream().mapToDouble(ColourPlan.Area::dm2).sum()).isCloseTo(4 * Math.PI, within(0.05 * 4 * Math.PI));
        assertThat(p.coats().getFirst().product()).isEqualTo("sealing primer");
        assertThat(p.coats().getLast().product()).isEqualTo("matt clear");
        assertThat(p.findings()).anyMatch(f -> f.words().contains("wrinkles"));
        assertThat(p.coats()).allSatisfy(c -> assertThat(c.count()).isGreaterThanOrEqualTo(2));
        assertThat(ColourPlan.of(List.of(samples.scaled(2)), 2, zones, "", SHOP).areas().getFirst().dm2())
                .isCloseTo(4 * p.areas().getFirst().dm2(), within(1e-6));
    }

    @Test
    void lightComesBeforeDarkAndLaterZonesMaskWhatIsPainted() {
        var ball = Shapes.sphere(100, 48);
        var samples = SurfaceSamples.of(ball, Bvh.of(ball), 1500);
        var p = ColourPlan.of(List.of(samples), 1,
                List.of(zone("dark", "#1b1c1e", "acrylic lacquer spray", new Patch.Box(Bounds3.of(-200, -200, 0, 200, 200, 200))),
                        zone("light", "#e8e0c8", "acrylic lacquer spray")),
                "", SHOP);
        assertThat(p.coats()).extracting(ColourPlan.Coats::zone).containsExactly("all", "light", "dark");
        assertThat(p.coats().get(1).maskDm2()).isZero();
        assertThat(p.coats().get(2).maskDm2()).isPositive();
        assertThat(ColourPlan.of(List.of(samples), 1, List.of(), "", SHOP).findings()).singleElement()
                .asString()
                .contains("no colour zones");
    }

    @Test
    void aRoundPatchLeavesItsMiddle() {
        var around = new Patch.Around(5, 10, 20, -1, 1);
        assertThat(around.holds(new Vec3(11, 5, 0))).isTrue();
        assertThat(around.holds(new Vec3(9, 5, 0))).isFalse();
        assertThat(around.holds(new Vec3(0, 26, 0))).isTrue();
        assertThat(around.holds(new Vec3(50, 5, 2))).isFalse();
        assertThat(ColourZone.at(List.of(zone("a", "#000000", "x", around), zone("b", "#000000", "x")), Vec3.ZERO)).isEqualTo(1);
        assertThat(ColourZone.at(List.of(zone("a", "#000000", "x", around)), Vec3.ZERO)).isEqualTo(-1);
    }
}
