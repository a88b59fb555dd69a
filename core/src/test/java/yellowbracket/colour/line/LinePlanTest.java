package yellowbracket.colour.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowbracket.colour.line.SurfaceLine.Kind;
import yellowbracket.colour.Cover;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

class LinePlanTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final LineWish DARK = LineWish.NONE.withKinds(Set.of(Kind.GROOVE, Kind.RIDGE));

    private static SurfaceLine straight(Kind kind, double metres, double deep) {
        var run = List.of(Vec3.ZERO, new Vec3(500 * metres, 0, 0), new Vec3(1000 * metres, 0, 0));
        return new SurfaceLine(kind, List.of(run), 1000 * metres, 2, deep);
    }

    private static LinePlan plan(LineWish wish, String on, SurfaceLine... lines) {
        return LinePlan.of(List.of(lines), wish, p -> on, base -> Cover.coats(base, wish.hex(), LinePlan.BRUSH_SHARE).orElse(Cover.MOST),
                SHOP);
    }

    @Test
    void theQuickestToolThatWorksIsTaken() {
        var onPale = plan(DARK, "#d9cfb6", straight(Kind.GROOVE, 2, 1));
        assertThat(onPale.chosen()).get().extracting(LinePlan.Way::tool).isEqualTo(LineTool.MARKER);
        var onDark = plan(DARK.withHex("#d9cfb6"), "#17191b", straight(Kind.GROOVE, 2, 1));
        assertThat(onDark.chosen()).get().extracting(LinePlan.Way::tool).as("ink does not hide on dark").isEqualTo(LineTool.BRUSH);
        assertThat(onDark.ways()).filteredOn(w -> w.tool() == LineTool.TAPE)
                .singleElement()
                .satisfies(w -> assertThat(w.why()).contains("too deep"));
        assertThat(onDark.chosen().orElseThrow().passes()).isGreaterThan(1);
    }

    @Test
    void aTestStripTakesThePlaceOfTheUsualMinutes() {
        var wish = DARK.withTool(Optional.of(LineTool.BRUSH))
                .withStrips(List.of(new LineWish.Strip(LineTool.BRUSH, 200, 3), new LineWish.Strip(LineTool.BRUSH, 300, 3)));
        var way = plan(wish, "#d9cfb6", straight(Kind.GROOVE, 5, 1)).chosen().orElseThrow();
        double layOut = way.minutes() - 5 * 6 / 0.5;
        assertThat(way.least()).isLessThan(way.minutes());
        assertThat(way.most()).as("the slower strip of the two").isGreaterThanOrEqualTo(layOut + 5 * 3 / 0.2);
        assertThat(way.measured()).isTrue();
        assertThat(plan(wish, "#d9cfb6", straight(Kind.GROOVE, 10, 1)).chosen().orElseThrow().minutes()).isCloseTo(layOut + 10 * 6 / 0.5,
                within(1e-9));
    }

    @Test
    void longWorkIsPartedIntoSessionsAHandIsSteadyFor() {
        var p = plan(DARK.withTool(Optional.of(LineTool.BRUSH)), "#d9cfb6", straight(Kind.GROOVE, 12, 1));
        assertThat(p.sessions()).allSatisfy(m -> assertThat(m).isLessThanOrEqualTo(SHOP.usual(Practice.LINE_SESSION_MIN) + 1e-9));
        assertThat(p.hours()).isCloseTo(p.chosen().orElseThrow().minutes() / 60, within(1e-9));
        assertThat(p.days()).isGreaterThanOrEqualTo((int) Math.ceil(p.hours() / SHOP.usual(Practice.LINES_DAY_H) - 0.3));
        assertThat(p.findings()).anySatisfy(f -> assertThat(f.words()).contains("test strip"));
    }

    @Test
    void shortOnesAndThoseLeftOutAreNotPainted() {
        var line = straight(Kind.GROOVE, 0.03, 1);
        assertThat(DARK.paints(line, 1)).isTrue();
        assertThat(DARK.paints(line, 0.5)).as("15 mm on the prop").isFalse();
        assertThat(DARK.withKinds(Set.of(Kind.RIDGE)).paints(line, 1)).isFalse();
        var without = DARK.turned(line);
        assertThat(without.paints(line, 1)).isFalse();
        assertThat(without.turned(line)).isEqualTo(DARK);
    }

    @Test
    void nothingIsPlannedWhereNothingIsPainted() {
        assertThat(plan(LineWish.NONE, "#d9cfb6", straight(Kind.GROOVE, 1, 1))).isEqualTo(LinePlan.NONE);
        assertThat(plan(DARK, "#d9cfb6")).isEqualTo(LinePlan.NONE);
    }

    @Test
    void impossibleWishesAreRefusedInWords() {
        assertThatThrownBy(() -> new LineWish.Strip(LineTool.BRUSH, 200, 0)).hasMessageContaining("minutes");
        assertThatThrownBy(() -> DARK.withHex("blue")).hasMessageContaining("#1f5156");
        assertThatThrownBy(() -> DARK.withWidestMm(40)).hasMessageContaining("widest line");
    }

    @Test
    void aThicketOfForksIsTakenForARoughSurface() {
        var arm = List.of(Vec3.ZERO, new Vec3(5, 0, 0));
        var thicket = new SurfaceLine(Kind.GROOVE, java.util.Collections.nCopies(60, arm), 300, 2, 1);
        assertThat(plan(DARK, "#d9cfb6", thicket).findings()).anySatisfy(f -> assertThat(f.words()).contains("rough surface"));
        assertThat(plan(DARK, "#d9cfb6", straight(Kind.GROOVE, 1, 1)).findings())
                .noneSatisfy(f -> assertThat(f.words()).contains("rough surface"));
    }

    @Test
    void tapeIsPricedWithTheSpraying() {
        var flat = new SurfaceLine(Kind.RIDGE, List.of(List.of(Vec3.ZERO, new Vec3(2000, 0, 0))), 2000, 3, 1);
        var tape = plan(DARK.withTool(Optional.of(LineTool.TAPE)), "#d9cfb6", flat);
        var way = tape.chosen().orElseThrow();
        assertThat(way.works()).isTrue();
        assertThat(way.sprayMin()).isCloseTo(60 * way.passes() * SHOP.usual(Practice.COAT_SETUP_H), within(1e-9));
        assertThat(60 * tape.hours()).as("at the tape").isCloseTo(way.minutes() - way.sprayMin(), within(1e-9));
    }
}
