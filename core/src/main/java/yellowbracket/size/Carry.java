package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.PlaneSlice;
import yellowbracket.shop.Wearer;

/**
 * A prop that is carried: how long against the wearer, where it balances, how thick it is where the hand takes it, and whether it goes
 * through a door and into a car. Body proportions after Drillis and
 * Contini, "Body segment parameters", 1966 (shoulder 0.818, fist of the hanging arm 0.42, upward grip 1.22, forward grip 0.41 of the body
 * height). Lengths mm, of the scaled prop; the long way is its longest axis.
 */
public record Carry(double lengthMm, int axis, double balanceMm, double gripAtMm, double gripThickMm, double handHeightMm,
        double shoulderMm, double upReachMm, double forwardReachMm, List<Finding> findings) {
    /** Shares of body height: shoulder, fist, how far up and forward one grips; starting values for adults. */
    private static final double SHOULDER = 0.818, FIST = 0.42, UP_GRIP = 1.22, FORWARD_GRIP = 0.41;
    /** A low house door less the threshold, mm. */
    public static final double DOOR_MM = 1960;
    /** From the tailgate to the front seats of a small car, mm. */
    public static final double CAR_MM = 1450;
    /** A hand closes well round these, mm. */
    private static final double THIN_GRIP_MM = 22, THICK_GRIP_MM = 48;

    public static Carry of(Mesh model, Bvh index, double scale, Wearer wearer) {
        var size = model.bounds().size();
        int axis = size.z() >= size.x() && size.z() >= size.y() ? 2 : size.x() >= size.y() ? 0 : 1;
        double length = size.get(axis) * scale, low = model.bounds().min().get(axis);
        double hand = FIST * wearer.standingMm(), balance = (middle(model).get(axis) - low) * scale;
        // a staff stands on the ground and is held at hand height; anything shorter is held near where it balances
        double grip = length > 1.15 * hand ? hand : Math.clamp(balance, 0.05 * length, 0.95 * length);
        double thick = thickness(model, index, axis, low + grip / scale) * scale;
        var out = new ArrayList<Finding>();
        if (length > DOOR_MM) out.add(Finding
                .of(Weight.CARE, Subject.WHOLE,
                        text("carried upright it does not clear a door of %.2f m: lower it, or make it come apart", DOOR_MM / 1000))
                .fixedBy(SizeWish.scaleTo(DOOR_MM / (length / scale) * 0.98)));
        if (length > CAR_MM) out.add(Finding.of(Weight.NOTE, Subject.WHOLE,
                text("it does not lie flat in a small car (%.2f m): plan a joint that opens, or a roof rack", CAR_MM / 1000)));
        if (thick < THIN_GRIP_MM) out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                text("%.0f mm thick where it is held: cramps the hand and snaps; sleeve it over a rod", thick)));
        if (thick > THICK_GRIP_MM) out.add(Finding.of(Weight.NOTE, Subject.WHOLE,
                text("%.0f mm thick where it is held: more than a fist closes round; give it a grip", thick)));
        if (Math.abs(balance - grip) > 0.22 * length)
            out.add(Finding.of(Weight.NOTE, Subject.WHOLE, text("it balances %.0f mm %s the hand: it will tip; weight the other end",
                    Math.abs(balance - grip), balance > grip ? "above" : "below")));
        return new Carry(length, axis, balance, grip, thick, hand, SHOULDER * wearer.standingMm(), UP_GRIP * wearer.standingMm(),
                FORWARD_GRIP * wearer.standingMm(), List.copyOf(out));
    }

    /** The scale at which the top of the standing prop is {@code heightMm} up. */
    public double scaleFor(double heightMm, double scaleNow) {
        return ScaleReference.twoPoints(lengthMm / scaleNow, heightMm);
    }

    /** The middle of the volume, or of the corners where the surface encloses none. */
    private static Vec3 middle(Mesh m) {
        var sum = Vec3.ZERO;
        double volume = 0;
        var o = m.bounds().centre();
        for (int f = 0; f < m.triangleCount(); f++) {
            var a = m.corner(f, 0).minus(o);
            var b = m.corner(f, 1).minus(o);
            var c = m.corner(f, 2).minus(o);
            double v = a.dot(b.cross(c));
            volume += v;
            sum = sum.plus(a.plus(b).plus(c).times(v / 4));
        }
        return Math.abs(volume) < 1e-6 ? o : o.plus(sum.times(1 / volume));
    }

    /** The outline's length over pi: what a tape laid round it would give as a diameter. */
    private static double thickness(Mesh m, Bvh index, int axis, double at) {
        return PlaneSlice.of(m, index, Vec3.axis(axis), at).lengthMm() / Math.PI;
    }

    private static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
