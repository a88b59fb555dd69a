package yellowbracket.work;

/** What a station's work consumes: {@code amount} of a product by its name, in g, ml, dm2, cans or sheets. */
public record Need(String product, double amount, String unit) {
    public Need {
        if (!(amount >= 0)) throw new IllegalArgumentException("an amount must not be negative, was " + amount + " of " + product);
    }

    /** A product whatever its shade: paints are called by both, {@code enamel spray #1f5156}. */
    public static String unshaded(String product) {
        return product.replaceFirst(" #[0-9a-fA-F]{6}$", "");
    }
}
