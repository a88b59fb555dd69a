package yellowbracket.join;

/** A joint that is not glued for good. */
public enum Apart {
    COMES_OFF("comes off"), TURNS("turns");

    private final String words;

    Apart(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
