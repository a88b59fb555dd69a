package yellowbracket.document;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.mesh.io.StlWriter;

/**
 * The state after the last edit, kept in a folder beside the build file ({@code NAME.bracket.journal/}) until the build is saved or closed
 * in
 * good order: build.json, and the meshes it names. What is still there at the next start was lost in a crash and is offered.
 */
public final class Journal {
    private final Path folder;
    private final Set<String> written = new HashSet<>();

    private Journal(Path folder) {
        this.folder = folder;
    }

    public static Journal beside(Path buildFile) {
        return new Journal(buildFile.toAbsolutePath().resolveSibling(buildFile.getFileName() + ".journal"));
    }

    /** Replaces what was journalled. Each mesh is written once. */
    public synchronized void record(Build build, Meshes meshes) throws IOException {
        for (var p : build.props()) {
            if (written.contains(p.mesh())) continue;
            var mesh = meshes.get(p.mesh());
            if (mesh.isPresent())
                SafeFile.write(folder.resolve(p.mesh() + ".stl"), StlWriter.binary(mesh.get(), p.mesh().substring(0, 16)));
            written.add(p.mesh());
        }
        for (var e : build.log()) for (var name : e.photos()) {
            var photo = meshes.photo(name);
            if (photo.isPresent() && written.add(name)) SafeFile.write(folder.resolve(name), photo.get().bytes());
        }
        SafeFile.write(folder.resolve("build.json"), BuildJson.write(build).getBytes(StandardCharsets.UTF_8));
    }

    public synchronized void clear() throws IOException {
        written.clear();
        if (!Files.isDirectory(folder)) return;
        try (var files = Files.list(folder)) {
            for (var f : files.toList()) Files.deleteIfExists(f);
        }
        Files.deleteIfExists(folder);
    }

    /** What a crash left behind, if it can be read. */
    public Optional<BuildFile.Outcome.Opened> left() {
        var json = folder.resolve("build.json");
        if (!Files.isRegularFile(json)) return Optional.empty();
        try {
            var text = Files.readString(json);
            var meshes = Meshes.NONE;
            for (var p : BuildJson.read(text).props()) {
                if (!(MeshFile.read(folder.resolve(p.mesh() + ".stl"), Progress.NONE) instanceof MeshFile.Read r)) return Optional.empty();
                meshes = meshes.with(r.mesh());
            }
            var build = BuildJson.read(text, new CutCount(meshes, Progress.NONE));
            for (var e : build.log()) for (var name : e.photos())
                if (Photo.NAME.matcher(name).matches() && Photo.read(folder.resolve(name)) instanceof Photo.Outcome.Read r)
                    meshes = meshes.with(r.photo());
            return Optional.of(new BuildFile.Outcome.Opened(build, meshes));
        } catch (IOException | BuildJson.Unreadable e) {
            return Optional.empty();
        }
    }
}
