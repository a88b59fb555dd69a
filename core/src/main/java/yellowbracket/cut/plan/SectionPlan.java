package yellowbracket.cut.plan;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.solid.CutPlane;

/**
 * Cuts someone might want, with what they cost: {@code seamMm} of line on the surface, {@code showMm} of it seen; hours are estimates on a
 * simplified model:
 * {@code printH} with support and the prints that fail, {@code cleanH} taking the support away, {@code joinH} gluing, {@code smoothH}
 * making the seams vanish; {@code supportH} the part of it for printing and removing support.
 * {@code reasons}: one a plane, in number order; {@code aims}: what it is best at.
 */
public record SectionPlan(List<Aim> aims, CutTree tree, int sections, double seamMm, double showMm, double cutAreaMm2, double printH,
        double cleanH, double joinH, double smoothH, double supportH, List<Reason> reasons) {
    /** What a plan is made for. */
    public enum Aim {
        WHOLE("in one piece", 1, 1, 1), FEWEST("fewest parts", 10, 1, 1), HIDDEN("best hidden seams", 1, 7, 1),
        CHEAPEST("least work", 1, 1, 1), SUPPORT("least support", 1, 1, 5),
        /** Sections that any of several printers can take, so that all of them share the load. */
        EVERY_BED("fits every printer", 1, 1, 1);

        private final String words;
        final double parts;
        final double show;
        final double support;

        Aim(String words, double parts, double show, double support) {
            this.words = words;
            this.parts = parts;
            this.show = show;
            this.support = support;
        }

        public String words() {
            return words;
        }
    }

    /** Why a plane is where it is. {@code plane} in the model's own coordinates; {@code mirrored}: the same cut in the other half. */
    public record Reason(CutPlane plane, boolean locked, boolean mirrored, String why) {
        public String words() {
            return plane.words() + (locked ? ", locked: " : ": ") + why + (mirrored ? " (mirrored)" : "");
        }
    }

    public SectionPlan {
        aims = List.copyOf(aims);
        reasons = List.copyOf(reasons);
    }

    public String name() {
        return String.join(", ", aims.stream().map(Aim::words).toList());
    }

    public double hours() {
        return printH + handH();
    }

    public double handH() {
        return cleanH + joinH + smoothH;
    }

    SectionPlan alsoBestAt(Aim a) {
        var all = new ArrayList<>(aims);
        if (!all.contains(a)) all.add(a);
        return new SectionPlan(all, tree, sections, seamMm, showMm, cutAreaMm2, printH, cleanH, joinH, smoothH, supportH, reasons);
    }
}
