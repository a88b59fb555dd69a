package yellowbracket.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.mesh.Progress;

/** What is on disk beside a build while it is worked on. */
class JournalTest {
    @TempDir
    Path dir;

    private Path file() {
        return dir.resolve("a.bracket");
    }

    private Journal journal() {
        return Journal.beside(file());
    }

    private Build found() {
        return ((Journal.Left.Found) journal().left()).build();
    }

    @Test
    void whatACrashTookIsFound() throws IOException {
        assertThat(journal().left()).isInstanceOf(Journal.Left.Nothing.class);
        var journal = journal();
        journal.record(SmallBuild.build(), SmallBuild.meshes());
        journal.record(SmallBuild.build().withName("later"), SmallBuild.meshes());
        assertThat(found().name()).isEqualTo("later");
        assertThat(((Journal.Left.Found) journal().left()).meshes().hashes()).containsExactly(SmallBuild.MESH.contentHash());
        journal.clear();
        assertThat(journal().left()).isInstanceOf(Journal.Left.Nothing.class);
        assertThat(dir.resolve("a.bracket.journal")).doesNotExist();
    }

    @Test
    void meshesWrittenAheadAreNothingToRecover() throws IOException {
        journal().prepare(SmallBuild.build(), SmallBuild.meshes());
        assertThat(dir.resolve("a.bracket.journal").resolve(SmallBuild.MESH.contentHash() + ".stl")).exists();
        assertThat(journal().left()).isInstanceOf(Journal.Left.Nothing.class);
    }

    @Test
    void whatIsOnDiskCountsNotWhatWasWrittenOnce() throws IOException {
        var journal = journal();
        journal.record(SmallBuild.build(), SmallBuild.meshes());
        try (var files = Files.list(dir.resolve("a.bracket.journal"))) {
            for (var f : files.toList()) Files.delete(f);
        }
        Files.delete(dir.resolve("a.bracket.journal"));
        journal.record(SmallBuild.build().withName("again"), SmallBuild.meshes());
        assertThat(found().name()).isEqualTo("again");
    }

    @Test
    void whatCannotBeReadIsPutAsideAndKept() throws IOException {
        journal().record(SmallBuild.build(), SmallBuild.meshes());
        var mesh = dir.resolve("a.bracket.journal").resolve(SmallBuild.MESH.contentHash() + ".stl");
        var bytes = Files.readAllBytes(mesh);
        bytes[100] ^= 0x40;
        Files.write(mesh, bytes);
        assertThat(journal().left()).isInstanceOfSatisfying(Journal.Left.Unreadable.class, u -> assertThat(u.why()).contains("helm"));
        var aside = journal().setAside();
        assertThat(aside.resolve("build.json")).exists();
        assertThat(journal().left()).isInstanceOf(Journal.Left.Nothing.class);
        journal().record(SmallBuild.build(), SmallBuild.meshes());
        Files.writeString(dir.resolve("a.bracket.journal/build.json"), "{ half");
        assertThat(journal().left()).isInstanceOf(Journal.Left.Unreadable.class);
        assertThat(journal().setAside()).isNotEqualTo(aside).exists();
    }

    @Test
    void aFileThatIsNoGoodIsRescuedFromWhatStandsBesideIt() throws IOException {
        assertThat(Opening.of(file(), Progress.NONE)).isInstanceOf(Opening.Refused.class);
        BuildFile.write(file(), SmallBuild.build().withName("first"), SmallBuild.meshes());
        BuildFile.write(file(), SmallBuild.build().withName("second"), SmallBuild.meshes());
        assertThat(Opening.of(file(), Progress.NONE)).isInstanceOf(Opening.Opened.class);
        Files.writeString(file(), "torn");
        assertThat(Opening.of(file(), Progress.NONE)).isInstanceOfSatisfying(Opening.Rescued.class, r -> {
            assertThat(r.build().name()).isEqualTo("first");
            assertThat(r.note()).contains("not a build file", "version before the last save", "under another name");
        });
        journal().record(SmallBuild.build().withName("third"), SmallBuild.meshes());
        assertThat(Opening.of(file(), Progress.NONE)).isInstanceOfSatisfying(Opening.Rescued.class,
                r -> assertThat(r.build().name()).isEqualTo("third"));
        Files.delete(file());
        assertThat(Opening.of(file(), Progress.NONE)).as("also where the file is gone")
                .isInstanceOfSatisfying(Opening.Rescued.class, r -> assertThat(r.note()).contains("no such file", "recovery copy"));
    }

