package yellowbracket.cut.registration;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;

/** Name, arrow up and scale for every section, each in its largest mating face that has the room; sections without such a face are told. */
record Lettering(List<Marked> marks, Optional<String> finding) {

    /** The marks of one section and the plane of the face they go into. */
    record Marked(String section, int plane, List<CapFeature> marks) {}

    /** What is worked already into a section's face on a plane. Asked from several threads. */
    interface Taken {
        List<CapFeature> on(String section, int plane);
    }

    /** @param scale told in per cent after the name */
    static Lettering of(Sectioning sections, double scale, Taken taken) {
        var marks = sections.sections()
                .parallelStream()
                .map(s -> marked(s.name(), sections.seams(), scale, taken))
                .flatMap(Optional::stream)
                .toList();
        var missing = sections.sections()
                .stream()
                .map(Section::name)
                .filter(n -> marks.stream().noneMatch(l -> l.section.equals(n)) && sections.seams().stream().anyMatch(q -> touches(q, n)))
                .toList();
        var finding = missing.isEmpty() ? Optional.<String>empty()
                : Optional.of((missing.size() == 1 ? "section " : "sections ") + String.join(", ", missing)
                        + ": no hidden face is wide enough for letters of 2.5 mm: pencil the name inside");
        return new Lettering(marks, finding);
    }

    private static boolean touches(Seam s, String section) {
        return s.first().equals(section) || s.second().equals(section);
    }

    private static Optional<Marked> marked(String name, List<Seam> seams, double scale, Taken taken) {
        var text = name + " " + Math.round(100 * scale);
        for (var seam : seams.stream()
                .filter(q -> touches(q, name))
                .sorted(Comparator.comparingDouble(Seam::areaMm2).reversed())
                .toList()) {
            var marks = FaceMark.of(seam, seam.above().equals(name), text, taken.on(name, seam.plane()));
            if (marks.isPresent()) return Optional.of(new Marked(name, seam.plane(), marks.get()));
        }
        return Optional.empty();
    }
}
