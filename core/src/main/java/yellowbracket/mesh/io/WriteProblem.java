package yellowbracket.mesh.io;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;

/** Why a file was not written, in words for people. */
public final class WriteProblem {
    private WriteProblem() {}

    /** What is wrong, without a full stop: "the disk is full". */
    public static String words(IOException e) {
        return switch (e) {
            case AccessDeniedException _ -> "writing is not allowed there";
            case NoSuchFileException _ -> "there is no such folder";
            case FileAlreadyExistsException _ -> "a file stands where the folder should be";
            case NotDirectoryException _ -> "a file stands where the folder should be";
            case FileSystemException x when x.getReason() != null -> known(x.getReason());
            default -> e.getMessage() == null ? "it cannot be written" : known(e.getMessage());
        };
    }

    /** The system has no other names for these than its own sentences (POSIX strerror). */
    private static String known(String system) {
        return switch (system) {
            case "No space left on device", "Disk quota exceeded" -> "the disk is full";
            case "Read-only file system" -> "the disk can only be read";
            case "Not a directory" -> "a file stands where the folder should be";
            case "Is a directory" -> "a folder has that name";
            case "File name too long" -> "the name is too long";
            case "Input/output error" -> "the disk reports an error";
            default -> system;
        };
    }
}
