package yellowbracket.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.colour.ColourPlan;
import yellowbracket.join.JoinPlan;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.StockItem;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.wear.PadPlan;

/** What the plan consumes against what is on the shelf. Needs carry a reserve of {@link #RESERVE}. */
public record Needs(List<Line> lines) {
    /** {@code missing} is 0 where the shelf holds enough. */
    public record Line(String name, double needed, double have, String unit) {
        public double missing() {
            return Math.max(0, needed - have);
        }
    }

    /** Spills, leftovers and second tries. */
    private static final double RESERVE = 1.15;

    public List<Line> shopping() {
        return lines.stream().filter(l -> l.missing() > 0).toList();
    }

    /** Gathers needs by name and unit. */
    public static final class Sum {
        private final Map<String, Double> amount = new TreeMap<>();
        private final Map<String, String> unit = new TreeMap<>();

        public void add(String name, double much, String in) {
            if (much <= 0) return;
            amount.merge(name, much * RESERVE, Double::sum);
            unit.put(name, in);
        }

        public void add(PrintPlan print) {
            for (var p : print.prints()) add(p.profile().material() + " filament", p.estimate().grams() + p.estimate().supportGrams(), "g");
        }

        public void add(JoinPlan join) {
            for (var j : join.joins()) add(j.product().name(), j.grams(), "g");
        }

        public void add(SmoothPlan s, Catalogue shop) {
            s.seamFiller().ifPresent(m -> add(m.product(), m.gramsTotal(), "g"));
            for (var w : s.work()) {
                boolean sand = w.step().kind() == Ladder.Kind.SAND;
                double passes = w.step().passes() * w.areaDm2();
                if (sand) add(w.step().product() + " sheets", passes / shop.sheetDm2(), "sheets");
                else {
                    var c = shop.coating(w.step().product());
                    double containers = passes / 100 / c.m2PerContainer();
                    add(c.name(), c.sprayed() ? containers : containers * c.containerMl(), c.sprayed() ? "cans" : "ml");
                }
            }
        }

        public void add(ColourPlan c, Catalogue shop) {
            for (var k : c.coats()) {
                var coating = shop.coating(k.product());
                String name = k.zone().equals("all") ? k.product() : k.product() + " " + k.hex();
                add(name, k.sprayed() ? k.cans() : k.cans() * coating.containerMl(), k.sprayed() ? "cans" : "ml");
            }
        }

        public void add(PadPlan p) {
            for (var pad : p.pads()) for (double l : pad.layersMm()) add("foam " + Math.round(l) + " mm", pad.count() * 0.6, "dm2");
        }

        public Needs against(List<StockItem> stock) {
            var out = new ArrayList<Line>();
            amount.forEach((name, much) -> {
                double have = stock.stream().filter(s -> s.name().equals(name)).mapToDouble(StockItem::amount).sum();
                String u = unit.get(name);
                double needed = u.equals("cans") || u.equals("sheets") ? Math.ceil(much) : much;
                out.add(new Line(name, needed, have, u));
            });
            return new Needs(List.copyOf(out));
        }
    }
}
