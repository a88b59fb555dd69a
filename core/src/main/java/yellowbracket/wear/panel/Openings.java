package yellowbracket.wear.panel;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.polygonize.Polygonizer;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.search.Threshold;

/**
 * Openings of a shell, seen from within: directions in which nothing is met, parted from each other by wall. The one the head comes through
 * is none of them. Round each the wall is read, the nearest surface a sheet can take is fitted to it, and on that surface the opening is
 * where a line straight outwards meets no wall: right for rims of any shape.
 *
 * @param findings openings that are there but cannot be closed by a sheet, each with the reason
 */
public record Openings(List<Opening> list, List<Finding> findings) {
    /** Directions are looked in so finely, degrees; the grid of elevation by azimuth. */
    private static final double STEP_DEG = 1.5;
    private static final int ROWS = (int) (180 / STEP_DEG), COLUMNS = (int) (360 / STEP_DEG);
    /** A smaller hole is a screw's or a fault, mm2. */
    private static final double LEAST_MM2 = 60;
    /** Wall beside an opening that is looked at, cells; how far beyond its rim a pattern is searched, mm. */
    private static final int BESIDE = 6;
    private static final double ROUND_MM = 9;
    /** Wall this near behind the surface closes it, mm. */
    private static final double WALL_MM = 14;
    private static final double GRID_MM = 1.6, EDGE_MM = 0.005, PLAIN_MM = 0.02;
    private static final int MOST_CELLS = 360, MOST_PLACES = 240;
    /** The wall goes on where it comes as near as this to where it would if it were flat, mm. */
    private static final double JUMP_MM = 4;

    public Openings {
        list = List.copyOf(list);
        findings = List.copyOf(findings);
    }

    /**
     * @param from amid the hollow, or behind a mask where the face is, prop mm
     * @param away where the head comes from: down for a helm, back for a mask
     */
    public static Openings of(ScaledShell shell, Vec3 from, Vec3 away, Progress progress) {
        if (shell.inside(from)) return new Openings(List.of(), List.of(Finding.note("the model is solid where the head would be")));
        var met = new double[ROWS * COLUMNS];
        var normal = new Vec3[met.length];
        IntStream.range(0, ROWS).parallel().forEach(r -> {
            for (int c = 0; c < COLUMNS; c++) {
                var d = direction(r, c);
                int i = r * COLUMNS + c;
                var hit = shell.first(from, d);
                met[i] = hit.map(Bvh.Hit::distance).orElse(Double.POSITIVE_INFINITY);
                if (hit.filter(h -> !h.fromInside() && shell.mesh().area(h.triangle()) > 1e-9).isPresent())
                    normal[i] = shell.mesh().areaVector(hit.get().triangle()).unit().times(-1);
            }
        });
        progress.check();
        var wall = wall(met, normal);
        var of = parts(wall);
        var list = new ArrayList<Opening>();
        var findings = new ArrayList<Finding>();
        int way = cell(away);
        int parts = java.util.Arrays.stream(of).max().orElse(0);
        for (int part = 1; part <= parts; part++) {
            progress.check();
            if (of[way] == part) continue;
            one(shell, from, new Seen(met, normal, wall), of, part, list, findings);
        }
        list.sort(Comparator.comparingDouble(Opening::areaMm2).reversed());
        return new Openings(named(list), findings);
    }

    private static Vec3 direction(int row, int column) {
        double e = Math.toRadians(-90 + STEP_DEG * (row + 0.5)), a = Math.toRadians(STEP_DEG * (column + 0.5));
        return new Vec3(Math.cos(e) * Math.sin(a), Math.cos(e) * Math.cos(a), Math.sin(e));
    }

    private static int cell(Vec3 d) {
        var u = d.unit();
        double e = Math.toDegrees(Math.asin(Math.clamp(u.z(), -1, 1))), a = (Math.toDegrees(Math.atan2(u.x(), u.y())) + 360) % 360;
        return Math.min(ROWS - 1, (int) ((e + 90) / STEP_DEG)) * COLUMNS + Math.min(COLUMNS - 1, (int) (a / STEP_DEG));
    }

