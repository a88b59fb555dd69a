package yellowbracket.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Practice;
import yellowbracket.shop.StockItem;
import yellowbracket.work.Need;

/** What the plan consumes against what is on the shelf. Needs carry a reserve. */
public record Needs(List<Line> lines) {
    /** {@code missing} is 0 where the shelf holds enough. */
    public record Line(String name, double needed, double have, String unit) {
        public double missing() {
            return Math.max(0, needed - have);
        }
    }

    public Needs {
        lines = List.copyOf(lines);
    }

    /**
     * By name; cans and sheets are bought whole. What is asked for in g here and in ml there is told in ml where its density is known, else
     * in two lines.
     */
    public static Needs of(List<Need> needs, List<StockItem> stock, Catalogue shop) {
        var sums = new TreeMap<Kind, Double>(Comparator.comparing(Kind::product).thenComparing(Kind::unit));
        for (var n : needs) if (n.amount() > 0) sums.merge(kind(n, shop), amount(n.product(), n.amount(), n.unit(), shop), Double::sum);
        var out = new ArrayList<Line>();
        sums.forEach((k, sum) -> {
            var none = new Line(k.product, 0, 0, k.unit);
            double have = stock.stream().mapToDouble(s -> of(none, s, shop)).sum();
            double much = sum * shop.usual(Practice.STOCK_TIMES);
            out.add(new Line(k.product, WHOLE.contains(k.unit) ? Math.ceil(much) : much, have, k.unit));
        });
        return new Needs(out);
    }

    /** One a product and unit, in the order they come. */
    public static List<Need> summed(Stream<Need> needs) {
        return List.copyOf(needs.filter(n -> n.amount() > 0)
                .collect(Collectors.toMap(n -> new Kind(n.product(), n.unit()), n -> n,
                        (a, b) -> new Need(a.product(), a.amount() + b.amount(), a.unit()), LinkedHashMap::new))
                .values());
    }

    /** Whether a need is counted in a line. */
    static boolean same(Line line, Need n, Catalogue shop) {
        return n.amount() > 0 && kind(n, shop).equals(new Kind(line.name(), line.unit()));
    }

    /** In the unit of its line. */
    static double withReserve(Need n, Catalogue shop) {
        return amount(n.product(), n.amount(), n.unit(), shop) * shop.usual(Practice.STOCK_TIMES);
    }

    /** What of a line stands on the shelf as this item. */
    static double of(Line line, StockItem s, Catalogue shop) {
        return s.name().equals(line.name()) && unit(s.name(), s.unit(), shop).equals(line.unit())
                ? amount(s.name(), s.amount(), s.unit(), shop)
                : 0;
    }

    private static final Set<String> WHOLE = Set.of("cans", "sheets", "pieces", "sets");

    /** The unit as it stands behind a number: one can, two cans. */
    public static String behind(double amount, String unit) {
        return amount == 1 && (WHOLE.contains(unit) || unit.equals("pairs")) ? unit.substring(0, unit.length() - 1) : unit;
    }

    private record Kind(String product, String unit) {}

    private static Kind kind(Need n, Catalogue shop) {
        return new Kind(n.product(), unit(n.product(), n.unit(), shop));
    }

    private static String unit(String product, String unit, Catalogue shop) {
        return unit.equals("g") && densityGcm3(product, shop).isPresent() ? "ml" : unit;
    }

    private static double amount(String product, double amount, String unit, Catalogue shop) {
        var density = densityGcm3(product, shop);
        return unit.equals("g") && density.isPresent() ? amount / density.getAsDouble() : amount;
    }

    /** The same in another unit: g and ml by density, cans by what is in one; empty where that is not known. */
    public static OptionalDouble in(Need n, String unit, Catalogue shop) {
        if (n.unit().equals(unit)) return OptionalDouble.of(n.amount());
        var coating = shop.coatings().stream().filter(c -> c.name().equals(Need.unshaded(n.product()))).findFirst();
        if (coating.isEmpty()) return OptionalDouble.empty();
        double from = inMl(n.unit(), coating.get()), to = inMl(unit, coating.get());
        return from > 0 && to > 0 ? OptionalDouble.of(n.amount() * from / to) : OptionalDouble.empty();
    }

    /** How many ml one of a unit is; 0 for others. */
    private static double inMl(String unit, Coating c) {
        return switch (unit) {
            case "ml" -> 1;
            case "g" -> 1 / c.densityGcm3();
            case "cans" -> c.containerMl();
            default -> 0;
        };
    }

    /** Of what is spread or sprayed; filaments and resins for printing are weighed. */
    private static OptionalDouble densityGcm3(String product, Catalogue shop) {
        return shop.coatings().stream().filter(c -> c.name().equals(product)).mapToDouble(Coating::densityGcm3).findFirst();
    }

    public List<Line> shopping() {
        return lines.stream().filter(l -> l.missing() > 0).toList();
    }
}
