package yellowbracket.log;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.hipparchus.distribution.continuous.GammaDistribution;
import yellowbracket.print.Failure;
import yellowbracket.print.FailureKind;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;

/**
 * What the log says of one printer: prints and hours, failures by kind, its failures an hour (gamma prior of the catalogue updated by them,
 * with the range
 * that holds it eight times in ten) and its hours against those computed. Entries name the printer by a tag; those without one count for
 * every printer, hours in equal parts.
 */
public record PrintRecord(String printer, int done, double hours, Map<FailureKind, Integer> failures, double failuresPerHour,
        double lowRate, double highRate, Rate factor) {
    /** Eight times in ten lies between the two tails. */
    private static final double TAIL = 0.1;

    public PrintRecord {
        failures = Map.copyOf(failures);
    }

    /** @param all printers of the shop, this one too @param before the factor learned in builds before this one */
    public static PrintRecord of(List<Entry> log, Printer printer, List<Printer> all, Rate before) {
        var kinds = new EnumMap<FailureKind, Integer>(FailureKind.class);
        var factor = before;
        int done = 0;
        double hours = 0;
        for (var e : log) {
            if (e.kind() != Entry.Kind.FAILED && e.kind() != Entry.Kind.DONE || e.printed().isEmpty()) continue;
            if (e.failure().filter(FailureKind::byHand).isPresent()) continue;
            boolean tagged = e.tags().contains(printer.tag());
            if (!tagged && all.stream().anyMatch(p -> e.tags().contains(p.tag()))) continue;
            hours += e.hours() / (tagged ? 1 : all.size());
            if (e.kind() == Entry.Kind.FAILED) {
                kinds.merge(e.failure().orElse(FailureKind.OTHER), 1, Integer::sum);
                continue;
            }
            done++;
            if (tagged && e.hours() > 0 && e.planned().isPresent()) factor = factor.with(e.hours(), e.planned().getAsDouble());
        }
        int lost = kinds.values().stream().mapToInt(Integer::intValue).sum();
        double shape = printer.failuresPerHour() * Failure.PRIOR_HOURS + lost, observed = Failure.PRIOR_HOURS + hours;
        double low = 0, high = 0;
        if (shape > 0) {
            var gamma = new GammaDistribution(shape, 1 / observed);
            low = gamma.inverseCumulativeProbability(TAIL);
            high = gamma.inverseCumulativeProbability(1 - TAIL);
        }
        return new PrintRecord(printer.name(), done, hours, kinds, Failure.learnedRate(printer.failuresPerHour(), lost, hours), low, high,
                factor);
    }

    public int failed() {
        return failures.values().stream().mapToInt(Integer::intValue).sum();
    }

    /** The printer with what was learned of it. */
    public Printer apply(Printer p) {
        return p.learned(p.hoursFactor() * factor.factor(), failuresPerHour);
    }

    /** The key of its hours factor among the shop's rates. */
    public static String rateKey(String printer) {
        return "printer:" + printer;
    }
}
