package yellowbracket.document;

/** What is assumed of a new build until its maker has said otherwise, or that it is right: asked once, where it first matters. */
public enum Question {
    PRINTERS, DAY, HOURS;

    /** Whether the answer is the shop's and holds for the next build too. */
    boolean ofShop() {
        return this != DAY;
    }
}
