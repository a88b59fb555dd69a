package yellowbracket.desktop.model;

import yellowbracket.work.Task;

/** The log's line for a task that is done. */
public final class Done {
    private Done() {}

    /** With what was planned, so that the log can hold one against the other. @param hours that it took, 0 where nobody knows */
    public static String line(Task t, double hours) {
        String did = "done " + t.id().said();
        return hours > 0 ? did + Words.text(" %.2f h planned %.2f h", hours, t.activeH()) : did;
    }
}
