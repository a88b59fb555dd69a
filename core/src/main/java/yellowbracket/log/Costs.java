package yellowbracket.log;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What was spent and is still to be spent, and what that is for an hour of work.
 *
 * @param spent by kind, as the log's words tell it @param aheadMoney what is still to be bought, at starting prices @param workedH by hand
 * so far, as logged @param aheadH by hand still to be worked, as planned
 */
public record Costs(Map<Kind, Double> spent, double aheadMoney, double workedH, double aheadH) {
    /** Told by whole words of the line, one or several of a thing; what names none of them is other. */
    public enum Kind {
        PRINTING("printing", "filament", "resin", "nozzle", "spool", "print"),
        JOINING("joining", "glue", "epoxy", "ca", "magnet", "rod", "dowel"),
        SMOOTHING("filling and sanding", "filler", "putty", "paper", "sand", "primer"),
        COLOUR("colour", "paint", "spray", "clear", "wash", "tape", "mask", "brush", "acrylic"),
        FITTING("fitting out", "foam", "visor", "petg", "light", "led", "strap", "battery", "cell", "fan"), OTHER("other");

        private final String words;
        private final List<String> marks;

        Kind(String words, String... marks) {
            this.words = words;
            this.marks = List.of(marks);
        }

        public String words() {
            return words;
        }

        static Kind of(String line) {
            var said = new HashSet<>(List.of(line.toLowerCase(Locale.ROOT).split("[^a-z]+")));
            for (var k : values()) if (k.marks.stream().anyMatch(m -> said.contains(m) || said.contains(m + "s"))) return k;
            return OTHER;
        }
    }

    public Costs {
        spent = Map.copyOf(spent);
    }

    public static Costs of(List<Entry> log, double aheadMoney, double workedH, double aheadH) {
        var sums = new EnumMap<Kind, Double>(Kind.class);
        for (var e : log) if (e.kind() == Entry.Kind.SPENT) sums.merge(Kind.of(e.text()), e.money(), Double::sum);
        return new Costs(sums, aheadMoney, workedH, aheadH);
    }

    public double spentMoney() {
        return spent.values().stream().mapToDouble(Double::doubleValue).sum();
    }

    public double inAll() {
        return spentMoney() + aheadMoney;
    }

    public double hours() {
        return workedH + aheadH;
    }

    /** Of a copy made for somebody else: what it costs, and the hours at a wage. */
    public double price(double wageH) {
        return inAll() + wageH * hours();
    }
}
