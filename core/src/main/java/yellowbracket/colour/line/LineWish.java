package yellowbracket.colour.line;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/**
 * Which grooves and raised lines are painted by hand, and how fast this maker is.
 * @param kinds that are painted, none for no lines @param tool empty for the quickest that works @param widestMm on the prop; what is wider
 * is a zone @param leastMm shorter ones are left @param left places of lines that are left out, model mm @param strips tried
 */
@RecordBuilder
public record LineWish(Set<SurfaceLine.Kind> kinds, String hex, Optional<LineTool> tool, double widestMm, double leastMm, List<Vec3> left,
        List<Strip> strips) implements LineWishBuilder.With {
    public static final double LEAST_WIDE_MM = 0.8, MOST_WIDE_MM = 10, LEAST_LONG_MM = 5, MOST_LONG_MM = 500;
    public static final LineWish NONE = new LineWish(Set.of(), "#17191b", Optional.empty(), 4, 25, List.of(), List.of());
    /** A place nearer than this to a line, mm, is on it. */
    private static final double ON_MM = 3;
    private static final int MOST = 1000;

    /** A strip with grooves like those of the prop, painted against the clock. */
    public record Strip(LineTool tool, double lengthMm, double minutes) {
        public Strip {
            java.util.Objects.requireNonNull(tool, "tool");
            Limits.within("length painted on the strip, mm", lengthMm, 20, 20_000);
            Limits.within("minutes for the strip", minutes, 0.1, 600);
        }
    }

    public LineWish {
        kinds = Collections.unmodifiableSet(new TreeSet<>(kinds));
        left = List.copyOf(left);
        strips = List.copyOf(strips);
        java.util.Objects.requireNonNull(tool, "tool");
        if (!hex.matches("#[0-9a-fA-F]{6}")) throw new IllegalArgumentException("colour of lines: write it as #1f5156, not " + hex);
        Limits.within("widest line, mm", widestMm, LEAST_WIDE_MM, MOST_WIDE_MM);
        Limits.within("shortest line, mm", leastMm, LEAST_LONG_MM, MOST_LONG_MM);
        if (left.size() > MOST || strips.size() > MOST) throw new IllegalArgumentException("more lines or strips than any prop has");
    }

    public boolean none() {
        return kinds.isEmpty();
    }

    /** @param line as it was found, model mm @param scale of the model */
    public boolean paints(SurfaceLine line, double scale) {
        return kinds.contains(line.kind()) && line.lengthMm() * scale >= leastMm && left.stream().noneMatch(p -> line.distance(p) < ON_MM);
    }

    /** One line left out, or taken in again. */
    public LineWish turned(SurfaceLine line) {
        var now = left.stream().filter(p -> line.distance(p) >= ON_MM).toList();
        if (now.size() < left.size()) return withLeft(now);
        var more = new java.util.ArrayList<>(left);
        more.add(line.at());
        return withLeft(more);
    }
}
