package yellowbracket.desktop.shell;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;
import yellowbracket.desktop.AppModel;
import yellowbracket.desktop.Page;
import yellowbracket.desktop.Words;
import yellowbracket.build.Node;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Station;

/**
 * The strip between the two brackets: a band a station up to the day its last task ends, then the slack to {@code ]}; when the plan overruns, the bands run
 * through {@code ]}. Clicking a band or bracket turns the page. An alternative's end is drawn as a ghost bracket.
 */
public final class RunStrip extends Pane {
    private static final double LEFT = 44;
    private static final double RIGHT = 44;
    private static final double TOP = 8;
    private static final double BAND = 40;
    private static final double LEAST = 66;
    private static final Color YELLOW = Color.web("#F2B705");

    private final AppModel model;
    private final Map<Station, ToggleButton> bands = new EnumMap<>(Station.class);
    private final Map<Station, Label> states = new EnumMap<>(Station.class);
    private final ToggleButton open = bracket(true);
    private final ToggleButton close = bracket(false);
    private final Label slackDays = new Label();
    private final Label slackSure = new Label();
    private final HBox slack = new HBox(new VBox(-2, slackDays, slackSure));
    private final Pane hatch = new Pane();
    private final Polyline ghost = new Polyline();
    private final Line now = new Line();
    private final Label nowWord = new Label("now");
    private final Pane dates = new Pane();
    private final List<Double> stops = new ArrayList<>();
    private final List<LocalDateTime> times = new ArrayList<>();

    public RunStrip(AppModel model) {
        this.model = model;
        getStyleClass().add("run");
        setPrefHeight(84);
        setMinHeight(84);
        for (var s : Station.values()) bands.put(s, band(s));
        open.setOnAction(e -> turn(Page.LOG));
        close.setOnAction(e -> turn(Page.PLAN));
        Tooltip.install(open, new Tooltip("log: what has happened"));
        Tooltip.install(close, new Tooltip("plan: what is to come"));
        slack.getStyleClass().add("run-slack");
        slackDays.getStyleClass().addAll("slack-days", "slack-plate");
        slackSure.getStyleClass().addAll("band-state", "small", "slack-plate");
        hatch.setMouseTransparent(true);
        slack.setMouseTransparent(true);
        ghost.setStroke(YELLOW);
        ghost.setStrokeWidth(4);
        ghost.getStrokeDashArray().setAll(5.0, 4.0);
        ghost.setMouseTransparent(true);
        now.setMouseTransparent(true);
        now.setStrokeWidth(1.6);
        nowWord.getStyleClass().add("run-now");
        getChildren().setAll(hatch, slack, dates);
        getChildren().addAll(bands.values());
        getChildren().addAll(open, close, ghost, now, nowWord);
        model.derivedProperty().subscribe(this::requestLayout);
        model.shownProperty().subscribe(this::requestLayout);
        model.ghostProperty().subscribe(this::requestLayout);
        model.nightProperty().subscribe(this::requestLayout);
        model.pageProperty().subscribe(this::mark);
    }

    private ToggleButton band(Station s) {
        var name = new Label(s.label());
        name.getStyleClass().add("band-name");
        var state = new Label("");
        state.getStyleClass().add("band-state");
        states.put(s, state);
        var b = new ToggleButton();
        b.setGraphic(new VBox(-3, name, state));
        b.setContentDisplay(javafx.scene.control.ContentDisplay.GRAPHIC_ONLY);
        b.getStyleClass().setAll("run-band");
        b.setOnAction(e -> turn(Page.of(s)));
        return b;
    }

    private static ToggleButton bracket(boolean left) {
        var shape = left ? new Polyline(16, 0, 3, 0, 3, 52, 16, 52) : new Polyline(0, 0, 13, 0, 13, 52, 0, 52);
        shape.setStroke(YELLOW);
        shape.setStrokeWidth(6);
        var b = new ToggleButton();
        b.setGraphic(shape);
        b.getStyleClass().setAll("bracket");
        b.setAccessibleText(left ? "log" : "plan");
        return b;
    }

    private void turn(Page p) {
        model.pageProperty().set(p);
        mark();
    }

