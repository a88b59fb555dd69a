package yellowbracket.colour.weather;

/** Kinds of weathering, in the order they are laid on. */
public enum Effect {
    CHIPS("chips", "edges that touch things"), DRY_BRUSH("dry brush", "paler edges"), WASH("wash", "dark in recesses"),
    RUNS("runs", "streaks from holes and rivets"), RUST("rust tone", "round chips"), SOOT("soot", "above places you click"),
    DUST("dust", "on upward faces");

    private final String words;
    private final String means;

    Effect(String words, String means) {
        this.words = words;
        this.means = means;
    }

    public String words() {
        return words;
    }

    public String means() {
        return means;
    }
}
