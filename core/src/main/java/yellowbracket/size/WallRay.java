package yellowbracket.size;

import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** How much room there is between something on a posed head and the shell around it, real mm. */
record WallRay(Bvh index, double scale, Pose pose) {
    /**
     * Room of a point that stands out of the head.
     * @param from where it stands on or in the head, {@code at} the point itself, head coordinates
     * @return to the nearest wall; negative by how far the point lies beyond the wall, seen from {@code from}
     */
    double roomMm(Vec3 from, Vec3 at) {
        double along = aheadMm(from, at.minus(from)) - at.distance(from);
        if (along < 0) return along;
        var p = pose.place(at).times(1 / scale);
        return Math.min(along, scale * index.closestQuery().distance(p.x(), p.y(), p.z()));
    }

    /** To the first wall from a point of the head along a direction of any length; infinite for none. */
    double aheadMm(Vec3 from, Vec3 direction) {
        var p = pose.place(from).times(1 / scale);
        var d = pose.direction(direction.unit());
        return scale * index.firstDistance(p.x(), p.y(), p.z(), d.x(), d.y(), d.z(), 0);
    }
}
