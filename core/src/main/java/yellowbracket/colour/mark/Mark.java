package yellowbracket.colour.mark;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/**
 * A shape laid on the prop as a zone.
 * @param at where its middle lies, model mm @param up which way is up on it @param mirrored left for right, as on the twin's side
 * @param zone its number @param stretch the most a flat piece must give there, as a share, when it was laid
 */
public record Mark(String name, MarkShape shape, Way way, Vec3 at, Vec3 up, boolean mirrored, int zone, double stretch) {
    /** How it comes on. */
    public enum Way {
        STENCIL("stencil, sprayed or stippled",
                "burnish the stencil, seal its edge with a mist of the colour beneath, thin coats, pull while touch dry"),
        VINYL("cut vinyl that stays", "on a smooth gloss coat that is fully dry, with soapy water; edges under two coats of clear"),
        DECAL("decal in water", "gloss clear beneath, softener on curves, no air under it; clear over it when dry, edge first");

        private final String words;
        private final String how;

        Way(String words, String how) {
            this.words = words;
            this.how = how;
        }

        public String words() {
            return words;
        }

        public String how() {
            return how;
        }
    }

    /** A flat sheet that must give more than this creases or tears; it is cut into pieces. */
    public static final double GIVES = 0.03;

    public Mark {
        Limits.named("a mark", name);
        java.util.Objects.requireNonNull(shape, "shape");
        java.util.Objects.requireNonNull(way, "way");
        Limits.within("stretch of mark " + name, stretch, 0, 100);
        if (!(up.norm() > 0)) throw new IllegalArgumentException("mark " + name + " needs a way up");
    }

    /** As it lies, mirrored where it is; flat, mm at the prop's own size. */
    public Shape outline() {
        return mirrored ? AffineTransform.getScaleInstance(-1, 1).createTransformedShape(shape.outline()) : shape.outline();
    }

    /** The same in the model's mm. @param scale of the model */
    public Shape outline(double scale) {
        return AffineTransform.getScaleInstance(1 / scale, 1 / scale).createTransformedShape(outline());
    }
}
