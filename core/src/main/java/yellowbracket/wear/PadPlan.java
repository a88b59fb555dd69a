package yellowbracket.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Clearance;
import yellowbracket.size.Zone;

/**
 * One wearer's set of foam pads, from the clearance left where pads go. Foam is taken a little thicker than the gap, to be pressed by about
 * 30 %.
 */
public record PadPlan(Wearer wearer, List<Pad> pads, List<Finding> findings) {
    /** Foam in a zone: stock layers, mm, and what is left of them when worn. {@code count}: pieces (temples are two). */
    public record Pad(Zone zone, double gapMm, List<Double> layersMm, double pressedShare, int count) {
        public String words() {
            if (layersMm.isEmpty()) return "no pad";
            return String.join(" + ", layersMm.stream().map(l -> String.format(Locale.ROOT, "%.0f", l)).toList()) + " mm";
        }

        public double thicknessMm() {
            return layersMm.stream().mapToDouble(Double::doubleValue).sum();
        }
    }

    /** Share of its thickness that foam gives way when worn. */
    private static final double PRESSED = 0.30;
    /** Less is left without a pad, mm. */
    private static final double THINNEST_GAP_MM = 2.5;

    public static PadPlan of(Wearer wearer, Clearance clearance, List<Double> stockMm) {
        var pads = new ArrayList<Pad>();
        var findings = new ArrayList<Finding>();
        for (var z : clearance.zones()) {
            if (!z.zone().padded()) continue;
            double gap = z.medianMm() - wearer.hairMm() / 3;
            var layers = layers(gap / (1 - PRESSED), stockMm);
            double sum = layers.stream().mapToDouble(Double::doubleValue).sum();
            double pressed = sum > 0 ? 1 - gap / sum : 0;
            pads.add(new Pad(z.zone(), gap, layers, pressed, z.zone() == Zone.TEMPLES ? 2 : 1));
            if (gap < THINNEST_GAP_MM) findings.add(Finding.care(z.zone().label() + ": no room for a pad"));
            else if (sum > 45) findings.add(Finding.of(Weight.NOTE, Subject.named(z.zone().label()),
                    "%s: %.0f mm of foam is soft to stand on: hang a headband cradle instead", z.zone().label(), sum));
        }
        return new PadPlan(wearer, List.copyOf(pads), List.copyOf(findings));
    }

    /** One stock thickness, or the two whose sum comes nearest to {@code wanted}; nothing for no gap. */
    static List<Double> layers(double wanted, List<Double> stockMm) {
        if (wanted < THINNEST_GAP_MM) return List.of();
        List<Double> best = List.of();
        double off = Double.POSITIVE_INFINITY;
        for (double a : stockMm) {
            if (Math.abs(a - wanted) < off - 1e-9) {
                off = Math.abs(a - wanted);
                best = List.of(a);
            }
        }
        // a second layer must be worth its glue
        for (double a : stockMm) for (double b : stockMm) if (a >= b && Math.abs(a + b - wanted) < off - 1.5) {
            off = Math.abs(a + b - wanted);
            best = List.of(a, b);
        }
        return best;
    }
}
