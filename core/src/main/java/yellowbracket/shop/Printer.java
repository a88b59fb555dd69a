package yellowbracket.shop;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.finding.Limits;

/**
 * A printer. Bed in mm, {@code marginMm} kept free on each side; {@code nozzleMm} fitted now; {@code speedMmS} the fastest it prints;
 * {@code flowMm3S} the most its hot end melts; {@code hoursFactor}
 * corrects estimates from this maker's log (1 = as computed); {@code failuresPerHour} is the chance of losing a print per printing hour;
 * {@code quiet}: when it must not run; {@code fit}: how far off its holes and pegs are, once a test piece was measured.
 */
@RecordBuilder
public record Printer(String name, Process process, double bedX, double bedY, double bedZ, double marginMm, double nozzleMm,
        double speedMmS, double flowMm3S, double hoursFactor, double failuresPerHour, double costPerHour, Optional<Quiet> quiet,
        Optional<FitError> fit) implements PrinterBuilder.With {
    /** No printer in a workshop comes near. */
    private static final double MOST_BED_MM = 5000;
    /** What a usual hot end melts. */
    public static final double USUAL_FLOW_MM3_S = 15;

    public Printer {
        Limits.named("a printer", name);
        for (double mm : new double[] {bedX, bedY, bedZ}) Limits.within("the bed of " + name + ", mm", mm, 0, MOST_BED_MM);
        Limits.within("the margin of " + name + ", mm", marginMm, 0, MOST_BED_MM);
        Limits.within("the nozzle of " + name + ", mm", nozzleMm, 0, 10);
        Limits.within("the speed of " + name + ", mm/s", speedMmS, 0, 10_000);
        Limits.within("the flow of " + name + ", mm3/s", flowMm3S, 0, 10_000);
        Limits.within("the hours factor of " + name, hoursFactor, 0, 100);
        Limits.within("failures an hour of " + name, failuresPerHour, 0, 10);
        Limits.within("the cost of an hour of " + name, costPerHour, 0, 1e6);
    }

    /** A filament printer that may run at any hour. */
    public static Printer of(String name, double bedX, double bedY, double bedZ, double marginMm, double nozzleMm, double speedMmS,
            double failuresPerHour, double costPerHour) {
        return new Printer(name, Process.FILAMENT, bedX, bedY, bedZ, marginMm, nozzleMm, speedMmS, USUAL_FLOW_MM3_S, 1, failuresPerHour,
                costPerHour, Optional.empty(), Optional.empty());
    }

    public double usableX() {
        return bedX - 2 * marginMm;
    }

    public double usableY() {
        return bedY - 2 * marginMm;
    }

    public double usableZ() {
        return bedZ - marginMm;
    }

    /** Its name in one word, as log entries are tagged with it. */
    public String tag() {
        return tag(name);
    }

    public static String tag(String name) {
        return name.replace(' ', '-');
    }

    /** After what was learned of it. */
    public Printer learned(double factor, double failures) {
        return withHoursFactor(factor).withFailuresPerHour(failures);
    }

    /** What keeps this printer from being used, in words; empty if nothing does. */
    public List<String> check() {
        var out = new ArrayList<String>();
        if (!(usableX() >= 20 && usableY() >= 20 && usableZ() >= 20))
            out.add("printer " + name + ": the bed leaves " + Math.round(usableX()) + " x " + Math.round(usableY()) + " x "
                    + Math.round(usableZ()) + " mm, less than any section needs; enter the bed in mm or lower the margin.");
        if (process == Process.FILAMENT && !(nozzleMm > 0.05 && nozzleMm <= 2))
            out.add("printer " + name + ": a nozzle of " + nozzleMm + " mm is not between 0.1 and 2; enter it in mm.");
        if (!(speedMmS > 0)) out.add("printer " + name + ": the speed must be above 0 mm/s.");
        if (!(flowMm3S > 0)) out.add("printer " + name + ": the flow must be above 0 mm3/s.");
        if (!(hoursFactor > 0)) out.add("printer " + name + ": the hours factor must be above 0.");
        return List.copyOf(out);
    }
}
