package yellowbracket.mesh.io;

import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import yellowbracket.mesh.Progress;

/**
 * 3MF core: unit, objects, components, transforms, build items, over all model parts of the package. Without external entities or document
 * types;
 * entry names are compared, never used as paths; unpacked size, growth and number of entries are bounded. Coordinates come out in
 * millimetres.
 */
final class ThreeMfReader {
    private static final int MOST_ENTRIES = 2000;
    private static final int MOST_PLACED = 10_000;
    private static final int DEEPEST = 32;
    private static final String START = "http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel";

    private final String name;
    private final byte[] bytes;
    private final Progress progress;
    private final Map<String, Solid> solids = new HashMap<>();
    private final List<Use> build = new ArrayList<>();
    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private String root = "/3D/3dmodel.model";
    private double unitMm = 1;
    private long points;
    private long facets;
    private int placed;

    private ThreeMfReader(String name, byte[] bytes, Progress progress) {
        this.name = name;
        this.bytes = bytes;
        this.progress = progress;
    }

    static MeshFile parse(String name, byte[] bytes, Progress progress) {
        try {
            return new ThreeMfReader(name, bytes, progress).run();
        } catch (Malformed e) {
            return e.refusal(name);
        } catch (IOException e) {
            return MeshFile.refuse(name, "", "the package is damaged or ends early", "download it again");
        }
    }

    /** An object: a mesh of its own, or uses of others, or both empty. */
    private static final class Solid {
        private final Floats points = new Floats();
        private final Ints corners = new Ints();
        private final List<Use> components = new ArrayList<>();
    }

    /** An object put somewhere: twelve numbers, row by row (three of the matrix's rows, then the shift), applied as point times matrix. */
    private record Use(String object, double[] transform) {
        private static final double[] NONE = {1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0};

        static double[] times(double[] a, double[] b) {
            var out = new double[12];
            for (int r = 0; r < 4; r++) for (int c = 0; c < 3; c++) {
                double sum = r == 3 ? b[9 + c] : 0;
                for (int k = 0; k < 3; k++) sum += a[3 * r + k] * b[3 * k + c];
                out[3 * r + c] = sum;
            }
            return out;
        }

        static double determinant(double[] t) {
            return t[0] * (t[4] * t[8] - t[5] * t[7]) - t[1] * (t[3] * t[8] - t[5] * t[6]) + t[2] * (t[3] * t[7] - t[4] * t[6]);
        }
    }

    private MeshFile run() throws IOException, Malformed {
        unpack();
        if (parts.containsKey("/_rels/.rels")) xml("/_rels/.rels", this::relation);
        if (!parts.containsKey(root)) throw new Malformed("", "there is no model in the package: it is some other kind of ZIP file");
        xml(root, (in, part) -> model(in, part, true));
        for (var part : List.copyOf(parts.keySet()))
            if (part.endsWith(".model") && !part.equals(root)) xml(part, (in, p) -> model(in, p, false));
        if (solids.isEmpty()) throw new Malformed(root, "the model holds no object");
        var notices = new ArrayList<String>();
        if (build.isEmpty()) {
            notices.add("it places no object: every object is taken as it lies");
            var used = new HashSet<String>();
            solids.values().forEach(s -> s.components.forEach(c -> used.add(c.object)));
            solids.keySet().stream().sorted().filter(o -> !used.contains(o)).forEach(o -> build.add(new Use(o, Use.NONE)));
        }
        if (build.size() > 1) notices.add(build.size() + " objects are placed in it");
        return place(notices);
    }

