package yellowbracket.wear.day;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowbracket.finding.Finding;
import yellowbracket.size.Air;
import yellowbracket.size.OnHead;
import yellowbracket.size.Speech;
import yellowbracket.wear.body.Balance;
import yellowbracket.wear.body.HeadTurn;
import yellowbracket.wear.panel.ViewThrough;

/**
 * What one wearer tries with one prop before the day, each with the figure that says how hard it will be, what came out, and what helps.
 */
public record WalkTest(String wearer, List<Item> items, List<Finding> findings) {
    /** Things that are tried, by the word the log has for them. */
    public enum What {
        STAIRS("up and down stairs"), FLOOR("see the floor ahead"), HEARING("hear one's name from three metres behind"),
        BREATHING("ten minutes at a brisk walk"), SPEAKING("be understood at arm's length"), GLASSES("glasses stay on, and clear"),
        HEAT("twenty minutes indoors"), TURNING("look left, right, up and down"), LIGHT("walk through a dim room"),
        OFF("off in five seconds, by oneself"), WEIGHT("as long as one means to wear it");

        private final String words;

        What(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** As it is typed. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What the log says of it. */
    public record Result(boolean passed, String words) {}

    /** @param why the figure it hangs on @param remedy what helps where it fails */
    public record Item(What what, String why, String remedy, Optional<Result> result) {
        public boolean failed() {
            return result.filter(r -> !r.passed).isPresent();
        }
    }

    public WalkTest {
        items = List.copyOf(items);
        findings = List.copyOf(findings);
    }

    public boolean done() {
        return items.stream().allMatch(i -> i.result.filter(Result::passed).isPresent());
    }

    /**
     * What is known of the wearer in it. @param airCm2 with visor and mesh in, empty where the mouth is free
     * @param covers whether it covers the ears
     */
    public record Known(OnHead on, ViewThrough view, OptionalDouble airCm2, HeadTurn turn, Balance balance, double hoursWorn,
            boolean covers) {}

    public static WalkTest of(Known k, Map<What, Result> results) {
        var list = new ArrayList<Item>();
        var v = k.on.vision();
        String air = k.airCm2.isPresent() ? text("%.1f cm2 open near the mouth, %.0f wanted", k.airCm2.getAsDouble(), Air.WANTED_CM2)
                : "the mouth is free";
        add(list, results, What.STAIRS,
                Double.isInfinite(v.floorFromM()) ? "the floor ahead is out of sight"
                        : text("the floor is seen from %.1f m on", v.floorFromM()),
                "a helper at the elbow on stairs; look past the rim; a larger opening downwards");
        add(list, results, What.FLOOR, text("%.0f\u00b0 down, %.0f %% of the usual view open", v.downDeg(), 100 * v.openShare()),
                "tilt it with the crown pads; cut the lower rim back");
        add(list, results, What.LIGHT, text("%.0f %% of what is open is light enough at dusk", 100 * k.view.enough(ViewThrough.When.DUSK)),
                "a lighter sheet; a visor that lifts; a helper after dark");
        add(list, results, What.BREATHING, air, "open slots, mesh for sheet, a fan; take it off to rest");
        add(list, results, What.HEAT, text("%.0f g on the head; %s", k.balance.grams(), air),
                "channels between pads, a fan, a cooling cloth; shorter turns");
        if (k.on.glasses().isPresent())
            add(list, results, What.GLASSES, text("%.1f mm of room at the tightest place", k.on.glasses().get().leastMm()),
                    "contact lenses; anti-fog on lenses and sheet; a deeper front pad");
        add(list, results, What.SPEAKING, text("the mouth opens %.0f mm, %.1f cm2 open before it, %.0f wanted", k.on.speech().opensMm(),
                k.on.speech().openCm2(), Speech.WANTED_CM2), "agreed hand signs; slots before the mouth; a small microphone");
        if (k.covers)
            add(list, results, What.HEARING, "ears are covered by the shell", "holes behind a ridge at the ears; agreed hand signs");
        add(list, results, What.TURNING, text("%.0f\u00b0 left, %.0f right, %.0f up, %.0f down", k.turn.leftDeg(), k.turn.rightDeg(),
                k.turn.upDeg(), k.turn.downDeg()), "cut the lower rim back where it touches; turn the whole body");
        add(list, results, What.WEIGHT,
                text("for %.1f h: %.2f kg, %.1f Nm at the neck are bearable %s", k.hoursWorn, k.balance.grams() / 1000,
                        k.balance.neckNmm() / 1000, k.balance.bearable().words()),
                "a counterweight behind; shorter turns; thinner walls next time");
        add(list, results, What.OFF, "nothing may hold it but pads, magnets and one buckle",
                "a magnet in place of a clip; a strap end that is found blind");
        var findings = new ArrayList<Finding>();
        list.stream()
                .filter(Item::failed)
                .forEach(i -> findings.add(Finding.care(text("walk test of %s, %s: %s", k.on.wearer().name(), i.what.words(), i.remedy))));
        return new WalkTest(k.on.wearer().name(), list, findings);
    }

    private static void add(List<Item> out, Map<What, Result> results, What what, String why, String remedy) {
        out.add(new Item(what, why, remedy, Optional.ofNullable(results.get(what))));
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
