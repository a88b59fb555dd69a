package yellowbracket.size;

import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Feels from each point of a form for the wall along its normal, in one pose after another; poses that differ little cost the less. One
 * thread.
 */
final class Feeler {
    /** Beyond this nothing counts as the wall of a wearable. */
    private static final double REACH_MM = 160;
    /** How deep the head may stand in the wall before a hit behind it is taken for the other side of the hollow. */
    private static final double DEPTH_MM = 45;

    /** What a point's distance was measured to. */
    private enum To { NOTHING, AHEAD, BEHIND, WITHIN }

    private final HeadForm form;
    private final Cavity cavity;
    private final Bvh.Met[] ahead;
    private final Bvh.Met[] behind;
    private final To[] to;

    Feeler(HeadForm form, Cavity cavity) {
        this.form = form;
        this.cavity = cavity;
        int n = form.samples().size();
        ahead = new Bvh.Met[n];
        behind = new Bvh.Met[n];
        to = new To[n];
        for (int i = 0; i < n; i++) {
            ahead[i] = new Bvh.Met();
            behind[i] = new Bvh.Met();
            to[i] = To.NOTHING;
        }
    }

    /**
     * Distances of every {@code step}-th point, mm, by sample; NaN for the others and where nothing is met. Point and direction are brought
     * into the unscaled model; since the direction shrinks with it, distances along the ray stay real mm.
     */
    double[] mm(Vec3 scale, Pose pose, int step) {
        var out = new double[to.length];
        var rays = new Rays(scale, pose);
        for (int i = 0; i < out.length; i++) out[i] = i % step == 0 ? felt(i, rays.from(i), rays.along(i)) : Double.NaN;
        return out;
    }

    private double felt(int i, Vec3 from, Vec3 along) {
        var index = cavity.index();
        var front = ahead[i];
        boolean met = index.first(from, along, front);
        if (met && front.distance() <= REACH_MM && !front.fromInside()) {
            to[i] = To.AHEAD;
            return front.distance();
        }
        var back = behind[i];
        boolean metBehind = index.first(from, along.times(-1), back);
        boolean wallBehind = metBehind && back.distance() <= DEPTH_MM;
        if (met && front.fromInside()) {
            if (metBehind && back.fromInside()) { // starts within the material
                to[i] = wallBehind ? To.BEHIND : To.WITHIN;
                return wallBehind ? -back.distance() : -1;
            }
            // through a hole in the inner wall, on to the back of the outer one
            to[i] = front.distance() <= REACH_MM ? To.AHEAD : To.NOTHING;
            return front.distance() <= REACH_MM ? front.distance() : Double.NaN;
        }
        // nothing ahead: either an opening, or the point is already outside the outer wall
        to[i] = wallBehind && !back.fromInside() ? To.BEHIND : To.NOTHING;
        return to[i] == To.BEHIND ? -back.distance() : Double.NaN;
    }

    /** Distances in a pose near the last one felt, as if each point still met the plane that it met there. */
    double[] nearby(Vec3 scale, Pose pose) {
        var out = new double[to.length];
        var rays = new Rays(scale, pose);
        for (int i = 0; i < out.length; i++) out[i] = switch (to[i]) {
            case NOTHING -> Double.NaN;
            case WITHIN -> -1;
            case AHEAD -> cavity.index().toPlane(ahead[i], rays.from(i), rays.along(i));
            case BEHIND -> -cavity.index().toPlane(behind[i], rays.from(i), rays.along(i).times(-1));
        };
        return out;
    }

    /** From each point along its normal, in the unscaled model. */
    private final class Rays {
        private final Vec3 scale, moved;
        private final Turn turn;

        Rays(Vec3 scale, Pose pose) {
            this.scale = scale;
            turn = Turn.pitch(pose.pitchDeg());
            moved = new Vec3(0, pose.forwardMm(), pose.upMm());
        }

        Vec3 from(int i) {
            return unscaled(turn.apply(form.samples().get(i).point()).plus(moved));
        }

        Vec3 along(int i) {
            return unscaled(turn.apply(form.samples().get(i).normal()));
        }

        private Vec3 unscaled(Vec3 v) {
            return new Vec3(v.x() / scale.x(), v.y() / scale.y(), v.z() / scale.z());
        }
    }
}