    /** What each direction meets, the outward normal there (null where there is none), and whether it is the wall of the hollow. */
    private record Seen(double[] met, Vec3[] normal, boolean[] wall) {}

    /** The largest continuous surface in sight; what is seen beyond its edges, such as a brim, is another. */
    private static boolean[] wall(double[] met, Vec3[] normal) {
        var of = new int[met.length];
        int n = 0, best = 0;
        double most = 0;
        var queue = new ArrayDeque<Integer>();
        for (int i = 0; i < met.length; i++) {
            if (of[i] != 0 || normal[i] == null) continue;
            of[i] = ++n;
            queue.add(i);
            double solid = 0;
            while (!queue.isEmpty()) {
                int at = queue.poll();
                solid += weight(at);
                for (int b : beside(at)) if (of[b] == 0 && normal[b] != null && goesOn(at, b, met, normal)) {
                    of[b] = n;
                    queue.add(b);
                }
            }
            if (solid > most) {
                most = solid;
                best = n;
            }
        }
        var out = new boolean[met.length];
        for (int i = 0; i < out.length; i++) out[i] = best > 0 && of[i] == best;
        return out;
    }

    /** Whether the surface met at one of two cells, were it flat, comes near to what is met at the other. */
    private static boolean goesOn(int a, int b, double[] met, Vec3[] normal) {
        return off(a, b, met, normal) < JUMP_MM || off(b, a, met, normal) < JUMP_MM;
    }

    private static double off(int a, int b, double[] met, Vec3[] normal) {
        Vec3 da = direction(a / COLUMNS, a % COLUMNS), db = direction(b / COLUMNS, b % COLUMNS);
        double slant = normal[a].dot(db);
        return slant < 0.05 ? Double.POSITIVE_INFINITY : Math.abs(met[a] * normal[a].dot(da) / slant - met[b]);
    }

    private static double weight(int cell) {
        return Math.cos(Math.toRadians(-90 + STEP_DEG * (cell / COLUMNS + 0.5)));
    }

    /** Numbers of connected directions that leave the wall, from 1; 0 where it is met. */
    private static int[] parts(boolean[] wall) {
        var of = new int[wall.length];
        int n = 0;
        var queue = new ArrayDeque<Integer>();
        for (int i = 0; i < wall.length; i++) {
            if (of[i] != 0 || wall[i]) continue;
            of[i] = ++n;
            queue.add(i);
            while (!queue.isEmpty()) {
                int at = queue.poll();
                for (int b : beside(at)) if (of[b] == 0 && !wall[b]) {
                    of[b] = n;
                    queue.add(b);
                }
            }
        }
        return of;
    }

    /** The four cells beside; over a pole lies the cell opposite. */
    private static int[] beside(int cell) {
        int r = cell / COLUMNS, c = cell % COLUMNS;
        int over = (c + COLUMNS / 2) % COLUMNS;
        return new int[] {r * COLUMNS + (c + 1) % COLUMNS, r * COLUMNS + (c + COLUMNS - 1) % COLUMNS,
                r + 1 < ROWS ? cell + COLUMNS : r * COLUMNS + over, r > 0 ? cell - COLUMNS : r * COLUMNS + over};
    }

