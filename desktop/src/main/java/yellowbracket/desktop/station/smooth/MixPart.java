package yellowbracket.desktop.station.smooth;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.export.Labels;
import yellowbracket.shop.Coating;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.Mix;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.UvCure;

/** What to mix in which batches, what was poured and the hardener that belongs to it; how long resin is lit. */
final class MixPart extends SmoothPart {
    private static final List<Double> SCALES = List.of(5.0, 1.0, 0.5, 0.1, 0.01);
    private static final String GRAMS = "g between 1 and 9999, such as 86";

    private UvCure.Sky sky = UvCure.Sky.HAZY;
    /** What was typed as poured, by what it is for. */
    private final Map<String, Double> poured = new HashMap<>();

    private final Consumer<List<String>> labels;

    MixPart(SmoothView view, Consumer<List<String>> labels) {
        super(view);
        this.labels = labels;
    }

    @Override
    public String heading() {
        return "what to mix, and how long to light it";
    }

    private record For(String what, Mix mix) {}

    @Override
    void write(Card card, SmoothPlan plan) {
        var m = wish().means();
        card.row("scale shows",
                new Choice<>("scale-step", "the smallest step your scale shows", SCALES, nearest(m.scaleG()), s -> grams(s) + " g",
                        s -> change("scale of " + grams(s) + " g", w -> w.withMeans(w.means().withScaleG(s)))),
                Card.more("hardener can be measured no finer"));
        var all = new ArrayList<For>();
        plan.seamFiller().ifPresent(x -> all.add(new For("seams", x)));
        plan.mixes().forEach(x -> all.add(new For("surface", x)));
        if (all.isEmpty()) card.text("nothing is mixed from two parts on this ladder");
        all.forEach(x -> mix(card, x));
        amounts(card, plan);
        plan.work()
                .stream()
                .map(w -> w.step().product())
                .filter(p -> !p.isEmpty())
                .distinct()
                .filter(p -> model.shop().coatings().stream().anyMatch(c -> c.name().equals(p) && c.light().isPresent()))
                .forEach(p -> light(card, plan, model.shop().coating(p)));
        leftovers(card, plan);
    }

    /** Where leftovers go, and labels for other jars. */
    private void leftovers(Card card, SmoothPlan plan) {
        var products = new ArrayList<String>();
        plan.seamFiller().ifPresent(m -> products.add(m.product()));
        plan.work()
                .stream()
                .map(w -> w.step())
                .filter(s -> s.kind() == Ladder.Kind.FILM || s.kind() == Ladder.Kind.PRIME)
                .map(Ladder.Step::product)
                .forEach(products::add);
        var each = products.stream().distinct().toList();
        card.title("leftovers and other jars");
        each.forEach(p -> card.row(p, Card.more(Labels.leftovers(model.shop().coating(p)))));
        var print = Card.action("labels for other jars (PDF)", () -> labels.accept(each));
        print.setId("labels");
        card.add(print);
    }

    private static double nearest(double g) {
        return SCALES.stream().min(java.util.Comparator.comparingDouble(s -> Math.abs(s - g))).orElse(1.0);
    }

    private static String grams(double g) {
        return g >= 1 ? Words.text("%.0f", g) : String.valueOf(g);
    }

    private void mix(Card card, For f) {
        var m = f.mix;
        card.title(m.product() + ", " + f.what);
        card.row("batches", String.valueOf(m.batches()), Words.text("%.0f %s base and %s %s hardener each; %.0f g in all", m.baseEach(),
                m.unit(), fine(m.hardenerEach()), m.unit(), m.gramsTotal()));
        double step = m.step(wish().means().scaleG());
        var d = m.dose(step);
        card.row("share", Words.text("%.1f %%", 100 * m.hardenerShare()),
                Words.text((m.weighed() ? "your scale" : "a cup marked in ml") + " makes it %.1f to %.1f; the label stands %.1f to %.1f",
                        100 * d.lowShare(), 100 * d.highShare(), 100 * m.leastShare(), 100 * m.mostShare()),
                d.met() ? "good" : "care");
        if (!d.met()) card.text(Words.text(m.weighed()
                ? "mix %.0f %s or more at once, use a finer scale, or count drops of the hardener: weigh 50 drops once and divide"
                : "mix %.0f %s or more at once, or measure the hardener with a syringe", Math.ceil(d.leastBase()), m.unit()));
        card.row("pot life", Words.text("%.0f min", m.potLifeMin()),
                Words.text("of one batch at %.0f \u00b0C; spreading it takes %.0f%s", model.shownProperty().get().shopCelsius(),
                        m.minutesEach(), m.heats() ? ". It heats up in the cup: pour it out at once" : ""),
                m.heats() ? "care" : "");
        String id = "poured-" + f.what + "-" + m.product().replace(' ', '-');
        var base = field(id, "base in the cup", GRAMS, 1, 9999)
                .with(Optional.ofNullable(poured.get(id)).map(v -> Words.text("%.0f", v)).orElse(""));
        var said = Card.more(poured.containsKey(id) ? belongs(m, poured.get(id)) : "type what is really in the cup");
        said.setId(id + "-said");
        base.setOnAction(e -> base.read().ifPresent(g -> {
            poured.put(id, g);
            said.setText(belongs(m, g));
        }));
        card.row("poured", base, Card.more(m.unit()), said);
    }

