package yellowbracket.document;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.shop.Reserved;
import yellowbracket.shop.Spaces;
import yellowbracket.shop.Spool;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Wearer;

/**
 * The maker's own shop across builds: printers, wearers, stock, and what each build taught (rates by work, by {@link Build#key}). One JSON
 * file in the user's configuration folder.
 */
@RecordBuilder
public record ShopFile(int schema, List<Printer> printers, List<Wearer> wearers, List<StockItem> stock, List<Spool> spools,
        Map<String, Map<String, Rate>> learned, WorkHours hours, double celsius, List<Question> settled, Spaces spaces, PaintShelf paints,
        Map<String, Eyes> looked, Map<String, Reserved> reserved) implements ShopFileBuilder.With {
    public static final int SCHEMA = 5;
    private static final double USUAL_C = 20;
    private static final ObjectMapper MAPPER = new ObjectMapper().registerModule(new Jdk8Module())
            .registerModule(new JavaTimeModule())
            .disable(SerializationFeature.WRITE_DATES_AS_TIMESTAMPS)
            .enable(SerializationFeature.INDENT_OUTPUT);

    public ShopFile {
        printers = List.copyOf(printers);
        wearers = List.copyOf(wearers);
        stock = List.copyOf(stock);
        spools = List.copyOf(spools);
        settled = settled.stream().distinct().sorted().toList();
    }

    /** Before anything was entered: the catalogue's printers, evenings and weekends, 20 degrees; all of it still to be asked. */
    public static ShopFile fresh() {
        return new ShopFile(SCHEMA, Catalogue.builtIn().printers(), List.of(), List.of(), List.of(), Map.of(), WorkHours.evenings(),
                USUAL_C, List.of(), Spaces.UNKNOWN, PaintShelf.EMPTY, Map.of(), Map.of());
    }

    /**
     * The file's content, or a fresh shop when there is none. @throws IOException with a plain reason when it cannot be read; it is left as
     * it is
     */
    public static ShopFile read(Path file) throws IOException {
        if (!Files.exists(file)) return fresh();
        try {
            var root = MAPPER.readTree(Files.readString(file));
            int schema = root.path("schema").asInt();
            if (schema > SCHEMA) throw new IOException("the shop file was saved by a newer version; update the program");
            if (schema <= 1 && root instanceof ObjectNode o) fromFirst(o);
            if (schema <= 2 && root instanceof ObjectNode o) fromSecond(o);
            if (schema <= 3 && root instanceof ObjectNode o) fromThird(o);
            if (schema <= 4 && root instanceof ObjectNode o) fromFourth(o);
            return MAPPER.treeToValue(root, ShopFile.class);
        } catch (JsonProcessingException e) {
            throw new IOException(
                    "the shop file " + file.getFileName() + " is damaged; mend it or move it away, a fresh one is used meanwhile");
        }
    }

    /** Schema 1 knew neither spools nor resin and quiet printers. */
    private static void fromFirst(ObjectNode shop) {
        if (!shop.has("spools")) shop.putArray("spools");
        BuildJson.printersFromFourth(shop.path("printers"));
    }

    /** Schema 2 did not keep hours and warmth, and nothing was asked: printers that were entered are known. */
    private static void fromSecond(ObjectNode shop) {
        shop.put("schema", SCHEMA).put("celsius", USUAL_C).set("hours", MAPPER.valueToTree(WorkHours.evenings()));
        shop.putArray("settled").add(Question.PRINTERS.name());
    }

    /** Schema 3 knew neither measured holes and pegs nor spaces. */
    private static void fromThird(ObjectNode shop) {
        shop.put("schema", SCHEMA);
        BuildJson.printersFromSeventh(shop.path("printers"));
        BuildJson.spacesFromSeventh(shop);
    }

    /** Schema 4 kept neither paints nor what looks taught, and builds did not know of each other. */
    private static void fromFourth(ObjectNode shop) {
        shop.put("schema", SCHEMA).set("paints", MAPPER.valueToTree(PaintShelf.EMPTY));
        shop.putObject("looked");
        shop.putObject("reserved");
    }

    public void write(Path file) throws IOException {
        SafeFile.writeKeepingPrevious(file, MAPPER.writeValueAsBytes(this));
    }

    public ShopFile withWearer(Wearer w) {
        var list = new ArrayList<>(wearers);
        list.removeIf(o -> o.name().equals(w.name()));
        list.add(w);
        return withWearers(list);
    }

    /** What of a build is the shop's stands there for the next one. */
    public ShopFile after(Build b) {
        return withPrinters(b.printers()).withSpools(b.spools())
                .withStock(b.stock())
                .withHours(b.hours())
                .withCelsius(b.shopCelsius())
                .withSpaces(b.spaces())
                .withPaints(paints.and(b.paints()))
                .withSettled(Stream.concat(settled.stream(), b.settled().stream().filter(Question::ofShop)).toList()); // once is enough
    }

    /** What one build taught takes the place of what it taught before, so that saving twice counts once. */
    public ShopFile withLessons(String build, Map<String, Rate> rates) {
        var all = new TreeMap<>(learned);
        if (rates.isEmpty()) all.remove(build);
        else all.put(build, new TreeMap<>(rates));
        return withLearned(all);
    }

    /** The same of what its looks taught. */
    public ShopFile withLooks(String build, Eyes eyes) {
        return withLooked(put(looked, build, eyes.equals(Eyes.UNKNOWN) ? Optional.empty() : Optional.of(eyes)));
    }

    /** What it still needs of the shelf, in place of what it needed before. */
    public ShopFile withReserved(String build, Reserved needs) {
        return withReserved(put(reserved, build, needs.needs().isEmpty() ? Optional.empty() : Optional.of(needs)));
    }

    private static <V> Map<String, V> put(Map<String, V> map, String key, Optional<V> value) {
        var all = new TreeMap<>(map);
        value.ifPresentOrElse(v -> all.put(key, v), () -> all.remove(key));
        return all;
    }

    /** What all others than a build still need on a day; those whose day has passed need nothing any more. */
    public List<Reserved> others(String build, LocalDateTime now) {
        return reserved.entrySet()
                .stream()
                .filter(e -> !e.getKey().equals(build) && e.getValue().due().isAfter(now))
                .map(Map.Entry::getValue)
                .toList();
    }

    /** What looks taught in all builds together. */
    public Eyes eyes() {
        return looked.values().stream().reduce(Eyes.UNKNOWN, Eyes::and);
    }

    /** The rates of all builds together. */
    public Map<String, Rate> rates() {
        var sum = new TreeMap<String, Rate>();
        learned.values().forEach(m -> m.forEach((work, r) -> sum.merge(work, r, Rate::and)));
        return sum;
    }
}
