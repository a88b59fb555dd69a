package yellowbracket.smooth;

/** How a surface was looked at in a round: what it is covered with and which way light falls decide what is seen. */
public enum Look {
    BARE("bare, in daylight", 0.25), PRIMED("primed, in daylight", 0.5), RAKING("primed, under raking light", 0.75);

    private final String label;
    private final double finds;

    Look(String label, double finds) {
        this.label = label;
        this.finds = finds;
    }

    public String label() {
        return label;
    }

    /** Share of the flaws there are that a usual maker finds. */
    double finds() {
        return finds;
    }
}
