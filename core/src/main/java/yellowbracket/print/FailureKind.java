package yellowbracket.print;

import java.util.Locale;
import java.util.regex.Pattern;

/** How prints go wrong, by the words makers write in the log, and what is usually done about it. */
public enum FailureKind {
    CAME_OFF("came off the bed", "came off|off the bed|fell over|tipped|knocked", "brim of 8 mm, clean the bed, first layer slower"),
    LAYER_SHIFT("layer shift", "layer shift|shifted", "check belts and what the nozzle may hit; slower on tall prints"),
    CLOG("clog", "clog|jam|blocked nozzle", "clean or change the nozzle, dry the filament"),
    RAN_OUT("ran out", "ran out|run out|empty spool|out of filament", "weigh the spool before it starts"),
    SUPPORT_FUSED("support fused", "support (is |was )?(fused|stuck)|fused support", "more gap under the support, or another way up"),
    WARPED("warped", "warp|lifted|curled", "brim, closed chamber, no draught; smaller footprint"),
    UNDER_EXTRUDED("under-extruded", "under.?extru|gaps in", "check flow and temperature, dry the filament"),
    POWER("power or link lost", "power|link lost|vanished|disconnected", "a surge-safe socket; see whether the printer can resume"),
    CANCELLED("cancelled", "cancelled|stopped by hand", ""), OTHER("other", "", "");

    private static final Pattern BRIM = Pattern.compile("\\bbrim\\b", Pattern.CASE_INSENSITIVE);

    private final String words;
    private final Pattern pattern;
    private final String advice;

    FailureKind(String words, String pattern, String advice) {
        this.words = words;
        this.pattern = Pattern.compile(pattern);
        this.advice = advice;
    }

    public String words() {
        return words;
    }

    /** Empty for what nobody knows. */
    public String advice() {
        return advice;
    }

    /** What is printed after the repair, before days go into a section; empty where nothing was taken apart. */
    public String proof() {
        return switch (this) {
            case LAYER_SHIFT -> "a 20 mm cube, 100 mm up a thin tower beside it: sides straight, edges in line";
            case CLOG, UNDER_EXTRUDED -> "a single-wall cube: its wall as thick as the line, no gaps";
            case WARPED, CAME_OFF, RAN_OUT, SUPPORT_FUSED, POWER, CANCELLED, OTHER -> "";
        };
    }

    /** The maker's doing, not the printer's. */
    public boolean byHand() {
        return this == CANCELLED;
    }

    /** Whether a lesson asks for a brim, in the maker's words or ours. */
    public static boolean asksForBrim(String lesson) {
        return BRIM.matcher(lesson).find();
    }

    /** The first kind whose words the text holds. */
    public static FailureKind in(String text) {
        String t = text.toLowerCase(Locale.ROOT);
        for (var k : values()) if (k != OTHER && k.pattern.matcher(t).find()) return k;
        return OTHER;
    }
}
