package yellowbracket.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import java.util.TreeMap;
import java.util.TreeSet;
import yellowbracket.finding.Limits;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.log.Entry;
import yellowbracket.log.Names;
import yellowbracket.plan.PlanWish;
import yellowbracket.plan.WorkHours;
import yellowbracket.print.QueueWish;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.shop.Spaces;
import yellowbracket.shop.Spool;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Wearer;
import yellowbracket.work.SectionId;

/**
 * One project: decisions and facts only; everything else is derived from it. Immutable. It carries the wearers, printers and stock it was
 * planned with, and the {@code rates} and {@code eyes} the shop had learned before it, so that a file opens the same on another machine.
 * {@code due}: when it must be ready; {@code settled}: the questions that need not be asked any more.
 */
@RecordBuilder
public record Build(String name, LocalDateTime started, String event, LocalDateTime due, List<Prop> props, List<Wearer> wearers,
        List<Printer> printers, WorkHours hours, double shopCelsius, long seed, List<StockItem> stock, List<Spool> spools, QueueWish queue,
        List<Entry> log, Map<String, Rate> rates, Eyes eyes, List<Question> settled, Spaces spaces, PaintShelf paints,
        PlanWish plan) implements BuildBuilder.With, Names {
    /** Until somebody names it. */
    public static final String UNNAMED = "new build";
    /** The random seed only the demo build has. */
    public static final long DEMO_SEED = 20260312;

    public Build {
        props = List.copyOf(props);
        wearers = List.copyOf(wearers);
        printers = List.copyOf(printers);
        stock = List.copyOf(stock);
        spools = List.copyOf(spools);
        log = List.copyOf(log);
        settled = settled.stream().distinct().sorted().toList();
        java.util.Objects.requireNonNull(eyes, "eyes");
        java.util.Objects.requireNonNull(spaces, "spaces");
        java.util.Objects.requireNonNull(paints, "paints");
        java.util.Objects.requireNonNull(plan, "plan");
        Limits.named("the build", name);
        Limits.date("the start of the build", started);
        Limits.date("the day it must be ready", due);
        Limits.within("warmth of the shop, degrees", shopCelsius, -40, 60);
        Limits.distinct("props", props, Prop::id);
        Limits.distinct("wearers", wearers, Wearer::name);
        Limits.distinct("printers", printers, Printer::name);
        Limits.distinct("spools", spools, Spool::name);
        rates = Collections.unmodifiableSortedMap(new TreeMap<>(rates));
    }

    /** Nothing in it yet; ready in six weeks. It takes what the shop has and knows. */
    public static Build empty(LocalDateTime now, ShopFile shop) {
        return BuildBuilder.builder()
                .name(UNNAMED)
                .started(now)
                .event("ready by")
                .due(now.toLocalDate().plusWeeks(6).atTime(8, 0))
                .props(List.of())
                .wearers(shop.wearers())
                .printers(shop.printers())
                .hours(shop.hours())
                .shopCelsius(shop.celsius())
                .seed(1)
                .stock(shop.stock())
                .spools(shop.spools())
                .queue(QueueWish.NONE)
                .log(List.of())
                .rates(shop.rates())
                .eyes(shop.eyes())
                .settled(shop.settled())
                .spaces(shop.spaces())
                .paints(shop.paints())
                .plan(PlanWish.NONE)
                .build();
    }

    /** Whether this is the made-up demo build, whose people and hours are nobody's. */
    public boolean demo() {
        return seed == DEMO_SEED;
    }

    /** Said, or that what is assumed is right. */
    public Build settling(Question q) {
        var all = new ArrayList<>(settled);
        all.add(q);
        return withSettled(all);
    }

    public boolean asks(Question q) {
        return !settled.contains(q);
    }

    /** What tells it from other builds of the same shop. */
    public String key() {
        return name + " @ " + started;
    }

    /** Names of all pictures it speaks of: of its log, and references of its props. */
    public Set<String> pictures() {
        var out = new TreeSet<String>();
        log.forEach(e -> out.addAll(e.photos()));
        props.forEach(p -> p.size().references().forEach(r -> out.add(r.photo())));
        return out;
    }

    /** Content hashes of meshes that zones were painted on. */
    public Stream<String> paintedOn() {
        return props.stream().flatMap(p -> p.colour().map().stream()).map(ZoneMap::mesh);
    }

    public Optional<Prop> prop(String id) {
        return props.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    public Optional<Wearer> wearer(String name) {
        return wearers.stream().filter(w -> w.name().equals(name)).findFirst();
    }

    @Override
    public Optional<SectionId> section(String letter) {
        if (!SectionId.isLetter(letter)) return Optional.empty();
        return props.stream().filter(p -> p.letters().holds(letter)).map(p -> p.section(letter)).findFirst();
    }

    @Override
    public Optional<Integer> cuts(String prop) {
        return prop(prop).map(p -> p.cut().revision());
    }

    /** The first letter that no prop's block holds. */
    public int freeLetter() {
        return props.stream().mapToInt(p -> p.letters().end()).max().orElse(0);
    }

    /** The same with the prop of that id replaced, or added at the end; its block of letters grows with its cuts, beyond all others. */
    public Build with(Prop prop) {
        var named = prop
                .withLetters(prop.letters().grownFor(prop.cut().tree().planeCount() + 1, Math.max(freeLetter(), prop.letters().end())));
        var list = new ArrayList<Prop>();
        boolean found = false;
        for (var p : props) {
            boolean same = p.id().equals(prop.id());
            found |= same;
            list.add(same ? named : p);
        }
        if (!found) list.add(named);
        return withProps(list);
    }

    public Build withoutProp(String id) {
        return withProps(props.stream().filter(p -> !p.id().equals(id)).toList());
    }

    public Build with(Wearer wearer) {
        var list = new ArrayList<>(wearers);
        list.removeIf(w -> w.name().equals(wearer.name()));
        list.add(wearer);
        return withWearers(list);
    }

    /** What it says was used comes off the shelf. */
    public Build with(Entry entry) {
        var list = new ArrayList<>(log);
        list.add(entry);
        return withLog(list).withStock(entry.used().map(u -> StockItem.less(stock, u.product(), u.amount(), u.unit())).orElse(stock));
    }

    public Build withDue(String what, LocalDateTime when) {
        return withEvent(what).withDue(when);
    }
}
