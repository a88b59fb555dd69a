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
        Files.createDirectories(target.getParent());
        var part = target.resolveSibling(target.getFileName() + ".part");
        try {
            try (var out = FileChannel.open(part, StandardOpenOption.CREATE, StandardOpenOption.WRITE,
                    StandardOpenOption.TRUNCATE_EXISTING)) {
                var buffer = ByteBuffer.wrap(content);
                while (buffer.hasRemaining()) out.write(buffer);
                out.force(true);
            }
            Files.move(part, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** As {@link #write}, keeping what was there before under the same name with {@code ~} behind it. */
    public static void writeKeepingPrevious(Path file, byte[] content) throws IOException {
        var target = file.toAbsolutePath();
        if (Files.exists(target)) {
            var kept = target.resolveSibling(target.getFileName() + "~");
            Files.deleteIfExists(kept);
            try {
                Files.createLink(kept, target); // the rename below replaces the name, not the content: the link keeps the old file
            } catch (IOException | UnsupportedOperationException e) {
                Files.copy(target, kept, StandardCopyOption.REPLACE_EXISTING);
            }
        }
        write(target, content);
    }
}
