package yellowbracket.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.WriteProblem;

/**
 * Folders and files whose permission bits forbid writing or reading. They hold nobody up who is root: such tests are run by a process of
 * a user without rights, from a copy of the classes that it can read.
 */
@EnabledOnOs(OS.LINUX)
class ForbiddenFolderTest {
    private static final String NOBODY = "65534";

    @TempDir
    Path dir;

    private static void allow(Path p, String bits) throws IOException {
        Files.setPosixFilePermissions(p, PosixFilePermissions.fromString(bits));
    }

    private static void copy(Path from, Path to) throws IOException {
        Files.walkFileTree(from, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path d, BasicFileAttributes a) throws IOException {
                allow(Files.createDirectories(to.resolve(from.relativize(d).toString())), "rwxr-xr-x");
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path f, BasicFileAttributes a) throws IOException {
                allow(Files.copy(f, from.equals(f) ? to : to.resolve(from.relativize(f).toString())), "rw-r--r--");
                return FileVisitResult.CONTINUE;
            }
        });
    }

    private String classes() throws IOException {
        var out = new ArrayList<String>();
        var all = System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"));
        for (var entry : all.split(File.pathSeparator)) {
            var from = Path.of(entry);
            if (!Files.exists(from)) continue;
            var to = dir.resolve("classes-" + out.size() + (Files.isDirectory(from) ? "" : ".jar"));
            copy(from, to);
            out.add(to.toString());
        }
        return String.join(File.pathSeparator, out);
    }

    private List<String> asNobody(String classes, Path file) throws IOException, InterruptedException {
        var command = new ArrayList<String>();
        if ("root".equals(System.getProperty("user.name")))
            command.addAll(List.of("setpriv", "--reuid", NOBODY, "--regid", NOBODY, "--clear-groups"));
        command.addAll(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-XX:TieredStopAtLevel=1", "-cp",
                classes, Tries.class.getName(), file.toString()));
        var out = dir.resolve("out.txt");
        int code = -1;
        try {
            code = new ProcessBuilder(command).redirectErrorStream(true)
                    .redirectOutput(out.toFile())
                    .directory(new File("/"))
                    .start()
                    .waitFor();
        } catch (IOException e) {
            // there is no setpriv
        }
        assumeTrue(code == 0, "no process can be started for a user without rights");
        return Files.readAllLines(out, StandardCharsets.UTF_8);
    }

    /** What a user without rights is told; one line for each try. */
    static final class Tries {
        private interface Work {
            Object run() throws IOException;
        }

        private static void told(Work work) {
            try {
                System.out.println(work.run());
            } catch (IOException e) {
                System.out.println(WriteProblem.words(e));
            }
        }

        public static void main(String[] args) {
            var file = Path.of(args[0]);
            told(() -> {
                BuildFile.write(file, SmallBuild.build(), SmallBuild.meshes());
                return "written";
            });
            told(() -> {
                Journal.beside(file).record(SmallBuild.build(), SmallBuild.meshes());
                return "journalled";
            });
            told(() -> BuildLock.take(file).isPresent());
            told(() -> BuildFile.read(file, Progress.NONE) instanceof BuildFile.Outcome.Refused r ? r.problem().sentence() : "opened");
        }
    }

    @Test
    void whatIsForbiddenIsSaidAndNothingChanges() throws Exception {
        allow(dir, "rwxr-xr-x");
        String classes = classes();
        var folder = Files.createDirectory(dir.resolve("folder"));
        var file = folder.resolve("mine.bracket");
        BuildFile.write(file, SmallBuild.build(), SmallBuild.meshes());
        var before = Files.readAllBytes(file);
        allow(file, "rw-r--r--");
        allow(folder, "r-xr-xr-x");
        var told = asNobody(classes, file);
        assertThat(told).containsExactly("writing is not allowed there", "writing is not allowed there", "writing is not allowed there",
                "opened");
        allow(file, "-wx------");
        assertThat(asNobody(classes, file).getLast()).contains("mine.bracket", "not be read").doesNotContain("Exception");
        allow(folder, "rwxr-xr-x");
        allow(file, "rw-r--r--");
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        try (var files = Files.list(folder)) {
            assertThat(files).as("no part of a file is left").containsExactly(file);
        }
    }
}
