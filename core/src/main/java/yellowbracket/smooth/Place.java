package yellowbracket.smooth;

import yellowbracket.mesh.Vec3;

/**
 * A spot of the surface as it comes off the printer, real mm.
 * @param section its letter @param mm2 that it stands for
 * @param shape, {@code lines}: of it and what lies around it, for nobody changes paper from one spot to the next
 * @param cuspUm valleys between layer lines, {@code widthMm} from one to the next; {@code flatUm} off the round that was meant,
 *        {@code scarUm} where support stood, {@code seamUm} at a seam: the wider of its gap and step
 * @param skinMm solid print beneath @param closed a hand gets to it only before the sections are joined
 */
public record Place(String section, Vec3 at, Vec3 normal, double mm2, Target target, Areas.Shape shape, Areas.Lines lines, double cuspUm,
        double widthMm, double flatUm, double scarUm, double seamUm, double skinMm, boolean closed) {
    /** Steps of a gentle slope stand so much further apart than they are high that each is seen by itself. */
    private static final double TERRACE_MM = 0.9;

    /** What one sees and feels there. */
    public double shownUm() {
        return Math.max(depthUm(), seamUm);
    }

    /** From the highest to the lowest that is to become one surface; a seam is filled by itself before. */
    public double depthUm() {
        return Math.max(cuspUm, scarUm) + flatUm;
    }

    /** Mean depth is half of it. */
    public double valleyMm3() {
        return depthUm() / 2000 * mm2;
    }

    /** What makes it rough. */
    public enum Kind {
        LINES("layer lines"), TERRACES("stair terraces"), SCARS("support scars"), FLATS("flats of a coarse model"), SEAMS("seams");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Kind kind() {
        if (seamUm > depthUm()) return Kind.SEAMS;
        if (scarUm > cuspUm) return Kind.SCARS;
        if (flatUm > cuspUm) return Kind.FLATS;
        return widthMm > TERRACE_MM ? Kind.TERRACES : Kind.LINES;
    }

    Place among(Areas.Shape usual, double depthUm) {
        return new Place(section, at, normal, mm2, target, usual, Areas.Lines.of(depthUm), cuspUm, widthMm, flatUm, scarUm, seamUm, skinMm,
                closed);
    }

    Place atSeam(double um) {
        return new Place(section, at, normal, mm2, target, shape, lines, cuspUm, widthMm, flatUm, scarUm, um, skinMm, closed);
    }

    Place to(Target t) {
        return t == target ? this
                : new Place(section, at, normal, mm2, t, shape, lines, cuspUm, widthMm, flatUm, scarUm, seamUm, skinMm, closed);
    }
}