    private void mark() {
        var page = model.pageProperty().get();
        bands.forEach((s, b) -> b.setSelected(page == Page.of(s)));
        open.setSelected(page == Page.LOG);
        close.setSelected(page == Page.PLAN);
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth(), w = width - LEFT - RIGHT;
        open.resizeRelocate(16, TOP - 3, 22, 58);
        close.resizeRelocate(width - 38, TOP - 3, 22, 58);
        var schedule = model.schedule();
        var build = model.shownProperty().get();
        if (w < 100 || build == null) return;
        var due = build.due();
        var finish = schedule.filter(s -> !s.placed().isEmpty()).map(Schedule::finish).orElse(due);
        boolean known = schedule.isPresent() && !schedule.get().placed().isEmpty();
        var last = finish.isAfter(due) ? finish : due;
        double hours = Math.max(1, Duration.between(build.started(), last).toMinutes() / 60.0);
        double dueX = LEFT + w * Duration.between(build.started(), due).toMinutes() / 60.0 / hours;
        places(build.started(), last, schedule, known, w);
        double x = LEFT;
        for (var s : Station.values()) {
            double to = stops.get(s.ordinal() + 1);
            bands.get(s).resizeRelocate(Math.rint(x), TOP + 6, Math.max(8, Math.rint(to - x) - 3), BAND);
            x = to;
            state(s, schedule);
        }
        slack(known, x, dueX, Duration.between(finish, due).toMinutes() / 60.0, width);
        markNow();
        dates(build.started(), due, dueX, width, build.event());
        ghost();
    }

    /** Band edges: the day each station's last task ends, never before the station ahead, then widened to what a word needs. */
    private void places(LocalDateTime from, LocalDateTime to, Optional<Schedule> schedule, boolean known, double w) {
        stops.clear();
        times.clear();
        double total = Math.max(1, Duration.between(from, to).toMinutes());
        stops.add(LEFT);
        times.add(from);
        var at = from;
        int n = Station.values().length;
        for (var s : Station.values()) {
            var end = schedule.flatMap(p -> p.of(s).stream().map(Schedule.Placed::ready).max(java.util.Comparator.naturalOrder())).orElse(known ? at : from.plusMinutes((long) (total * (s.ordinal() + 1) / (n + 1.5))));
            if (end.isAfter(at)) at = end;
            times.add(at);
            stops.add(LEFT + w * Math.min(1, Duration.between(from, at).toMinutes() / total));
        }
        for (int i = 1; i <= n; i++) stops.set(i, Math.max(stops.get(i), stops.get(i - 1) + LEAST));
        double limit = LEFT + w;
        for (int i = n; i >= 1; i--) {
            stops.set(i, Math.min(stops.get(i), limit));
            limit = stops.get(i) - LEAST;
        }
        stops.add(LEFT + w);
        times.add(to);
    }

    private double x(LocalDateTime t) {
        for (int i = 1; i < times.size(); i++) {
            if (t.isAfter(times.get(i)) && i + 1 < times.size()) continue;
            double span = Duration.between(times.get(i - 1), times.get(i)).toMinutes();
            double k = span <= 0 ? 1 : Duration.between(times.get(i - 1), t).toMinutes() / span;
            return stops.get(i - 1) + (stops.get(i) - stops.get(i - 1)) * Math.clamp(k, -0.2, 1);
        }
        return stops.getLast();
    }

    private void state(Station s, Optional<Schedule> schedule) {
        var tasks = schedule.map(p -> p.of(s)).orElse(List.of());
        long done = tasks.stream().filter(Schedule.Placed::done).count();
        boolean failed = model.derivedProperty().get() != null && model.result(Node.PRINTS).map(p -> s == Station.PRINT && !p.findings().isEmpty()).orElse(false);
        String word;
        String icon;
        if (failed) {
            word = "blocked";
            icon = "\u00d7 ";
        } else if (tasks.isEmpty() || done == 0) {
            word = "ahead";
            icon = "\u25cb ";
        } else if (done == tasks.size()) {
            word = "done";
            icon = "\u2713 ";
        } else {
            word = "in hand " + done + "/" + tasks.size();
            icon = "\u25cf ";
        }
        var b = bands.get(s);
        states.get(s).setText(icon + word);
        b.pseudoClassStateChanged(PseudoClass.getPseudoClass("done"), word.equals("done"));
        b.pseudoClassStateChanged(PseudoClass.getPseudoClass("in-hand"), word.startsWith("in hand"));
        b.pseudoClassStateChanged(PseudoClass.getPseudoClass("blocked"), failed);
        b.setAccessibleText(s.label() + ", " + word);
        b.setOpacity(model.derivedProperty().get() != null && model.derivedProperty().get().fresh(Node.SCHEDULE, Node.BUILD) ? 1 : 0.72);
    }

