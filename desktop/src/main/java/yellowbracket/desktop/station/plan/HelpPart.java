package yellowbracket.desktop.station.plan;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.plan.Helper;
import yellowbracket.plan.PlanWish;
import yellowbracket.plan.WorkHours;
import yellowbracket.plan.WorkRules;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Operation;

/** Who helps, when and with what; breaks, and when the house wants quiet. */
final class HelpPart extends PagePart {
    private static final String EXAMPLE = "days and hours such as: sat 10-16, sun 10-14";
    /** What can be asked of somebody, by the rate it counts to. */
    private static final List<String> SKILLS = Arrays.stream(Operation.values())
            .map(Operation::rate)
            .filter(r -> !Set.of("print", "size", "cut", "look").contains(r))
            .distinct()
            .toList();

    private final Set<String> chosen = new TreeSet<>(Set.of("sand", "clean"));

    HelpPart(AppModel model) {
        super(model);
    }

    @Override
    public String heading() {
        return "who helps, breaks and quiet";
    }

    private PlanWish wish() {
        return model.shownProperty().get().plan();
    }

    private void change(String name, UnaryOperator<PlanWish> how) {
        model.apply(Edit.plan(name, how));
    }

    void write(Card card) {
        for (var h : wish().helpers()) {
            card.row(h.name(), Card.more(String.join(", ", h.skills()) + "; " + text(h.spans())),
                    Card.action("no longer", () -> change(h.name() + " no longer helps", w -> w.withoutHelper(h.name()))));
        }
        if (wish().helpers().isEmpty()) card.text("you are planned alone; somebody who sands on a Saturday wins more than it seems");
        add(card);
        rules(card);
    }

    private void add(Card card) {
        card.title("somebody helps");
        var name = text("helper-name", "name of who helps", "name", 120);
        var hours = text("helper-hours", "when help comes; " + EXAMPLE, "sat 10-16, sun 10-14", 190);
        card.row("who, when", name, hours);
        var boxes = new FlowPane(8, 4);
        SKILLS.forEach(rate -> {
            var box = new CheckBox(rate);
            box.setId("skill-" + rate);
            box.setSelected(chosen.contains(rate));
            box.selectedProperty().subscribe(on -> {
                if (on) chosen.add(rate);
                else chosen.remove(rate);
            });
            boxes.getChildren().add(box);
        });
        card.add(boxes);
        Runnable put = () -> put(name.getText().strip(), hours);
        name.setOnAction(e -> put.run());
        hours.setOnAction(e -> put.run());
        card.row("", Card.action("add", put));
    }

    private void put(String name, TextField hours) {
        if (name.isEmpty()) {
            model.tell(AppModel.Tone.STOP, "name who helps");
            return;
        }
        if (chosen.isEmpty()) {
            model.tell(AppModel.Tone.STOP, "choose what " + name + " can do");
            return;
        }
        parse(hours.getText()).ifPresentOrElse(spans -> change(name + " helps", w -> w.with(new Helper(name, spans, chosen))),
                () -> model.tell(AppModel.Tone.STOP, "\"" + hours.getText() + "\" are no hours: write " + EXAMPLE));
    }

    private TextField text(String id, String what, String prompt, double wide) {
        var f = new TextField();
        f.setId(id);
        f.setAccessibleText(what);
        f.setPromptText(prompt);
        f.setPrefWidth(wide);
        return f;
    }

    /** {@code sat 10-16, sun 10-14}; empty for what is no such list. */
    static Optional<List<WorkHours.Span>> parse(String text) {
        var out = new ArrayList<WorkHours.Span>();
        for (var part : text.strip().toLowerCase(Locale.ROOT).split(",")) {
            var words = part.strip().split("\\s+", 2);
            var day = words[0].length() < 2 ? Optional.<DayOfWeek>empty()
                    : Arrays.stream(DayOfWeek.values()).filter(d -> d.name().toLowerCase(Locale.ROOT).startsWith(words[0])).findFirst();
            var times = words.length < 2 ? Optional.<List<LocalTime[]>>empty() : HoursPart.parse(words[1]);
            if (day.isEmpty() || times.isEmpty() || times.get().size() != 1) return Optional.empty();
            out.add(new WorkHours.Span(day.get(), times.get().getFirst()[0], times.get().getFirst()[1]));
        }
        return Optional.of(out);
    }

    private static String text(List<WorkHours.Span> spans) {
        return String.join(", ",
                spans.stream().map(s -> s.day().name().substring(0, 3).toLowerCase(Locale.ROOT) + " " + s.from() + "-" + s.to()).toList());
    }

    private void rules(Card card) {
        var r = wish().rules();
        card.title("breaks and quiet");
        var sitting = field("sitting", "minutes of dust or fine work at a time", "minutes between 15 and 480, such as 60", 15, 480)
                .with(String.valueOf(r.sittingMin()));
        sitting.setOnAction(e -> sitting.read()
                .ifPresent(m -> change("break after " + sitting.getText() + " min",
                        w -> w.withRules(new WorkRules(r.quiet(), (int) m, r.breakMin())))));
        var pause = field("break", "minutes of a break", "minutes between 0 and 120, such as 10", 0, 120)
                .with(String.valueOf(r.breakMin()));
        pause.setOnAction(e -> pause.read()
                .ifPresent(m -> change("breaks of " + pause.getText() + " min",
                        w -> w.withRules(new WorkRules(r.quiet(), r.sittingMin(), (int) m)))));
        card.row("dust, fine work", sitting, Card.more("min, then something else for"), pause);
        var quiet = text("quiet", "when no machine may run, such as 20-8; nothing for no limit", "20-8", 110);
        quiet.setText(r.quiet().map(q -> q.from() + "-" + q.to()).orElse(""));
        quiet.setOnAction(e -> quiet(quiet, r));
        card.row("no machines", quiet, Card.more("sander and rotary tool"));
    }

    private void quiet(TextField f, WorkRules r) {
        if (f.getText().isBlank()) {
            change("no quiet hours", w -> w.withRules(new WorkRules(Optional.empty(), r.sittingMin(), r.breakMin())));
            return;
        }
        var ends = f.getText().strip().split("\\s*(-|to)\\s*");
        var from = HoursPart.parse(ends[0] + "-24");
        var to = ends.length < 2 ? Optional.<List<LocalTime[]>>empty() : HoursPart.parse("0-" + ends[1]);
        if (ends.length != 2 || from.isEmpty() || to.isEmpty() || from.get().getFirst()[0].equals(to.get().getFirst()[1])) {
            model.tell(AppModel.Tone.STOP, "\"" + f.getText() + "\" are no quiet hours: write 20-8, or nothing");
            return;
        }
        var q = new Quiet(from.get().getFirst()[0], to.get().getFirst()[1]);
        change("quiet " + q, w -> w.withRules(new WorkRules(Optional.of(q), r.sittingMin(), r.breakMin())));
    }
}
