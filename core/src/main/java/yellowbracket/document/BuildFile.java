package yellowbracket.document;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.ReadProblem;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.mesh.io.StlReader;
import yellowbracket.mesh.io.StlWriter;

/**
 * {@code *.bracket}: a ZIP of build.json, the meshes it names and the photos of its log. See docs/format.md. The same build gives the same
 * bytes.
 */
public final class BuildFile {
    /** Nothing of a build packs better than to a hundredth: meshes to a third, its text to a twentieth. */
    private static final int MOST_GROWTH = 100;
    private static final long SMALL_BYTES = 16_000_000;
    private static final long MOST_BYTES = 4_000_000_000L;
    /** Bytes of a mesh and what is made of it while it is read, over those of its entry. */
    private static final int MEMORY_PER_BYTE = 3;
    private static final int MOST_ENTRIES = 10_000;
    private static final LocalDateTime EPOCH = LocalDateTime.of(2000, 1, 1, 0, 0);

    /** What came of opening a file. */
    public sealed interface Outcome {
        /** {@code notes}: what it named that is not known, and what is taken instead. */
        record Opened(Build build, Meshes meshes, List<String> notes) implements Outcome {}

        record Refused(ReadProblem problem) implements Outcome {}
    }

    private BuildFile() {}

    /** Whether a file is called a build; its content decides when it is read. */
    public static boolean isName(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(java.util.Locale.ROOT).endsWith(".bracket");
    }

    /**
     * Safe against a broken-off write; the previous version is kept with {@code ~} behind its name. @throws IOException when the folder
     * cannot be written; then nothing changed
     */
    public static void write(Path file, Build build, Meshes meshes) throws IOException {
        SafeFile.writeKeepingPrevious(file, bytes(build, meshes));
    }

    public static byte[] bytes(Build build, Meshes meshes) throws IOException {
        var out = new ByteArrayOutputStream(1 << 20);
        try (var zip = new ZipOutputStream(out)) {
            zip.setLevel(4);
            put(zip, "build.json", BuildJson.write(build).getBytes(StandardCharsets.UTF_8));
            var named = new TreeSet<String>();
            build.props().forEach(p -> named.add(p.mesh()));
            // here: zones painted on a mended or turned model lie on a mesh of their own
            build.paintedOn().filter(h -> meshes.get(h).isPresent()).forEach(named::add);
            for (var hash : named) {
                var mesh = meshes.get(hash)
                        .orElseThrow(() -> new IOException("mesh " + hash.substring(0, 8) + " is not loaded; the file was not written"));
                put(zip, "meshes/" + hash + ".stl", StlWriter.binary(mesh, hash.substring(0, 16)));
            }
            for (var name : build.pictures()) {
                var photo = meshes.photo(name);
                if (photo.isPresent()) put(zip, "photos/" + name, photo.get().bytes());
            }
        }
        return out.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
        var entry = new ZipEntry(name);
        entry.setTimeLocal(EPOCH);
        zip.putNextEntry(entry);
        zip.write(content);
        zip.closeEntry();
    }

    /** The version before the last save. */
    public static Path previous(Path file) {
        return file.resolveSibling(file.getFileName() + "~");
    }

    /** Never throws for what the file holds. */
    public static Outcome read(Path file, Progress progress) {
        String name = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) == 0) return refuse(name, "", "the file is empty", "try the copy that ends in ~");
            return read(name, Files.readAllBytes(file), progress);
        } catch (NoSuchFileException e) {
            return refuse(name, "", "there is no such file", "check the name");
        } catch (ZipException e) {
            return refuse(name, "", "this is not a build file, or it is damaged (" + e.getMessage() + ")", "try the copy that ends in ~");
        } catch (IOException e) {
            return refuse(name, "", "the file cannot be read (" + e.getMessage() + ")",
                    "check it and its permissions, or try the copy that ends in ~");
        } catch (BuildJson.Unreadable e) {
            return refuse(name, "", e.what(), e.toDo());
        }
    }

    private static Outcome read(String name, byte[] bytes, Progress progress) throws IOException, BuildJson.Unreadable {
        Optional<String> json = Optional.empty();
        var meshes = Meshes.NONE;
        long total = 0;
        int entries = 0;
        long most = Math.min(Math.min(MOST_BYTES, Runtime.getRuntime().maxMemory() / MEMORY_PER_BYTE),
                SMALL_BYTES + (long) MOST_GROWTH * bytes.length);
        try (var zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (var e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                progress.check();
                if (++entries > MOST_ENTRIES) return refuse(name, "", "more than " + MOST_ENTRIES + " entries", "this is not a build file");
                var content = zip.readNBytes((int) Math.min(Integer.MAX_VALUE - 16, most - total));
                total += content.length;
                if (total >= most) return refuse(name, "entry " + e.getName(),
                        "it unpacks to more than " + most / 1_000_000 + " MB, out of proportion to its size or to the memory there is",
                        "try the copy that ends in ~");
                if (e.getName().equals("build.json")) json = Optional.of(new String(content, StandardCharsets.UTF_8));
                else if (e.getName().startsWith("photos/") && Photo.NAME.matcher(e.getName().substring(7)).matches()) {
                    var photo = Photo.of(content, e.getName().substring(e.getName().length() - 3));
                    if (!e.getName().endsWith(photo.name())) return refuse(name, e.getName(),
                            "the photo is damaged: its content is not what its name says", "try the copy that ends in ~");
                    meshes = meshes.with(photo);
                } else if (e.getName().matches("meshes/[0-9a-f]{64}\\.stl")) {
                    String hash = e.getName().substring(7, 71);
                    switch (StlReader.parse(e.getName(), content, progress)) {
                        case MeshFile.Refused r -> {
                            return refuse(name, r.problem().file(), r.problem().what(), "try the copy that ends in ~");
                        }
                        case MeshFile.Read r -> {
                            if (!r.mesh().contentHash().equals(hash)) return refuse(name, e.getName(),
                                    "the mesh is damaged: its content is not what its name says", "try the copy that ends in ~");
                            meshes = meshes.with(r.mesh());
                        }
                    }
                }
            }
        }
        if (json.isEmpty()) return refuse(name, "", "there is no build.json in it: this is not a build file, or it is damaged",
                "choose a .bracket file, or try the copy that ends in ~");
        var build = BuildJson.read(json.get(), new CutCount(meshes, progress));
        for (var p : build.props()) if (meshes.get(p.mesh()).isEmpty())
            return refuse(name, "prop " + p.name(), "its mesh is missing from the file", "try the copy that ends in ~");
        var known = KnownNames.of(build);
        return new Outcome.Opened(known.build(), meshes, known.notes());
    }

    private static Outcome refuse(String file, String where, String what, String todo) {
        return new Outcome.Refused(new ReadProblem(file, where, what, todo));
    }
}
