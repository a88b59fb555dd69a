package yellowbracket.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** A schedule as lanes of time: hands, spraying, each printer, what dries and cures by itself. */
public record Board(List<Lane> lanes) {
    public enum Kind { HANDS, SPRAY, PRINTER, WAIT }

    /** @param rows bars that do not meet in each */
    public record Lane(String name, Kind kind, List<List<Bar>> rows) {
        public Lane {
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    /**
     * A sitting, a print, or a wait.
     *
     * @param latest when the task must begin at the latest @param shut while a film beneath is closed: the bar lies before or after it
     */
    public record Bar(Task task, LocalDateTime from, LocalDateTime to, Optional<LocalDateTime> latest, List<Shut> shut) {
        public Bar {
            shut = List.copyOf(shut);
        }

        boolean meets(Bar o) {
            return from.isBefore(o.to) && o.from.isBefore(to);
        }
    }

    /** Nothing goes on between. */
    public record Shut(LocalDateTime from, LocalDateTime to) {}

    public Board {
        lanes = List.copyOf(lanes);
    }

    /** What is ahead, and what still dries. @param latest starts by task */
    public static Board of(Schedule s, Map<TaskId, LocalDateTime> latest) {
        var hands = new TreeMap<String, List<Bar>>();
        var spray = new ArrayList<Bar>();
        var waits = new ArrayList<Bar>();
        var printers = new TreeMap<String, List<Bar>>();
        for (var p : s.placed()) {
            var into = switch (p.task().resource()) {
                case PERSON -> hands.computeIfAbsent(p.who(), k -> new ArrayList<>());
                case SPRAY -> spray;
                case PRINTER -> printers.computeIfAbsent(p.task().printer(), k -> new ArrayList<>());
            };
            for (var part : p.parts()) if (part.to().isAfter(part.from()) && !p.done())
                into.add(new Bar(p.task(), part.from(), part.to(), Optional.ofNullable(latest.get(p.task().id())), shut(p, s)));
            boolean dries = p.ready().isAfter(p.end()) && p.ready().isAfter(s.now());
            if (dries) waits.add(new Bar(p.task(), p.end(), p.ready(), Optional.empty(), List.of()));
        }
        var out = new ArrayList<Lane>();
        hands.forEach((who, bars) -> out.add(lane(who.isEmpty() ? "by hand" : who, Kind.HANDS, bars)));
        out.add(lane("spray", Kind.SPRAY, spray));
        printers.forEach((name, bars) -> out.add(lane(name, Kind.PRINTER, bars)));
        out.add(lane("dries, cures", Kind.WAIT, waits));
        return new Board(out.stream().filter(l -> !l.rows.isEmpty()).toList());
    }

    private static List<Shut> shut(Schedule.Placed p, Schedule s) {
        return p.task()
                .closed()
                .stream()
                .flatMap(c -> s.placed(c.after()).stream().map(b -> new Shut(later(b.end(), c.fromH()), later(b.end(), c.againH()))))
                .toList();
    }

    private static LocalDateTime later(LocalDateTime t, double hours) {
        return t.plusMinutes(Math.round(60 * hours));
    }

    /** Each bar in the first row that is free: as few rows as bars that run at once. */
    private static Lane lane(String name, Kind kind, List<Bar> bars) {
        var rows = new ArrayList<List<Bar>>();
        for (var b : bars.stream().sorted(Comparator.comparing(Bar::from)).toList()) {
            var row = rows.stream().filter(r -> !r.getLast().meets(b)).findFirst();
            if (row.isPresent()) row.get().add(b);
            else rows.add(new ArrayList<>(List.of(b)));
        }
        return new Lane(name, kind, rows);
    }
}
