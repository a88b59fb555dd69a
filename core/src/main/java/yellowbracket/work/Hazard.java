package yellowbracket.work;

/** What can hurt in the work. Which product, tool or operation has which is said there; what is worn against it, in {@code safety}. */
public enum Hazard {
    DUST("dust"), SPRAY_MIST("spray mist"), SOLVENT_VAPOUR("solvent vapour"), ISOCYANATE("isocyanate"), STYRENE("styrene"),
    PEROXIDE("peroxide hardener"), SENSITISER("epoxy on the skin"), CYANOACRYLATE("CA: fumes, bonds skin"), UNCURED_RESIN("uncured resin"),
    UV_LIGHT("UV light"), FLAMMABLE("flammable liquid"), OILY_RAGS("oily rags"), HEAT("heat"), FUMES("fumes of molten plastic"),
    BLADE("blades and scrapers"), SPLINTERS("splinters of support"), ROTARY_TOOL("rotary tool"), NARROW_VIEW("narrow view, heat");

    private final String words;

    Hazard(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
