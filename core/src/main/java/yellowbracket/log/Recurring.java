package yellowbracket.log;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import yellowbracket.print.FailureKind;
import yellowbracket.print.SectionPrint;

/**
 * Lessons that come back: a print still ahead that is like one that failed, by what matters for that kind of failure, with the lesson
 * written after it or
 * what is usually done. Each failed print is compared as it stands in the plan now.
 */
public final class Recurring {
    /** As tall on as little: the lever of height over foot comes within this share. */
    private static final double AS_BAD = 0.8;

    private Recurring() {}

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /**
     * {@code section} ahead is in the same situation as {@code failed}, lost on {@code day} to {@code kind}; {@code lesson}: what to do.
     */
    public record Warning(String section, String failed, FailureKind kind, java.time.LocalDate day, String lesson) {
        public String words() {
            return String.format(Locale.ROOT, "section %s is in the same situation as %s, which failed on %s (%s)%s", section, failed,
                    DAY.format(day), kind.words(), lesson.isEmpty() ? "" : ": " + lesson);
        }
    }

    /** At most one a section: the newest. @param ahead prints not done yet @param all every print of the build by section */
    public static List<Warning> of(List<Entry> log, List<SectionPrint> ahead, Map<String, SectionPrint> all) {
        var out = new LinkedHashMap<String, Warning>();
        var printers = all.values().stream().map(p -> p.printer().tag()).collect(Collectors.toSet());
        for (int i = 0; i < log.size(); i++) {
            var e = log.get(i);
            if (e.kind() != Entry.Kind.FAILED) continue;
            String name = e.about().replaceFirst("^print:", "");
            var then = Optional.ofNullable(all.get(name));
            var kind = FailureKind.in(e.text());
            if (then.isEmpty() || kind == FailureKind.OTHER) continue;
            String lesson = lesson(log, i, e).orElse(kind.advice());
            for (var p : ahead) if (onSame(e, p, then.get(), printers) && alike(kind, p, then.get()) && !heeded(lesson, p))
                out.put(p.name(), new Warning(p.name(), name, kind, e.at().toLocalDate(), lesson));
        }
        return new ArrayList<>(out.values());
    }

    /** An entry that names no printer is about the one the plan gave that section. */
    private static boolean onSame(Entry e, SectionPrint ahead, SectionPrint then, Set<String> printers) {
        return e.tags().stream().noneMatch(printers::contains) ? ahead.printer().name().equals(then.printer().name())
                : e.tags().contains(ahead.printer().tag());
    }

    private static boolean alike(FailureKind kind, SectionPrint p, SectionPrint then) {
        return switch (kind) {
            case CAME_OFF -> p.orientation().lever() >= AS_BAD * then.orientation().lever();
            case LAYER_SHIFT -> p.orientation().size().z() >= AS_BAD * then.orientation().size().z();
            case WARPED -> p.profile().material().equals(then.profile().material())
                    && p.orientation().footMm2() >= AS_BAD * then.orientation().footMm2();
            case SUPPORT_FUSED -> p.orientation().showContactMm2() >= AS_BAD * then.orientation().showContactMm2()
                    && p.orientation().showContactMm2() > 0;
            case RAN_OUT -> p.grams() >= AS_BAD * then.grams();
            case CLOG, UNDER_EXTRUDED -> p.profile().material().equals(then.profile().material()) && p.hours() >= AS_BAD * then.hours();
            case POWER -> p.hours() >= AS_BAD * then.hours();
            case OTHER -> false;
        };
    }

    /** A brim that was asked for and is there settles it. */
    private static boolean heeded(String lesson, SectionPrint p) {
        return lesson.contains("brim") && p.profile().brimMm() > 0;
    }

    /** The first line beginning "lesson:" after the failure that shares a tag with it, or has none. */
    private static Optional<String> lesson(List<Entry> log, int from, Entry failed) {
        return log.subList(from + 1, log.size())
                .stream()
                .filter(e -> e.text().toLowerCase(Locale.ROOT).startsWith("lesson:"))
                .filter(e -> e.tags().isEmpty() || e.tags().stream().anyMatch(failed.tags()::contains))
                .findFirst()
                .map(e -> e.text().substring("lesson:".length()).replaceAll("#\\S+", "").strip());
    }
}
