package yellowbracket.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Reserved;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Supply;
import yellowbracket.work.Need;

/**
 * What is to be bought: how many packs, where, when it runs short and by when it must be ordered. What is too old on the shelf does not
 * count; reserves are counted once, on the sum.
 */
public record Shopping(List<Buy> list) {
    /** Days on top of what is promised, where it has to be sent for. */
    private static final int MARGIN_DAYS = 1;
    /** Of what nobody has said how it is sold. */
    private static final int UNKNOWN_DAYS = 5;
    private static final double CLOSE = 1e-9;

    /** Consumed on a day. */
    public record Use(Need need, LocalDate on) {}

    /**
     * @param shortOn the day on which the shelf no longer holds what is needed until then
     * @param orderBy so that it is there in time
     * @param packs whole ones, 0 where nobody has said how much is in one
     * @param pack how it is sold, "2 x 400 ml"
     * @param from the sort of shop
     * @param cost of all packs, 0 where not known
     * @param tooOld on the shelf, but open for too long
     * @param reserved on the shelf, but other builds need it
     * @param instead stands on the shelf, is not needed otherwise and would do
     */
    public record Buy(Needs.Line line, LocalDate shortOn, LocalDate orderBy, int packs, String pack, String from, double cost,
            double tooOld, double reserved, Optional<String> instead) {}

    public Shopping {
        list = List.copyOf(list);
    }

    /** The soonest to be ordered first. */
    public static Shopping of(List<Use> uses, List<StockItem> stock, Catalogue shop) {
        return of(uses, stock, List.of(), shop);
    }

    /** @param others what other builds take off the same shelf before this one */
    public static Shopping of(List<Use> uses, List<StockItem> stock, List<Reserved> others, Catalogue shop) {
        var dated = uses.stream().sorted(Comparator.comparing(Use::on)).toList();
        var out = new ArrayList<Buy>();
        var needs = Needs.of(uses.stream().map(Use::need).toList(), stock, shop);
        for (var line : needs.lines()) {
            var supply = shop.supply(line.name());
            var last = dated.stream().filter(u -> Needs.same(line, u.need(), shop)).map(Use::on).reduce((a, b) -> b).orElse(LocalDate.MIN);
            double old = supply.map(s -> tooOld(line, stock, last, s.keepsMonths(), shop)).orElse(0.0);
            double taken = Math.min(line.have() - old, taken(line, others, shop));
            var fresh = new Needs.Line(line.name(), line.needed(), line.have() - old - taken, line.unit());
            if (fresh.missing() <= CLOSE) continue;
            var shortOn = shortOn(fresh, dated, shop);
            var one = supply.map(s -> one(fresh, s, shop)).orElse(OptionalDouble.empty());
            int packs = one.isEmpty() ? 0 : (int) Math.max(1, Math.ceil(fresh.missing() / one.getAsDouble() - CLOSE));
            out.add(new Buy(fresh, shortOn, shortOn.minusDays(days(supply)), packs,
                    supply.filter(s -> packs > 0).map(s -> pack(packs, s)).orElse(""),
                    supply.map(Supply::from).orElse("how it is sold is not known"), supply.map(s -> packs * s.cost()).orElse(0.0), old,
                    taken, supply.flatMap(s -> instead(s, fresh, needs, stock, shop))));
        }
        out.sort(Comparator.comparing(Buy::orderBy).thenComparing(b -> b.line.name()));
        return new Shopping(out);
    }

    private static double tooOld(Needs.Line line, List<StockItem> stock, LocalDate on, int keepsMonths, Catalogue shop) {
        return stock.stream().filter(s -> !s.good(on, keepsMonths)).mapToDouble(s -> Needs.of(line, s, shop)).sum();
    }

    /** Of a line, by other builds. */
    private static double taken(Needs.Line line, List<Reserved> others, Catalogue shop) {
        return others.stream()
                .flatMap(o -> o.needs().stream())
                .filter(n -> n.product().equals(line.name()))
                .mapToDouble(n -> Needs.in(n, line.unit(), shop).orElse(0))
                .sum();
    }

    /** The first day on which what is needed until then, its reserve with it, is more than there is. */
    private static LocalDate shortOn(Needs.Line line, List<Use> dated, Catalogue shop) {
        double sum = 0;
        var last = LocalDate.MAX;
        for (var u : dated) {
            if (!Needs.same(line, u.need(), shop)) continue;
            sum += Needs.withReserve(u.need(), shop);
            last = u.on();
            if (sum > line.have() + CLOSE) return u.on();
        }
        return last;
    }

    /** What is there on the same day is fetched on that day. */
    private static int days(Optional<Supply> supply) {
        int days = supply.map(Supply::days).orElse(UNKNOWN_DAYS);
        return days == 0 ? 0 : days + MARGIN_DAYS;
    }

    /** How much of a line is in one pack: a can is as many ml as the product's label says. Empty where nobody has said. */
    private static OptionalDouble one(Needs.Line line, Supply s, Catalogue shop) {
        if (s.unit().equals(line.unit())) return OptionalDouble.of(s.pack());
        return shop.coatings()
                .stream()
                .filter(c -> line.unit().equals("ml") && line.name().startsWith(c.name()))
                .mapToDouble(c -> s.pack() * c.containerMl())
                .findFirst();
    }

    private static String pack(int n, Supply s) {
        if (s.pack() != 1) return String.format(Locale.ROOT, "%d x %.0f %s", n, s.pack(), s.unit());
        return n + " " + (n == 1 ? s.unit().replaceAll("s$", "") : s.unit());
    }

    private static Optional<String> instead(Supply supply, Needs.Line line, Needs needs, List<StockItem> stock, Catalogue shop) {
        return supply.instead().stream().filter(o -> {
            var on = new Needs.Line(o, 0, 0, line.unit());
            double have = stock.stream().filter(s -> s.name().equals(o)).mapToDouble(s -> Needs.of(on, s, shop)).sum();
            double taken = needs.lines()
                    .stream()
                    .filter(l -> l.name().equals(o) && l.unit().equals(line.unit()))
                    .mapToDouble(Needs.Line::needed)
                    .sum();
            return have - taken >= line.missing();
        }).findFirst();
    }

    public double cost() {
        return list.stream().mapToDouble(Buy::cost).sum();
    }

    /** Sorts of shops in the order in which one must go there. */
    public List<String> shops() {
        return list.stream().map(Buy::from).distinct().toList();
    }

    public List<Buy> from(String shop) {
        return list.stream().filter(b -> b.from.equals(shop)).toList();
    }
}
