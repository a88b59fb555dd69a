package yellowbracket.desktop.station.log;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.TextField;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.log.Consumption;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Hardener;
import yellowbracket.shop.LabelTerm;
import yellowbracket.shop.ProductCard;
import yellowbracket.shop.Rate;

/** One card a product: what its label says in place of the catalogue, how much of it is used, and whether never again. */
final class ProductsPart extends PagePart {
    private final Runnable again;
    private String picked = "";

    ProductsPart(AppModel model, Runnable again) {
        super(model);
        this.again = again;
    }

    @Override
    public String heading() {
        return "products";
    }

    void write(Card card) {
        var names = names();
        if (!names.contains(picked)) picked = names.getFirst();
        var coating = Catalogue.builtIn().coating(picked);
        var known = known(picked);
        card.row("product", new Choice<>("product", "product", names, picked, this::words, n -> {
            picked = n;
            again.run();
        }));
        used(card, coating);
        never(card, known);
        card.title("by its label");
        for (var t : LabelTerm.values()) if (t.of(coating)) term(card, t, coating, known);
        card.text(
                "Type what the label or data sheet says; blank takes the catalogue's starting value again. The label goes before all that "
                        + "is told here. Cards go with you to the next build.");
    }

    /** Those this build uses first, then what has a card, then the rest. */
    private List<String> names() {
        var out = new ArrayList<String>();
        model.ofBuild(PlanFigures.TASKS).ifPresent(t -> t.list().forEach(x -> add(out, x.product())));
        model.shownProperty().get().paints().products().forEach(p -> add(out, p.product()));
        Catalogue.builtIn().coatings().forEach(c -> add(out, c.name()));
        return out;
    }

    private static void add(List<String> out, String name) {
        if (!out.contains(name) && Catalogue.builtIn().coatings().stream().anyMatch(c -> c.name().equals(name))) out.add(name);
    }

    private String words(String product) {
        var card = known(product);
        return product + (card.never().isPresent() ? " \u00b7 never again" : card.label().isEmpty() ? "" : " \u00b7 label read");
    }

    private ProductCard known(String product) {
        return model.shownProperty().get().paints().product(product);
    }

    /** How far a litre goes, and how far in these hands. */
    private void used(Card card, Coating c) {
        var rate = Consumption.of(model.ofBuild(PlanFigures.TASKS).map(t -> t.lessons().rates()).orElse(Map.of()), c.name());
        var labelled = known(c.name()).fits(c) ? known(c.name()).over(c) : c;
        double m2 = labelled.m2PerContainer() / labelled.containerMl() * 1000;
        card.row("covers", Words.text("%.2g m\u00b2 a litre", m2 / rate.factor()),
                rate.jobs() == 0 ? "one coat, waste included; note what you use to make it yours"
                        : Words.text("yours, of %.2g by label and catalogue; 4 in 5 within %.2g to %.2g, %s", m2, m2 / rate.high(),
                                m2 / rate.low(), uses(rate)));
    }

    private static String uses(Rate r) {
        return r.jobs() + (r.jobs() == 1 ? " use" : " uses") + " noted";
    }

    private void never(Card card, ProductCard known) {
        if (known.never().isPresent()) {
            card.finding(Weight.CARE, "never again: " + known.never().get(), "use it again",
                    () -> apply("use " + picked + " again", known.usable()));
            return;
        }
        var why = new TextField();
        why.setId("never");
        why.setPromptText("why not");
        why.setAccessibleText("why " + picked + " is never to be used again");
        why.setPrefWidth(190);
        Runnable keep = () -> {
            if (why.getText().isBlank())
                model.tell(AppModel.Tone.STOP, "say why " + picked + " is never to be used again: it is told wherever it would be");
            else apply("never again " + picked, why.getText());
        };
        why.setOnAction(e -> keep.run());
        card.row("never again", why, Card.action("note", keep));
    }

    private void apply(String name, String why) {
        try {
            apply(name, known(picked).never(why));
        } catch (IllegalArgumentException tooLong) {
            model.tell(AppModel.Tone.STOP, tooLong.getMessage());
        }
    }

    private void term(Card card, LabelTerm t, Coating c, ProductCard known) {
        var value = Optional.ofNullable(known.label().get(t));
        var field = new NumberField("label-" + t.name().toLowerCase(java.util.Locale.ROOT), t.words(),
                Words.text("%s between %.4g and %.4g, or nothing", t.unit(), t.least(), t.most()), t.least(), t.most(),
                words -> model.tell(AppModel.Tone.STOP, words)).with(value.map(ProductsPart::number).orElse(""));
        boolean open = t == LabelTerm.RECOAT_TO_H && t.of(c, 0) >= OPEN_H || t == LabelTerm.RECOAT_AGAIN_H && t.of(c, 0) == 0;
        field.setPromptText(open ? "any" : number(t.of(c, 0)));
        field.setOnAction(e -> {
            if (field.getText().isBlank()) label(t, Optional.empty(), c);
            else field.read().ifPresent(v -> label(t, Optional.of(v), c));
        });
        // a ratio by mass typed where one by volume is meant never cures
        String basis = t == LabelTerm.HARDENER_PERCENT
                ? c.hardener().map(h -> h.basis() == Hardener.Basis.MASS ? " of the base by mass" : " of the base by volume").orElse("")
                : "";
        String from = value.isPresent() ? ", by the label" : open ? "; the catalogue: any time" : ", by the catalogue";
        card.row(t.words(), field, Card.more(t.unit() + basis + from));
    }

    /** So long is always. */
    private static final double OPEN_H = 1000;

    private static String number(double v) {
        return BigDecimal.valueOf(v).round(new MathContext(3)).stripTrailingZeros().toPlainString();
    }

    private void label(LabelTerm t, Optional<Double> value, Coating c) {
        var now = known(picked).with(t, value);
        try {
            now.over(c);
            apply(picked + ", " + t.words(), now);
        } catch (IllegalArgumentException contradicts) {
            model.tell(AppModel.Tone.STOP, contradicts.getMessage());
        }
    }

    private void apply(String name, ProductCard now) {
        model.apply(new Edit(name, b -> b.withPaints(b.paints().with(now))));
    }
}
