package yellowbracket.smooth;

/** Ways to smooth that this program plans for nobody: what they do to people, and what does the same. */
public enum Shortcut {
    VAPOUR("boiling solvent vapour",
            "the vapour catches fire at a pilot light across the room, and burns lungs; it also softens thin walls",
            "brush-on resin or filler primer reach the same finish; solvent welding of seams is done cold, with a brush, outdoors"),
    FLAME("an open flame over the lines", "plastic drips burning, and the fumes are poisonous; edges sag before the lines are gone",
            "coarse paper takes bare lines off a flat as fast: P120 on a block"),
    MORE_HARDENER("more hardener so that it sets faster", "it cracks, stays soft or catches heat in the cup, and bleeds through paint",
            "warm the shop and the filler to 20 C, or mix smaller batches"),
    DRY_POWER("dry power sanding indoors without extraction", "fine dust stays in the air for hours and in lungs for good",
            "sand wet from P400 up, by hand or outdoors below, with a P3 mask");

    private final String label;
    private final String why;
    private final String instead;

    Shortcut(String label, String why, String instead) {
        this.label = label;
        this.why = why;
        this.instead = instead;
    }

    public String label() {
        return label;
    }

    public String why() {
        return why;
    }

    public String instead() {
        return instead;
    }
}
