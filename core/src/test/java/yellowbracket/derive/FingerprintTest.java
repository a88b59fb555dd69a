package yellowbracket.derive;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Side;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.work.Station;

class FingerprintTest {
    private record Pair(Object a, Object b) {}

    private static Mesh ball() {
        return Shapes.sphere(20, 8);
    }

    private static ZoneMap zones(double at) {
        return ZoneMap.of(Side.of(Painted.all(ball(), 0), Vec3.Z, at, 1, Side.Only.ALL), ball().contentHash());
    }

    private static void alike(Object a, Object b) {
        assertThat(Fingerprint.of(a)).as(a + " and " + b).isPresent().isEqualTo(Fingerprint.of(b));
    }

    private static void apart(Object a, Object b) {
        assertThat(Fingerprint.of(a)).as(a + " and " + b).isPresent().isNotEqualTo(Fingerprint.of(b));
    }

    @Test
    void whatHoldsTheSameIsAlike() {
        alike(new Pair(1, "a"), new Pair(1, "a"));
        alike(ball(), ball());
        alike(zones(3), zones(3));
        alike(Catalogue.builtIn(), Catalogue.builtIn());
        alike(new double[] {1, 2}, new double[] {1, 2});
        alike(List.of(1, 2), new ArrayList<>(List.of(1, 2)));
    }

    @Test
    void setsAndMapsAreAlikeInAnyOrder() {
        var forth = new LinkedHashMap<String, Integer>();
        var back = new LinkedHashMap<String, Integer>();
        for (int i = 0; i < 50; i++) forth.put("k" + i, i);
        for (int i = 49; i >= 0; i--) back.put("k" + i, i);
        alike(forth, back);
        alike(new HashSet<>(forth.values()), new HashSet<>(back.values()));
        apart(forth, Map.of("k0", 0));
    }

    /** The same surface, as another kind of file numbers it, or a hair beside it. */
    @Test
    void meshesAreToldApartByTheirNumbersToo() {
        var corners = new ArrayList<Vec3>();
        for (int f = 0; f < ball().triangleCount(); f++) for (int k = 0; k < 3; k++) corners.add(ball().corner(f, k));
        var triangles = new int[corners.size()];
        Arrays.setAll(triangles, i -> i);
        var asSoup = Mesh.of(corners.stream().flatMapToDouble(p -> DoubleStream.of(p.x(), p.y(), p.z())).toArray(), triangles);
        assertThat(asSoup.contentHash()).isEqualTo(ball().contentHash());
        apart(ball(), asSoup);
        var beside = ball().mapped(p -> new Vec3(Math.nextUp(p.x()), p.y(), p.z()));
        assertThat(beside.contentHash()).isEqualTo(ball().contentHash());
        apart(ball(), beside);
    }

    /** Each of these differs from each other one. */
    @Test
    void whatDiffersIsToldApart() {
        var all = Arrays.asList(null, "", "a", 0, 0L, 0.0, -0.0, 0f, false, 'a', List.of(), List.of("a"), List.of("a", "b"),
                List.of("b", "a"), List.of("ab"), List.of(List.of("a"), "b"), List.of("a", List.of("b")), Map.of("a", "b"),
                Optional.of("a"), Optional.empty(), OptionalDouble.of(0), Station.SIZE, Station.CUT, "SIZE", new Pair("a", "b"),
                new Pair("b", "a"), new Vec3(1, 2, 3), new Vec3(1, 2, Math.nextUp(3.0)), LocalDateTime.of(2026, 1, 1, 0, 0),
                LocalDateTime.of(2026, 1, 1, 0, 5), Duration.ofHours(1), ball(), Shapes.sphere(20, 9), zones(3), zones(4),
                new double[] {1, 2}, new int[] {1, 2});
        for (int i = 0; i < all.size(); i++) for (int j = 0; j < i; j++) apart(all.get(i), all.get(j));
    }

    @Test
    void whatCannotBeLookedIntoHasNone() {
        UnaryOperator<String> function = s -> s;
        assertThat(Fingerprint.of(function)).isEmpty();
        assertThat(Fingerprint.of(new Pair(1, List.of(function)))).isEmpty();
        assertThat(Fingerprint.of(new Object())).isEmpty();
        assertThat(Fingerprint.of(new FingerprintTest())).as("compares by identity").isEmpty();
        assertThat(Fingerprint.of(new Changing())).as("may change later").isEmpty();
    }

    private static final class Changing {
        private int value;

        @Override
        public boolean equals(Object o) {
            return o instanceof Changing c && c.value == value;
        }

        @Override
        public int hashCode() {
            return value;
        }
    }
}
