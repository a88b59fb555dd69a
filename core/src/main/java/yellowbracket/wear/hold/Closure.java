package yellowbracket.wear.hold;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.cut.registration.Fitted;
import yellowbracket.cut.registration.Polarity;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.join.Removable;
import yellowbracket.mesh.Vec3;

/**
 * A joint that is opened again, and the magnets in it.
 *
 * @param sizes of the magnets, as bought @param pullN of all of them over the gap with the films on both faces, losses taken off
 * @param needN what handling asks @param north as they go in: of the part above, by magnet @param best the pattern that repels best
 * @param asBuilt how the pattern as it goes in does over the wrong poses
 */
public record Closure(String seam, List<String> sizes, double gapMm, double pullN, double needN, List<Magnet> magnets, Polarity best,
        int asBuilt, List<Finding> findings) {
    /** One of the joint. */
    public record Magnet(Vec3 at, boolean northUp) {}

    /** A joint that takes more to open is hardly off in five seconds with gloves on, N; a starting value. */
    public static final double OFF_N = 60;

    public Closure {
        sizes = List.copyOf(sizes);
        magnets = List.copyOf(magnets);
        findings = List.copyOf(findings);
    }

    /**
     * @param bareGapMm between magnets without paint @param filmMm on each face, 0 where it is kept bare @param worn whether it must come
     * off quickly
     */
    public static Optional<Closure> of(String seam, List<Fitted> fitted, double bareGapMm, double filmMm, double needN, boolean worn) {
        var magnets = fitted.stream().filter(f -> f.seam().equals(seam) && f.kind().magnet()).toList();
        if (magnets.isEmpty()) return Optional.empty();
        double gap = bareGapMm + 2 * filmMm;
        double pull = magnets.stream().mapToDouble(f -> Removable.pullN(f.diameterMm(), f.lengthMm(), gap)).sum();
        var at = magnets.stream().map(Fitted::at).toList();
        var best = Polarity.of(at, magnets.getFirst().axis());
        int built = Polarity.pull(magnets.stream().map(Fitted::northUp).toList(), at, magnets.getFirst().axis());
        var found = new ArrayList<Finding>();
        if (pull < needN) found.add(
                care(seam, String.format(Locale.ROOT, "%s: %d magnets hold %.0f N over %.1f mm, handling asks %.0f: more or larger ones",
                        seam, magnets.size(), pull, gap, needN)));
        if (worn && pull > OFF_N) found.add(care(seam, String.format(Locale.ROOT,
                "%s: %.0f N to pull open: with gloves that is not off in five seconds; leave some magnets out, or give it a tab to twist",
                seam, pull)));
        if (built >= 0 && best.poses() > 0) found.add(Finding.of(Weight.NOTE, Subject.seam(seam),
                best.wrongRepels() ? seam + ": put in as planned, a wrong pose holds too: turn magnets as shown"
                        : seam + ": no pattern repels every wrong pose: mark the right one, or set one magnet off the row"));
        return Optional.of(new Closure(seam, magnets.stream().map(Fitted::size).distinct().toList(), gap, pull, needN,
                magnets.stream().map(f -> new Magnet(f.at(), f.northUp())).toList(), best, built, found));
    }

    private static Finding care(String seam, String words) {
        return Finding.of(Weight.CARE, Subject.seam(seam), words);
    }
}
