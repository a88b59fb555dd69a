package yellowbracket.desktop.shell;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;
import javafx.util.Subscription;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import yellowbracket.derive.Figure;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.plan.Chance;
import yellowbracket.plan.Schedule;
import yellowbracket.print.PrintPlan;
import yellowbracket.work.Station;

/**
 * The strip between the two brackets: bands share the way to the day of the last task in proportion to their planned hours, then comes the
 * slack to
 * {@code ]}; when the plan overruns, the bands run through {@code ]}. Days are even along the strip. Clicking a band or bracket turns the
 * page. An alternative's end is drawn as a ghost bracket.
 */
public final class RunStrip extends Pane implements AutoCloseable {
    private static final double LEFT = 44;
    private static final double RIGHT = 44;
    private static final double TOP = 8;
    private static final double BAND = 40;
    private static final double LEAST = 95;

    /** How far a station is. */
    private enum Progress {
        AHEAD(Feather.CIRCLE), IN_HAND(Feather.TOOL), DONE(Feather.CHECK), BLOCKED(Feather.X);

        private final Ikon icon;

        Progress(Ikon icon) {
            this.icon = icon;
        }
    }

    private final AppModel model;
    private final Map<Station, ToggleButton> bands = new EnumMap<>(Station.class);
    private final Map<Station, Label> states = new EnumMap<>(Station.class);
    private final ToggleButton open = bracket(true);
    private final ToggleButton close = bracket(false);
    private final Label slackDays = new Label();
    private final Label slackSure = new Label();
    private final HBox slack = new HBox(new VBox(-2, slackDays, slackSure));
    private final Pane hatch = new Pane();
    private List<Object> hatched = List.of();
    private final Polyline ghost = new Polyline();
    private final Line now = new Line();
    private final Label nowWord = new Label("now");
    /** The event's label, then ticks; made once, since a node made while laying out would ask for layout again. */
    private final List<Label> dates = new ArrayList<>();
    private static final int TICKS = 7;
    private final List<Double> stops = new ArrayList<>();
    private LocalDateTime from = LocalDateTime.MIN;
    private LocalDateTime to = LocalDateTime.MAX;

