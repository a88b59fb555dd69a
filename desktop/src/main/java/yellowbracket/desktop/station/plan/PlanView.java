package yellowbracket.desktop.station.plan;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.DatePicker;
import javafx.scene.control.TextField;
import javafx.scene.image.WritableImage;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Done;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.Asked;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Question;
import yellowbracket.finding.Weight;
import yellowbracket.log.Entry;
import yellowbracket.log.Wrong;
import yellowbracket.plan.Board;
import yellowbracket.plan.Chance;
import yellowbracket.plan.LongCures;
import yellowbracket.plan.OrderRules;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Scheduler;
import yellowbracket.work.TaskId;

/** When: the day it must be ready, what comes next, every task with its times, what to buy. */
public final class PlanView extends StationView {
    private static final List<String> TABS = List.of("plan", "tasks", "late", "hours", "help", "buy", "shelf");

    private final HoursPart hours;
    private final ShelfPart shelf;
    private final TasksPart tasks;
    private final LatePart late;
    private final HelpPart help;
    private final BuyPart buy;
    private final Consumer<Supplier<WritableImage>> exportBoard;
    private Optional<BoardPicture> shown = Optional.empty();
    private final StationView backdrop;
    private final Runnable exportCalendar;
    private final Runnable benchMode;
    /** What of the board was looked at last. */
    private Optional<BoardPicture.Look> looked = Optional.empty();

    /** Files of the plan. */
    public record Exports(Runnable calendar, Runnable shopping, Consumer<Supplier<WritableImage>> board) {}

    public PlanView(AppModel model, Bench bench, StationView backdrop, Exports exports, Runnable benchMode) {
        super(model, bench, TABS);
        tasks = new TasksPart(model, this::again);
        late = new LatePart(model, this);
        help = new HelpPart(model);
        buy = new BuyPart(model, this, exports.shopping());
        exportBoard = exports.board();
        hours = new HoursPart(model);
        shelf = new ShelfPart(model);
        this.backdrop = backdrop;
        this.exportCalendar = exports.calendar();
        this.benchMode = benchMode;
    }

    @Override
    public Card card() {
        var build = model.shownProperty().get();
        String until = build.event() + " \u00b7 " + Words.dayTime(build.due());
        switch (tab()) {
            case "hours" -> {
                return part(hours, until, hours::write);
            }
            case "shelf" -> {
                return part(shelf, until, shelf::write);
            }
            case "help" -> {
                return part(help, until, help::write);
            }
            case "buy" -> {
                return part(buy, until, buy::write);
            }
            case "tasks" -> {
                return planned(tasks, until, tasks::write);
            }
            case "late" -> {
                return planned(late, until, late::write);
            }
            default -> {
                return whole(until, build);
            }
        }
    }

    private Card part(PagePart part, String until, Consumer<Card> write) {
        var card = card(part.heading(), until);
        write.accept(card);
        return card;
    }

    private Card planned(PagePart part, String until, BiConsumer<Card, Schedule> write) {
        var card = card(part.heading(), until);
        if (model.schedule().isEmpty()) return waiting(card, PlanFigures.SCHEDULE);
        write.accept(card, model.schedule().get());
        return card;
    }

