package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.print.PricedPiece;
import yellowbracket.shop.Catalogue;
import yellowbracket.size.Cavity;
import yellowbracket.size.TestPiece;

@Command(name = "testpiece", description = "writes the least print that proves the fit: a ring at the tightest zone, the neck ring, "
        + "or a brow-to-chin profile")
final class TestPieceCommand extends OnAHead {
    @Option(names = "--kind", description = "${COMPLETION-CANDIDATES}; ring if left out")
    TestPiece.Kind kind = TestPiece.Kind.RING;

    @Option(names = "--out", required = true, description = "an STL, OBJ, PLY or 3MF file")
    Path out;

    @Override
    Map<String, Object> work() {
        var wearer = wearer();
        var to = MeshWriter.Kind.of(out)
                .orElseThrow(() -> new ParameterException(spec.commandLine(), out + ": the name must end in .stl, .obj, .ply or .3mf"));
        var worn = worn();
        var cavity = Cavity.of(worn.mesh(), worn.index());
        var judged = judged(wearer, cavity, "");
        var fit = judged.fit();
        TestPiece piece;
        try {
            piece = TestPiece.of(kind, fit, judged.donning(), cavity);
        } catch (IllegalStateException e) {
            throw new Refused(model.getFileName() + ": " + e.getMessage() + ".");
        }
        var shop = Catalogue.builtIn();
        var usual = shop.profile("usual");
        var print = PricedPiece.of(piece, usual, shop.printers().getFirst(), shop.material(usual.material())).print();
        try {
            Files.createDirectories(out.toAbsolutePath().getParent());
            MeshWriter.write(List.of(new MeshWriter.Named(piece.fileName(fit.scale()), piece.mesh())), to, out);
        } catch (IOException e) {
            throw unwritten(out, e);
        }
        return map("kind", kind.label(), "file", out.toString(), "scale", fit.scale(), "proves", piece.proves().label(), "aboveRimMm",
                piece.atZMm(), "hours", print.hours(), "lowHours", print.lowHours(), "highHours", print.highHours(), "grams", print.grams(),
                "closed", MeshHealth.of(piece.mesh()).closed(), "size", xyz(piece.mesh().bounds().size()), "findings", worn.remarks());
    }
}
