package yellowbracket.colour.zone;

import yellowbracket.mesh.Mesh;

/** Moves the border of a zone: outwards, inwards, or straight where it is ragged. Millimetres along the surface. */
public final class Outline {
    /** Pieces at the new border, as a share of the way it moves. */
    private static final double FINE = 0.35;
    /** Steps of evening out; each reaches about an edge further. */
    private static final int ROUNDS = 12;

    private Outline() {}

    /** The zone reaches further by {@code mm} all round; less than 0 draws it back, and what it leaves goes to its neighbours. */
    public static Painted grown(Painted p, int zone, double mm) {
        if (!(Math.abs(mm) < 1e3)) throw new IllegalArgumentException("a border moves by less than 1 m, not by " + mm + " mm");
        if (mm == 0) return p;
        double reach = Math.abs(mm);
        var fine = Split.refined(p, sizing(zone, 1.2 * reach, FINE * reach));
        var field = signed(fine, zone, 1.5 * reach);
        for (int v = 0; v < field.length; v++) field[v] -= mm;
        return taken(Split.along(fine, field), zone).tidied();
    }

    /**
     * The border of a zone without steps and teeth narrower than about {@code mm}. Corners between three zones and real corners are rounded
     * by as much.
     */
    public static Painted smoothed(Painted p, int zone, double mm) {
        if (!(mm > 0 && mm < 1e3)) throw new IllegalArgumentException("width of what is evened out must be above 0 mm, was " + mm);
        var fine = Split.refined(p, sizing(zone, mm, FINE * mm));
        var field = signed(fine, zone, 3 * mm);
        even(fine, field, 2.5 * mm);
        return taken(Split.along(fine, field), zone).tidied();
    }

    /** Where the zone goes is its own; what it left goes to its neighbours. */
    private static Painted taken(Split.Sides sides, int zone) {
        var now = sides.painted();
        var in = sides.inside();
        var left = Region.given(now, zone, f -> now.zone(f) == zone && !in[f]);
        return left.with(f -> in[f] ? zone : left.zone(f));
    }

    /** Pieces at the border are fine where the border goes on to, not elsewhere. */
    private static Split.Sizing sizing(int zone, double reachMm, double fineMm) {
        return now -> {
            var d = unsigned(now, zone, reachMm);
            var m = now.mesh();
            return f -> {
                double least = Math.min(d[m.vertex(f, 0)], Math.min(d[m.vertex(f, 1)], d[m.vertex(f, 2)]));
                return least <= reachMm ? fineMm : Double.POSITIVE_INFINITY;
            };
        };
    }

    /** From the border of a zone, mm along the surface, at the vertices; infinite beyond the reach. */
    private static double[] unsigned(Painted p, int zone, double reachMm) {
        var front = new Geodesic(p, Geodesic.From.LINE, reachMm);
        var m = p.mesh();
        var adjacency = p.adjacency();
        for (int f = 0; f < p.count(); f++) {
            if (p.zone(f) != zone) continue;
            for (int k = 0; k < 3; k++) {
                int across = adjacency.across(3 * f + k);
                if (across < 0 || p.zone(across / 3) == zone) continue;
                front.source(m.vertex(f, k), 0).source(m.vertex(f, (k + 1) % 3), 0);
            }
        }
        return front.run();
    }

    /** The same, less than 0 within the zone. */
    private static double[] signed(Painted p, int zone, double reachMm) {
        var d = unsigned(p, zone, reachMm);
        var m = p.mesh();
        var within = new boolean[d.length];
        for (int f = 0; f < p.count(); f++) if (p.zone(f) == zone) for (int k = 0; k < 3; k++) within[m.vertex(f, k)] = true;
        for (int v = 0; v < d.length; v++) if (within[v]) d[v] = -d[v];
        return d;
    }

    /** Each vertex near the border takes the mean of those around it, weighed by nearness, again and again. */
    private static void even(Painted p, double[] field, double bandMm) {
        Mesh m = p.mesh();
        var around = p.around();
        var band = java.util.stream.IntStream.range(0, field.length).filter(v -> Math.abs(field[v]) < bandMm).toArray();
        var next = new double[band.length];
        for (int round = 0; round < ROUNDS; round++) {
            for (int i = 0; i < band.length; i++) {
                int v = band[i];
                double sum = 0, weights = 0;
                for (int j = around.from(v); j < around.from(v + 1); j++) {
                    int f = around.facet(j);
                    for (int k = 0; k < 3; k++) {
                        int u = m.vertex(f, k);
                        if (u == v || !(Math.abs(field[u]) < Double.POSITIVE_INFINITY)) continue;
                        double w = 1 / Math.max(1e-9, m.point(u).distance(m.point(v)));
                        sum += w * field[u];
                        weights += w;
                    }
                }
                next[i] = weights > 0 ? (field[v] + sum / weights) / 2 : field[v];
            }
            for (int i = 0; i < band.length; i++) field[band[i]] = next[i];
        }
    }
}
