package yellowbracket.desktop.station.plan;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import java.util.regex.Pattern;
import javafx.scene.control.TextField;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.document.Question;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.Spaces;

/** When somebody works, when somebody is up to change a plate, how warm the shop is. The next build begins with the same. */
final class HoursPart extends PagePart {
    private static final Pattern SPAN = Pattern.compile("(\\d{1,2}(?::\\d{2})?)\\s*(?:-|to)\\s*(\\d{1,2}(?::\\d{2})?)");
    private static final String EXAMPLE = "write 18:30-22:00, two spans as 9-12, 14-18, and nothing for a day off";

    HoursPart(AppModel model) {
        super(model);
    }

    @Override
    public String heading() {
        return "when you work";
    }

    void write(Card card) {
        var hours = model.shownProperty().get().hours();
        card.row("in a week", Words.text("%.0f h", hours.weeklyHours()),
                "for work by hand; prints run on while somebody is up to begin them");
        card.row("take", usual("evenings, weekends", WorkHours.evenings()), usual("weekends", weekends()), usual("every day", daily()));
        for (var day : DayOfWeek.values()) day(card, day, hours);
        var up = spanField("up", "hours in which somebody is up", text(hours.printFrom(), hours.printTo()));
        up.setOnAction(e -> parse(up.getText()).filter(s -> s.size() == 1)
                .ifPresentOrElse(s -> change("somebody is up " + up.getText(), h -> h.upFrom(s.getFirst()[0], s.getFirst()[1])),
                        () -> refuse(up, "somebody is up")));
        card.row("somebody is up", up, Card.more("to begin a print or take it off the bed"));
        var warm = field("celsius", "warmth of the shop", "degrees between -10 and 45, such as 20", -10, 45)
                .with(Words.text("%.0f", model.shownProperty().get().shopCelsius()));
        warm.setOnAction(e -> warm.read()
                .ifPresent(c -> model.apply(new Edit("shop at " + warm.getText() + " \u00b0C", b -> b.withShopCelsius(c)))));
        card.row("in the shop", warm, Card.more("\u00b0C, where glue sets and paint dries"));
        card.text(EXAMPLE);
        card.title("what a finished prop has to get into");
        var spaces = model.shownProperty().get().spaces();
        space(card, "spray spot", spaces.spray(), false, Spaces::withSpray);
        space(card, "door", spaces.door(), true, Spaces::withDoor);
        space(card, "car", spaces.car(), false, Spaces::withCar);
    }

    /** Sides in cm, as a tape in the shop is read; empty fields for not told. */
    private void space(Card card, String name, Optional<Spaces.Room> now, boolean door,
            BiFunction<Spaces, Optional<Spaces.Room>, Spaces> set) {
        var wide = side(name, "width", now.map(Spaces.Room::wideMm));
        var deep = side(name, "depth", now.map(Spaces.Room::deepMm));
        var high = side(name, "height", now.map(Spaces.Room::highMm));
        Runnable take = () -> {
            if (Stream.of(wide, deep, high).filter(f -> !door || f != deep).allMatch(f -> f.getText().isBlank())) {
                model.apply(new Edit(name + " not told", b -> b.withSpaces(set.apply(b.spaces(), Optional.empty()))));
                return;
            }
            if (Stream.of(wide, deep, high).anyMatch(f -> f.getText().isBlank() && !(door && f == deep))) return; // the rest is typed next
            wide.read().ifPresent(w -> high.read().ifPresent(h -> (door ? OptionalDouble.of(0) : deep.read()).ifPresent(d -> {
                var room = door ? Spaces.Room.door(10 * w, 10 * h) : new Spaces.Room(10 * w, 10 * d, 10 * h);
                model.apply(new Edit("size of the " + name, b -> b.withSpaces(set.apply(b.spaces(), Optional.of(room)))));
            })));
        };
        for (var f : List.of(wide, deep, high)) f.setOnAction(e -> take.run());
        if (door) card.row(name, wide, high, Card.more("cm wide, high"));
        else card.row(name, wide, deep, high, Card.more("cm wide, deep, high"));
    }

