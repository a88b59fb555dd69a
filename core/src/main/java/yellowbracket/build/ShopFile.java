package yellowbracket.build;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.shop.Wearer;

/** The maker's own shop across builds: printers, wearers, stock, and what each build taught (rates by work, by {@link Build#key}). One JSON file in the user's configuration folder. */
public record ShopFile(int schema, List<Printer> printers, List<Wearer> wearers, List<StockItem> stock, Map<String, Map<String, Rate>> learned) {
    private static final ObjectMapper MAPPER = new ObjectMapper().registerModule(new Jdk8Module()).enable(SerializationFeature.INDENT_OUTPUT);

    /** Before anything was entered: the catalogue's printers. */
    public static ShopFile fresh() {
        return new ShopFile(1, Catalogue.builtIn().printers(), List.of(), List.of(), Map.of());
    }

    /** The file's content, or a fresh shop when there is none. @throws IOException with a plain reason when it cannot be read; it is left as it is */
    public static ShopFile read(Path file) throws IOException {
        if (!Files.exists(file)) return fresh();
        try {
            var shop = MAPPER.readValue(Files.readString(file), ShopFile.class);
            if (shop.schema > 1) throw new IOException("the shop file was saved by a newer version; update the program");
            return shop;
        } catch (JsonProcessingException e) {
            throw new IOException("the shop file " + file.getFileName() + " is damaged; mend it or move it away, a fresh one is used meanwhile");
        }
    }

    public void write(Path file) throws IOException {
        SafeFile.writeKeepingPrevious(file, MAPPER.writeValueAsBytes(this));
    }

    public ShopFile withWearer(Wearer w) {
        var list = new java.util.ArrayList<>(wearers);
        list.removeIf(o -> o.name().equals(w.name()));
        list.add(w);
        return new ShopFile(schema, printers, List.copyOf(list), stock, learned);
    }

    /** What one build taught takes the place of what it taught before, so that saving twice counts once. */
    public ShopFile withLessons(String build, Map<String, Rate> rates) {
        var all = new TreeMap<>(learned);
        if (rates.isEmpty()) all.remove(build);
        else all.put(build, new TreeMap<>(rates));
        return new ShopFile(schema, printers, wearers, stock, all);
    }

    /** The rates of all builds together. */
    public Map<String, Rate> rates() {
        var sum = new TreeMap<String, Rate>();
        learned.values().forEach(m -> m.forEach((work, r) -> sum.merge(work, r, Rate::and)));
        return sum;
    }
}
