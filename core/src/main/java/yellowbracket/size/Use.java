package yellowbracket.size;

/** What is done with a prop: decides what its size goes by. */
public enum Use {
    HEAD("worn on the head"), FACE("worn on the face"), HELD("held or carried"), STANDS("stands or hangs");

    private final String words;

    Use(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether somebody puts it on. */
    public boolean worn() {
        return this == HEAD || this == FACE;
    }
}
