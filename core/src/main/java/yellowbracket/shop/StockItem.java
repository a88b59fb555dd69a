package yellowbracket.shop;

import yellowbracket.finding.Limits;

/** Something on the shelf: a catalogue name or a plain one, how much, in which unit. */
public record StockItem(String name, double amount, String unit) {
    public StockItem {
        Limits.named("something on the shelf", name);
        Limits.within(name + ", " + unit, amount, 0, 1e6);
    }
}
