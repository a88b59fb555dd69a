package yellowbracket.derive;

import com.esotericsoftware.kryo.Kryo;
import com.esotericsoftware.kryo.KryoException;
import com.esotericsoftware.kryo.Registration;
import com.esotericsoftware.kryo.Serializer;
import com.esotericsoftware.kryo.io.Input;
import com.esotericsoftware.kryo.io.Output;
import com.esotericsoftware.kryo.serializers.ClosureSerializer;
import com.esotericsoftware.kryo.util.DefaultClassResolver;
import com.esotericsoftware.kryo.util.DefaultInstantiatorStrategy;
import com.esotericsoftware.kryo.util.MapReferenceResolver;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.invoke.SerializedLambda;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.zip.CRC32C;
import java.util.zip.CheckedInputStream;
import java.util.zip.CheckedOutputStream;
import org.objenesis.strategy.StdInstantiatorStrategy;

/**
 * Results in a file: what wrote it, the questions of all, then their values, and a sum over everything that is proved before anything is
 * believed. What several values share is written once, and shared again when it is read.
 */
final class KeptFile {
    /** One made value and how its rule was answered. @param ms what it took */
    record Result(Figure.Key key, List<Fingerprint> answers, long ms, Object value) {
        Result {
            answers = List.copyOf(answers);
        }

        Fingerprint fingerprint() {
            return Fingerprint.of(key, answers);
        }
    }

    /** Holds something that cannot be written, or not be read again. */
    static final class Unfit extends Exception {
        private static final long serialVersionUID = 1;
        private final transient Figure.Key key;

        Unfit(Figure.Key key, Throwable cause) {
            super(key.figure(), cause);
            this.key = key;
        }

        Figure.Key key() {
            return key;
        }
    }

    /** Ending of a file that is being written. */
    static final String PART = ".part";
    private static final int BUFFER = 1 << 16;
    /** Bytes of the sum at the end. */
    private static final int SUM = 8;

    private KeptFile() {}

