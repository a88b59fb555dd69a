package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import yellowbracket.desktop.model.WorkWatch;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.desktop.model.Timers;
import yellowbracket.document.Build;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Journal;
import yellowbracket.document.Meshes;
import yellowbracket.document.ShopFile;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;

/** What the window is started with and what it opens on. */
class StartOptionsTest {
    @TempDir
    Path home;

    private StartOptions options(String... args) {
        return StartOptions.parse(args, Map.of("YELLOWBRACKET_HOME", home.toString()));
    }

    @Test
    void nothingSaidIsTheUsualWindow() {
        var o = options();
        assertThat(o.demo()).isFalse();
        assertThat(o.file()).isEmpty();
        assertThat(o.size().width()).isEqualTo(1280);
        assertThat(o.size().height()).isEqualTo(800);
        assertThat(o.shots()).isEmpty();
        assertThat(o.probe()).isEqualTo(StartOptions.Measuring.OFF);
        assertThat(o.configuration()).isEqualTo(home);
    }

    @Test
    void everyOptionIsTaken() {
        var o = options("--demo", "--today=2026-03-30", "--width=1600", "--height=1000", "--shots=pictures", "--probe=on", "my.bracket");
        assertThat(o.demo()).isTrue();
        assertThat(o.today()).contains(LocalDate.of(2026, 3, 30));
        assertThat(LocalDateTime.now(o.clock())).isEqualTo(LocalDateTime.of(2026, 3, 30, 18, 0));
        assertThat(o.size().width()).isEqualTo(1600);
        assertThat(o.shots()).contains(Path.of("pictures"));
        assertThat(o.probe()).isEqualTo(StartOptions.Measuring.ON);
        assertThat(options("--demo", "--probe=start").probe()).isEqualTo(StartOptions.Measuring.START);
        assertThat(o.file()).contains(Path.of("my.bracket"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"--today=tomorrow", "--today=2026-13-01", "--width=wide", "--height=-5", "--width=1"})
    void nonsenseIsRefusedInWords(String arg) {
        assertThatThrownBy(() -> options(arg)).isInstanceOf(IllegalArgumentException.class).hasMessageMatching(".*(write).*");
    }

    @ParameterizedTest
    @CsvSource({"--dmeo,--demo", "--tody=2026-03-30,--today", "--onyl=size,--only", "--with=800,--width"})
    void aMisspeltOptionIsRefusedAndTheOneMeantNamed(String arg, String meant) {
        assertThatThrownBy(() -> options(arg)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining(meant);
    }

    @Test
    void oneFileAtMost() {
        assertThatThrownBy(() -> options("a.bracket", "b.bracket")).hasMessageContaining("b.bracket");
    }

    @Test
    void theConfigurationFolderFollowsTheDesktopsRules() {
        assertThat(StartOptions.parse(new String[0], Map.of("XDG_CONFIG_HOME", "/x")).configuration())
                .isEqualTo(Path.of("/x/yellow-bracket"));
        assertThat(StartOptions.parse(new String[0], Map.of()).configuration().toString()).endsWith(".config/yellow-bracket");
    }

    @Test
    void theFirstBuildIsTheDemoOrEmptyOrTheLastOne() throws Exception {
        assertThat(FirstBuild.of(options("--demo", "--today=2026-03-30")).build().props()).hasSize(3);
        assertThat(FirstBuild.of(options()).build().props()).isEmpty();
        var file = home.resolve("mine.bracket");
        var mine = Build.empty(LocalDateTime.of(2026, 3, 1, 9, 0), ShopFile.fresh()).withName("mine");
        BuildFile.write(file, mine, Meshes.NONE);
        assertThat(FirstBuild.of(options(file.toString())).build()).isEqualTo(mine);
        options().lastTime().build(Optional.of(file));
        assertThat(FirstBuild.of(options()).file()).contains(file);
        Journal.beside(file).record(mine.withName("with later edits"), Meshes.NONE);
        Files.delete(file);
        assertThat(FirstBuild.of(options()).build().name()).as("its recovery copy is there").isEqualTo("with later edits");
        Journal.beside(file).clear();
        assertThat(FirstBuild.of(options()).build().props()).as("the last one is gone").isEmpty();
    }

    @Test
    void benchModeAndTimersComeBackAtTheNextStart() {
        var now = Instant.parse("2026-03-30T18:00:00Z");
        var glue = new Timers.Timer("A|B", now.plusSeconds(120));
        var old = new Timers.Timer("C|D", now.minus(Duration.ofDays(2)));
        var coat = new Timers.Timer("coat", now.plusSeconds(60), Optional.of(now.plusSeconds(600)));
        var last = options().lastTime();
        last.benchMode(true);
        last.timers(List.of(glue, old, coat));
        var work = new WorkWatch.Kept(Map.of("smooth:helm:1", Duration.ofMinutes(7)), Optional.of("smooth:helm:1"), now, now, true,
                Duration.ofMinutes(3));
        last.work(work);
        assertThat(options().lastTime().work()).isEqualTo(work);
        assertThat(options().lastTime().benchMode()).isTrue();
        assertThat(options().lastTime().timers(now)).as("what rang two days ago is over").containsExactly(glue, coat);
        assertThat(options("--demo").lastTime().timers(now)).as("the demo's are its own").isEmpty();
    }

    @Test
    void aDamagedNoteOfLastTimeIsAsIfThereWereNone() throws Exception {
        Files.writeString(home.resolve("last-time.json"), "{\"build\": 7, \"timers\": [null");
        assertThat(options().lastTime().build()).isEmpty();
        assertThat(options().lastTime().benchMode()).isFalse();
    }

    @Test
    void aDamagedFileOrShopIsSaidAndAnEmptyBuildOpened() throws Exception {
        var file = home.resolve("bad.bracket");
        Files.writeString(file, "nothing of the kind");
        var first = FirstBuild.of(options(file.toString()));
        assertThat(first.problem()).contains("bad.bracket");
        assertThat(first.build().props()).isEmpty();
        Files.writeString(home.resolve("shop.json"), "{ half");
        assertThat(FirstBuild.of(options()).problem()).contains("shop file", "damaged");
    }

    @Test
    void aNewBuildTakesWhatTheShopKnows() throws Exception {
        ShopFile.fresh().withWearer(new Wearer("Ada", HeadMeasures.of(570, 195, 152), false, 5, 1700)).write(home.resolve("shop.json"));
        assertThat(FirstBuild.of(options()).build().wearers()).extracting(Wearer::name).containsExactly("Ada");
    }

    @Test
    void aMeshNamedAtTheStartIsNoBuild() {
        assertThat(FirstBuild.of(options("model.stl")).problem()).isEmpty();
    }
}
