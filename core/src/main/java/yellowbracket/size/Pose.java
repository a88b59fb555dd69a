package yellowbracket.size;

import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/** Where the head sits in the scaled prop: turned by {@code pitchDeg} about the ear axis (positive looks up), then moved forward and up, mm. */
public record Pose(double forwardMm, double upMm, double pitchDeg) {
    /** From head coordinates into the scaled prop's. */
    public Vec3 place(Vec3 head) {
        return Turn.pitch(pitchDeg).apply(head).plus(new Vec3(0, forwardMm, upMm));
    }

    public Vec3 direction(Vec3 head) {
        return Turn.pitch(pitchDeg).apply(head);
    }
}
