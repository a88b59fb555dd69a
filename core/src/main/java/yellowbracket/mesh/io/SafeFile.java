package yellowbracket.mesh.io;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/** Writes whole files so that a reader sees the old content or the new one, never a part. */
public final class SafeFile {
    private SafeFile() {}

    /** Writes to a temporary file in the same folder, forces it to disk, renames it over the target. Creates the folder. */
    public static void write(Path file, byte[] content) throws IOException {
        var target = file.toAbsolutePath();
        var part = beside(target, ".part");
        try {
            force(part, content);
            replace(part, target);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /**
     * As {@link #write}, keeping what was there before under the same name with {@code ~} behind it. When it cannot be written, both the
     * file and the one with {@code ~} are as they were.
     */
    public static void writeKeepingPrevious(Path file, byte[] content) throws IOException {
        var target = file.toAbsolutePath();
        var part = beside(target, ".part");
        var before = beside(target, "~.part");
        try {
            force(part, content);
            if (Files.exists(target)) {
                Files.deleteIfExists(before);
                try {
                    Files.createLink(before, target); // the renames below replace names, not contents: the link keeps the old file
                } catch (IOException | UnsupportedOperationException e) {
                    Files.copy(target, before);
                }
                replace(before, beside(target, "~"));
            }
            replace(part, target);
        } finally {
            Files.deleteIfExists(part);
            Files.deleteIfExists(before);
        }
    }

    private static Path beside(Path target, String ending) {
        return target.resolveSibling(target.getFileName() + ending);
    }

    private static void force(Path file, byte[] content) throws IOException {
        Files.createDirectories(file.getParent());
        try (var out = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            var buffer = ByteBuffer.wrap(content);
            while (buffer.hasRemaining()) out.write(buffer);
            out.force(true);
        }
    }

    private static void replace(Path from, Path to) throws IOException {
        Files.move(from, to, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }
}