    private Card whole(String until, Build build) {
        var card = card("when it is ready", until);
        Asked.write(card, model, Question.DAY,
                "ready by " + Words.day(build.due()) + " is assumed, six weeks from the start: which day is it for?",
                () -> Optional.ofNullable(bench.getScene().lookup("#due")).ifPresent(javafx.scene.Node::requestFocus));
        Asked.write(card, model, Question.HOURS,
                Words.text("%.0f h a week are assumed, evenings and weekends: when do you work?", build.hours().weeklyHours()),
                () -> show("hours"));
        var schedule = model.schedule();
        due(card);
        if (schedule.isEmpty()) return waiting(card, PlanFigures.SCHEDULE);
        var s = schedule.get();
        boolean tooLate = s.slackH() < 0;
        card.row("ready", Words.dayTime(s.finish()), tooLate ? Words.days(-s.slackH()) + " too late" : Words.days(s.slackH()) + " spare",
                tooLate ? "stop" : "good");
        model.derived()
                .get(PlanFigures.BETTER)
                .ifPresent(b -> card.row("best there is", b.gapH() < 0.5 ? "this" : "at most " + Words.days(b.gapH()) + " sooner",
                        b.gapH() < 0.5 ? "no order of the tasks is ready sooner"
                                : b.tried() + " orders tried; none can be ready before " + Words.dayTime(b.bound())));
        cures(card, model.derived().get(PlanFigures.BETTER).map(Scheduler.Better::schedule).orElse(s), build);
        var chance = model.derived().get(PlanFigures.CHANCE);
        card.row("chance", chance.map(Words::chance).orElse("..."), chance.map(PlanView::sure).orElse("working it out"));
        card.row("working hours", Words.text("%.0f h a week", build.hours().weeklyHours()), "by hand; see hours");
        if (tooLate)
            card.finding(Weight.STOP, "the plan runs " + Words.days(-s.slackH()) + " past the day", "what to drop", () -> show("late"));
        model.derived().get(PlanFigures.LEFT_OUT).ifPresent(o -> findings(card, o.findings()));
        model.derived().get(ShelfFigures.NEVER).ifPresent(o -> findings(card, o.findings()));
        broken(s).stream().limit(5).forEach(c -> card.finding(Weight.CARE, c, "", () -> {}));
        s.missed().stream().limit(3).forEach(m -> card.finding(Weight.NOTE, m.words(), "", () -> {}));
        Wrong.open(build.log())
                .forEach(w -> card.finding(Weight.CARE, w.entry().text() + ": nobody has noted why; like work is held", "the log",
                        () -> model.pageProperty().set(Page.LOG)));
        broken().filter(b -> b.rule() != OrderRules.Rule.TRIAL).forEach(b -> rule(card, b, Weight.CARE));
        ordered(card);
        askUse(card);
        card.title("next");
        var next = s.next(4);
        for (int i = 0; i < next.size(); i++) next(card, next.get(i), i);
        card.primary("bench mode", benchMode, Card.action("calendar ...", exportCalendar),
                Card.action("picture ...", () -> shown.ifPresent(b -> exportBoard.accept(b::image))));
        tightest(card, s);
        helps(card);
        var trials = broken().filter(b -> b.rule() == OrderRules.Rule.TRIAL).toList();
        if (!trials.isEmpty()) card.title("never done here");
        trials.forEach(b -> rule(card, b, Weight.NOTE));
        return card;
    }

    private static String sure(Chance c) {
        if (c.ready() == c.runs())
            return "all of " + c.runs() + " simulated futures are in time, with lost prints, slow weeks and rain as often as usual";
        int digits = c.low() > 0.95 || c.high() < 0.05 ? 1 : 0;
        return Words.text(
                "%." + digits + "f to %." + digits
                        + "f %% by %d simulated futures, with lost prints, slow weeks and rain as often as usual",
                100 * c.low(), 100 * c.high(), c.runs());
    }

    /** Of the plan that is shown; its own tasks are looked through as long as nothing more is known. */
    private List<String> broken(Schedule s) {
        var better = model.derived().get(PlanFigures.BETTER).filter(b -> b.schedule().equals(s)).isPresent();
        return model.derived()
                .get(better ? PlanFigures.BETTER_BROKEN : PlanFigures.BROKEN)
                .map(PlanFigures.Broken::words)
                .orElseGet(s::conflicts);
    }

    private static void cures(Card card, Schedule s, Build build) {
        var cures = LongCures.of(s, build.hours());
        if (cures.all().isEmpty()) return;
        card.row("long cures", cures.idle().size() + " of " + cures.all().size(), "harden over night or while nobody works");
    }

