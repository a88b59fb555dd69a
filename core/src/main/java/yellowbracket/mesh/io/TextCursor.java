package yellowbracket.mesh.io;

import java.nio.charset.StandardCharsets;
import java.util.Locale;

/**
 * Reads words and numbers from ASCII bytes without making strings. Blanks are spaces, tabs and carriage returns; {@code '\\'} before a line
 * end joins
 * two lines. Numbers of up to 15 digits with an exponent within 22 are exact by one multiplication or division (Clinger 1990); others go to
 * the library.
 */
final class TextCursor {
    private static final double[] TEN = {1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9, 1e10, 1e11, 1e12, 1e13, 1e14, 1e15, 1e16, 1e17,
            1e18, 1e19, 1e20, 1e21, 1e22};
    private static final long EXACT = 1L << 53;

    private final byte[] bytes;
    private final int end;
    private int at;
    private int line;

    /** @param line the number of the first line, from 1 */
    TextCursor(byte[] bytes, int from, int to, int line) {
        this.bytes = bytes;
        this.at = from;
        this.end = to;
        this.line = line;
    }

    /** A word that should have been a number. */
    static final class NoNumber extends Exception {
        private static final long serialVersionUID = 1;

        NoNumber(String word) {
            super(word.isEmpty() ? "a number is missing" : "\"" + MeshFile.shorten(word) + "\" is not a number", null, false, false);
        }
    }

    int at() {
        return at;
    }

    int line() {
        return line;
    }

    boolean done() {
        return at >= end;
    }

    /** To the next word of this line; false at its end. */
    boolean skipBlanks() {
        while (at < end) {
            byte c = bytes[at];
            if (c == ' ' || c == '\t' || c == '\r') at++;
            else if (c == '\\' && continues()) line++;
            else return c != '\n';
        }
        return false;
    }

    private boolean continues() {
        int next = at + 1;
        if (next < end && bytes[next] == '\r') next++;
        if (next >= end || bytes[next] != '\n') return false;
        at = next + 1;
        return true;
    }

    /** To the first byte of the next line. */
    void nextLine() {
        while (at < end && bytes[at] != '\n') at++;
        if (at < end) {
            at++;
            line++;
        }
    }

    /** Whether the rest of this line holds the word. */
    boolean lineHolds(String word) {
        int to = at;
        while (to < end && bytes[to] != '\n') to++;
        return new String(bytes, at, to - at, StandardCharsets.ISO_8859_1).toLowerCase(Locale.ROOT).contains(word);
    }

    /** To the next word on whatever line; false at the end. */
    boolean skipSpace() {
        while (at < end && bytes[at] <= ' ' && bytes[at] >= 0) if (bytes[at++] == '\n') line++;
        return at < end;
    }

    /** The byte under the cursor, 0 at the end. */
    byte peek() {
        return at < end ? bytes[at] : 0;
    }

    byte peek(int ahead) {
        return at + ahead < end ? bytes[at + ahead] : 0;
    }

    void skip(int n) {
        at = Math.min(end, at + n);
    }

    private boolean inWord() {
        return at < end && (bytes[at] > ' ' || bytes[at] < 0);
    }

    void skipWord() {
        while (inWord()) at++;
    }

    /** The word under the cursor, lower-case; empty at the end of the line. */
    String word() {
        int from = at;
        skipWord();
        return new String(bytes, from, at - from, StandardCharsets.ISO_8859_1).toLowerCase(Locale.ROOT);
    }

    /** The number under the cursor; a NaN or infinity where the word says so. */
    double number() throws NoNumber {
        int from = at;
        boolean minus = at < end && bytes[at] == '-';
        if (minus || at < end && bytes[at] == '+') at++;
        long digits = 0;
        int scale = 0, seen = 0;
        for (; at < end; at++, seen++) {
            int d = bytes[at] - '0';
            if (d < 0 || d > 9) break;
            if (digits < EXACT / 10 - 1) digits = 10 * digits + d;
            else return slow(from);
        }
        if (at < end && bytes[at] == '.') {
            at++;
            for (; at < end; at++, seen++) {
                int d = bytes[at] - '0';
                if (d < 0 || d > 9) break;
                if (digits >= EXACT / 10 - 1) return slow(from);
                digits = 10 * digits + d;
                scale--;
            }
        }
        if (seen == 0) return slow(from);
        if (at < end && (bytes[at] | 0x20) == 'e') {
            int exponent = exponent();
            if (exponent == Integer.MIN_VALUE) return slow(from);
            scale += exponent;
        }
        if (inWord()) return slow(from);
        if (scale < -22 || scale > 22) return slow(from);
        double value = scale < 0 ? digits / TEN[-scale] : digits * TEN[scale];
        return minus ? -value : value;
    }

    private int exponent() {
        at++;
        boolean minus = at < end && bytes[at] == '-';
        if (minus || at < end && bytes[at] == '+') at++;
        int e = 0, from = at;
        for (; at < end && bytes[at] >= '0' && bytes[at] <= '9' && at - from < 5; at++) e = 10 * e + bytes[at] - '0';
        return at == from ? Integer.MIN_VALUE : minus ? -e : e;
    }

    /** Whatever the library takes for a number, and the spellings of "no number" that programs write. */
    private double slow(int from) throws NoNumber {
        at = from;
        String word = word();
        if (word.contains("nan") || word.contains("ind")) return Double.NaN;
        if (word.contains("inf")) return Double.POSITIVE_INFINITY;
        try {
            if (word.length() > 400 || word.endsWith("d") || word.endsWith("f") || word.contains("x")) throw new NumberFormatException();
            return Double.parseDouble(word);
        } catch (NumberFormatException e) {
            throw new NoNumber(word);
        }
    }

    /** A whole number ended by a blank, a slash or the line's end. */
    int integer() throws NoNumber {
        int from = at;
        boolean minus = at < end && bytes[at] == '-';
        if (minus || at < end && bytes[at] == '+') at++;
        long value = 0;
        int first = at;
        for (; at < end && bytes[at] >= '0' && bytes[at] <= '9'; at++) {
            value = 10 * value + bytes[at] - '0';
            if (value > Integer.MAX_VALUE) break;
        }
        boolean ended = at >= end || bytes[at] <= ' ' && bytes[at] >= 0 || bytes[at] == '/';
        if (at == first || !ended || value > Integer.MAX_VALUE) {
            at = from;
            throw new NoNumber(word());
        }
        return (int) (minus ? -value : value);
    }
}