    private static String belongs(Mix m, double base) {
        var p = m.poured(base);
        return Words.text("%s %s hardener belongs to it, %s to %s stands", fine(p.hardener()), p.unit(), fine(p.least()), fine(p.most()));
    }

    private static String fine(double v) {
        return Words.text(v < 10 ? "%.1f" : "%.0f", v);
    }

    private static void amounts(Card card, SmoothPlan plan) {
        if (plan.amounts().isEmpty()) return;
        card.title("where it goes");
        card.add(new Sheet<SmoothPlan.Amount>("amounts", "").words("", SmoothPlan.Amount::product)
                .number("valleys ml", SmoothPlan.Amount::valleysMl, a -> Words.text("%.0f", a.valleysMl()))
                .number("skim ml", SmoothPlan.Amount::skimMl, a -> Words.text("%.0f", a.skimMl()))
                .number("seams ml", SmoothPlan.Amount::seamsMl, a -> Words.text("%.0f", a.seamsMl()))
                .number("waste ml", SmoothPlan.Amount::wasteMl, a -> Words.text("%.0f", a.wasteMl()))
                .number("all ml", SmoothPlan.Amount::ml, a -> Words.text("%.0f", a.ml()))
                .rows(plan.amounts(), 6));
    }

    private void light(Card card, SmoothPlan plan, Coating film) {
        double dm2 = plan.work().stream().filter(w -> w.step().product().equals(film.name())).mapToDouble(SmoothPlan.Work::areaDm2).sum();
        var lamp = model.shop().lamp(wish().means().lamp());
        var c = UvCure.of(film, lamp, dm2, today(), sky, model.shop());
        card.title("light for " + film.name());
        card.row("lamp", new Choice<>("mix-lamp", "lamp for resin", model.shop().lamps().stream().map(l -> l.name()).toList(), lamp.name(),
                l -> l, l -> change("lamp: " + l, w -> w.withMeans(w.means().withLamp(l)))));
        if (!c.refused().isEmpty()) {
            card.finding(yellowbracket.finding.Weight.STOP, c.refused(), "", () -> {});
            return;
        }
        if (lamp.kind() == yellowbracket.shop.Lamp.Kind.SUN)
            card.row("sky", new Choice<>("sky", "sky", Arrays.asList(UvCure.Sky.values()), sky, UvCure.Sky::words, s -> {
                sky = s;
                view.again();
            }), Card.more("sun of today's date at 50 degrees north"));
        card.row("each coat", Words.text("~%.0f min", c.minutes()),
                c.sides() > 1 ? Words.text("%.0f min a side, %d sides: turn it", c.minutesASpot(), c.sides())
                        : Words.text("%d spots of %.0f s: go on only when a spot is hard", c.spots(), 60 * c.minutesASpot()));
        c.care().forEach(card::text);
    }

    private LocalDate today() {
        return model.now().toLocalDate();
    }

    @Override
    void draw(SmoothPlan plan) {
        var coats = plan.work().stream().filter(w -> w.step().kind() == Ladder.Kind.FILM).toList();
        var things = view.painted(yellowbracket.desktop.theme.Ramp.cusp(), f -> f.area()
                .filter(a -> coats.stream()
                        .anyMatch(w -> w.where().isEmpty() || w.where().contains(a.words()) || w.where().contains(a.lines().words())))
                .map(a -> f.depthUm())
                .orElse(Double.NaN));
        view.shown(things, List.of(), plan, "mix");
        view.bench().legend().ramp(Optional.of(yellowbracket.desktop.theme.Ramp.cusp()), "\u00b5m", 1);
    }
}
