package yellowbracket.derive;

import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.lang.reflect.Array;
import java.lang.reflect.Field;
import java.lang.reflect.Method;
import java.lang.reflect.Modifier;
import java.nio.ByteBuffer;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.temporal.TemporalAccessor;
import java.time.temporal.TemporalAmount;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import yellowbracket.mesh.Mesh;

/**
 * Tells answers apart beyond the end of the program: 128 bits of what is in them. Values are looked into as far as they are records,
 * collections, numbers, words, times and meshes; the order of sets and maps does not count.
 */
record Fingerprint(long high, long low) {
    private static final String OWN = "yellowbracket.";
    private static final Map<Class<?>, List<Method>> PARTS = new ConcurrentHashMap<>();
    private static final Map<Class<?>, List<Field>> FIELDS = new ConcurrentHashMap<>();

    /** Empty where the answer holds something that cannot be looked into. */
    static Optional<Fingerprint> of(Object answer) {
        try {
            var d = digest();
            write(answer, out(d));
            return Optional.of(of(d));
        } catch (Unknown e) {
            return Optional.empty();
        }
    }

    /** Of what a rule makes that was answered so, as long as the rule is the same. */
    static Fingerprint of(Figure.Key key, List<Fingerprint> answers) {
        return of(List.of(key.figure(), key.prop(), answers)).orElseThrow();
    }

    private static Fingerprint of(MessageDigest d) {
        var bits = ByteBuffer.wrap(d.digest());
        return new Fingerprint(bits.getLong(), bits.getLong());
    }

    private static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new AssertionError(e); // every Java has it
        }
    }

    private static DataOutputStream out(MessageDigest d) {
        return new DataOutputStream(new DigestOutputStream(OutputStream.nullOutputStream(), d));
    }

    private static void write(Object value, DataOutputStream out) {
        try {
            switch (value) {
                case null -> out.writeByte('0');
                case Fingerprint f -> {
                    out.writeByte('f');
                    out.writeLong(f.high);
                    out.writeLong(f.low);
                }
                case Mesh m -> mesh(m, out);
                case String s -> words('s', s, out);
                case Enum<?> e -> words('e', e.getDeclaringClass().getName() + "." + e.name(), out);
                case Double d -> {
                    out.writeByte('d');
                    out.writeLong(Double.doubleToLongBits(d));
                }
                case Number n -> words('n', n.getClass().getName() + n, out);
                case Boolean b -> words('b', b.toString(), out);
                case Character c -> words('c', c.toString(), out);
                case TemporalAccessor t -> words('t', t.getClass().getName() + t, out);
                case TemporalAmount t -> words('t', t.getClass().getName() + t, out);
                case Optional<?> o -> all('o', o.stream().toList(), out);
                case OptionalDouble o -> all('o', o.stream().boxed().toList(), out);
                case OptionalInt o -> all('o', o.stream().boxed().toList(), out);
                case Map<?, ?> m -> unordered(m.entrySet().stream().map(e -> Arrays.asList(e.getKey(), e.getValue())).toList(), out);
                case Set<?> s -> unordered(s, out);
                case List<?> l -> all('l', l, out);
                case Record r -> record(r, out);
                default -> other(value, out);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** To the last bit and in its own numbers: what was made of one may tell vertices by number, and its content hash hangs on neither. */
    private static void mesh(Mesh m, DataOutputStream out) throws IOException {
        out.writeByte('m');
        out.writeInt(m.vertexCount());
        out.writeInt(m.triangleCount());
        for (int v = 0; v < m.vertexCount(); v++) {
            out.writeDouble(m.x(v));
            out.writeDouble(m.y(v));
            out.writeDouble(m.z(v));
        }
        for (int f = 0; f < m.triangleCount(); f++) {
            for (int k = 0; k < 3; k++) out.writeInt(m.vertex(f, k));
            out.writeInt(m.tag(f));
        }
    }

    private static void words(char kind, String words, DataOutputStream out) throws IOException {
        var bytes = words.getBytes(java.nio.charset.StandardCharsets.UTF_8);
        out.writeByte(kind);
        out.writeInt(bytes.length);
        out.write(bytes);
    }

    private static void all(char kind, Collection<?> values, DataOutputStream out) throws IOException {
        out.writeByte(kind);
        out.writeInt(values.size());
        for (var v : values) write(v, out);
    }

    private static void unordered(Collection<?> values, DataOutputStream out) throws IOException {
        all('u', values.stream()
                .map(v -> of(v).orElseThrow(Unknown::new))
                .sorted(java.util.Comparator.comparingLong(Fingerprint::high).thenComparingLong(Fingerprint::low))
                .toList(), out);
    }

    private static void record(Record r, DataOutputStream out) throws IOException {
        words('r', r.getClass().getName(), out);
        for (var part : PARTS.computeIfAbsent(r.getClass(), Fingerprint::parts)) try {
            write(part.invoke(r), out);
        } catch (ReflectiveOperationException e) {
            throw new Unknown();
        }
    }

    private static List<Method> parts(Class<?> type) {
        return Arrays.stream(type.getRecordComponents()).map(c -> {
            var m = c.getAccessor();
            if (!m.trySetAccessible()) throw new Unknown();
            return m;
        }).toList();
    }

    private static void other(Object value, DataOutputStream out) throws IOException {
        words('a', value.getClass().getName(), out);
        if (!value.getClass().isArray()) {
            for (var f : FIELDS.computeIfAbsent(value.getClass(), Fingerprint::fields)) try {
                write(f.get(value), out);
            } catch (ReflectiveOperationException e) {
                throw new Unknown();
            }
            return;
        }
        int n = Array.getLength(value);
        out.writeInt(n);
        for (int i = 0; i < n; i++) write(Array.get(value, i), out);
    }

    /** Of the program's own values: they tell themselves apart by what is in them, and nothing of it changes. */
    private static List<Field> fields(Class<?> type) {
        if (!type.getName().startsWith(OWN) || type.isHidden() || type.getSuperclass() != Object.class || !comparesValues(type))
            throw new Unknown();
        return Arrays.stream(type.getDeclaredFields()).filter(f -> !Modifier.isStatic(f.getModifiers())).map(f -> {
            if (!Modifier.isFinal(f.getModifiers()) || !f.trySetAccessible()) throw new Unknown();
            return f;
        }).toList();
    }

    private static boolean comparesValues(Class<?> type) {
        try {
            return type.getDeclaredMethod("equals", Object.class) != null;
        } catch (NoSuchMethodException e) {
            return false;
        }
    }

    /** There is something in it that cannot be looked into. */
    private static final class Unknown extends RuntimeException {
        private static final long serialVersionUID = 1;

        Unknown() {
            super(null, null, false, false);
        }
    }
}
