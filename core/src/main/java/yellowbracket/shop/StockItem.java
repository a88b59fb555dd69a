package yellowbracket.shop;

/** Something on the shelf: a catalogue name or a plain one, how much, in which unit. */
public record StockItem(String name, double amount, String unit) {}
