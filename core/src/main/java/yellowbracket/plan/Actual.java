package yellowbracket.plan;

import yellowbracket.work.TaskId;
import java.time.LocalDateTime;

/** A task that is done: when it ended and how many hours it took. */
public record Actual(TaskId task, LocalDateTime end, double hours) {}
