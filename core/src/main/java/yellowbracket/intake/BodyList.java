package yellowbracket.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.repair.MeshHealth;

/** The loose shells of a file's mesh, largest first, in the file's own unit. {@code bodyOf}: the number of the body of each triangle. */
public final class BodyList {
    /** One body: its number in the file, counts, signed volume, area and box in file units. */
    public record Entry(int number, int triangles, double volume, double area, boolean closed, boolean inverted, Bounds3 bounds) {
        /** The longest side of its box. */
        public double longest() {
            var s = bounds.size();
            return Math.max(s.x(), Math.max(s.y(), s.z()));
        }
    }

    private final List<Entry> entries;
    private final Bodies bodies;

    private BodyList(List<Entry> entries, Bodies bodies) {
        this.entries = entries;
        this.bodies = bodies;
    }

    public static BodyList of(Mesh file) {
        var health = MeshHealth.of(file);
        var list = new ArrayList<Entry>();
        for (int i = 0; i < health.bodies().size(); i++) {
            var b = health.bodies().get(i);
            list.add(new Entry(i, b.triangles(), b.volumeMm3(), b.areaMm2(), b.closed(), b.inverted(), b.bounds()));
        }
        list.sort(Comparator.comparingDouble(Entry::longest).reversed().thenComparing(Entry::number));
        return new BodyList(List.copyOf(list), Bodies.of(file));
    }

    public List<Entry> entries() {
        return entries;
    }

    public int bodyOf(int triangle) {
        return bodies.bodyOf(triangle);
    }

    /** Numbers of the bodies whose longest side is below {@code mm}, for a file in this unit. */
    public List<Integer> smallerThan(double mm, FileUnit unit) {
        return entries.stream().filter(e -> e.longest() * unit.mm() < mm).map(Entry::number).toList();
    }
}