    private static void one(ScaledShell shell, Vec3 from, Seen seen, int[] of, int part, List<Opening> list, List<Finding> findings) {
        var depth = new HashMap<Integer, Integer>();
        var queue = new ArrayDeque<Integer>();
        double solid = 0;
        for (int i = 0; i < of.length; i++) if (of[i] == part) {
            depth.put(i, 0);
            queue.add(i);
            if (!Double.isFinite(seen.met[i])) solid += weight(i);
        }
        var places = new ArrayList<BestSurface.Place>();
        while (!queue.isEmpty()) {
            int at = queue.poll();
            int now = depth.get(at);
            var d = direction(at / COLUMNS, at % COLUMNS);
            // faces of the rim are seen along the wall
            if (now > 0 && seen.normal[at].dot(d) > 0.35)
                places.add(new BestSurface.Place(from.plus(d.times(seen.met[at])), seen.normal[at]));
            if (now == BESIDE) continue;
            for (int b : beside(at)) if (seen.wall[b] && depth.putIfAbsent(b, now + 1) == null) queue.add(b);
        }
        double rad = Math.toRadians(STEP_DEG), open = solid * rad * rad;
        if (places.isEmpty() || open * median(places, from) * median(places, from) < LEAST_MM2) return;
        var some = thinned(places);
        var fit = BestSurface.of(some, Vec3.Z);
        String where = where(middle(places).minus(from));
        if (fit.isEmpty()) {
            findings.add(Finding.note("the opening " + where + ": too little wall round it to lay a sheet on"));
            return;
        }
        outline(shell, fit.get(), places).ifPresentOrElse(p -> list.add(new Opening(where, fit.get().surface(), p, fit.get().mostMm())),
                () -> findings
                        .add(Finding.note("the opening " + where + " has no rim all round: its edge is no loop, so no sheet closes it")));
    }

    private static List<BestSurface.Place> thinned(List<BestSurface.Place> all) {
        int step = Math.max(1, all.size() / MOST_PLACES);
        return IntStream.range(0, all.size()).filter(i -> i % step == 0).mapToObj(all::get).toList();
    }

    private static double median(List<BestSurface.Place> places, Vec3 from) {
        var d = places.stream().mapToDouble(p -> p.at().distance(from)).sorted().toArray();
        return d[d.length / 2];
    }

    private static Vec3 middle(List<BestSurface.Place> places) {
        var sum = Vec3.ZERO;
        for (var p : places) sum = sum.plus(p.at());
        return sum.times(1.0 / places.size());
    }

    /** The largest patch of the surface that is open; empty when it runs out over the edge of what was looked at. */
    private static Optional<Polygon> outline(ScaledShell shell, BestSurface fit, List<BestSurface.Place> places) {
        var s = fit.surface();
        double u0 = 1e9, u1 = -1e9, v0 = 1e9, v1 = -1e9;
        for (var p : places) {
            var f = s.flat(p.at());
            u0 = Math.min(u0, f[0]);
            u1 = Math.max(u1, f[0]);
            v0 = Math.min(v0, f[1]);
            v1 = Math.max(v1, f[1]);
        }
        double step = Math.max(GRID_MM, Math.max(u1 - u0, v1 - v0) / MOST_CELLS);
        var grid = new OpenGrid(shell, s, fit.mostMm() + 0.3, u0 - ROUND_MM / 3, v0 - ROUND_MM / 3, step,
                (int) ((u1 - u0 + ROUND_MM) / step) + 2, (int) ((v1 - v0 + ROUND_MM) / step) + 2);
        return grid.largest();
    }

    /** Front, left, right, back, top, and upper or lower; a second one there is numbered. */
    private static String where(Vec3 d) {
        double az = Math.toDegrees(Math.atan2(d.x(), d.y())), el = Math.toDegrees(Math.asin(Math.clamp(d.z() / d.norm(), -1, 1)));
        if (el > 60) return "top";
        String side = Math.abs(az) < 18 ? "front" : Math.abs(az) > 135 ? "back" : az > 0 ? "right" : "left";
        return el > 28 ? "upper " + side : el < -28 ? "lower " + side : side;
    }

    private static List<Opening> named(List<Opening> list) {
        var seen = new HashMap<String, Integer>();
        return list.stream().map(o -> {
            int n = seen.merge(o.name(), 1, Integer::sum);
            return n == 1 ? o : new Opening(o.name() + " " + n, o.surface(), o.outline(), o.standsOffMm());
        }).toList();
    }

    /** Open or not on a grid of the surface, and the line between, found to {@link #EDGE_MM}. */
    private record OpenGrid(ScaledShell shell, Developable s, double behindMm, double u0, double v0, double step, int columns, int rows) {
        private static final GeometryFactory FLAT = new GeometryFactory();

        boolean open(double u, double v) {
            var n = s.normal(u, v);
            return !shell.blocked(s.at(u, v).minus(n.times(behindMm)), n, WALL_MM + behindMm);
        }