    /** Keeps model parts and relations in memory. Growth is judged over the whole package. */
    private void unpack() throws IOException, Malformed {
        long most = Math.min(Math.min(MeshFile.LARGEST_BYTES, (long) MeshFile.MOST_GROWTH * bytes.length + 100_000),
                Runtime.getRuntime().maxMemory() / MeshFile.MEMORY_PER_BYTE);
        long total = 0;
        int entries = 0;
        try (var zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                progress.check();
                if (++entries > MOST_ENTRIES) throw new Malformed("", "the package has more than " + MOST_ENTRIES + " entries");
                String part = "/" + e.getName();
                boolean wanted = part.endsWith(".model") || part.equals("/_rels/.rels");
                var content = zip.readNBytes((int) Math.min(Integer.MAX_VALUE - 16, most - total + 1));
                total += content.length;
                if (total > most) throw new Malformed("entry " + MeshFile.shorten(e.getName()),
                        "it unpacks to more than " + most / 1_000_000 + " MB, out of proportion to its size");
                if (wanted && parts.putIfAbsent(part, content) != null)
                    throw new Malformed("entry " + MeshFile.shorten(e.getName()), "the package holds it twice");
            }
        } catch (IllegalArgumentException e) {
            throw new Malformed("", "an entry of the package has a name that cannot be read");
        }
        if (entries == 0) throw new Malformed("", "the package is damaged or ends early");
    }

    /** Reads one part from its first to its last element. */
    private interface PartReader {
        void read(XMLStreamReader in, String part) throws XMLStreamException, Malformed;
    }

    private void xml(String part, PartReader reader) throws Malformed {
        var factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
        factory.setXMLReporter((message, kind, about, where) -> {}); // it would print; what is wrong is told by the exception
        factory.setXMLResolver((a, b, c, d) -> {
            throw new XMLStreamException("nothing outside the file is read");
        });
        try {
            var in = factory.createXMLStreamReader(text(parts.get(part)));
            try {
                reader.read(in, part);
            } finally {
                in.close();
            }
        } catch (XMLStreamException e) {
            var at = e.getLocation();
            throw new Malformed(part + (at == null ? "" : ", line " + at.getLineNumber()), "the text is not well formed");
        }
    }

    /** Characters by the byte order mark, UTF-8 without one; bytes that are no characters become question marks and fail as words. */
    private Reader text(byte[] content) {
        boolean wide = content.length > 1 && (content[0] & 0xff ^ content[1] & 0xff) == 1 && (content[0] & 0xff) >= 0xfe;
        boolean marked = content.length > 2 && (content[0] & 0xff) == 0xef && (content[1] & 0xff) == 0xbb && (content[2] & 0xff) == 0xbf;
        return new InputStreamReader(watched(marked ? Arrays.copyOfRange(content, 3, content.length) : content),
                wide ? StandardCharsets.UTF_16 : StandardCharsets.UTF_8);
    }

    /** Asks for a stop while the parser reads. */
    private InputStream watched(byte[] content) {
        return new FilterInputStream(new ByteArrayInputStream(content)) {
            private long done;

            @Override
            public int read(byte[] b, int off, int len) throws IOException {
                progress.check();
                int n = super.read(b, off, len);
                done += Math.max(0, n);
                progress.report(done, content.length);
                return n;
            }
        };
    }

    private void relation(XMLStreamReader in, String part) throws XMLStreamException {
        while (in.hasNext()) if (in.next() == XMLStreamConstants.START_ELEMENT && in.getLocalName().equals("Relationship")
                && START.equals(in.getAttributeValue(null, "Type"))) {
                    String target = in.getAttributeValue(null, "Target");
                    if (target != null) root = target.startsWith("/") ? target : "/" + target;
                }
    }

    private void model(XMLStreamReader in, String part, boolean main) throws XMLStreamException, Malformed {
        Solid now = null;
        while (in.hasNext()) {
            if (in.next() != XMLStreamConstants.START_ELEMENT) continue;
            switch (in.getLocalName()) {
                case "model" -> {
                    if (main) unitMm = unit(in, part);
                }
                case "object" -> {
                    now = new Solid();
                    if (solids.putIfAbsent(part + "#" + attribute(in, "id", part), now) != null)
                        throw new Malformed(where(in, part), "two objects have the same id");
                }
                case "vertex" -> {
                    if (now == null) throw new Malformed(where(in, part), "a vertex stands outside an object");
                    for (var axis : List.of("x", "y", "z")) now.points.add((float) number(attribute(in, axis, part), in, part));
                    points++;
                }
                case "triangle" -> {
                    if (now == null) throw new Malformed(where(in, part), "a triangle stands outside an object");
                    for (var corner : List.of("v1", "v2", "v3")) {
                        double v = number(attribute(in, corner, part), in, part);
                        if (!(v >= 0 && v < now.points.count / 3 && v == Math.rint(v))) throw new Malformed(where(in, part),
                                "a triangle names vertex " + MeshFile.shorten(attribute(in, corner, part)) + ", which is not there");
                        now.corners.add((int) v);
                    }
                    facets++;
                }
                case "component" -> {
                    if (now == null) throw new Malformed(where(in, part), "a component stands outside an object");
                    now.components.add(use(in, part));
                }
                case "item" -> {
                    if (main) build.add(use(in, part));
                }
                default -> {}
            }
        }
    }

    private static double unit(XMLStreamReader in, String part) throws Malformed {
        String unit = in.getAttributeValue(null, "unit");
        if (unit == null) return 1;
        return switch (unit) {
            case "micron" -> 0.001;
            case "millimeter" -> 1;
            case "centimeter" -> 10;
            case "inch" -> 25.4;
            case "foot" -> 304.8;
            case "meter" -> 1000;
            default -> throw new Malformed(where(in, part), "\"" + MeshFile.shorten(unit) + "\" is not a unit of the format");
        };
    }

    /** The object used; {@code path}, of whatever namespace, may name another part. */
    private Use use(XMLStreamReader in, String part) throws Malformed {
        String path = part;
        for (int i = 0; i < in.getAttributeCount(); i++) if (in.getAttributeLocalName(i).equals("path")) path = in.getAttributeValue(i);
        var transform = Use.NONE;
        String written = in.getAttributeValue(null, "transform");
        if (written != null) {
            var words = written.strip().split("\\s+");
            if (words.length != 12) throw new Malformed(where(in, part), "a transform has " + words.length + " numbers instead of 12");
            transform = new double[12];
            for (int i = 0; i < 12; i++) {
                transform[i] = number(words[i], in, part);
                if (!Double.isFinite(transform[i])) throw new Malformed(where(in, part), "a transform holds a value that is not a number");
            }
        }
        return new Use(path + "#" + attribute(in, "objectid", part), transform);
    }

    private static String attribute(XMLStreamReader in, String name, String part) throws Malformed {
        String v = in.getAttributeValue(null, name);
        if (v == null) throw new Malformed(where(in, part), "a " + in.getLocalName() + " has no " + name);
        return v;
    }

    private static double number(String word, XMLStreamReader in, String part) throws Malformed {
        try {
            return Double.parseDouble(word);
        } catch (NumberFormatException e) {
            throw new Malformed(where(in, part), "\"" + MeshFile.shorten(word) + "\" is not a number");
        }
    }

    private static String where(XMLStreamReader in, String part) {
        return part + ", line " + in.getLocation().getLineNumber();
    }

    private MeshFile place(List<String> notices) throws Malformed {
        long[] count = {0, 0};
        for (var item : build) count(item.object, count, new HashSet<>(), 0);
        if (count[0] > Integer.MAX_VALUE / 8 || count[1] > Integer.MAX_VALUE / 8 || count[1] > 40 * (facets + 1000))
            throw new Malformed("", "its components repeat to " + count[1] + " triangles, out of proportion");
        var sink = new TriangleSink((int) count[0], (int) count[1]);
        for (var item : build) put(item.object, item.transform, sink);
        if (unitMm != 1) notices.add(String.format(java.util.Locale.ROOT, "it is in units of %s mm and was converted", unitMm));
        return sink.finish(name, notices, true);
    }

    private void count(String object, long[] sum, Set<String> above, int depth) throws Malformed {
        var s = solids.get(object);
        if (s == null) throw new Malformed("",
                "it uses object " + MeshFile.shorten(object.substring(object.indexOf('#') + 1)) + ", which is not there");
        if (depth > DEEPEST || !above.add(object)) throw new Malformed("", "its components use each other in a circle");
        if (++placed > MOST_PLACED) throw new Malformed("", "it places more than " + MOST_PLACED + " components");
        sum[0] += s.points.count / 3;
        sum[1] += s.corners.count / 3;
        for (var c : s.components) count(c.object, sum, above, depth + 1);
        above.remove(object);
    }

    private void put(String object, double[] t, TriangleSink sink) {
        progress.check();
        var s = solids.get(object);
        int first = sink.pointCount();
        for (int i = 0; i < s.points.count; i += 3) {
            double x = s.points.values[i], y = s.points.values[i + 1], z = s.points.values[i + 2];
            sink.point((float) (unitMm * (t[0] * x + t[3] * y + t[6] * z + t[9])),
                    (float) (unitMm * (t[1] * x + t[4] * y + t[7] * z + t[10])),
                    (float) (unitMm * (t[2] * x + t[5] * y + t[8] * z + t[11])));
        }
        boolean over = Use.determinant(t) < 0; // mirrored: corners change sides so that facets still face outwards
        for (int i = 0; i < s.corners.count; i += 3) sink.triangle(first + s.corners.values[i],
                first + s.corners.values[over ? i + 2 : i + 1], first + s.corners.values[over ? i + 1 : i + 2]);
        for (var c : s.components) put(c.object, Use.times(c.transform, t), sink);
    }

    /** A growing run of floats. */
    private static final class Floats {
        private float[] values = new float[192];
        private int count;

        void add(float v) {
            if (count == values.length) values = Arrays.copyOf(values, 2 * count);
            values[count++] = v;
        }
    }

    /** A growing run of whole numbers. */
    private static final class Ints {
        private int[] values = new int[192];
        private int count;

        void add(int v) {
            if (count == values.length) values = Arrays.copyOf(values, 2 * count);
            values[count++] = v;
        }
    }
}
