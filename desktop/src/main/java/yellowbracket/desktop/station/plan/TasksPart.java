package yellowbracket.desktop.station.plan;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.TextField;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.log.Recalled;
import yellowbracket.plan.OwnTask;
import yellowbracket.plan.PlanWish;
import yellowbracket.plan.Schedule;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** Every task, the one that is picked, what the maker wishes of it, and tasks of one's own. */
final class TasksPart extends PagePart {
    private static final DateTimeFormatter PIN = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm", Locale.ROOT);
    private static final List<Operation> OWN = List.copyOf(EnumSet.of(Operation.GLUE, Operation.REINFORCE, Operation.DRY_FIT,
            Operation.TRY_ON, Operation.SPREAD, Operation.SAND, Operation.PRIME, Operation.SPRAY, Operation.BRUSH, Operation.LINES,
            Operation.WEATHER, Operation.WIRE, Operation.FIT_PARTS, Operation.FIT_STRAPS, Operation.WALK_TEST));

    private final Runnable again;
    private Optional<TaskId> picked = Optional.empty();
    private Operation kind = Operation.GLUE;
    private Optional<TaskId> after = Optional.empty(), before = Optional.empty();

    TasksPart(AppModel model, Runnable again) {
        super(model);
        this.again = again;
    }

    @Override
    public String heading() {
        return "tasks, and what you wish of them";
    }

    Optional<TaskId> picked() {
        return picked;
    }

    void pick(TaskId task) {
        picked = Optional.of(task);
    }

    void pin(TaskId task, LocalDateTime at) {
        picked = Optional.of(task);
        change("pin " + named(task), w -> w.pinned(task, at));
    }

    private PlanWish wish() {
        return model.shownProperty().get().plan();
    }

    private void change(String name, UnaryOperator<PlanWish> how) {
        model.apply(Edit.plan(name, how));
    }

    private String named(TaskId id) {
        return stated().stream().filter(t -> t.id().equals(id)).map(Task::name).findFirst().orElse(id.text());
    }

    private List<Task> stated() {
        return model.derived().get(PlanFigures.TASKS).map(PlanFigures.Tasks::stated).orElse(List.of());
    }

    void write(Card card, Schedule s) {
        picked.flatMap(s::placed).ifPresent(p -> one(card, p, s));
        if (picked.flatMap(s::placed).isEmpty())
            card.text("pick a task here or on the board to pin it, to do it first, or to leave it out");
        sheet(card, s);
        wishes(card);
        add(card, s);
    }

    private void sheet(Card card, Schedule s) {
        card.title("all tasks");
        var latest = model.derived().get(PlanFigures.LATEST).map(PlanFigures.Latest::starts);
        var sheet = new Sheet<Schedule.Placed>("tasks", "no tasks yet: open a mesh").words("prop", p -> p.task().prop())
                .words("task", p -> p.task().name())
                .number("start", p -> seconds(p.start()), p -> Words.dayTime(p.start()))
                .number("latest", p -> latest.map(l -> l.get(p.task().id())).map(TasksPart::seconds).orElse(0L),
                        p -> latest.map(l -> l.get(p.task().id())).map(Words::dayTime).orElse(p.done() ? "done" : "past"))
                .number("hours", Schedule.Placed::hours, p -> Words.about(p.hours()));
        if (!wish().helpers().isEmpty()) sheet.words("who", TasksPart::who);
        sheet.rows(s.placed().stream().sorted(Comparator.comparing(Schedule.Placed::done).thenComparing(Schedule.Placed::start)).toList(),
                8);
        picked.flatMap(s::placed).ifPresent(sheet.getSelectionModel()::select);
        card.add(sheet.onPick(p -> {
            if (picked.equals(Optional.of(p.task().id()))) return;
            picked = Optional.of(p.task().id());
            again.run();
        }));
    }

    private static String who(Schedule.Placed p) {
        return p.task().resource() == Task.Resource.PRINTER ? p.task().printer() : p.who().isEmpty() ? "you" : p.who();
    }

