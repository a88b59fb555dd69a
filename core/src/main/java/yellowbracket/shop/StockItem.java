package yellowbracket.shop;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import yellowbracket.finding.Limits;

/** Something on the shelf: a catalogue name or a plain one, how much, in which unit; since when it is open, where that is known. */
public record StockItem(String name, double amount, String unit, Optional<LocalDate> opened) {
    public StockItem {
        Limits.named("something on the shelf", name);
        Limits.within(name + ", " + unit, amount, 0, 1e6);
        opened = opened == null ? Optional.empty() : opened; // of files of before it was asked
        opened.ifPresent(d -> Limits.date(name + " opened", d.atStartOfDay()));
    }

    public StockItem(String name, double amount, String unit) {
        this(name, amount, unit, Optional.empty());
    }

    /** The same with more or less of it. */
    public StockItem with(double much) {
        return new StockItem(name, much, unit, opened);
    }

    public StockItem openedOn(LocalDate day) {
        return new StockItem(name, amount, unit, Optional.of(day));
    }

    /** Whether it is still good on a day. @param keepsMonths once opened, 0 for years */
    public boolean good(LocalDate day, int keepsMonths) {
        return keepsMonths == 0 || opened.isEmpty() || !opened.get().plusMonths(keepsMonths).isBefore(day);
    }

    /** A shelf with less on it: the opened one goes first, nothing falls below none. What stands there in another unit stays. */
    public static List<StockItem> less(List<StockItem> shelf, String name, double amount, String unit) {
        var out = new ArrayList<>(shelf);
        var order = IntStream.range(0, shelf.size())
                .filter(i -> shelf.get(i).name.equals(name) && shelf.get(i).unit.equals(unit))
                .boxed()
                .sorted(Comparator.comparing((Integer i) -> shelf.get(i).opened.isEmpty()))
                .toList();
        double left = amount;
        for (int i : order) {
            double taken = Math.min(left, shelf.get(i).amount);
            out.set(i, shelf.get(i).with(shelf.get(i).amount - taken));
            left -= taken;
        }
        out.removeIf(s -> s.amount <= 0);
        return List.copyOf(out);
    }
}
