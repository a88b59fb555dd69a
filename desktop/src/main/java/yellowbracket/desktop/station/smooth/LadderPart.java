package yellowbracket.desktop.station.smooth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.StackPane;
import yellowbracket.derive.Derived;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Lamp;
import yellowbracket.shop.Rate;
import yellowbracket.smooth.Contrast;
import yellowbracket.smooth.Detail;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.Means;
import yellowbracket.smooth.Place;
import yellowbracket.smooth.School;
import yellowbracket.smooth.Shortcut;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.SmoothWish;
import yellowbracket.smooth.Walk;
import yellowbracket.work.Operation;

/** The steps from layer lines to the finish; a slider walks through them on the model and in the surface cut open. */
final class LadderPart extends SmoothPart {
    private int done;
    private boolean sliding;
    private Optional<Place> place = Optional.empty();
    private Optional<Walk> walk = Optional.empty();
    private Optional<SmoothPlan> walked = Optional.empty();
    private final StackPane profile = new StackPane();
    private final Label told = new Label();

    LadderPart(SmoothView view) {
        super(view);
        told.getStyleClass().add("row-more");
        told.setWrapText(true);
        told.setId("ladder-told");
    }

    @Override
    public String heading() {
        return "how far to go, and when to stop";
    }

    @Override
    boolean busy() {
        return sliding;
    }

    private Walk walk(SmoothPlan plan) {
        if (walked.filter(p -> p == plan).isEmpty()) {
            walked = Optional.of(plan);
            walk = Optional.of(new Walk(plan, model.shop()));
        }
        return walk.orElseThrow();
    }

    /** Four of five cases lie within 1.28 standard deviations of the middle. */
    private static final double FOUR_OF_FIVE = 1.28;

    private static String range(SmoothPlan plan) {
        int jobs = (int) plan.work().stream().filter(w -> w.step().kind() != Ladder.Kind.LOOK).count();
        double times = Math.exp(FOUR_OF_FIVE * Rate.UNKNOWN.spreadOf(Math.max(1, jobs)));
        return Words.text("%.0f to %.0f h in four of five cases", Math.floor(plan.hours() / times), Math.ceil(plan.hours() * times));
    }

    @Override
    void write(Card card, SmoothPlan plan) {
        card.row("work", Words.about(plan.hours()), Words.text("%s; %s waiting; costs %s; %.0f cm\u00b3 of dry dust", range(plan),
                Words.hours(plan.waitH()), Words.money(plan.cost()), plan.dustCm3()));
        view.findings(card, plan.findings());
        model.result(SmoothFigures.LOST).flatMap(SmoothFigures.DetailsLost::finding).ifPresent(f -> view.finding(card, f));
        if (!plan.work().isEmpty()) slider(card, plan);
        steps(card, plan);
        hand(card, plan);
        double edge = plan.ladders().values().stream().mapToDouble(s -> Detail.edgeUm(s, model.shop())).max().orElse(0);
        if (edge > 0) card.row("sharp edges", Words.text("~%.2f mm", edge / 1000), "round when it is done, where most film and sanding is");
        var finishes = view.alternatives("finish", HEADS);
        for (var f : Finish.values()) alternative(finishes, f.label(), f == wish().finish(), "finish " + f.label(), w -> w.withFinish(f));
        card.add(finishes);
        var schools = view.alternatives("school", HEADS);
        for (var s : School.values()) alternative(schools, s.label(), s == wish().school(), "school " + s.label(), w -> w.withSchool(s));
        card.add(schools);
        means(card);
        card.title("not planned, and why");
        for (var s : Shortcut.values()) card.finding(Weight.STOP, s.label() + ": " + s.why() + ". Instead: " + s.instead(), "", () -> {});
    }

    /** What the log taught of sanding: the plan goes by it, the figures of this page by the catalogue. */
    private void hand(Card card, SmoothPlan plan) {
        var rate = model.ofBuild(PlanFigures.TASKS)
                .map(t -> t.lessons().rates().getOrDefault(Operation.SAND.rate(), Rate.UNKNOWN))
                .orElse(Rate.UNKNOWN);
        if (plan.sandMinCm3() > 0) card.row("sanding", Words.text("%.1f min/cm\u00b3", plan.sandMinCm3() * rate.factor()),
                "at your own hand, from: " + rate.source() + "; the day it is ready goes by it");
    }

