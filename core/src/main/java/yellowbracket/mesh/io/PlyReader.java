package yellowbracket.mesh.io;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.mesh.Progress;

/** PLY: ascii and binary of either byte order, any extra elements and properties, polygons and strips of triangles. */
final class PlyReader {
    private static final int LONGEST_HEADER = 1 << 16;

    private final String name;
    private final byte[] bytes;
    private final Progress progress;
    private final List<Element> elements = new ArrayList<>();
    private String format = "";

    private PlyReader(String name, byte[] bytes, Progress progress) {
        this.name = name;
        this.bytes = bytes;
        this.progress = progress;
    }

    static MeshFile parse(String name, byte[] bytes, Progress progress) {
        try {
            return new PlyReader(name, bytes, progress).run();
        } catch (Malformed e) {
            return e.refusal(name);
        }
    }

    private enum Type {
        INT8(1), UINT8(1), INT16(2), UINT16(2), INT32(4), UINT32(4), FLOAT32(4), FLOAT64(8);

        private final int size;

        Type(int size) {
            this.size = size;
        }

        static Type of(String word, int line) throws Malformed {
            return switch (word) {
                case "char", "int8" -> INT8;
                case "uchar", "uint8" -> UINT8;
                case "short", "int16" -> INT16;
                case "ushort", "uint16" -> UINT16;
                case "int", "int32" -> INT32;
                case "uint", "uint32" -> UINT32;
                case "float", "float32" -> FLOAT32;
                case "double", "float64" -> FLOAT64;
                default -> throw new Malformed("line " + line, "\"" + MeshFile.shorten(word) + "\" is not a type of number");
            };
        }
    }

    /** {@code length}: type of the count before a list, null for a single number. */
    private record Property(String name, Type length, Type type) {
        boolean list() {
            return length != null;
        }
    }

    private record Element(String name, int count, List<Property> properties) {
        int find(String... names) {
            for (int i = 0; i < properties.size(); i++) if (List.of(names).contains(properties.get(i).name)) return i;
            return -1;
        }

        int leastBytes() {
            return properties.stream().mapToInt(p -> p.list() ? p.length.size : p.type.size).sum();
        }
    }

