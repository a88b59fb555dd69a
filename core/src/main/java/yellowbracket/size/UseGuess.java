package yellowbracket.size;

import java.util.Locale;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.index.Bvh;

/** What a model is most likely used for, by its shape, and why; never more than a proposal. */
public record UseGuess(Use use, String because) {
    /** Across, up, and front to back of what lies on a face, mm: from a child's eye mask to a long muzzle. */
    private static final double[] FACE_WIDE_MM = {110, 280}, FACE_HIGH_MM = {60, 330};
    /** What lies on a face is flatter than wide; a muzzle stands out, a ball does not lie on a face. */
    private static final double FACE_DEEP = 1.1;
    /** Walls of a mask are no thicker, mm. */
    private static final double SHELL_MM = 25;
    /** Of the places looked at from behind, so many must have the shell at once before them. */
    private static final double SHELL_SHARE = 0.6;
    /** A face stands out from its edge by this at least, mm. */
    private static final double HOLLOW_MM = 15;
    /** Of the second longest side: what is longer is gripped. */
    private static final double SLENDER = 1.8;
    /** Places looked at in each direction. */
    private static final int GRID = 24;

    /** @param model in mm, upright, looking along +y, at the size of its file */
    public static UseGuess of(Mesh model, Bvh index) {
        var size = model.bounds().size();
        if (Cavity.of(model, index).holdsAHead()) return new UseGuess(Use.HEAD, "it has a hollow that a head gets into from below");
        if (within(size.x(), FACE_WIDE_MM) && within(size.z(), FACE_HIGH_MM) && size.y() < FACE_DEEP * size.x() && openBehind(model, index))
            return new UseGuess(Use.FACE, "it is a shell as wide as a face and open behind");
        double[] sides = {size.x(), size.y(), size.z()};
        java.util.Arrays.sort(sides);
        if (sides[2] > SLENDER * sides[1]) return new UseGuess(Use.HELD,
                String.format(Locale.ROOT, "it is long and slender, %.1f times as long as wide", sides[2] / sides[1]));
        return new UseGuess(Use.STANDS, "it has no hollow for a head and is not slender");
    }

    private static boolean within(double mm, double[] range) {
        return mm >= range[0] && mm <= range[1];
    }

    /** Looked at from behind, most of it is a thin wall, hollow in the middle. */
    private static boolean openBehind(Mesh m, Bvh index) {
        var b = m.bounds();
        double from = b.min().y() - 1, nearest = Double.POSITIVE_INFINITY, furthest = Double.NEGATIVE_INFINITY;
        int hit = 0, thin = 0;
        for (int i = 0; i < GRID; i++) for (int j = 0; j < GRID; j++) {
            double x = b.min().x() + (i + 0.47) / GRID * b.size().x(), z = b.min().z() + (j + 0.53) / GRID * b.size().z();
            double t = index.firstDistance(x, from, z, 0, 1, 0, 0);
            if (!Double.isFinite(t)) continue;
            hit++;
            nearest = Math.min(nearest, t);
            furthest = Math.max(furthest, t);
            double wall = index.firstDistance(x, from + t, z, 0, 1, 0, 1e-3);
            if (wall < SHELL_MM) thin++;
        }
        return thin > SHELL_SHARE * hit && furthest - nearest > HOLLOW_MM;
    }
}
