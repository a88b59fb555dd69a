package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.FacePicture;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.join.Alignment;
import yellowbracket.join.Apart;
import yellowbracket.join.Inner;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.LoadCase;
import yellowbracket.join.Removable;
import yellowbracket.join.SeamJoin;
import yellowbracket.shop.JoinProduct;

/** Every seam with what it bears and with what it is joined, weakest first; the seam picked with its load and all ways to join it. */
final class SeamsPart extends JoinPart {
    private static final int MOST_ROWS = 9;
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
        return low >= JoinPlan.HARDLY ? "hardly loaded" : Words.text("\u00d7%s to \u00d7%s", times(Math.floor(10 * low) / 10), times(high));
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
        faces(card, now);
        kept(card, now);
        if (now.glued()) glued(card, plan, now);
        var table = view.alternatives("ways to join it", "bears", "hold min", "handle h", "finish min");
        for (var o : plan.options().get(seam.name())) {
            boolean current = o.product().equals(now.product());
            var row = table.add(o.product().name(), current, () -> model.apply(Edit.join(prop().id(), seam.name(), o.product().name())));
            row.figures(Optional.empty(), o.reserve() >= JoinPlan.HARDLY ? "plenty" : "\u00d7" + times(o.reserve()),
                    Words.text("%.0f", o.holdMin()), Words.text("%.1f", o.handleH()), Words.text("%.0f", o.besides().finishMin()));
            row.note(o.suits() ? noted(o) : "not: " + o.objections());
        }
        card.add(table);
        plan.steps().stream().filter(s -> s.seams().size() > 1 && s.seams().contains(seam.name())).findFirst().ifPresent(s -> {
            var all = Card.action("use " + now.product().name() + " for all seams of step " + s.number(),
                    () -> change(now.product().name() + " for step " + s.number(), w -> {
                        for (var n : s.seams()) w = w.with(n, now.product().name());
                        return w;
                    }));
            all.setId("join-step");
            card.add(all);
        });
        if (now.glued()) card.add(Card.action("start a timer: hold " + seam.name() + " for " + Math.round(now.holdMin()) + " min",
                () -> timers.start(seam.name() + " " + now.product().name(), now.holdMin())));
    }

    private static String noted(SeamJoin o) {
        var out = new ArrayList<String>();
        if (o.glued()) out.add(o.besides().owned() ? "on the shelf" : Words.text("to buy, ~%.1f g", o.grams()));
        o.product().hazards().stream().sorted().map(h -> h.words()).forEach(out::add);
        return String.join(", ", out);
    }

    /** Both faces as one looks at them: what of them was printed solid, and what goes between them. */
    private void faces(Card card, SeamJoin now) {
        var seam = now.seam();
        double wall = model.result(PrintFigures.PRINTS)
                .map(p -> p.prints()
                        .stream()
                        .filter(q -> q.name().equals(seam.first()) || q.name().equals(seam.second()))
                        .mapToDouble(q -> q.profile().walls() * q.profile().lineWidthMm())
                        .min()
                        .orElse(0))
                .orElse(0.0);
        boolean turns = seam.plane() >= 0 && Alignment.turnsFreely(seam,
                model.result(JoinFigures.FITTINGS).map(f -> f.bySeam().get(seam.name())).map(f -> f.pieces()).orElse(0));
        if (seam.plane() >= 0) model.result(CutFigures.REGISTERED)
                .ifPresent(r -> card.add(FacePicture.bonded(seam, r, now.glued() ? wall : 0, now.glued() ? "what bonds" : "no glue here")));
        model.result(CutFigures.REGISTERED)
                .filter(r -> seam.plane() >= 0)
                .ifPresent(r -> card.row("aligned by", Card.more(r.words(seam.name()))));
        if (now.glued()) card.row("bonded", Words.text("%.1f cm\u00b2", now.bondedMm2() / 100),
                Words.text("of %.1f cm\u00b2 that meet: walls, and infill by its share", seam.areaMm2() / 100));
        double rim = Alignment.rimMm(seam);
        card.row("turned by 1\u00b0", words().length(rim * Math.toRadians(1)),
                turns ? "off at its rim, and nothing stops it turning: line up the witness marks" : "off at its rim");
    }

    /** Glued for good, or to come apart, or to turn. */
    private void kept(Card card, SeamJoin now) {
        String seam = now.seam().name();
        var ways = List.of(Optional.<Apart>empty(), Optional.of(Apart.COMES_OFF), Optional.of(Apart.TURNS));
        card.row("joined",
                new Choice<>("join-apart", "whether " + seam + " is glued", ways, now.besides().apart(),
                        a -> a.map(Apart::words).orElse("glued for good"),
                        a -> change(seam + " " + a.map(Apart::words).orElse("glued for good"), w -> w.kept(seam, a))));
        if (now.glued()) return;
        card.row("keep dry", Card.more("both faces stay free of glue; pegs are glued into " + now.seam().below() + " only, and "
                + now.seam().above() + " slides on them: wax them before"));
        if (now.besides().heldBy().equals(Optional.of(Removable.Kind.MAGNETS)) && !prop().cut().registration().kind(seam).magnet()) {
            var bore = Card.action("pockets for magnets", () -> model.apply(Edit.ofProp("magnets in " + seam, prop().id(),
                    p -> p.withCut(p.cut().withRegistration(p.cut().registration().with(seam, RegistrationKind.MAGNETS))))));
            bore.setDisable(now.seam().plane() < 0);
            card.row("", bore);
        }
    }

    private void glued(Card card, JoinPlan plan, SeamJoin now) {
        var seam = now.seam();
        card.row("wet and align", Words.text("%.1f min", now.needMin()),
                Words.text("over %s; %s stays open %s", words().length(seam.lengthMm()), now.product().name(), open(now.openMin())),
                now.needMin() > now.openMin() ? "stop" : "");
        card.row("left to finish", Words.text("%.0f min", now.besides().finishMin()),
                Words.text("~%.1f cm\u00b3 of filler along %s that is seen, and sanding it", now.besides().fillMm3() / 1000,
                        words().length(seam.showLengthMm())));
        inside(card, plan, now);
        Optional.ofNullable(plan.rods().get(seam.name()))
                .ifPresent(rods -> rods.stream().filter(r -> r.fits()).limit(3).forEach(r -> card.row("a rod", Card.more(r.words()))));
    }

    static String open(double min) {
        return min > 120 ? "as long as it takes" : Words.text("%.1f min", min);
    }

    /** Strips or staples over it from inside, where it has an inside. */
    private void inside(Card card, JoinPlan plan, SeamJoin now) {
        String seam = now.seam().name();
        var hand = model.result(JoinFigures.IN_HAND);
        if (hand.isEmpty() || !hand.get().hasInside(seam)) return;
        var ways = List.of(Optional.<Inner.Kind>empty(), Optional.of(Inner.Kind.STRIPS), Optional.of(Inner.Kind.STAPLES));
        card.row("from inside",
                new Choice<>("join-inner", "what is set across " + seam + " from inside", ways,
                        Optional.ofNullable(prop().join().inner().get(seam)), k -> k.map(Inner.Kind::words).orElse("nothing"),
                        k -> change(k.map(Inner.Kind::words).orElse("nothing") + " across " + seam, w -> w.set(seam, k))));
        card.row("",
                Card.more(now.besides()
                        .inner()
                        .map(Inner::words)
                        .orElse(Words.text("%.0f %% of its inside is reached once it is closed",
                                100 * hand.get().reached(seam, plan.together(seam))))));
    }

    @Override
    void draw(JoinPlan plan) {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        view.seams(plan, things, labels,
                j -> j.seam().name() + " " + (j.reserve() >= JoinPlan.HARDLY ? "" : "\u00d7" + times(j.reserve())));
        for (var j : plan.joins()) if (!j.glued() && j.seam().plane() >= 0) things.add(dry(j.seam()));
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

    /** Faces that stay free of glue: plates on the mating face. */
    private Node dry(Seam s) {
        var out = new ArrayList<Double>();
        var shape = s.face().shape();
        double thick = view.bounds().orElseThrow().diagonal() / 200;
        for (int i = 0; i < shape.getNumGeometries(); i++) {
            var c = shape.getGeometryN(i).getCoordinates();
            for (int k = 0; k + 1 < c.length; k += Math.max(1, c.length / 120)) {
                var p = s.face().at(c[k].x, c[k].y);
                for (var q : List.of(p.minus(s.normal().times(thick)), p.plus(s.normal().times(thick))))
                    out.addAll(List.of(q.x(), q.y(), q.z()));
            }
        }
        return view.bench().drawn().rods(out.stream().mapToDouble(v -> v).toArray(), Role.HARDWARE_OFF.colour(), thick);
    }
}
