package yellowbracket.derive;

import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * One derived result: its name for people, its type, the rule that makes it. Declared as a constant beside its rule, in its station's
 * package.
 *
 * @param parts what of a value weighs: meshes, indexes, arrays
 * @param fingerprint what tells two values apart where comparing them, or keeping the older one, would cost too much
 * @param superseded kept no longer than it is the newest: large, and made again in a moment
 */
public record Figure<T>(String name, Scope scope, Class<T> type, Rule<T> rule, Function<T, Stream<?>> parts,
        Optional<Function<T, Object>> fingerprint, boolean superseded) {
    /** Whether there is one for each prop or one for the build. */
    public enum Scope { PROP, BUILD }

    /** Stands for the prop in figures of the build. */
    public static final String BUILD = "";

    public static <T> Figure<T> ofProp(String name, Class<T> type, Rule<T> rule) {
        return new Figure<>(name, Scope.PROP, type, rule, v -> Stream.empty(), Optional.empty(), false);
    }

    public static <T> Figure<T> ofBuild(String name, Class<T> type, Rule<T> rule) {
        return new Figure<>(name, Scope.BUILD, type, rule, v -> Stream.empty(), Optional.empty(), false);
    }

    public Figure<T> weighing(Function<T, Stream<?>> heavy) {
        return new Figure<>(name, scope, type, rule, heavy, fingerprint, superseded);
    }

    public Figure<T> notKeptWhenSuperseded() {
        return new Figure<>(name, scope, type, rule, parts, fingerprint, true);
    }

    public Figure<T> toldApartBy(Function<T, Object> print) {
        return new Figure<>(name, scope, type, rule, parts, Optional.of(print), superseded);
    }

    Key key(String prop) {
        return new Key(name, scope == Scope.BUILD ? BUILD : prop);
    }

    Stream<?> partsOf(Object value) {
        return parts.apply(type.cast(value));
    }

    Object fingerprintOf(Object value) {
        return fingerprint.orElseThrow().apply(type.cast(value));
    }

    /** Of which figure, of which prop. */
    record Key(String figure, String prop) {}

    @Override
    public String toString() {
        return name;
    }
}
