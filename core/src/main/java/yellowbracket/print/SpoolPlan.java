package yellowbracket.print;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Spool;

/**
 * Whether the spools last: prints in their order on each printer, each drawing its grams from the spool that is on; when that is of another
 * material, or does
 * not hold enough for the whole print, another one from the shelf is put on before it starts, fullest first.
 */
public record SpoolPlan(List<Draw> draws) {

    public SpoolPlan {
        draws = List.copyOf(draws);
    }

    /** A print that needs filament, on a printer by name. */
    public record Job(String name, String printer, String material, double grams) {}

    /**
     * {@code spool}: the one it is printed from, empty if there is none; {@code change}: it must be put on first; {@code runsOutAt}: the
     * share of the print at which it is empty;
     * {@code leftG} on it afterwards.
     */
    public record Draw(Job job, Optional<Spool> spool, boolean change, OptionalDouble runsOutAt, double leftG) {}

    /** @param jobs in the order they are printed; jobs of several printers may alternate */
    public static SpoolPlan of(List<Job> jobs, List<Spool> spools, Catalogue shop) {
        var left = new HashMap<String, Double>();
        var on = new HashMap<String, Spool>();
        for (var s : spools) {
            left.put(s.name(), s.grams());
            if (!s.printer().isEmpty()) on.putIfAbsent(s.printer(), s);
        }
        var out = new ArrayList<Draw>();
        for (var j : jobs) {
            double wants = j.grams() * shop.usual(Practice.SPOOL_TIMES);
            var now = Optional.ofNullable(on.get(j.printer())).filter(s -> s.material().equals(j.material()));
            var shelf = spools.stream()
                    .filter(s -> s.material().equals(j.material()) && !on.containsValue(s))
                    .max(java.util.Comparator.comparingDouble(s -> left.get(s.name())));
            boolean enough = now.isPresent() && left.get(now.get().name()) >= wants;
            boolean better = !enough && shelf.isPresent() && (now.isEmpty() || left.get(shelf.get().name()) >= wants);
            var taken = better ? shelf : now;
            if (taken.isEmpty()) {
                out.add(new Draw(j, Optional.empty(), false, OptionalDouble.of(0), 0));
                continue;
            }
            on.put(j.printer(), taken.get());
            double has = left.get(taken.get().name()), rest = Math.max(0, has - j.grams());
            left.put(taken.get().name(), rest);
            out.add(new Draw(j, taken, better,
                    has < wants && j.grams() > 0 ? OptionalDouble.of(Math.min(1, has / j.grams())) : OptionalDouble.empty(), rest));
        }
        return new SpoolPlan(out);
    }

    /** One sentence for each print whose filament needs a hand, in order. */
    public List<Finding> findings() {
        return draws.stream().map(SpoolPlan::finding).flatMap(Optional::stream).toList();
    }

    private static Optional<Finding> finding(Draw d) {
        var j = d.job();
        if (d.spool().isEmpty()) return found(Weight.CARE, d,
                "no spool of " + j.material() + " for " + j.name() + " on " + j.printer() + ": buy one, or weigh and enter what is there");
        var s = d.spool().get();
        if (d.runsOutAt().isPresent() && d.runsOutAt().getAsDouble() >= 1)
            return found(Weight.CARE, d, text("%s just lasts for %s: %.0f g are needed, %.0f g will be left; weigh it first", s.name(),
                    j.name(), j.grams(), d.leftG()));
        if (d.runsOutAt().isPresent())
            return found(Weight.CARE, d, text("%s runs out at %.0f %% of %s on %s: be there to change it, or buy a full one", s.name(),
                    100 * d.runsOutAt().getAsDouble(), j.name(), j.printer()));
        return d.change() ? found(Weight.NOTE, d, "put " + s.name() + " on " + j.printer() + " before " + j.name()) : Optional.empty();
    }

    private static Optional<Finding> found(Weight weight, Draw d, String words) {
        return Optional.of(Finding.of(weight, Subject.named(d.job().printer()), words));
    }

    private static String text(String format, Object... args) {
        return String.format(java.util.Locale.ROOT, format, args);
    }
}