    private final Subscription ends;

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
        hatch.setManaged(false);
        hatch.setCache(true); // many slanting lines: drawn once
        for (int i = 0; i <= TICKS; i++) {
            var l = new Label();
            l.getStyleClass().add("run-date");
            l.setManaged(false);
            dates.add(l);
        }
        slack.setMouseTransparent(true);
        ghost.setStroke(Role.YELLOW.colour());
        ghost.setStrokeWidth(4);
        ghost.getStrokeDashArray().setAll(5.0, 4.0);
        ghost.setMouseTransparent(true);
        now.setMouseTransparent(true);
        now.setStrokeWidth(1.6);
        nowWord.getStyleClass().add("run-now");
        getChildren().setAll(hatch);
        getChildren().addAll(dates);
        getChildren().addAll(bands.values());
        getChildren().addAll(slack, open, close, ghost, now, nowWord);
        ends = Subscription.combine(model.derivedProperty().subscribe(x -> requestLayout()),
                model.shownProperty().subscribe(x -> requestLayout()), model.ghostProperty().subscribe(x -> requestLayout()),
                model.nightProperty().subscribe(x -> requestLayout()), model.pageProperty().subscribe(x -> mark()));
    }

    private ToggleButton band(Station s) {
        var name = new Label(s.label());
        name.getStyleClass().add("band-name");
        var state = new Label("", new FontIcon(Progress.AHEAD.icon)); // a node made while laying out would ask for layout again
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
        shape.setStroke(Role.YELLOW.colour());
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
        from = build.started();
        to = last;
        double dueX = x(due);
        places(known ? x(finish) : LEFT + 0.8 * w, schedule);
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

    /** Band edges: shares of the way to the finish by planned hours of work and waiting, none narrower than its words. */
    private void places(double endX, Optional<Schedule> schedule) {
        var share = new double[Station.values().length];
        double sum = 0;
        for (var s : Station.values()) {
            double h = schedule.map(p -> p.of(s).stream().mapToDouble(t -> t.task().activeH() + 0.35 * t.task().lag().leastH()).sum())
                    .orElse(1.0);
            share[s.ordinal()] = Math.max(0.5, h);
            sum += share[s.ordinal()];
        }
        double room = Math.max(endX - LEFT, LEAST * share.length), spare = room - LEAST * share.length;
        stops.clear();
        stops.add(LEFT);
        for (double h : share) stops.add(stops.getLast() + LEAST + spare * h / sum);
    }

    private double x(LocalDateTime t) {
        double k = Duration.between(from, t).toMinutes() / (double) Math.max(1, Duration.between(from, to).toMinutes());
        return LEFT + (getWidth() - LEFT - RIGHT) * Math.clamp(k, -0.01, 1);
    }

    private void state(Station s, Optional<Schedule> schedule) {
        var tasks = schedule.map(p -> p.of(s)).orElse(List.of());
        long done = tasks.stream().filter(Schedule.Placed::done).count();
        boolean failed = model.derivedProperty().get() != null
                && model.result(PrintFigures.PRINTS).map(p -> s == Station.PRINT && !p.findings().isEmpty()).orElse(false);
        var progress = failed ? Progress.BLOCKED : done == 0 ? Progress.AHEAD : done == tasks.size() ? Progress.DONE : Progress.IN_HAND;
        String word = progress == Progress.IN_HAND ? "in hand " + done + "/" + tasks.size() : progress.name().toLowerCase(Locale.ROOT);
        var b = bands.get(s);
        states.get(s).setText(word);
        var icon = (FontIcon) states.get(s).getGraphic();
        if (icon.getIconCode() != progress.icon) icon.setIconCode(progress.icon); // setting it asks for layout
        for (var p : List.of(Progress.DONE, Progress.IN_HAND, Progress.BLOCKED))
            b.pseudoClassStateChanged(PseudoClass.getPseudoClass(p.name().toLowerCase(Locale.ROOT).replace('_', '-')), p == progress);
        b.setAccessibleText(s.label() + ", " + word);
        b.setOpacity(model.derivedProperty().get() != null && model.derivedProperty().get().fresh(PlanFigures.SCHEDULE, Figure.BUILD) ? 1
                : 0.72);
    }

    private void slack(boolean known, double from, double dueX, double slackH, double width) {
        boolean late = known && slackH < 0;
        double x0 = late ? dueX : from, x1 = late ? from : width - RIGHT;
        slack.setVisible(known);
        boolean stuck = known && !printable();
        slackDays.setText(!known ? "" : stuck ? "fits no bed" : late ? Words.days(-slackH) + " over" : Words.days(slackH) + " spare");
        var looks = List.of("label", "slack-days", "slack-plate", late || stuck ? "stop" : slackH < 48 ? "care" : "good");
        if (!slackDays.getStyleClass().equals(looks)) slackDays.getStyleClass().setAll(looks);
        var chance = model.derivedProperty().get() == null ? Optional.<Chance>empty()
                : model.derivedProperty().get().get(PlanFigures.CHANCE);
        slackSure.setText(stuck ? "not ready as it is cut" : chance.map(c -> Words.chance(c) + " sure").orElse("working out the chance"));
        hatch.setVisible(known);
        if (!known) return;
        hatched(x0, x1, late);
        double room = Math.max(x1 - x0, 0);
        slack.resizeRelocate(late ? Math.max(LEFT, dueX - 132) : x0, TOP + 6, late ? 128 : Math.max(room, 20), BAND);
        slack.setVisible(late || room > 70);
        close.setTranslateX(late ? dueX - (width - RIGHT) : 0);
    }

    /** A section that fits no bed is never printed, whatever the day the plan counts to. */
    private boolean printable() {
        var d = model.derivedProperty().get();
        return d == null || model.shownProperty()
                .get()
                .props()
                .stream()
                .allMatch(p -> d.get(PrintFigures.PRINTS, p.id()).map(PrintPlan::printable).orElse(true));
    }

    /** Only where it differs from what is drawn: new lines would have the strip laid out and painted again. */
    private void hatched(double x0, double x1, boolean late) {
        var colour = (late ? Role.STOP : Role.GOOD).colour(model.nightProperty().get());
        var wanted = List.<Object>of(x0, x1, late, colour);
        if (wanted.equals(hatched)) return;
        hatched = wanted;
        hatch.getChildren().clear();
        double h = late ? 8 : BAND, y = late ? TOP + BAND + 6 : TOP + 6;
        for (double x = x0 - h; x < x1; x += 8) {
            var l = new Line(Math.max(x, x0), x < x0 ? y + h - (x0 - x) : y + h, Math.min(x + h, x1), x + h > x1 ? y + (x + h - x1) : y);
            l.setStroke(colour.deriveColor(0, 1, 1, late ? 0.9 : 0.35));
            l.setStrokeWidth(late ? 2 : 1.2);
            hatch.getChildren().add(l);
        }
    }

    private void markNow() {
        double x = x(model.now());
        now.setStroke(Role.INK.colour(model.nightProperty().get()));
        now.setStartX(x);
        now.setEndX(x);
        now.setStartY(TOP);
        now.setEndY(TOP + 54);
        nowWord.autosize();
        nowWord.relocate(Math.clamp(x - nowWord.prefWidth(-1) / 2, 4, getWidth() - 40), TOP + 55);
    }

    /** Kept free beside the word now. */
    private static final double NOW_ROOM = 24;

    private void dates(LocalDateTime from, LocalDateTime due, double dueX, double width, String event) {
        var words = dates.getFirst();
        words.setText(event + " " + Words.day(due));
        double nowX = x(model.now()), last = -100, wide = words.prefWidth(-1);
        // under its bracket, which stands amid the work where the plan is late
        double right = Math.clamp(dueX - wide / 2, 16, Math.max(16, width - 16 - wide));
        if (nowX > right - NOW_ROOM && nowX < right + wide + NOW_ROOM)
            right = nowX - NOW_ROOM - wide >= 16 ? nowX - NOW_ROOM - wide : Math.min(nowX + NOW_ROOM, width - 16 - wide);
        words.resizeRelocate(right, TOP + 56, wide, 16);
        long days = Math.max(1, Duration.between(from, due).toDays()), step = Math.max(1, Math.ceilDiv(days, TICKS - 1));
        for (int i = 0; i < TICKS; i++) {
            var t = from.plusDays(i * step);
            double x = i == 0 ? 16 : x(t) - 18;
            boolean free = i * step < days && x - last >= 60 && Math.abs(x + 18 - nowX) >= 40
                    && (x <= right - 60 || x >= right + wide + 12);
            var l = dates.get(i + 1);
            l.setVisible(free);
            if (!free) continue;
            l.setText(Words.day(t));
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

    @Override
    public void close() {
        ends.unsubscribe();
    }
}
