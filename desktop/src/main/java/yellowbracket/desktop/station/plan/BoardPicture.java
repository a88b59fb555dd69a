package yellowbracket.desktop.station.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Rectangle2D;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.plan.Board;
import yellowbracket.plan.Schedule;
import yellowbracket.work.TaskId;

/**
 * The plan as time: a lane for hands, spraying, each printer and what dries by itself; now and the day as brackets. The wheel or + and -
 * zoom about the pointer, dragging or the arrows move along, Home shows all of it. Under the pointer it says what a bar is.
 */
final class BoardPicture extends Pane {
    private static final double NAMES = 92, RIGHT = 18, TOP = 74, AXIS = 22, BETWEEN = 12, LABEL = 46, BELOW = 120;
    private static final double LEAST_ROW = 17, MOST_ROW = 34;
    private static final double LEAST_H = 3, MOST_H = 24 * 120, STEP = 1.25;
    private static final Font SMALL = Font.font("Barlow", 11.5), NAME = Font.font("Barlow Condensed", 14),
            DAY = Font.font("JetBrains Mono", 10.5);
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH),
            HOUR = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    /** What is looked at; kept by whoever shows the board anew. */
    record Look(LocalDateTime from, double hours) {}

    private record Drawn(Board.Bar bar, Board.Kind kind, Rectangle2D at) {}

    private final Board board;
    private final Schedule schedule;
    private final boolean night;
    private final Consumer<Look> looked;
    private final Canvas canvas = new Canvas();
    private final Tooltip tip = new Tooltip();
    private final List<Drawn> drawn = new ArrayList<>();
    private Look look;
    private Optional<TaskId> over = Optional.empty();
    private double grabbed;
    private double row = LEAST_ROW;

    BoardPicture(Board board, Schedule schedule, Optional<Look> before, boolean night, Consumer<Look> looked) {
        this.board = board;
        this.schedule = schedule;
        this.night = night;
        this.looked = looked;
        look = before.orElseGet(this::all);
        getChildren().add(canvas);
        setId("board");
        setFocusTraversable(true);
        setAccessibleText("the plan as time, " + board.lanes().size() + " lanes; plus and minus zoom, arrows move, Home shows all");
        canvas.widthProperty().bind(widthProperty());
        canvas.heightProperty().bind(heightProperty());
        widthProperty().subscribe(x -> paint());
        heightProperty().subscribe(x -> paint());
        setOnScroll(this::wheel);
        setOnMousePressed(e -> {
            grabbed = e.getX();
            requestFocus();
        });
        setOnMouseDragged(this::drag);
        setOnMouseMoved(this::hover);
        setOnKeyPressed(this::key);
        Tooltip.install(this, tip);
    }

    /** From a little before now to a little after the day or the end, whichever is later. */
    private Look all() {
        var to = schedule.finish().isAfter(schedule.due()) ? schedule.finish() : schedule.due();
        double hours = Math.clamp(Duration.between(schedule.now(), to).toMinutes() / 60.0, LEAST_H, MOST_H);
        return new Look(schedule.now().minusMinutes(Math.round(2.4 * hours)), 1.1 * hours);
    }

    private void look(Look next) {
        look = next;
        looked.accept(next);
        paint();
    }

    private double wide() {
        return getWidth() - NAMES - RIGHT;
    }

    private double x(LocalDateTime t) {
        return NAMES + wide() * Duration.between(look.from, t).toMinutes() / 60.0 / look.hours;
    }

    private LocalDateTime time(double x) {
        return look.from.plusMinutes(Math.round(60 * look.hours * (x - NAMES) / wide()));
    }

    private void zoom(double by, double x) {
        double hours = Math.clamp(look.hours * by, LEAST_H, MOST_H);
        double share = (x - NAMES) / wide();
        look(new Look(time(x).minusMinutes(Math.round(60 * share * hours)), hours));
    }

    private void move(double hours) {
        look(new Look(look.from.plusMinutes(Math.round(60 * hours)), look.hours));
    }

    private void wheel(ScrollEvent e) {
        if (wide() <= 0) return;
        zoom(e.getDeltaY() > 0 ? 1 / STEP : STEP, Math.clamp(e.getX(), NAMES, NAMES + wide()));
        e.consume();
    }

    private void drag(MouseEvent e) {
        if (wide() <= 0) return;
        move(-(e.getX() - grabbed) / wide() * look.hours);
        grabbed = e.getX();
    }

    private void key(KeyEvent e) {
        double middle = NAMES + wide() / 2;
        switch (e.getCode()) {
            case PLUS, ADD, EQUALS -> zoom(1 / STEP, middle);
            case MINUS, SUBTRACT -> zoom(STEP, middle);
            case LEFT -> move(-look.hours / 8);
            case RIGHT -> move(look.hours / 8);
            case HOME -> look(all());
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void hover(MouseEvent e) {
        var at = drawn.stream().filter(d -> d.at.contains(e.getX(), e.getY())).findFirst();
        var task = at.map(d -> d.bar.task().id());
        tip.setText(at.map(this::told).orElse("wheel: zoom; drag: move; Home: all of it"));
        if (task.equals(over)) return;
        over = task;
        paint();
    }

    private String told(Drawn d) {
        var b = d.bar;
        String what = d.kind == Board.Kind.WAIT ? "dries or cures after " + b.task().name() : b.task().name();
        var out = new StringBuilder(what).append('\n').append(Words.dayTime(b.from())).append(" to ").append(Words.dayTime(b.to()));
        b.latest().ifPresent(t -> out.append("\nat the latest ").append(Words.dayTime(t)));
        b.shut()
                .forEach(s -> out.append("\nthe film beneath is shut ")
                        .append(Words.dayTime(s.from()))
                        .append(" to ")
                        .append(Words.dayTime(s.to())));
        return out.toString();
    }

    private void paint() {
        var g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        drawn.clear();
        if (wide() < 60 || getHeight() < TOP + 60) return;
        int rows = board.lanes().stream().mapToInt(l -> l.rows().size()).sum();
        double room = getHeight() - TOP - AXIS - BELOW - BETWEEN * board.lanes().size();
        row = Math.clamp(room / Math.max(1, rows), LEAST_ROW, MOST_ROW);
        double bottom = TOP + AXIS + board.lanes().stream().mapToDouble(l -> l.rows().size() * row + BETWEEN).sum();
        axis(g, bottom);
        double y = TOP + AXIS;
        for (var lane : board.lanes()) {
            g.setFont(NAME);
            g.setFill(Role.INK.colour(night));
            g.setTextAlign(TextAlignment.LEFT);
            g.fillText(lane.name(), 16, y + row / 2 + 5, NAMES - 22);
            for (var bars : lane.rows()) {
                for (var b : bars) bar(g, lane.kind(), b, y);
                y += row;
            }
            y += BETWEEN;
            g.setStroke(Role.LINE.colour(night));
            g.setLineWidth(1);
            g.strokeLine(NAMES, y - BETWEEN / 2, NAMES + wide(), y - BETWEEN / 2);
        }
        bracket(g, schedule.now(), bottom, true, "now");
        bracket(g, schedule.due(), bottom, false, "the day");
    }

    /** Days, or hours when near; no more of them than can be read. */
    private void axis(GraphicsContext g, double bottom) {
        double perHour = wide() / look.hours;
        int step = perHour * 1 > LABEL ? 1 : perHour * 6 > LABEL ? 6 : perHour * 24 > LABEL ? 24 : perHour * 72 > LABEL ? 72 : 168;
        var t = look.from.toLocalDate().atStartOfDay();
        g.setFont(DAY);
        g.setTextAlign(TextAlignment.LEFT);
        for (; x(t) < NAMES + wide(); t = t.plusHours(step)) {
            if (x(t) < NAMES) continue;
            boolean midnight = t.getHour() == 0;
            g.setStroke(Role.LINE.colour(night));
            g.setLineWidth(midnight ? 1 : 0.5);
            g.strokeLine(x(t), TOP + AXIS - 6, x(t), bottom);
            g.setFill(Role.INK.colour(night));
            g.fillText(midnight ? t.format(DATE) : t.format(HOUR), x(t) + 2, TOP + AXIS - 9);
        }
    }

    private Color colour(Board.Kind k) {
        return switch (k) {
            case HANDS -> Role.GOOD.colour(night);
            case SPRAY -> Role.SMOOTH_HOURS.colour();
            case PRINTER -> Role.PRINT_HOURS.colour();
            case WAIT -> Role.HARDWARE_OFF.colour();
        };
    }

    private void bar(GraphicsContext g, Board.Kind kind, Board.Bar b, double y) {
        double from = Math.max(NAMES, x(b.from())), to = Math.min(NAMES + wide(), x(b.to()));
        for (var s : b.shut()) shut(g, s, y);
        if (to <= from) return;
        double w = Math.max(1.5, to - from - 1);
        g.setFill(colour(kind));
        g.fillRect(from, y + 1, w, row - 4);
        if (over.equals(Optional.of(b.task().id()))) {
            g.setStroke(Role.YELLOW.colour(night));
            g.setLineWidth(2);
            g.strokeRect(from, y + 1, w, row - 4);
            b.latest().filter(t -> x(t) > NAMES && x(t) < NAMES + wide()).ifPresent(t -> {
                g.strokeLine(x(t), y - 2, x(t), y + row);
                g.strokeLine(x(t) - 5, y - 2, x(t), y - 2);
                g.strokeLine(x(t) - 5, y + row, x(t), y + row);
            });
        }
        drawn.add(new Drawn(b, kind, new Rectangle2D(from, y, Math.max(3, w), row)));
        if (w < LABEL || kind == Board.Kind.WAIT) return;
        g.setFont(SMALL);
        g.setFill(Role.TAG.colour());
        g.save();
        g.beginPath();
        g.rect(from, y, w - 2, row);
        g.clip();
        g.setTextAlign(TextAlignment.LEFT);
        g.fillText(b.task().name(), from + 4, y + row / 2 + 3);
        g.restore();
    }

    /** While a film is shut: a bracket closed on both sides under the lane. */
    private void shut(GraphicsContext g, Board.Shut s, double y) {
        double from = Math.max(NAMES, x(s.from())), to = Math.min(NAMES + wide(), x(s.to()));
        if (to <= from) return;
        g.setStroke(Role.STOP.colour(night));
        g.setLineWidth(1.2);
        double base = y + row - 0.5;
        g.strokeLine(from, base, to, base);
        g.strokeLine(from, base, from, base - 4);
        g.strokeLine(to, base, to, base - 4);
    }

    /** {@code [} opens to the right at now, {@code ]} closes at the day. */
    private void bracket(GraphicsContext g, LocalDateTime t, double bottom, boolean opens, String word) {
        double at = x(t), arm = opens ? 7 : -7;
        if (at < NAMES - 1 || at > NAMES + wide() + 1) return;
        g.setStroke(Role.YELLOW.colour(night));
        g.setLineWidth(3);
        g.strokeLine(at, TOP + AXIS - 4, at, bottom);
        g.strokeLine(at, TOP + AXIS - 4, at + arm, TOP + AXIS - 4);
        g.strokeLine(at, bottom, at + arm, bottom);
        g.setFont(SMALL);
        g.setFill(Role.INK.colour(night));
        g.setTextAlign(opens ? TextAlignment.LEFT : TextAlignment.RIGHT);
        g.fillText(word, at + (opens ? 2 : -2), bottom + 14);
    }
}
