package yellowbracket.desktop.station.plan;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.DatePicker;
import javafx.scene.control.TextField;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Done;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.Asked;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.document.Question;
import yellowbracket.finding.Weight;
import yellowbracket.plan.Board;
import yellowbracket.plan.Chance;
import yellowbracket.plan.Needs;
import yellowbracket.plan.Schedule;

/** When: the day it must be ready, what comes next, every task with its times, what to buy. */
public final class PlanView extends StationView {
    private final HoursPart hours;
    private final ShelfPart shelf;
    private final StationView backdrop;
    private final Runnable exportCalendar;
    private final Runnable benchMode;
    /** What of the board was looked at last. */
    private Optional<BoardPicture.Look> looked = Optional.empty();

    public PlanView(AppModel model, Bench bench, StationView backdrop, Runnable exportCalendar, Runnable benchMode) {
        super(model, bench, List.of("plan", "hours", "shelf"));
        hours = new HoursPart(model);
        shelf = new ShelfPart(model);
        this.backdrop = backdrop;
        this.exportCalendar = exportCalendar;
        this.benchMode = benchMode;
    }

    @Override
    public Card card() {
        var build = model.shownProperty().get();
        String until = build.event() + " \u00b7 " + Words.dayTime(build.due());
        if (tab().equals("hours")) {
            var card = card(hours.heading(), until);
            hours.write(card);
            return card;
        }
        if (tab().equals("shelf")) {
            var card = card(shelf.heading(), until);
            shelf.write(card);
            return card;
        }
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
        boolean late = s.slackH() < 0;
        card.row("ready", Words.dayTime(s.finish()), late ? Words.days(-s.slackH()) + " too late" : Words.days(s.slackH()) + " spare",
                late ? "stop" : "good");
        var chance = model.derived().get(PlanFigures.CHANCE);
        card.row("chance", chance.map(Words::chance).orElse("..."), chance.map(PlanView::sure).orElse("working it out"));
        card.row("working hours", Words.text("%.0f h a week", build.hours().weeklyHours()), "by hand; see hours");
        if (late) card.finding(Weight.STOP,
                "the plan runs " + Words.days(-s.slackH()) + " past the day: lower the finish, print coarser, or find more hours",
                "see smoothing", () -> model.pageProperty().set(yellowbracket.desktop.model.Page.SMOOTH));
        model.derived().get(PlanFigures.LEFT_OUT).ifPresent(o -> findings(card, o.findings()));
        s.conflicts().stream().limit(5).forEach(c -> card.finding(Weight.CARE, c, "", () -> {}));
        card.title("next");
        var next = s.next(4);
        for (int i = 0; i < next.size(); i++) next(card, next.get(i), i);
        card.primary("bench mode", benchMode, Card.action("export calendar ...", exportCalendar));
        tightest(card, s);
        helps(card);
        card.title("all tasks");
        card.add(new Sheet<Schedule.Placed>("tasks", "no tasks yet: open a mesh").words("prop", p -> p.task().prop())
                .words("task", p -> p.task().name())
                .number("start", p -> p.start().toEpochSecond(java.time.ZoneOffset.UTC), p -> Words.dayTime(p.start()))
                .number("latest", p -> latest(p).map(t -> t.toEpochSecond(java.time.ZoneOffset.UTC)).orElse(0L),
                        p -> latest(p).map(Words::dayTime).orElse(p.done() ? "done" : "past"))
                .number("hours", p -> p.task().activeH(), p -> Words.about(p.task().activeH()))
                .rows(s.placed().stream().sorted(java.util.Comparator.comparing(Schedule.Placed::start)).toList(), 12));
        needs(card);
        return card;
    }

    private static String sure(Chance c) {
        if (c.ready() == c.runs()) return "all of " + c.runs() + " simulated futures are in time, with lost prints and slow weeks";
        int digits = c.low() > 0.95 || c.high() < 0.05 ? 1 : 0;
        return Words.text("%." + digits + "f to %." + digits + "f %% by %d simulated futures, with lost prints and slow weeks",
                100 * c.low(), 100 * c.high(), c.runs());
    }

    private Optional<LocalDateTime> latest(Schedule.Placed p) {
        return model.derived().get(PlanFigures.LATEST).map(l -> l.starts().get(p.task().id()));
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
        Runnable take = () -> took.read().ifPresent(h -> model.note(Done.line(t, h)));
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
        card.row(Words.dayTime(p.start()), Card.more(t.name() + ", " + Words.about(t.activeH()) + " (" + t.effort().source() + ")" + gear),
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

    private void needs(Card card) {
        var needs = model.derived().get(PlanFigures.NEEDS);
        if (needs.isEmpty()) return;
        card.title("to buy before the first step");
        card.add(new Sheet<Needs.Line>("shopping list", "everything is on the shelf").words("what", Needs.Line::name)
                .number("needed", Needs.Line::needed, l -> amount(l.needed(), l.unit()))
                .number("have", Needs.Line::have, l -> amount(l.have(), l.unit()))
                .number("buy", Needs.Line::missing, l -> amount(l.missing(), l.unit()))
                .rows(needs.get().shopping(), 10));
    }

    private static String amount(double v, String unit) {
        return v == 0 ? "-" : (v < 10 && v != Math.rint(v) ? Words.text("%.1f", v) : Words.whole(v)) + " " + unit;
    }

    /** Time stands in the place of the model, as soon as it is known. */
    @Override
    public void draw() {
        if (model.schedule().isEmpty() && model.currentProp().isPresent()) backdrop.draw();
        bench.legend().none(); // lanes are named
        bench.section().setVisible(false);
        bench.callouts(List.of());
        bench.picture(model.schedule().map(this::board));
        bench.gauges(model.schedule().map(this::gauges).orElse(List.of()));
    }

    private BoardPicture board(Schedule s) {
        var latest = model.derived().get(PlanFigures.LATEST).map(PlanFigures.Latest::starts).orElse(Map.of());
        return new BoardPicture(Board.of(s, latest), s, looked, model.nightProperty().get(), l -> looked = Optional.of(l));
    }

    private List<Bench.Gauge> gauges(Schedule s) {
        boolean late = s.slackH() < 0;
        double byHand = s.placed().stream().filter(p -> !p.done()).mapToDouble(p -> p.task().activeH()).sum();
        return List.of(new Bench.Gauge("ready", Words.dayTime(s.finish()), "", late ? "stop" : "good"),
                new Bench.Gauge(late ? "too late" : "spare", Words.days(Math.abs(s.slackH())), "", late ? "stop" : "good"),
                new Bench.Gauge("left by hand", Words.about(byHand), "", ""));
    }
}
