package yellowbracket.work;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * One thing to do. {@code product}: the material or product it is done with, by name, empty for none; {@code closed}: hours after others in
 * which it may not begin.
 */
@RecordBuilder
public record Task(TaskId id, String name, Operation operation, String product, Tool tool, Effort effort, Lag lag, Doer doer,
        List<TaskId> after, List<Closed> closed) implements TaskBuilder.With {

    /** Who or what does it. */
    public enum Resource { PERSON, PRINTER, SPRAY }

    /**
     * Hours of its resource: {@code handH} that a maker's own rate stretches and {@code fixedH} that it does not (setting up, flashing
     * off). {@code setupH}: how many of the fixed ones lay out spot and gear, which right after another session there are laid out already.
     * {@code spread}: standard deviation of the logarithm of the hours; {@code source}: where the hours come from.
     */
    public record Effort(double handH, double fixedH, double setupH, double spread, String source) {
        public Effort {
            if (!(handH >= 0) || !(fixedH >= 0)) throw new IllegalArgumentException("hours must not be negative");
            if (!(setupH >= 0) || setupH > fixedH) throw new IllegalArgumentException("setting up is more than all fixed hours");
        }

        /** Which nothing else could lay out for it. */
        public Effort(double handH, double fixedH, double spread, String source) {
            this(handH, fixedH, 0, spread, source);
        }
    }

    /** Wait from its end to the start of what follows: at least {@code leastH} (cure, drying). */
    public record Lag(double leastH) {
        public static final Lag NONE = new Lag(0);

        public Lag {
            if (!(leastH >= 0)) throw new IllegalArgumentException("waits must not be negative");
        }

        public static Lag atLeast(double hours) {
            return new Lag(hours);
        }
    }

    /**
     * After the end of another task there is a time in which this one may not begin: later than {@code fromH} (a film has skinned over) and
     * before {@code againH} (it is through and hard). Hours, counted from that end.
     */
    public record Closed(TaskId after, double fromH, double againH) {
        public Closed {
            if (!(fromH >= 0) || !(againH > fromH)) throw new IllegalArgumentException("a window closes before it opens again");
        }

        /** @param gapH from that end to the start */
        public boolean forbids(double gapH) {
            return gapH > fromH && gapH < againH;
        }
    }

    /** {@code printer} by name; {@code splits}: it can be left and taken up again; {@code failuresPerHour} of a print. */
    public record Doer(Resource resource, String printer, boolean splits, double failuresPerHour) {
        public static final Doer PERSON = new Doer(Resource.PERSON, "", true, 0);
        /** A person who cannot stop half-way. */
        public static final Doer PERSON_AT_A_STRETCH = new Doer(Resource.PERSON, "", false, 0);
        public static final Doer SPRAY = new Doer(Resource.SPRAY, "", false, 0);

        public static Doer printer(String name, double failuresPerHour) {
            return new Doer(Resource.PRINTER, name, false, failuresPerHour);
        }
    }

    /** Spread of what has no rate of its own yet: a fifth more or less. */
    public static final double USUAL_SPREAD = 0.2;

    public Task {
        after = List.copyOf(after);
        closed = List.copyOf(closed);
    }

    /** Which may begin any time after those it waits for. */
    public Task(TaskId id, String name, Operation operation, String product, Tool tool, Effort effort, Lag lag, Doer doer,
            List<TaskId> after) {
        this(id, name, operation, product, tool, effort, lag, doer, after, List.of());
    }

    /** By hand, with hours of the catalogue, nothing to wait for afterwards. */
    public static Task byHand(TaskId id, String name, Operation operation, Tool tool, double hours, List<TaskId> after) {
        return new Task(id, name, operation, "", tool, new Effort(hours, 0, USUAL_SPREAD, "catalogue"), Lag.NONE, Doer.PERSON, after);
    }

    public String prop() {
        return id.prop();
    }

    public Station station() {
        return operation.station();
    }

    public double activeH() {
        return effort.handH + effort.fixedH;
    }

    public Resource resource() {
        return doer.resource;
    }

    public String printer() {
        return doer.printer;
    }

    /** With its hours drawn or measured anew. */
    public Task lasting(double hours) {
        double setupH = Math.min(hours, effort.setupH);
        return withEffort(new Effort(hours - setupH, setupH, setupH, effort.spread, effort.source));
    }

    /** At a maker's own rate. */
    public Task atRate(double factor, double spread, String source) {
        return withEffort(new Effort(effort.handH * factor, effort.fixedH, effort.setupH, spread, source));
    }
}
