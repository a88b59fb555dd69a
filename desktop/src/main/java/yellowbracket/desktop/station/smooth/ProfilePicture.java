package yellowbracket.desktop.station.smooth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.shop.Catalogue;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Contrast;
import yellowbracket.smooth.CrossSection;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.Place;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.Walk;

/** The surface cut open: print and films, heights drawn larger than lengths by a factor that is told. */
final class ProfilePicture extends Pane {
    private static final double WIDE = 396, TALL = 132, LEFT = 46, BOTTOM = 22, TOP = 12;
    /** Solid print shown beneath the valleys, um. */
    private static final double BENEATH_UM = 60;

    private ProfilePicture(CrossSection cut, List<Color> films, Color print, boolean night) {
        setMinSize(WIDE, TALL);
        setPrefSize(WIDE, TALL);
        setMaxSize(WIDE, TALL);
        setId("profile");
        double low = Arrays.stream(cut.print()).min().orElse(0) - BENEATH_UM, high = Arrays.stream(cut.top()).max().orElse(0);
        high = Math.max(high, low + 120) + 20;
        double perUm = (TALL - TOP - BOTTOM) / (high - low), perMm = (WIDE - LEFT - 6) / cut.x()[cut.x().length - 1];
        var floor = new double[cut.x().length];
        Arrays.fill(floor, low);
        var layers = new ArrayList<double[]>();
        layers.add(floor);
        layers.add(cut.print());
        cut.films().forEach(f -> layers.add(f.top()));
        var colours = new ArrayList<Color>();
        colours.add(print);
        colours.addAll(films);
        for (int i = 1; i < layers.size(); i++)
            getChildren().add(band(cut.x(), layers.get(i - 1), layers.get(i), perMm, perUm, low, colours.get(i - 1)));
        var edge = new Polyline();
        for (int i = 0; i < cut.x().length; i++) edge.getPoints().addAll(LEFT + cut.x()[i] * perMm, y(cut.top()[i], low, perUm));
        edge.setStroke(Role.INK.colour(night));
        edge.setStrokeWidth(1.2);
        getChildren().add(edge);
        double tick = high - low > 700 ? 200 : high - low > 280 ? 100 : 50;
        for (double t = Math.ceil(low / tick) * tick; t <= high; t += tick) {
            var line = new Line(LEFT - 4, y(t, low, perUm), LEFT, y(t, low, perUm));
            line.setStroke(Role.LINE.colour(night));
            getChildren().add(line);
            text(Words.text("%.0f", t), 2, y(t, low, perUm) - 8);
        }
        text(Words.text("\u00b5m over %.1f mm, drawn %.0f times as high", cut.x()[cut.x().length - 1], 1000 * perUm / perMm), LEFT,
                TALL - 18);
    }

    private static double y(double um, double low, double perUm) {
        return TALL - BOTTOM - (um - low) * perUm;
    }

    private static Polygon band(double[] x, double[] from, double[] to, double perMm, double perUm, double low, Color colour) {
        var p = new Polygon();
        for (int i = 0; i < x.length; i++) p.getPoints().addAll(LEFT + x[i] * perMm, y(to[i], low, perUm));
        for (int i = x.length - 1; i >= 0; i--) p.getPoints().addAll(LEFT + x[i] * perMm, y(Math.min(from[i], to[i]), low, perUm));
        p.setFill(colour);
        return p;
    }

    private void text(String words, double x, double y) {
        var l = new Label(words);
        l.getStyleClass().add("legend-tick");
        l.relocate(x, y);
        getChildren().add(l);
    }

    /** @param done how many of the plan's steps are done */
    static ProfilePicture of(Place p, Walk walk, Areas.Area area, int done, SmoothPlan plan, String printHex, Catalogue shop,
            boolean night) {
        var surfaces = walk.surfaces(area, p.depthUm(), done);
        var steps = walk.steps(area, done);
        var products = steps.stream()
                .filter(s -> s.kind() == Ladder.Kind.FILM || s.kind() == Ladder.Kind.PRIME)
                .map(Ladder.Step::product)
                .toList();
        var all = plan.ladders()
                .getOrDefault(area, List.of())
                .stream()
                .filter(s -> s.kind() == Ladder.Kind.FILM || s.kind() == Ladder.Kind.PRIME)
                .map(Ladder.Step::product)
                .toList();
        var shades = Contrast.of(printHex, all, shop).coats();
        var colours = new ArrayList<Color>();
        for (int i = 0; i < products.size(); i++) {
            var hex = shades.get(i).hex();
            colours.add(hex.isEmpty() ? Role.GLASS.colour().deriveColor(0, 1, 1, 0.55) : Color.web(hex));
        }
        return new ProfilePicture(CrossSection.of(p, surfaces, steps), colours, Color.web(printHex), night);
    }
}
