package yellowbracket.document;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.mesh.io.StlWriter;

/**
 * The state after the last edit, kept in a folder beside the build file ({@code NAME.bracket.journal/}) until the build is saved or its
 * edits are discarded: build.json, and the meshes and photos it names. What is there at the next start is offered. Only who holds the
 * {@link BuildLock} writes it.
 */
public final class Journal {
    /** What an earlier session left. */
    public sealed interface Left {
        record Nothing() implements Left {}

        record Found(Build build, Meshes meshes) implements Left {}

        /** It is there and cannot be read: {@link #setAside} before anything is written. */
        record Unreadable(String why) implements Left {}
    }

    private static final String BUILD = "build.json";
    private static final int STL_HEADER = 84, STL_TRIANGLE = 50;

    private final Path folder;

    private Journal(Path folder) {
        this.folder = folder;
    }

    public static Journal beside(Path buildFile) {
        return new Journal(buildFile.toAbsolutePath().resolveSibling(buildFile.getFileName() + ".journal"));
    }

    /** Writes the meshes and photos that the next {@link #record} will name, so that it need not wait for them. */
    public synchronized void prepare(Build build, Meshes meshes) throws IOException {
        for (var hash : Stream.concat(build.props().stream().map(Prop::mesh), build.paintedOn()).distinct().toList()) {
            var mesh = meshes.get(hash);
            if (mesh.isEmpty()) continue;
            var file = folder.resolve(hash + ".stl");
            if (!holds(file, STL_HEADER + (long) STL_TRIANGLE * mesh.get().triangleCount()))
                SafeFile.write(file, StlWriter.binary(mesh.get(), hash.substring(0, 16)));
        }
        for (var name : build.pictures()) {
            var photo = meshes.photo(name);
            if (photo.isPresent() && !holds(folder.resolve(name), photo.get().bytes().length))
                SafeFile.write(folder.resolve(name), photo.get().bytes());
        }
    }

    /** What is on disk counts, not what was written once: the folder may have been taken away. */
    private static boolean holds(Path file, long bytes) throws IOException {
        return Files.isRegularFile(file) && Files.size(file) == bytes;
    }

    /** Replaces what was journalled, whole or not at all. */
    public synchronized void record(Build build, Meshes meshes) throws IOException {
        prepare(build, meshes);
        SafeFile.write(folder.resolve(BUILD), BuildJson.write(build).getBytes(StandardCharsets.UTF_8));
    }

    public synchronized void clear() throws IOException {
        if (!Files.isDirectory(folder)) return;
        Files.deleteIfExists(folder.resolve(BUILD)); // first: without it, what is left of the folder is nothing
        try (var files = Files.list(folder)) {
            for (var f : files.toList()) Files.deleteIfExists(f);
        }
        Files.deleteIfExists(folder);
    }

    /** Whether an earlier session left something, readable or not. */
    public boolean holdsSomething() {
        return Files.exists(folder.resolve(BUILD));
    }

    public synchronized Left left() {
        var json = folder.resolve(BUILD);
        if (!holdsSomething()) return new Left.Nothing();
        try {
            var text = Files.readString(json);
            var meshes = Meshes.NONE;
            for (var p : BuildJson.read(text).props()) switch (MeshFile.read(folder.resolve(p.mesh() + ".stl"), Progress.NONE)) {
                case MeshFile.Refused r -> {
                    return new Left.Unreadable("the mesh of " + p.name() + ": " + r.problem().what());
                }
                case MeshFile.Read r -> {
                    if (!r.mesh().contentHash().equals(p.mesh())) return new Left.Unreadable("the mesh of " + p.name() + " is damaged");
                    meshes = meshes.with(r.mesh());
                }
            }
            var build = BuildJson.read(text, new CutCount(meshes, Progress.NONE));
            for (var hash : build.paintedOn().toList())
                if (meshes.get(hash).isEmpty() && MeshFile.read(folder.resolve(hash + ".stl"), Progress.NONE) instanceof MeshFile.Read r
                        && r.mesh().contentHash().equals(hash))
                    meshes = meshes.with(r.mesh());
            for (var name : build.pictures())
                if (Photo.NAME.matcher(name).matches() && Photo.read(folder.resolve(name)) instanceof Photo.Outcome.Read r)
                    meshes = meshes.with(r.photo());
            return new Left.Found(KnownNames.of(build).build(), meshes);
        } catch (IOException | BuildJson.Unreadable e) {
            return new Left.Unreadable(String.valueOf(e.getMessage()));
        }
    }

    /** Moves what cannot be read to a name of its own, where nothing overwrites it. Returns where it is. */
    public synchronized Path setAside() throws IOException {
        var to = Stream.iterate(1, n -> n + 1)
                .map(n -> folder.resolveSibling(folder.getFileName() + "-unreadable-" + n))
                .filter(p -> !Files.exists(p))
                .findFirst()
                .orElseThrow();
        return Files.move(folder, to);
    }
}
