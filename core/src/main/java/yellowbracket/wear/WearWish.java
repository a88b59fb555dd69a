package yellowbracket.wear;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import yellowbracket.finding.Limits;
import yellowbracket.wear.day.EventRule;
import yellowbracket.wear.light.Bought;
import yellowbracket.wear.light.Load;
import yellowbracket.wear.panel.PanelWish;
import yellowbracket.wear.panel.TintBath;

/**
 * What is decided about wearing a prop. Pads follow from the fit.
 *
 * @param panels what closes openings, where it was said; else what is usual @param litHours how long lights are to last
 * @param bath the last readings of a dye bath @param wornHours how long it is worn in one go @param counterG weight fixed behind
 */
@RecordBuilder
public record WearWish(List<PanelWish> panels, List<Load> loads, double litHours, List<Bought> bought, List<EventRule> rules,
        Optional<TintBath> bath, double wornHours, double counterG) implements WearWishBuilder.With {
    public static final WearWish USUAL = new WearWish(List.of(), List.of(), 6, List.of(), EventRule.USUAL, Optional.empty(), 4, 0);

    private static final double MOST_H = 72;

    public WearWish {
        panels = List.copyOf(panels);
        loads = List.copyOf(loads);
        bought = List.copyOf(bought);
        rules = List.copyOf(rules);
        Limits.distinct("closed openings", panels, PanelWish::opening);
        Limits.distinct("lights", loads, Load::name);
        Limits.distinct("bought parts", bought, Bought::name);
        Limits.distinct("event rules", rules, EventRule::words);
        Limits.within("hours lit", litHours, 0.1, MOST_H);
        Limits.within("hours worn", wornHours, 0.1, MOST_H);
        Limits.within("counterweight, g", counterG, 0, 5000);
    }

    public WearWish with(PanelWish p) {
        return withPanels(Stream.concat(panels.stream().filter(q -> !q.opening().equals(p.opening())), Stream.of(p)).toList());
    }

    public WearWish with(Load l) {
        return withLoads(Stream.concat(loads.stream().filter(q -> !q.name().equals(l.name())), Stream.of(l)).toList());
    }

    public WearWish withoutLoad(String name) {
        return withLoads(loads.stream().filter(q -> !q.name().equals(name)).toList());
    }

    public WearWish with(Bought b) {
        return withBought(Stream.concat(bought.stream().filter(q -> !q.name().equals(b.name())), Stream.of(b)).toList());
    }

    public WearWish withoutBought(String name) {
        return withBought(bought.stream().filter(q -> !q.name().equals(name)).toList());
    }

    /** A rule said otherwise, or in another state; a new one when it is not there. */
    public WearWish with(EventRule r) {
        boolean known = rules.stream().anyMatch(q -> q.words().equals(r.words()));
        return withRules(known ? rules.stream().map(q -> q.words().equals(r.words()) ? r : q).toList()
                : Stream.concat(rules.stream(), Stream.of(r)).toList());
    }

    public WearWish withoutRule(String words) {
        return withRules(rules.stream().filter(q -> !q.words().equals(words)).toList());
    }
}
