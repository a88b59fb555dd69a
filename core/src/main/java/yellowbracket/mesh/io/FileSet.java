package yellowbracket.mesh.io;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Comparator;
import java.util.List;

/** Several files that belong together: all of them appear, or none does. */
public final class FileSet {
    private FileSet() {}

    /** Writes files into the folder it is handed, folders within it too. */
    public interface Writing<T> {
        T into(Path folder) throws IOException;
    }

    /**
     * Lets them be written into a folder aside and moves them from there: a full disk or an error leaves the target as it was.
     * @return what was returned; its paths still lie aside: {@link Whole#at} tells where they are now
     */
    public static <T> Whole<T> write(Path folder, Writing<T> writing) throws IOException {
        var target = folder.toAbsolutePath();
        boolean fresh = !Files.exists(target);
        Files.createDirectories(target);
        var aside = Files.createTempDirectory(target, ".part-");
        boolean done = false;
        try {
            var written = writing.into(aside);
            for (var from : files(aside)) {
                var to = target.resolve(aside.relativize(from));
                Files.createDirectories(to.getParent());
                Files.move(from, to, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
            }
            done = true;
            return new Whole<>(written, aside, folder);
        } finally {
            remove(aside);
            if (fresh && !done) Files.deleteIfExists(target);
        }
    }

    /** What the writing returned, with the way from aside to where the files are. */
    public record Whole<T>(T value, Path aside, Path folder) {
        public Path at(Path written) {
            return folder.resolve(aside.relativize(written));
        }
    }

    private static List<Path> files(Path folder) throws IOException {
        try (var all = Files.walk(folder)) {
            return all.filter(Files::isRegularFile).toList();
        }
    }

    private static void remove(Path folder) throws IOException {
        try (var all = Files.walk(folder)) {
            for (var p : all.sorted(Comparator.reverseOrder()).toList()) Files.deleteIfExists(p);
        }
    }
}
