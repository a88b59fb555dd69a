package yellowbracket.mesh.io;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Numbers and words out of bytes: every spelling gives what the library gives. */
class TextCursorTest {
    private static TextCursor on(String text) {
        var bytes = text.getBytes(StandardCharsets.ISO_8859_1);
        return new TextCursor(bytes, 0, bytes.length, 1);
    }

    private static double number(String text) throws TextCursor.NoNumber {
        return on(text).number();
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "-0", "1", "-1", "+7", "007", "12.5", ".5", "5.", "-.25", "1e3", "1E3", "1e+3", "1e-3", "1.5e-7",
            "123456789012345", "0.1", "0.2", "0.3", "1e22", "1e-22", "1e23", "4.9e-324", "1.7976931348623157e308", "9007199254740993",
            "3.14159265358979323846264338327950288", "0.000000000000000000000000000000000000123", "100000000000000000000000000000"})
    void numbersAreWhatTheLibraryMakesOfThem(String text) throws Exception {
        assertThat(number(text)).isEqualTo(Double.parseDouble(text));
    }

    @Test
    void randomNumbersInEverySpellingAreExact() throws Exception {
        var random = new SplittableRandom(6);
        for (int i = 0; i < 20_000; i++) {
            double value = (random.nextDouble() - 0.5) * Math.pow(10, random.nextInt(-25, 25));
            String text = switch (random.nextInt(4)) {
                case 0 -> Double.toString(value);
                case 1 -> String.format(Locale.ROOT, "%.6f", value);
                case 2 -> String.format(Locale.ROOT, "%e", value);
                default -> Float.toString((float) value);
            };
            assertThat(number(text)).as(text).isEqualTo(Double.parseDouble(text));
        }
    }

    @ParameterizedTest
    @CsvSource({"nan,NaN", "-NaN,NaN", "1.#IND,NaN", "inf,Infinity", "Infinity,Infinity"})
    void spellingsOfNoNumberAreTaken(String text, double value) throws Exception {
        assertThat(Double.compare(number(text), value)).isZero();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "x", "1x", "--1", "1e", "1.2.3", "0x10", "1f", "2d", "1,5", "e5", ".", "-"})
    void whatIsNoNumberIsRefusedByItsWord(String text) {
        assertThatThrownBy(() -> number(text)).isInstanceOf(TextCursor.NoNumber.class)
                .hasMessageMatching("a number is missing|\".*\" is not a number");
    }

    @Test
    void wholeNumbersEndAtBlanksAndSlashes() throws Exception {
        var t = on("12/3 -7 +5");
        assertThat(t.integer()).isEqualTo(12);
        t.skipWord();
        t.skipBlanks();
        assertThat(t.integer()).isEqualTo(-7);
        t.skipBlanks();
        assertThat(t.integer()).isEqualTo(5);
        assertThat(t.done()).isTrue();
        for (var bad : new String[] {"1.5", "2147483648", "99999999999999999999", "a", "-"})
            assertThatThrownBy(() -> on(bad).integer()).as(bad).isInstanceOf(TextCursor.NoNumber.class);
    }

    @Test
    void linesAreCountedAndJoinedByABackslash() {
        var t = on("one \\\n two\r\nthree\n\n four");
        t.skipBlanks();
        assertThat(t.word()).isEqualTo("one");
        assertThat(t.skipBlanks()).as("the line goes on").isTrue();
        assertThat(t.word()).isEqualTo("two");
        assertThat(t.line()).isEqualTo(2);
        assertThat(t.skipBlanks()).as("here it ends").isFalse();
        t.nextLine();
        assertThat(t.lineHolds("THREE".toLowerCase(Locale.ROOT))).isTrue();
        assertThat(t.word()).isEqualTo("three");
        assertThat(t.skipSpace()).isTrue();
        assertThat(t.line()).isEqualTo(5);
        assertThat(t.word()).isEqualTo("four");
        assertThat(t.skipSpace()).isFalse();
        assertThat(t.peek()).isZero();
    }
}
