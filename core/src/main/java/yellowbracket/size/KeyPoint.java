package yellowbracket.size;

import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/** A named place of the model, in its coordinates before scaling: the top of a crest, a raised hand. */
public record KeyPoint(String name, Vec3 at) {
    public KeyPoint {
        Limits.named("a key point", name);
    }
}
