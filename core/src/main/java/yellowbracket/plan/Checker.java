package yellowbracket.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.stream.Collectors;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * Proves a schedule against the calendars it was made for, sharing nothing with the scheduler: hours and skills of people, breaks, noise,
 * dust while somebody sprays, weather, printers' quiet hours, what was pinned. {@link Schedule#conflicts} has the order of tasks.
 */
public record Checker(Crew crew, BiPredicate<Task, LocalDateTime> sprayable, Map<String, Quiet> quiet, Map<TaskId, LocalDateTime> notBefore,
        Set<TaskId> running) {
    /** The spot stays laid out for so long. */
    private static final int LAID_OUT_MIN = 15;
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);

    /** What is broken, in words; of a schedule that keeps all it should nothing. */
    public List<String> check(Schedule s) {
        var out = new ArrayList<>(s.conflicts());
        for (var p : s.placed()) {
            if (p.done() || running.contains(p.task().id())) continue;
            var pin = notBefore.get(p.task().id());
            if (pin != null && p.start().isBefore(pin)) out.add(p.task().name() + " begins before " + WHEN.format(pin));
            if (p.task().resource() == Task.Resource.PRINTER) print(p, out);
            else byHand(p, s, out);
        }
        tires(s, out);
        air(s, out);
        return out;
    }

    private void print(Schedule.Placed p, List<String> out) {
        if (!crew.maker().present(p.start()).equals(p.start())) out.add(p.task().name() + " is started when nobody is there");
        var q = quiet.get(p.task().printer());
        if (q != null && q.holds(p.start().toLocalTime())) out.add(p.task().name() + " starts in the quiet hours of " + p.task().printer());
        long ran = 0;
        for (var t = p.start(); t.isBefore(p.end()); t = t.plusMinutes(1)) if (q == null || !q.holds(t.toLocalTime())) ran++;
        if (ran != Math.round(60 * p.task().activeH())) out.add(p.task().name() + " prints " + ran + " minutes");
    }

    /** Whether the same hands have sprayed something until just before, and nothing since. */
    private static boolean laidOut(Schedule.Placed p, Schedule s) {
        return s.placed()
                .stream()
                .filter(o -> !o.done() && o.task().resource() == Task.Resource.SPRAY && o.who().equals(p.who()) && o != p)
                .filter(o -> !o.end().isAfter(p.start()) && Duration.between(o.end(), p.start()).toMinutes() < LAID_OUT_MIN)
                .anyMatch(o -> s.placed()
                        .stream()
                        .filter(b -> !b.done() && b != o && b != p && b.task().resource() != Task.Resource.PRINTER
                                && b.who().equals(p.who()))
                        .flatMap(b -> b.parts().stream())
                        .noneMatch(q -> q.meets(new Schedule.Part(o.end(), p.start()))));
    }

    private void byHand(Schedule.Placed p, Schedule s, List<String> out) {
        var t = p.task();
        var helper = crew.helpers().stream().filter(h -> h.name().equals(p.who())).findFirst();
        if (!p.who().isEmpty() && (helper.isEmpty() || !helper.get().can(t))) out.add(p.who() + " does not do " + t.name());
        var spans = helper.map(Helper::spans).orElse(crew.maker().spans());
        long minutes = 0;
        for (var part : p.parts()) {
            long length = Duration.between(part.from(), part.to()).toMinutes();
            minutes += length;
            if (length > 0 && !within(part, spans)) out.add(t.name() + " is outside of working hours, " + WHEN.format(part.from()));
            if (WorkRules.loud(t) && crew.rules().quiet().filter(q -> noisy(part, q)).isPresent())
                out.add(t.name() + " makes noise in quiet hours, " + WHEN.format(part.from()));
        }
        long full = Math.round(60 * t.activeH()), less = full - Math.round(60 * t.effort().setupH());
        boolean sprays = t.resource() == Task.Resource.SPRAY;
        if (minutes != full && !(sprays && minutes == less && laidOut(p, s))) out.add(t.name() + " gets " + minutes + " minutes");
        if (!t.doer().splits() && p.parts().size() > 1) out.add(t.name() + " is done in pieces and cannot be");
        if (t.resource() == Task.Resource.SPRAY) for (var at = p.start(); at.isBefore(p.end()); at = at.plusHours(1))
            if (!sprayable.test(t, at)) out.add(t.name() + " is sprayed in weather that is not fit for it, " + WHEN.format(at));
    }

    /** No more dust and fine work on end than is good for anybody, all tasks of one person together. */
    private void tires(Schedule s, List<String> out) {
        record Sitting(Schedule.Placed of, Schedule.Part part) {}
        var by = s.placed()
                .stream()
                .filter(p -> !p.done() && p.task().resource() == Task.Resource.PERSON && WorkRules.tires(p.task()))
                .flatMap(p -> p.parts().stream().map(q -> new Sitting(p, q)))
                .filter(x -> x.part.from().isBefore(x.part.to()))
                .sorted(Comparator.comparing(x -> x.part.from()))
                .collect(Collectors.groupingBy(x -> x.of.who()));
        by.forEach((who, sittings) -> {
            long run = 0;
            Sitting last = null;
            for (var x : sittings) {
                boolean rested = last == null || Duration.between(last.part.to(), x.part.from()).toMinutes() >= crew.rules().breakMin();
                long length = Duration.between(x.part.from(), x.part.to()).toMinutes();
                run = rested ? length : run + length;
                boolean stretch = rested && !x.of.task().doer().splits();
                if (run > crew.rules().sittingMin() && !stretch && crew.rules().breakMin() > 0)
                    out.add(x.of.task().name() + " makes it " + run + " minutes without a break, " + WHEN.format(x.part.from()));
                last = x;
            }
        });
    }

    private static boolean within(Schedule.Part part, List<WorkHours.Span> spans) {
        var day = part.from().getDayOfWeek();
        boolean overnight = !part.to().toLocalDate().equals(part.from().toLocalDate())
                && !part.to().toLocalTime().equals(LocalTime.MIDNIGHT);
        return !overnight && spans.stream()
                .anyMatch(s -> s.day() == day && !part.from().toLocalTime().isBefore(s.from()) && !part.to().toLocalTime().isAfter(s.to()));
    }

    private static boolean noisy(Schedule.Part part, Quiet q) {
        for (var t = part.from(); t.isBefore(part.to()); t = t.plusMinutes(1)) if (q.holds(t.toLocalTime())) return true;
        return false;
    }

    /** One sprays at a time, and nobody makes dust meanwhile. */
    private static void air(Schedule s, List<String> out) {
        var ahead = s.placed().stream().filter(p -> !p.done()).toList();
        for (var a : ahead) {
            if (a.task().resource() != Task.Resource.SPRAY) continue;
            for (var b : ahead) {
                boolean spot = b.task().resource() == Task.Resource.SPRAY && a.task().id().text().compareTo(b.task().id().text()) < 0;
                boolean dust = b.task().resource() == Task.Resource.PERSON && WorkRules.dusty(b.task());
                if (!spot && !dust) continue;
                for (var x : a.parts()) for (var y : b.parts()) if (x.meets(y)) out.add(a.task().name()
                        + (spot ? " and " + b.task().name() + " want the same spot" : " is sprayed into the dust of " + b.task().name()));
            }
        }
    }
}
