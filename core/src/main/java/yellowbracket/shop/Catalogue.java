package yellowbracket.shop;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Starting values from common workshop practice, generic names only. A product's label and the maker's own log override them.
 * {@code morePrinters}: kinds that may be added to the shop. {@code practice}: every {@link Practice} with its range.
 */
public record Catalogue(List<Material> materials, List<Profile> profiles, List<Printer> printers, List<Printer> morePrinters,
        List<JoinProduct> joins, List<Coating> coatings, List<Lamp> lamps, List<Grit> grits, List<Foam> foams, List<Sheeting> sheets,
        Map<Practice, Usual> practice, List<Supply> supplies, double sheetDm2, double sheetCost) {

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
        lamps = List.copyOf(lamps);
        grits = List.copyOf(grits);
        foams = List.copyOf(foams);
        sheets = List.copyOf(sheets);
        practice = Map.copyOf(practice);
        supplies = List.copyOf(supplies);
        for (var p : Practice.values()) if (!practice.containsKey(p)) throw new IllegalArgumentException("the catalogue has no " + p);
    }

    /** The catalogue that ships with the program. */
    public static Catalogue builtIn() {
        return BuiltIn.READ;
    }

    public Material material(String name) {
        return materials.stream().filter(m -> m.name().equals(name)).findFirst().orElseThrow(() -> unknown("material", name));
    }

    /** How something is sold: the longest name that its own begins with; empty where nobody has said. */
    public Optional<Supply> supply(String name) {
        return supplies.stream().filter(s -> name.startsWith(s.product())).max(Comparator.comparingInt(s -> s.product().length()));
    }

    public Coating coating(String name) {
        return coatings.stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow(() -> unknown("coating", name));
    }

    public Lamp lamp(String name) {
        return lamps.stream().filter(l -> l.name().equals(name)).findFirst().orElseThrow(() -> unknown("lamp", name));
    }

    public JoinProduct join(String name) {
        return joins.stream().filter(c -> c.name().equals(name)).findFirst().orElseThrow(() -> unknown("way to join", name));
    }

    public Profile profile(String name) {
        return profiles.stream().filter(p -> p.name().equals(name)).findFirst().orElseThrow(() -> unknown("profile", name));
    }

    private static IllegalArgumentException unknown(String what, String name) {
        return new IllegalArgumentException("no " + what + " called \"" + name + "\" is known; choose another");
    }

    /** The same but for one value of practice, which must lie in its range. */
    public Catalogue with(Practice p, double value) {
        var changed = new EnumMap<>(practice);
        var range = practice.get(p);
        changed.put(p, new Usual(value, range.least(), range.most()));
        return new Catalogue(materials, profiles, printers, morePrinters, joins, coatings, lamps, grits, foams, sheets, changed, supplies,
                sheetDm2, sheetCost);
    }

    /** As the labels this maker has read have it; the same one where there is none. */
    public Catalogue with(List<ProductCard> cards) {
        if (cards.stream().allMatch(c -> c.label().isEmpty())) return this;
        return new Catalogue(materials, profiles, printers, morePrinters, joins, ProductCard.over(coatings, cards), lamps, grits, foams,
                sheets, practice, supplies, sheetDm2, sheetCost);
    }

    /** With its range. */
    public Usual practice(Practice p) {
        return practice.get(p);
    }

    /** What is usual where nobody knows better. */
    public double usual(Practice p) {
        return practice.get(p).value();
    }
}
