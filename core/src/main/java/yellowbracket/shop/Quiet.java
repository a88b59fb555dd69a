package yellowbracket.shop;

import java.time.LocalTime;

/** Hours of every day in which a printer must not be heard; may run over midnight. A print that is under way pauses for them. */
public record Quiet(LocalTime from, LocalTime to) {
    public Quiet {
        if (from.equals(to)) throw new IllegalArgumentException("quiet hours must end at another time than they begin");
    }

    public boolean holds(LocalTime t) {
        return from.isBefore(to) ? !t.isBefore(from) && t.isBefore(to) : !t.isBefore(from) || t.isBefore(to);
    }

    @Override
    public String toString() {
        return from + " to " + to;
    }
}
