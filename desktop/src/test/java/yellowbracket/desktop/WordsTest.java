package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.plan.Chance;
import yellowbracket.desktop.shell.Commands;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Role;

/** What needs no toolkit. */
class WordsTest {
    @Test
    void numbersCarryUnitsAndSensibleDigits() {
        var mm = new Words(false);
        var inch = new Words(true);
        assertThat(mm.length(8.64)).isEqualTo("8.6 mm");
        assertThat(inch.length(25.4)).isEqualTo("1.00 in");
        assertThat(mm.length(Double.NaN)).isEqualTo("open");
        assertThat(mm.longLength(2870)).isEqualTo("2.87 m");
        assertThat(mm.longLength(1234)).isEqualTo("1\u2009234 mm");
        assertThat(Words.about(3.26)).isEqualTo("~3.3 h");
        assertThat(Words.about(51.7)).isEqualTo("~52 h");
        assertThat(Words.grams(1322)).isEqualTo("1\u2009322 g");
        assertThat(Words.scale(1.04)).isEqualTo("104.0 %");
        assertThat(Words.days(36)).isEqualTo("1.5 days");
    }

    @Test
    void noChanceIsToldAsCertain() {
        assertThat(Words.chance(new Chance(160, 160))).isEqualTo("over 98 %");
        assertThat(Words.chance(new Chance(10, 10))).isEqualTo("over 74 %");
        assertThat(Words.chance(new Chance(0, 160))).isEqualTo("under 2 %");
        assertThat(Words.chance(new Chance(834, 1000))).isEqualTo("83 %");
        assertThat(Words.chance(new Chance(399, 400))).isEqualTo("99 %");
    }

    @Test
    void everyRoleHasItsColourByDayAndByNight() {
        for (var r : Role.values()) assertThat(r.colour(false).isOpaque() && r.colour(true).isOpaque()).as(r.name()).isTrue();
        assertThat(Role.INK.colour(true)).isNotEqualTo(Role.INK.colour(false));
        assertThat(Role.SECTIONS).hasSize(10).doesNotHaveDuplicates();
    }

    @Test
    void timersCountDownAndThenUp() {
        var now = Instant.parse("2026-03-30T18:00:00Z");
        var timers = new Timers(Clock.fixed(now, ZoneOffset.UTC));
        timers.start("B|C filler", 3.2);
        var t = timers.running().getFirst();
        assertThat(t.words(now)).isEqualTo("03:12 \u00b7 B|C filler");
        assertThat(t.past(now)).isFalse();
        assertThat(t.words(now.plusSeconds(292))).isEqualTo("01:40 past \u00b7 B|C filler");
        assertThat(t.past(now.plusSeconds(292))).isTrue();
        assertThat(new Timers.Timer("cure", now.plusSeconds(7200)).words(now)).isEqualTo("2:00:00 \u00b7 cure");
        timers.stop(t);
        assertThat(timers.running()).isEmpty();
    }

    @Test
    void commandsAreFoundByAnyWordsAndRunByKey() {
        var c = new Commands();
        var ran = new int[1];
        c.add("export sections and cut list", "", () -> {});
        c.add("frame the model", "f", () -> ran[0]++);
        assertThat(c.find("cut exp")).hasSize(1);
        assertThat(c.find("")).hasSize(2);
        assertThat(c.run("f")).isTrue();
        assertThat(c.run("q")).isFalse();
        assertThat(ran[0]).isEqualTo(1);
    }

    /** Lightness moves one way over a ramp, so that it reads without colour; clearance may turn once, at its pale middle. */
    @Test
    void rampsAreEvenInLightness() {
        for (var r : new Ramp[] {Ramp.cusp(), Ramp.foam()}) {
            double before = 2;
            for (double v = r.low(); v <= r.high(); v += (r.high() - r.low()) / 20) {
                double l = luminance(r.at(v));
                assertThat(l).as(r.title() + " at " + v).isLessThan(before + 1e-9);
                before = l;
            }
        }
        assertThat(Ramp.clearance().u(Double.NaN)).isGreaterThan(Ramp.clearance().u(1e9));
        assertThat(Ramp.clearance().at(-5)).isEqualTo(Ramp.clearance().at(0));
    }

    private static double luminance(Color c) {
        return 0.2126 * c.getRed() + 0.7152 * c.getGreen() + 0.0722 * c.getBlue();
    }

    /** Text roles on their grounds keep 4.5 : 1 in both themes. */
    @Test
    void themesHaveContrast() throws Exception {
        for (var theme : new String[] {"day", "night"}) {
            var css = new String(getClass().getResourceAsStream("/yellowbracket/desktop/theme/" + theme + ".css").readAllBytes(),
                    java.nio.charset.StandardCharsets.UTF_8);
            for (var text : new String[] {"ink", "soft", "good", "care", "stop", "note"})
                for (var ground : new String[] {"paper", "card", "raised"})
                    assertThat(contrast(role(css, text), role(css, ground))).as(theme + ": " + text + " on " + ground)
                            .isGreaterThanOrEqualTo(4.5);
            assertThat(contrast(role(css, "ink"), role(css, "yellow-tint"))).isGreaterThan(4.5);
        }
    }

    private static Color role(String css, String name) {
        var m = java.util.regex.Pattern.compile("-" + name + ": (#[0-9A-Fa-f]{6})").matcher(css);
        assertThat(m.find()).as(name).isTrue();
        return Color.web(m.group(1));
    }

    private static double contrast(Color a, Color b) {
        double x = light(a), y = light(b);
        return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
    }

    private static double light(Color c) {
        return 0.2126 * linear(c.getRed()) + 0.7152 * linear(c.getGreen()) + 0.0722 * linear(c.getBlue());
    }

    private static double linear(double v) {
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }
}
