package yellowbracket.derive;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Progress;
import yellowbracket.program.ProgramLog;

/**
 * Results kept on disk from one start of the program to the next, one file for the props of a build: what took long to make is taken from
 * there as long as all questions of its rule are answered as they were (constructive traces after Mokhov, Mitchell, Peyton Jones, "Build
 * Systems a la Carte", 2018). A file that is damaged, or another version's, is as good as none. Thread-safe.
 */
public final class Kept implements AutoCloseable {
    private static final String ENDING = ".results";
    private static final long WAIT_NS = 2_000_000;
    /** Between two writings, so that a disk is not kept busy by somebody who tries things out. */
    private static final Duration PAUSE = Duration.ofMinutes(5);
    /** What was being written so long ago never came to its end. */
    private static final Duration LEFT = Duration.ofDays(1);

    /**
     * @param ms what is made sooner is made anew
     * @param newMs nothing is written before what is not on disk took so long
     * @param file bytes of one file: no more is written
     * @param all bytes of all files: what was written longest ago goes first
     */
    record Bounds(int ms, int newMs, long file, long all) {
        static final Bounds USUAL = new Bounds(25, 3_000, 250_000_000, 600_000_000);
    }

    private final Path folder;
    private final String writer;
    private final Bounds bounds;
    private final ExecutorService reading = thread("kept results", Thread.NORM_PRIORITY);
    private final ExecutorService writing = thread("keeping results", Thread.MIN_PRIORITY);
    /** On the clock of {@link System#nanoTime}. */
    private volatile OptionalLong written = OptionalLong.empty();
    private final Set<String> unfit = ConcurrentHashMap.newKeySet();
    private volatile Shelf shelf = new Shelf("");

    /** What was read for some props. */
    private static final class Shelf {
        private final String name;
        private final Map<Figure.Key, KeptFile.Result> results = new ConcurrentHashMap<>();
        /** Once it is known what there is. */
        private volatile Optional<Set<Figure.Key>> there = Optional.empty();
        private volatile boolean through, forgotten;
        private volatile Set<Fingerprint> onDisk = Set.of();

        Shelf(String name) {
            this.name = name;
            through = name.isEmpty(); // without props there is nothing
        }

        boolean comes(Figure.Key key) {
            return !through && !forgotten && !results.containsKey(key) && there.map(t -> t.contains(key)).orElse(true);
        }
    }

    /** @param writer which version of the program it is: no other's results are believed */
    Kept(Path folder, String writer, Bounds bounds) {
        this.folder = folder;
        this.writer = writer;
        this.bounds = bounds;
    }

    /** For this version of the program; empty where that cannot be told, as when it is run from folders of classes. */
    public static Optional<Kept> in(Path folder) {
        var writer = new StringBuilder().append(Runtime.version())
                .append(' ')
                .append(Locale.getDefault())
                .append(' ')
                .append(ZoneId.systemDefault());
        try {
            for (var part : System.getProperty("java.class.path").split(File.pathSeparator)) {
                var jar = Path.of(part);
                if (!Files.isRegularFile(jar)) return Optional.empty();
                writer.append('\n').append(jar).append(' ').append(Files.size(jar)).append(' ').append(Files.getLastModifiedTime(jar));
            }
        } catch (IOException e) {
            ProgramLog.failure("kept results", e);
            return Optional.empty();
        }
        return Optional.of(new Kept(folder, writer.toString(), Bounds.USUAL));
    }

    /** Else it would have the priority of who first asks. */
    private static ExecutorService thread(String name, int priority) {
        return Executors.newSingleThreadExecutor(r -> {
            var t = Workings.daemon(name).newThread(r);
            t.setPriority(priority);
            return t;
        });
    }

    /** Starts reading what there is for the props of this build, where that was not done; returns at once. */
    void open(Build build) {
        String name = name(build);
        if (shelf.name.equals(name)) return;
        var s = new Shelf(name);
        shelf = s;
        reading.execute(() -> read(s));
    }