    private void due(Card card) {
        var build = model.shownProperty().get();
        var what = new TextField(build.event());
        what.setId("event");
        what.setAccessibleText("event");
        what.setPrefWidth(190);
        var day = new DatePicker(build.due().toLocalDate());
        day.setId("due");
        day.setPrefWidth(130);
        day.setAccessibleText("day it must be ready");
        day.setConverter(new javafx.util.StringConverter<>() {
            @Override
            public String toString(LocalDate d) {
                return d == null ? "" : d.toString();
            }

            @Override
            public LocalDate fromString(String s) {
                try {
                    return LocalDate.parse(s.strip());
                } catch (java.time.format.DateTimeParseException e) {
                    model.tell(AppModel.Tone.STOP, "\"" + s + "\" is not a date: write it as 2027-05-02");
                    return model.shownProperty().get().due().toLocalDate();
                }
            }
        });
        what.setOnAction(e -> model.apply(new Edit("event " + what.getText(),
                b -> b.withDue(what.getText().isBlank() ? "ready by" : what.getText().strip(), b.due()))));
        day.valueProperty().addListener((o, before, d) -> {
            if (d != null && !d.equals(build.due().toLocalDate()))
                model.apply(new Edit("ready by " + d, b -> b.settling(Question.DAY).withDue(b.event(), d.atTime(b.due().toLocalTime()))));
        });
        card.row("must be ready", what, day);
    }

    /** Done asks for the hours: only what is measured teaches the next estimate. */
    private void next(Card card, Schedule.Placed p, int i) {
        var t = p.task();
        var took = new NumberField("took-" + i, "hours for " + t.name(), "hours between 0.01 and 500, such as 1.5", 0.01, 500,
                words -> model.tell(AppModel.Tone.STOP, words));
        took.setPromptText("hours");
        Runnable take = () -> took.read().ifPresent(h -> model.note(Done.line(p, h)));
        took.setOnAction(e -> take.run());
        var done = Card.action("done", () -> {
            if (!took.getText().isBlank()) {
                take.run();
                return;
            }
            model.tell(AppModel.Tone.NOTE, "how many hours did it take? type them beside done; or note below: done " + t.id().said());
            took.requestFocus();
        });
        done.setAccessibleText("mark done: " + t.name());
        String gear = yellowbracket.safety.Caution.of(t, model.shop()).map(c -> " \u00b7 " + c.gear()).orElse("");
        card.row(Words.dayTime(p.start()), Card.more(t.name() + ", " + Words.about(p.hours()) + " (" + t.effort().source() + ")" + gear),
                took, done);
    }

    /** What holds the day: the tasks with the least time to spare. */
    private void tightest(Card card, Schedule s) {
        var latest = model.derived().get(PlanFigures.LATEST);
        if (latest.isEmpty()) return;
        var list = latest.get().tightest(s).stream().limit(3).toList();
        if (list.isEmpty()) return;
        card.title("what holds the day: begun later than this, it is lost");
        for (var p : list) {
            var at = latest.get().starts().get(p.task().id());
            double spare = Duration.between(p.start(), at).toMinutes() / 60.0;
            card.row(Words.dayTime(at), Card.more(
                    p.task().name() + ", planned " + Words.dayTime(p.start()) + (spare > 0 ? ", " + Words.days(spare) + " before" : "")));
        }
    }

    private void helps(Card card) {
        var raises = model.derived().get(PlanFigures.RAISES);
        if (raises.isEmpty() || raises.get().list().isEmpty()) return;
        card.title("what would help most");
        for (var r : raises.get().list().stream().limit(3).toList())
            card.row(Words.chance(r.to()), Card.more(r.words() + ", from " + Words.chance(raises.get().from())));
    }

    private Stream<OrderRules.Broken> broken() {
        return model.derived().get(PlanFigures.RULES).stream().flatMap(r -> r.broken().stream());
    }

