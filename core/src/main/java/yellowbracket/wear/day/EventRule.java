package yellowbracket.wear.day;

import java.util.List;
import yellowbracket.finding.Limits;

/** A rule of the event, as its organisers have it, and whether the prop keeps it. */
public record EventRule(String words, State state) {
    /** Not looked at yet, kept, or broken. */
    public enum State {
        OPEN("to check"), KEPT("kept"), BROKEN("not kept");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What most events ask; the maker replaces them by those of the event. */
    public static final List<EventRule> USUAL = List.of(open("no real blades, points or chains; tips and edges are blunt"),
            open("nothing that shoots, sprays or makes smoke"), open("wearer sees and hears enough to be asked to stop"),
            open("no part sticks out where others walk; it goes through a door"), open("face is shown at the entrance when asked"));

    public EventRule {
        Limits.named("an event rule", words);
    }

    private static EventRule open(String words) {
        return new EventRule(words, State.OPEN);
    }

    public EventRule as(State s) {
        return new EventRule(words, s);
    }
}
