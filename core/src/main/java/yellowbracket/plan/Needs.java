package yellowbracket.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import yellowbracket.shop.Catalogue;
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

    /** By name; cans and sheets are bought whole. */
    public static Needs of(List<Need> needs, List<StockItem> stock, Catalogue shop) {
        var sums = new TreeMap<String, Need>();
        for (var n : needs)
            if (n.amount() > 0) sums.merge(n.product(), n, (a, b) -> new Need(a.product(), a.amount() + b.amount(), b.unit()));
        var out = new ArrayList<Line>();
        for (var n : sums.values()) {
            double have = stock.stream().filter(s -> s.name().equals(n.product())).mapToDouble(StockItem::amount).sum();
            double much = n.amount() * shop.usual(Practice.STOCK_TIMES);
            boolean whole = n.unit().equals("cans") || n.unit().equals("sheets");
            out.add(new Line(n.product(), whole ? Math.ceil(much) : much, have, n.unit()));
        }
        return new Needs(out);
    }

    public List<Line> shopping() {
        return lines.stream().filter(l -> l.missing() > 0).toList();
    }
}
