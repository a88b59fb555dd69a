package yellowbracket.desktop.station.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.Node;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.log.Entry;
import yellowbracket.size.Zone;
import yellowbracket.wear.pad.Cradle;
import yellowbracket.wear.pad.PadPlan;

/** A set of pads for each wearer: foam, pressure, templates, what a try-on changed. */
final class PadsPart extends WearPart {
    private Zone zone = Zone.BACK;
    private boolean tight = true;

    PadsPart(WearView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "which foam goes where";
    }

    private Optional<PadPlan> set() {
        return model.result(WearFigures.PADS).flatMap(s -> view.shown(s.sets()));
    }

    @Override
    void write(Card card) {
        if (!view.worn(card)) return;
        var set = set();
        if (set.isEmpty()) {
            if (model.result(SizeFigures.CAVITY).map(c -> !c.holdsAHead()).orElse(false)) {
                card.text("no hollow for a head: straps and rim foam along the edge, no pads by zone");
                return;
            }
            view.waiting(card, WearFigures.PADS);
            return;
        }
        view.wearers(card);
        var p = set.get();
        double most = p.worstKpa().orElse(0);
        card.row("sits", Words.text("%.0f mm %s", Math.abs(p.sinksMm()), p.sinksMm() < -0.5 ? "higher" : "lower"),
                Words.text("than measured, with %.0f g on the crown pads", p.grams()),
                Math.abs(p.sinksMm()) > PadPlan.SINKS_MM ? "care" : "good");
        var worst = p.cut().stream().max(java.util.Comparator.comparingDouble(PadPlan.Pad::mostKpa));
        worst.ifPresent(q -> card.row("presses", Words.text("%.1f kPa", most), Words.text(
                "at its worst, %s: %.1f to %.1f as foams of one name differ; %.0f is borne for hours on the average, %.0f at a point",
                q.name(), most * q.softest(), most * q.firmest(), PadPlan.COMFORT_KPA, PadPlan.POINT_KPA),
                most > PadPlan.POINT_KPA ? "care" : "good"));
        card.add(new Sheet<PadPlan.Pad>("pads", "no pads").words("pad", PadPlan.Pad::name)
                .number("gap", PadPlan.Pad::gapMm, q -> words().length(q.gapMm()))
                .words("foam", q -> q.none() ? "no pad" : q.words())
                .number("pressed", PadPlan.Pad::pressedShare, q -> Words.percent(q.pressedShare()))
                .number("kPa", PadPlan.Pad::kpa, q -> Words.text("%.1f", q.kpa()))
                .rows(p.pads(), 7));
        if (!p.cut().isEmpty()) {
            card.title("templates");
            card.add(new PatternPicture("pad-patterns",
                    p.cut().stream().map(q -> new PatternPicture.Outline("", q.outline(), List.of(), Double.NaN)).toList(), view.night()));
            card.text(Words.text("%.0f cm\u00b2 of foam in %d pieces, stretch up to %.1f %%, %.0f cm\u00b2 of hook tape",
                    p.cut().stream().mapToDouble(PadPlan.Pad::areaMm2).sum() / 100, p.cut().size(),
                    100 * p.cut().stream().mapToDouble(PadPlan.Pad::stretch).max().orElse(0), p.tapeMm2() / 100));
            var write = Card.action("write templates and lenses", view::files);
            write.setId("wear-files");
            card.row("at 1:1", write);
        }
        tried(card, p);
        p.cradle().ifPresent(c -> cradle(card, c));
        p.findings().forEach(f -> view.finding(card, f));
        shared(card);
    }

    /** What a try-on said goes into the log, and changes the set. */
    private void tried(Card card, PadPlan p) {
        card.title("tried on");
        var zones = Arrays.stream(Zone.values()).filter(Zone::padded).toList();
        var mm = field("pad-mm", "how much too tight or loose", "mm between 0.5 and 40, such as 3", 0.5, 40).with("3");
        var tell = Card.action("tell it",
                () -> mm.read().ifPresent(v -> model.note(new Entry.PadNote(prop().id(), p.wearer().name(), zone, tight ? v : -v).line())));
        tell.setId("pad-tell");
        card.row("it was",
                new Choice<>("pad-how", "too tight or too loose", List.of(true, false), tight, t -> t ? "too tight" : "too loose",
                        t -> tight = t),
                Card.more("at the"), new Choice<>("pad-zone", "where", zones, zone, Zone::label, z -> zone = z), Card.more("by"), mm,
                Card.more("mm"));
        card.row("", tell, Card.more("the log keeps it, the set changes by it"));
    }

    private void cradle(Card card, Cradle c) {
        card.title("headband cradle");
        card.add(new Sheet<Cradle.Anchor>("anchors", "no wall for an anchor").words("anchor", Cradle.Anchor::where)
                .number("wall", Cradle.Anchor::wallMm, a -> words().length(a.wallMm()))
                .number("room", Cradle.Anchor::roomMm, a -> words().length(a.roomMm()))
                .words("do", Cradle.Anchor::words)
                .rows(c.anchors(), 4));
    }

    private void shared(Card card) {
        var sets = model.result(WearFigures.PADS).map(WearFigures.Pads::sets).orElse(List.of());
        if (sets.size() < 2) return;
        var stay = sets.get(0).sharedWith(sets.get(1));
        card.text("for " + sets.get(1).wearer().name() + " "
                + (stay.isEmpty() ? "every pad is changed" : String.join(", ", stay) + " can stay, the others are changed")
                + ": hook tape under each, a mark on its back");
    }

    @Override
    void draw() {
        var on = view.on();
        var set = set();
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        if (on.isPresent() && set.isPresent()) {
            var form = on.get().form();
            var head = new Group(view.bench().drawn().plain(form.mesh(), view.neutral()));
            for (var p : set.get().cut())
                head.getChildren().add(view.bench().drawn().byVertex(p.lies(), Ramp.foam(), view.neutral(), v -> p.thicknessMm()));
            view.onHead(head, on.get());
            things.add(head);
            set.get().cut().forEach(p -> labels.add(new Bench.Callout(on.get().pose().place(p.middle()), p.name() + " " + mm(p), "")));
            set.get()
                    .cradle()
                    .ifPresent(c -> c.anchors().forEach(a -> labels.add(new Bench.Callout(a.at(), "anchor " + a.where(), "care"))));
        }
        view.shell(things, set.isPresent(), view.bench().isSeeThrough() ? 0.12 : 0.28);
        view.bench().show(things, view.bounds().orElseThrow(), view.key("prop"));
        view.bench().legend().ramp(set.map(x -> Ramp.foam()), words().unit(), words().inches() ? 1 / 25.4 : 1);
        view.bench().callouts(labels);
        view.bench()
                .gauges(set.map(p -> List.of(new Bench.Gauge("wearer", p.wearer().name(), "", ""),
                        new Bench.Gauge("pads", String.valueOf(p.cut().size()),
                                Words.text("%.0f cm\u00b2", p.cut().stream().mapToDouble(PadPlan.Pad::areaMm2).sum() / 100), ""),
                        new Bench.Gauge("sits", Words.text("%+.0f mm", -p.sinksMm()), "under its weight",
                                Math.abs(p.sinksMm()) > PadPlan.SINKS_MM ? "care" : "good"),
                        new Bench.Gauge("presses", Words.text("%.1f kPa", p.worstKpa().orElse(0)), "at its worst",
                                p.worstKpa().orElse(0) > PadPlan.POINT_KPA ? "care" : "good")))
                        .orElse(List.of()));
    }

    private String mm(PadPlan.Pad p) {
        return words().length(p.thicknessMm());
    }
}
