package yellowbracket.plan;

import java.time.LocalDateTime;
import yellowbracket.work.TaskId;

/** A task that is done: when it ended and how many hours it took. */
public record Actual(TaskId task, LocalDateTime end, double hours) {}
