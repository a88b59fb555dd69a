package yellowbracket.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.TreeMap;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.registration.Registrar;
import yellowbracket.export.SectionFiles;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.WriteProblem;

/** A disk of one megabyte, full or only to be read: nothing that was there is lost, and the reason is named. Needs the right to mount. */
class SmallDiskTest {
    /** More than the disk holds. */
    private static final Mesh LARGE = SmallBuild.floats(Shapes.bumpySphere(60, 60_000));

    @TempDir
    Path dir;
    private Path disk;

    @BeforeEach
    void mount() throws IOException, InterruptedException {
        disk = Files.createDirectory(dir.resolve("disk"));
        assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=1m", "tmpfs", disk.toString()) == 0, "nothing can be mounted here");
    }

    @AfterEach
    void unmount() throws IOException, InterruptedException {
        run("umount", disk.toString());
    }

    private static int run(String... command) throws IOException, InterruptedException {
        try {
            return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor();
        } catch (IOException e) {
            return -1; // no such program
        }
    }

    private static Build large() {
        return SmallBuild.build().with(SmallBuild.build().props().getFirst().withMesh(LARGE.contentHash()));
    }

    private TreeMap<String, byte[]> onDisk() throws IOException {
        var out = new TreeMap<String, byte[]>();
        try (var all = Files.walk(disk)) {
            for (var f : all.filter(Files::isRegularFile).toList()) out.put(disk.relativize(f).toString(), Files.readAllBytes(f));
        }
        return out;
    }

    private void unchanged(TreeMap<String, byte[]> before) throws IOException {
        var now = onDisk();
        assertThat(now.keySet()).isEqualTo(before.keySet());
        before.forEach((name, bytes) -> assertThat(now.get(name)).as(name).isEqualTo(bytes));
    }

    @Test
    void aSaveThatDoesNotFitLeavesFileAndPreviousAsTheyWere() throws IOException {
        var file = disk.resolve("a.bracket");
        BuildFile.write(file, SmallBuild.build().withName("first"), SmallBuild.meshes());
        BuildFile.write(file, SmallBuild.build().withName("second"), SmallBuild.meshes());
        var before = onDisk();
        assertThat(before.keySet()).containsExactly("a.bracket", "a.bracket~");
        var e = catchThrowableOfType(IOException.class, () -> BuildFile.write(file, large(), Meshes.NONE.with(LARGE)));
        assertThat(WriteProblem.words(e)).isEqualTo("the disk is full");
        unchanged(before);
    }

    @Test
    void aJournalThatDoesNotFitKeepsWhatItHeld() throws IOException {
        var journal = Journal.beside(disk.resolve("a.bracket"));
        journal.record(SmallBuild.build().withName("kept"), SmallBuild.meshes());
        var e = catchThrowableOfType(IOException.class, () -> journal.record(large(), Meshes.NONE.with(LARGE)));
        assertThat(WriteProblem.words(e)).isEqualTo("the disk is full");
        assertThat(((Journal.Left.Found) journal.left()).build().name()).isEqualTo("kept");
    }

    @Test
    void filesThatBelongTogetherAppearTogetherOrNotAtAll() throws IOException {
        var index = Bvh.of(LARGE);
        var whole = Registrar.of(Sectioning.of(LARGE, index, CutTree.WHOLE, "p", Letters.alone(), Progress.NONE), CutTree.WHOLE, index, 1,
                Registration.PLAIN, Progress.NONE);
        var files = new SectionFiles("ball", 1, whole, Optional.empty());
        var e = catchThrowableOfType(IOException.class, () -> files.write(disk.resolve("out")));
        assertThat(WriteProblem.words(e)).isEqualTo("the disk is full");
        assertThat(onDisk()).isEmpty();
        assertThat(disk.resolve("out")).doesNotExist();
    }

    @Test
    void aDiskThatCanOnlyBeReadIsNamed() throws IOException, InterruptedException {
        var file = disk.resolve("a.bracket");
        BuildFile.write(file, SmallBuild.build(), SmallBuild.meshes());
        var before = onDisk();
        assumeTrue(run("mount", "-o", "remount,ro", disk.toString()) == 0);
        var e = catchThrowableOfType(IOException.class, () -> BuildFile.write(file, SmallBuild.build(), SmallBuild.meshes()));
        assertThat(WriteProblem.words(e)).isEqualTo("the disk can only be read");
        unchanged(before);
        assertThat(Opening.of(file, Progress.NONE)).isInstanceOf(Opening.Opened.class);
    }

    @Test
    void aDiskTakenAwayIsNamedAndTheFileIsThereWhenItComesBack() throws IOException, InterruptedException {
        var journal = Journal.beside(disk.resolve("a.bracket"));
        journal.record(SmallBuild.build(), SmallBuild.meshes());
        assertThat(run("umount", disk.toString())).isZero();
        assertThat(journal.left()).isInstanceOf(Journal.Left.Nothing.class);
        journal.record(SmallBuild.build().withName("elsewhere"), SmallBuild.meshes()); // whole again, meshes too
        assertThat(((Journal.Left.Found) journal.left()).build().name()).isEqualTo("elsewhere");
    }
}
