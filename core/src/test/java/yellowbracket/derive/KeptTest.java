package yellowbracket.derive;

import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.cut.Letters;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.document.ShopFile;
import yellowbracket.document.SmallBuild;
import yellowbracket.finding.Fix;
import yellowbracket.intake.Intake;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.work.Station;

/** What one start of the program leaves for the next. */
class KeptTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Kept.Bounds ALL = new Kept.Bounds(0, 0, Long.MAX_VALUE, Long.MAX_VALUE);
    private static final Build BUILD = SmallBuild.build();

    @TempDir
    private Path folder;
    /** How often a rule was run to its end. */
    private final AtomicInteger runs = new AtomicInteger();
    private final Figure<String> name = Figure.ofBuild("name", String.class, in -> ran(in.build(Build::name) + "!"));
    private final Figure<Integer> length = Figure.ofBuild("length", Integer.class, in -> ran(in.get(name).length()));

    private <T> T ran(T value) {
        runs.incrementAndGet();
        return value;
    }

    private record Start(Derived derived, List<String> taken) {}

    private Start start(Build build, LocalDateTime now, String version, Kept.Bounds bounds, Figure<?>... figures) {
        try (var kept = new Kept(folder, version, bounds)) {
            var memo = new Memo(kept);
            kept.open(build);
            var world = new World(build, Meshes.NONE, Catalogue.builtIn(), new SimulatedWeather(3), now);
            var pass = new Pass(world, memo, true, Derived.NOTHING, Progress.NONE, d -> {}, Optional.of(new Together()));
            var derived = pass.run(List.<Figure<?>>of(figures).stream().<Want>map(Want::ofBuild).toList());
            kept.forget();
            kept.keep(build, memo.shown());
            return new Start(derived, pass.taken().stream().map(Figure.Key::figure).toList());
        }
    }

    private Start start(Build build, Figure<?>... figures) {
        return start(build, NOW, "1", ALL, figures);
    }

    /** One prop more, of a mesh of its own. */
    private static Build with(int i) {
        return BUILD.with(Prop.fromFile("p" + i, "prop", String.valueOf(i).repeat(64), Letters.from(4, 1), Intake.AS_IT_IS,
                Catalogue.builtIn().profile("usual")));
    }

    private List<Path> files() throws IOException {
        try (var in = Files.list(folder)) {
            return in.toList();
        }
    }

    @Test
    void theNextStartTakesWhatIsAsItWas() {
        assertThat(start(BUILD, length).taken).isEmpty();
        runs.set(0);
        var next = start(BUILD, length);
        assertThat(next.taken).containsExactly("name", "length");
        assertThat(runs).hasValue(0);
        assertThat(next.derived.require(length, "")).isEqualTo(BUILD.name().length() + 1);
    }

    @Test
    void whatIsAnsweredOtherwiseIsMadeAnewWithAllThatStandsOnIt() {
        start(BUILD, length);
        var next = start(BUILD.withName("another one"), length);
        assertThat(next.taken).isEmpty();
        assertThat(next.derived.require(length, "")).isEqualTo("another one!".length());
        assertThat(start(BUILD.withName("another one"), length).taken).as("then that is kept").hasSize(2);
    }

    /** A rule that asks one thing or another, by what it was told first. */
    @Test
    void onlyTheSameWayThroughARuleCounts() {
        var either = Figure.ofBuild("either", String.class,
                in -> in.build(b -> b.name().equals("-")) ? "none" : in.build(b -> b.name().substring(0, 1)));
        start(BUILD.withName("Tide"), either);
        assertThat(start(BUILD.withName("Tern"), either)).satisfies(s -> {
            assertThat(s.taken).containsExactly("either");
            assertThat(s.derived.require(either, "")).isEqualTo("T");
        });
        assertThat(start(BUILD.withName("-"), either).derived.require(either, "")).isEqualTo("none");
        assertThat(start(BUILD.withName("Gannet"), either).derived.require(either, "")).isEqualTo("G");
    }

    @Test
    void whatLooksAtTheClockIsMadeAnewWithAllThatStandsOnIt() {
        var clock = Figure.ofBuild("clock", String.class, in -> in.now().toString());
        var onIt = Figure.ofBuild("on it", Integer.class, in -> in.build(Build::name).length() + in.get(clock).length());
        start(BUILD, onIt, length);
        var later = start(BUILD, NOW.plusMinutes(5), "1", ALL, onIt, length);
        assertThat(later.taken).containsExactly("name", "length");
        assertThat(later.derived.require(clock, "")).isEqualTo(NOW.plusMinutes(5).toString());
    }

    @Test
    void anotherVersionOfTheProgramBelievesNothing() {
        start(BUILD, length);
        assertThat(start(BUILD, NOW, "2", ALL, length).taken).isEmpty();
        assertThat(start(BUILD, NOW, "2", ALL, length).taken).hasSize(2);
        assertThat(start(BUILD, length).taken).as("the older one neither").isEmpty();
    }

    /** Cut short anywhere, or with any one byte another: as good as no file, and written anew. */
    @Test
    void aDamagedFileIsAsGoodAsNone() throws IOException {
        start(BUILD, length);
        var file = files().getFirst();
        var whole = Files.readAllBytes(file);
        var random = new Random(15);
        for (int i = 0; i < 200; i++) {
            byte[] bad;
            if (i % 2 == 0) bad = Arrays.copyOf(whole, random.nextInt(whole.length));
            else {
                bad = whole.clone();
                bad[random.nextInt(bad.length)] ^= (byte) (1 + random.nextInt(255));
            }
            Files.write(file, bad);
            var next = start(BUILD, length);
            assertThat(next.taken).as("damage " + i).isEmpty();
            assertThat(next.derived.require(length, "")).isEqualTo(BUILD.name().length() + 1);
            assertThat(start(BUILD, length).taken).as("written anew").hasSize(2);
        }
    }

    @Test
    void whatCannotBeWrittenIsLeftOutAndTheRestKept() {
        record Holds(UnaryOperator<String> function) {}
        var function = Figure.ofBuild("function", Holds.class, in -> {
            String n = in.build(Build::name);
            return new Holds(s -> s + n);
        });
        var uses = Figure.ofBuild("uses", String.class, in -> in.get(function).function.apply("of "));
        start(BUILD, function, uses, length);
        var next = start(BUILD, function, uses, length);
        assertThat(next.taken).containsExactly("uses", "name", "length");
        assertThat(next.derived.require(uses, "")).isEqualTo("of " + BUILD.name());
    }

    @Test
    void whatMendsAFindingWorksAfterTheNextStart() {
        var mends = Figure.ofBuild("mends", Fix.Change.class, in -> {
            String n = in.build(Build::name);
            var more = Optional.of(new Vec3(1, 2, 3));
            return new Fix.Change<>("more", String.class, s -> s + " " + n + more.orElseThrow().z());
        });
        start(BUILD, mends);
        var next = start(BUILD, mends);
        assertThat(next.taken).containsExactly("mends");
        assertThat(next.derived.require(mends, "").change().apply("of")).isEqualTo("of " + BUILD.name() + "3.0");
    }

    /** Of the kinds that results are made of. */
    @Test
    void valuesComeBackAsTheyWere() {
        record Held(Object a, Object b, Object c) {}
        var shared = new double[] {1, 2.5, -0.0, Double.NaN, Double.POSITIVE_INFINITY};
        var byStation = new EnumMap<Station, List<String>>(Station.class);
        byStation.put(Station.CUT, new ArrayList<>(List.of("a")));
        var value = new Held(List.of(shared, shared), new Held(Optional.of(byStation), new EnumMap<>(Map.of(Station.SIZE, 1)), NOW),
                List.of(new int[][] {{1}, {}}, Collections.unmodifiableMap(new TreeMap<>(Map.of("b", 2, "a", 1))),
                        Collections.unmodifiableSet(new TreeSet<>(List.of("z", "y"))),
                        Collections.unmodifiableList(new ArrayList<>(List.of(1)))));
        var figure = Figure.ofBuild("held", Held.class, in -> {
            in.build(Build::name);
            return value;
        });
        start(BUILD, figure);
        var next = start(BUILD, figure);
        assertThat(next.taken).containsExactly("held");
        var read = next.derived.require(figure, "");
        assertThat(DeepEqual.difference(read, value)).isEmpty();
        assertThat((List<?>) read.a).as("what was one is one again").satisfies(l -> assertThat(l.get(0)).isSameAs(l.get(1)));
    }

    @Test
    void noMoreIsWrittenThanThereIsRoomFor() throws IOException {
        var large = Figure.ofBuild("large", byte[].class, in -> new byte[10_000 + in.build(Build::name).length()]);
        start(BUILD, NOW, "1", new Kept.Bounds(0, 0, 9_000, Long.MAX_VALUE), large);
        assertThat(files()).as("too large for one file, nor is a part of it left").isEmpty();
        for (int i = 0; i < 4; i++) {
            start(with(i), NOW, "1", new Kept.Bounds(0, 0, 20_000, 25_000), large);
            for (var f : files()) Files.setLastModifiedTime(f, FileTime.from(Files.getLastModifiedTime(f).toInstant().minusSeconds(60)));
        }
        assertThat(files()).as("room for two").hasSize(2);
        assertThat(start(with(3), large).taken).as("the newest stay").hasSize(1);
        assertThat(start(with(0), large).taken).isEmpty();
    }

    @Test
    void whatWasLeftHalfWrittenGoesAfterADay() throws IOException {
        var old = Files.createFile(folder.resolve("x.results1.part"));
        var young = Files.createFile(folder.resolve("y.results2.part"));
        Files.setLastModifiedTime(old, FileTime.from(Instant.now().minusSeconds(90_000)));
        start(BUILD, length);
        assertThat(old).doesNotExist();
        assertThat(young).exists();
    }

    @Test
    void whatTakesNoTimeIsNotWorthAFile() throws IOException {
        start(BUILD, NOW, "1", Kept.Bounds.USUAL, length);
        assertThat(files()).isEmpty();
    }

    @Test
    void aFolderThatCannotBeWrittenToIsNoHindrance() throws IOException {
        Files.createFile(folder.resolve("results"));
        try (var kept = new Kept(folder.resolve("results"), "1", ALL)) {
            var memo = new Memo(kept);
            kept.open(BUILD);
            var world = new World(BUILD, Meshes.NONE, Catalogue.builtIn(), new SimulatedWeather(3), NOW);
            var derived = new Pass(world, memo, true, Derived.NOTHING, Progress.NONE, d -> {}, Optional.of(new Together()))
                    .run(List.of(Want.ofBuild(length)));
            assertThat(derived.require(length, "")).isEqualTo(BUILD.name().length() + 1);
            kept.keep(BUILD, memo.shown());
        }
        assertThat(folder.resolve("results")).isEmptyFile();
    }

    @Test
    void aBuildWithoutPropsHasNothingToWaitFor() throws IOException {
        var empty = Build.empty(NOW, ShopFile.fresh());
        assertThat(start(empty, length).taken).isEmpty();
        assertThat(files()).isEmpty();
    }

    /** As the window does it: what was worked out is written once nothing was changed for a while. */
    @Test
    void whatIsShownIsKept() {
        var wants = new Workings.Wants() {
            @Override
            public List<Want> all(Build build, String first) {
                return List.of(Want.ofBuild(length));
            }

            @Override
            public List<Want> figures(Build build) {
                return List.of();
            }
        };
        try (var kept = new Kept(folder, "1", ALL);
                var workings = new Workings(Catalogue.builtIn(), new SimulatedWeather(3), Clock.systemUTC(), new Memo(kept), wants,
                        d -> {})) {
            workings.show(BUILD, Meshes.NONE, "helm");
            await().atMost(60, TimeUnit.SECONDS).until(() -> files().stream().anyMatch(f -> f.toString().endsWith(".results")));
        }
        assertThat(start(BUILD, length).taken).hasSize(2);
    }

    @Test
    void aProgramRunFromFoldersOfClassesKeepsNothing() {
        assertThat(Kept.in(folder)).isEmpty();
    }
}
