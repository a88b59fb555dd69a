package yellowbracket.desktop.model;

import yellowbracket.plan.Schedule;
import yellowbracket.work.Task;

/** The log's line for a task that is done. */
public final class Done {
    private Done() {}

    /**
     * With what was planned, so that the log can hold one against the other; what was computed for a print the log adds itself, its
     * printer's
     * own factor left out.
     *
     * @param hours that it took, 0 where nobody knows
     */
    public static String line(Task t, double hours) {
        return line(t, hours, t.activeH());
    }

    /** Less is planned for it where spot and gear were laid out already. */
    public static String line(Schedule.Placed p, double hours) {
        return line(p.task(), hours, p.hours());
    }

    private static String line(Task t, double hours, double plannedH) {
        String did = "done " + t.id().said();
        if (hours < LEAST_H) return did;
        boolean prints = t.resource() == Task.Resource.PRINTER || plannedH < LEAST_H;
        return did + Words.text(" %.2f h", hours) + (prints ? "" : Words.text(" planned %.2f h", plannedH));
    }

    /** Less is written as nothing, h. */
    private static final double LEAST_H = 0.005;
}
