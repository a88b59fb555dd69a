package yellowbracket.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * Proves a schedule against the calendars it was made for, sharing nothing with the scheduler: hours and skills of people, breaks, noise,
 * dust while somebody sprays, weather, printers' quiet hours, what was pinned. {@link Schedule#conflicts} has the order of tasks.
 */
public record Checker(Crew crew, BiPredicate<Task, LocalDateTime> sprayable, Map<String, Quiet> quiet, Map<TaskId, LocalDateTime> notBefore,
        Set<TaskId> running) {
    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);

    /** What is broken, in words; of a schedule that keeps all it should nothing. */
    public List<String> check(Schedule s) {
        var out = new ArrayList<>(s.conflicts());
        for (var p : s.placed()) {
            if (p.done() || running.contains(p.task().id())) continue;
            var pin = notBefore.get(p.task().id());
            if (pin != null && p.start().isBefore(pin)) out.add(p.task().name() + " begins before " + WHEN.format(pin));
            if (p.task().resource() == Task.Resource.PRINTER) print(p, out);
            else byHand(p, out);
        }
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

    private void byHand(Schedule.Placed p, List<String> out) {
        var t = p.task();
        var helper = crew.helpers().stream().filter(h -> h.name().equals(p.who())).findFirst();
        if (!p.who().isEmpty() && (helper.isEmpty() || !helper.get().can(t))) out.add(p.who() + " does not do " + t.name());
        var spans = helper.map(Helper::spans).orElse(crew.maker().spans());
        long minutes = 0;
        Schedule.Part last = null;
        for (var part : p.parts()) {
            long length = Duration.between(part.from(), part.to()).toMinutes();
            minutes += length;
            if (length > 0 && !within(part, spans)) out.add(t.name() + " is outside of working hours, " + WHEN.format(part.from()));
            if (WorkRules.tires(t) && t.doer().splits()) tires(p, part, last, length, out);
            if (WorkRules.loud(t) && crew.rules().quiet().filter(q -> noisy(part, q)).isPresent())
                out.add(t.name() + " makes noise in quiet hours, " + WHEN.format(part.from()));
            last = part;
        }
        if (minutes != Math.round(60 * t.activeH())) out.add(t.name() + " gets " + minutes + " minutes");
        if (!t.doer().splits() && p.parts().size() > 1) out.add(t.name() + " is done in pieces and cannot be");
        if (t.resource() == Task.Resource.SPRAY) for (var at = p.start(); at.isBefore(p.end()); at = at.plusHours(1))
            if (!sprayable.test(t, at)) out.add(t.name() + " is sprayed in weather that is not fit for it, " + WHEN.format(at));
    }

    private void tires(Schedule.Placed p, Schedule.Part part, Schedule.Part last, long length, List<String> out) {
        if (length > crew.rules().sittingMin()) out.add(p.task().name() + " goes on for " + length + " minutes without a break");
        if (last != null && Duration.between(last.from(), last.to()).toMinutes() == crew.rules().sittingMin()
                && Duration.between(last.to(), part.from()).toMinutes() < crew.rules().breakMin())
            out.add(p.task().name() + " goes on too soon after an hour");
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
