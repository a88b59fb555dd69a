package yellowbracket.shop;

/** A value of practice with the range in which workshops find it. */
public record Usual(double value, double least, double most) {
    public Usual {
        if (!(least > 0 && least <= value && value <= most && Double.isFinite(most)))
            throw new IllegalArgumentException("not a value within its range: " + least + " .. " + value + " .. " + most);
    }
}
