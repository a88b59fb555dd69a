package yellowbracket.desktop.model;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Where photos come in, as a phone or a camera leaves them: the folder of the last one taken. Thread-safe. */
public final class PhotoFolder {
    private record Dated(Path file, FileTime at) {}

    private final Set<Path> taken = ConcurrentHashMap.newKeySet();
    private volatile Optional<Path> folder = Optional.empty();

    public boolean known() {
        return folder.isPresent();
    }

    /** From now on looked for beside it. */
    public void took(Path file) {
        taken.add(file);
        folder = Optional.ofNullable(file.toAbsolutePath().getParent());
    }

    /** The newest picture that was not taken yet; none where the folder cannot be read. May wait for the disk. */
    public Optional<Path> newest() {
        if (folder.isEmpty()) return Optional.empty();
        try (var files = Files.list(folder.get())) {
            return files.filter(PhotoFolder::isPicture)
                    .filter(f -> !taken.contains(f))
                    .map(PhotoFolder::dated)
                    .flatMap(Optional::stream)
                    .max(Comparator.comparing(Dated::at).thenComparing(d -> d.file().getFileName().toString()))
                    .map(Dated::file);
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    private static Optional<Dated> dated(Path file) {
        try {
            return Optional.of(new Dated(file, Files.getLastModifiedTime(file)));
        } catch (IOException e) {
            return Optional.empty(); // gone meanwhile
        }
    }

    private static boolean isPicture(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        return (name.endsWith(".jpg") || name.endsWith(".jpeg") || name.endsWith(".png")) && Files.isRegularFile(file);
    }
}
