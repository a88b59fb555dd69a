package yellowbracket.smooth;

/**
 * How good it must look: the deepest valley that does not show in raking light, and the deepest scratch that may remain, micrometres. The
 * scratch is that of the last paper before colour: P240 for matt, P400 for satin, P800 for gloss, P1500 for metal.
 */
public enum Finish {
    FAR("seen from afar", 90, 20.5), ARMS_LENGTH("arm's length", 40, 20.5), SATIN("satin, close up", 15, 12.3), GLOSS("gloss", 8, 7.7),
    MIRROR("mirror metal", 3, 4.5);

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