    /**
     * @param writer what wrote it, with its version: no other reads it
     * @param most bytes
     * @throws IOException also when it would be larger
     */
    static void write(Path file, String writer, List<Result> results, long most) throws IOException, Unfit {
        Files.createDirectories(file.getParent());
        var part = Files.createTempFile(file.getParent(), file.getFileName().toString(), PART); // another window may write it too
        part.toFile().deleteOnExit(); // the program may be ended meanwhile
        try {
            try (var to = new CheckedOutputStream(new Bounded(Files.newOutputStream(part), most), new CRC32C())) {
                var out = new Output(to, BUFFER);
                out.writeString(writer);
                out.writeInt(results.size());
                for (var r : results) question(r, out);
                var kryo = kryo();
                for (var r : results) value(r, kryo, out);
                out.flush();
                to.write(ByteBuffer.allocate(SUM).putLong(to.getChecksum().getValue()).array());
            }
            // what can be written and not read would take all that comes after it along
            readProven(part, writer, k -> {}, r -> {});
            Files.move(part, file, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private static void question(Result r, Output out) {
        out.writeString(r.key.figure());
        out.writeString(r.key.prop());
        out.writeLong(r.ms);
        out.writeInt(r.answers.size());
        for (var a : r.answers) {
            out.writeLong(a.high());
            out.writeLong(a.low());
        }
    }

    private static void value(Result r, Kryo kryo, Output out) throws IOException, Unfit {
        try {
            kryo.writeClassAndObject(out, r.value);
        } catch (KryoException e) {
            if (e.getCause() instanceof IOException io) throw io;
            throw new Unfit(r.key, e);
        } catch (RuntimeException | StackOverflowError e) {
            throw new Unfit(r.key, e);
        }
    }

    private static Object value(Result r, Kryo kryo, Input in) throws Unfit {
        try {
            return kryo.readClassAndObject(in);
        } catch (RuntimeException | StackOverflowError e) {
            throw new Unfit(r.key, e);
        }
    }

    /**
     * @param keys hears which there are, once it is known that the file is whole
     * @param each hears each of them as it comes
     * @throws IOException if it is none of this writer's, or not as it was written
     */
    static void read(Path file, String writer, Consumer<List<Figure.Key>> keys, Consumer<Result> each) throws IOException {
        prove(file);
        try {
            readProven(file, writer, keys, each);
        } catch (Unfit e) {
            throw new IOException("does not hold what it should", e);
        }
    }

    private static void readProven(Path file, String writer, Consumer<List<Figure.Key>> keys, Consumer<Result> each)
            throws IOException, Unfit {
        try (var in = new Input(Files.newInputStream(file), BUFFER)) {
            if (!writer.equals(in.readString())) throw new IOException("written by another version");
            var results = new ArrayList<Result>();
            for (int n = in.readInt(); n > 0; n--) results.add(question(in));
            keys.accept(results.stream().map(Result::key).toList());
            var kryo = kryo();
            for (var r : results) each.accept(new Result(r.key, r.answers, r.ms, value(r, kryo, in)));
        } catch (KryoException e) {
            throw new IOException("does not hold what it should", e);
        }
    }

    private static Result question(Input in) {
        var key = new Figure.Key(in.readString(), in.readString());
        long ms = in.readLong();
        var answers = new ArrayList<Fingerprint>();
        for (int n = in.readInt(); n > 0; n--) answers.add(new Fingerprint(in.readLong(), in.readLong()));
        return new Result(key, List.copyOf(answers), ms, null);
    }

    private static void prove(Path file) throws IOException {
        long left = Files.size(file) - SUM;
        try (var in = new CheckedInputStream(Files.newInputStream(file), new CRC32C())) {
            var buffer = new byte[BUFFER];
            while (left > 0) {
                int n = in.read(buffer, 0, (int) Math.min(BUFFER, left));
                if (n < 0) break;
                left -= n;
            }
            long sum = in.getChecksum().getValue();
            if (left != 0 || ByteBuffer.wrap(in.readNBytes(SUM)).getLong() != sum) throw new IOException("not as it was written");
        }
    }

    private static Kryo kryo() {
        var k = new Kryo(new Known(), new MapReferenceResolver());
        k.setRegistrationRequired(false);
        k.setReferences(true);
        k.setAutoReset(false);
        k.setInstantiatorStrategy(new DefaultInstantiatorStrategy(new StdInstantiatorStrategy()));
        k.register(ClosureSerializer.Closure.class, new Functions()); // by this name it asks for lambdas
        k.addDefaultSerializer(EnumMap.class, new Enums());
        k.addDefaultSerializer(AtomicReference.class, new Holder());
        for (var m : List.of(Collections.unmodifiableMap(new LinkedHashMap<>()),
                Collections.unmodifiableSequencedMap(new LinkedHashMap<>())))
            k.addDefaultSerializer(m.getClass(), new FixedMap());
        k.addDefaultSerializer(Collections.unmodifiableSet(Set.of()).getClass(), new FixedSet());
        for (var l : List.of(Collections.unmodifiableList(new ArrayList<>()), Collections.unmodifiableList(Collections.emptyList())))
            k.addDefaultSerializer(l.getClass(), new FixedList());
        return k;
    }

    /** Nothing but the program's own values and plain ones comes out of a file. */
    private static final class Known extends DefaultClassResolver {
        private static final String OWN = "yellowbracket.";
        private static final List<String> ROOTS = List.of(OWN, "java.lang.", "java.util.", "java.time.", "java.math.",
                "org.locationtech.jts.geom.");

        @Override
        protected Registration readName(Input input) {
            var registration = super.readName(input);
            Class<?> of = registration.getType();
            while (of.isArray()) of = of.getComponentType();
            String name = of.getName();
            if (!of.isPrimitive() && ROOTS.stream().noneMatch(name::startsWith)) throw new KryoException("no value: " + name);
            return registration;
        }
    }

    /** Serializable lambdas of the program, as {@link SerializedLambda} describes them: Kryo's own looks into closed parts of Java. */
    private static final class Functions extends Serializer<Object> {
        @Override
        public void write(Kryo kryo, Output out, Object lambda) {
            try {
                var replace = lambda.getClass().getDeclaredMethod("writeReplace");
                replace.setAccessible(true);
                var l = (SerializedLambda) replace.invoke(lambda);
                out.writeInt(l.getImplMethodKind());
                for (var s : List.of(l.getCapturingClass(), l.getFunctionalInterfaceClass(), l.getFunctionalInterfaceMethodName(),
                        l.getFunctionalInterfaceMethodSignature(), l.getImplClass(), l.getImplMethodName(), l.getImplMethodSignature(),
                        l.getInstantiatedMethodType()))
                    out.writeString(s);
                out.writeInt(l.getCapturedArgCount());
                for (int i = 0; i < l.getCapturedArgCount(); i++) kryo.writeClassAndObject(out, l.getCapturedArg(i));
            } catch (ReflectiveOperationException e) {
                throw new KryoException(e);
            }
        }

        @Override
        public Object read(Kryo kryo, Input in, Class<?> type) {
            int kind = in.readInt();
            var s = new String[8];
            for (int i = 0; i < s.length; i++) s[i] = in.readString();
            var told = new Object[in.readInt()];
            for (int i = 0; i < told.length; i++) told[i] = kryo.readClassAndObject(in);
            try {
                var from = Class.forName(s[0].replace('/', '.'), false, KeptFile.class.getClassLoader());
                if (!from.getName().startsWith(Known.OWN)) throw new KryoException("no function: " + from);
                var make = from.getDeclaredMethod("$deserializeLambda$", SerializedLambda.class);
                make.setAccessible(true);
                return make.invoke(null, new SerializedLambda(from, s[1], s[2], s[3], kind, s[4], s[5], s[6], s[7], told));
            } catch (ReflectiveOperationException e) {
                throw new KryoException(e);
            }
        }
    }

    /** What is worked out when it is first asked for. */
    private static final class Holder extends Serializer<AtomicReference<?>> {
        @Override
        public void write(Kryo kryo, Output out, AtomicReference<?> holder) {
            kryo.writeClassAndObject(out, holder.get());
        }

        @Override
        public AtomicReference<?> read(Kryo kryo, Input in, Class<? extends AtomicReference<?>> type) {
            var read = new AtomicReference<>();
            kryo.reference(read);
            read.set(kryo.readClassAndObject(in));
            return read;
        }
    }

    /** Maps whose keys are constants: the class of the keys is told by the first. */
    private static final class Enums extends Serializer<Map<?, ?>> {
        @Override
        public void write(Kryo kryo, Output out, Map<?, ?> map) {
            entries(kryo, out, map);
        }

        @Override
        @SuppressWarnings({"unchecked", "rawtypes"})
        public Map<?, ?> read(Kryo kryo, Input in, Class<? extends Map<?, ?>> type) {
            var read = new LinkedHashMap<Object, Object>();
            entries(kryo, in, read);
            return read.isEmpty() ? Map.of() : new EnumMap(read);
        }
    }

    private static final class FixedMap extends Serializer<Map<?, ?>> {
        @Override
        public void write(Kryo kryo, Output out, Map<?, ?> map) {
            entries(kryo, out, map);
        }

        @Override
        public Map<?, ?> read(Kryo kryo, Input in, Class<? extends Map<?, ?>> type) {
            var read = new LinkedHashMap<Object, Object>();
            entries(kryo, in, read);
            return Collections.unmodifiableSequencedMap(read);
        }
    }

    private static void entries(Kryo kryo, Output out, Map<?, ?> map) {
        out.writeInt(map.size());
        map.forEach((k, v) -> {
            kryo.writeClassAndObject(out, k);
            kryo.writeClassAndObject(out, v);
        });
    }

    private static void entries(Kryo kryo, Input in, Map<Object, Object> to) {
        for (int n = in.readInt(); n > 0; n--) to.put(kryo.readClassAndObject(in), kryo.readClassAndObject(in));
    }

    private static final class FixedSet extends Serializer<Set<?>> {
        @Override
        public void write(Kryo kryo, Output out, Set<?> set) {
            out.writeInt(set.size());
            for (var v : set) kryo.writeClassAndObject(out, v);
        }

        @Override
        public Set<?> read(Kryo kryo, Input in, Class<? extends Set<?>> type) {
            var read = new LinkedHashSet<Object>();
            for (int n = in.readInt(); n > 0; n--) read.add(kryo.readClassAndObject(in));
            return Collections.unmodifiableSet(read);
        }
    }

    private static final class FixedList extends Serializer<List<?>> {
        @Override
        public void write(Kryo kryo, Output out, List<?> list) {
            out.writeInt(list.size());
            for (var v : list) kryo.writeClassAndObject(out, v);
        }

        @Override
        public List<?> read(Kryo kryo, Input in, Class<? extends List<?>> type) {
            var read = new ArrayList<Object>();
            for (int n = in.readInt(); n > 0; n--) read.add(kryo.readClassAndObject(in));
            return Collections.unmodifiableList(read);
        }
    }

    /** Refuses what is more. */
    private static final class Bounded extends OutputStream {
        private final OutputStream to;
        private long left;

        Bounded(OutputStream to, long most) {
            this.to = to;
            left = most;
        }

        @Override
        public void write(int b) throws IOException {
            write(new byte[] {(byte) b});
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            left -= length;
            if (left < 0) throw new IOException("too large to be kept");
            to.write(bytes, from, length);
        }

        @Override
        public void close() throws IOException {
            to.close();
        }
    }
}
