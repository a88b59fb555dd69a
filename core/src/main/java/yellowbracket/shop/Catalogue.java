package yellowbracket.shop;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;

/**
 * Starting values from common workshop practice, generic names only. A product's label and the maker's own log override them.
 * {@code morePrinters}: kinds that may be added to the shop. {@code practice}: every {@link Practice} with its range.
 */
public record Catalogue(List<Material> materials, List<Profile> profiles, List<Printer> printers, List<Printer> morePrinters,
        List<JoinProduct> joins, List<Coating> coatings, List<Grit> grits, List<Double> foamsMm, Map<Practice, Usual> practice,
        double sheetDm2, double sheetCost) {

    /** Read when it is first asked for; it never changes. */
    private static final class BuiltIn {
        private static final Catalogue READ = read();

        private static Catalogue read() {
            try (var in = Catalogue.class.getResourceAsStream("catalogue.json")) {
                return new ObjectMapper().registerModule(new Jdk8Module())
                        .registerModule(new JavaTimeModule())
                        .readValue(in, Catalogue.class);
            } catch (IOException e) {
                throw new UncheckedIOException("the built-in catalogue is damaged", e);
            }
        }
    }

    public Catalogue {
        materials = List.copyOf(materials);
        profiles = List.copyOf(profiles);
        printers = List.copyOf(printers);
        morePrinters = List.copyOf(morePrinters);
        joins = List.copyOf(joins);
        coatings = List.copyOf(coatings);
        grits = List.copyOf(grits);
        foamsMm = List.copyOf(foamsMm);
        practice = Map.copyOf(practice);
        for (var p : Practice.values()) if (!practice.containsKey(p)) throw new IllegalArgumentException("the catalogue has no " + p);
    }

    /** The catalogue that ships with the program. */
    public static Catalogue builtIn() {
        return BuiltIn.READ;
    }

    public Material material(String name) {
        return materials.stream()
                .filter(m -> m.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no material " + name));
    }

    public Coating coating(String name) {
        return coatings.stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no coating " + name));
    }

    public JoinProduct join(String name) {
        return joins.stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no way to join " + name));
    }

    public Profile profile(String name) {
        return profiles.stream()
                .filter(p -> p.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no profile " + name));
    }

    /** What is usual where nobody knows better. */
    public double usual(Practice p) {
        return practice.get(p).value();
    }
}
