package yellowbracket.mesh.io;

import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipException;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;

/**
 * What came of reading a mesh file: STL, OBJ, PLY, 3MF, the first three also packed with gzip. The kind is told by content, not by name.
 */
public sealed interface MeshFile {
    /**
     * {@code notices}: what was left out or assumed, for the user. {@code unitDeclared}: the file stated its unit, so coordinates are
     * millimetres for certain.
     */
    record Read(Mesh mesh, List<String> notices, boolean unitDeclared) implements MeshFile {
        public Read(Mesh mesh, List<String> notices) {
            this(mesh, notices, false);
        }
    }

    record Refused(ReadProblem problem) implements MeshFile {}

    /** Files above this are refused before they are loaded; it bounds memory, not the format. */
    long LARGEST_BYTES = 2_000_000_000L;
    /** A packed file that grows by more than this is taken for an attack or damage: text packs tenfold, zeros a thousandfold. */
    int MOST_GROWTH = 200;
    /** Bytes of memory reading takes for each byte of a file, at most. */
    int MEMORY_PER_BYTE = 3;

    /** Reads a mesh file of a kind we know. Never throws for what the file holds. @throws Progress.Stopped when asked to stop */
    static MeshFile read(Path path, Progress progress) {
        String name = String.valueOf(path.getFileName());
        try {
            if (Files.isDirectory(path))
                return refuse(name, "", "this is a folder, not a mesh", "choose an STL, OBJ, PLY or 3MF file inside it");
            long size = Files.size(path);
            if (size == 0) return refuse(name, "", "the file is empty", "export or download it again");
            long most = Math.min(LARGEST_BYTES, Runtime.getRuntime().maxMemory() / MEMORY_PER_BYTE);
            if (size > most) return refuse(name, "",
                    "the file has " + size / 1_000_000 + " MB, more than the " + most / 1_000_000 + " MB that can be read here",
                    "reduce the mesh first");
            return parse(name, Files.readAllBytes(path), progress);
        } catch (NoSuchFileException e) {
            return refuse(name, "", "there is no such file", "check the name and the folder " + path.toAbsolutePath().getParent());
        } catch (IOException e) {
            return refuse(name, "", "the file cannot be read (" + e.getMessage() + ")", "check its permissions");
        }
    }

    /** As {@link #read}, from bytes. @param name the file's name, for messages */
    static MeshFile parse(String name, byte[] bytes, Progress progress) {
        if (bytes.length == 0) return refuse(name, "", "the file is empty", "export or download it again");
        if (startsWith(bytes, 0x1f, 0x8b)) return packed(name, bytes, progress);
        return unpacked(name, bytes, progress);
    }

    private static MeshFile unpacked(String name, byte[] content, Progress progress) {
        if (startsWith(content, 'P', 'K', 3, 4)) return ThreeMfReader.parse(name, content, progress);
        var bytes = StlReader.recognises(content) ? content : TextStart.plain(content);
        if (TextStart.isWord(bytes, 0, "ply")) return PlyReader.parse(name, bytes, progress);
        if (StlReader.recognises(bytes)) return StlReader.parse(name, bytes, progress);
        if (ObjReader.recognises(bytes)) return ObjReader.parse(name, bytes, progress);
        // it knows best what is wrong with it
        if (name.toLowerCase(Locale.ROOT).endsWith(".stl")) return StlReader.parse(name, bytes, progress);
        return refuse(name, "", "this is not a mesh of a kind that is known here", "open an STL, OBJ, PLY or 3MF file");
    }

    private static MeshFile packed(String name, byte[] bytes, Progress progress) {
        long most = Math.min(Math.min(LARGEST_BYTES, (long) MOST_GROWTH * bytes.length),
                Runtime.getRuntime().maxMemory() / MEMORY_PER_BYTE);
        try (var in = new GZIPInputStream(new ByteArrayInputStream(bytes), 1 << 16)) {
            var content = in.readNBytes((int) Math.min(Integer.MAX_VALUE - 16, most + 1));
            if (content.length > most)
                return refuse(name, "", "it unpacks to more than " + most / 1_000_000 + " MB, out of proportion to its size",
                        "unpack it yourself and look at what it holds");
            String inner = name.toLowerCase(Locale.ROOT).endsWith(".gz") ? name.substring(0, name.length() - 3) : name;
            if (content.length == 0) return refuse(name, "", "there is nothing in it", "download it again");
            if (startsWith(content, 0x1f, 0x8b)) return refuse(name, "", "it is packed twice", "unpack it once and open what comes out");
            return unpacked(inner, content, progress);
        } catch (EOFException | ZipException e) {
            return refuse(name, "", "the packed file is damaged or ends early", "download it again");
        } catch (IOException e) {
            return refuse(name, "", "it cannot be unpacked (" + e.getMessage() + ")", "download it again");
        }
    }

    /** The file's name without folder and endings, as a title. */
    static String title(Path path) {
        return String.valueOf(path.getFileName()).replaceFirst("(?i)\\.gz$", "").replaceFirst("\\.[^.]*$", "");
    }

    private static boolean startsWith(byte[] bytes, int... head) {
        if (bytes.length < head.length) return false;
        for (int i = 0; i < head.length; i++) if ((bytes[i] & 0xff) != head[i]) return false;
        return true;
    }

    static MeshFile refuse(String file, String where, String what, String todo) {
        return new Refused(new ReadProblem(file, where, what, todo));
    }

    /** Text for messages: short, on one line. */
    static String shorten(String s) {
        var plain = s.replaceAll("[^\\x20-\\x7e]", "?");
        return plain.length() > 24 ? plain.substring(0, 24) + "..." : plain;
    }

    /** The first bytes as text, lower-case, for recognising. */
    static String head(byte[] bytes, int most) {
        return new String(bytes, 0, Math.min(bytes.length, most), StandardCharsets.ISO_8859_1).toLowerCase(Locale.ROOT);
    }
}
