package yellowbracket.plan;

import java.time.LocalDateTime;

/** A task that is done: when it ended and how many hours it took. */
public record Actual(String task, LocalDateTime end, double hours) {}
