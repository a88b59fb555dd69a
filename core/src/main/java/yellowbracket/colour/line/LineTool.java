package yellowbracket.colour.line;

/** What a line is painted with. */
public enum LineTool {
    BRUSH("liner brush", "thinned paint, drawn towards you; in a groove it runs by itself"),
    MARKER("paint marker", "shake it, run it in on card; hides on what is paler than its ink"),
    TAPE("tape both sides, then spray", "fine tape along both sides, sealed with the colour beneath");

    private final String words;
    private final String how;

    LineTool(String words, String how) {
        this.words = words;
        this.how = how;
    }

    public String words() {
        return words;
    }

    public String how() {
        return how;
    }
}
