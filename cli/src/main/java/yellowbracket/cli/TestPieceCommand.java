package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.build.Pricing;
import yellowbracket.mesh.Bvh;
import yellowbracket.mesh.MeshHealth;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.shop.Catalogue;
import yellowbracket.size.Cavity;
import yellowbracket.size.Donning;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadField;
import yellowbracket.size.HeadForm;
import yellowbracket.size.TestPiece;

@Command(name = "testpiece", description = "writes the least print that proves the fit: a ring at the tightest zone, the neck ring, or a brow-to-chin profile")
final class TestPieceCommand extends Output {
    @Parameters(paramLabel = "MODEL", description = "a mesh file of a helm")
    Path model;

    @ArgGroup(multiplicity = "1")
    WhoWears who;

    @Option(names = "--scale", description = "1.04 for 104 per cent; the recommended one if left out")
    Double scale;

    @Option(names = "--kind", description = "${COMPLETION-CANDIDATES}; ring if left out")
    TestPiece.Kind kind = TestPiece.Kind.RING;

    @Option(names = "--out", required = true, description = "an STL, OBJ, PLY or 3MF file")
    Path out;

    @Override
    Map<String, Object> work() {
        var wearer = who.wearer(spec);
        SizeCommand.checkScale(scale);
        var to = MeshWriter.Kind.of(out).orElseThrow(() -> new ParameterException(spec.commandLine(), out + ": the name must end in .stl, .obj, .ply or .3mf"));
        var mesh = mesh(model);
        var cavity = Cavity.of(mesh, Bvh.of(mesh));
        if (!cavity.holdsAHead()) throw new Refused(model.getFileName() + ": no hollow for a head was found; check which way is up (z) and that it is in millimetres.");
        var form = HeadForm.of(wearer);
        var room = Fit.room(wearer, List.of(), form, cavity);
        var scales = Fit.scales(room, form, cavity, Progress.NONE);
        var fit = Fit.of(room, form, cavity, scale == null ? scales.recommended() : scale, scales);
        var donning = Donning.of(HeadField.of(form, wearer, Progress.NONE), cavity, fit.scale(), fit.pose(), Progress.NONE);
        TestPiece piece;
        try {
            piece = TestPiece.of(kind, fit, donning, cavity);
        } catch (IllegalStateException e) {
            throw new Refused(model.getFileName() + ": " + e.getMessage() + ".");
        }
        var shop = Catalogue.builtIn();
        var priced = Pricing.of(piece, shop.profile("usual"), shop.printers().getFirst(), shop);
        try {
            Files.createDirectories(out.toAbsolutePath().getParent());
            MeshWriter.write(List.of(new MeshWriter.Named(piece.fileName(fit.scale()), piece.mesh())), to, out);
        } catch (IOException e) {
            throw new Refused(out + ": the file cannot be written; choose another folder.");
        }
        return map("kind", kind.label(), "file", out.toString(), "scale", fit.scale(), "proves", piece.proves().label(), "aboveRimMm", piece.atZMm(), "hours", priced.hours(), "grams", priced.grams(),
                "closed", MeshHealth.of(piece.mesh()).closed(), "size", xyz(piece.mesh().bounds().size()));
    }
}
