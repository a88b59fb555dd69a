package yellowbracket.print;

import java.util.Comparator;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Material;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.size.TestPiece;

/** A test piece, which is no section of the prop, and what it costs to print, lying as flat as it can. */
public record PricedPiece(TestPiece piece, Estimate print) {
    /** Points that tell the show side of a piece being cut. */
    private static final int SAMPLES = 300;

    public static PricedPiece of(TestPiece piece, Profile profile, Printer printer, Material material) {
        var mesh = piece.mesh();
        var flat = Orientation.choices(mesh, SurfaceSamples.of(mesh, Bvh.of(mesh), SAMPLES), profile)
                .stream()
                .min(Comparator.comparingDouble(o -> o.size().z()))
                .orElseThrow();
        return new PricedPiece(piece, Estimate.of(mesh, flat, profile, material, printer));
    }
}
