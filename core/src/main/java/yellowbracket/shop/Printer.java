package yellowbracket.shop;

import java.util.ArrayList;
import java.util.List;

/**
 * A filament printer. Bed in mm, {@code marginMm} kept free on each side; {@code hoursFactor} corrects estimates from this maker's log (1 = as computed);
 * {@code failuresPerHour} is the chance of losing a print per printing hour.
 */
public record Printer(String name, double bedX, double bedY, double bedZ, double marginMm, double nozzleMm,
                      double speedMmS, double hoursFactor, double failuresPerHour, double costPerHour) {
    public double usableX() {
        return bedX - 2 * marginMm;
    }

    public double usableY() {
        return bedY - 2 * marginMm;
    }

    public double usableZ() {
        return bedZ - marginMm;
    }

    /** What keeps this printer from being used, in words; empty if nothing does. */
    public List<String> check() {
        var out = new ArrayList<String>();
        if (!(usableX() >= 20 && usableY() >= 20 && usableZ() >= 20))
            out.add("printer " + name + ": the bed leaves " + Math.round(usableX()) + " x " + Math.round(usableY()) + " x " + Math.round(usableZ()) + " mm, less than any section needs; enter the bed in mm or lower the margin.");
        if (!(nozzleMm > 0.05 && nozzleMm <= 2)) out.add("printer " + name + ": a nozzle of " + nozzleMm + " mm is not between 0.1 and 2; enter it in mm.");
        if (!(speedMmS > 0)) out.add("printer " + name + ": the speed must be above 0 mm/s.");
        return List.copyOf(out);
    }
}
