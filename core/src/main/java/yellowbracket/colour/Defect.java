package yellowbracket.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What is seen on a painted surface; likely causes given what was done, and the repair. */
public enum Defect {
    BUBBLES("tiny bubbles"), RUNS("runs and sags"), ORANGE_PEEL("orange peel"), WRINKLES("wrinkles"), DULL("dull or milky"),
    SOFT("stays soft"), LIFTED("lifted with the tape"), FISH_EYES("round craters"), GRIT("dry, like fine sandpaper");

    private static final String SAND_WET = "let it harden, sand wet with P600 to P800, one thin coat again";
    private final String words;

    Defect(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /**
     * What was logged, or is known of the hour: C, per cent, hours.
     * @param paint that was sprayed @param below what it lies on @param sinceBelowH that had dried so long
     * @param taped hours the coat had dried when tape went on it; NaN where none did
     */
    public record Done(double celsius, double humidity, double partC, double dewPointC, double sun, Paint paint, Paint below,
            double sinceBelowH, double taped) {}

    /** A film as far as its defects go. */
    public record Paint(boolean enamel, boolean water, double leastC, double mostC, double tapeH, double fullH) {}

    /** @param weight how likely, against others; 1 is what happens without any of the signs */
    public record Cause(String words, String repair, double weight) {}

    /** Most likely first. */
    public List<Cause> causes(Done d) {
        var out = new ArrayList<Cause>();
        boolean hot = d.celsius > d.paint.mostC || d.partC > d.paint.mostC || d.sun > 0.35, cold = d.celsius < d.paint.leastC + 2;
        boolean damp = d.humidity > 65, dew = d.partC - d.dewPointC < 3;
        boolean enamelBelow = d.below.enamel && !d.paint.enamel && !d.paint.water && d.sinceBelowH < d.below.fullH;
        switch (this) {
            case BUBBLES -> {
                out.add(new Cause("solvent trapped under a skin: hot, or coats too thick and too soon", SAND_WET, hot ? 6 : 2));
                out.add(new Cause("pores or bare filler beneath", "fill with putty, prime, then paint", 1));
            }
            case RUNS -> {
                out.add(new Cause("too cold: the film stays wet", "warm can and part to 20 C; shave the run when hard, sand, recoat",
                        cold ? 6 : 1));
                out.add(new Cause("too much at once, or held too near", "20 to 30 cm off, a mist first, thin coats", 2));
            }
            case ORANGE_PEEL -> {
                out.add(new Cause("dried before it flowed: hot, windy, or held too far off", "sand wet P1000, polish, or recoat nearer",
                        hot ? 5 : 2));
                out.add(new Cause("cold can: coarse drops", "stand the can in hand-warm water", cold ? 5 : 1));
            }
            case WRINKLES -> {
                out.add(new Cause("solvent over enamel that was still curing",
                        "strip or sand to firm film, wait until full cure, try a card", enamelBelow ? 8 : 1));
                out.add(new Cause("recoated outside the window", "sand flat when hard; recoat within the label's window",
                        d.below.enamel ? 3 : 1));
            }
            case DULL -> {
                out.add(new Cause("damp: water settled in the wet film",
                        "warm and dry it; a mist of slow thinner or one more coat in dry air", dew ? 8 : damp ? 4 : 1));
                out.add(new Cause("clear over mirror metal, or metal over what was not gloss", "it cannot be polished: paint again", 1));
            }
            case SOFT -> {
                out.add(new Cause("cold or damp while it dried", "a warm room at 25 C for a day or two", cold ? 5 : damp ? 3 : 1));
                out.add(new Cause("coats too thick or too soon", "wait a week; harden in gentle warmth, well below what softens the print",
                        2));
            }
            case LIFTED -> {
                out.add(new Cause("taped before it bore tape", "let it harden, feather the edge with P600, touch up; wait longer next time",
                        d.taped < d.paint.tapeH ? 8 : 1));
                out.add(new Cause("no key beneath: gloss, dust or grease", "scuff, degrease, prime, paint", 2));
                out.add(new Cause("tape left on until the film was hard, or pulled straight up",
                        "score the edge, pull back on itself at a low angle", 2));
            }
            case FISH_EYES -> out.add(new Cause("grease, silicone or fingerprints", "sand, wash, degrease, a thin coat", 4));
            case GRIT -> {
                out.add(new Cause("overspray that dried in the air: too far off, hot or windy", "rub with a grey pad, recoat nearer",
                        hot ? 4 : 2));
                out.add(new Cause("dust of sanding", "wipe with a tack cloth before every coat", 2));
            }
        }
        out.sort(Comparator.comparingDouble(c -> -c.weight()));
        return List.copyOf(out);
    }
}
