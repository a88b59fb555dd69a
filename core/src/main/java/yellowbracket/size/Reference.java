package yellowbracket.size;

import java.util.List;
import java.util.stream.Stream;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/**
 * A picture of what the prop is to look like, and what of it must be there.
 * @param variant which of several looks it shows, empty for the only one
 * @param photo its content's name in the build
 * @param pairs places of the model, in its coordinates, and where they are seen in the picture
 */
public record Reference(String name, String variant, String photo, List<Pair> pairs, List<Feature> features) {
    /** With more the first ones count. */
    public static final int MOST_PAIRS = 4;

    /** @param u from the left and {@code v} from the top, as shares of the picture's width: 1 is the right edge */
    public record Pair(Vec3 model, double u, double v) {
        public Pair {
            Limits.within("a place in a picture", u, -1, 2);
            Limits.within("a place in a picture", v, -1, 20);
        }
    }

    /** What was found when the model was held against it. */
    public enum State {
        OPEN("to look at"), THERE("there"), MISSING("missing"), WAIVED("waived");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param count of countable marks, such as rivets; 0 for what is not counted */
    public record Feature(String what, int count, State state) {
        public Feature {
            Limits.named("a feature", what);
            if (count < 0 || count > 10_000) throw new IllegalArgumentException("so many marks nobody counts: " + count);
        }

        public Feature as(State s) {
            return new Feature(what, count, s);
        }

        public String words() {
            return what + (count > 0 ? " (" + count + ")" : "");
        }
    }

    public Reference {
        Limits.named("a reference", name);
        pairs = List.copyOf(pairs.subList(0, Math.min(MOST_PAIRS, pairs.size())));
        features = List.copyOf(features);
    }

    public Reference with(Pair p) {
        return new Reference(name, variant, photo, Stream.concat(pairs.stream(), Stream.of(p)).toList(), features);
    }

    public Reference withoutPairs() {
        return new Reference(name, variant, photo, List.of(), features);
    }

    public Reference withVariant(String v) {
        return new Reference(name, v, photo, pairs, features);
    }

    /** A feature instead of the one of the same words, or one more. */
    public Reference with(Feature f) {
        boolean known = features.stream().anyMatch(q -> q.what().equals(f.what()));
        var all = known ? features.stream().map(q -> q.what().equals(f.what()) ? f : q) : Stream.concat(features.stream(), Stream.of(f));
        return new Reference(name, variant, photo, pairs, all.toList());
    }

    public Reference without(Feature f) {
        return new Reference(name, variant, photo, pairs, features.stream().filter(q -> !q.what().equals(f.what())).toList());
    }
}
