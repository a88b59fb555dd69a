package yellowbracket.mesh.repair;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** Where faults that are no edges lie, in a few words each and far enough apart to be shown beside the model: a bounded number, mm. */
public final class FaultPlaces {
    /** A spot and what is wrong there. */
    public record Place(Vec3 at, String words) {}

    /** Places shown of one kind, apart by this share of the model. */
    private static final int MOST_OF_A_KIND = 3;
    private static final double APART = 0.15;

    private final Mesh mesh;
    private final List<Place> places = new ArrayList<>();

    private FaultPlaces(Mesh mesh) {
        this.mesh = mesh;
    }

    public static List<Place> of(Mesh mesh, MeshHealth health, Overlaps overlaps) {
        var found = new FaultPlaces(mesh);
        if (health.duplicateTriangles() > 0) found.facets(Flaws.duplicate(mesh), "stands twice");
        if (health.degenerateTriangles() > 0) found.facets(Flaws.degenerate(mesh), "no area");
        if (health.flippedBodies() > 0) found.inverted(health);
        for (int f : overlaps.places()) found.add(mesh.centroid(f), "bodies cross");
        return List.copyOf(found.places);
    }

    private void facets(boolean[] bad, String words) {
        for (int f = 0; f < bad.length; f++) if (bad[f]) add(mesh.centroid(f), words);
    }

    /** A facet of each inverted body, near its box's middle height so that it is in view. */
    private void inverted(MeshHealth health) {
        var bodies = Bodies.of(mesh);
        for (int b = 0; b < health.bodies().size(); b++) {
            if (!health.bodies().get(b).inverted()) continue;
            double middle = health.bodies().get(b).bounds().centre().z();
            int best = -1;
            for (int f = 0; f < mesh.triangleCount(); f++) if (bodies.bodyOf(f) == b
                    && (best < 0 || Math.abs(mesh.centroid(f).z() - middle) < Math.abs(mesh.centroid(best).z() - middle)))
                best = f;
            add(mesh.centroid(best), "inside out");
        }
    }

    private void add(Vec3 at, String words) {
        double apart = APART * mesh.bounds().diagonal();
        if (places.stream().filter(p -> p.words.equals(words)).count() < MOST_OF_A_KIND
                && places.stream().noneMatch(p -> p.words.equals(words) && p.at.distance(at) < apart))
            places.add(new Place(at, words));
    }
}