    private MeshFile run() throws Malformed {
        int body = header();
        var vertices = elements.stream()
                .filter(e -> e.name.equals("vertex"))
                .findFirst()
                .orElseThrow(() -> new Malformed("", "the file has no vertex element"));
        var faces = elements.stream().filter(e -> e.name.equals("face")).findFirst();
        if (vertices.find("x") < 0 || vertices.find("y") < 0 || vertices.find("z") < 0)
            throw new Malformed("", "its vertices have no x, y and z");
        if (faces.isEmpty() && elements.stream().noneMatch(e -> e.name.equals("tristrips")))
            throw new Malformed("", "it holds points without facets: this is a scan that was not meshed");
        var values = format.equals("ascii") ? new Words(body)
                : new Binary(body, format.equals("binary_big_endian") ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        for (var e : elements) values.room(e);
        var sink = new TriangleSink(vertices.count, faces.map(f -> f.count).orElse(16));
        for (var e : elements) read(e, values, sink, vertices);
        return sink.finish(name, List.of(), false);
    }

    /** Reads the header; returns where the body starts. */
    private int header() throws Malformed {
        int at = 0, line = 0;
        String current = null;
        int count = 0;
        var properties = new ArrayList<Property>();
        while (at < bytes.length && at < LONGEST_HEADER) {
            int from = at;
            while (at < bytes.length && bytes[at] != '\n' && bytes[at] != '\r') at++;
            var text = new String(bytes, from, at - from, StandardCharsets.ISO_8859_1).strip();
            if (at < bytes.length && bytes[at] == '\r' && at + 1 < bytes.length && bytes[at + 1] == '\n') at++;
            at++;
            line++;
            var w = text.toLowerCase(Locale.ROOT).split("\\s+");
            switch (w[0]) {
                case "format" -> format = w.length > 1 ? w[1] : "";
                case "element" -> {
                    if (current != null) elements.add(new Element(current, count, List.copyOf(properties)));
                    properties.clear();
                    if (w.length < 3 || !w[2].matches("\\d{1,10}") || Long.parseLong(w[2]) > Integer.MAX_VALUE)
                        throw new Malformed("line " + line, "an element has no usable count");
                    current = w[1];
                    count = Integer.parseInt(w[2]);
                }
                case "property" -> {
                    if (current == null || w.length < 3 || w[1].equals("list") && w.length < 5)
                        throw new Malformed("line " + line, "a property is incomplete");
                    properties.add(w[1].equals("list") ? new Property(w[4], Type.of(w[2], line), Type.of(w[3], line))
                            : new Property(w[2], null, Type.of(w[1], line)));
                }
                case "end_header" -> {
                    if (current != null) elements.add(new Element(current, count, List.copyOf(properties)));
                    if (!format.matches("ascii|binary_(little|big)_endian"))
                        throw new Malformed("", "the format \"" + MeshFile.shorten(format) + "\" is not known");
                    return at;
                }
                default -> {}
            }
        }
        throw new Malformed("", "the header has no end");
    }

    private void read(Element e, Values values, TriangleSink sink, Element vertices) throws Malformed {
        if (e.properties.isEmpty()) return; // nothing to read, however many are declared
        boolean isVertex = e == vertices, strips = e.name.equals("tristrips");
        int x = e.find("x"), y = e.find("y"), z = e.find("z"),
                corners = e.name.equals("face") || strips ? e.find("vertex_indices", "vertex_index") : -1;
        var single = new double[e.properties.size()];
        var list = new int[16];
        for (int i = 0; i < e.count; i++) {
            if ((i & 0x3FFF) == 0) {
                progress.check();
                progress.report(i, e.count);
            }
            int n = -1;
            for (int p = 0; p < single.length; p++) {
                var property = e.properties.get(p);
                if (!property.list()) {
                    single[p] = values.next(property.type);
                    continue;
                }
                int length = values.length(property);
                if (p == corners && length > list.length) list = new int[length];
                for (int k = 0; k < length; k++) {
                    double v = values.next(property.type);
                    if (p == corners) list[k] = (int) v;
                }
                if (p == corners) n = length;
            }
            if (isVertex) sink.point((float) single[x], (float) single[y], (float) single[z]);
            else if (n >= 0) facet(list, n, strips, sink, e.name + " " + i);
        }
    }

    private static void facet(int[] corners, int n, boolean strip, TriangleSink sink, String where) throws Malformed {
        for (int k = 0; k < n; k++) if (corners[k] >= sink.pointCount() || corners[k] < (strip ? -1 : 0))
            throw new Malformed(where, "it names vertex " + corners[k] + ", which is not there");
        if (!strip) {
            sink.polygon(corners, 0, n);
            return;
        }
        for (int k = 2, odd = 0; k < n; k++) {
            if (corners[k] < 0 || corners[k - 1] < 0 || corners[k - 2] < 0) odd = 0;
            else if (odd++ % 2 == 0) sink.triangle(corners[k - 2], corners[k - 1], corners[k]);
            else sink.triangle(corners[k - 1], corners[k - 2], corners[k]);
        }
    }

    /** The numbers of the body, one after the other. */
    private sealed interface Values {
        double next(Type type) throws Malformed;

        /** Whether the rest can hold so many elements at all; asked before anything is allocated. */
        void room(Element e) throws Malformed;

        /** How many items a list has; never more than the rest of the file can hold. */
        int length(Property list) throws Malformed;
    }

    private final class Words implements Values {
        private final TextCursor text;

        Words(int from) {
            text = new TextCursor(bytes, from, bytes.length, 1);
        }

        @Override
        public double next(Type type) throws Malformed {
            if (!text.skipSpace()) throw new Malformed("line " + text.line() + " of the body", "the file ends early");
            try {
                return text.number();
            } catch (TextCursor.NoNumber e) {
                throw new Malformed("line " + text.line() + " of the body", e.getMessage());
            }
        }

        @Override
        public void room(Element e) throws Malformed {
            if (2L * e.count * e.properties.size() > bytes.length + 1L)
                throw new Malformed("", "it declares " + e.count + " times " + e.name + ", more than the file can hold");
        }

        @Override
        public int length(Property list) throws Malformed {
            double n = next(list.length);
            if (!(n >= 0 && n <= (bytes.length - text.at()) / 2 + 1))
                throw new Malformed("line " + text.line() + " of the body", "a list is longer than the file");
            return (int) n;
        }
    }

    private final class Binary implements Values {
        private final ByteBuffer in;

        Binary(int from, ByteOrder order) {
            in = ByteBuffer.wrap(bytes).order(order);
            in.position(Math.min(from, bytes.length));
        }

        @Override
        public double next(Type type) throws Malformed {
            if (in.remaining() < type.size) throw new Malformed("byte " + in.position(), "the file ends early");
            return switch (type) {
                case INT8 -> in.get();
                case UINT8 -> in.get() & 0xff;
                case INT16 -> in.getShort();
                case UINT16 -> in.getShort() & 0xffff;
                case INT32 -> in.getInt();
                case UINT32 -> in.getInt() & 0xffffffffL;
                case FLOAT32 -> in.getFloat();
                case FLOAT64 -> in.getDouble();
            };
        }

        @Override
        public void room(Element e) throws Malformed {
            if ((long) e.count * e.leastBytes() > in.remaining()) throw new Malformed("byte " + in.position(),
                    "it declares " + e.count + " times " + e.name + ", more than the file can hold");
        }

        @Override
        public int length(Property list) throws Malformed {
            double n = next(list.length);
            if (!(n >= 0 && n * list.type.size <= in.remaining()))
                throw new Malformed("byte " + in.position(), "a list is longer than the file");
            return (int) n;
        }
    }
}
