package yellowbracket.join;

import java.util.List;
import java.util.Optional;
import yellowbracket.mesh.Tensor;
import yellowbracket.mesh.Vec3;

/**
 * Bonds that part together, as one weld group in space: the free half moves as a whole, the bond gives evenly, so that stress at a place is
 * F / A + (J^-1 M) x r about the middle of the area (the elastic method for weld and bolt groups; with one flat seam it is the beam
 * formula: F / A, M c / I, T r / J). Stress in MPa, forces in N, lengths in mm.
 */
public final class JointGroup {
    /** Stiff glues bear so much less pulled than sheared. */
    public static final double TENSION = 0.8;

    private final List<Bond> bonds;
    private final double area;
    private final Vec3 centre;
    private final Optional<Tensor> turns;

    public JointGroup(List<Bond> bonds) {
        this.bonds = List.copyOf(bonds);
        double a = 0;
        var first = Vec3.ZERO;
        var second = Tensor.ZERO;
        for (var b : bonds) {
            a += b.areaMm2();
            first = first.plus(b.moment());
            second = second.plus(b.second());
        }
        area = a;
        centre = a > 0 ? first.times(1 / a) : Vec3.ZERO;
        var about = second.plus(Tensor.outer(centre, centre).times(-a));
        // of area: what turning about each axis is held by
        turns = a > 0 ? Tensor.UNIT.times(about.trace()).plus(about.times(-1)).inverse() : Optional.empty();
    }

    public double areaMm2() {
        return area;
    }

    public Vec3 centre() {
        return centre;
    }

    public List<Bond> bonds() {
        return bonds;
    }

    /** Of a flat group: second moment of area about its weaker axis, mm4. */
    public double leastMoment() {
        return turns.map(t -> 1 / t.largest()).orElse(0.0);
    }

    /** Stress and the direction of the pull that causes it. @param mpa shear that does as much harm as tension and shear together */
    public record Stress(double mpa, Vec3 way) {
        static final Stress NONE = new Stress(0, Vec3.Z);
        static final Stress BREAKS = new Stress(Double.POSITIVE_INFINITY, Vec3.Z);
    }

    /** A pull on the free half: newton along whatever way, and where, as the sum of newton times place. */
    public record Pull(double newton, Vec3 moment) {
        public static Pull at(double newton, Vec3 place) {
            return new Pull(newton, place.times(newton));
        }

        public Pull plus(Pull o) {
            return new Pull(newton + o.newton, moment.plus(o.moment));
        }
    }

    /** The worst stress anywhere in one bond, over all ways the pull may have. */
    public Stress worst(Bond bond, Pull pull, Ways ways) {
        if (turns.isEmpty()) return pull.newton == 0 ? Stress.NONE : Stress.BREAKS;
        var arm = pull.moment.minus(centre.times(pull.newton));
        double most = -1;
        Tensor harm = Tensor.ZERO;
        for (var spot : bond.rim()) {
            var h = harm(spot, pull.newton / area, arm);
            double e = ways.most(h);
            if (e > most) {
                most = e;
                harm = h;
            }
        }
        return most <= 0 ? Stress.NONE : new Stress(Math.sqrt(most), ways.worst(harm));
    }

    /** The worst anywhere in the group. */
    public Stress worst(Pull pull, Ways ways) {
        var out = Stress.NONE;
        for (var b : bonds) {
            var s = worst(b, pull, ways);
            if (s.mpa > out.mpa) out = s;
        }
        return out;
    }

    /** Stress at a place for a pull along {@code way}, MPa: what pulls at the surface of the bond there. */
    public Vec3 at(Vec3 place, Pull pull, Vec3 way) {
        var arm = pull.moment.minus(centre.times(pull.newton));
        return way.times(pull.newton / area).plus(turns.orElseThrow().times(arm.cross(way)).cross(place.minus(centre)));
    }

    /** What harm a unit pull does, as a form of its direction: tension over what is borne in tension, shear beside it, squared. */
    private Tensor harm(Bond.Spot spot, double even, Vec3 arm) {
        var j = turns.orElseThrow();
        var r = spot.at().minus(centre);
        // columns of the map from pull to stress
        Vec3 x = column(Vec3.X, even, arm, j, r), y = column(Vec3.Y, even, arm, j, r), z = column(Vec3.Z, even, arm, j, r);
        var n = spot.normal();
        double nx = n.dot(x), ny = n.dot(y), nz = n.dot(z), k = 1 / (TENSION * TENSION) - 1;
        return new Tensor(x.dot(x) + k * nx * nx, y.dot(y) + k * ny * ny, z.dot(z) + k * nz * nz, x.dot(y) + k * nx * ny,
                x.dot(z) + k * nx * nz, y.dot(z) + k * ny * nz);
    }

    private static Vec3 column(Vec3 way, double even, Vec3 arm, Tensor j, Vec3 r) {
        return way.times(even).plus(j.times(arm.cross(way)).cross(r));
    }

    /** Which ways a pull may have. */
    public sealed interface Ways {
        double most(Tensor harm);

        Vec3 worst(Tensor harm);

        /** Any: turned about in the hands. */
        record Any() implements Ways {
            @Override
            public double most(Tensor harm) {
                return harm.largest();
            }

            @Override
            public Vec3 worst(Tensor harm) {
                return harm.direction();
            }
        }

        /** Across an axis: laid down or leaned. */
        record Across(Vec3 axis) implements Ways {
            private Tensor flat(Tensor h) {
                // what is along the axis taken away: P h P with P = 1 - a aT
                var ha = h.times(axis);
                return h.plus(Tensor.both(axis, ha).times(-1)).plus(Tensor.outer(axis, axis).times(axis.dot(ha)));
            }

            @Override
            public double most(Tensor harm) {
                return flat(harm).largest();
            }

            @Override
            public Vec3 worst(Tensor harm) {
                return flat(harm).direction();
            }
        }

        /** One only: hung. */
        record Along(Vec3 way) implements Ways {
            @Override
            public double most(Tensor harm) {
                return way.dot(harm.times(way));
            }

            @Override
            public Vec3 worst(Tensor harm) {
                return way;
            }
        }
    }
}
