package yellowbracket.desktop.benchmode;

import java.util.Optional;
import java.util.OptionalDouble;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.device.SimulatedScale;
import yellowbracket.device.Steady;
import yellowbracket.smooth.Mix;

/**
 * One batch at the bench: base into the cup, what the scale settles on decides the hardener, then the pot life counts down. W takes what
 * the scale shows, X pours (the scale is simulated), R begins another batch; a weight may be typed instead.
 */
final class MixPane extends VBox implements AutoCloseable {
    /** What is in the cup. */
    private enum Stage { BASE, HARDENER, MIXED }

    private static final double TICK_S = 0.1;
    /** A pour of the simulated scale, as a share of what is still wanted. */
    private static final double POUR = 0.55;

    private final Mix mix;
    private final Timers timers;
    private final SimulatedScale scale;
    private final Timeline clock;
    private final Label title = new Label();
    private final Label wanted = new Label();
    private final Label shown = new Label();
    private final Label said = new Label();
    private final TextField typed = new TextField();
    private Steady steady;
    private double seconds;
    private OptionalDouble settled = OptionalDouble.empty();
    private Stage stage = Stage.BASE;
    private Optional<Mix.Pour> pour = Optional.empty();
    private int batch = 1;

    MixPane(Mix mix, double scaleG, Timers timers, long seed) {
        this.mix = mix;
        this.timers = timers;
        scale = new SimulatedScale(scaleG, seed);
        steady = new Steady(scaleG);
        setSpacing(8);
        setId("mix-pane");
        getStyleClass().add("mix-pane");
        shown.getStyleClass().add("clock");
        shown.setId("scale");
        said.setId("mix-said");
        for (var l : java.util.List.of(wanted, said)) l.setWrapText(true);
        typed.setId("weighed");
        typed.setPrefWidth(170);
        typed.setPromptText(mix.unit());
        typed.setAccessibleText("what is in the cup, typed instead of weighed");
        typed.setOnAction(e -> typed());
        var line = new HBox(24);
        // a scale says nothing of parts that are told by volume: those are read off a marked cup and typed
        if (mix.weighed()) line.getChildren().addAll(shown, button("take it  W", this::take), button("pour  X", this::pourOn));
        line.getChildren().addAll(button("new batch  R", this::again), typed);
        getChildren().setAll(title, wanted, line, said);
        clock = new Timeline(new KeyFrame(Duration.seconds(TICK_S), e -> tick()));
        clock.setCycleCount(Animation.INDEFINITE);
        clock.play();
        write();
    }

    private static Button button(String words, Runnable run) {
        var b = new Button(words);
        b.getStyleClass().setAll("button", "action");
        b.setFocusTraversable(false);
        b.setOnAction(e -> run.run());
        return b;
    }

    /** Whether a weight is being typed: letters are then no keys. */
    boolean typing() {
        return typed.isFocused();
    }

    private void tick() {
        seconds += TICK_S;
        scale.advance(TICK_S);
        double now = scale.shown();
        settled = steady.feed(seconds, now);
        shown.setText(figure(now) + " " + mix.unit());
        shown.setOpacity(settled.isPresent() ? 1 : 0.55);
    }

    private String figure(double v) {
        return Words.text(scale.stepG() >= 1 ? "%.0f" : scale.stepG() >= 0.1 ? "%.1f" : "%.2f", v);
    }

    private double wants() {
        return stage == Stage.BASE ? mix.baseEach() : pour.map(Mix.Pour::hardener).orElse(0.0);
    }

    void pourOn() {
        if (stage == Stage.MIXED || !mix.weighed()) return;
        double left = wants() - scale.shown();
        scale.put(Math.max(scale.stepG(), left > 4 * scale.stepG() ? POUR * left : left));
        steady = new Steady(scale.stepG());
    }

    void take() {
        if (!mix.weighed()) said.setText("parts by volume are not weighed: read the marked cup and type it");
        else if (settled.isEmpty()) said.setText("wait until the scale stands still");
        else taken(settled.getAsDouble());
    }

    private void typed() {
        try {
            taken(Double.parseDouble(typed.getText().strip().replace(',', '.')));
            typed.clear();
        } catch (NumberFormatException e) {
            said.setText("\"" + typed.getText() + "\" is no weight: type " + mix.unit() + ", such as 86.5");
        }
    }

    /** Base first, then the hardener that belongs to it. */
    private void taken(double amount) {
        switch (stage) {
            case BASE -> {
                if (!(amount > 0 && amount < 1e5)) {
                    said.setText("nothing is in the cup yet: pour the base first");
                    return;
                }
                pour = Optional.of(mix.poured(amount));
                stage = Stage.HARDENER;
                scale.tare();
                steady = new Steady(scale.stepG());
                said.setText("");
            }
            case HARDENER -> {
                var p = pour.orElseThrow();
                said.setText(p.said(amount));
                if (!p.right(amount)) return;
                stage = Stage.MIXED;
                timers.start(mix.product() + " sets", mix.potLifeMin());
            }
            case MIXED -> said.setText("this batch is mixed: R begins another");
        }
        write();
    }

    void again() {
        if (stage == Stage.MIXED) batch = batch % Math.max(1, mix.batches()) + 1;
        stage = Stage.BASE;
        pour = Optional.empty();
        scale.clear();
        steady = new Steady(scale.stepG());
        said.setText("");
        write();
    }

    private void write() {
        title.setText(Words.text(mix.weighed() ? "%s, batch %d of %d; simulated scale" : "%s, batch %d of %d; by volume, in a marked cup",
                mix.product(), batch, mix.batches()));
        wanted.setText(switch (stage) {
            case BASE -> Words.text("pour %s %s of base into an empty cup" + (mix.weighed() ? ", tared" : ""), figure(mix.baseEach()),
                    mix.unit());
            case HARDENER -> Words.text("add %s %s of hardener; %s to %s stands", fine(pour.orElseThrow().hardener()), mix.unit(),
                    fine(pour.orElseThrow().least()), fine(pour.orElseThrow().most()));
            case MIXED -> Words.text("stir a minute, scrape the sides, spread it within %.0f min. A cup that gets warm is set outdoors on "
                    + "stone and left alone", mix.minutesEach());
        });
    }

    private static String fine(double v) {
        return Words.text(v < 1 ? "%.2f" : v < 10 ? "%.1f" : "%.0f", v);
    }

    @Override
    public void close() {
        clock.stop();
    }
}
