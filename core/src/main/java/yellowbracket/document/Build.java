package yellowbracket.document;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.derive.Workings;
import yellowbracket.log.Entry;
import yellowbracket.plan.WorkHours;
import yellowbracket.print.QueueWish;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.shop.Spool;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Wearer;

/**
 * One project: decisions and facts only; everything else is derived by {@link Workings}. Immutable. It carries the wearers, printers and
 * stock it was
 * planned with, and the
 * {@code rates} the shop had learned before it, so that a file opens the same on another machine. {@code due}: when it must be ready.
 */
public record Build(String name, LocalDateTime started, String event, LocalDateTime due, List<Prop> props, List<Wearer> wearers,
        List<Printer> printers, WorkHours hours, double shopCelsius, long seed, List<StockItem> stock, List<Spool> spools, QueueWish queue,
        List<Entry> log, Map<String, Rate> rates) {
    /** The random seed only the demo build has. */
    public static final long DEMO_SEED = 20260312;

    public Build {
        props = List.copyOf(props);
        wearers = List.copyOf(wearers);
        printers = List.copyOf(printers);
        stock = List.copyOf(stock);
        spools = List.copyOf(spools);
        log = List.copyOf(log);
        rates = java.util.Collections.unmodifiableSortedMap(new java.util.TreeMap<>(rates));
    }

    /** Nothing in it yet; ready in six weeks. It takes what the shop has and knows. */
    public static Build empty(LocalDateTime now, ShopFile shop) {
        return new Build("new build", now, "ready by", now.toLocalDate().plusWeeks(6).atTime(8, 0), List.of(), shop.wearers(),
                shop.printers(), WorkHours.evenings(), 20, 1, shop.stock(), shop.spools(), QueueWish.NONE, List.of(), shop.rates());
    }

    /** Whether this is the made-up demo build, whose people and hours are nobody's. */
    public boolean demo() {
        return seed == DEMO_SEED;
    }

    /** What tells it from other builds of the same shop. */
    public String key() {
        return name + " @ " + started;
    }

    public Optional<Prop> prop(String id) {
        return props.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    public Optional<Wearer> wearer(String name) {
        return wearers.stream().filter(w -> w.name().equals(name)).findFirst();
    }

    /** The same with the prop of that id replaced, or added at the end. */
    public Build with(Prop prop) {
        var list = new ArrayList<Prop>();
        boolean found = false;
        for (var p : props) {
            boolean same = p.id().equals(prop.id());
            found |= same;
            list.add(same ? prop : p);
        }
        if (!found) list.add(prop);
        return new Build(name, started, event, due, list, wearers, printers, hours, shopCelsius, seed, stock, spools, queue, log, rates);
    }

    public Build withoutProp(String id) {
        return new Build(name, started, event, due, props.stream().filter(p -> !p.id().equals(id)).toList(), wearers, printers, hours,
                shopCelsius, seed, stock, spools, queue, log, rates);
    }

    public Build with(Wearer wearer) {
        var list = new ArrayList<>(wearers);
        list.removeIf(w -> w.name().equals(wearer.name()));
        list.add(wearer);
        return new Build(name, started, event, due, props, list, printers, hours, shopCelsius, seed, stock, spools, queue, log, rates);
    }

    public Build withPrinters(List<Printer> all) {
        return new Build(name, started, event, due, props, wearers, all, hours, shopCelsius, seed, stock, spools, queue, log, rates);
    }

    public Build with(Entry entry) {
        var list = new ArrayList<>(log);
        list.add(entry);
        return withLog(list);
    }

    public Build withLog(List<Entry> all) {
        return new Build(name, started, event, due, props, wearers, printers, hours, shopCelsius, seed, stock, spools, queue, all, rates);
    }

    public Build withDue(String what, LocalDateTime when) {
        return new Build(name, started, what, when, props, wearers, printers, hours, shopCelsius, seed, stock, spools, queue, log, rates);
    }

    public Build withHours(WorkHours w) {
        return new Build(name, started, event, due, props, wearers, printers, w, shopCelsius, seed, stock, spools, queue, log, rates);
    }

    public Build withSpools(List<Spool> all) {
        return new Build(name, started, event, due, props, wearers, printers, hours, shopCelsius, seed, stock, all, queue, log, rates);
    }

    public Build withQueue(QueueWish q) {
        return new Build(name, started, event, due, props, wearers, printers, hours, shopCelsius, seed, stock, spools, q, log, rates);
    }

    public Build withName(String n) {
        return new Build(n, started, event, due, props, wearers, printers, hours, shopCelsius, seed, stock, spools, queue, log, rates);
    }
}
