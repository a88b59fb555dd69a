package yellowbracket.export;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import yellowbracket.colour.mark.Mark;

/** Stencils of marks at 1:1, as PDF with a ruler to check the printer by, and as SVG for a cutter. */
public final class Stencils {
    private Stencils() {}

    /** A4, each mark on as many pages as it takes, side by side. @throws IOException when it cannot be written */
    public static void pdf(List<Mark> marks, Path file) throws IOException {
        OneToOne.pdf(marks.stream().map(Stencils::pattern).toList(), file);
    }

    private static Pattern pattern(Mark m) {
        String gives = String.format(Locale.ROOT, "a flat sheet must give %.1f %%%s%s", 100 * m.stretch(),
                m.stretch() > Mark.GIVES ? ": cut it in pieces, or use a soft one" : "", m.mirrored() ? "; mirrored" : "");
        return new Pattern(m.name(), List.of(gives), m.outline(), List.of());
    }

    /** In millimetres, y down as SVG has it. @throws IOException when it cannot be written */
    public static void svg(Mark m, Path file) throws IOException {
        OneToOne.svg(m.name(), List.of(pattern(m)), "#000000", file);
    }
}