    private static long seconds(LocalDateTime t) {
        return t.toEpochSecond(java.time.ZoneOffset.UTC);
    }

    private void one(Card card, Schedule.Placed p, Schedule s) {
        var t = p.task();
        card.row("picked", Card.more(t.name()));
        card.row(p.done() ? "done" : "planned", Words.dayTime(p.start()),
                "to " + Words.dayTime(p.end()) + ", " + Words.about(p.hours()) + " (" + t.effort().source()
                        + (p.setUp() ? "; spot and gear are laid out by what is sprayed before it" : "") + ")"
                        + (t.lag().leastH() > 0 ? ", then wait " + Words.hours(t.lag().leastH()) : ""));
        why(p, s).ifPresent(w -> card.row("why then", Card.more(w)));
        new Recalled(model.shownProperty().get().log(), s.placed().stream().map(Schedule.Placed::task).toList()).lessons(t)
                .stream()
                .limit(2)
                .forEach(e -> card.row("your lesson", Card.more(e.lesson().orElseThrow() + " (" + Words.day(e.at()) + ")")));
        if (p.done()) return;
        var pinned = Optional.ofNullable(wish().pins().get(t.id()));
        var at = new TextField(pinned.map(PIN::format).orElse(""));
        at.setId("pin-at");
        at.setPromptText(PIN.format(p.start()));
        at.setAccessibleText("not before, such as " + PIN.format(p.start()));
        at.setPrefWidth(150);
        at.setOnAction(e -> pin(t, at.getText()));
        card.row("not before", at, Card.action("pin", () -> pin(t, at.getText().isBlank() ? PIN.format(p.start()) : at.getText())));
        pinned.filter(x -> p.start().isAfter(x.plusDays(1)))
                .ifPresent(x -> card.text("pinned to " + Words.dayTime(x) + ", but it can begin no sooner than planned"));
        boolean first = wish().first().contains(t.id());
        var row = new ArrayList<javafx.scene.Node>();
        row.add(Card.action(first ? "as it comes" : "do first",
                () -> change((first ? "as it comes: " : "first: ") + t.name(), w -> w.first(t.id(), !first))));
        if (wish().own(t.id()).isPresent())
            row.add(Card.action("take it out", () -> change("without " + t.name(), w -> w.withoutOwn(t.id()))));
        else row.add(Card.action("leave it out", () -> change("leave out " + t.name(), w -> w.leaving(t.id(), true))));
        if (t.resource() == Task.Resource.PERSON) row.add(Card.action(t.doer().splits() ? "in one go" : "may be split",
                () -> change(t.name() + (t.doer().splits() ? " in one go" : " in sittings"), w -> w.inOneGo(t.id(), t.doer().splits()))));
        card.row("", row.toArray(javafx.scene.Node[]::new));
    }

    /** What it waited for last: a task before it, or hands, printer, weather. */
    private Optional<String> why(Schedule.Placed p, Schedule s) {
        if (p.done()) return Optional.empty();
        var last = p.task().after().stream().flatMap(id -> s.placed(id).stream()).max(Comparator.comparing(Schedule.Placed::ready));
        var ready = last.map(Schedule.Placed::ready).filter(r -> r.isAfter(s.now())).orElse(s.now());
        String waits = last.filter(l -> l.ready().isAfter(s.now()))
                .map(l -> "ready for it " + Words.dayTime(l.ready()) + ", after " + l.task().name())
                .orElse("nothing stands before it");
        double idle = java.time.Duration.between(ready, p.start()).toMinutes() / 60.0;
        if (idle < 0.5) return Optional.of(waits);
        return Optional.of(waits + "; then " + switch (p.task().resource()) {
            case PRINTER -> p.task().printer() + " is free " + Words.dayTime(p.start());
            case SPRAY -> "the next hours with weather and hands for it";
            case PERSON -> "the next free hours";
        });
    }

