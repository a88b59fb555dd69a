package yellowbracket.desktop.station.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Optional;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.log.Entry;
import yellowbracket.wear.day.EventRule;
import yellowbracket.wear.day.Packing;
import yellowbracket.wear.day.WalkTest;

/** What is tried before the day, what came out, the event's rules, and what is taken along. */
final class WalkPart extends WearPart {
    private WalkTest.What picked = WalkTest.What.STAIRS;
    private String said = "";

    WalkPart(WearView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "walk test, rules, what to take along";
    }

    private Optional<WalkTest> test() {
        return model.result(WearFigures.WALK).flatMap(w -> view.shown(w.list()));
    }

    @Override
    void write(Card card) {
        if (prop().worn()) {
            var t = test();
            if (t.isPresent()) tried(card, t.get());
            else view.waiting(card, WearFigures.WALK);
        }
        var hours = field("worn-hours", "hours worn in one go", "hours between 0.1 and 72, such as 4", 0.1, 72)
                .with(Words.text("%.1f", wish().wornHours()));
        hours.setOnAction(e -> hours.read().ifPresent(v -> change(Words.text("worn for %.1f h", v), w -> w.withWornHours(v))));
        if (prop().worn()) card.row("worn for", hours, Card.more("h in one go, Enter takes it"));
        rules(card);
        model.result(WearFigures.PACKING).ifPresent(p -> packing(card, p));
        card.caution("wearing: heat and a narrow view; a helper at your side; off at the first sign of dizziness");
    }

    private void tried(Card card, WalkTest t) {
        view.wearers(card);
        long passed = t.items().stream().filter(i -> i.result().filter(WalkTest.Result::passed).isPresent()).count(),
                failed = t.items().stream().filter(WalkTest.Item::failed).count();
        card.row("tried", Words.text("%d of %d", passed + failed, t.items().size()),
                t.done() ? "all passed: it may be worn"
                        : failed > 0 ? failed + " failed: mend them and try again" : "try each, with somebody beside",
                failed > 0 ? "stop" : t.done() ? "good" : "");
        var sheet = new Sheet<WalkTest.Item>("walk test", "none").words("try", i -> i.what().words())
                .words("result", i -> i.result().map(r -> r.passed() ? "passed" : "failed").orElse("-"))
                .rows(t.items(), 12);
        var item = t.items().stream().filter(i -> i.what() == picked).findFirst().orElse(t.items().getFirst());
        sheet.getSelectionModel().select(item);
        card.add(sheet.onPick(i -> {
            if (i.what() == picked) return;
            picked = i.what();
            view.again();
        }));
        card.title(item.what().words());
        card.text(item.why() + ". Where it fails: " + item.remedy() + ".");
        item.result().filter(r -> !r.words().isBlank()).ifPresent(r -> card.text("said: " + r.words()));
        var words = new TextField(said);
        words.setId("walk-words");
        words.setAccessibleText("what was found");
        words.setPromptText("what was found");
        words.setPrefWidth(170);
        words.textProperty().subscribe(x -> said = x);
        var yes = Card.action("passed", () -> tell(t, item, true));
        yes.setId("walk-passed");
        var no = Card.action("failed", () -> tell(t, item, false));
        no.setId("walk-failed");
        card.row("it", words, yes, no);
        t.findings().forEach(f -> view.finding(card, f));
    }

    private void tell(WalkTest t, WalkTest.Item item, boolean passed) {
        String words = said.strip().replaceAll("\\s+", " ");
        said = "";
        model.note(new Entry.Walked(prop().id(), t.wearer(), item.what(), new WalkTest.Result(passed, words)).line());
    }

    private void rules(Card card) {
        card.title("the event's rules");
        for (int i = 0; i < wish().rules().size(); i++) {
            var r = wish().rules().get(i);
            var off = Card.action("strike", () -> change("without a rule", w -> w.withoutRule(r.words())));
            off.setId("rule-off-" + i);
            off.setAccessibleText("strike: " + r.words());
            card.text(r.words());
            card.row("", new Choice<>("rule-" + i, "rule: " + r.words(), Arrays.asList(EventRule.State.values()), r.state(),
                    EventRule.State::words, s -> change("rule " + s.words(), w -> w.with(r.as(s)))), off);
        }
        var more = new TextField();
        more.setId("rule-words");
        more.setAccessibleText("another rule of the event");
        more.setPromptText("another rule of the event");
        more.setPrefWidth(190);
        var add = Card.action("add it", () -> {
            String words = more.getText().strip();
            if (words.isEmpty()) model.tell(AppModel.Tone.STOP, "type the rule first");
            else change("a rule of the event", w -> w.with(new EventRule(words, EventRule.State.OPEN)));
        });
        add.setId("rule-add");
        card.row("rule", more, add);
        long broken = wish().rules().stream().filter(r -> r.state() == EventRule.State.BROKEN).count();
        if (broken > 0) card.row("not kept", String.valueOf(broken), "ask the organisers before the day", "stop");
    }

    private static void packing(Card card, Packing p) {
        card.title("to take along");
        card.add(new Sheet<Packing.Line>("prop and set", "nothing").words("what", Packing.Line::what)
                .words("how much", Packing.Line::amount)
                .rows(p.prop(), 6));
        card.title("care kit");
        card.add(new Sheet<Packing.Line>("care kit", "nothing").words("what", Packing.Line::what)
                .words("how much", Packing.Line::amount)
                .rows(p.kit(), 14));
    }

    @Override
    void draw() {
        var things = new ArrayList<Node>();
        view.shell(things, false, 1);
        view.bench().show(things, view.bounds().orElseThrow(), view.key("prop"));
        view.bench().callouts(List.of());
        view.bench().legend().none();
        view.bench()
                .gauges(test().map(t -> List.of(new Bench.Gauge("walk test",
                        Words.text("%d of %d", t.items().stream().filter(i -> i.result().isPresent()).count(), t.items().size()),
                        t.wearer(), t.items().stream().anyMatch(WalkTest.Item::failed) ? "stop" : ""))).orElse(List.of()));
    }
}
