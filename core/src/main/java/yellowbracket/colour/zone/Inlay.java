package yellowbracket.colour.zone;

import java.awt.Shape;
import java.awt.geom.Line2D;
import java.awt.geom.PathIterator;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Vec3;

/** A flat shape laid on the surface as a zone, its outline split into the facets. Millimetres of the mesh. */
public final class Inlay {
    /** Outlines are followed so closely, mm; pieces at them are no larger than a share of the shape. */
    private static final double FLAT_MM = 0.02, FINE = 0.02, LEAST_MM = 0.25;
    /** Everywhere on a mark pieces are no larger than this share of it: distances run evenly over them. */
    private static final double EVEN = 0.12;

    private final Shape shape;
    private final List<Line2D> lines = new ArrayList<>();
    private final double reach;

    private Inlay(Shape shape) {
        this.shape = shape;
        double[] c = new double[6];
        double x = 0, y = 0, x0 = 0, y0 = 0, far = 0;
        for (var it = shape.getPathIterator(null, FLAT_MM); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            if (kind == PathIterator.SEG_MOVETO) {
                x0 = c[0];
                y0 = c[1];
            } else lines.add(kind == PathIterator.SEG_CLOSE ? new Line2D.Double(x, y, x0, y0) : new Line2D.Double(x, y, c[0], c[1]));
            x = kind == PathIterator.SEG_CLOSE ? x0 : c[0];
            y = kind == PathIterator.SEG_CLOSE ? y0 : c[1];
            far = Math.max(far, Math.hypot(x, y));
        }
        reach = far;
    }

    /** The surface with the shape on it. @param stretch the most a flat piece must give there, as a share */
    public record Laid(Painted painted, double stretch, double areaMm2) {}

    /** @param up which way is up on the shape */
    public static Laid lay(Painted p, Vec3 at, Vec3 up, Shape shape, int zone) {
        return new Inlay(shape).run(p, at, up, zone);
    }

    private Laid run(Painted p, Vec3 at, Vec3 up, int zone) {
        double fine = Math.max(LEAST_MM, FINE * reach), margin = 1.15 * reach + 2 * fine;
        double even = Math.max(fine, EVEN * reach);
        var near = Split.refined(p, now -> f -> close(now, f, at, margin) ? even : Double.POSITIVE_INFINITY);
        var ready = Split.refined(near, now -> {
            var c = Chart.of(now, at, up, margin);
            return f -> crossed(c, f) ? fine : Double.POSITIVE_INFINITY;
        });
        var chart = Chart.of(ready, at, up, margin);
        var m = ready.mesh();
        var field = new double[m.vertexCount()];
        Arrays.fill(field, Double.POSITIVE_INFINITY);
        for (int v = 0; v < field.length; v++) {
            double x = chart.u(v), y = chart.v(v);
            if (Double.isNaN(x)) continue;
            double d = distance(x, y);
            field[v] = shape.contains(x, y) ? -d : d;
        }
        var sides = Split.along(ready, field);
        var done = sides.painted().with(sides.inside(), zone);
        double area = 0;
        for (int f = 0; f < done.count(); f++) if (sides.inside()[f]) area += done.mesh().area(f);
        return new Laid(done.tidied(), stretch(chart, field), area);
    }

    /** All but a twentieth of the shape gives less: single slivers tell nothing. */
    private static double stretch(Chart chart, double[] field) {
        var m = chart.painted().mesh();
        var all = new ArrayList<double[]>();
        double sum = 0;
        for (int f = 0; f < chart.painted().count(); f++) {
            if (!chart.has(f)) continue;
            int inside = 0;
            for (int k = 0; k < 3; k++) if (field[m.vertex(f, k)] <= 0) inside++;
            if (inside < 3) continue;
            double a = m.area(f);
            sum += a;
            all.add(new double[] {chart.stretch(f), a});
        }
        all.sort((x, y) -> Double.compare(y[0], x[0]));
        double left = sum / 20;
        for (var x : all) {
            left -= x[1];
            if (left <= 0) return x[0];
        }
        return 0;
    }

    /** Whether a piece may lie within some distance of a place. */
    private static boolean close(Painted p, int f, Vec3 at, double mm) {
        return p.mesh().centroid(f).distance(at) - p.reach(f) <= mm;
    }

    private double distance(double x, double y) {
        double least = Double.POSITIVE_INFINITY;
        for (var l : lines) least = Math.min(least, l.ptSegDistSq(x, y));
        return Math.sqrt(least);
    }

    /** Whether the outline may run through a piece. */
    private boolean crossed(Chart c, int f) {
        var m = c.painted().mesh();
        double x = 0, y = 0, far = 0;
        for (int k = 0; k < 3; k++) {
            x += c.u(m.vertex(f, k)) / 3;
            y += c.v(m.vertex(f, k)) / 3;
        }
        if (Double.isNaN(x)) return false;
        for (int k = 0; k < 3; k++) far = Math.max(far, Math.hypot(c.u(m.vertex(f, k)) - x, c.v(m.vertex(f, k)) - y));
        return distance(x, y) <= far;
    }
}
