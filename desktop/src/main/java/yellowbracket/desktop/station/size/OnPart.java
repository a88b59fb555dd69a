package yellowbracket.desktop.station.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.KeyValue;
import javafx.animation.Timeline;
import javafx.scene.Group;
import javafx.scene.control.Button;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.util.Duration;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.size.Donning;
import yellowbracket.size.Pose;
import yellowbracket.size.Remedy;

/** Whether the head goes in, played back; and what would help where it does not. */
final class OnPart extends SizePart {
    private static final double PLAY_S = 6;
    private final Slider along = new Slider(0, 1, 1);
    private final Button play = Card.action("play", this::play);
    private final Timeline film = new Timeline(new KeyFrame(Duration.ZERO, new KeyValue(along.valueProperty(), 0)),
            new KeyFrame(Duration.seconds(PLAY_S), new KeyValue(along.valueProperty(), 1)));
    private Optional<Group> head = Optional.empty();

    OnPart(SizeView view) {
        super(view);
        along.setId("donning");
        along.setAccessibleText("how far the head is in");
        along.setBlockIncrement(0.02);
        play.setId("donning-play");
        HBox.setHgrow(along, Priority.ALWAYS);
        along.valueProperty().addListener((o, a, b) -> moved());
        film.statusProperty().addListener((o, a, s) -> play.setText(s == Animation.Status.RUNNING ? "stop" : "play"));
    }

    @Override
    public String heading() {
        return "does the head go in";
    }

    /** Of the first wearer whose head does not pass, else of the first. */
    private int shown() {
        var all = model.result(SizeFigures.DONNING).map(SizeFigures.Donnings::list).orElse(List.of());
        for (int i = 0; i < all.size(); i++) if (!all.get(i).passes()) return i;
        return 0;
    }

    private Optional<Donning> way() {
        return model.result(SizeFigures.DONNING).map(d -> d.list().get(shown()));
    }

    private void play() {
        if (film.getStatus() == Animation.Status.RUNNING) film.stop();
        else film.playFromStart();
    }

    /** Nothing plays on behind another page. */
    void leave() {
        film.stop();
    }

    @Override
    void write(Card card) {
        var all = model.result(SizeFigures.DONNING);
        var fits = model.result(SizeFigures.FITS);
        if (all.isEmpty() || fits.isEmpty() || all.get().list().size() != fits.get().list().size()) {
            view.waiting(card, SizeFigures.DONNING);
            return;
        }
        for (int i = 0; i < all.get().list().size(); i++) {
            var d = all.get().list().get(i);
            card.row(fits.get().list().get(i).wearer().name(), d.passes() ? "passes" : "does not pass", d.words(),
                    d.passes() ? "good" : "stop");
            if (d.passes() && fits.get().list().get(i).wearer().glasses()) card.text("glasses come off on the way in: judged without them");
        }
        card.row("way in", play, along);
        card.add(steps(way().orElseThrow()));
        model.result(SizeFigures.REMEDIES)
                .filter(r -> model.fresh(SizeFigures.REMEDIES) && r.wearer().isPresent())
                .ifPresent(r -> remedies(card, r));
        if (way().filter(d -> !d.passes()).isPresent() && !model.fresh(SizeFigures.REMEDIES))
            card.text("looking for what would let it pass ...");
        card.caution("Try it seated, with a helper, and take it off again in five seconds unaided before wearing it out. A "
                + "shell that comes apart must open with one hand.");
    }

    private void remedies(Card card, SizeFigures.Remedies r) {
        card.title("what would let " + r.wearer().orElseThrow() + "'s head pass");
        if (r.list().isEmpty()) card.text(
                "neither 30 mm more neck, nor half as large again, nor a split shell helps: check which way is up, and that the model is "
                        + "open below");
        for (var m : r.list()) card.finding(Weight.NOTE,
                m.words() + Words.text(": %.0f mm to spare then", m.spareMm())
                        + (m instanceof Remedy.Part ? "; a cut for the next station" : ""),
                "take it", () -> model.apply(Edit.remedy(prop().id(), m)));
    }

