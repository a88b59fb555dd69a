package yellowbracket.colour.zone;

/** Pieces small enough near sharp edges to show what happens there; zones stay where they are. */
public final class Finer {
    private Finer() {}

    /** No edge longer than some mm. */
    public static Painted all(Painted p, double mm) {
        return Split.refined(p, now -> f -> mm);
    }

    /** @param deg bends sharper than this count @param reachMm how far from them @param mm no longer edge is left there */
    public static Painted atEdges(Painted p, double deg, double reachMm, double mm) {
        double cos = Math.cos(Math.toRadians(deg));
        return Split.refined(p, now -> {
            var m = now.mesh();
            var adjacency = now.adjacency();
            var front = new Geodesic(now, Geodesic.From.LINE, reachMm);
            for (int c = 0; c < 3 * now.count(); c++) {
                int across = adjacency.across(c);
                if (across < c || now.facet(c / 3) == now.facet(across / 3)) continue;
                var a = m.areaVector(c / 3);
                var b = m.areaVector(across / 3);
                if (a.dot(b) >= cos * a.norm() * b.norm()) continue;
                front.source(m.vertex(c / 3, c % 3), 0).source(m.vertex(c / 3, (c % 3 + 1) % 3), 0);
            }
            var d = front.run();
            return f -> Math.min(d[m.vertex(f, 0)], Math.min(d[m.vertex(f, 1)], d[m.vertex(f, 2)])) <= reachMm ? mm
                    : Double.POSITIVE_INFINITY;
        });
    }
}
