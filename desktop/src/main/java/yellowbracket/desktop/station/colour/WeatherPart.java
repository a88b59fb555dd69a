package yellowbracket.desktop.station.colour;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.Defect;
import yellowbracket.colour.PartWarmth;
import yellowbracket.colour.SprayHours;
import yellowbracket.colour.SprayWeather;
import yellowbracket.colour.Sprayed;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.log.Lessons;
import yellowbracket.shop.Coating;
import yellowbracket.work.TaskId;

/** Which hours of the coming days are fit for spraying this paint, how warm the part is, and what went wrong where it did. */
final class WeatherPart extends ColourPart {
    private static final int DAYS = 5, FIRST = 7, LAST = 22;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);

    /** Where the part lay before. */
    private enum Lay {
        WITH("where it is sprayed"), SUN("in the sun"), ROOM("in a room of 20 C"), COLD("in a cold shed or car");

        private final String words;

        Lay(String words) {
            this.words = words;
        }
    }

    private String paint = "";
    private Lay lay = Lay.WITH;
    private double minutes = 10;
    private boolean dragging;
    private Optional<Defect> seen = Optional.empty();
    private int coat = -1;

    WeatherPart(ColourView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "when it can be sprayed";
    }

    @Override
    boolean busy() {
        return dragging;
    }

    private Coating coating(List<String> known) {
        if (!known.contains(paint)) paint = known.getFirst();
        return model.shop().coating(paint);
    }

    private List<String> paints() {
        var planned = view.plan()
                .map(p -> p.coats().stream().filter(ColourPlan.Coats::sprayed).map(ColourPlan.Coats::product).distinct().toList())
                .orElse(List.of());
        return planned.isEmpty() ? List.of("acrylic lacquer spray") : planned;
    }

    @Override
    void write(Card card, ColourPlan plan) {
        var paints = paints();
        var c = coating(paints);
        card.row("paint", new Choice<>("weather-paint", "which paint the hours are judged for", paints, c.name(), p -> p, p -> {
            paint = p;
            view.again();
        }));
        var now = model.weather().at(model.now());
        double part = partC(now);
        var judged = SprayWeather.judge(now, c, part);
        card.row("now", judged.verdict().words(),
                judged.verdict() == SprayWeather.Verdict.GO
                        ? Words.text("%.0f \u00b0C, %.0f %%, wind %.0f m/s; dew point %.0f \u00b0C", now.celsius(), now.humidity(),
                                now.windMs(), now.dewPoint())
                        : judged.words(),
                tone(judged.verdict()));
        var hours = SprayHours.of(model.weather()::at, c, model.now(), DAYS);
        double needed = plan.coats()
                .stream()
                .filter(x -> x.product().equals(c.name()))
                .mapToDouble(ColourPlan.Coats::handH)
                .max()
                .orElse(1);
        card.row("next", hours.next(needed).map(w -> when(w.from())).orElse("none"), hours.next(needed)
                .map(w -> Words.text("%.0f h in a row%s; the longest run of this paint takes %.1f h", w.hours(),
                        w.care() > 0 ? ", " + w.care() + " of them with care" : "", needed))
                .orElse(Words.text("no run of %.1f h in %d days: a booth indoors with air drawn off, or brush instead", needed, DAYS)),
                hours.next(needed).isEmpty() ? "stop" : "");
        card.title("best hours of the coming days");
        card.add(new Sheet<SprayHours.Window>("spray hours", "none in these days").words("from", w -> when(w.from()))
                .number("hours", SprayHours.Window::hours, w -> Words.text("%.0f", w.hours()))
                .number("with care", SprayHours.Window::care, w -> String.valueOf(w.care()))
                .rows(hours.best(6), 6));
        part(card, now, part);
        defect(card, c, now, part);
        var forecast = Card.action("read a forecast",
                () -> model.ask()
                        .toOpen("a forecast, hour by hour", AskFile.Kind.of("forecast as CSV", "csv", "txt"))
                        .ifPresent(model::useForecast));
        forecast.setId("read-forecast");
        card.row("weather from", Card.more(model.weather().source()), forecast);
    }

    private static String tone(SprayWeather.Verdict v) {
        return switch (v) {
            case GO -> "good";
            case CARE -> "care";
            case NO -> "stop";
        };
    }

    private static String when(LocalDateTime at) {
        return at.format(DAY) + Words.text(" %02d:00", at.getHour());
    }

    private double startC(SprayWeather.Hour now) {
        return switch (lay) {
            case WITH -> now.celsius();
            case SUN -> PartWarmth.inSun(now.celsius(), Math.max(now.sun(), 0.6), 40);
            case ROOM -> 20;
            case COLD -> 4;
        };
    }

    private double partC(SprayWeather.Hour now) {
        return lay == Lay.WITH ? now.celsius() : PartWarmth.after(startC(now), now.celsius(), minutes / 60);
    }

    private void part(Card card, SprayWeather.Hour now, double part) {
        card.title("how warm the part is");
        card.row("it lay", new Choice<>("part-lay", "where the part lay before", Arrays.asList(Lay.values()), lay, l -> l.words, l -> {
            lay = l;
            view.again();
        }));
        if (lay == Lay.WITH) return;
        var since = new Slider(0, 120, minutes);
        since.setId("part-minutes");
        since.setAccessibleText("minutes since it was brought here");
        since.valueChangingProperty().subscribe((was, on) -> {
            dragging = on;
            if (!on) view.again();
        });
        since.valueProperty().subscribe((before, v) -> {
            minutes = v.doubleValue();
            if (!dragging) view.again();
        });
        card.row("brought here", since, Card.more(Words.text("%.0f min ago", minutes)));
        double left = PartWarmth.hoursUntil(startC(now), now.celsius(), 3) - minutes / 60;
        card.row("part", Words.text("%.0f \u00b0C", part),
                left > 0 ? Words.text("within 3 \u00b0C of the air in %.0f min", 60 * left) : "as warm as the air", "");
    }

    /** What is seen on the film, and what it most likely comes from. */
    private void defect(Card card, Coating c, SprayWeather.Hour now, double part) {
        card.title("something went wrong");
        card.row("seen",
                new Choice<>("defect", "what is seen on the paint", Arrays.asList(Defect.values()), seen.orElse(null), Defect::words, d -> {
                    seen = Optional.of(d);
                    view.again();
                }));
        seen.ifPresent(d -> {
            var logged = model.result(ColourFigures.COLOUR).map(p -> Sprayed.of(times(), p)).orElse(List.of());
            if (!logged.isEmpty()) {
                byLog(card, d, logged);
                return;
            }
            boolean enamel = paints().stream().anyMatch(p -> model.shop().coating(p).binder() == Coating.Binder.ENAMEL);
            var below = new Defect.Paint(enamel, false, c.leastC(), c.mostC(), c.tapeH(), c.fullH());
            causes(card, d,
                    new Defect.Done(now.celsius(), now.humidity(), part, now.dewPoint(), now.sun(), film(c), below, c.tapeH(), Double.NaN));
            card.text("judged by the weather of this hour, for the log tells of no coat yet; a defect comes back unless its cause is gone");
        });
    }

    private static void causes(Card card, Defect d, Defect.Done done) {
        d.causes(done).forEach(x -> card.step(x.weight() >= 4 ? "likely" : "or", x.words(), x.repair()));
    }

    private static Defect.Paint film(Coating c) {
        return new Defect.Paint(c.binder() == Coating.Binder.ENAMEL, c.binder() == Coating.Binder.WATER_ACRYLIC, c.leastC(), c.mostC(),
                c.tapeH(), c.fullH());
    }

    /** When each run of coats was done, by its number. */
    private Map<Integer, Sprayed.Times> times() {
        var build = model.shownProperty().get();
        var out = new HashMap<Integer, Sprayed.Times>();
        Lessons.facts(build.log(), build).done().forEach((id, a) -> {
            if (id instanceof TaskId.Step s && s.prop().equals(prop().id()) && s.series() == TaskId.Series.COLOUR)
                out.put(s.number(), new Sprayed.Times(a.end().minusMinutes(Math.round(60 * a.hours())), a.end()));
        });
        return out;
    }

    /** What the log tells of a coat: its hour's weather, what it lay on, and when tape came. */
    private void byLog(Card card, Defect d, List<Sprayed> logged) {
        var s = logged.stream().filter(x -> x.step() == coat).findFirst().orElse(logged.getFirst());
        card.row("on", new Choice<>("defect-coat", "which of the coats in the log", logged, s,
                x -> Words.text("%s, %s", x.coats().zone(), x.coats().product()), x -> {
                    coat = x.step();
                    view.again();
                }));
        var hour = model.weather().at(s.from());
        var c = model.shop().coating(s.coats().product());
        var under = s.below().map(b -> film(model.shop().coating(b.product()))).orElse(film(c));
        // here: where the log does not say when the film below was done, it counts as dry
        double since = Double.isNaN(s.sinceBelowH()) ? under.fullH() : s.sinceBelowH();
        causes(card, d, new Defect.Done(hour.celsius(), hour.humidity(), hour.celsius(), hour.dewPoint(), hour.sun(), film(c), under, since,
                s.tapedH()));
        String beneath = s.below().isEmpty() ? ""
                : Double.isNaN(s.sinceBelowH()) ? "; how long " + s.below().get().product() + " had dried is not told"
                        : Words.text("; %s after %s", Words.hours(s.sinceBelowH()), s.below().get().product());
        String taped = Double.isNaN(s.tapedH()) ? "" : Words.text("; taped over after %s", Words.hours(s.tapedH()));
        card.text(Words.text("judged by the log: sprayed %s at %.0f \u00b0C and %.0f %%%s%s; the part taken to be as warm as the air",
                when(s.from()), hour.celsius(), hour.humidity(), beneath, taped));
    }

    @Override
    void draw() {
        view.shown(List.of(), List.of(), "prop");
        view.bench().legend().none();
        view.bench().picture(Optional.of(picture()));
        view.bench().gauges(List.of(gauge()));
    }

    private Bench.Gauge gauge() {
        var now = model.weather().at(model.now());
        var j = SprayWeather.judge(now, coating(paints()), partC(now));
        return new Bench.Gauge("spray now", j.verdict().words(), Words.text("%.0f \u00b0C, %.0f %%", now.celsius(), now.humidity()),
                tone(j.verdict()));
    }

    /** Days down, hours across: tall and full is go, half is care, a line is no. */
    private Node picture() {
        var c = coating(paints());
        var hours = SprayHours.of(model.weather()::at, c, model.now().toLocalDate().atStartOfDay(), DAYS);
        var grid = new GridPane();
        grid.setHgap(2);
        grid.setVgap(5);
        grid.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        for (int h = FIRST; h < LAST; h += 3) {
            var l = new Label(Words.text("%02d", h));
            l.getStyleClass().add("gauge-name");
            grid.add(l, 1 + h - FIRST, 0, 3, 1);
        }
        for (int d = 0; d < DAYS; d++) {
            var day = new Label(hours.slots().get(24 * d).hour().time().format(DAY));
            day.getStyleClass().add("gauge-name");
            day.setMinWidth(68);
            grid.add(day, 0, d + 1);
            for (int h = FIRST; h < LAST; h++) grid.add(cell(hours.slots().get(24 * d + h)), 1 + h - FIRST, d + 1);
        }
        var head = new Label("hours to spray " + c.name());
        head.getStyleClass().add("heading");
        var key = new Label("full: go, half: care, line: no; \u00b0C and % in each hour");
        key.getStyleClass().add("gauge-more");
        GridPane.setHalignment(key, HPos.LEFT);
        var box = new VBox(8, head, grid, key);
        box.setAlignment(Pos.CENTER_LEFT);
        box.setTranslateY(-24); // here: the gauge lies below it
        box.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        return box;
    }

    private Node cell(SprayHours.Slot s) {
        var fill = new Region();
        fill.getStyleClass().add("strip-" + s.verdict().name().toLowerCase(Locale.ROOT));
        double tall = switch (s.verdict()) {
            case GO -> 22;
            case CARE -> 12;
            case NO -> 3;
        };
        fill.setMinSize(23, tall);
        fill.setMaxSize(23, tall);
        var words = new Label(Words.text("%.0f\u00b0%n%.0f", s.hour().celsius(), s.hour().humidity()));
        words.getStyleClass().add("hour-words");
        words.setMouseTransparent(true);
        var bar = new StackPane(fill);
        bar.setMinSize(23, 22);
        StackPane.setAlignment(fill, Pos.BOTTOM_CENTER);
        var cell = new VBox(1, words, bar);
        cell.setAlignment(Pos.BOTTOM_CENTER);
        cell.setOpacity(s.hour().time().isBefore(model.now().minusHours(1)) ? 0.35 : 1);
        Tooltip.install(cell, new Tooltip(Words.text("%s: %.0f \u00b0C, %.0f %%, wind %.0f m/s, sun %.0f %%: %s", when(s.hour().time()),
                s.hour().celsius(), s.hour().humidity(), s.hour().windMs(), 100 * s.hour().sun(), s.judged().words())));
        return cell;
    }
}
