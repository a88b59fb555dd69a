package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.LoadCase;
import yellowbracket.join.Removable;
import yellowbracket.join.SeamJoin;
import yellowbracket.shop.JoinProduct;

/** Every seam with what it bears and with what it is joined, weakest first; the seam picked with its load and all ways to join it. */
final class SeamsPart extends JoinPart {
    private static final int MOST_ROWS = 9;
    /** Paint and glue between a pair of magnets, mm. */
    private static final double MAGNET_GAP_MM = 0.4;

    private final Timers timers;
    private String picked = "";

    SeamsPart(JoinView view, Timers timers) {
        super(view);
        this.timers = timers;
    }

    @Override
    public String heading() {
        return "what holds it together";
    }

    private static List<SeamJoin> weakestFirst(JoinPlan plan) {
        return plan.joins().stream().sorted(java.util.Comparator.comparingDouble(SeamJoin::reserve)).toList();
    }

    private Optional<SeamJoin> picked(JoinPlan plan) {
        var all = weakestFirst(plan);
        return all.stream().filter(j -> j.seam().name().equals(picked)).findFirst().or(() -> all.stream().findFirst());
    }

    /** {@code x0.7 to x1.4}. */
    static String bears(double low, double high) {
        return low >= JoinPlan.HARDLY ? "hardly loaded" : Words.text("\u00d7%s to \u00d7%s", times(low), times(high));
    }

    private static String times(double v) {
        return Words.text(v < 10 ? "%.1f" : "%.0f", v);
    }

    @Override
    void write(Card card, JoinPlan plan) {
        var weakest = weakestFirst(plan).getFirst();
        card.row("weakest seam", weakest.seam().name() + "  " + bears(weakest.reserve(), weakest.high()),
                "times the load it bears; \u00d7" + Math.round(JoinPlan.LEAST_RESERVE) + " at least",
                weakest.reserve() < JoinPlan.LEAST_RESERVE ? "stop" : "good");
        handling(card, plan);
        view.findings(card, plan.findings());
        everySeam(card);
        var sheet = new Sheet<SeamJoin>("seams", "no seams").tag("", j -> j.seam().name())
                .words("with", j -> j.product().name())
                .number("bears", SeamJoin::reserve, j -> j.reserve() >= JoinPlan.HARDLY ? "plenty" : "\u00d7" + times(j.reserve()))
                .number("hold", SeamJoin::holdMin,
                        j -> j.holdMin() > 90 ? Words.hours(j.holdMin() / 60) : Words.text("%.0f min", j.holdMin()))
                .number("handle", SeamJoin::handleH, j -> Words.hours(j.handleH()))
                .rows(weakestFirst(plan), MOST_ROWS);
        card.add(sheet.onPick(j -> {
            if (j.seam().name().equals(picked)) return;
            picked = j.seam().name();
            view.again();
            view.draw();
        }));
        picked(plan).ifPresent(j -> seam(card, plan, j));
    }

    /** How hard it is handled: by what the prop is for, or as typed. */
    private void handling(Card card, JoinPlan plan) {
        var f = field("join-times", "handling",
                "times its weight, a number between 1 and 30, such as 6; leave it empty for what its use implies", 1, 30);
        f.setText(prop().join().times().map(t -> Words.text("%.1f", t)).orElse(""));
        f.with(f.getText());
        f.setPromptText("\u00d7");
        f.setOnAction(e -> {
            if (f.getText().isBlank()) change("handling as its use implies", w -> w.withTimes(Optional.empty()));
            else f.read().ifPresent(v -> change(Words.text("handled at %.1f times its weight", v), w -> w.withTimes(Optional.of(v))));
        });
        card.row("handled", f, Card.more(String.join(", ", plan.cases().stream().map(SeamsPart::words).toList())));
    }

    private static String words(LoadCase c) {
        return Words.text("%s \u00d7%s", c.kind() == LoadCase.Kind.PICKED ? "picked up anywhere" : c.kind().words(), times(c.times()));
    }

