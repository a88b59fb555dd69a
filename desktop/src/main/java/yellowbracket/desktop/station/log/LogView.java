package yellowbracket.desktop.station.log;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.layout.HBox;
import javafx.geometry.Pos;
import yellowbracket.work.Task;
import yellowbracket.work.SectionId;
import yellowbracket.plan.Schedule;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.station.WherePicture;
import yellowbracket.derive.cut.CutFigures;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Stream;
import javafx.scene.control.TextField;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.export.BuildBook;
import yellowbracket.finding.Weight;
import yellowbracket.log.Consumption;
import yellowbracket.log.Entry;
import yellowbracket.log.Rates;
import yellowbracket.log.Tally;
import yellowbracket.log.Wrong;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.Rate;
import yellowbracket.smooth.Rounds;
import yellowbracket.work.TaskId;

/** What happened: entries, what they taught about this maker's hours, lessons, money, and the book of it all. */
public final class LogView extends StationView {
    private static final List<String> TABS = List.of("what happened", "learned", "products", "money");

    /** Files of the log. */
    public record Exports(Runnable log, Runnable book, Runnable read) {}

    private final StationView backdrop;
    private final Exports exports;
    private Optional<Entry> looked = Optional.empty();
    private final ProductsPart products;
    private OptionalDouble wage = OptionalDouble.empty();

    public LogView(AppModel model, Bench bench, StationView backdrop, Exports exports) {
        super(model, bench, TABS);
        this.backdrop = backdrop;
        this.exports = exports;
        products = new ProductsPart(model, this::again);
    }

    @Override
    public Card card() {
        var build = model.shownProperty().get();
        String since = build.name() + " \u00b7 since " + Words.day(build.started());
        return switch (tab()) {
            case "learned" -> learned(since);
            case "products" -> {
                var card = card(products.heading(), since);
                products.write(card);
                yield card;
            }
            case "money" -> money(since);
            default -> happened(since);
        };
    }

    private Card happened(String since) {
        var build = model.shownProperty().get();
        var card = card("what has happened", since);
        model.derived().get(PlanFigures.TASKS).ifPresent(t -> {
            double hours = t.lessons().done().values().stream().mapToDouble(a -> a.hours()).sum();
            card.row("done", done(t), Words.text("tasks; %s noted in the log", Words.hours(hours)));
            int failed = failed(t);
            card.row("failed prints", String.valueOf(failed),
                    failed == 0 ? "none yet" : String.join(", ", t.lessons().failures().keySet().stream().map(LogView::failed).toList()));
        });
        Wrong.open(build.log())
                .forEach(w -> card.finding(Weight.CARE, w.entry().text() + ": nobody has noted why; like work is held", "note the cause",
                        () -> Optional.ofNullable(bench.getScene().lookup("#log-line")).ifPresent(n -> {
                            n.requestFocus();
                            ((TextField) n).setText("cause: ");
                            ((TextField) n).end();
                        })));
        card.title("entries, newest first");
        card.add(entrySheet(build.log().reversed()));
        looked().ifPresentOrElse(e -> picked(card, e),
                () -> card.text("pick an entry to correct it, to put a photo beside it, or to see the one it has"));
        card.text("the line below understands: done C 1.2 h \u00b7 failed B 60 % layer shift \u00b7 started D \u00b7 spent 14.50 "
                + "filler \u00b7 used 120 ml filler primer for smooth:helm:2 \u00b7 wrong smooth:helm:2 through to the plastic "
                + "\u00b7 lesson: what helped "
                + "\u00b7 why this red: ... \u00b7 anything else is a note; #words are tags, a printer's name with - for blanks "
                + "counts for it");
        return card.primary("build book ...", exports.book(), Card.action("export log ...", exports.log()),
                Card.action("import ...", exports.read()));
    }

    private void picked(Card card, Entry e) {
        var line = new TextField(e.text());
        line.setId("entry-line");
        line.setAccessibleText("the entry, corrected with Enter; what stood there is kept as a note");
        line.setPrefWidth(230);
        Runnable correct = () -> {
            if (line.getText().strip().equals(e.text())) return;
            Entry.parse(e.at(), line.getText(), model.session().build())
                    .ifPresentOrElse(now -> model.apply(Edit.corrected(e, e.corrected(now))),
                            () -> model.tell(AppModel.Tone.STOP, "the line is blank: write what happened, or leave it as it was"));
        };
        line.setOnAction(x -> correct.run());
        card.row("picked", line, Card.action("correct", correct));
        card.row("photo",
                Card.more(e.photos().isEmpty() ? "none yet" : e.photos().size() + (e.photos().size() == 1 ? " photo" : " photos")),
                Card.action(e.photos().isEmpty() ? "add ..." : "add another ...", () -> photo(e)));
        if (!e.photos().isEmpty()) shows(card, e);
    }