    private void rule(Card card, OrderRules.Broken b, Weight weight) {
        card.finding(weight, b.words(), b.fix().map(OrderRules.Fix::words).orElse(""),
                () -> b.fix().ifPresent(f -> model.apply(Edit.plan(f.words(), f::on))));
    }

    /** What the last tasks used, where nobody has said: it comes off the shelf, and teaches how much is needed. */
    private void askUse(Card card) {
        var log = model.shownProperty().get().log();
        var day = model.now().minusDays(1);
        var said = log.stream().filter(e -> e.kind() == Entry.Kind.USED).flatMap(e -> e.task().stream()).collect(Collectors.toSet());
        var consumed = model.derived().get(ShelfFigures.CONSUMED);
        if (consumed.isEmpty()) return;
        log.reversed()
                .stream()
                .filter(e -> e.kind() == Entry.Kind.DONE && e.at().isAfter(day))
                .flatMap(e -> e.task().stream())
                .filter(t -> !said.contains(t) && !consumed.get().by(t).isEmpty())
                .limit(2)
                .forEach(t -> {
                    var uses = consumed.get().by(t).stream().map(n -> Entry.used(n, t)).toList();
                    card.finding(Weight.NOTE, "done: did it take " + String.join(", and ", uses) + "? Note it below if it was more or less",
                            "as planned", () -> uses.forEach(model::note));
                });
    }

    /** What must be ordered within the week. */
    private void ordered(Card card) {
        var week = model.now().toLocalDate().plusDays(7);
        var soon = model.derived()
                .get(ShelfFigures.SHOPPING)
                .map(x -> x.list().stream().filter(b -> b.orderBy().isBefore(week)).toList())
                .orElse(List.of());
        if (soon.isEmpty()) return;
        var first = soon.getFirst();
        card.finding(Weight.NOTE,
                (soon.size() == 1 ? "" : soon.size() + " things to buy this week, first ") + first.line().name()
                        + (first.pack().isEmpty() ? "" : ", " + first.pack()) + ": by " + Words.day(first.orderBy().atStartOfDay()),
                "the list", () -> show("buy"));
    }

    /** Time stands in the place of the model, as soon as it is known. */
    @Override
    public void draw() {
        if (model.schedule().isEmpty() && model.currentProp().isPresent()) backdrop.draw();
        bench.legend().none(); // lanes are named
        bench.section().setVisible(false);
        bench.callouts(List.of());
        shown = model.schedule().map(this::board);
        bench.picture(shown.map(b -> b));
        bench.gauges(model.schedule().map(this::gauges).orElse(List.of()));
    }

    private BoardPicture board(Schedule s) {
        var latest = model.derived().get(PlanFigures.LATEST).map(PlanFigures.Latest::starts).orElse(Map.of());
        var besides = new BoardPicture.Besides(model.derived().get(PlanFigures.SKY), late.ghost(),
                model.shownProperty().get().plan().pins().keySet(), tasks.picked());
        return new BoardPicture(Board.of(s, latest), s, looked, besides, new BoardPicture.Hand() {
            @Override
            public void pick(TaskId task) {
                tasks.pick(task);
                if (tab().equals("tasks")) again();
                else show("tasks");
            }

            @Override
            public void pin(TaskId task, LocalDateTime at) {
                tasks.pin(task, at);
            }
        }, model.nightProperty().get(), l -> looked = Optional.of(l));
    }

    private List<Bench.Gauge> gauges(Schedule s) {
        boolean tooLate = s.slackH() < 0;
        return List.of(new Bench.Gauge("ready", Words.dayTime(s.finish()), "", tooLate ? "stop" : "good"),
                new Bench.Gauge(tooLate ? "too late" : "spare", Words.days(Math.abs(s.slackH())), "", tooLate ? "stop" : "good"),
                new Bench.Gauge("left by hand", Words.about(s.handH()), "", ""));
    }
}