    private void slack(boolean known, double from, double dueX, double slackH, double width) {
        boolean late = known && slackH < 0;
        double x0 = late ? dueX : from, x1 = late ? from : width - RIGHT;
        hatch.getChildren().clear();
        slack.setVisible(known);
        slackDays.setText(!known ? "" : late ? Words.days(-slackH) + " over" : Words.days(slackH) + " spare");
        slackDays.getStyleClass().setAll("label", "slack-days", "slack-plate", late ? "stop" : slackH < 48 ? "care" : "good");
        var chance = model.derivedProperty().get() == null ? Optional.<Node.Chance>empty() : model.derivedProperty().get().get(Node.CHANCE);
        slackSure.setText(chance.map(c -> Words.percent(c.share()) + " sure").orElse("working out the chance"));
        if (!known) return;
        var colour = late ? Color.web("#A8123F") : model.nightProperty().get() ? Color.web("#5CC0B5") : Color.web("#17756F");
        double h = late ? 8 : BAND, y = late ? TOP + BAND + 6 : TOP + 6;
        for (double x = x0 - h; x < x1; x += 8) {
            var l = new Line(Math.max(x, x0), x < x0 ? y + h - (x0 - x) : y + h, Math.min(x + h, x1), x + h > x1 ? y + (x + h - x1) : y);
            l.setStroke(colour.deriveColor(0, 1, 1, late ? 0.9 : 0.35));
            l.setStrokeWidth(late ? 2 : 1.2);
            hatch.getChildren().add(l);
        }
        double room = Math.max(x1 - x0, 0);
        slack.resizeRelocate(late ? Math.max(LEFT, dueX - 132) : x0, TOP + 6, late ? 128 : Math.max(room, 20), BAND);
        slack.setVisible(late || room > 70);
        close.setTranslateX(late ? dueX - (width - RIGHT) : 0);
    }

    private void markNow() {
        double x = x(model.now());
        now.setStroke(model.nightProperty().get() ? Color.web("#ECE9E1") : Color.web("#1D2226"));
        now.setStartX(x);
        now.setEndX(x);
        now.setStartY(TOP);
        now.setEndY(TOP + 54);
        nowWord.autosize();
        nowWord.relocate(Math.clamp(x - nowWord.prefWidth(-1) / 2, 4, getWidth() - 40), TOP + 55);
    }

    private void dates(LocalDateTime from, LocalDateTime due, double dueX, double width, String event) {
        dates.getChildren().clear();
        var words = new Label(event + " " + Words.day(due));
        words.getStyleClass().add("run-date");
        dates.getChildren().add(words);
        words.applyCss();
        double right = width - 16 - words.prefWidth(-1);
        words.resizeRelocate(right, TOP + 56, words.prefWidth(-1), 16);
        double nowX = x(model.now()), last = -100;
        var ticks = new ArrayList<LocalDateTime>();
        ticks.add(from);
        long days = Math.max(1, Duration.between(from, due).toDays()), step = Math.max(1, Math.ceilDiv(days, 6));
        for (long d = step; d < days; d += step) ticks.add(from.plusDays(d));
        for (var t : ticks) {
            double x = t.equals(from) ? 16 : x(t) - 18;
            if (x - last < 60 || Math.abs(x + 18 - nowX) < 40 || x > right - 60) continue;
            var l = new Label(Words.day(t));
            l.getStyleClass().add("run-date");
            l.applyCss();
            dates.getChildren().add(l);
            l.resizeRelocate(x, TOP + 56, 60, 16);
            last = x;
        }
    }

    private void ghost() {
        var at = model.ghostProperty().get();
        ghost.setVisible(at.isPresent() && stops.size() > 1);
        if (!ghost.isVisible()) return;
        double x = Math.clamp(x(at.get()), LEFT, getWidth() - 20);
        ghost.getPoints().setAll(x - 9, TOP, x, TOP, x, TOP + 52, x - 9, TOP + 52);
    }
}
