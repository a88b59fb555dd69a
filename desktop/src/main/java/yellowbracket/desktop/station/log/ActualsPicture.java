package yellowbracket.desktop.station.log;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.log.Tally;

/**
 * Hours told against hours taken: by station as pairs of bars, over time as points about the line of "as told" with the range that four
 * jobs in five should keep, and beneath it the pictures of the log where they were taken.
 */
final class ActualsPicture extends Pane {
    private static final double LEFT = 96, RIGHT = 24, TOP = 84, ROW = 30, BELOW = 120, PICTURE = 64;
    private static final double MOST_TIMES = 4;
    private static final Font SMALL = Font.font("Barlow", 11.5), NAME = Font.font("Barlow Condensed", 14),
            MONO = Font.font("JetBrains Mono", 11);
    private static final DateTimeFormatter DATE = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /** A picture of the log. */
    record Shot(LocalDateTime at, Image image) {}

    private final Tally tally;
    private final List<Shot> shots;
    private final LocalDateTime from;
    private final LocalDateTime to;
    private final boolean night;
    private final Canvas canvas = new Canvas();

    ActualsPicture(Tally tally, List<Shot> shots, LocalDateTime from, LocalDateTime to, boolean night) {
        this.tally = tally;
        this.shots = List.copyOf(shots);
        this.from = from;
        this.to = to;
        this.night = night;
        getChildren().add(canvas);
        setId("actuals");
        setAccessibleText(Words.text("hours told %.0f, taken %.0f, of %d jobs", tally.toldH(), tally.tookH(), tally.jobs().size()));
        canvas.widthProperty().bind(widthProperty());
        canvas.heightProperty().bind(heightProperty());
        widthProperty().subscribe(x -> paint());
        heightProperty().subscribe(x -> paint());
    }

    private void paint() {
        var g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        double wide = getWidth() - LEFT - RIGHT, bottom = getHeight() - BELOW;
        if (wide < 80 || bottom < TOP + 120) return;
        if (tally.jobs().isEmpty()) {
            words(g, NAME, LEFT, TOP + 20, "note the hours of what is done to see them here: done C 1.2 h");
            return;
        }
        double y = stations(g, wide) + 34;
        double strip = shots.isEmpty() ? 0 : PICTURE + 14;
        overTime(g, wide, y, bottom - strip);
        if (!shots.isEmpty()) pictures(g, wide, bottom - PICTURE);
    }

    private void words(GraphicsContext g, Font font, double x, double y, String text) {
        g.setFont(font);
        g.setFill(Role.INK.colour(night));
        g.setTextAlign(TextAlignment.LEFT);
        g.fillText(text, x, y);
    }

    private double stations(GraphicsContext g, double wide) {
        var sums = tally.byStation();
        double most = sums.values().stream().mapToDouble(s -> Math.max(s.toldH(), s.tookH())).max().orElse(1), room = wide - 110;
        words(g, NAME, 16, TOP - 10, "hours: outline as told, bar as taken");
        double y = TOP + 6;
        for (var e : sums.entrySet()) {
            words(g, NAME, 16, y + 13, e.getKey().label());
            double took = room * e.getValue().tookH() / most, told = room * e.getValue().toldH() / most;
            g.setFill(tone(e.getValue().tookH() / e.getValue().toldH()));
            g.fillRect(LEFT, y, took, ROW - 12);
            g.setStroke(Role.INK.colour(night));
            g.setLineWidth(1.2);
            g.strokeRect(LEFT, y - 2, told, ROW - 8);
            words(g, MONO, LEFT + Math.max(took, told) + 6, y + 13,
                    Words.text("%.1f of %.1f h, %d", e.getValue().tookH(), e.getValue().toldH(), e.getValue().jobs()));
            y += ROW;
        }
        return y;
    }

    private Color tone(double times) {
        return times > 1.25 ? Role.SEAM_STOP.colour(night) : times > 1.05 ? Role.SEAM_CARE.colour(night) : Role.SEAM_GOOD.colour(night);
    }

    private double x(LocalDateTime t, double wide) {
        double all = Math.max(1, Duration.between(from, to).toMinutes());
        return LEFT + wide * Math.clamp(Duration.between(from, t).toMinutes() / all, 0, 1);
    }

    private void overTime(GraphicsContext g, double wide, double top, double bottom) {
        double middle = (top + bottom) / 2, half = (bottom - top) / 2 - 6;
        words(g, NAME, 16, top - 12, "job by job: times as long as told");
        for (double times : new double[] {0.25, 0.5, 1, 2, 4}) {
            double y = middle - half * Math.log(times) / Math.log(MOST_TIMES);
            g.setStroke(times == 1 ? Role.INK.colour(night) : Role.LINE.colour(night));
            g.setLineWidth(times == 1 ? 1.4 : 0.7);
            g.strokeLine(LEFT, y, LEFT + wide, y);
            words(g, MONO, 44, y + 4, "\u00d7" + (times < 1 ? Words.text("%.2f", times) : Words.text("%.0f", times)));
        }
        for (var j : tally.jobs()) {
            double times = Math.clamp(j.tookH() / j.toldH(), 1 / MOST_TIMES, MOST_TIMES);
            double x = x(j.at(), wide), y = middle - half * Math.log(times) / Math.log(MOST_TIMES);
            g.setFill(j.within() ? Role.GOOD.colour(night) : Role.STOP.colour(night));
            if (j.outlier()) {
                g.setStroke(Role.STOP.colour(night));
                g.setLineWidth(1.6);
                g.strokeOval(x - 5, y - 5, 10, 10);
            } else g.fillOval(x - 4, y - 4, 8, 8);
        }
        g.setTextAlign(TextAlignment.LEFT);
        words(g, MONO, LEFT, bottom + 10, DATE.format(from));
        g.setTextAlign(TextAlignment.RIGHT);
        g.fillText(DATE.format(to), LEFT + wide, bottom + 10);
    }

    private void pictures(GraphicsContext g, double wide, double y) {
        double last = Double.NEGATIVE_INFINITY;
        for (var s : shots) {
            double w = PICTURE * s.image.getWidth() / Math.max(1, s.image.getHeight());
            double x = Math.min(Math.max(x(s.at, wide) - w / 2, last + 4), LEFT + wide - w);
            if (x < last) return; // no room for more of them
            g.drawImage(s.image, x, y, w, PICTURE);
            g.setStroke(Role.YELLOW.colour(night));
            g.setLineWidth(2);
            g.strokeLine(x(s.at, wide), y - 6, x(s.at, wide), y);
            last = x + w;
        }
    }
}