    private void everySeam(Card card) {
        var products = new ArrayList<Optional<JoinProduct>>();
        products.add(Optional.empty());
        model.shop().joins().forEach(p -> products.add(Optional.of(p)));
        var one = prop().join().products();
        var now = one.size() < view.plan().map(p -> p.joins().size()).orElse(0) || one.values().stream().distinct().count() != 1
                ? Optional.<JoinProduct>empty()
                : model.shop().joins().stream().filter(p -> p.name().equals(one.values().iterator().next())).findFirst();
        card.title("seams, weakest first");
        card.row("all of them",
                new Choice<>("join-all", "a product for all seams", products, now, p -> p.map(JoinProduct::name).orElse("what suits each"),
                        p -> model.apply(Edit.ofProp("join with " + p.map(JoinProduct::name).orElse("what suits each"), prop().id(), q -> {
                            var w = q.join().withProducts(java.util.Map.of());
                            if (p.isPresent()) for (var s : view.plan().orElseThrow().joins()) w = w.with(s.seam().name(), p.get().name());
                            return q.withJoin(w);
                        }))));
    }

    private void seam(Card card, JoinPlan plan, SeamJoin now) {
        var seam = now.seam();
        var d = now.demand();
        card.title("seam " + seam.name());
        card.row("bears", bears(now.reserve(), now.high()), d.mpa() > 0 ? "worst when it is " + d.words() : "",
                now.reserve() < JoinPlan.LEAST_RESERVE ? "stop" : "good");
        card.row("hangs on it", Words.grams(d.freeGrams()),
                Words.text("%.0f N with handling, bends it by %.1f N m", d.newton(), d.bendingNmm() / 1000));
        card.row("bonded", Words.text("%.1f cm\u00b2", now.bondedMm2() / 100),
                Words.text("of %.1f cm\u00b2 that meet: walls, and infill by its share", seam.areaMm2() / 100));
        card.row("wet and align", Words.text("%.1f min", now.needMin()),
                Words.text("over %s; %s stays open %.1f min", words().length(seam.lengthMm()), now.product().name(), now.openMin()),
                now.needMin() > now.openMin() ? "stop" : "");
        Optional.ofNullable(plan.rods().get(seam.name()))
                .ifPresent(rods -> rods.stream().filter(r -> r.fits()).limit(3).forEach(r -> card.row("a rod", Card.more(r.words()))));
        double rim = seam.line().stream().mapToDouble(p -> p.distance(seam.centre())).max().orElse(0);
        card.row("turned by 1\u00b0", words().length(rim * Math.toRadians(1)),
                "off at its rim: line up the witness marks, glue on what holds, none where it must move");
        Removable.of(seam, d, MAGNET_GAP_MM)
                .stream()
                .filter(Removable::fits)
                .findFirst()
                .ifPresent(r -> card.row("to come apart", Card.more(r.words())));
        var table = view.alternatives("ways to join it", "bears", "hold min", "handle h", "grams");
        for (var o : plan.options().get(seam.name())) {
            boolean current = o.product().equals(now.product());
            var row = table.add(o.product().name(), current, () -> model.apply(Edit.join(prop().id(), seam.name(), o.product().name())));
            row.figures(Optional.empty(), o.reserve() >= JoinPlan.HARDLY ? "plenty" : "\u00d7" + times(o.reserve()),
                    Words.text("%.0f", o.holdMin()), Words.text("%.1f", o.handleH()), Words.text("%.1f", o.grams()));
            row.note(o.suits() ? String.join(", ", o.product().hazards().stream().sorted().map(h -> h.words()).toList())
                    : "not: " + o.objections());
        }
        card.add(table);
        card.add(Card.action("start a timer: hold " + seam.name() + " for " + Math.round(now.holdMin()) + " min",
                () -> timers.start(seam.name() + " " + now.product().name(), now.holdMin())));
    }

    @Override
    void draw(JoinPlan plan) {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        view.seams(plan, things, labels,
                j -> j.seam().name() + " " + (j.reserve() >= JoinPlan.HARDLY ? "" : "\u00d7" + times(j.reserve())));
        picked(plan).filter(j -> j.demand().mpa() > 0).ifPresent(j -> {
            double far = view.bounds().orElseThrow().diagonal() / 8;
            var from = j.seam().centre();
            things.add(view.bench()
                    .drawn()
                    .rods(segment(from, from.plus(j.demand().way().times(far))), Role.INK.colour(view.night()), far / 26));
        });
        view.shell(things);
        view.shown(plan, things, labels, "seams");
    }
}
