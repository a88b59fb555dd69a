package yellowbracket.plan;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import yellowbracket.finding.Limits;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Hazard;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.Tool;

/**
 * How long one works at what tires, and when the house wants quiet.
 *
 * @param quiet no machine by hand then @param sittingMin dust or fine work at most so long at a time @param breakMin and then so long
 * something else
 */
public record WorkRules(Optional<Quiet> quiet, int sittingMin, int breakMin) {
    /** Nobody minds the noise; ten minutes after an hour of dust or fine work: a starting value. */
    public static final WorkRules USUAL = new WorkRules(Optional.empty(), 60, 10);
    private static final Set<Operation> FINE = EnumSet.of(Operation.LINES, Operation.MASK);
    private static final Set<Tool> LOUD = EnumSet.of(Tool.SANDER, Tool.ROTARY);

    public WorkRules {
        Limits.within("minutes at a time", sittingMin, 15, 24 * 60);
        Limits.within("minutes of a break", breakMin, 0, 240);
    }

    /** Dust in the lungs, eyes and hands on small things. */
    public static boolean tires(Task t) {
        return dusty(t) || FINE.contains(t.operation());
    }

    public static boolean dusty(Task t) {
        return t.operation().hazards().contains(Hazard.DUST) || t.tool().hazards().contains(Hazard.DUST);
    }

    public static boolean loud(Task t) {
        return LOUD.contains(t.tool());
    }
}
