package yellowbracket.finding;

import java.io.Serializable;
import java.util.function.UnaryOperator;
import yellowbracket.work.Station;

/** What would mend a finding: a change of a decision, or a place to go. {@code words} stand on its button. */
public sealed interface Fix {
    String words();

    /** A tab of a station's page; {@code tab} empty for the page as it stands. */
    record Go(String words, Station station, String tab) implements Fix {}

    /**
     * A change of one station's decisions for the prop at hand. Two are the same that change the same decision under the same words:
     * functions cannot be compared.
     */
    record Change<W>(String words, Class<W> decision, Step<W> change) implements Fix {
        @Override
        public boolean equals(Object o) {
            return o instanceof Change<?> c && words.equals(c.words) && decision.equals(c.decision);
        }

        @Override
        public int hashCode() {
            return 31 * words.hashCode() + decision.hashCode();
        }
    }

    /** Can be kept beyond the end of the program, with what it was told. */
    @FunctionalInterface
    interface Step<W> extends UnaryOperator<W>, Serializable {}

    static Fix go(String words, Station station, String tab) {
        return new Go(words, station, tab);
    }
}
