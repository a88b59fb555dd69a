package yellowbracket.desktop.station.log;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.log.Entry;
import yellowbracket.shop.Rate;
import yellowbracket.work.TaskId;

/** What happened: entries, spend, failures, and what the log taught about this maker's hours. */
public final class LogView extends StationView {
    private final StationView backdrop;
    private final Runnable export;
    private Optional<Entry> looked = Optional.empty();

    public LogView(AppModel model, Bench bench, StationView backdrop, Runnable export) {
        super(model, bench);
        this.backdrop = backdrop;
        this.export = export;
    }

    @Override
    public Card card() {
        var build = model.shownProperty().get();
        var card = new Card("what has happened", build.name() + " \u00b7 since " + Words.day(build.started()));
        var tasks = model.derived().get(PlanFigures.TASKS);
        if (tasks.isPresent()) {
            var lessons = tasks.get().lessons();
            double hours = lessons.done().values().stream().mapToDouble(a -> a.hours()).sum();
            card.row("done", done(tasks.get()), Words.text("tasks; %s noted in the log", Words.hours(hours)));
            card.row("spent", Words.money(lessons.spent()), "as entered");
            int failed = failed(tasks.get());
            card.row("failed prints", String.valueOf(failed),
                    failed == 0 ? "none yet" : String.join(", ", lessons.failures().keySet().stream().map(LogView::failed).toList()));
            card.title("your rates against the catalogue");
            card.add(new Sheet<Map.Entry<String, Rate>>("rates", "note the hours of a finished task to see them here")
                    .words("work", e -> e.getKey())
                    .number("factor", e -> e.getValue().factor(), e -> "\u00d7" + Words.text("%.2f", e.getValue().factor()))
                    .words("from", e -> e.getValue().source())
                    .rows(rates(lessons.rates()), 8));
        }
        card.title("entries, newest first");
        var entries = build.log().reversed();
        card.add(entrySheet(entries));
        looked().ifPresentOrElse(
                e -> card.row("photo", Card.more(e.text()),
                        Card.action(e.photos().isEmpty() ? "add ..." : "add another ...", () -> photo(e))),
                () -> card.text("pick an entry to put a photo beside it, or to see the one it has"));
        card.text("the line below understands: done C 1.2 h \u00b7 failed B 60 % layer shift \u00b7 started D \u00b7 spent 14.50 "
                + "filler \u00b7 lesson: what helped \u00b7 anything else is a note; #words are tags, a printer's name with "
                + "- for blanks counts for that printer");
        return card.primary("see the plan", () -> model.pageProperty().set(Page.PLAN), Card.action("export log ...", export));
    }

    /** Of each work by hand, and of each printer. */
    private List<Map.Entry<String, Rate>> rates(Map<String, Rate> byHand) {
        var all = new TreeMap<>(byHand);
        model.ofBuild(PrintFigures.RECORDS)
                .ifPresent(r -> r.list()
                        .stream()
                        .filter(x -> x.factor().jobs() > 0)
                        .forEach(x -> all.put("print on " + x.printer(), x.factor())));
        return List.copyOf(all.entrySet());
    }

    private Sheet<Entry> entrySheet(List<Entry> entries) {
        var sheet = new Sheet<Entry>("entries", "write in the line below: done C 1.2 h, failed B 60 %, spent 14.50 filler, or a note")
                .words("when", e -> Words.dayTime(e.at()))
                .words("", e -> e.kind().name().toLowerCase(java.util.Locale.ROOT))
                .words("what", e -> (e.photos().isEmpty() ? "" : "[photo] ") + e.text())
                .rows(entries, 12);
        looked().ifPresent(sheet.getSelectionModel()::select);
        return sheet.onPick(e -> {
            if (looked.equals(Optional.of(e))) return;
            looked = Optional.of(e);
            again();
        });
    }

    /** The entry picked, if the log still has it: a photo added makes it another. */
    private Optional<Entry> looked() {
        return looked.flatMap(l -> model.shownProperty()
                .get()
                .log()
                .stream()
                .filter(e -> e.at().equals(l.at()) && e.text().equals(l.text()))
                .findFirst());
    }

    private void photo(Entry e) {
        var pictures = AskFile.Kind.of("pictures", "jpg", "jpeg", "png");
        model.ask().toOpen("a photo of " + e.text(), pictures).ifPresent(f -> model.addPhoto(e, f));
    }

    @Override
    public void draw() {
        if (model.currentProp().isPresent()) {
            backdrop.draw();
            bench.legend().none(); // what it told was of colour
            bench.gauges(model.derived().get(PlanFigures.TASKS).map(LogView::gauges).orElse(List.of()));
        }
        looked().flatMap(e -> e.photos().stream().reduce((a, b) -> b)).flatMap(model.session().meshes()::photo).ifPresent(p -> {
            var image = new ImageView(new Image(new ByteArrayInputStream(p.bytes()), 1400, 1400, true, true));
            image.setPreserveRatio(true);
            image.setFitWidth(0.9 * bench.getWidth());
            image.setFitHeight(0.8 * bench.getHeight());
            image.setMouseTransparent(true);
            bench.picture(Optional.of(image));
        });
    }

    private static List<Bench.Gauge> gauges(PlanFigures.Tasks t) {
        return List.of(new Bench.Gauge("done", done(t), "tasks", ""), new Bench.Gauge("spent", Words.money(t.lessons().spent()), "", ""),
                new Bench.Gauge("failed prints", String.valueOf(failed(t)), "", failed(t) == 0 ? "" : "care"));
    }

    private static String done(PlanFigures.Tasks t) {
        return t.list().stream().filter(q -> t.lessons().done().containsKey(q.id())).count() + " of " + t.list().size();
    }

    private static int failed(PlanFigures.Tasks t) {
        return t.lessons().failures().values().stream().mapToInt(Integer::intValue).sum();
    }

    private static String failed(TaskId task) {
        return task instanceof TaskId.Print p ? (p.sections().size() == 1 ? "section " : "plate ") + p.letters() : task.text();
    }
}
