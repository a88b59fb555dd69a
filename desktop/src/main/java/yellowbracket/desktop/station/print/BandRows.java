package yellowbracket.desktop.station.print;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.print.LayerBands;

/** Layers by bands of height: what they would gain for each section, and those taken, to be typed into the program that slices. */
final class BandRows {
    private static final int MOST = 4;

    private final AppModel model;
    private final Prop prop;

    BandRows(AppModel model, Prop prop) {
        this.model = model;
        this.prop = prop;
    }

    void write(Card card, Optional<String> section) {
        var offered = model.result(SmoothFigures.BANDS).map(SmoothFigures.Banded::bySection).orElse(Map.of());
        var names = section.map(List::of)
                .orElseGet(() -> java.util.stream.Stream.concat(offered.keySet().stream(), prop.print().sections().keySet().stream())
                        .distinct()
                        .filter(s -> offered.containsKey(s) || !prop.print().section(s).bands().isEmpty())
                        .limit(MOST)
                        .toList());
        if (names.stream().noneMatch(s -> offered.containsKey(s) || !prop.print().section(s).bands().isEmpty())) return;
        card.title("layers by bands of height");
        for (var s : names) row(card, s, Optional.ofNullable(offered.get(s)));
        if (section.isEmpty() && offered.size() > 1) all(card, model.result(SmoothFigures.BANDS).orElseThrow());
    }

    private void all(Card card, SmoothFigures.Banded offered) {
        var take = Card.action("take all", () -> model.apply(Edit.ofProp("layers by bands", prop.id(), p -> {
            var print = p.print();
            for (var b : offered.bySection().entrySet())
                print = print.withSection(b.getKey(), print.section(b.getKey()).withBands(b.getValue().bands()));
            return p.withPrint(print);
        })));
        take.setId("bands-all");
        card.row("all " + offered.bySection().size(),
                Card.more(Words.text("%+.1f h of printing, %+.1f h of smoothing", offered.addedH(), -offered.savedH())), take);
    }

    private void row(Card card, String s, Optional<LayerBands> offered) {
        var taken = prop.print().section(s).bands();
        if (!taken.isEmpty()) {
            card.row(s, Card.more(LayerBands.table(taken)), Card.action("one height",
                    () -> model.apply(Edit.print("one layer height for " + s, prop.id(), s, w -> w.withBands(List.of())))));
            return;
        }
        offered.ifPresent(b -> card.row(s,
                Card.more(
                        Words.text("%s: %+.1f h of printing, %+.1f h of smoothing", LayerBands.table(b.bands()), b.addedH(), -b.savedH())),
                Card.action("take", () -> model.apply(Edit.print("layers by bands for " + s, prop.id(), s, w -> w.withBands(b.bands()))))));
    }
}
