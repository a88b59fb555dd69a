package yellowbracket.derive;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Reserved;

/**
 * What a rule may look at. Each answer is recorded with its question: as long as all of them, asked again in order, give equal answers, the
 * rule need not run again. Questions look at nothing but what they are handed and answers read before.
 */
public interface Reads {
    /** Of the same prop, or of the build. Leaves the rule when there is none: it is then blocked, or absent as well. */
    <T> T get(Figure<T> figure);

    <T> T get(Figure<T> figure, String prop);

    /** Empty where it is absent, failed or blocked. */
    <T> Optional<T> find(Figure<T> figure);

    <T> Optional<T> find(Figure<T> figure, String prop);

    /** The reason where it has failed or is blocked. */
    Optional<String> whyNot(Figure<?> figure, String prop);

    /** A decision of the prop. */
    <V> V of(Function<Prop, V> question);

    <V> V build(Function<Build, V> question);

    <V> V shop(Function<Catalogue, V> question);

    /** The mesh of the prop's file, as it came. */
    Mesh file();

    /** A mesh of the build by its content hash; empty where it is not loaded. */
    Optional<Mesh> mesh(String hash);

    WeatherFeed weather();

    /** What other builds need of the shelf they share with this one. */
    List<Reserved> reserved();

    LocalDateTime now();

    /** The prop's id. */
    String prop();

    Progress progress();

    /** The value made last, whatever it was made from, and not recorded: for a first guess that is soon replaced. */
    <T> Optional<T> newest(Figure<T> figure);

    /** Thrown by a rule whose figure this prop does not have: nobody wears it, it has no seams. */
    RuntimeException none();
}
