package yellowbracket.document;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.exc.UnrecognizedPropertyException;
import com.fasterxml.jackson.databind.exc.ValueInstantiationException;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToIntFunction;
import yellowbracket.wear.WearWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.line.LineWish;
import yellowbracket.colour.order.Aim;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.join.JoinOrder;
import yellowbracket.cut.Letters;
import yellowbracket.log.Entry;
import yellowbracket.plan.PlanWish;
import yellowbracket.print.QueueWish;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Process;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Spaces;
import yellowbracket.shop.Speeds;
import yellowbracket.work.SectionId;
import yellowbracket.shop.Sheen;

/** {@code build.json}: schema number, decisions, facts. A newer schema, and anything not understood, is refused with a reason. */
public final class BuildJson {
    public static final int SCHEMA = 16;
    private static final String FORMAT = "yellow-bracket-build";
    private static final String OLDER = "try the copy that ends in ~";
    private static final String UPDATE = "update the program, nothing was changed";
    /** Planes of a cut tree lie one within another; no build comes near. */
    private static final int DEEPEST = 200;
    private static final ObjectMapper MAPPER = new ObjectMapper(
            JsonFactory.builder().streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build()).build())
            .registerModule(new Jdk8Module())
            .registerModule(new JavaTimeModule())
            .disable(SerializationFeature.WRITE_DATES_AS_TIMESTAMPS)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .disable(SerializationFeature.FAIL_ON_EMPTY_BEANS)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES, DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES,
                    DeserializationFeature.FAIL_ON_MISSING_CREATOR_PROPERTIES);

    private BuildJson() {}

    /** Why a text is no build we can read: what and what to do. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1;

        private final String what;
        private final String toDo;

        Unreadable(String what, String toDo) {
            super(what + "; " + toDo);
            this.what = what;
            this.toDo = toDo;
        }

        public String what() {
            return what;
        }

        public String toDo() {
            return toDo;
        }
    }

    public static String write(Build b) {
        try {
            ObjectNode root = MAPPER.createObjectNode();
            root.put("format", FORMAT).put("schema", SCHEMA).set("build", MAPPER.valueToTree(b));
            return MAPPER.writeValueAsString(root);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a build can always be written", e);
        }
    }

    /** @throws Unreadable also for what an older version left out; sections of old builds are counted by their planes */
    public static Build read(String json) throws Unreadable {
        return read(json, p -> p.cut().tree().planeCount() + 1);
    }

    /**
     * @param sections how many sections the cuts of a prop leave: asked for builds of before schema 6, where letters ran on from prop to
     * prop
     */
    public static Build read(String json, ToIntFunction<Prop> sections) throws Unreadable {
        try {
            JsonNode root = MAPPER.readTree(json);
            if (root == null || !FORMAT.equals(root.path("format").asText()))
                throw new Unreadable("build.json is not a Yellow Bracket build", "choose a .bracket file");
            int schema = root.path("schema").asInt(-1);
            if (schema > SCHEMA)
                throw new Unreadable("the build was saved by a newer version (schema " + schema + ", this one reads up to " + SCHEMA + ")",
                        UPDATE);
            if (schema < 1) throw new Unreadable("build.json has no schema number: the file is damaged", OLDER);
            if (schema == 1) fromFirst(root.path("build"));
            if (schema <= 2) fromSecond(root.path("build"));
            if (schema <= 3) fromThird(root.path("build"));
            if (schema <= 4) fromFourth(root.path("build"));
            if (schema <= 6) fromSixth(root.path("build"));
            if (schema <= 7 && schema > 5) fromSeventh(root.path("build"));
            if (schema <= 7) toEighth(root.path("build"));
            if (schema <= 8) fromEighth(root.path("build"));
            if (schema <= 9) fromNinth(root.path("build"));
            if (schema <= 10) fromTenth(root.path("build"));
            if (schema <= 11) fromEleventh(root.path("build"));
            if (schema <= 12) fromTwelfth(root.path("build"));
            if (schema > 5 && schema <= 13) fromThirteenth(root.path("build"));
            if (schema <= 14) fromFourteenth(root.path("build"));
            if (schema <= 15) fromFifteenth(root.path("build"));
            if (schema <= 5) return new BeforeLetters(root.path("build")).read(sections);
            return MAPPER.treeToValue(root.path("build"), Build.class);
        } catch (UnrecognizedPropertyException e) {
            throw new Unreadable("build.json holds \"" + e.getPropertyName() + "\", which this version does not know", UPDATE);
        } catch (ValueInstantiationException e) {
            throw new Unreadable("build.json holds an impossible value at " + where(e)
                    + (e.getCause() instanceof IllegalArgumentException words && words.getMessage() != null ? ": " + words.getMessage()
                            : ""),
                    OLDER);
        } catch (StreamConstraintsException e) {
            throw new Unreadable("build.json is nested deeper, or holds a longer value, than any build", OLDER);
        } catch (JsonMappingException e) {
            throw new Unreadable("build.json is damaged at " + where(e), OLDER);
        } catch (JsonProcessingException e) {
            var at = e.getLocation();
            throw new Unreadable("build.json is damaged" + (at == null ? "" : " at line " + at.getLineNr()), OLDER);
        } catch (IllegalArgumentException | NullPointerException | IndexOutOfBoundsException | ArithmeticException e) {
            // here: values that are possible one by one and not together
            throw new Unreadable("build.json holds values that do not go together"
                    + (e instanceof IllegalArgumentException && e.getMessage() != null ? ": " + e.getMessage() : ""), OLDER);
        }
    }

    /** Schema 1 knew neither what of a file counts nor what the shop had learned. */
    private static void fromFirst(JsonNode build) {
        if (build instanceof ObjectNode b && !b.has("rates")) b.putObject("rates");
        for (var p : build.path("props"))
            if (p instanceof ObjectNode o && !o.has("intake")) o.set("intake", MAPPER.valueToTree(yellowbracket.intake.Intake.AS_IT_IS));
    }

    /** Schema 2 knew neither other proportions nor scanned heads. */
    private static void fromSecond(JsonNode build) {
        for (var p : build.path("props"))
            if (p instanceof ObjectNode o && !o.has("reshape")) o.set("reshape", MAPPER.valueToTree(yellowbracket.size.Reshape.NONE));
        for (var w : build.path("wearers")) if (w instanceof ObjectNode o && !o.has("scan")) o.putNull("eyesMm").putNull("scan");
    }

    /** Schema 3 knew neither registration, locked planes nor halves made even: what was cut then has plain faces. */
    private static void fromThird(JsonNode build) {
        for (var p : build.path("props")) {
            if (p.path("reshape") instanceof ObjectNode r && !r.has("even")) r.putNull("even");
            if (p instanceof ObjectNode o && !o.has("registration"))
                o.set("registration", MAPPER.valueToTree(yellowbracket.cut.Registration.PLAIN));
            unlocked(p.path("cuts"));
        }
    }

    /** Schema 4 knew neither speeds, brims and resin, nor what was decided about single prints, spools, and who is away when. */
    private static void fromFourth(JsonNode build) {
        for (var p : build.path("props")) {
            if (p instanceof ObjectNode o && !o.has("prints")) o.putObject("prints");
            if (!(p.path("profile") instanceof ObjectNode f) || f.has("speeds")) continue;
            f.put("lineWidthMm", Math.rint(1e6 * Profile.LINE * f.path("nozzleMm").asDouble()) / 1e6)
                    .put("brimMm", 0)
                    .put("raftLayers", 0)
                    .putNull("cure")
                    .set("speeds", MAPPER.valueToTree(Speeds.USUAL));
        }
        printersFromFourth(build.path("printers"));
        if (build.path("hours") instanceof ObjectNode h && !h.has("away")) h.putArray("away");
        if (!(build instanceof ObjectNode b)) return;
        if (!b.has("spools")) b.putArray("spools");
        if (!b.has("queue")) b.set("queue", MAPPER.valueToTree(QueueWish.NONE));
    }

    /**
     * Schema 5 kept the decisions of all stations side by side, and named sections by a letter alone: letters ran on from prop to prop, so
     * how many a prop has decides what the log and the queue speak of. Single use.
     */
    private static final class BeforeLetters {
        private final JsonNode build;

        BeforeLetters(JsonNode build) {
            this.build = build;
        }

        Build read(ToIntFunction<Prop> sections) throws JsonProcessingException {
            var log = build.path("log");
            var order = build.path("queue").path("order");
            if (!(build instanceof ObjectNode b)) return MAPPER.treeToValue(build, Build.class);
            b.putArray("log");
            if (b.path("queue") instanceof ObjectNode q) q.putArray("order");
            for (var p : build.path("props")) if (p instanceof ObjectNode o) byStation(o);
            var read = lettered(MAPPER.treeToValue(build, Build.class), sections);
            var entries = new ArrayList<Entry>();
            for (var e : log) entries.add(entry(e, read));
            var queue = new ArrayList<SectionId>();
            for (var letter : order) read.section(letter.asText()).ifPresent(queue::add);
            return read.withLog(entries).withQueue(read.queue().withOrder(queue));
        }

        private static void byStation(ObjectNode p) {
            sizeFromSeventh(moved(p, "size", "reshape", "scale", "wearers").putNull("use"));
            moved(p, "cut", "registration").set("tree", p.remove("cuts"));
            ((ObjectNode) p.path("cut")).put("revision", 0);
            var prints = p.remove("prints");
            printsFromSeventh(prints);
            moved(p, "print", "profile").set("sections", prints);
            var join = p.putObject("join");
            join.set("products", p.remove("joins"));
            joinFromEighth(join);
            joinFromNinth(join);
            smoothFromTenth(moved(p, "smooth", "finish", "school", "hurry"));
            var colour = moved(p, "colour", "zones", "seal");
            colourFromEleventh(colour);
            colourFromTwelfth(colour);
            p.set("wear", MAPPER.valueToTree(WearWish.USUAL));
            p.set("letters", MAPPER.valueToTree(Letters.from(0, 1)));
        }

        private static ObjectNode moved(ObjectNode p, String station, String... fields) {
            var wish = MAPPER.createObjectNode();
            for (var f : fields) wish.set(f, p.remove(f));
            p.set(station, wish);
            return wish;
        }

        private static Build lettered(Build b, ToIntFunction<Prop> sections) {
            var props = new ArrayList<Prop>();
            int first = 0;
            for (var p : b.props()) {
                int count = Math.max(1, sections.applyAsInt(p));
                int loose = Math.max(1, count - p.cut().tree().planeCount());
                props.add(p.withLetters(new Letters(loose, List.of(new Letters.Run(first, count)))));
                first += count;
            }
            return b.withProps(props);
        }

        /** Read from its line again, which is what it was made from; photos are tags that stand in no line. */
        private static Entry entry(JsonNode e, Build names) throws JsonProcessingException {
            var at = MAPPER.treeToValue(e.path("at"), LocalDateTime.class);
            var tags = new ArrayList<String>();
            for (var t : e.path("tags")) tags.add(t.asText());
            return Entry.parse(at, e.path("text").asText(), names)
                    .orElseGet(() -> new Entry(at, Entry.Kind.NOTE, Optional.empty(), 0, 0, Optional.empty(), "", tags))
                    .withTags(tags);
        }
    }

    /** Schema 6 did not ask what is done with a prop: it was worn where somebody wore it; nor for anything else. */
    private static void fromSixth(JsonNode build) {
        if (build instanceof ObjectNode b && !b.has("settled")) {
            var all = b.putArray("settled");
            for (var q : Question.values()) all.add(q.name());
        }
        for (var p : build.path("props")) if (p.path("size") instanceof ObjectNode s && !s.has("use")) s.putNull("use");
    }

    /** Schema 7 knew neither key points, nor what a prop goes through, nor drain holes and bands of layers. */
    private static void fromSeventh(JsonNode build) {
        for (var p : build.path("props")) {
            if (p.path("size") instanceof ObjectNode s) sizeFromSeventh(s);
            printsFromSeventh(p.path("print").path("sections"));
        }
    }

    /** What stands in the same place in all files before schema 8. */
    private static void toEighth(JsonNode build) {
        printersFromSeventh(build.path("printers"));
        spacesFromSeventh(build);
        roundedFromSeventh(build);
    }

    private static void fromEighth(JsonNode build) {
        for (var p : build.path("props")) if (p.path("join") instanceof ObjectNode j) joinFromEighth(j);
    }

    private static void joinFromEighth(ObjectNode join) {
        if (join.has("dryFit")) return;
        join.putObject("dryFit");
        join.putNull("hold").putNull("times").put("aim", JoinOrder.Aim.LEAST_HOLDING.name());
    }

    /** Schema 9 knew neither what is set across a seam, nor joints that come apart, nor the maker's own order. */
    private static void fromNinth(JsonNode build) {
        for (var p : build.path("props")) if (p.path("join") instanceof ObjectNode j) joinFromNinth(j);
    }

    private static void joinFromNinth(ObjectNode join) {
        if (join.has("inner")) return;
        join.putObject("inner");
        join.putObject("apart");
        join.putArray("order");
    }

    /** Schema 10 knew neither what places are to become nor rounds of priming and looking. */
    private static void fromTenth(JsonNode build) {
        for (var p : build.path("props")) if (p.path("smooth") instanceof ObjectNode s) smoothFromTenth(s);
    }

    private static void smoothFromTenth(ObjectNode smooth) {
        if (smooth.has("means")) return;
        var usual = yellowbracket.smooth.SmoothWish.USUAL;
        smooth.set("means", MAPPER.valueToTree(usual.means()));
        smooth.putObject("areas");
        smooth.putArray("strokes");
        smooth.putArray("looks");
        smooth.putArray("flaws");
        smooth.put("printHex", usual.printHex());
    }

    /** Schema 11 knew zones as boxes in space only, without numbers, no order of painting, and no paints. */
    private static void fromEleventh(JsonNode build) {
        if (build instanceof ObjectNode b && !b.has("paints")) b.set("paints", MAPPER.valueToTree(PaintShelf.EMPTY));
        for (var p : build.path("props")) if (p.path("colour") instanceof ObjectNode c) colourFromEleventh(c);
    }

    private static void colourFromEleventh(ObjectNode colour) {
        if (colour.has("aim")) return;
        int id = 0;
        for (var z : colour.path("zones")) if (z instanceof ObjectNode o)
            o.put("id", id++).put("sheen", Sheen.SATIN.name()).put("how", ColourZone.How.AS_COSTS_LESS.name());
        colour.putNull("map").put("aim", Aim.LEAST_WORK.name()).putArray("order");
        colour.putArray("marks");
        colour.set("weather", MAPPER.valueToTree(WeatherWish.NEW));
    }

    /** Schema 13 decided nothing about wearing: pads followed from the fit. */
    private static void fromThirteenth(JsonNode build) {
        for (var p : build.path("props"))
            if (p instanceof ObjectNode o && !o.path("wear").has("panels")) o.set("wear", MAPPER.valueToTree(WearWish.USUAL));
    }

    /** Schema 14 decided nothing about the plan itself, and did not say since when something on the shelf is open. */
    private static void fromFourteenth(JsonNode build) {
        if (build instanceof ObjectNode b && !b.has("plan")) b.set("plan", MAPPER.valueToTree(PlanWish.NONE));
        for (var i : build.path("stock")) if (i instanceof ObjectNode o && !o.has("opened")) o.putNull("opened");
    }

    /** Schema 15 knew no cards of products, nor what looks had taught before. */
    private static void fromFifteenth(JsonNode build) {
        productsFromFifteenth(build.path("paints"));
        if (build instanceof ObjectNode b && !b.has("eyes")) b.set("eyes", MAPPER.valueToTree(Eyes.UNKNOWN));
    }

    private static void productsFromFifteenth(JsonNode paints) {
        if (paints instanceof ObjectNode o && !o.has("products")) o.putArray("products");
    }

    /** Schema 12 knew neither lines painted by hand nor references, nor where smoke comes out. */
    private static void fromTwelfth(JsonNode build) {
        for (var p : build.path("props")) if (p.path("colour") instanceof ObjectNode c) colourFromTwelfth(c);
    }

    private static void colourFromTwelfth(ObjectNode colour) {
        if (colour.has("lines")) return;
        colour.set("lines", MAPPER.valueToTree(LineWish.NONE));
        colour.putArray("references");
        if (colour.path("weather") instanceof ObjectNode w && !w.has("soot")) w.putArray("soot");
    }

    private static void roundedFromSeventh(JsonNode build) {
        for (var p : build.path("props")) if (p.path("intake") instanceof ObjectNode o && !o.has("rounded")) o.put("rounded", 0);
    }

    static void spacesFromSeventh(JsonNode build) {
        if (build instanceof ObjectNode o && !o.has("spaces")) o.set("spaces", MAPPER.valueToTree(Spaces.UNKNOWN));
    }

    static void printersFromSeventh(JsonNode printers) {
        for (var p : printers) if (p instanceof ObjectNode o && !o.has("fit")) o.putNull("fit");
    }

    private static void printsFromSeventh(JsonNode sections) {
        for (var w : sections) if (w instanceof ObjectNode o && !o.has("bands")) {
            o.putArray("drains");
            o.putArray("bands");
        }
    }

    private static void sizeFromSeventh(ObjectNode size) {
        if (!size.has("keyPoints")) size.putArray("keyPoints");
        if (!size.has("exposures")) size.putArray("exposures");
        if (!size.has("references")) size.putArray("references");
    }

    static void printersFromFourth(JsonNode printers) {
        for (var p : printers) if (p instanceof ObjectNode o && !o.has("process"))
            o.put("process", Process.FILAMENT.name()).put("flowMm3S", Printer.USUAL_FLOW_MM3_S).putNull("quiet");
    }

    private static void unlocked(JsonNode tree) {
        if (!(tree instanceof ObjectNode o) || !o.has("plane")) return;
        if (!o.has("locked")) o.put("locked", false);
        unlocked(o.path("above"));
        unlocked(o.path("below"));
    }

    /** The place as a path: props[0].cuts.plane. */
    private static String where(JsonMappingException e) {
        var path = new StringBuilder();
        for (var r : e.getPath())
            path.append(r.getFieldName() == null ? "[" + r.getIndex() + "]" : (path.isEmpty() ? "" : ".") + r.getFieldName());
        return path.isEmpty() ? "its outermost level" : path.toString();
    }
}