    private void pin(Task t, String text) {
        try {
            var at = LocalDateTime.parse(text.strip().replace('T', ' '), PIN);
            pin(t.id(), at);
        } catch (DateTimeParseException e) {
            model.tell(AppModel.Tone.STOP, "\"" + text + "\" is no moment: write it as " + PIN.format(model.now()));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    private void wishes(Card card) {
        var w = wish();
        if (w.pins().isEmpty() && w.first().isEmpty() && w.left().isEmpty()) return;
        card.title("wished for");
        w.pins()
                .forEach((id, at) -> card.row("pinned", Card.more(named(id) + ", " + Words.dayTime(at)),
                        Card.action("unpin", () -> change("unpin " + named(id), x -> x.unpinned(id)))));
        for (var id : w.first()) card.row("first", Card.more(named(id)),
                Card.action("as it comes", () -> change("as it comes: " + named(id), x -> x.first(id, false))));
        for (var id : w.left()) card.row("left out", Card.more(named(id)),
                Card.action("do it after all", () -> change("do " + named(id), x -> x.leaving(id, false))));
    }

    private void add(Card card, Schedule s) {
        var props = model.shownProperty().get().props().stream().map(Prop::id).toList();
        if (props.isEmpty()) return;
        card.title("a task of your own");
        var name = new TextField();
        name.setId("own-name");
        name.setPromptText("what is to be done");
        name.setAccessibleText("name of a task of your own");
        name.setPrefWidth(190);
        card.row("what", name, new Choice<>("own-kind", "kind of work", OWN, kind, o -> o.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                o -> kind = o));
        var hours = field("own-hours", "hours of your own task", "hours between 0.05 and 500, such as 1.5", 0.05, 500).with("1");
        var wait = field("own-wait", "hours to wait after it", "hours between 0 and 2000, such as 12", 0, 2000).with("0");
        card.row("hours", hours, Card.more("of work, then wait"), wait);
        var ahead = new ArrayList<Optional<TaskId>>();
        ahead.add(Optional.empty());
        s.next(Integer.MAX_VALUE).forEach(p -> ahead.add(Optional.of(p.task().id())));
        if (!ahead.contains(after)) after = Optional.empty();
        if (!ahead.contains(before)) before = Optional.empty();
        card.row("after", choice("own-after", "what it waits for", ahead, after, s, x -> after = x));
        card.row("before", choice("own-before", "what waits for it", ahead, before, s, x -> before = x));
        Runnable put = () -> hours.read().ifPresent(h -> wait.read().ifPresent(w -> put(name.getText(), h, w, props.getFirst())));
        name.setOnAction(e -> put.run());
        card.row("", Card.action("add it", put));
    }

    private static Choice<Optional<TaskId>> choice(String id, String what, List<Optional<TaskId>> all, Optional<TaskId> now, Schedule s,
            java.util.function.Consumer<Optional<TaskId>> then) {
        var c = new Choice<>(id, what, all, now,
                x -> x.flatMap(s::placed).map(p -> p.task().prop() + ": " + p.task().name()).orElse("nothing"), then);
        c.setPrefWidth(280);
        c.setMaxWidth(280);
        return c;
    }

    private void put(String name, double hours, double wait, String first) {
        if (name.isBlank()) {
            model.tell(AppModel.Tone.STOP, "name what is to be done, such as: glue the crest on");
            return;
        }
        String prop = after.or(() -> before)
                .map(TaskId::prop)
                .orElse(model.propProperty().get().isEmpty() ? first : model.propProperty().get());
        var own = new OwnTask(prop, wish().nextNumber(prop), name.strip(), kind, hours, wait, after.stream().toList(),
                before.stream().toList());
        if (ring(own)) {
            model.tell(AppModel.Tone.STOP,
                    "\"" + name.strip() + "\" would wait for what waits for it: choose another task before or after");
            return;
        }
        picked = Optional.of(own.id());
        change("add " + name.strip(), w -> w.with(own));
    }

    /** Whether what waits for it stands before what it waits for. */
    private boolean ring(OwnTask own) {
        return after.isPresent() && before.isPresent() && model.schedule().filter(s -> s.waitsFor(after.get(), before.get())).isPresent();
    }
}