    private static final String[] HEADS = {"work h", "wait h", "cost", "dust cm\u00b3", "detail \u00b5m", "skin mm", "ready"};

    private void alternative(Alternatives table, String name, boolean current, String edit,
            java.util.function.UnaryOperator<SmoothWish> change) {
        view.alternative(table, name, current, Edit.smoothing(edit, prop().id(), change), this::figures);
    }

    private void figures(Alternatives.Row row, Derived d) {
        var s = d.get(SmoothFigures.SMOOTH, prop().id());
        boolean none = s.map(p -> !p.reaches()).orElse(true);
        row.note(s.isPresent() && none ? s.get().findings().stream().map(f -> f.words()).findFirst().orElse("out of reach") : "");
        if (none) {
            row.figures(StationView.ready(d), "-", "-", "-", "-", "-", "-", "-");
            return;
        }
        var p = s.get();
        row.figures(StationView.ready(d), Words.text("~%.1f", p.hours()), Words.text("%.1f", p.waitH()), Words.money(p.cost()),
                Words.text("%.0f", p.dustCm3()), Words.text("%.0f", p.detailUm()),
                Double.isFinite(p.skin().leastUm()) ? Words.text("%.1f", p.skin().leastUm() / 1000) : "-", StationView.readyWords(d));
    }

    private void slider(Card card, SmoothPlan plan) {
        done = Math.clamp(done, 0, plan.work().size());
        var slider = new Slider(0, plan.work().size(), done);
        slider.setId("ladder-step");
        slider.setAccessibleText("how many steps are done, on the bench and in the profile");
        slider.setMajorTickUnit(1);
        slider.setMinorTickCount(0);
        slider.setSnapToTicks(true);
        slider.setBlockIncrement(1);
        slider.setMaxWidth(Double.MAX_VALUE);
        slider.setOnMousePressed(e -> sliding = true);
        slider.setOnMouseReleased(e -> sliding = false);
        slider.valueProperty().subscribe((before, now) -> {
            int to = (int) Math.round(now.doubleValue());
            if (to == done) return;
            done = to;
            profile(plan);
            view.draw();
        });
        card.title("walk through it");
        card.add(slider);
        card.add(told);
        card.add(profile);
        profile(plan);
    }

    /** The place shown: the one clicked, else the deepest of the largest area with steps. */
    private Optional<Place> place(SmoothPlan plan) {
        var map = view.map().orElseThrow();
        if (place.isPresent()) return map.near(place.get().at());
        return map.worked()
                .stream()
                .filter(p -> plan.areas().of(p, view.targets()).isPresent())
                .max(Comparator.comparingDouble(p -> Math.min(p.depthUm(), plan.areas().valley90Um())));
    }

    private void profile(SmoothPlan plan) {
        profile.getChildren().clear();
        String what = done == 0 ? "as printed"
                : Words.text("after step %d of %d: %s", done, plan.work().size(), plan.work().get(done - 1).step().what());
        var at = place(plan);
        var area = at.flatMap(p -> plan.areas().of(p, view.targets()));
        if (area.isEmpty()) {
            told.setText(what);
            return;
        }
        var last = walk(plan).surfaces(area.get(), at.get().depthUm(), done).getLast();
        told.setText(Words.text("%s. Here (%s): %.0f \u00b5m open, marks of %.0f \u00b5m, %.0f \u00b5m of film on the peaks", what,
                area.get().words(), last.valley(), last.marks(), Math.max(0, last.over())));
        profile.getChildren()
                .setAll(ProfilePicture.of(at.get(), walk(plan), area.get(), done, plan, wish().printHex(), model.shop(), view.night()));
    }

    private void steps(Card card, SmoothPlan plan) {
        card.title("the ladder");
        var shades = shades(plan);
        int n = 0;
        for (var w : plan.work()) {
            var lines = new ArrayList<String>();
            lines.add(where(w) + (w.tool().isEmpty() ? "" : " \u00b7 " + w.tool()) + (w.amount().isEmpty() ? "" : " \u00b7 " + w.amount()));
            lines.add("why: " + w.step().why());
            lines.add("stop when: " + w.step().stop());
            if (w.step().waitH() > 0) lines.add("then wait " + Words.hours(w.step().waitH()));
            if (!shades.get(n).isEmpty()) lines.add(shades.get(n));
            card.step(++n + "   " + Words.about(w.hours()), w.step().what(), String.join("\n", lines));
        }
    }

