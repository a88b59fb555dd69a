package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Process;

/**
 * What is done to a section after it is printed, with tool and hours from the area support touches; {@link yellowbracket.safety.Caution}
 * tells the gear.
 * Rates are starting values from common practice; the log's {@code clean} rate corrects their sum.
 */
public record CleanUp(List<Step> steps) {
    /** Less is not worth taking up a tool for. */
    private static final double LEAST_MM2 = 20;

    public CleanUp {
        steps = List.copyOf(steps);
    }

    /** Kinds of work; each has its own hazard. */
    public enum Work { TAKE_OFF, WASH, BRIM, SNAP, TRIM, SAND }

    public record Step(Work work, String what, String tool, double hours) {}

    public static CleanUp of(SectionPrint p, Catalogue shop) {
        var o = p.orientation();
        var out = new ArrayList<Step>();
        if (p.profile().process() == Process.RESIN) out.add(new Step(Work.WASH, "off the plate, wash, let dry, cure",
                "scraper, bath of isopropanol, lamp or box", shop.usual(Practice.TAKE_OFF_H) + shop.usual(Practice.WASH_RESIN_H)));
        else out.add(new Step(Work.TAKE_OFF, "let the bed cool, take it off", "flexible plate or thin scraper",
                shop.usual(Practice.TAKE_OFF_H)));
        if (p.profile().brimMm() > 0 || p.profile().raftLayers() > 0)
            out.add(new Step(Work.BRIM, p.profile().raftLayers() > 0 ? "peel the raft, trim the brim" : "trim the brim", "deburring blade",
                    shop.usual(Practice.TRIM_BRIM_H) + 2 * (o.size().x() + o.size().y()) / shop.usual(Practice.TRIM_BRIM_MM_H)));
        if (o.contactMm2() > LEAST_MM2) {
            out.add(new Step(Work.SNAP, String.format(Locale.ROOT, "snap support off %.0f cm2", o.contactMm2() / 100), "pliers",
                    o.contactMm2() / shop.usual(Practice.SNAP_SUPPORT_MM2_H)));
            out.add(new Step(Work.TRIM, "cut the stubs, scrape flush", "flush cutters, scraper",
                    o.contactMm2() / shop.usual(Practice.TRIM_STUBS_MM2_H)));
        }
        if (o.showContactMm2() > LEAST_MM2)
            out.add(new Step(Work.SAND, String.format(Locale.ROOT, "sand %.0f cm2 of scars on the show side", o.showContactMm2() / 100),
                    "P120 on a block or sponge", o.showContactMm2() / shop.usual(Practice.SAND_SCARS_MM2_H)));
        return new CleanUp(out);
    }

    /** @param washed without the wash, where that is a task of its own */
    double hours(boolean washed) {
        return steps.stream().filter(s -> !washed || s.work != Work.WASH).mapToDouble(Step::hours).sum();
    }

    public double hours() {
        return steps.stream().mapToDouble(Step::hours).sum();
    }
}
