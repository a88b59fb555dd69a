package yellowbracket.size;

import java.util.Arrays;
import java.util.Optional;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MirrorHalf;
import yellowbracket.mesh.Vec3;

/**
 * Changes of a model's proportions, made before it is scaled: one half in place of both, factors along x, y and z, and the neck opened.
 * Lengths in model mm, unscaled. A wall moved by the
 * neck keeps its thickness measured outwards; the move fades out smoothly, so that nothing above {@code noneAboveZ} changes.
 */
public record Reshape(double wide, double deep, double tall, Optional<Neck> neck, Optional<Half> even) {
    public static final Reshape NONE = new Reshape(1, 1, 1, Optional.empty(), Optional.empty());
    /** Near the axis the outward direction has no meaning: the move grows from nothing over this distance, mm. */
    private static final double AXIS_MM = 40;

    /** Which half stands for both; named as the wearer has them, right where x is above 0. */
    public enum Half { RIGHT, LEFT }

    /**
     * The rim and what is below {@code fullBelowZ} moved {@code mm} outwards from the upright axis at y = {@code middleY}, fading to
     * nothing at {@code noneAboveZ}.
     */
    public record Neck(double mm, double fullBelowZ, double noneAboveZ, double middleY) {
        public Neck {
            if (!(mm > -200 && mm < 200) || !(noneAboveZ > fullBelowZ))
                throw new IllegalArgumentException("a neck is widened by less than 200 mm, over some height");
            for (double at : new double[] {fullBelowZ, noneAboveZ, middleY}) Limits.within("place of a widened neck, mm", at, -1e5, 1e5);
        }

        /** 1 below, 0 above, smooth between (3t2 - 2t3). */
        double share(double z) {
            double t = Math.clamp((noneAboveZ - z) / (noneAboveZ - fullBelowZ), 0, 1);
            return t * t * (3 - 2 * t);
        }

        Vec3 apply(Vec3 p) {
            double share = share(p.z());
            if (share == 0) return p;
            double dy = p.y() - middleY, r = Math.hypot(p.x(), dy);
            if (r == 0) return p;
            double k = mm * share * Math.min(1, r / AXIS_MM) / r;
            return new Vec3(p.x() * (1 + k), p.y() + dy * k, p.z());
        }
    }

    /**
     * How much detail is pulled out of shape: longest over shortest stretch of a facet, less 1; most, and what 95 % of the surface stays
     * below.
     */
    public record Distortion(double most, double usual, double[] byFacet) {
        public Distortion {
            byFacet = byFacet.clone();
        }

        public double at(int facet) {
            return byFacet[facet];
        }
    }

    public Reshape {
        for (double k : new double[] {wide, deep, tall})
            if (!(k >= 0.2 && k <= 5)) throw new IllegalArgumentException("a model is stretched by 0.2 to 5, not " + k);
    }

    public Reshape along(double x, double y, double z) {
        return new Reshape(x, y, z, neck, even);
    }

    public Reshape withNeck(Optional<Neck> n) {
        return new Reshape(wide, deep, tall, n, even);
    }

    public Reshape evened(Optional<Half> half) {
        return new Reshape(wide, deep, tall, neck, half);
    }

    /** The neck opened further than it is: by both together, as high up as either. */
    public Reshape widened(Neck more) {
        return withNeck(Optional.of(neck.map(n -> new Neck(n.mm + more.mm, Math.max(n.fullBelowZ, more.fullBelowZ),
                Math.max(n.noneAboveZ, more.noneAboveZ), more.middleY)).orElse(more)));
    }

    public boolean changesNothing() {
        return wide == 1 && deep == 1 && tall == 1 && neck.isEmpty() && even.isEmpty();
    }

    public Vec3 apply(Vec3 p) {
        var q = new Vec3(p.x() * wide, p.y() * deep, p.z() * tall);
        return neck.map(n -> n.apply(q)).orElse(q);
    }

    /** Where a point came from; the neck's move is undone by a few rounds of correction, to well under a micrometre. */
    public Vec3 undone(Vec3 p) {
        var q = p;
        if (neck.isPresent()) for (int i = 0; i < 12; i++) q = q.plus(p.minus(neck.get().apply(q)));
        return new Vec3(q.x() / wide, q.y() / deep, q.z() / tall);
    }

    public Mesh apply(Mesh m) {
        if (changesNothing()) return m;
        var whole = even.map(h -> MirrorHalf.of(m, h == Half.RIGHT)).orElse(m);
        return wide == 1 && deep == 1 && tall == 1 && neck.isEmpty() ? whole : whole.mapped(this::apply);
    }

    /** Of the mesh before it is reshaped. O(n log n). */
    public Distortion distortion(Mesh before) {
        int n = before.triangleCount();
        var by = new double[n];
        var area = new double[n];
        double all = 0;
        for (int f = 0; f < n; f++) {
            by[f] = distortion(before.corner(f, 0), before.corner(f, 1), before.corner(f, 2));
            area[f] = before.area(f);
            all += area[f];
        }
        var order = new Integer[n];
        Arrays.setAll(order, i -> i);
        Arrays.sort(order, java.util.Comparator.comparingDouble(i -> by[i]));
        double sum = 0, usual = 0;
        for (int i : order) {
            sum += area[i];
            usual = by[i];
            if (sum >= 0.95 * all) break;
        }
        return new Distortion(n == 0 ? 0 : by[order[n - 1]], usual, by);
    }

    /** Ratio of the singular values of the map from the facet to its image, less 1. */
    private double distortion(Vec3 a, Vec3 b, Vec3 c) {
        var u = b.minus(a);
        var v = c.minus(a);
        if (u.norm() == 0 || u.cross(v).norm() == 0) return 0;
        var e = u.unit();
        var w = v.minus(e.times(e.dot(v)));
        var g = w.unit();
        // images of the unit vectors e and g of the facet's plane
        var pa = apply(a);
        var eu = apply(b).minus(pa).times(1 / u.norm());
        var gv = apply(c).minus(pa).minus(eu.times(e.dot(v))).times(1 / g.dot(v));
        double p = eu.dot(eu), q = eu.dot(gv), r = gv.dot(gv), mean = (p + r) / 2,
                off = Math.sqrt(Math.max(0, (p - r) * (p - r) / 4 + q * q));
        return mean - off <= 0 ? 0 : Math.sqrt((mean + off) / (mean - off)) - 1;
    }
}
