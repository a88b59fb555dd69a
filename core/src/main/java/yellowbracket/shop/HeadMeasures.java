package yellowbracket.shop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.finding.Limits;

/**
 * Tape and calliper measures of a head, mm, in the terms of ISO 7250: circumference above the brows, length brow to back, breadth above the
 * ears. Height (chin to crown), face width, neck circumference and pupil distance may be missing; {@link #filled} then assumes them.
 */
public record HeadMeasures(double circumferenceMm, double lengthMm, double breadthMm, Optional<Double> heightMm,
        Optional<Double> faceWidthMm, Optional<Double> neckMm, Optional<Double> pupilsMm) {

    /** What is no head is told by {@link #check}, with the slip that may have made it. */
    private static final double MOST_MM = 100_000;

    public HeadMeasures {
        for (double mm : new double[] {circumferenceMm, lengthMm, breadthMm}) Limits.within("a measure of a head, mm", mm, 0, MOST_MM);
        for (var mm : List.of(heightMm, faceWidthMm, neckMm, pupilsMm))
            mm.ifPresent(v -> Limits.within("a measure of a head, mm", v, 0, MOST_MM));
    }

    /** A measure that lies where no adult or child head does, or contradicts another. */
    public record Implausible(String measure, String what, String todo) {
        public String sentence() {
            return measure + ": " + what + "; " + todo + ".";
        }
    }

    /** Every measure with a value; {@code assumed} names those that come from regression, not from tape. */
    public record Filled(double circumferenceMm, double lengthMm, double breadthMm, double heightMm, double faceWidthMm, double neckMm,
            double pupilsMm, List<String> assumed) {}

    public static HeadMeasures of(double circumferenceMm, double lengthMm, double breadthMm) {
        return new HeadMeasures(circumferenceMm, lengthMm, breadthMm, Optional.empty(), Optional.empty(), Optional.empty(),
                Optional.empty());
    }

    /** From the circumference alone: length and breadth in the mean proportions of adult heads (0.345 and 0.267 of it). */
    public static HeadMeasures ofCircumference(double circumferenceMm) {
        return of(circumferenceMm, 0.345 * circumferenceMm, 0.267 * circumferenceMm);
    }

    /**
     * The ratios are means over published adult surveys (rounded): height 0.39 and neck 0.655 of the circumference, face 0.91 of the
     * breadth.
     */
    public Filled filled() {
        var assumed = new ArrayList<String>();
        double height = orAssume(heightMm, 0.39 * circumferenceMm, "height", assumed);
        double face = orAssume(faceWidthMm, 0.91 * breadthMm, "face width", assumed);
        double neck = orAssume(neckMm, 0.655 * circumferenceMm, "neck", assumed);
        double pupils = orAssume(pupilsMm, 0.11 * circumferenceMm, "pupil distance", assumed);
        return new Filled(circumferenceMm, lengthMm, breadthMm, height, face, neck, pupils, List.copyOf(assumed));
    }

    private static double orAssume(Optional<Double> given, double otherwise, String name, List<String> assumed) {
        if (given.isEmpty()) assumed.add(name);
        return given.orElse(otherwise);
    }

    /** What cannot be right, in words; empty for a plausible head. Ranges cover small children to the largest adults. */
    public List<Implausible> check() {
        var out = new ArrayList<Implausible>();
        range("circumference", circumferenceMm, 440, 680, out);
        range("length", lengthMm, 145, 235, out);
        range("breadth", breadthMm, 115, 190, out);
        heightMm.ifPresent(v -> range("height", v, 150, 290, out));
        faceWidthMm.ifPresent(v -> range("face width", v, 90, 180, out));
        neckMm.ifPresent(v -> range("neck", v, 200, 560, out));
        pupilsMm.ifPresent(v -> range("pupil distance", v, 45, 78, out));
        if (!out.isEmpty()) return List.copyOf(out);
        double least = ovalPerimeter(1.5), most = ovalPerimeter(5);
        if (circumferenceMm < least || circumferenceMm > most) out.add(new Implausible("circumference",
                String.format(java.util.Locale.ROOT, "%.0f mm does not go round a head %.0f long and %.0f wide (%.0f to %.0f would)",
                        circumferenceMm, lengthMm, breadthMm, least, most),
                "measure the three again, the tape level above the brows"));
        return List.copyOf(out);
    }

    private static void range(String name, double v, double lo, double hi, List<Implausible> out) {
        if (v >= lo && v <= hi) return;
        String hint = "measure it again";
        if (v * 25.4 >= lo && v * 25.4 <= hi) hint = "this looks like inches: enter " + Math.round(v * 25.4) + " mm";
        else if (v * 10 >= lo && v * 10 <= hi) hint = "this looks like centimetres: enter " + Math.round(v * 10) + " mm";
        out.add(new Implausible(name, String.format(java.util.Locale.ROOT, "%.4g mm is outside %.0f to %.0f", v, lo, hi), hint));
    }

    /** Perimeter of the oval |x/a|^p + |y/b|^p = 1 over the stated length and breadth, mm. */
    public double ovalPerimeter(double p) {
        double sum = 0, px = breadthMm / 2, py = 0;
        int n = 720;
        for (int i = 1; i <= n; i++) {
            double t = 2 * Math.PI * i / n;
            double x = breadthMm / 2 * Math.signum(Math.cos(t)) * Math.pow(Math.abs(Math.cos(t)), 2 / p);
            double y = lengthMm / 2 * Math.signum(Math.sin(t)) * Math.pow(Math.abs(Math.sin(t)), 2 / p);
            sum += Math.hypot(x - px, y - py);
            px = x;
            py = y;
        }
        return sum;
    }
}
