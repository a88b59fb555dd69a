package yellowbracket.colour;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Where the spray for one zone lands beside it: the gun stands off each part of the zone along its normal, or as near as there is room, and
 * its cone is followed to whatever it meets first: round corners, into recesses, through openings. What is met lies in cells; a cell that
 * the spray meets is to be covered where it looks at the gun. mm2 by zone number.
 */
public record Overspray(Map<Integer, Double> mm2) {
    /** Of the nozzle from the surface, and no nearer than that; mm. */
    private static final double GUN_MM = 220, LEAST_GUN_MM = 40;
    /** Beyond this no mist settles that shows, mm from the gun. */
    private static final double REACH_MM = 420;
    /** Half angle of the cone with its fringe: 80 mm beside the middle at the distance of the gun. */
    private static final double HALF_DEG = 20;
    /** Guns stand so far apart, cells are so large: a mask is cut no finer, mm. */
    private static final double CELL_MM = 18;
    private static final int RAYS = 48;
    private static final List<double[]> CONE = cone();

    public Overspray {
        mm2 = Map.copyOf(mm2);
    }

    /** @param p real mm @param index of its mesh @param zone that is sprayed */
    public static Overspray of(Painted p, Bvh index, int zone) {
        var m = p.mesh();
        var guns = new HashMap<Long, Integer>();
        for (int f = 0; f < p.count(); f++) if (p.zone(f) == zone && m.area(f) > 0) {
            int one = f;
            guns.merge(cell(m.centroid(f)), f, (a, b) -> m.area(a) >= m.area(one) ? a : one);
        }
        var met = guns.values().parallelStream().map(f -> met(p, index, zone, f)).reduce(new HashSet<>(), Overspray::joined);
        var out = new TreeMap<Integer, Double>();
        for (int f = 0; f < p.count(); f++) {
            if (p.zone(f) == zone || !met.contains(key(cell(m.centroid(f)), side(m.areaVector(f))))) continue;
            out.merge(p.zone(f), m.area(f), Double::sum);
        }
        return new Overspray(out);
    }

    private static Set<Long> joined(Set<Long> a, Set<Long> b) {
        var out = new HashSet<>(a);
        out.addAll(b);
        return out;
    }

    private static Set<Long> met(Painted p, Bvh index, int zone, int f) {
        var m = p.mesh();
        var n = m.areaVector(f).unit();
        var at = m.centroid(f);
        double room = index.firstDistance(at.x(), at.y(), at.z(), n.x(), n.y(), n.z(), 1e-3);
        double off = Math.clamp(0.9 * room, LEAST_GUN_MM, GUN_MM);
        var out = new HashSet<Long>();
        if (room < LEAST_GUN_MM) return out;
        var gun = at.plus(n.times(off));
        var u = Math.abs(n.z()) < 0.9 ? n.cross(Vec3.Z).unit() : n.cross(Vec3.X).unit();
        var v = n.cross(u);
        for (var c : CONE) {
            var d = n.times(-c[2]).plus(u.times(c[0])).plus(v.times(c[1]));
            var hit = index.first(gun, d);
            if (hit.isEmpty() || hit.get().distance() > REACH_MM || hit.get().fromInside()) continue;
            int g = hit.get().triangle();
            if (p.zone(g) != zone) out.add(key(cell(gun.plus(d.times(hit.get().distance()))), side(m.areaVector(g))));
        }
        return out;
    }

    /** Directions evenly over a cap, the middle along the third. */
    private static List<double[]> cone() {
        var out = new ArrayList<double[]>();
        double low = Math.cos(Math.toRadians(HALF_DEG)), golden = Math.PI * (3 - Math.sqrt(5));
        for (int i = 0; i < RAYS; i++) {
            double z = 1 - (1 - low) * (i + 0.5) / RAYS, r = Math.sqrt(1 - z * z);
            out.add(new double[] {r * Math.cos(golden * i), r * Math.sin(golden * i), z});
        }
        return out;
    }

    private static long cell(Vec3 p) {
        return (long) Math.floor(p.x() / CELL_MM) & 0xFFFFF | ((long) Math.floor(p.y() / CELL_MM) & 0xFFFFF) << 20
                | ((long) Math.floor(p.z() / CELL_MM) & 0xFFFFF) << 40;
    }

    /** Which of eight ways a facet looks: both sides of a thin wall lie in one cell. */
    private static int side(Vec3 n) {
        return (n.x() > 0 ? 1 : 0) | (n.y() > 0 ? 2 : 0) | (n.z() > 0 ? 4 : 0);
    }

    private static long key(long cell, int side) {
        return cell * 8 + side;
    }

    public double mm2(int zone) {
        return mm2.getOrDefault(zone, 0.0);
    }

    /** For every zone there is, in parallel. */
    public static Map<Integer, Overspray> all(Painted p) {
        var index = Bvh.of(p.mesh());
        var out = new TreeMap<Integer, Overspray>();
        IntStream.range(0, p.count()).map(p::zone).distinct().sorted().forEach(z -> out.put(z, of(p, index, z)));
        return out;
    }
}
