package yellowbracket.colour;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;

/** A region of space that picks surface out of a model, in model coordinates, mm. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "shape")
@JsonSubTypes({@JsonSubTypes.Type(value = Patch.Box.class, name = "box"), @JsonSubTypes.Type(value = Patch.Around.class, name = "around")})
public sealed interface Patch {
    boolean holds(Vec3 p);

    /** All within a box. */
    record Box(Bounds3 bounds) implements Patch {
        @Override
        public boolean holds(Vec3 p) {
            return bounds.contains(p);
        }
    }

    /** All outside an upright elliptic column between two heights: a brim without the crown it goes round. */
    record Around(double middleY, double radiusX, double radiusY, double fromZ, double toZ) implements Patch {
        @Override
        public boolean holds(Vec3 p) {
            double x = p.x() / radiusX, y = (p.y() - middleY) / radiusY;
            return p.z() >= fromZ && p.z() <= toZ && x * x + y * y > 1;
        }
    }
}
