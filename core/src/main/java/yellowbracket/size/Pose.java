package yellowbracket.size;

import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * Where the head sits in the scaled prop: turned by {@code pitchDeg} about the ear axis (positive looks up), then moved forward and up, mm.
 */
public record Pose(double forwardMm, double upMm, double pitchDeg) {
    /** From head coordinates into the scaled prop's. */
    public Vec3 place(Vec3 head) {
        return Turn.pitch(pitchDeg).apply(head).plus(new Vec3(0, forwardMm, upMm));
    }

    /** From the scaled prop's coordinates into the head's. */
    public Vec3 inHead(Vec3 p) {
        return Turn.pitch(-pitchDeg).apply(p.minus(new Vec3(0, forwardMm, upMm)));
    }

    /** Carried along when the prop grows about its origin by {@code k}. */
    public Pose grown(double k) {
        return new Pose(forwardMm * k, upMm * k, pitchDeg);
    }

    public Vec3 direction(Vec3 head) {
        return Turn.pitch(pitchDeg).apply(head);
    }
}
