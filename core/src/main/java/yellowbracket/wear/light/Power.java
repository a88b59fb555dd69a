package yellowbracket.wear.light;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Vec3;
import yellowbracket.wear.body.Pocket;

/**
 * What lights and fans draw, for how long cells feed them, and where those go.
 *
 * @param runs each with its length and current @param cells the smallest that last as long as asked, empty where none does or nothing is
 * lit
 * @param pocket it goes into
 */
public record Power(List<Run> runs, double milliamp, double hoursAsked, Optional<Cells> cells, double hours, Optional<Pocket> pocket,
        List<Finding> findings) {
    /** Of what is in a cell, so much comes out before lights fade; a starting value. */
    public static final double USEFUL = 0.8;
    /** Wires are longer than the way. */
    private static final double SLACK = 1.25;

    /** A load with the length of its path. @param tightestMm bend of it, infinite for straight ones */
    public record Run(Load load, double lengthMm, double tightestMm) {
        public double milliamp() {
            return load.milliamp(lengthMm);
        }
    }

    /** Cells in a holder: capacity of each, count in a row for its voltage, outside of the holder with its switch, mass. */
    public enum Cells {
        TWO_AAA("2 AAA in a holder with switch", 1000, 3, new Vec3(62, 26, 16), 34),
        TWO_AA("2 AA in a holder with switch", 2200, 3, new Vec3(68, 33, 19), 60),
        FOUR_AA("4 AA in a holder with switch", 2200, 6, new Vec3(68, 65, 19), 116),
        USB_PACK("small USB pack", 5000, 5, new Vec3(95, 62, 14), 120);

        private final String words;
        private final double mah, volt, grams;
        private final Vec3 size;

        Cells(String words, double mah, double volt, Vec3 size, double grams) {
            this.words = words;
            this.mah = mah;
            this.volt = volt;
            this.size = size;
            this.grams = grams;
        }

        public String words() {
            return words;
        }

        public Vec3 size() {
            return size;
        }

        public double grams() {
            return grams;
        }

        public double volt() {
            return volt;
        }

        /** @param milliamp drawn */
        public double hours(double milliamp) {
            return milliamp > 0 ? mah / milliamp * USEFUL : Double.POSITIVE_INFINITY;
        }
    }

    /** @param pockets largest first */
    public static Power of(List<Run> runs, double hoursAsked, List<Pocket> pockets) {
        double all = runs.stream().mapToDouble(Run::milliamp).sum();
        var found = new ArrayList<Finding>();
        if (runs.isEmpty()) return new Power(runs, 0, hoursAsked, Optional.empty(), Double.POSITIVE_INFINITY, Optional.empty(), found);
        double volt = runs.stream().mapToDouble(r -> r.load().kind().volt()).max().orElse(3);
        var lasting = Arrays.stream(Cells.values()).filter(c -> c.volt >= volt && c.hours(all) >= hoursAsked).toList();
        var cells = lasting.stream().filter(c -> room(c, pockets).isPresent()).findFirst().or(() -> lasting.stream().findFirst());
        if (cells.isEmpty()) {
            double best = Arrays.stream(Cells.values()).filter(c -> c.volt >= volt).mapToDouble(c -> c.hours(all)).max().orElse(0);
            found.add(Finding.care(String.format(Locale.ROOT,
                    "%.0f mA empties the largest pack in %.1f h, %.1f asked: fewer points, or spare cells", all, best, hoursAsked)));
        }
        var pocket = cells.flatMap(c -> room(c, pockets));
        if (cells.isPresent() && pocket.isEmpty()) found.add(Finding.care("no pocket inside holds " + cells.get().words()
                + " where fingers reach it: carry it on the belt, with a plug at the collar"));
        double voltCells = cells.map(c -> c.volt).orElse(volt);
        for (var e : mixed(runs, voltCells).entrySet()) found.add(Finding.care(
                String.format(Locale.ROOT, "%s is made for %.0f V and the cells give %.0f: put a resistor or a small converter before it",
                        e.getKey(), e.getValue(), voltCells)));
        runs.stream().filter(r -> r.tightestMm < r.load.kind().bendMm()).forEach(r -> found.add(bends(r)));
        found.add(Finding.note("no coin cells where children reach them; a fuse or a resettable link by the cells; nothing bare inside"));
        return new Power(List.copyOf(runs), all, hoursAsked, cells, cells.map(c -> c.hours(all)).orElse(0.0), pocket, List.copyOf(found));
    }

    private static Finding bends(Run r) {
        return Finding.note(String.format(Locale.ROOT,
                r.load.kind().strip() ? "%s: its path bends to %.0f mm, strips break below %.0f: cut it there and bridge it with wire"
                        : "%s: its path bends to %.0f mm, a rod bent warm takes %.0f: over a former of that radius, or in two pieces",
                r.load.name(), r.tightestMm, r.load.kind().bendMm()));
    }

    private static TreeMap<String, Double> mixed(List<Run> runs, double volt) {
        var out = new TreeMap<String, Double>();
        for (var r : runs) if (r.load.kind().volt() < volt - 0.5) out.put(r.load.name(), r.load.kind().volt());
        return out;
    }

    private static Optional<Pocket> room(Cells c, List<Pocket> pockets) {
        return pockets.stream().filter(p -> p.holds(c.size) && p.reachMm() >= Pocket.FINGERS_MM).findFirst();
    }

    /** Of both leads of all runs, with slack, mm. @param ways from the cells to each run */
    public static double wireMm(List<Way> ways) {
        return 2 * SLACK * ways.stream().mapToDouble(Way::lengthMm).sum();
    }
}