    private yellowbracket.desktop.widget.Sheet<Donning.Step> steps(Donning d) {
        var worn = d.path().getLast().pose();
        var table = new yellowbracket.desktop.widget.Sheet<Donning.Step>("the way in, step by step", "no way")
                .number("to go, " + words().unit(), s -> worn.upMm() - s.pose().upMm(), s -> words().bare(worn.upMm() - s.pose().upMm()))
                .number("forward", s -> s.pose().forwardMm() - worn.forwardMm(), s -> words().bare(s.pose().forwardMm() - worn.forwardMm()))
                .number("tilt \u00b0", s -> s.pose().pitchDeg() - worn.pitchDeg(),
                        s -> Words.text("%.0f", s.pose().pitchDeg() - worn.pitchDeg()))
                .number("room", Donning.Step::roomMm, s -> words().bare(s.roomMm()));
        table.onPick(s -> along.setValue((double) d.path().indexOf(s) / Math.max(1, d.path().size() - 1)));
        table.rows(d.path(), 8);
        table.scrollTo(Math.max(0, d.tightest().step() - 3));
        return table;
    }

    /** The pose at the slider's place, between two steps. */
    private Pose pose(Donning d) {
        double at = along.getValue() * (d.path().size() - 1);
        int i = (int) Math.clamp(Math.floor(at), 0, Math.max(0, d.path().size() - 2));
        var a = d.path().get(i).pose();
        var b = d.path().get(Math.min(i + 1, d.path().size() - 1)).pose();
        double t = at - i;
        return new Pose(a.forwardMm() + t * (b.forwardMm() - a.forwardMm()), a.upMm() + t * (b.upMm() - a.upMm()),
                a.pitchDeg() + t * (b.pitchDeg() - a.pitchDeg()));
    }

    private void moved() {
        way().ifPresent(d -> {
            if (head.filter(h -> h.getParent() != null).isEmpty()) return; // the bench shows another page by now
            place(head.orElseThrow(), pose(d));
            gauges(d);
        });
    }

    private void gauges(Donning d) {
        int i = (int) Math.round(along.getValue() * (d.path().size() - 1));
        var step = d.path().get(i);
        var worn = d.path().getLast().pose();
        bench.gauges(List.of(
                new Bench.Gauge("room here", words().length(step.roomMm()), i == d.tightest().step() ? "the tightest" : "",
                        step.roomMm() < 0 ? "stop" : step.roomMm() < 3 ? "care" : "good"),
                new Bench.Gauge("least on the way", words().length(d.spareMm()), "at the " + d.tightest().zone().label(),
                        d.passes() ? "good" : "stop"),
                new Bench.Gauge("tilt", Words.text("%+.0f\u00b0", step.pose().pitchDeg() - worn.pitchDeg()),
                        step.pose().pitchDeg() < worn.pitchDeg() - 2 ? "forward"
                                : step.pose().pitchDeg() > worn.pitchDeg() + 2 ? "back" : "",
                        ""),
                new Bench.Gauge("to go", words().longLength(Math.abs(worn.upMm() - step.pose().upMm())), "", "")));
    }

    @Override
    void draw() {
        var proxy = model.result(ModelFigures.PROXY);
        var way = way();
        var size = view.bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        bare();
        var things = new ArrayList<javafx.scene.Node>();
        head = way.flatMap(d -> model.result(SizeFigures.FITS)
                .map(f -> head(f.list().get(Math.min(shown(), f.list().size() - 1)).clearance().form().mesh(), Optional.empty(), pose(d))));
        head.ifPresent(things::add);
        things.add(shell(proxy.get().mesh(), bench.isSeeThrough() ? 0.14 : 0.36));
        var box = size.get();
        double lower = way.map(d -> d.path().getFirst().pose().upMm() - 130).orElse(box.min().z());
        bench.show(things, new yellowbracket.mesh.Bounds3(
                new yellowbracket.mesh.Vec3(box.min().x(), box.min().y(), Math.min(lower, box.min().z())), box.max()), prop().id() + "/on");
        way.ifPresent(d -> {
            var t = d.tightest();
            bench.callouts(List.of(new Bench.Callout(t.place(), "tightest: " + t.zone().label() + " " + words().bare(d.spareMm()),
                    d.passes() ? d.spareMm() < 3 ? "care" : "good" : "stop")));
            gauges(d);
        });
        bench.legend().none();
    }
}