    /** By step, in which shade it goes on. */
    private List<String> shades(SmoothPlan plan) {
        var films = plan.work()
                .stream()
                .map(SmoothPlan.Work::step)
                .map(s -> s.kind() == Ladder.Kind.FILM || s.kind() == Ladder.Kind.PRIME ? s.product() : "")
                .toList();
        var coats = Contrast.of(wish().printHex(), films.stream().filter(f -> !f.isEmpty()).toList(), model.shop()).coats();
        var out = new ArrayList<String>();
        int i = 0;
        for (var f : films) {
            if (f.isEmpty()) {
                out.add("");
                continue;
            }
            var c = coats.get(i++);
            out.add(c.hex().isEmpty() ? "clear: dust a guide coat over it before sanding"
                    : "in " + c.shade() + (c.seen() ? ": lows and sand-through show in it"
                            : ": hardly told from what is beneath; dust a guide coat over it"));
        }
        return out;
    }

    private static String where(SmoothPlan.Work w) {
        return w.where().isEmpty() ? Words.text("everywhere, %.0f dm\u00b2", w.areaDm2())
                : Words.text("%.0f dm\u00b2: %s", w.areaDm2(), String.join("; ", w.where()));
    }

    private void means(Card card) {
        card.title("what there is to work with");
        var m = wish().means();
        card.row("aim", new Choice<>("smooth-aim", "what the ladder spares", Arrays.asList(SmoothWish.Hurry.values()), wish().hurry(),
                h -> h.weights().name(), h -> change("aim: " + h.weights().name(), w -> w.withHurry(h))));
        card.row("", check("can-spray", "a place to spray, outdoors or extracted", m.spray(), on -> m.withSpray(on)));
        card.row("", check("has-sander", "a sander with a soft pad", m.machine(), on -> m.withMachine(on)));
        card.row("", check("only-shelf", "only what is on the shelf", m.onShelf(), on -> m.withOnShelf(on)));
        card.row("lamp", new Choice<>("lamp", "lamp for resin", model.shop().lamps().stream().map(Lamp::name).toList(), m.lamp(), l -> l,
                l -> change("lamp: " + l, w -> w.withMeans(w.means().withLamp(l)))));
        var hex = new javafx.scene.control.TextField(wish().printHex());
        hex.setId("print-colour");
        hex.setPrefWidth(90);
        hex.setAccessibleText("colour of the print, such as #8f9499");
        hex.setOnAction(e -> {
            if (hex.getText().strip().matches("#[0-9a-fA-F]{6}"))
                change("print is " + hex.getText().strip(), w -> w.withPrintHex(hex.getText().strip()));
            else model.tell(yellowbracket.desktop.model.AppModel.Tone.STOP,
                    "colour of the print \"" + hex.getText() + "\": type it as #8f9499");
        });
        card.row("print is", hex, Card.more("its colour decides which shade of primer shows lows"));
    }

    private CheckBox check(String id, String words, boolean on, java.util.function.Function<Boolean, Means> to) {
        var c = new CheckBox(words);
        c.setId(id);
        c.setSelected(on);
        c.setOnAction(e -> change(words + (c.isSelected() ? "" : ": no"), w -> w.withMeans(to.apply(c.isSelected()))));
        return c;
    }

    @Override
    void draw(SmoothPlan plan) {
        done = Math.clamp(done, 0, plan.work().size());
        var walk = walk(plan);
        var things = view.painted(Ramp.cusp(), f -> f.area().map(a -> walk.valleyUm(a, f.depthUm(), done)).orElse(Double.NaN));
        SmoothView.clicked(things, p -> {
            place = view.map().orElseThrow().near(p.times(prop().scale()));
            profile(plan);
            view.draw();
        });
        var labels = place.map(p -> List.of(new Bench.Callout(p.at(), "here", ""))).orElse(List.of());
        view.shown(things, labels, plan, "ladder");
        view.bench().legend().ramp(Optional.of(Ramp.cusp()), "\u00b5m", 1);
    }
}
