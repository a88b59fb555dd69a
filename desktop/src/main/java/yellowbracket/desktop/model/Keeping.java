package yellowbracket.desktop.model;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import yellowbracket.document.BuildFile;
import yellowbracket.document.BuildLock;
import yellowbracket.document.Journal;
import yellowbracket.document.Session;
import yellowbracket.mesh.io.WriteProblem;

/**
 * Keeps the open build on disk: the lock on its name, the journal of its edits, its file. Writes on threads of its own; everything else is
 * confined to the interface thread.
 */
final class Keeping implements AutoCloseable {
    private static final int MOST_UNSAVED = 99;

    /** What a file was when it was read or written: when it differs, somebody else has written it. */
    private record Stamp(FileTime time, long bytes) {
        static Optional<Stamp> of(Path file) {
            try {
                return Optional.of(new Stamp(Files.getLastModifiedTime(file), Files.size(file)));
            } catch (IOException e) {
                return Optional.empty();
            }
        }
    }

    /** @param held by another window; else {@code lock} is empty only where nothing can be written */
    private record Try(boolean held, Optional<BuildLock> lock) {
        static Try at(Path file) {
            try {
                var lock = BuildLock.take(file);
                return new Try(lock.isEmpty(), lock);
            } catch (IOException e) {
                return new Try(false, Optional.empty());
            }
        }
    }

    private final Path unsaved;
    private volatile Consumer<String> refuse = words -> {};
    private final Background saving;
    private final Background journalling;
    private final AtomicReference<Runnable> due = new AtomicReference<>();
    private final AtomicInteger writes = new AtomicInteger();
    private Optional<Path> file = Optional.empty();
    private Optional<Stamp> stamp = Optional.empty();
    private Optional<BuildLock> lock = Optional.empty();
    private Journal journal;

    /** @param unsaved the name of a build without a file; further windows take numbers behind it */
    Keeping(Path unsaved) {
        this.unsaved = unsaved;
        saving = new Background(words -> refuse.accept(words));
        journalling = new Background(words -> refuse.accept(words));
    }

    /** @param hears on any thread, what could not be written or read */
    void refuseTo(Consumer<String> hears) {
        refuse = hears;
    }

    /**
     * Takes a build over by the name of its file. Returns that file; empty: it has none, or another window has it open. Where nothing can
     * be written beside the file, its edits are journalled as those of a build without one.
     *
     * @param recover for a build without a file: take the name under which an earlier session left edits, to bring them back
     */
    Optional<Path> take(Optional<Path> wanted, boolean recover) {
        lock.ifPresent(BuildLock::close);
        lock = Optional.empty();
        var tried = wanted.map(Try::at);
        file = tried.filter(t -> !t.held).flatMap(t -> wanted);
        lock = tried.flatMap(Try::lock);
        journal = Journal.beside(lock.isPresent() ? wanted.orElseThrow() : slot(recover));
        stamp = file.flatMap(Stamp::of);
        return file;
    }

    private Path slot(boolean recover) {
        var left = recover ? firstSlot(true) : Optional.<Path>empty();
        return left.or(() -> firstSlot(false)).orElse(unsaved);
    }

    /** The first name for a build without a file that no other window has. @param left one under which something was left, or none */
    private Optional<Path> firstSlot(boolean left) {
        for (int n = 1; n <= MOST_UNSAVED; n++) {
            var name = n == 1 ? unsaved : unsaved.resolveSibling(n + "-" + unsaved.getFileName());
            if (Journal.beside(name).holdsSomething() != left) continue;
            var tried = Try.at(name);
            if (tried.held) continue;
            if (Journal.beside(name).holdsSomething() == left) {
                lock = tried.lock;
                return Optional.of(name);
            }
            tried.lock.ifPresent(BuildLock::close); // here: another window has just come or gone
        }
        return Optional.empty();
    }

    /** Reads what an earlier session left under this name: for a thread that may wait. */
    Journal.Left read() {
        return journal.left();
    }

