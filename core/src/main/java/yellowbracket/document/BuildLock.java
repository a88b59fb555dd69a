package yellowbracket.document;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Objects;
import java.util.Optional;

/**
 * Says that a window has a build open, so that a second one does not write over it: a lock of the operating system on a file beside the
 * build ({@code .NAME.bracket.lock}). It ends with its process, however that ends; a file that is left over holds nobody up.
 */
public final class BuildLock implements AutoCloseable {
    private final Path file;
    private final FileChannel channel;

    private BuildLock(Path file, FileChannel channel) {
        this.file = file;
        this.channel = channel;
    }

    /** Empty: another window has it. @throws IOException when nothing can be written beside the build */
    public static Optional<BuildLock> take(Path build) throws IOException {
        var file = build.toAbsolutePath().resolveSibling("." + build.getFileName() + ".lock");
        Files.createDirectories(file.getParent());
        while (true) {
            var channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            try {
                var key = key(file);
                if (channel.tryLock() == null) {
                    channel.close();
                    return Optional.empty();
                }
                if (Objects.equals(key, key(file))) return Optional.of(new BuildLock(file, channel));
            } catch (OverlappingFileLockException e) {
                channel.close();
                return Optional.empty();
            } catch (NoSuchFileException e) {
                // here: its holder has just taken the file away
            } catch (IOException e) {
                channel.close();
                throw e;
            }
            channel.close();
        }
    }

    private static Object key(Path file) throws IOException {
        return Files.readAttributes(file, BasicFileAttributes.class).fileKey();
    }

    @Override
    public void close() {
        try {
            Files.deleteIfExists(file); // while it is held: whoever has it open already sees that it is gone, and asks again
            channel.close();
        } catch (IOException e) {
            // a file that is left over holds nobody up
        }
    }
}
