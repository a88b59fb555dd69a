package yellowbracket.desktop.station;

import java.util.List;
import java.util.Map;
import yellowbracket.build.Node;
import yellowbracket.desktop.AppModel;
import yellowbracket.desktop.Page;
import yellowbracket.desktop.Words;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.log.Entry;
import yellowbracket.shop.Rate;

/** What happened: entries, spend, failures, and what the log taught about this maker's hours. */
public final class LogView extends StationView {
    private final StationView backdrop;
    private final Runnable export;

    public LogView(AppModel model, Bench bench, StationView backdrop, Runnable export) {
        super(model, bench);
        this.backdrop = backdrop;
        this.export = export;
    }

    @Override
    protected List<Node<?>> shows() {
        return List.of(Node.TASKS, Node.PROXY);
    }

    @Override
    public Card card() {
        var build = model.shownProperty().get();
        var card = new Card("what has happened", build.name() + " \u00b7 since " + Words.day(build.started()));
        var tasks = model.derivedProperty().get() == null ? java.util.Optional.<Node.Tasks>empty() : model.derivedProperty().get().get(Node.TASKS);
        if (tasks.isPresent()) {
            var lessons = tasks.get().lessons();
            long done = tasks.get().list().stream().filter(t -> lessons.done().containsKey(t.id())).count();
            double hours = lessons.done().values().stream().mapToDouble(a -> a.hours()).sum();
            card.row("done", done + " of " + tasks.get().list().size(), Words.text("tasks; %s told in the log", Words.hours(hours)));
            card.row("spent", Words.money(lessons.spent()), "as entered");
            int failed = lessons.failures().values().stream().mapToInt(Integer::intValue).sum();
            card.row("failed prints", String.valueOf(failed), failed == 0 ? "none yet" : String.join(", ", lessons.failures().keySet().stream().map(k -> k.replace("print:", "section ")).toList()));
            card.title("your rates against the catalogue");
            card.add(new Sheet<Map.Entry<String, Rate>>("rates", "finish a task and tell its hours to see them here").words("work", 150, e -> e.getKey()).number("factor", 80, e -> e.getValue().factor(), e -> "\u00d7" + Words.text("%.2f", e.getValue().factor()))
                    .words("from", 190, e -> e.getValue().source()).rows(lessons.rates().entrySet().stream().sorted(Map.Entry.comparingByKey()).toList(), 7));
        }
        card.title("entries, newest first");
        var entries = build.log().reversed();
        card.add(new Sheet<Entry>("entries", "write in the line below: done C 1.2 h, failed B 60 %, spent 14.50 filler, or a note").words("when", 100, e -> Words.dayTime(e.at())).words("", 60, e -> e.kind().name().toLowerCase(java.util.Locale.ROOT))
                .words("what", 270, Entry::text).rows(entries, 12));
        card.text("the line below understands: done C 1.2 h \u00b7 failed B 60 % \u00b7 spent 14.50 filler \u00b7 anything else is a note; #words are tags");
        return card.primary("see the plan", () -> model.pageProperty().set(Page.PLAN), Card.action("export log ...", export));
    }

    @Override
    public void draw() {
        if (model.currentProp().isPresent()) backdrop.draw();
    }
}
