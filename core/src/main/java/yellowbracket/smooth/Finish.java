package yellowbracket.smooth;

/** How good it must look: the deepest valley and scratch that may remain, micrometres. The stops follow common practice by grit. */
public enum Finish {
    FAR("seen from afar", 45, 25), ARMS_LENGTH("arm's length", 22, 13), SATIN("satin, close up", 12, 9), GLOSS("gloss", 6, 5.5),
    MIRROR("mirror metal", 3, 4.6);

    private final String label;
    private final double valleyUm;
    private final double scratchUm;

    Finish(String label, double valleyUm, double scratchUm) {
        this.label = label;
        this.valleyUm = valleyUm;
        this.scratchUm = scratchUm;
    }

    public String label() {
        return label;
    }

    public double valleyUm() {
        return valleyUm;
    }

    public double scratchUm() {
        return scratchUm;
    }
}
