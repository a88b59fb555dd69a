package yellowbracket.intake;

/** What one loose shell of a model is to the prop. Only printed roles are sized, cut and printed. */
public enum BodyRole {
    SHELL("shell", true), TRIM("trim", true), TUBE("tube", true), VISOR("visor", false), HARDWARE("hardware", false),
    NOT_PRINTED("do not print", false), DROPPED("dropped", false);

    private final String label;
    private final boolean printed;

    BodyRole(String label, boolean printed) {
        this.label = label;
        this.printed = printed;
    }

    public String label() {
        return label;
    }

    /** Whether it is part of what is sized, cut and printed; a visor is cut from sheet, hardware is bought. */
    public boolean printed() {
        return printed;
    }
}
