package yellowbracket.smooth;

/** What a place is to become. */
public enum Target {
    SHOW("show", "to the finish"), HIDDEN("hidden", "nobody sees it: nothing is done"),
    MIRROR("mirror", "finer than the rest, for mirror metal"), TEXTURE("keep texture", "primed only, its lines stay"),
    LEAVE("leave", "nothing is done, not even primer");

    private final String label;
    private final String means;

    Target(String label, String means) {
        this.label = label;
        this.means = means;
    }

    public String label() {
        return label;
    }

    public String means() {
        return means;
    }

    /** Whether anybody lays a hand on it. */
    public boolean worked() {
        return this != HIDDEN && this != LEAVE;
    }
}
