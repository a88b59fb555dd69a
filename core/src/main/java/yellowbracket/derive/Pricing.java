package yellowbracket.derive;

import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Estimate;
import yellowbracket.print.Orientation;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.size.TestPiece;

/** Hours and grams of a print that is no section of the prop. */
public final class Pricing {
    private static final int SAMPLES = 300;

    private Pricing() {}

    /** Lying as flat as it can. */
    public static Node.Piece of(TestPiece piece, Profile profile, Printer printer, Catalogue shop) {
        var flat = Orientation.choices(piece.mesh(), SurfaceSamples.of(piece.mesh(), Bvh.of(piece.mesh()), SAMPLES), profile)
                .stream()
                .min(java.util.Comparator.comparingDouble(o -> o.size().z()))
                .orElseThrow();
        return new Node.Piece(piece, Estimate.of(piece.mesh(), flat, profile, shop.material(profile.material()), printer));
    }
}
