package yellowbracket.desktop.station.cut;

import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import yellowbracket.cut.Alike;
import yellowbracket.cut.Section;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.size.Reshape;

/** What the cuts leave: sections with their room on the beds, what is alike, what to buy, and the files. Part of the cut page. */
final class SectionsPart extends CutPart {
    private final Consumer<Boolean> export;

    SectionsPart(CutView view, Consumer<Boolean> export) {
        super(view);
        this.export = export;
    }

    @Override
    public String heading() {
        return "what the cuts leave";
    }

    @Override
    void write(Card card) {
        var s = sections().orElseThrow();
        halvesRow(card);
        var prints = model.result(PrintFigures.PRINTS);
        card.add(new Sheet<Section>("sections", "no sections").tag("", Section::name)
                .words("size", q -> words().size(q.size()))
                .number("grams", q -> grams(q), q -> prints.isEmpty() ? "\u2026" : "~" + Words.grams(grams(q)))
                .words("fits", this::fits)
                .words("shell", q -> q.closed() ? "closed" : "open")
                .rows(s.sections(), 9));
        model.result(CutFigures.TWINS)
                .ifPresent(
                        t -> Alike.sentences(t.list()).forEach(w -> card.finding(Weight.NOTE, w + ": one file prints them", "", () -> {})));
        registered().ifPresent(r -> {
            if (!r.hardware().isEmpty()) card.title("hardware");
            r.hardware()
                    .forEach(h -> card.row(h.kind().words(), h.size(),
                            h.count() + (r.loose().stream().anyMatch(l -> l.name().endsWith(h.size())) ? " to print" : " to buy")));
        });
        card.primary("export sections ...", () -> export.accept(true), Card.action("in place ...", () -> export.accept(false)));
        card.text("an STL for each section, lying as it will be printed or in place; loose pins, one 3MF with all, the cut list, and "
                + "the section map as a page to pin up");
    }

    private double grams(Section q) {
        return model.result(PrintFigures.PRINTS)
                .flatMap(p -> p.prints().stream().filter(x -> x.name().equals(q.name())).findFirst())
                .map(x -> x.estimate().grams())
                .orElse(Double.NaN);
    }

    /** Every bed, those it fits, or by how much it is over. */
    private String fits(Section q) {
        var stands = model.result(CutFigures.STANDS);
        if (stands.isEmpty()) return "\u2026";
        var by = stands.get().bySection().getOrDefault(q.name(), Map.of());
        var fit = by.entrySet().stream().filter(e -> e.getValue().fits()).map(Map.Entry::getKey).toList();
        if (fit.isEmpty()) return Words.text("over by %s", words().length(stands.get().overMm(q.name())));
        return fit.size() == by.size() ? "every bed" : String.join(", ", fit);
    }

    private void halvesRow(Card card) {
        var even = prop().size().reshape().even();
        var both = Card.action("as they are", () -> even(Optional.empty(), "both halves as they are"));
        var right = Card.action("right twice", () -> even(Optional.of(Reshape.Half.RIGHT), "right half twice"));
        var left = Card.action("left twice", () -> even(Optional.of(Reshape.Half.LEFT), "left half twice"));
        both.setDisable(even.isEmpty());
        right.setDisable(even.equals(Optional.of(Reshape.Half.RIGHT)));
        left.setDisable(even.equals(Optional.of(Reshape.Half.LEFT)));
        right.setAccessibleText("the right half and its mirror image in place of both");
        left.setAccessibleText("the left half and its mirror image in place of both");
        card.row("halves", both, right, left);
    }

    private void even(Optional<Reshape.Half> half, String name) {
        model.apply(Edit.reshape(name, prop().id(), r -> r.evened(half)));
    }
}