    private void read(Shelf s) {
        try {
            var prints = new HashSet<Fingerprint>();
            KeptFile.read(file(s.name), writer, keys -> s.there = Optional.of(Set.copyOf(keys)), r -> {
                if (!s.forgotten) s.results.put(r.key(), r);
                prints.add(r.fingerprint());
            });
            s.onDisk = prints;
        } catch (NoSuchFileException e) {
            // the first time
        } catch (IOException | RuntimeException | Error e) {
            ProgramLog.failure("kept results", e);
        } finally {
            s.through = true;
        }
    }

    /** What came of this figure before; waits while it is being read. */
    Optional<KeptFile.Result> of(Figure.Key key, Progress progress) {
        var s = shelf;
        while (s.comes(key)) {
            progress.check();
            LockSupport.parkNanos(WAIT_NS);
        }
        return Optional.ofNullable(s.results.get(key));
    }

    /** What was read and is not used is not needed any more. */
    void forget() {
        var s = shelf;
        s.forgotten = true;
        s.results.clear();
    }

    /**
     * Writes what is shown of this build, where it is worth it; returns at once.
     *
     * @return false if it is not the time yet
     */
    boolean keep(Build build, List<Trace> shown) {
        var s = shelf;
        if (s.name.isEmpty() || !s.name.equals(name(build))) return true;
        var results = shown.stream()
                .flatMap(t -> t.lasting().stream())
                .filter(r -> r.ms() >= bounds.ms && !unfit.contains(r.key().figure()))
                .toList();
        if (results.stream().filter(r -> !s.onDisk.contains(r.fingerprint())).mapToLong(KeptFile.Result::ms).sum() < bounds.newMs)
            return true;
        long now = System.nanoTime();
        if (written.isPresent() && now - written.getAsLong() < PAUSE.toNanos()) return false;
        written = OptionalLong.of(now);
        writing.execute(() -> write(s, results));
        return true;
    }

    private void write(Shelf s, List<KeptFile.Result> results) {
        var left = new ArrayList<>(results);
        while (true) try {
            KeptFile.write(file(s.name), writer, left, bounds.file);
            s.onDisk = left.stream().map(KeptFile.Result::fingerprint).collect(Collectors.toSet());
            makeRoom(written(file(s.name)));
            return;
        } catch (KeptFile.Unfit e) {
            unfit.add(e.key().figure());
            left.removeIf(r -> unfit.contains(r.key().figure())); // the others without it
        } catch (IOException | RuntimeException | Error e) {
            ProgramLog.failure("keeping results", e);
            return;
        }
    }

    /** Ends once what was to be written is. */
    @Override
    public void close() {
        reading.shutdownNow();
        writing.close();
    }

    /** What was written longest ago goes first. */
    private void makeRoom(FileTime now) throws IOException {
        List<Path> files;
        try (var in = Files.list(folder)) {
            files = new ArrayList<>(in.filter(f -> f.toString().endsWith(ENDING) || f.toString().endsWith(KeptFile.PART)).toList());
        }
        files.sort(Comparator.comparing(Kept::written).reversed());
        long sum = 0;
        for (var f : files) {
            try {
                sum += Files.size(f);
            } catch (NoSuchFileException e) {
                continue; // another window has just finished it
            }
            boolean left = f.toString().endsWith(KeptFile.PART) && written(f).toInstant().plus(LEFT).isBefore(now.toInstant());
            if (left || sum > bounds.all) Files.deleteIfExists(f);
        }
    }

    private static FileTime written(Path file) {
        try {
            return Files.getLastModifiedTime(file);
        } catch (IOException e) {
            return FileTime.fromMillis(0);
        }
    }

    private Path file(String name) {
        return folder.resolve(name + ENDING);
    }

    /** Of the props' meshes; empty where there are none. */
    private static String name(Build build) {
        if (build.props().isEmpty()) return "";
        var meshes = build.props().stream().map(Prop::mesh).sorted().toList();
        return Fingerprint.of(meshes).map(f -> String.format("%016x%016x", f.high(), f.low())).orElseThrow();
    }
}
