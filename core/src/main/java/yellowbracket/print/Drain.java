package yellowbracket.print;

import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/**
 * A drain hole through the wall of a hollow part.
 * @param at on the outside, model mm; @param inward unit direction into the hollow; @param wideMm across its flats, real mm; @param deepMm
 * from outside to inside, real mm
 */
public record Drain(Vec3 at, Vec3 inward, double wideMm, double deepMm) {
    public Drain {
        Limits.within("width of a drain hole, mm", wideMm, 0.5, 30);
        Limits.within("depth of a drain hole, mm", deepMm, 0.1, 200);
        if (!(Math.abs(inward.norm() - 1) < 1e-3)) throw new IllegalArgumentException("a drain hole needs a direction of length 1");
    }
}