    private yellowbracket.desktop.widget.NumberField side(String name, String what, Optional<Double> mm) {
        var f = field("space-" + name.replace(' ', '-') + "-" + what, what + " of the " + name, "cm between 5 and 1900, such as 90", 5,
                1900).with(mm.map(v -> Words.text("%.0f", v / 10)).orElse(""));
        f.setPrefWidth(58);
        return f;
    }

    private javafx.scene.control.Button usual(String name, WorkHours taken) {
        return Card.action(name, () -> change(name, h -> h.withSpans(taken.spans())));
    }

    private void day(Card card, DayOfWeek day, WorkHours hours) {
        String name = day.getDisplayName(java.time.format.TextStyle.FULL, Locale.ENGLISH);
        var spans = hours.spans().stream().filter(s -> s.day() == day).toList();
        var field = spanField("hours-" + name.toLowerCase(Locale.ROOT), "working hours on " + name,
                String.join(", ", spans.stream().map(s -> text(s.from(), s.to())).toList()));
        field.setOnAction(e -> parse(field.getText()).ifPresentOrElse(times -> change(name + " " + field.getText().strip(), h -> {
            var all = new ArrayList<>(h.spans().stream().filter(s -> s.day() != day).toList());
            times.forEach(t -> all.add(new WorkHours.Span(day, t[0], t[1])));
            return h.withSpans(all);
        }), () -> refuse(field, name)));
        card.row(name.toLowerCase(Locale.ROOT), field, Card.more(spans.isEmpty() ? "off" : ""));
    }

    private TextField spanField(String id, String what, String text) {
        var field = new TextField(text);
        field.setId(id);
        field.setAccessibleText(what + "; " + EXAMPLE);
        field.setPrefWidth(170);
        return field;
    }

    private void change(String name, UnaryOperator<WorkHours> how) {
        model.apply(new Edit("work " + name, b -> b.settling(Question.HOURS).withHours(how.apply(b.hours()))));
    }

    private void refuse(TextField field, String what) {
        field.getStyleClass().remove("wrong");
        field.getStyleClass().add("wrong");
        model.tell(AppModel.Tone.STOP, what + " \"" + field.getText() + "\" is no span of hours: " + EXAMPLE);
    }

    private static WorkHours weekends() {
        var usual = WorkHours.evenings();
        return usual.withSpans(usual.spans().stream().filter(s -> s.day().getValue() > DayOfWeek.FRIDAY.getValue()).toList());
    }

    private static WorkHours daily() {
        var all = new ArrayList<WorkHours.Span>();
        for (var d : DayOfWeek.values()) all.add(new WorkHours.Span(d, LocalTime.of(10, 0), LocalTime.of(18, 0)));
        return WorkHours.evenings().withSpans(all);
    }

    private static String text(LocalTime from, LocalTime to) {
        return from + "-" + to;
    }

    /** Pairs of from and to, ascending, none within another; empty for what is no list of spans. */
    static Optional<List<LocalTime[]>> parse(String text) {
        var out = new ArrayList<LocalTime[]>();
        if (text.isBlank()) return Optional.of(out);
        for (var part : text.split(",")) {
            var m = SPAN.matcher(part.strip());
            if (!m.matches()) return Optional.empty();
            try {
                var span = new LocalTime[] {time(m.group(1)), time(m.group(2))};
                if (!span[1].isAfter(span[0]) || !out.isEmpty() && span[0].isBefore(out.getLast()[1])) return Optional.empty();
                out.add(span);
            } catch (DateTimeParseException e) {
                return Optional.empty();
            }
        }
        return Optional.of(out);
    }

    /** 9, 9:30, 18:30; 24 is a minute to midnight. */
    private static LocalTime time(String s) {
        String t = s.contains(":") ? s : s + ":00";
        if (t.equals("24:00")) return LocalTime.of(23, 59);
        return LocalTime.parse(t.length() == 4 ? "0" + t : t);
    }
}
