package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.MeshWriter;

@Command(name = "convert", description = "a mesh in another format; the kind is told by the ending of OUT")
final class ConvertCommand extends Output {
    @Parameters(index = "0", paramLabel = "IN", description = "an STL, OBJ, PLY or 3MF file, packed with gzip or not")
    Path in;

    @Parameters(index = "1", paramLabel = "OUT", description = "a name that ends in .stl, .obj, .ply or .3mf")
    Path out;

    @Override
    Map<String, Object> work() {
        var kind = MeshWriter.Kind.of(out)
                .orElseThrow(() -> new ParameterException(spec.commandLine(), out + ": the name must end in .stl, .obj, .ply or .3mf"));
        var read = read(in);
        try {
            MeshWriter.write(List.of(new MeshWriter.Named(MeshFile.title(in), read.mesh())), kind, out);
        } catch (IOException e) {
            throw unwritten(out, e);
        }
        return map("file", out.toString(), "format", kind.ending(), "triangles", read.mesh().triangleCount(), "vertices",
                read.mesh().vertexCount(), "findings", read.notices());
    }
}
