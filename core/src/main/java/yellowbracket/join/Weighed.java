package yellowbracket.join;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** A section or a body of its own with its weight and where that acts, real mm. */
public record Weighed(String name, double grams, Vec3 at) {
    /**
     * Printed: walls weigh along the surface, the rest through the inside.
     * @param grams of the print without its support @param wallMm thickness of all walls together @param density g/cm3
     */
    public static Weighed of(String name, Mesh m, double grams, double wallMm, double density) {
        double area = 0;
        var sum = Vec3.ZERO;
        for (int f = 0; f < m.triangleCount(); f++) {
            double a = m.area(f);
            area += a;
            sum = sum.plus(m.centroid(f).times(a));
        }
        if (!(area > 0)) return new Weighed(name, grams, m.bounds().centre());
        double walls = Math.min(grams, area * wallMm * density / 1000);
        var surface = sum.times(1 / area);
        var inside = m.centreOfMass();
        // an open mesh has no inside to speak of
        if (!(inside.distance(m.bounds().centre()) < m.bounds().diagonal())) inside = surface;
        return new Weighed(name, grams, grams <= 0 ? inside : surface.times(walls / grams).plus(inside.times(1 - walls / grams)));
    }
}