    /** Which place the photo shows. */
    private void shows(Card card, Entry e) {
        var places = new ArrayList<>(List.of(""));
        e.shows().or(() -> e.task().map(TaskId::text)).filter(s -> !places.contains(s)).ifPresent(places::add);
        for (var p : model.shownProperty().get().props()) model.derived()
                .get(CutFigures.DRAWING, p.id())
                .ifPresent(d -> d.bySection().keySet().forEach(letter -> places.add(p.section(letter).text())));
        card.row("it shows", new Choice<>("shows", "the place the photo shows", places.stream().distinct().toList(), e.shows().orElse(""),
                this::place, s -> model.apply(Edit.shows(e, s))));
    }

    private String place(String shows) {
        return shows.isEmpty() ? "no place in particular"
                : SectionId.parse(shows)
                        .map(s -> s.prop() + ", section " + s.letter())
                        .or(() -> task(shows).map(t -> "where it is done: " + t.name()))
                        .orElse(shows);
    }

    private Optional<Task> task(String id) {
        return model.schedule()
                .flatMap(s -> s.placed().stream().map(Schedule.Placed::task).filter(t -> t.id().text().equals(id)).findFirst());
    }

    private Card learned(String since) {
        var card = card("what it taught", since);
        var tasks = model.derived().get(PlanFigures.TASKS);
        if (tasks.isEmpty()) return waiting(card, PlanFigures.TASKS);
        model.derived().get(PlanFigures.TALLY).filter(t -> !t.jobs().isEmpty()).ifPresent(t -> {
            card.row("as told", Words.percent(t.calibration()),
                    Words.text("of %d jobs took what was told, give or take; 80 %% was promised", t.jobs().size()));
            card.row("in all", Words.hours(t.tookH()), "where " + Words.hours(t.toldH()) + " were told");
            t.jobs()
                    .stream()
                    .filter(Tally.Job::outlier)
                    .limit(4)
                    .forEach(j -> card.finding(Weight.NOTE, Words
                            .text("%s took %.1f h where %.1f were told: so far off that it teaches less", j.name(), j.tookH(), j.toldH()),
                            "", () -> {}));
        });
        card.title("your rates against the catalogue");
        card.add(new Sheet<Rates.Row>("rates", "note the hours of a finished task to see them here")
                .words("work", r -> r.with().map(w -> "\u00b7 " + w).orElse(r.operation()))
                .number("yours", r -> r.estimate().factor(), r -> "\u00d7" + Words.text("%.2f", r.estimate().factor()))
                .words("4 in 5 within", r -> Words.text("%.2f to %.2f", r.estimate().low(), r.estimate().high()))
                .number("jobs", r -> r.estimate().jobs(), r -> String.valueOf(r.estimate().jobs()))
                .number("is yours", r -> r.estimate().share(), r -> Words.percent(r.estimate().share()))
                .rows(rates(tasks.get().lessons().rates()), 10));
        card.text("\u00d71 is the catalogue; the more jobs, the more of it is yours. They go with you to the next build.");
        var uses = Consumption.all(tasks.get().lessons().rates());
        if (!uses.isEmpty()) card.title("how much you use, against label and catalogue");
        uses.forEach((product, r) -> card.row(product, "\u00d7" + Words.text("%.2f", r.factor()),
                Words.text("4 in 5 within %.2f to %.2f, %d noted; needs and shopping go by it", r.low(), r.high(), r.jobs())));
        eyes(card);
        var lessons = model.shownProperty().get().log().stream().filter(e -> e.lesson().isPresent()).toList().reversed();
        card.title("lessons");
        if (lessons.isEmpty()) card.text("write what helped: lesson: ...; it comes back where the situation does");
        for (var e : lessons.stream().limit(12).toList()) card.row(Words.day(e.at()), Card.more(e.lesson().orElseThrow()));
        return card;
    }

    /** What looks at primed surfaces taught, here and in builds before. */
    private void eyes(Card card) {
        var build = model.shownProperty().get();
        var eyes = build.props()
                .stream()
                .flatMap(p -> model.derived().get(SmoothFigures.TAUGHT, p.id()).stream())
                .reduce(build.eyes(), Eyes::and);
        if (eyes.worked() == 0) return;
        card.title("flaws under primer");
        card.row("gone when mended", eyes.cleared() + " of " + eyes.worked(), "in the next look; the rounds left go by it");
        if (eyes.precision() > 0) card.row("you see them", eyes.logit() > 0 ? "sooner" : "later",
                Words.text("than most; of flaws most see half of, you see some %.0f %%", 100 / (1 + Math.exp(-seen(eyes)))));
    }

    /** Drawn towards most makers, as the rounds take it. */
    private static double seen(Eyes eyes) {
        return eyes.logit() * eyes.precision() / (eyes.precision() + Rounds.MOST_MAKERS);
    }