    /** What was left and can be taken up. Something that cannot be read is put aside and told. */
    Optional<Journal.Left.Found> left(Journal.Left left) {
        return switch (left) {
            case Journal.Left.Nothing _ -> Optional.empty();
            case Journal.Left.Found f -> Optional.of(f);
            case Journal.Left.Unreadable u -> {
                try {
                    refuse.accept("the recovery copy of an earlier session cannot be read (" + u.why() + "): it was put aside as "
                            + journal.setAside().getFileName());
                } catch (IOException e) {
                    refuse.accept("the recovery copy of an earlier session can neither be read (" + u.why() + ") nor moved ("
                            + WriteProblem.words(e) + "): move the folder away yourself");
                }
                yield Optional.empty();
            }
        };
    }

    /** The meshes are on disk before the first edit names them. */
    void prepare(Session s) {
        var build = s.build();
        var meshes = s.meshes();
        later(j -> j.prepare(build, meshes));
    }

    /** Written at once; several edits in a row leave one write. */
    void edited(Session s) {
        var build = s.build();
        var meshes = s.meshes();
        later(j -> j.record(build, meshes));
    }

    /** Whether nothing waits to be written in the journal. */
    boolean journalled() {
        return writes.get() == 0;
    }

    private interface Write {
        void to(Journal j) throws IOException;
    }

    private void later(Write write) {
        var to = journal;
        Runnable work = () -> {
            try {
                write.to(to);
            } catch (IOException e) {
                refuse.accept("the recovery copy cannot be written (" + WriteProblem.words(e)
                        + "): save the build to a folder that can be written");
            }
        };
        if (due.getAndSet(work) != null) return;
        writes.incrementAndGet();
        journalling.execute(() -> {
            try {
                Optional.ofNullable(due.getAndSet(null)).ifPresent(Runnable::run);
            } finally {
                writes.decrementAndGet();
            }
        });
    }

    /** The journal goes: what it held is saved, or is not wanted. Behind a write that has begun, so that none comes after it. */
    void forget() {
        var ended = journal;
        due.set(null);
        journalling.execute(() -> {
            try {
                ended.clear();
            } catch (IOException e) {
                // it is offered at the next start, and can be undone there
            }
        });
    }

    private record Written(Optional<Stamp> stamp, Optional<IOException> failed) {}

    /** @param then once it is on disk */
    void save(Session s, Path to, Runnable then) {
        boolean own = file.equals(Optional.of(to));
        if (own && stamp.isPresent() && Stamp.of(to).isPresent() && !stamp.equals(Stamp.of(to))) {
            refuse.accept(
                    to.getFileName() + " was changed by another program since it was opened: save under another name, or open it again");
            return;
        }
        var other = own ? new Try(false, lock) : Try.at(to);
        if (other.held) {
            refuse.accept(to.getFileName() + " is open in another window: save under another name");
            return;
        }
        var build = s.build();
        var meshes = s.meshes();
        var mine = journal;
        saving.run("saving " + to.getFileName(), p -> {
            try {
                BuildFile.write(to, build, meshes);
                return new Written(Stamp.of(to), Optional.empty());
            } catch (IOException e) {
                return new Written(Optional.empty(), Optional.of(e));
            }
        }, done -> {
            if (done.failed.isPresent()) {
                if (!own) other.lock.ifPresent(BuildLock::close);
                refuse.accept(to.getFileName() + " was not saved (" + WriteProblem.words(done.failed.get())
                        + "): choose another folder; the file on disk is as it was");
                return;
            }
            if (journal != mine) { // here: another build was opened meanwhile
                if (!own) other.lock.ifPresent(BuildLock::close);
                return;
            }
            forget();
            if (!own) {
                lock.ifPresent(BuildLock::close);
                lock = other.lock;
                file = Optional.of(to);
                journal = Journal.beside(to);
            }
            stamp = done.stamp;
            s.saved(to, build);
            if (s.dirty()) edited(s);
            else prepare(s); // the next edit need not wait for the meshes
            then.run();
        });
    }

    /** What is being saved, empty for nothing. */
    ReadOnlyObjectProperty<String> busyProperty() {
        return saving.busyProperty();
    }

    /** The last write is waited for. */
    @Override
    public void close() {
        saving.close();
        journalling.close();
        lock.ifPresent(BuildLock::close);
    }
}
