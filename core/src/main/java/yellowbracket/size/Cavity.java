package yellowbracket.size;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoublePredicate;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.work.Station;

/**
 * The hollow of a wearable: its index, its middle and its visor, in model coordinates. The middle is found by rays from the axis; the visor
 * is the longest run of heights on which nothing lies ahead, closed above and below: of the middle, or, where that is closed, of two
 * openings as far to the left as to the right.
 */
public final class Cavity {
    /** How finely the hollow is felt, mm. */
    private static final double STEP_MM = 1.5;
    /** Rays keep off the mirror plane, where models have their seams, ridges and rivets. */
    private static final double ASIDE_MM = 0.4;
    /** A ray beside the first that must agree, so that a rivet is not taken for the wall, mm. */
    private static final double BESIDE_MM = 3.3;
    /** Where two eye openings are looked for, as shares of half the hollow's width: pupils lie at about a third to two fifths. */
    private static final double[] EYES_AT = {0.2, 0.25, 0.3, 0.35, 0.4, 0.45};

    private final Mesh mesh;
    private final Bvh index;
    private final double middleY;
    private final double visorLow;
    private final double visorHigh;
    private final double rimZ;
    private final double roofZ;
    private ShellPoints points;

    private Cavity(Mesh mesh, Bvh index, double middleY, double rimZ, double roofZ, double visorLow, double visorHigh) {
        this.mesh = mesh;
        this.index = index;
        this.middleY = middleY;
        this.rimZ = rimZ;
        this.roofZ = roofZ;
        this.visorLow = visorLow;
        this.visorHigh = visorHigh;
    }

    /** Never fails: a prop without a hollow has {@link #holdsAHead} false. */
    public static Cavity of(Mesh mesh, Bvh index) {
        var box = mesh.bounds();
        double y = (box.min().y() + box.max().y()) / 2, roof = box.max().z();
        // the middle between front and back wall a third below the roof; brims and crests shift the box, not this
        for (int i = 0; i < 8; i++) {
            double z = box.min().z() + 0.62 * box.size().z();
            double ahead = distance(index, new Vec3(ASIDE_MM, y, z), Vec3.Y),
                    behind = distance(index, new Vec3(ASIDE_MM, y, z), Vec3.Y.times(-1));
            if (!Double.isFinite(behind) || !Double.isFinite(ahead)) break;
            y += (ahead - behind) / 2;
        }
        double middle = box.min().z() + 0.5 * box.size().z(), up = distance(index, new Vec3(ASIDE_MM, y, middle), Vec3.Z);
        if (Double.isFinite(up)) roof = middle + up;
        double rim = rim(index, box.min().z(), roof, y);
        double[] visor = visor(index, rim, roof, y, Turn.NONE);
        return new Cavity(mesh, index, y, rim, roof, visor[0], visor[1]);
    }

    /** Of a closed model whose faces look inwards: an open sheet has no volume to tell it by. */
    Optional<Finding> insideOut() {
        if (mesh.volumeMm3() >= 0 || !MeshHealth.of(mesh).closed()) return Optional.empty();
        return Optional.of(Finding
                .of(Weight.STOP, Subject.WHOLE, "the model is inside out: distances are those of the wrong side of its wall; mend it first")
                .fixedBy(Fix.go("mend it", Station.SIZE, "health")));
    }

    /** The lowest height with wall on both sides. */
    private static double rim(Bvh index, double from, double to, double y) {
        for (double z = from; z < to; z += STEP_MM) if (Double.isFinite(distance(index, new Vec3(ASIDE_MM, y, z), Vec3.X))
                && Double.isFinite(distance(index, new Vec3(ASIDE_MM, y, z), Vec3.Y.times(-1))))
            return z;
        return from;
    }