        Optional<Polygon> largest() {
            var open = new boolean[rows * columns];
            IntStream.range(0, rows).parallel().forEach(r -> {
                for (int c = 0; c < columns; c++) open[r * columns + c] = open(u0 + c * step, v0 + r * step);
            });
            var lines = new ArrayList<LineString>();
            var known = new HashMap<Long, Coordinate>();
            for (int r = 0; r + 1 < rows; r++) for (int c = 0; c + 1 < columns; c++) {
                int a = r * columns + c, b = a + 1, d = a + columns, e = d + 1;
                cut(a, b, e, open, known, lines);
                cut(a, e, d, open, known, lines);
            }
            var rings = new Polygonizer();
            rings.add(lines);
            Polygon best = null;
            for (var o : rings.getPolygons()) {
                var shellOnly = FLAT.createPolygon(((Polygon) o).getExteriorRing().getCoordinates());
                var in = ((Polygon) o).getInteriorPoint();
                if (open(in.getX(), in.getY()) && shellOnly.getArea() >= LEAST_MM2
                        && (best == null || shellOnly.getArea() > best.getArea()))
                    best = shellOnly;
            }
            return Optional.ofNullable(best).map(p -> sharp((Polygon) DouglasPeuckerSimplifier.simplify(p, PLAIN_MM)));
        }

        /** Corners that the grid cut off are put back where the sides beside them meet, if it is open there. */
        private Polygon sharp(Polygon p) {
            var c = new ArrayList<>(java.util.Arrays.asList(p.getExteriorRing().getCoordinates()));
            c.removeLast();
            for (int i = 0; i < c.size() && c.size() > 4; i++) {
                int n = c.size();
                Coordinate a = c.get((i + n - 1) % n), b = c.get(i), d = c.get((i + 1) % n), e = c.get((i + 2) % n);
                if (b.distance(d) > 1.5 * step || a.distance(b) < b.distance(d) || d.distance(e) < b.distance(d)) continue;
                var x = org.locationtech.jts.algorithm.Intersection.intersection(a, b, e, d);
                if (x == null || x.distance(b) > 1.5 * step || x.distance(d) > 1.5 * step || x.distance(a) < b.distance(a)) continue;
                // a hair within
                double k = 0.1 / Math.max(0.1, x.distance(new Coordinate((b.x + d.x) / 2, (b.y + d.y) / 2)));
                if (k > 1 || !open(x.x + ((b.x + d.x) / 2 - x.x) * k, x.y + ((b.y + d.y) / 2 - x.y) * k)) continue;
                c.set(i, x);
                c.remove((i + 1) % n);
            }
            c.add(new Coordinate(c.getFirst()));
            var out = FLAT.createPolygon(c.toArray(Coordinate[]::new));
            return out.isValid() ? out : p;
        }

        /** The line across one triangle of the grid. */
        private void cut(int a, int b, int c, boolean[] open, Map<Long, Coordinate> known, List<LineString> out) {
            if (open[a] == open[b] && open[b] == open[c]) return;
            var ends = new ArrayList<Coordinate>(2);
            for (var e : new int[][] {{a, b}, {b, c}, {c, a}})
                if (open[e[0]] != open[e[1]]) ends.add(known.computeIfAbsent(key(e[0], e[1]), k -> edge(e[0], e[1], open)));
            if (ends.size() == 2 && !ends.get(0).equals2D(ends.get(1))) out.add(FLAT.createLineString(ends.toArray(Coordinate[]::new)));
        }

        private static long key(int a, int b) {
            return (long) Math.min(a, b) << 32 | Math.max(a, b);
        }

        private Coordinate edge(int a, int b, boolean[] open) {
            int from = open[a] ? b : a, to = open[a] ? a : b;
            double fu = u0 + from % columns * step, fv = v0 + from / columns * step, tu = u0 + to % columns * step,
                    tv = v0 + to / columns * step;
            double k = Threshold.between(0, 1, EDGE_MM / step, x -> open(fu + (tu - fu) * x, fv + (tv - fv) * x));
            return new Coordinate(fu + (tu - fu) * k, fv + (tv - fv) * k);
        }
    }
}
