package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.locationtech.jts.algorithm.construct.MaximumInscribedCircle;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.operation.linemerge.LineMerger;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Tensor;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.PlaneSlice;
import yellowbracket.mesh.measure.SliceMoments;

/**
 * Where a slender section snaps first, between its joints: sliced across its own axis every {@link #STEP_MM}, each slice as it is printed,
 * under the same loads as the joints. Lengths mm, stress MPa.
 * @param areaMm2 printed, infill counted by its stiffness; {@code modulusMm3} of the slice about its weaker axis
 * @param low  what the print bears over the stress, at least; {@code high} at best
 * @param walls with how many it would bear enough; empty where even {@link #MOST_WALLS} do not; {@code infill} 0 to 1, with the walls it
 *        has, likewise
 * @param widestMm a round hole of this diameter has room in the middle, its own wall left
 */
public record Weakest(String section, Vec3 at, Vec3 axis, double areaMm2, double modulusMm3, double stressMpa, double low, double high,
        Loads.Demand demand, Optional<Integer> walls, Optional<Double> infill, double widestMm, Profile profile) {
    public static final double STEP_MM = 2;
    /** So many times as long as wide is slender. */
    private static final double SLENDER = 2;
    /** Places looked at closely in a section, and how far apart, mm. */
    private static final int LOOKED_AT = 3;
    private static final double APART_MM = 12;
    private static final int MOST_WALLS = 8;
    /** Between a bore and the outside, mm. */
    public static final double BORE_WALL_MM = 1.2;
    /** Of tested strength a print has at least, and at best: layers, moisture, notches. */
    private static final double LEAST = 0.6, BEST = 1;
    /** At the ends the joint decides, mm. */
    private static final double END_MM = 3;
    private static final GeometryFactory LATTICE = new GeometryFactory(new PrecisionModel(1e5));

    /**
     * How a section is printed.
     * @param up of the print, in the prop's axes @param tensileMpa in the layer, {@code layers}: the share of it across layers
     */
    public record Printed(int walls, double lineMm, double infill, Vec3 up, double tensileMpa, double layers) {
        /** What it bears pulled along a direction, MPa. */
        double along(Vec3 way) {
            double c = up.dot(way);
            return tensileMpa * (1 - (1 - layers) * c * c);
        }

        /** A sparse filling is as stiff as the square of what it fills. */
        double filling() {
            return infill * infill;
        }

        private Printed filledTo(double share) {
            return new Printed(walls, lineMm, share, up, tensileMpa, layers);
        }
    }

    /**
     * About how the stress runs along a section, for drawing: its share of the highest, in equal steps from {@code from} along the axis.
     * @param from and {@code step} mm
     */
    public record Profile(double from, double step, double[] share) {}

    /** Nothing for a section that is not slender, or hangs together round about. */
    static Optional<Weakest> of(String name, Mesh m, Printed printed, List<Weighed> parts, List<Loads.Joined> joints, List<LoadCase> cases,
            double reserve) {
        var axis = axis(m);
        var own = parts.stream().filter(p -> p.name().equals(name)).findFirst();
        if (axis.isEmpty() || own.isEmpty()) return Optional.empty();
        return new Scan(name, m, axis.get(), printed, own.get(), parts, joints, cases, reserve).run();
    }

    /** The long way of something slender. */
    static Optional<Vec3> axis(Mesh m) {
        var middle = Vec3.ZERO;
        double area = 0;
        for (int f = 0; f < m.triangleCount(); f++) {
            double a = m.area(f);
            area += a;
            middle = middle.plus(m.centroid(f).times(a));
        }
        if (!(area > 0)) return Optional.empty();
        middle = middle.times(1 / area);
        var spread = Tensor.ZERO;
        for (int f = 0; f < m.triangleCount(); f++) {
            var p = m.centroid(f).minus(middle);
            spread = spread.plus(Tensor.outer(p, p).times(m.area(f)));
        }
        var way = spread.direction();
        double along = extent(m, way), across = 0;
        Vec3 u = way.cross(Math.abs(way.x()) < 0.8 ? Vec3.X : Vec3.Y).unit(), v = way.cross(u);
        for (int i = 0; i < 4; i++)
            across = Math.max(across, extent(m, u.times(Math.cos(i * Math.PI / 4)).plus(v.times(Math.sin(i * Math.PI / 4)))));
        return along > SLENDER * across ? Optional.of(way) : Optional.empty();
    }

    private static double extent(Mesh m, Vec3 way) {
        double lo = Double.POSITIVE_INFINITY, hi = Double.NEGATIVE_INFINITY;
        for (int v = 0; v < m.vertexCount(); v++) {
            double h = way.x() * m.x(v) + way.y() * m.y(v) + way.z() * m.z(v);
            lo = Math.min(lo, h);
            hi = Math.max(hi, h);
        }
        return hi - lo;
    }

    /** The widest round hole a face has room for with so much wall left, mm. */
    static double room(Geometry face, double wall) {
        return face.isEmpty() ? 0 : Math.max(0, 2 * (new MaximumInscribedCircle(face, 0.1).getRadiusLine().getLength() - wall));
    }

    /** What a plane meets of a closed mesh, as a face. */
    static MatingFace slice(Mesh m, Bvh index, CutPlane plane) {
        var seg = PlaneSlice.of(m, index, plane.normal(), plane.offsetMm()).segments();
        var flat = new MatingFace(plane, LATTICE.createPolygon());
        var lines = new LineMerger();
        for (int i = 0; i < seg.length; i += 6) {
            Coordinate a = lattice(flat.flat(new Vec3(seg[i], seg[i + 1], seg[i + 2]))),
                    b = lattice(flat.flat(new Vec3(seg[i + 3], seg[i + 4], seg[i + 5])));
            if (!a.equals2D(b)) lines.add(LATTICE.createLineString(new Coordinate[] {a, b}));
        }
        var rings = new ArrayList<Geometry>();
        for (Object o : lines.getMergedLineStrings()) {
            var r = (LineString) o;
            if (r.isClosed() && r.getNumPoints() > 3) rings.add(LATTICE.createPolygon(r.getCoordinates()).buffer(0));
        }
        rings.sort(Comparator.comparingDouble(Geometry::getArea).reversed());
        Geometry sum = LATTICE.createPolygon();
        for (var r : rings) sum = sum.isEmpty() ? r : sum.symDifference(r);
        return new MatingFace(plane, sum);
    }

    private static Coordinate lattice(Coordinate c) {
        LATTICE.getPrecisionModel().makePrecise(c);
        return c;
    }

    private record Scan(String name, Mesh m, Vec3 axis, Printed printed, Weighed own, List<Weighed> parts, List<Loads.Joined> joints,
            List<LoadCase> cases, double reserve) {
        private static final String BEYOND = "its other end"; // no section is called so

        Optional<Weakest> run() {
            double lo = Double.POSITIVE_INFINITY, hi = Double.NEGATIVE_INFINITY;
            for (int v = 0; v < m.vertexCount(); v++) {
                double h = axis.dot(m.point(v));
                lo = Math.min(lo, h);
                hi = Math.max(hi, h);
            }
            int n = (int) Math.floor((hi - lo - 2 * END_MM) / STEP_MM);
            if (n < 2) return Optional.empty();
            double low = lo + END_MM;
            var offsets = IntStream.range(0, n).mapToDouble(i -> low + i * STEP_MM + 1e-4).toArray();
            var frame = new CutPlane(axis, 0).frame();
            var slices = SliceMoments.across(List.of(m), axis, frame.first(), frame.second(), offsets);
            var area = new double[n];
            var modulus = new double[n];
            for (int i = 0; i < n; i++) {
                area[i] = slices.areaMm2(i);
                modulus[i] = slices.modulusMm3(i);
            }
            var index = Bvh.of(m);
            Weakest worst = null;
            var rough = new double[n];
            for (int i : suspects(offsets, area, modulus, rough)) {
                var w = at(index, offsets, area, i, rough);
                if (w != null && (worst == null || w.low < worst.low)) worst = w;
            }
            return Optional.ofNullable(worst);
        }

        /** Where rough sums make the stress highest, some way apart, and where it is held or lies. */
        private List<Integer> suspects(double[] offsets, double[] area, double[] modulus, double[] rough) {
            int n = offsets.length;
            double all = 0, moment = 0;
            for (int i = 0; i < n; i++) {
                all += area[i];
                moment += area[i] * offsets[i];
            }
            var most = new double[n];
            var least = new double[n];
            double below = 0, at = 0;
            for (int i = 0; i < n; i++) {
                below += area[i];
                at += area[i] * offsets[i];
                double k = all > 0 ? own.grams() / all : 0, up = k * (moment - at - (all - below) * offsets[i]),
                        down = k * (below * offsets[i] - at);
                for (var p : parts) {
                    double off = axis.dot(p.at()) - offsets[i];
                    if (!p.name().equals(name) && off > 0) up += p.grams() * off;
                    else if (!p.name().equals(name)) down -= p.grams() * off;
                }
                most[i] = modulus[i] > 0 ? Math.max(up, down) / modulus[i] : 0;
                least[i] = modulus[i] > 0 ? Math.min(up, down) / modulus[i] : 0;
            }
            var out = new ArrayList<Integer>();
            highest(offsets, most, LOOKED_AT, out);
            double top = java.util.Arrays.stream(most).max().orElse(0);
            for (int i = 0; i < n; i++) rough[i] = top > 0 ? most[i] / top : 0;
            highest(offsets, least, 2 * LOOKED_AT, out);
            for (var c : cases) for (var s : c.supports()) {
                int k = (int) Math.round((axis.dot(s) - offsets[0]) / STEP_MM);
                if (k >= 0 && k < n && !out.contains(k)) out.add(k);
            }
            return out;
        }

        /** Up to so many in all. */
        private static void highest(double[] offsets, double[] stress, int upTo, List<Integer> out) {
            for (int i : IntStream.range(0, stress.length).boxed().sorted(Comparator.comparingDouble(i -> -stress[i])).toList()) {
                if (out.size() == upTo) return;
                if (out.stream().allMatch(k -> Math.abs(offsets[k] - offsets[i]) >= APART_MM)) out.add(i);
            }
        }

        private Weakest at(Bvh index, double[] offsets, double[] area, int i, double[] rough) {
            var plane = new CutPlane(axis, offsets[i]);
            var face = slice(m, index, plane);
            if (face.shape().isEmpty()) return null;
            var bond = bond(face, printed, printed.walls);
            var demand = demand(offsets, area, i, bond);
            if (demand == null) return null;
            double stress = demand.mpa() * JointGroup.TENSION, bears = printed.along(axis);
            Optional<Integer> walls = Optional.empty();
            for (int w = printed.walls; w <= MOST_WALLS && walls.isEmpty() && stress > 0; w++) {
                if (enough(demand(offsets, area, i, bond(face, printed, w)), bears)) walls = Optional.of(w);
            }
            Optional<Double> infill = Optional.empty();
            for (int k = (int) Math.ceil(20 * printed.infill); k <= 20 && infill.isEmpty() && stress > 0; k++)
                if (enough(demand(offsets, area, i, bond(face, printed.filledTo(k / 20.0), printed.walls)), bears))
                    infill = Optional.of(k / 20.0);
            double second = new JointGroup(List.of(bond)).leastMoment(), reach = face.shape().isEmpty() ? 1 : reach(bond);
            return new Weakest(name, bond.centre(), axis, bond.areaMm2(), reach > 0 ? second / reach : 0, stress,
                    stress > 0 ? bears * LEAST / stress : 99, stress > 0 ? bears * BEST / stress : 99, demand, walls, infill,
                    room(face.shape(), BORE_WALL_MM), new Profile(offsets[0], STEP_MM, rough));
        }

        private boolean enough(Loads.Demand d, double bears) {
            return d != null && bears * LEAST / (d.mpa() * JointGroup.TENSION) >= reserve;
        }

        private static double reach(Bond b) {
            return b.rim().stream().mapToDouble(s -> s.at().distance(b.centre())).max().orElse(0);
        }

        private static Bond bond(MatingFace face, Printed how, int walls) {
            return Bond.of(BEYOND, face, walls * how.lineMm, how.filling());
        }

        /** Parted in two at the slice, what lies beyond hangs on it. Nothing where it hangs together round about. */
        private Loads.Demand demand(double[] offsets, double[] area, int i, Bond bond) {
            double above = 0, below = 0, upAt = 0, downAt = 0;
            for (int k = 0; k < area.length; k++) {
                if (k > i) {
                    above += area[k];
                    upAt += area[k] * offsets[k];
                } else {
                    below += area[k];
                    downAt += area[k] * offsets[k];
                }
            }
            double sum = above + below;
            if (!(sum > 0)) return null;
            var split = new ArrayList<Weighed>();
            for (var p : parts) if (!p.name().equals(name)) split.add(p);
            split.add(part(name, own.grams() * below / sum, below > 0 ? downAt / below : offsets[i]));
            split.add(part(BEYOND, own.grams() * above / sum, above > 0 ? upAt / above : offsets[i]));
            var joined = new ArrayList<Loads.Joined>();
            joined.add(new Loads.Joined(bond, name, BEYOND, Integer.MIN_VALUE));
            for (var j : joints)
                joined.add(new Loads.Joined(j.bond(), side(j.first(), j, offsets[i]), side(j.second(), j, offsets[i]), j.group()));
            return new Loads(split, joined).demand(BEYOND, name, cases.stream().map(c -> there(c, offsets[i])).toList()).orElse(null);
        }

        private Weighed part(String called, double grams, double along) {
            return new Weighed(called, grams, own.at().plus(axis.times(along - axis.dot(own.at()))));
        }

        private String side(String section, Loads.Joined j, double offset) {
            return section.equals(name) && axis.dot(j.bond().centre()) > offset ? BEYOND : section;
        }

        /** Held at a place of this section: on the side of it where the place is. */
        private LoadCase there(LoadCase c, double offset) {
            if (!c.holds().contains(name)) return c;
            var holds = new HashSet<>(c.holds());
            if (c.supports().isEmpty()) holds.add(BEYOND);
            else if (axis.dot(c.supports().getFirst()) > offset) {
                holds.remove(name);
                holds.add(BEYOND);
            }
            return new LoadCase(c.kind(), c.times(), Set.copyOf(holds), c.supports(), c.ways());
        }
    }
}
