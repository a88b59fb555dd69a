package yellowbracket.build;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.log.Entry;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Wearer;

/**
 * One project: decisions and facts only; everything else is derived by {@link Workings}. Immutable. It carries the wearers, printers and stock it was
 * planned with, so that a file opens the same on another machine. {@code due}: when it must be ready.
 */
public record Build(String name, LocalDateTime started, String event, LocalDateTime due, List<Prop> props, List<Wearer> wearers, List<Printer> printers,
                    WorkHours hours, double shopCelsius, long seed, List<StockItem> stock, List<Entry> log) {
    public Build {
        props = List.copyOf(props);
        wearers = List.copyOf(wearers);
        printers = List.copyOf(printers);
        stock = List.copyOf(stock);
        log = List.copyOf(log);
    }

    /** Nothing in it yet; ready in six weeks. */
    public static Build empty(LocalDateTime now, List<Printer> printers) {
        return new Build("new build", now, "ready by", now.toLocalDate().plusWeeks(6).atTime(8, 0), List.of(), List.of(), printers, WorkHours.evenings(), 20, 1, List.of(), List.of());
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
        return new Build(name, started, event, due, list, wearers, printers, hours, shopCelsius, seed, stock, log);
    }

    public Build withoutProp(String id) {
        return new Build(name, started, event, due, props.stream().filter(p -> !p.id().equals(id)).toList(), wearers, printers, hours, shopCelsius, seed, stock, log);
    }

    public Build with(Wearer wearer) {
        var list = new ArrayList<>(wearers);
        list.removeIf(w -> w.name().equals(wearer.name()));
        list.add(wearer);
        return new Build(name, started, event, due, props, list, printers, hours, shopCelsius, seed, stock, log);
    }

    public Build withPrinters(List<Printer> all) {
        return new Build(name, started, event, due, props, wearers, all, hours, shopCelsius, seed, stock, log);
    }

    public Build with(Entry entry) {
        var list = new ArrayList<>(log);
        list.add(entry);
        return new Build(name, started, event, due, props, wearers, printers, hours, shopCelsius, seed, stock, list);
    }

    public Build withDue(String what, LocalDateTime when) {
        return new Build(name, started, what, when, props, wearers, printers, hours, shopCelsius, seed, stock, log);
    }

    public Build withHours(WorkHours w) {
        return new Build(name, started, event, due, props, wearers, printers, w, shopCelsius, seed, stock, log);
    }

    public Build withName(String n) {
        return new Build(n, started, event, due, props, wearers, printers, hours, shopCelsius, seed, stock, log);
    }
}
