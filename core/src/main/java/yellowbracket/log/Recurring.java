package yellowbracket.log;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.print.FailureKind;
import yellowbracket.print.PrintRules;
import yellowbracket.print.SectionPrint;
import yellowbracket.work.SectionId;

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

    /** The print that failed, when, and how. */
    private record Loss(SectionPrint then, FailureKind kind, LocalDate day, String lesson) {}

    /** At most one a section: the newest. @param ahead prints not done yet @param all every print of the prop by section */
    public static List<Finding> of(List<Entry> log, List<SectionPrint> ahead, Map<SectionId, SectionPrint> all) {
        var out = new LinkedHashMap<SectionId, Finding>();
        var printers = all.values().stream().map(p -> p.printer().tag()).collect(Collectors.toSet());
        for (int i = 0; i < log.size(); i++) {
            var e = log.get(i);
            if (e.kind() != Entry.Kind.FAILED) continue;
            var then = e.printed().stream().map(all::get).filter(Objects::nonNull).findFirst();
            var kind = e.failure().orElse(FailureKind.OTHER);
            if (then.isEmpty() || kind == FailureKind.OTHER || kind.byHand()) continue;
            var loss = new Loss(then.get(), kind, e.at().toLocalDate(), lesson(log, i, e).orElse(kind.advice()));
            for (var p : ahead) if (onSame(e, p, loss.then, printers) && alike(kind, p, loss.then) && !heeded(loss.lesson, p))
                out.put(p.id(), finding(p, loss));
        }
        return List.copyOf(out.values());
    }

    private static Finding finding(SectionPrint p, Loss loss) {
        var found = Finding.of(Weight.CARE, Subject.section(p.id()), "section %s is in the same situation as %s, which failed on %s (%s)%s",
                p.name(), loss.then.name(), DAY.format(loss.day), loss.kind.words(), loss.lesson.isEmpty() ? "" : ": " + loss.lesson);
        return FailureKind.asksForBrim(loss.lesson) ? found.fixedBy(PrintRules.brim(p)) : found;
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
            case CANCELLED, OTHER -> false;
        };
    }

    /** A brim that was asked for and is there settles it. */
    private static boolean heeded(String lesson, SectionPrint p) {
        return FailureKind.asksForBrim(lesson) && p.profile().brimMm() > 0;
    }

    /** The first lesson after the failure that shares a tag with it, or has none. */
    static Optional<String> lesson(List<Entry> log, int from, Entry failed) {
        return log.subList(from + 1, log.size())
                .stream()
                .filter(e -> e.kind() == Entry.Kind.LESSON)
                .filter(e -> e.tags().isEmpty() || e.tags().stream().anyMatch(failed.tags()::contains))
                .findFirst()
                .flatMap(Entry::lesson);
    }
}
