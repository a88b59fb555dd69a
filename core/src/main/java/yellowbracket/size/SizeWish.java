package yellowbracket.size;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Limits;
import yellowbracket.work.Station;
import yellowbracket.finding.Fix;

/**
 * How large a prop is and for whom. {@code use}: what is done with it, empty while nobody has said. {@code wearers} by name, the first
 * counts; none for a prop that nobody puts on. {@code keyPoints}: places of the model whose heights matter; {@code exposures}: what it goes
 * through; {@code references}: pictures of what it is to look like.
 */
@RecordBuilder
public record SizeWish(Reshape reshape, double scale, Optional<Use> use, List<String> wearers, List<KeyPoint> keyPoints,
        List<Exposure> exposures, List<Reference> references) implements SizeWishBuilder.With {
    public static final SizeWish AS_IT_IS = new SizeWish(Reshape.NONE, 1, Optional.empty(), List.of(), List.of(), List.of(), List.of());

    public SizeWish {
        if (!(scale > 0 && scale < 100)) throw new IllegalArgumentException("scale must lie between 0 and 100, was " + scale);
        wearers = List.copyOf(wearers);
        keyPoints = List.copyOf(keyPoints);
        references = List.copyOf(references);
        Limits.distinct("references", references, Reference::name);
        exposures = exposures.stream().distinct().sorted().toList();
    }

    /** Used so: what nobody puts on has no wearers. */
    public SizeWish usedAs(Use u) {
        return withUse(Optional.of(u)).withWearers(u.worn() ? wearers : List.of());
    }

    /** Worn by these, the first counts. */
    public SizeWish wornBy(List<String> names) {
        return withUse(names.isEmpty() ? use : use.filter(Use::worn)).withWearers(names);
    }

    /** Whether it is still to be said what is done with it. */
    public boolean asks() {
        return use.isEmpty() && wearers.isEmpty();
    }

    /** A named place, instead of the one that had the name. */
    public SizeWish withKeyPoint(KeyPoint p) {
        return withKeyPoints(Stream.concat(withoutKeyPoint(p.name()).keyPoints.stream(), Stream.of(p)).toList());
    }

    public SizeWish withoutKeyPoint(String name) {
        return withKeyPoints(keyPoints.stream().filter(q -> !q.name().equals(name)).toList());
    }

    /** Something it goes through, or no more. */
    public SizeWish exposed(Exposure e, boolean on) {
        var rest = exposures.stream().filter(q -> q != e);
        return withExposures((on ? Stream.concat(rest, Stream.of(e)) : rest).toList());
    }

    /** A reference instead of the one of that name, or one more. */
    public SizeWish withReference(Reference r) {
        boolean known = references.stream().anyMatch(q -> q.name().equals(r.name()));
        return withReferences(
                (known ? references.stream().map(q -> q.name().equals(r.name()) ? r : q) : Stream.concat(references.stream(), Stream.of(r)))
                        .toList());
    }

    public SizeWish withoutReference(String name) {
        return withReferences(references.stream().filter(q -> !q.name().equals(name)).toList());
    }

    /** What the model lacks of its references, and what nobody has looked at yet: before the first print and before paint. */
    public List<Finding> lacks() {
        var out = new ArrayList<Finding>();
        for (var r : references) {
            var missing = r.features().stream().filter(f -> f.state() == Reference.State.MISSING).map(Reference.Feature::words).toList();
            var open = r.features().stream().filter(f -> f.state() == Reference.State.OPEN).map(Reference.Feature::words).toList();
            if (!missing.isEmpty())
                out.add(Finding.care("the model lacks what " + r.name() + " shows: " + String.join(", ", missing) + "; add it, or waive it")
                        .fixedBy(Fix.go("references", Station.SIZE, "looks")));
            if (!open.isEmpty()) out.add(Finding.note("not looked at yet in " + r.name() + ": " + String.join(", ", open))
                    .fixedBy(Fix.go("references", Station.SIZE, "looks")));
        }
        return out;
    }

    /** The change that takes a scale. */
    public static Fix scaleTo(double scale) {
        return new Fix.Change<>(String.format(Locale.ROOT, "scale to %.1f %%", 100 * scale), SizeWish.class, w -> w.withScale(scale));
    }

    public boolean worn() {
        return !wearers.isEmpty();
    }
}