    /** @param to turns straight ahead to where it is looked for */
    private static double[] visor(Bvh index, double rim, double roof, double y, Turn to) {
        double[] slit = run(z -> open(index, ASIDE_MM, y, z, to), rim, roof);
        if (!Double.isNaN(slit[0])) return slit;
        var middle = new Vec3(0, y, rim + 0.5 * (roof - rim));
        double half = (distance(index, middle, to.apply(Vec3.X)) + distance(index, middle, to.apply(Vec3.X.times(-1)))) / 2;
        if (!Double.isFinite(half)) return slit;
        for (double share : EYES_AT) {
            double x = share * half;
            var holes = run(z -> open(index, x, y, z, to) && open(index, -x, y, z, to), rim, roof);
            if (!(slit[1] - slit[0] >= holes[1] - holes[0]) && !Double.isNaN(holes[0])) slit = holes;
        }
        return slit;
    }

    private static boolean open(Bvh index, double x, double y, double z, Turn to) {
        return !Double.isFinite(distance(index, to.apply(new Vec3(x, 0, 0)).plus(new Vec3(0, y, z)), to.apply(Vec3.Y)));
    }

    /** The turn about the upright that brings an opening for the eyes to the front, where there is none; empty if none of them does. */
    public Optional<Turn> toFront() {
        if (visorZ().isPresent()) return Optional.empty();
        var to = Turn.NONE;
        for (int quarters = 1; quarters < 4; quarters++) {
            to = to.then(Turn.quarter(2)).tidy();
            if (!Double.isNaN(visor(index, rimZ, roofZ, middleY, to)[0])) return Optional.of(to.inverse());
        }
        return Optional.empty();
    }

    /** The longest run of heights that are open, with something closed below and above; NaN for none. */
    private static double[] run(DoublePredicate open, double rim, double roof) {
        double bestLow = Double.NaN, bestHigh = Double.NaN, low = Double.NaN;
        boolean wallBelow = false;
        for (double z = rim; z < roof - 10; z += STEP_MM) {
            boolean now = open.test(z);
            if (now && wallBelow && Double.isNaN(low)) low = z;
            if (!now) {
                if (!Double.isNaN(low) && !(bestHigh - bestLow > z - low)) {
                    bestLow = low;
                    bestHigh = z - STEP_MM;
                }
                low = Double.NaN;
                wallBelow = true;
            }
        }
        return new double[] {bestLow, bestHigh};
    }

    /** The middle one of three rays side by side, so that a missing facet or a rivet does not decide. */
    private static double distance(Bvh index, Vec3 from, Vec3 direction) {
        var aside = (Math.abs(direction.x()) < 0.5 ? Vec3.X : Vec3.Z).times(BESIDE_MM);
        double a = one(index, from, direction), b = one(index, from.plus(aside), direction), c = one(index, from.minus(aside), direction);
        return Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
    }

    private static double one(Bvh index, Vec3 from, Vec3 direction) {
        return index.firstDistance(from.x(), from.y(), from.z(), direction.x(), direction.y(), direction.z(), 0);
    }

    public Mesh mesh() {
        return mesh;
    }

    public Bvh index() {
        return index;
    }

    /** The inner wall as points, made when first asked for. */
    synchronized ShellPoints shellPoints() {
        if (points == null) points = ShellPoints.of(this);
        return points;
    }

    public double middleY() {
        return middleY;
    }

    public double rimZ() {
        return rimZ;
    }

    public double roofZ() {
        return roofZ;
    }

    /** Height of the visor's middle, if there is one. */
    public OptionalDouble visorZ() {
        return Double.isNaN(visorLow) ? OptionalDouble.empty() : OptionalDouble.of((visorLow + visorHigh) / 2);
    }

    public OptionalDouble visorHeight() {
        return Double.isNaN(visorLow) ? OptionalDouble.empty() : OptionalDouble.of(visorHigh - visorLow);
    }

    /** Wall all round at mid height and room of a small head inside, at any scale from a half to double. */
    public boolean holdsAHead() {
        double z = rimZ + 0.6 * (roofZ - rimZ);
        var c = new Vec3(ASIDE_MM, middleY, z);
        if (index.inside(c)) return false;
        double wide = distance(index, c, Vec3.X) + distance(index, c, Vec3.X.times(-1)), deep = distance(index, c, Vec3.Y.times(-1));
        return Double.isFinite(wide) && Double.isFinite(deep) && wide > 40 && deep > 20 && roofZ - rimZ > 60 && wide < 600;
    }
}
