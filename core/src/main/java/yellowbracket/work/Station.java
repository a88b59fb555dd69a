package yellowbracket.work;

/** The stations in the order of the work. */
public enum Station {
    SIZE, CUT, PRINT, JOIN, SMOOTH, COLOUR, WEAR;

    public String label() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
