package yellowbracket.log;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.SeamJoin;
import yellowbracket.mesh.Vec3;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/**
 * Something of a prop that broke: a seam, told by its two sections, or a section between its seams.
 * @param task mending it, counted by prop @param lesson written after it; empty for none
 * @param place in the model's own mm, where it was told
 */
public record Breakage(TaskId.Step task, LocalDate day, List<String> sections, String lesson, Optional<Vec3> place) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    /** As weak as what broke, or hardly better. */
    private static final double AS_WEAK = 1.15;

    public Breakage {
        sections = List.copyOf(sections);
    }

    /** Of one prop, in the order they happened. */
    public static List<Breakage> of(List<Entry> log, String prop) {
        var out = new ArrayList<Breakage>();
        for (int i = 0; i < log.size(); i++) {
            var e = log.get(i);
            var parts = e.printed();
            if (e.kind() != Entry.Kind.BROKE || parts.isEmpty() || !parts.getFirst().prop().equals(prop)) continue;
            out.add(new Breakage(new TaskId.Step(prop, TaskId.Series.MEND, out.size() + 1), e.at().toLocalDate(),
                    parts.stream().map(SectionId::letter).toList(), Recurring.lesson(log, i, e).orElse(""), e.place()));
        }
        return List.copyOf(out);
    }

    /** The seam that let go, if it was one and is there still. */
    public Optional<SeamJoin> seam(JoinPlan plan) {
        return plan.joins()
                .stream()
                .filter(j -> sections.size() == 2 && sections.contains(j.seam().first()) && sections.contains(j.seam().second()))
                .findFirst();
    }

    public String words() {
        return (sections.size() == 2 ? "seam " : "section ") + String.join("|", sections);
    }

    /** Seams made like one that broke, and slender sections like one that snapped, and no stronger. */
    public static List<Finding> alike(List<Breakage> all, JoinPlan plan) {
        var out = new ArrayList<Finding>();
        for (var b : all) plan.weakest().stream().filter(w -> b.sections.equals(List.of(w.section()))).findFirst().ifPresent(broke -> {
            for (var w : plan.weakest()) if (!w.equals(broke) && w.low() < JoinPlan.LEAST_RESERVE && w.low() <= AS_WEAK * broke.low())
                out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                        "section %s is as slender as %s and printed the same way, which snapped on %s%s", w.section(), broke.section(),
                        DAY.format(b.day), b.lesson.isEmpty() ? "" : ": " + b.lesson));
        });
        for (var b : all) b.seam(plan).ifPresent(broke -> {
            for (var j : plan.joins()) if (!j.equals(broke) && j.product().equals(broke.product()) && j.reserve() < JoinPlan.LEAST_RESERVE
                    && j.reserve() <= AS_WEAK * broke.reserve())
                out.add(Finding.of(Weight.CARE, Subject.seam(j.seam().name()),
                        "seam %s is joined with %s and no stronger than %s, which broke on %s%s", j.seam().name(), j.product().name(),
                        broke.seam().name(), DAY.format(b.day), b.lesson.isEmpty() ? "" : ": " + b.lesson));
        });
        return List.copyOf(out);
    }
}
