package yellowbracket.desktop.model;

import java.util.Optional;
import yellowbracket.work.Station;

/** What the job card shows: a station, the log or the plan. */
public enum Page {
    SIZE("1"), CUT("2"), PRINT("3"), JOIN("4"), SMOOTH("5"), COLOUR("6"), WEAR("7"), LOG("["), PLAN("]");

    private final String key;

    Page(String key) {
        this.key = key;
    }

    public String key() {
        return key;
    }

    public String label() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    public Optional<Station> station() {
        return this == LOG || this == PLAN ? Optional.empty() : Optional.of(Station.valueOf(name()));
    }

    public static Page of(Station s) {
        return valueOf(s.name());
    }
}
