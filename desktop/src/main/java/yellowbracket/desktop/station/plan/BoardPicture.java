package yellowbracket.desktop.station.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.geometry.Rectangle2D;
import javafx.scene.SnapshotParameters;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Tooltip;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.plan.Baseline;
import yellowbracket.plan.Board;
import yellowbracket.plan.Schedule;
import yellowbracket.work.TaskId;

/**
 * The plan as time: a lane for each pair of hands, spraying, each printer and what dries by itself; above them the sky, now and the day as
 * brackets. The wheel or + and - zoom about the pointer, dragging or the arrows move along, Home shows all of it. Under the pointer it says
 * what a bar is; a click picks it, dragging it pins the task where it is dropped. By keys, full stop and comma pick the next and the one
 * before, Shift with an arrow pins it an hour later or earlier. A plan kept before shows as outlines.
 */
final class BoardPicture extends Pane {
    private static final double NAMES = 92, RIGHT = 18, TOP = 74, AXIS = 22, BETWEEN = 12, LABEL = 46, BELOW = 120;
    private static final double SKY = 5, DRAGGED = 4;
    private static final int PIN_STEP_MIN = 15;
    private static final double LEAST_ROW = 17, MOST_ROW = 34;
    private static final double LEAST_H = 3, MOST_H = 24 * 120, STEP = 1.25;
    private static final Font SMALL = Font.font("Barlow", 11.5), NAME = Font.font("Barlow Condensed", 14),
            DAY = Font.font("JetBrains Mono", 10.5);
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH),
            HOUR = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    /** What hears of picks and pins. */
    interface Hand {
        void pick(TaskId task);

        void pin(TaskId task, LocalDateTime at);
    }

    /** What of the maker's is shown besides. */
    record Besides(Optional<PlanFigures.Sky> sky, Optional<Baseline> ghost, Set<TaskId> pinned, Optional<TaskId> picked) {}

    /** What is looked at; kept by whoever shows the board anew. */
    record Look(LocalDateTime from, double hours) {}

    private record Drawn(Board.Bar bar, Board.Kind kind, Rectangle2D at) {}

    private final Board board;
    private final Schedule schedule;
    private final boolean night;
    private final Consumer<Look> looked;
    private final Besides besides;
    private final Hand hand;
    private final Canvas canvas = new Canvas();
    private final Tooltip tip = new Tooltip();
    private final List<Drawn> drawn = new ArrayList<>();
    private Look look;
    private Optional<TaskId> over = Optional.empty();
    private double grabbed;
    private Optional<Drawn> held = Optional.empty();
    private double heldBy;
    private double row = LEAST_ROW;

    BoardPicture(Board board, Schedule schedule, Optional<Look> before, Besides besides, Hand hand, boolean night, Consumer<Look> looked) {
        this.besides = besides;
        this.hand = hand;
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
            held = at(e).filter(d -> d.kind != Board.Kind.WAIT);
            heldBy = 0;
            requestFocus();
        });
        setOnMouseDragged(this::drag);
        setOnMouseReleased(e -> dropped());
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
        if (held.isPresent()) {
            heldBy = e.getX() - grabbed;
            paint();
            return;
        }
        move(-(e.getX() - grabbed) / wide() * look.hours);
        grabbed = e.getX();
    }

    private Optional<Drawn> at(MouseEvent e) {
        return drawn.stream().filter(d -> d.at.contains(e.getX(), e.getY())).findFirst();
    }

    /** Hardly moved, a bar is picked; dragged, it is pinned where it lies, never before now. */
    private void dropped() {
        var bar = held;
        double by = heldBy;
        held = Optional.empty();
        heldBy = 0;
        if (bar.isEmpty()) return;
        var task = bar.get().bar.task().id();
        if (Math.abs(by) < DRAGGED) hand.pick(task);
        else pin(task, Math.round(60 * by / wide() * look.hours));
        paint();
    }

    private void pin(TaskId task, long minutes) {
        schedule.placed(task).ifPresent(p -> {
            var at = p.start().plusMinutes(minutes);
            at = at.minusMinutes(at.getMinute() % PIN_STEP_MIN);
            hand.pin(task, at.isBefore(schedule.now()) ? schedule.now() : at);
        });
    }

    /** The next of what is ahead by its start, or the one before. */
    private void step(int by) {
        var ahead = schedule.next(Integer.MAX_VALUE).stream().map(p -> p.task().id()).toList();
        if (ahead.isEmpty()) return;
        int at = besides.picked.map(ahead::indexOf).orElse(by > 0 ? -1 : 0);
        hand.pick(ahead.get(Math.floorMod(at + by, ahead.size())));
    }

    private void key(KeyEvent e) {
        double middle = NAMES + wide() / 2;
        switch (e.getCode()) {
            case PLUS, ADD, EQUALS -> zoom(1 / STEP, middle);
            case MINUS, SUBTRACT -> zoom(STEP, middle);
            case LEFT -> left(e.isShiftDown(), -1);
            case RIGHT -> left(e.isShiftDown(), 1);
            case PERIOD -> step(1);
            case COMMA -> step(-1);
            case HOME -> look(all());
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void left(boolean pins, int way) {
        if (pins) besides.picked.ifPresent(t -> pin(t, 60L * way));
        else move(way * look.hours / 8);
    }

    private void hover(MouseEvent e) {
        var at = at(e);
        var task = at.map(d -> d.bar.task().id());
        tip.setText(at.map(this::told).orElse("wheel: zoom; drag: move, or pin a bar; Home: all of it; . and , pick"));
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
        sky(g);
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

    /** Above the days: hours fit to spray, with care, or not. */
    private void sky(GraphicsContext g) {
        if (besides.sky.isEmpty()) return;
        var sky = besides.sky.get();
        for (int h = 0; h < sky.hours().size(); h++) {
            var t = sky.from().plusHours(h);
            double from = Math.max(NAMES, x(t)), to = Math.min(NAMES + wide(), x(t.plusHours(1)));
            if (to <= from) continue;
            g.setFill(switch (sky.hours().get(h)) {
                case GO -> Role.SEAM_GOOD.colour(night);
                case CARE -> Role.SEAM_CARE.colour(night);
                case NO -> Role.SEAM_STOP.colour(night);
            });
            g.fillRect(from, TOP - SKY - 2, to - from + 0.5, SKY);
        }
        g.setFont(SMALL);
        g.setFill(Role.INK.colour(night));
        g.setTextAlign(TextAlignment.LEFT);
        g.fillText("spray sky", 16, TOP - 2);
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
        double by = held.filter(h -> h.bar.task().id().equals(b.task().id()) && kind != Board.Kind.WAIT).isPresent() ? heldBy : 0;
        double from = Math.max(NAMES, x(b.from()) + by), to = Math.min(NAMES + wide(), x(b.to()) + by);
        for (var s : b.shut()) shut(g, s, y);
        if (kind != Board.Kind.WAIT) ghost(g, b, y);
        if (to <= from) return;
        double w = Math.max(1.5, to - from - 1);
        g.setFill(colour(kind));
        g.fillRect(from, y + 1, w, row - 4);
        if (besides.pinned.contains(b.task().id()) && kind != Board.Kind.WAIT) {
            g.setFill(Role.YELLOW.colour(night));
            g.fillOval(from - 1, y - 2, 7, 7);
        }
        if (over.or(() -> besides.picked).equals(Optional.of(b.task().id()))) {
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

    /** Where the task lay in the plan kept. */
    private void ghost(GraphicsContext g, Board.Bar b, double y) {
        var then = besides.ghost.map(k -> k.tasks().get(b.task().id())).filter(t -> !t.from().equals(b.from()));
        if (then.isEmpty()) return;
        double from = Math.max(NAMES, x(then.get().from())), to = Math.min(NAMES + wide(), x(then.get().to()));
        if (to <= from) return;
        g.setStroke(Role.INK.colour(night));
        g.setLineWidth(0.8);
        g.setLineDashes(3, 3);
        g.strokeRect(from, y + 2, Math.max(2, to - from), row - 6);
        g.setLineDashes();
    }

    /** The picture as it stands, to keep. */
    WritableImage image() {
        var how = new SnapshotParameters();
        how.setFill(Role.CARD.colour(night));
        return canvas.snapshot(how, null);
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
