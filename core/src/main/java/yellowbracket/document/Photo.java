package yellowbracket.document;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.regex.Pattern;
import yellowbracket.mesh.io.ReadProblem;

/** A picture that goes with an entry of the log, as it came from the camera; named by the SHA-256 of its bytes and its kind. */
public record Photo(String name, byte[] bytes) {
    static final Pattern NAME = Pattern.compile("[0-9a-f]{64}\\.(jpg|png)");
    /** A camera picture has 3 to 12 MB. */
    private static final long MOST_BYTES = 25_000_000;
    private static final int[] JPEG = {0xFF, 0xD8, 0xFF};
    private static final int[] PNG = {0x89, 'P', 'N', 'G'};

    public Photo {
        bytes = bytes.clone();
    }

    @Override
    public byte[] bytes() {
        return bytes.clone();
    }

    /** As the web names its kind: image/png. */
    public String mediaType() {
        return starts(bytes, PNG) ? "image/png" : "image/jpeg";
    }

    /** Read: the photo; refused: why and what to do. */
    public sealed interface Outcome {
        record Read(Photo photo) implements Outcome {}

        record Refused(ReadProblem problem) implements Outcome {}
    }

    /** Told apart by its first bytes, whatever the file is called. */
    public static Outcome read(Path file) {
        String called = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > MOST_BYTES) return new Outcome.Refused(
                    new ReadProblem(called, "", "the picture is larger than 25 MB", "make it smaller, or leave it out"));
            var bytes = Files.readAllBytes(file);
            if (starts(bytes, JPEG)) return new Outcome.Read(of(bytes, "jpg"));
            if (starts(bytes, PNG)) return new Outcome.Read(of(bytes, "png"));
            return new Outcome.Refused(new ReadProblem(called, "", "this is neither a JPEG nor a PNG picture", "save it as one of them"));
        } catch (IOException e) {
            return new Outcome.Refused(new ReadProblem(called, "", "the file cannot be read", "check that it is there and may be read"));
        }
    }

    static Photo of(byte[] bytes, String kind) {
        try {
            return new Photo(HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes)) + "." + kind, bytes);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    private static boolean starts(byte[] bytes, int[] magic) {
        if (bytes.length < magic.length) return false;
        for (int i = 0; i < magic.length; i++) if ((bytes[i] & 0xFF) != magic[i]) return false;
        return true;
    }
}
