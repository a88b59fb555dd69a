package yellowbracket.wear.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.wear.light.Power;

/** What goes along to the event: the prop and what is worn with it, and a kit to mend it on the spot. */
public record Packing(List<Line> prop, List<Line> kit) {
    /** One thing and how much of it. */
    public record Line(String what, String amount) {}

    public Packing {
        prop = List.copyOf(prop);
        kit = List.copyOf(kit);
    }

    /**
     * @param seams glued @param magnets of all joints @param colours of the paint, by name @param tapeMm2 of hook tape in a set
     * @param worn whether it is put on, else it is displayed
     */
    public record Of(String prop, boolean worn, List<String> wearers, int seams, int magnets, List<String> colours, double tapeMm2,
            boolean sheet, Optional<Power> power, double dayHours) {}

    public static Packing of(Of o) {
        var prop = new ArrayList<Line>();
        prop.add(new Line(o.prop, "1, in a box with foam round it; nothing on its thin parts"));
        if (!o.worn) prop.add(new Line("stand, and something heavy for its foot", "1"));
        for (var w : o.wearers) prop.add(new Line("pads of " + w, "1 set, marked"));
        if (o.worn) prop.add(new Line("balaclava or cap under it", Math.max(1, o.wearers.size()) + ", and one dry to change"));
        var kit = new ArrayList<Line>();
        if (o.seams > 0) kit.add(new Line("CA gel and accelerator", "1 tube"));
        if (o.seams > 0) kit.add(new Line("epoxy 5 min, twin syringe", "1"));
        kit.add(new Line("strong tape, and masking tape", "1 roll each"));
        if (o.magnets > 0)
            kit.add(new Line("spare magnets of the size used", String.valueOf(Math.max(2, (int) Math.ceil(0.1 * o.magnets)))));
        for (var c : o.colours) kit.add(new Line("touch-up: " + c, "a small pot and a brush"));
        if (o.tapeMm2 > 0)
            kit.add(new Line("hook tape", String.format(Locale.ROOT, "%.0f mm of 20 mm", Math.ceil(o.tapeMm2 / 2 / 20 / 50) * 50)));
        if (o.sheet) kit.add(new Line("soft cloth, anti-fog", "1 each"));
        o.power.flatMap(Power::cells).ifPresent(c -> {
            double hours = o.power.get().hours();
            int sets = (int) Math.max(1, Math.ceil(o.dayHours / Math.max(0.1, hours)));
            kit.add(new Line("spare cells: " + c.words(),
                    String.format(Locale.ROOT, "%d set%s for %.0f h at %.1f h a set", sets, sets == 1 ? "" : "s", o.dayHours, hours)));
        });
        kit.add(new Line("small screwdriver, side cutters, needle and thread", "1 each"));
        if (o.worn) kit.add(new Line("water, with a straw", String.format(Locale.ROOT, "%.1f l", Math.max(0.5, 0.15 * o.dayHours))));
        return new Packing(prop, kit);
    }
}
