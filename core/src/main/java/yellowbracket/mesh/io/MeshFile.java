package yellowbracket.mesh.io;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;

/** What came of reading a mesh file. */
public sealed interface MeshFile {
    /** {@code notices}: what was left out or assumed, for the user. */
    record Read(Mesh mesh, List<String> notices) implements MeshFile {}

    record Refused(ReadProblem problem) implements MeshFile {}

    /** Files above this are refused before they are loaded; it bounds memory, not the format. */
    long LARGEST_BYTES = 2_000_000_000L;

    /** Reads a mesh file of a kind we know by its content. Never throws for what the file holds. */
    static MeshFile read(Path path, Progress progress) {
        String name = String.valueOf(path.getFileName());
        try {
            if (Files.isDirectory(path)) return refuse(name, "", "this is a folder, not a mesh", "choose an STL file inside it");
            long size = Files.size(path);
            if (size == 0) return refuse(name, "", "the file is empty", "export or download it again");
            if (size > LARGEST_BYTES) return refuse(name, "", "the file has " + size / 1_000_000 + " MB, more than can be read here", "reduce the mesh first");
            return StlReader.parse(name, Files.readAllBytes(path), progress);
        } catch (NoSuchFileException e) {
            return refuse(name, "", "there is no such file", "check the name and the folder " + path.toAbsolutePath().getParent());
        } catch (IOException e) {
            return refuse(name, "", "the file cannot be read (" + e.getMessage() + ")", "check its permissions");
        }
    }

    private static MeshFile refuse(String file, String where, String what, String todo) {
        return new Refused(new ReadProblem(file, where, what, todo));
    }
}
