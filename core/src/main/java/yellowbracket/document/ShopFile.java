package yellowbracket.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
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
import yellowbracket.shop.Spool;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Wearer;

/**
 * The maker's own shop across builds: printers, wearers, stock, and what each build taught (rates by work, by {@link Build#key}). One JSON
 * file in the user's configuration folder.
 */
public record ShopFile(int schema, List<Printer> printers, List<Wearer> wearers, List<StockItem> stock, List<Spool> spools,
        Map<String, Map<String, Rate>> learned) {
    public static final int SCHEMA = 2;
    private static final ObjectMapper MAPPER = new ObjectMapper().registerModule(new Jdk8Module())
            .registerModule(new JavaTimeModule())
            .disable(SerializationFeature.WRITE_DATES_AS_TIMESTAMPS)
            .enable(SerializationFeature.INDENT_OUTPUT);

    /** Before anything was entered: the catalogue's printers. */
    public static ShopFile fresh() {
        return new ShopFile(SCHEMA, Catalogue.builtIn().printers(), List.of(), List.of(), List.of(), Map.of());
    }

    /**
     * The file's content, or a fresh shop when there is none. @throws IOException with a plain reason when it cannot be read; it is left as
     * it is
     */
    public static ShopFile read(Path file) throws IOException {
        if (!Files.exists(file)) return fresh();
        try {
            var root = MAPPER.readTree(Files.readString(file));
            if (root.path("schema").asInt() > SCHEMA)
                throw new IOException("the shop file was saved by a newer version; update the program");
            if (root.path("schema").asInt() < SCHEMA && root instanceof ObjectNode o) fromFirst(o);
            return MAPPER.treeToValue(root, ShopFile.class);
        } catch (JsonProcessingException e) {
            throw new IOException(
                    "the shop file " + file.getFileName() + " is damaged; mend it or move it away, a fresh one is used meanwhile");
        }
    }

    /** Schema 1 knew neither spools nor resin and quiet printers. */
    private static void fromFirst(ObjectNode shop) {
        shop.put("schema", SCHEMA);
        if (!shop.has("spools")) shop.putArray("spools");
        BuildJson.printersFromFourth(shop.path("printers"));
    }

    public void write(Path file) throws IOException {
        SafeFile.writeKeepingPrevious(file, MAPPER.writeValueAsBytes(this));
    }

    public ShopFile withWearer(Wearer w) {
        var list = new java.util.ArrayList<>(wearers);
        list.removeIf(o -> o.name().equals(w.name()));
        list.add(w);
        return new ShopFile(schema, printers, List.copyOf(list), stock, spools, learned);
    }

    /** Printers and spools stand in the same shop for the next build. */
    public ShopFile withMachines(List<Printer> all, List<Spool> left) {
        return new ShopFile(schema, List.copyOf(all), wearers, stock, List.copyOf(left), learned);
    }

    /** What one build taught takes the place of what it taught before, so that saving twice counts once. */
    public ShopFile withLessons(String build, Map<String, Rate> rates) {
        var all = new TreeMap<>(learned);
        if (rates.isEmpty()) all.remove(build);
        else all.put(build, new TreeMap<>(rates));
        return new ShopFile(schema, printers, wearers, stock, spools, all);
    }

    /** The rates of all builds together. */
    public Map<String, Rate> rates() {
        var sum = new TreeMap<String, Rate>();
        learned.values().forEach(m -> m.forEach((work, r) -> sum.merge(work, r, Rate::and)));
        return sum;
    }
}
