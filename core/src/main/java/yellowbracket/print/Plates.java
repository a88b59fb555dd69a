package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.shop.Printer;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/**
 * Sections' shadows packed on one printer's beds, in the order given: each goes on the first plate of its batch where it fits, at the
 * lowest free place, then
 * the leftmost, in whichever quarter turn lies lowest. Shadows keep {@code spacing} from each other and lie within the bed's margin. After
 * bottom-left
 * placement (Baker, Coffman, Rivest, "Orthogonal packings in two dimensions", 1980), on cells rather than rectangles. O(items x plates x
 * cells / 64).
 */
public final class Plates {
    /** Between sections, brims apart, so that the nozzle of one does not touch the other. */
    public static final double SPACING_MM = 5;
    /** Shadows are packed on cells of this size, mm: a section may lie that much further off than need be. */
    public static final double CELL_MM = 2;

    private final Printer printer;
    private final double spacing;
    private final int wide;
    private final int deep;
    private final List<Bed> beds = new ArrayList<>();

    private Plates(Printer printer, double spacing, double cell) {
        this.printer = printer;
        this.spacing = spacing;
        wide = (int) Math.floor(printer.usableX() / cell + 1e-9);
        deep = (int) Math.floor(printer.usableY() / cell + 1e-9);
    }

    /** One section to be placed. {@code batch}: only what is printed alike (layer, material, nozzle) shares a plate. */
    public record Item(SectionId section, Shadow shadow, double brimMm, SectionPrint print, String batch) {}

    /**
     * Where a section stands: {@code x}, {@code y} of its box's lower left corner on the bed, mm from the bed's; turned by {@code quarters}
     * counter-clockwise from its print's turn.
     */
    public record Place(SectionId section, double x, double y, int quarters, double wideMm, double deepMm) {}

    /** What is printed in one go. */
    public record Plate(Printer printer, List<Place> places, List<SectionPrint> prints) {
        /** Heating up is done once. */
        private static final double START_H = 240 / 3600.0;

        public Plate {
            places = List.copyOf(places);
            prints = List.copyOf(prints);
        }

        public List<SectionId> sections() {
            return prints.stream().map(SectionPrint::id).toList();
        }

        public TaskId.Print task() {
            return new TaskId.Print(sections());
        }

        public String name() {
            return task().letters();
        }

        public double hours() {
            return prints.stream().mapToDouble(SectionPrint::hours).sum() - START_H * (prints.size() - 1);
        }

        /** A failure loses all that is on the plate. */
        public double expectedHours() {
            return Failure.expectedHours(hours(), printer.failuresPerHour());
        }

        public double grams() {
            return prints.stream().mapToDouble(SectionPrint::grams).sum();
        }

        public double risk() {
            return 1 - Failure.success(hours(), printer.failuresPerHour());
        }

        public boolean fits() {
            return places.size() == prints.size();
        }
    }

    private static final class Bed {
        private final String batch;
        private final long[][] taken;
        private final List<Place> places = new ArrayList<>();
        private final List<SectionPrint> prints = new ArrayList<>();

        Bed(String batch, int wide, int deep) {
            this.batch = batch;
            taken = new long[deep][(wide + 63) / 64 + 1];
        }
    }

    /** As many as a bed holds. @param items for this printer, in the order they are to be printed */
    public static List<Plate> full(List<Item> items, Printer printer) {
        var self = new Plates(printer, SPACING_MM, CELL_MM);
        items.forEach(self::place);
        return self.plates();
    }

    /** Each on a plate of its own, in the middle of the bed. */
    public static List<Plate> single(List<Item> items, Printer printer) {
        return items.stream().map(i -> {
            var s = i.shadow();
            boolean straight = s.wideMm() <= printer.usableX() && s.deepMm() <= printer.usableY(),
                    turned = s.deepMm() <= printer.usableX() && s.wideMm() <= printer.usableY();
            double w = straight || !turned ? s.wideMm() : s.deepMm(), d = straight || !turned ? s.deepMm() : s.wideMm();
            var place = new Place(i.section(), (printer.bedX() - w) / 2, (printer.bedY() - d) / 2, straight || !turned ? 0 : 1, w, d);
            return new Plate(printer, straight || turned ? List.of(place) : List.of(), List.of(i.print()));
        }).toList();
    }

    private void place(Item item) {
        for (var b : beds) if (b.batch.equals(item.batch()) && put(b, item)) return;
        var fresh = new Bed(item.batch(), wide, deep);
        beds.add(fresh);
        if (!put(fresh, item)) fresh.prints.add(item.print());
    }

    private record Spot(int i, int j, int quarters, Shadow shadow) {
        boolean lower(Spot o) {
            return j + shadow.rows() < o.j + o.shadow.rows() || j + shadow.rows() == o.j + o.shadow.rows() && i < o.i;
        }
    }

    private boolean put(Bed bed, Item item) {
        var turned = item.shadow();
        Optional<Spot> best = Optional.empty();
        for (int q = 0; q < 4; q++) {
            int quarters = q;
            var s = turned;
            var spot = lowest(bed, s).map(at -> new Spot(at[0], at[1], quarters, s));
            if (spot.isPresent() && (best.isEmpty() || spot.get().lower(best.get()))) best = spot;
            turned = turned.quarter();
        }
        best.ifPresent(s -> take(bed, item, s));
        return best.isPresent();
    }

    private Optional<int[]> lowest(Bed bed, Shadow s) {
        for (int j = 0; j + s.rows() <= deep; j++)
            for (int i = 0; i + s.columns() <= wide; i++) if (free(bed, s, i, j)) return Optional.of(new int[] {i, j});
        return Optional.empty();
    }

    private static boolean free(Bed bed, Shadow s, int i, int j) {
        int word = i >> 6, bit = i & 63;
        for (int r = 0; r < s.rows(); r++) {
            var row = s.row(r);
            var taken = bed.taken[j + r];
            for (int w = 0; w < row.length; w++) {
                if ((row[w] << bit & taken[word + w]) != 0) return false;
                if (bit > 0 && word + w + 1 < taken.length && (row[w] >>> 64 - bit & taken[word + w + 1]) != 0) return false;
            }
        }
        return true;
    }

    /** Marks what it covers and all that lies within the spacing, brims on both sides counted in. */
    private void take(Bed bed, Item item, Spot s) {
        var wider = s.shadow().widened(spacing + 2 * item.brimMm());
        int grown = (wider.columns() - s.shadow().columns()) / 2;
        for (int r = 0; r < wider.rows(); r++) for (int c = 0; c < wider.columns(); c++) {
            int i = s.i() + c - grown, j = s.j() + r - grown;
            if (wider.covers(c, r) && i >= 0 && j >= 0 && i < wide && j < deep) bed.taken[j][i >> 6] |= 1L << (i & 63);
        }
        double cell = s.shadow().cellMm();
        bed.places.add(new Place(item.section(), printer.marginMm() + s.i() * cell, printer.marginMm() + s.j() * cell, s.quarters(),
                s.shadow().wideMm(), s.shadow().deepMm()));
        bed.prints.add(item.print());
    }

    private List<Plate> plates() {
        return beds.stream().map(b -> new Plate(printer, b.places, b.prints)).toList();
    }
}
