package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The surface cut open along a line across its valleys: the print and the films on it, micrometres over the peaks of the print as it came.
 * @param x along the line, mm @param print height of the print at each, after what was sanded off it @param films from the lowest, each up
 *        to its top
 */
public record CrossSection(double[] x, double[] print, List<Film> films) {
    private static final int POINTS = 480;
    /** So many valleys are shown. */
    private static final int VALLEYS = 5;
    private static final double LEAST_MM = 1.5, MOST_MM = 12;
    /** Stubs of support stand so far apart as their lines. */
    private static final double STUBS_MM = 2.9;

    /** @param product by name @param top its height at each x */
    public record Film(String product, double[] top) {}

    /** @param surfaces as printed and after each of {@code steps} */
    public static CrossSection of(Place p, List<Surface> surfaces, List<Ladder.Step> steps) {
        double width = p.kind() == Place.Kind.SCARS ? STUBS_MM
                : p.kind() == Place.Kind.FLATS || p.kind() == Place.Kind.SEAMS ? MOST_MM / VALLEYS : p.widthMm();
        double wide = Math.clamp(VALLEYS * width, LEAST_MM, MOST_MM);
        var x = new double[POINTS];
        var shape = new double[POINTS];
        for (int i = 0; i < POINTS; i++) {
            x[i] = wide * i / (POINTS - 1);
            shape[i] = shape(p, x[i] / width - Math.floor(x[i] / width));
        }
        var print = Arrays.stream(shape).map(s -> s * p.shownUm()).toArray();
        var films = new ArrayList<Film>();
        var top = print.clone();
        for (int k = 0; k < steps.size(); k++) {
            var s = surfaces.get(k + 1);
            var now = new double[POINTS];
            for (int i = 0; i < POINTS; i++) now[i] = s.over() - s.printTaken() + shape[i] * s.valley();
            switch (steps.get(k).kind()) {
                case FILM, PRIME -> {
                    for (int i = 0; i < POINTS; i++) now[i] = Math.max(now[i], top[i]);
                    films.add(new Film(steps.get(k).product(), now));
                }
                case SAND -> {
                    films.replaceAll(f -> new Film(f.product, least(f.top, now)));
                    print = least(print, now);
                    System.arraycopy(least(top, now), 0, now, 0, POINTS);
                }
                case LOOK -> System.arraycopy(top, 0, now, 0, POINTS);
            }
            top = now;
        }
        return new CrossSection(x, print, List.copyOf(films));
    }

    private static double[] least(double[] a, double[] b) {
        var out = new double[a.length];
        for (int i = 0; i < a.length; i++) out[i] = Math.min(a[i], b[i]);
        return out;
    }

    /** 0 on a peak, -1 in a valley. @param t where between one line and the next, 0..1 */
    private static double shape(Place p, double t) {
        return switch (p.kind()) {
            case LINES -> Math.abs(p.normal().z()) < 0.2 || p.widthMm() < 0.35 ? -0.5 + 0.5 * Math.cos(2 * Math.PI * t) : stair(t);
            case TERRACES -> stair(t);
            case SCARS -> t < 0.25 ? -1 + 0.35 * Math.sin(12 * t) : -0.12 * (1 + Math.sin(23 * t));
            case FLATS -> -4 * t * (1 - t);
            case SEAMS -> t > 0.46 && t < 0.54 ? -1 : t >= 0.54 ? -0.35 : 0;
        };
    }

    /** The rounded nose of a layer, then the slope down to the next. */
    private static double stair(double t) {
        return t < 0.12 ? -(1 - t / 0.12) : -Math.pow((t - 0.12) / 0.88, 1.6);
    }

    /** Height of what one sees. */
    public double[] top() {
        return films.isEmpty() ? print.clone() : films.getLast().top.clone();
    }

    /** From the lowest to the highest of all that is drawn, um. */
    public double highUm() {
        return Arrays.stream(top()).max().orElse(0) - Arrays.stream(print).min().orElse(0);
    }
}