    @Test
    void aSaveThatFailsKeepsTheFileAndTheOneBefore() throws IOException {
        BuildFile.write(file(), SmallBuild.build().withName("first"), SmallBuild.meshes());
        BuildFile.write(file(), SmallBuild.build().withName("second"), SmallBuild.meshes());
        Files.createDirectory(dir.resolve("a.bracket.part")); // in the way of what is written first
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> BuildFile.write(file(), SmallBuild.build(), SmallBuild.meshes()))
                .isInstanceOf(IOException.class);
        assertThat(name(file())).isEqualTo("second");
        assertThat(name(BuildFile.previous(file()))).isEqualTo("first");
    }

    private static String name(Path file) {
        return ((BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE)).build().name();
    }

    @Test
    void oneWindowHoldsABuildAndALockLeftOverHoldsNobodyUp() throws IOException {
        try (var mine = BuildLock.take(file()).orElseThrow()) {
            assertThat(BuildLock.take(file())).as("held").isEmpty();
            assertThat(BuildLock.take(dir.resolve("b.bracket"))).as("another build").hasValueSatisfying(BuildLock::close);
        }
        assertThat(dir.resolve(".a.bracket.lock")).doesNotExist();
        Files.createFile(dir.resolve(".a.bracket.lock"));
        assertThat(BuildLock.take(file())).as("left by a process that was killed").hasValueSatisfying(BuildLock::close);
    }

    /**
     * Killed at random moments while it edits, journals and saves, and while it takes up what the one killed before it left, a process
     * leaves a state that was acknowledged, never one older than what was acknowledged last. {@code -Dkills=200} for more.
     */
    @Test
    void killedAtAnyMomentNothingAcknowledgedIsLost() throws Exception {
        var random = new Random(20260330);
        int kills = Integer.getInteger("kills", 6);
        var acknowledged = dir.resolve("ack");
        for (int i = 0; i < kills; i++) {
            boolean recovering = i % 2 == 1; // anywhere from its start to its first edits
            long size = Files.exists(acknowledged) ? Files.size(acknowledged) : 0;
            var child = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xshare:auto",
                    "-XX:TieredStopAtLevel=1", "-cp", System.getProperty("java.class.path"), WorkForever.class.getName(), file().toString(),
                    acknowledged.toString()).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            if (!recovering) await().atMost(Duration.ofSeconds(60))
                    .pollInterval(Duration.ofMillis(2))
                    .until(() -> Files.exists(acknowledged) && Files.size(acknowledged) > size);
            long wait = System.nanoTime() + random.nextLong(recovering ? 1_200_000_000L : 400_000_000L);
            await().pollDelay(Duration.ZERO).pollInterval(Duration.ofMillis(1)).until(() -> System.nanoTime() > wait);
            child.destroyForcibly().waitFor();
            int told = last(acknowledged);
            int kept = Math.max(number(journal().left() instanceof Journal.Left.Found f ? Optional.of(f.build()) : Optional.empty()),
                    number(BuildFile.read(file(), Progress.NONE) instanceof BuildFile.Outcome.Opened o ? Optional.of(o.build())
                            : Optional.empty()));
            assertThat(kept).as("kill %d: of %d acknowledged", i, told).isBetween(told, told + 1);
            assertThat(journal().left()).as("whole").isNotInstanceOf(Journal.Left.Unreadable.class);
            assertThat(BuildLock.take(file())).as("its lock went with it").hasValueSatisfying(BuildLock::close);
        }
    }

    /** The last whole line. */
    private static int last(Path acknowledged) {
        try {
            var text = Files.exists(acknowledged) ? Files.readString(acknowledged) : "";
            int end = text.lastIndexOf('\n');
            return end < 0 ? 0 : Integer.parseInt(text.substring(text.lastIndexOf('\n', end - 1) + 1, end));
        } catch (IOException e) {
            return 0;
        }
    }

    private static int number(Optional<Build> build) {
        return build.map(b -> b.name().startsWith("n") ? Integer.parseInt(b.name().substring(1)) : 0).orElse(0);
    }

    /** Edits, journals, and saves now and then; what is on disk is acknowledged by its number. */
    static final class WorkForever {
        public static void main(String[] args) throws IOException {
            var file = Path.of(args[0]);
            var journal = Journal.beside(file);
            BuildLock.take(file).orElseThrow();
            int from = journal.left() instanceof Journal.Left.Found f ? number(Optional.of(f.build())) : 0;
            if (journal.left() instanceof Journal.Left.Found f) journal.record(f.build(), f.meshes()); // taken up: an edit like others
            if (BuildFile.read(file, Progress.NONE) instanceof BuildFile.Outcome.Opened o)
                from = Math.max(from, number(Optional.of(o.build())));
            try (var told = new PrintStream(Files.newOutputStream(Path.of(args[1]), StandardOpenOption.CREATE, StandardOpenOption.APPEND),
                    true)) {
                for (int n = from + 1;; n++) {
                    var build = SmallBuild.build().withName("n" + n);
                    if (n % 5 == 0) {
                        BuildFile.write(file, build, SmallBuild.meshes());
                        journal.clear();
                    } else journal.record(build, SmallBuild.meshes());
                    told.println(n);
                }
            }
        }
    }
}
