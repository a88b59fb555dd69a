package yellowbracket.mesh.io;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/**
 * What editors and exporters put before the first word of a text mesh: byte order marks, UTF-16, blank lines, comments; and lines
 * that end in carriage returns alone. Binary content passes unchanged.
 */
final class TextStart {
    /** A first word further on is none: a longer preamble has not been seen. */
    private static final int PREAMBLE = 8192;

    private TextStart() {}

    /** The content from its first word on, in a charset whose letters are ASCII's; lines before {@code solid} stay, blank. */
    static byte[] plain(byte[] content) {
        var bytes = unmarked(content);
        int at = firstWord(bytes);
        if (isWord(bytes, at, "ply")) return Arrays.copyOfRange(bytes, at, bytes.length); // its body may be binary
        if (endsLinesWithReturns(bytes)) bytes = withNewLines(bytes);
        if (at == 0 || !isWord(bytes, at, "solid")) return bytes;
        var out = bytes.clone(); // here: so that messages tell the lines of the file
        for (int i = 0; i < at; i++) if (out[i] != '\n' && out[i] != '\r') out[i] = ' ';
        return out;
    }

    private static byte[] unmarked(byte[] b) {
        if (b.length >= 3 && b[0] == (byte) 0xef && b[1] == (byte) 0xbb && b[2] == (byte) 0xbf) return Arrays.copyOfRange(b, 3, b.length);
        if (b.length >= 2 && b[0] == (byte) 0xff && b[1] == (byte) 0xfe) return recoded(b, StandardCharsets.UTF_16LE);
        if (b.length >= 2 && b[0] == (byte) 0xfe && b[1] == (byte) 0xff) return recoded(b, StandardCharsets.UTF_16BE);
        return b;
    }

    private static byte[] recoded(byte[] b, Charset from) {
        return new String(b, 2, b.length - 2, from).getBytes(StandardCharsets.UTF_8);
    }

    private static boolean endsLinesWithReturns(byte[] b) {
        boolean any = false;
        for (int i = 0; i < Math.min(b.length, PREAMBLE); i++) {
            if (b[i] == '\n' || b[i] == 0) return false;
            any |= b[i] == '\r';
        }
        return any;
    }

    private static byte[] withNewLines(byte[] b) {
        var out = b.clone();
        for (int i = 0; i < out.length; i++) if (out[i] == '\r') out[i] = '\n';
        return out;
    }

    /** Behind blank lines and lines that begin as comments do in one format or another. */
    private static int firstWord(byte[] b) {
        int end = Math.min(b.length, PREAMBLE), i = 0;
        while (i < end) {
            while (i < end && b[i] <= ' ' && b[i] >= 0) i++;
            if (!isComment(b, i)) return i == end ? 0 : i;
            while (i < end && b[i] != '\n' && b[i] != '\r') i++;
        }
        return 0;
    }

    private static boolean isComment(byte[] b, int i) {
        return i < b.length && (b[i] == '#' || b[i] == ';' || b[i] == '/' || isWord(b, i, "comment"));
    }

    /** In any case, and followed by a blank. */
    static boolean isWord(byte[] b, int at, String word) {
        if (at + word.length() >= b.length || b[at + word.length()] > ' ' || b[at + word.length()] < 0) return false;
        for (int i = 0; i < word.length(); i++) if (Character.toLowerCase(b[at + i]) != word.charAt(i)) return false;
        return true;
    }
}
