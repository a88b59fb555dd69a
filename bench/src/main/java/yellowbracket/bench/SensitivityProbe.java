package yellowbracket.bench;

import java.lang.reflect.RecordComponent;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import yellowbracket.cut.Bed;
import yellowbracket.cut.plan.PlanTuning;
import yellowbracket.cut.plan.PlanWishes;
import yellowbracket.cut.plan.SectionPlan;
import yellowbracket.cut.plan.SectionPlanner;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.Memo;
import yellowbracket.derive.Want;
import yellowbracket.derive.Workings;
import yellowbracket.derive.World;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.mesh.Progress;
import yellowbracket.print.Orientation;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.join.JoinCost;
import yellowbracket.join.JoinPlanner;
import yellowbracket.print.WayCost;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.work.Operation;

/**
 * What each value of workshop practice moves: the demo build, unbegun, planned with the value at either end of its range. Writes a table in
 * Markdown, then a second one of the constants by which ways to cut and ways up are compared, each at half and at twice its usual; with the
 * argument {@code constants} the second alone. {@code docs/sensitivity.md} holds the last ones. Not timed.
 */
public final class SensitivityProbe {
    /** Less than this is what rounding of the schedule does, hours. */
    private static final double NOTHING_H = 0.05;
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 30);

    private final Catalogue shop = Catalogue.builtIn();
    private final Clock clock = Clock.fixed(TODAY.atTime(10, 0).toInstant(ZoneOffset.UTC), ZoneOffset.UTC);
    private final DemoBuild demo = unbegun();
    private final Memo memo = new Memo();

    private SensitivityProbe() {}

    private record Figures(double handH, LocalDateTime finish, double toBuy, Optional<SectionPlan> plan) {}

    public static void main(String[] args) {
        var probe = new SensitivityProbe();
        if (args.length == 0) probe.print();
        probe.printConstants();
    }

    private static DemoBuild unbegun() {
        var demo = DemoBuild.at(TODAY);
        return new DemoBuild(demo.build().withLog(List.of()).withRates(Map.of()), demo.meshes());
    }

    private void print() {
        var usual = of(shop, true);
        System.out.printf(Locale.ROOT, "usual: %.1f h by hand, ready %s%n%n", usual.handH, usual.finish);
        System.out.println("| value | usual | least | most | by hand, h | ready, h later | things to buy | way to cut the helm |");
        System.out.println("|---|---|---|---|---|---|---|---|");
        for (var p : Practice.values()) {
            var u = shop.practice().get(p);
            boolean cuts = PlanWishes.Labour.of(shop.with(p, u.least())).equals(PlanWishes.Labour.of(shop));
            var ends = new ArrayList<Figures>();
            for (double v : new double[] {u.least(), u.most()}) ends.add(of(shop.with(p, v), !cuts));
            System.out.printf(Locale.ROOT, "| `%s` | %s | %s | %s | %s | %s | %s | %s |%n", p, number(u.value()), number(u.least()),
                    number(u.most()), pair(ends.stream().map(f -> f.handH - usual.handH).toList()),
                    pair(ends.stream().map(f -> Duration.between(usual.finish, f.finish).toMinutes() / 60.0).toList()),
                    percent(ends.stream().map(f -> 100 * (f.toBuy / usual.toBuy - 1)).toList()),
                    cuts ? ""
                            : ends.stream()
                                    .map(f -> words(f.plan.orElseThrow(), usual.plan.orElseThrow()))
                                    .reduce((a, b) -> a + "; " + b)
                                    .orElse(""));
        }
    }

    private void printConstants() {
        System.out.println("\n| constant | usual | way to cut the helm, at half; at twice |");
        System.out.println("|---|---|---|");
        var rates = PlanWishes.Rates.usual(PlanWishes.Labour.of(shop));
        var usual = plan(rates);
        for (var c : PlanTuning.class.getRecordComponents()) row(c, rates.tuning(), t -> words(plan(with(rates, "tuning", t)), usual));
        for (var c : PlanWishes.Rates.class.getRecordComponents())
            if (c.getType() == double.class) row(c, rates, r -> words(plan(r), usual));
        System.out.println("\n| constant | usual | ways up taken, at half; at twice |");
        System.out.println("|---|---|---|");
        var ways = ways();
        for (var c : WayCost.class.getRecordComponents()) row(c, WayCost.USUAL, w -> taken(ways, w));
        System.out.println("\n| constant | usual | products of seams, at half; at twice |");
        System.out.println("|---|---|---|");
        var joins = joins();
        for (var c : JoinCost.class.getRecordComponents()) row(c, JoinCost.USUAL, j -> chosen(joins, j));
    }

    private static <R extends Record> void row(RecordComponent c, R usual, Function<R, String> moves) {
        double v = (double) value(c, usual);
        System.out.printf(Locale.ROOT, "| `%s` | %s | %s; %s |%n", c.getName(), v < 0.01 ? "1/" + number(1 / v) : number(v),
                moves.apply(with(usual, c.getName(), v / 2)), moves.apply(with(usual, c.getName(), v * 2)));
    }

    private static Object value(RecordComponent c, Record of) {
        try {
            return c.getAccessor().invoke(of);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The same record with one component another. */
    private static <R extends Record> R with(R r, String name, Object to) {
        var components = r.getClass().getRecordComponents();
        var types = Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
        var values = Arrays.stream(components).map(c -> c.getName().equals(name) ? to : value(c, r)).toArray();
        try {
            @SuppressWarnings("unchecked")
            var other = (R) r.getClass().getDeclaredConstructor(types).newInstance(values);
            return other;
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Of each section of the demo. */
    private List<List<Orientation>> ways() {
        var wants = demo.build().props().stream().map(p -> new Want(PrintFigures.CHOICES, p.id())).toList();
        var d = Workings.derive(new World(demo.build(), demo.meshes(), shop, new SimulatedWeather(11), Workings.rounded(clock)), wants,
                memo, Progress.NONE);
        return demo.build().props().stream().flatMap(p -> d.require(PrintFigures.CHOICES, p.id()).bySection().values().stream()).toList();
    }

    private List<JoinPlanner.Given> joins() {
        var wants = demo.build().props().stream().map(p -> new Want(JoinFigures.ASKED, p.id())).toList();
        var d = Workings.derive(new World(demo.build(), demo.meshes(), shop, new SimulatedWeather(11), Workings.rounded(clock)), wants,
                memo, Progress.NONE);
        return demo.build().props().stream().map(p -> d.require(JoinFigures.ASKED, p.id())).toList();
    }

    private static String chosen(List<JoinPlanner.Given> all, JoinCost by) {
        int seams = 0, other = 0;
        var now = new TreeSet<String>();
        for (var g : all) {
            var usual = JoinPlanner.plan(g, Progress.NONE);
            for (var j : JoinPlanner.plan(g, by, Progress.NONE).joins()) {
                seams++;
                if (usual.join(j.seam().name()).product().equals(j.product())) continue;
                other++;
                now.add(j.product().name());
            }
        }
        return other == 0 ? "same" : String.format(Locale.ROOT, "%d of %d seams otherwise, with %s", other, seams, String.join(", ", now));
    }

    private static String taken(List<List<Orientation>> ways, WayCost by) {
        var usual = ways.stream().map(w -> Collections.min(w, Comparator.comparingDouble(WayCost.USUAL::of))).toList();
        var now = ways.stream().map(w -> Collections.min(w, Comparator.comparingDouble(by::of))).toList();
        long other = IntStream.range(0, ways.size()).filter(i -> !now.get(i).equals(usual.get(i))).count();
        return other == 0 ? "same"
                : String.format(Locale.ROOT, "%d of %d sections otherwise, support %+.0f %%, scars seen %+.0f %%", other, ways.size(),
                        more(usual, now, Orientation::supportMm3), more(usual, now, Orientation::showContactMm2));
    }

    private static double more(List<Orientation> usual, List<Orientation> now, ToDoubleFunction<Orientation> figure) {
        return Math.round(100 * (now.stream().mapToDouble(figure).sum() / usual.stream().mapToDouble(figure).sum() - 1)) + 0.0;
    }

    private Figures of(Catalogue c, boolean cut) {
        var wants = List.of(Want.ofBuild(PlanFigures.TASKS), Want.ofBuild(PlanFigures.SCHEDULE), Want.ofBuild(ShelfFigures.NEEDS));
        var d = Workings.derive(new World(demo.build(), demo.meshes(), c, new SimulatedWeather(11), Workings.rounded(clock)), wants, memo,
                Progress.NONE);
        double hand = d.require(PlanFigures.TASKS)
                .list()
                .stream()
                .filter(t -> t.operation() != Operation.PRINT)
                .mapToDouble(t -> t.activeH())
                .sum();
        double buy = d.require(ShelfFigures.NEEDS).lines().stream().mapToDouble(l -> l.needed()).sum();
        return new Figures(hand, d.require(PlanFigures.SCHEDULE).finish(), buy,
                cut ? Optional.of(plan(PlanWishes.Rates.usual(PlanWishes.Labour.of(c)))) : Optional.empty());
    }

    private SectionPlan plan(PlanWishes.Rates rates) {
        var mesh = demo.meshes().get(demo.build().props().getFirst().mesh()).orElseThrow();
        var wishes = PlanWishes.of(new Bed(210, 210, 245)).withRates(rates);
        return switch (SectionPlanner.plan(mesh, 1.04, wishes, Progress.NONE, p -> {})) {
            case SectionPlanner.Outcome.Planned p -> p.best(SectionPlan.Aim.CHEAPEST);
            case SectionPlanner.Outcome.Impossible i -> throw new IllegalStateException(i.toString());
        };
    }

    private static String words(SectionPlan p, SectionPlan usual) {
        return p.tree().equals(usual.tree()) ? "same"
                : String.format(Locale.ROOT, "%d parts, seams %+.0f mm", p.sections(), p.seamMm() - usual.seamMm());
    }

    private static String number(double v) {
        return String.format(Locale.ROOT, v >= 1000 ? "%.0f" : "%.4g", v).replaceAll("(\\.\\d*?)0+$", "$1").replaceAll("\\.$", "");
    }

    private static String pair(List<Double> hours) {
        return hours.stream().allMatch(h -> Math.abs(h) < NOTHING_H) ? ""
                : String.format(Locale.ROOT, "%+.1f to %+.1f", hours.getFirst(), hours.getLast());
    }

    private static String percent(List<Double> shares) {
        return shares.stream().allMatch(s -> Math.abs(s) < 0.5) ? ""
                : String.format(Locale.ROOT, "%+.0f to %+.0f %%", shares.getFirst(), shares.getLast());
    }
}
