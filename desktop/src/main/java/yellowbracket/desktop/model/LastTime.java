package yellowbracket.desktop.model;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import com.fasterxml.jackson.datatype.jsr310.JavaTimeModule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowbracket.mesh.io.SafeFile;

/**
 * What the window comes back with at its next start, however it ended: the build it had open, whether bench mode was, the timers that
 * ran, and what was worked on. A small file of the user's; it is written whenever one of them changes.
 */
public final class LastTime {
    /** A timer that rang longer ago is over. */
    private static final Duration OVER = Duration.ofHours(24);
    private static final ObjectMapper JSON = new ObjectMapper().registerModule(new Jdk8Module())
            .registerModule(new JavaTimeModule())
            .disable(SerializationFeature.WRITE_DATES_AS_TIMESTAMPS);

    /** {@code build}: the file's name. */
    public record Kept(Optional<String> build, boolean benchMode, List<Timers.Timer> timers, WorkWatch.Kept work) {
        static final Kept NOTHING = new Kept(Optional.empty(), false, List.of(), WorkWatch.Kept.NOTHING);

        public Kept {
            timers = List.copyOf(timers);
            work = work == null ? WorkWatch.Kept.NOTHING : work; // of a file of before it was kept
        }

        Kept withBuild(Optional<String> b) {
            return new Kept(b, benchMode, timers, work);
        }

        Kept withBenchMode(boolean on) {
            return new Kept(build, on, timers, work);
        }

        Kept withTimers(List<Timers.Timer> t) {
            return new Kept(build, benchMode, t, work);
        }

        Kept withWork(WorkWatch.Kept w) {
            return new Kept(build, benchMode, timers, w);
        }
    }

    private final Path file;
    private Kept kept;

    public LastTime(Path file) {
        this.file = file;
        kept = read(file);
    }

    /** What cannot be read is as if it were not there: nothing of a build is in it. */
    private static Kept read(Path file) {
        try {
            return Files.exists(file) ? JSON.readValue(Files.readAllBytes(file), Kept.class) : Kept.NOTHING;
        } catch (IOException | RuntimeException e) {
            return Kept.NOTHING;
        }
    }

    public Optional<Path> build() {
        try {
            return kept.build.map(Path::of);
        } catch (InvalidPathException e) {
            return Optional.empty();
        }
    }

    public boolean benchMode() {
        return kept.benchMode;
    }

    public List<Timers.Timer> timers(Instant now) {
        return kept.timers.stream().filter(t -> t.end().plus(OVER).isAfter(now)).toList();
    }

    public void build(Optional<Path> open) {
        change(k -> k.withBuild(open.map(p -> p.toAbsolutePath().toString())));
    }

    public void benchMode(boolean on) {
        change(k -> k.withBenchMode(on));
    }

    public void timers(List<Timers.Timer> running) {
        change(k -> k.withTimers(running));
    }

    public WorkWatch.Kept work() {
        return kept.work;
    }

    public void work(WorkWatch.Kept watch) {
        change(k -> k.withWork(watch));
    }

    private void change(UnaryOperator<Kept> how) {
        var now = how.apply(kept);
        if (now.equals(kept)) return;
        kept = now;
        try {
            SafeFile.write(file, JSON.writeValueAsBytes(kept));
        } catch (IOException e) {
            // the next start offers an empty build instead; nothing is lost
        }
    }
}