    private Card money(String since) {
        var card = card("what it costs", since);
        var costs = BuildBook.costs(model.shownProperty().get(), model.derived());
        card.row("spent", Words.money(costs.spentMoney()), "as entered");
        card.row("still to buy", Words.money(costs.aheadMoney()), "packs at starting prices; see the plan, buy");
        card.row("in all", Words.money(costs.inAll()),
                costs.hours() > 0 ? Words.money(costs.inAll() / costs.hours()) + " an hour of work" : "");
        card.row("by hand", Words.hours(costs.workedH()), "so far, " + Words.about(costs.aheadH()) + " ahead");
        card.title("spent on");
        if (costs.spent().isEmpty()) card.text("note what you buy: spent 14.50 filler");
        new TreeMap<>(costs.spent())
                .forEach((k, v) -> card.row(k.words(), Words.money(v), Words.percent(v / Math.max(1e-9, costs.spentMoney()))));
        card.title("one more of it for somebody else");
        var field = new NumberField("wage", "money for an hour of work", "money between 0 and 1000, such as 15", 0, 1000,
                words -> model.tell(AppModel.Tone.STOP, words)).with(wage.isPresent() ? Words.text("%.2f", wage.getAsDouble()) : "");
        field.setOnAction(e -> field.read().ifPresent(w -> {
            wage = OptionalDouble.of(w);
            again();
        }));
        card.row("an hour at", field, Card.more("of yours"));
        card.row("price", wage.isPresent() ? Words.money(costs.price(wage.getAsDouble())) : "-",
                wage.isPresent() ? "what it costs and its hours; a second one goes faster" : "say what an hour is worth");
        return card;
    }

    /** Of each work by hand, and of each printer. */
    private List<Rates.Row> rates(Map<String, Rate> byHand) {
        var all = new TreeMap<String, Rate>();
        model.ofBuild(PrintFigures.RECORDS)
                .ifPresent(r -> r.list()
                        .stream()
                        .filter(x -> x.factor().jobs() > 0)
                        .forEach(x -> all.put("print on " + x.printer(), x.factor())));
        return Stream.of(new Rates(byHand).byHand().rows(), new Rates(all).rows()).flatMap(List::stream).toList();
    }

    private Sheet<Entry> entrySheet(List<Entry> entries) {
        var sheet = new Sheet<Entry>("entries", "write in the line below: done C 1.2 h, failed B 60 %, spent 14.50 filler, or a note")
                .words("when", e -> Words.dayTime(e.at()))
                .words("", e -> e.kind().name().toLowerCase(Locale.ROOT))
                .words("what", e -> (e.photos().isEmpty() ? "" : "[photo] ") + e.text())
                .rows(entries, 9);
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

    /** Hours told and taken stand in the place of the model; a photo of the entry picked before them. */
    @Override
    public void draw() {
        var tally = model.derived().get(PlanFigures.TALLY);
        if (tally.isEmpty() && model.currentProp().isPresent()) backdrop.draw();
        bench.legend().none(); // what it told was of colour
        bench.section().setVisible(false);
        bench.callouts(List.of());
        bench.gauges(model.derived().get(PlanFigures.TASKS).map(LogView::gauges).orElse(List.of()));
        var photo = tab().equals("what happened")
                ? looked().flatMap(e -> e.photos().stream().reduce((a, b) -> b)).flatMap(model.session().meshes()::photo)
                : Optional.<yellowbracket.document.Photo>empty();
        if (photo.isEmpty()) {
            bench.picture(tally.map(this::actuals));
            return;
        }
        var image = new ImageView(new Image(new ByteArrayInputStream(photo.get().bytes()), 1400, 1400, true, true));
        image.setPreserveRatio(true);
        image.setMouseTransparent(true);
        var where = looked().flatMap(this::where);
        image.setFitWidth((where.isPresent() ? 0.6 : 0.9) * bench.getWidth());
        image.setFitHeight(0.8 * bench.getHeight());
        if (where.isEmpty()) {
            bench.picture(Optional.of(image));
            return;
        }
        where.get().setFitWidth(0.28 * bench.getWidth());
        where.get().setFitHeight(0.5 * bench.getHeight());
        var both = new HBox(24, image, where.get());
        both.setAlignment(Pos.CENTER);
        both.setMouseTransparent(true);
        bench.picture(Optional.of(both));
    }

    /** The prop with the place lit that a photo shows, if somebody has said. */
    private Optional<WherePicture> where(Entry e) {
        var picture = new WherePicture(model);
        var section = e.shows().flatMap(SectionId::parse);
        section.ifPresent(picture::show);
        if (section.isEmpty()) e.shows().flatMap(this::task).ifPresent(t -> picture.show(Optional.of(t)));
        return Optional.of(picture).filter(p -> p.getImage() != null);
    }

    private ActualsPicture actuals(Tally t) {
        var build = model.shownProperty().get();
        var shots = new ArrayList<ActualsPicture.Shot>();
        for (var e : build.log()) for (var name : e.photos()) model.session()
                .meshes()
                .photo(name)
                .map(p -> new Image(new ByteArrayInputStream(p.bytes()), 200, 120, true, true))
                .filter(i -> !i.isError())
                .ifPresent(i -> shots.add(new ActualsPicture.Shot(e.at(), i)));
        return new ActualsPicture(t, shots.stream().limit(MOST_SHOTS).toList(), build.started(), model.now(), model.nightProperty().get());
    }

    private static final int MOST_SHOTS = 24;

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
