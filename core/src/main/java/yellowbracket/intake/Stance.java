package yellowbracket.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * A guess of what unit a file is in and which way it stands, with the reasons, to be accepted or changed. The prop is {@code hollow} when
 * walls
 * surround its middle on at least three sides and a head could get in at one end only; then the most open side is the neck and the next one
 * the face. {@code sure}: whether nothing else is as likely.
 */
public record Stance(FileUnit unit, Turn turn, boolean hollow, boolean sure, String unitBecause, String wayBecause) {
    /** Inner width of a wearable shell, mm: from a child's tight mask to a roomy helm. */
    private static final double[] INNER_MM = {130, 300};
    /** Longest side of a shell around a head, of something carried, mm. */
    private static final double[] SHELL_MM = {170, 700};
    /** Longest side of something carried, mm. */
    private static final double[] CARRIED_MM = {60, 2600};
    /** What an unknown unit is judged by, mm. */
    private static final double USUAL_SHELL_MM = 330, USUAL_CARRIED_MM = 400;
    /** A head gets in where at least this share of the view is free; a lantern is closed all round. */
    private static final double NECK_SHARE = 0.3;
    /** Directions in which a hollow is looked out of. */
    private static final int RAYS = 96;
    /** Of samples that must have a twin across the middle. */
    private static final double MIRROR_SHARE = 0.9;

    private static final List<Vec3> AXES = List.of(Vec3.X, Vec3.X.times(-1), Vec3.Y, Vec3.Y.times(-1), Vec3.Z, Vec3.Z.times(-1));
    private static final List<String> AXIS_NAMES = List.of("+x", "-x", "+y", "-y", "+z", "-z");

    /** Never fails: where nothing is told apart, millimetres and z up are kept and said to be a guess. */
    public static Stance of(Mesh file) {
        return of(file, false);
    }

    /** @param unitDeclared the file stated its unit: only the way up is guessed */
    public static Stance of(Mesh file, boolean unitDeclared) {
        return of(file, Bvh.of(file), unitDeclared);
    }

    /** @param index of the file's mesh */
    public static Stance of(Mesh file, Bvh index, boolean unitDeclared) {
        var s = new Look(file, index).stance();
        return unitDeclared ? new Stance(FileUnit.MM, s.turn, s.hollow, s.sure, "the file states its unit", s.wayBecause) : s;
    }

    /** Whether the guess differs from what is taken now. */
    public boolean differs(Intake now) {
        return !now.unit().equals(unit) || !now.turn().tidy().equals(turn);
    }

    private static final class Look {
        private final Mesh mesh;
        private final Bvh index;
        private final Bounds3 box;
        private final double diagonal;

        Look(Mesh mesh, Bvh index) {
            this.mesh = mesh;
            this.index = index;
            box = mesh.bounds();
            diagonal = Math.max(1e-12, box.diagonal());
        }

        Stance stance() {
            var open = new double[6];
            for (int a = 0; a < 6; a++) open[a] = openness(box.centre(), AXES.get(a));
            int walls = 0;
            for (double o : open) if (o < 0.35) walls++;
            int neck = 0;
            for (int a = 1; a < 6; a++) if (open[a] > open[neck]) neck = a;
            boolean hollow = walls >= 3 && open[neck] > NECK_SHARE && open[neck ^ 1] < NECK_SHARE && !index.inside(box.centre());
            var way = hollow ? shellWay(open, neck) : solidWay();
            double inner = hollow ? innerWidth(way.x) : 0;
            return unit(way, hollow, inner);
        }

        /** Share of a bundle of rays about a direction that meets nothing. */
        private double openness(Vec3 from, Vec3 axis) {
            var side = (Math.abs(axis.x()) < 0.5 ? Vec3.X : Vec3.Y).cross(axis).unit();
            var other = axis.cross(side);
            int free = 0;
            for (int i = 0; i < RAYS; i++) {
                double r = 0.55 * Math.sqrt((i + 0.5) / RAYS), a = i * Math.PI * (3 - Math.sqrt(5));
                var d = axis.plus(side.times(r * Math.cos(a))).plus(other.times(r * Math.sin(a))).unit();
                if (!index.blocked(from, d, 0)) free++;
            }
            return (double) free / RAYS;
        }

        /** Which axis of the file is the wearer's right, and the turn; and why. */
        private record Way(Turn turn, Vec3 x, boolean sure, String because) {}

        private Way shellWay(double[] open, int neck) {
            int mirror = mirrorAxis(neck / 2);
            var sides = new ArrayList<Integer>();
            for (int a = 0; a < 6; a++) if (a / 2 != neck / 2 && (mirror < 0 || a / 2 != mirror)) sides.add(a);
            sides.sort(Comparator.comparingDouble(a -> -open[a]));
            int face = sides.getFirst();
            double second = open[neck] - sides.stream().mapToDouble(a -> open[a]).max().orElse(0);
            boolean sure = second > 0.08 && open[face] - open[sides.get(1)] > 0.02;
            return way(AXES.get(neck ^ 1), AXES.get(face), sure,
                    String.format(Locale.ROOT, "the neck opens towards %s (%.0f %% free), the face towards %s%s", AXIS_NAMES.get(neck),
                            100 * open[neck], AXIS_NAMES.get(face),
                            mirror >= 0 ? ", left and right mirror along " + "xyz".charAt(mirror) : ""));
        }

        /**
         * Nothing to look into: the longest side stands up unless the model mirrors end to end along it, as a mask does; the thinnest looks
         * forward.
         */
        private Way solidWay() {
            var size = box.size();
            int up = 2;
            for (int a = 0; a < 3; a++) if (size.get(a) > 1.5 * size.get(up) && !mirrors(a)) up = a;
            int thin = -1;
            for (int a = 0; a < 3; a++) if (a != up && (thin < 0 || size.get(a) < size.get(thin))) thin = a;
            if (up == 2 && thin == 0 && mirrorAxis(2) == 1) return way(Vec3.Z, Vec3.X, false, "no hollow to look into; it mirrors along y");
            if (up == 2) return new Way(Turn.NONE, Vec3.X, false, "no hollow to tell the way up by: z is taken for up");
            return way(Vec3.axis(up), Vec3.axis(thin), false, "no hollow to tell the way up by: its longest side stands up");
        }

        private static Way way(Vec3 up, Vec3 forward, boolean sure, String because) {
            var right = forward.cross(up);
            return new Way(new Turn(right, forward, up).tidy(), right, sure, because);
        }

        /** The axis other than {@code not} across which the mesh mirrors itself about the box's middle, -1 for none. */
        private int mirrorAxis(int not) {
            for (int a = 0; a < 3; a++) if (a != not && mirrors(a)) return a;
            return -1;
        }

        /** Whether nearly all of some spread vertices have the surface at their mirror image across the box's middle. */
        private boolean mirrors(int a) {
            int step = Math.max(1, mesh.vertexCount() / 300), near = 0, all = 0;
            double twice = box.min().get(a) + box.max().get(a);
            for (int v = 0; v < mesh.vertexCount(); v += step, all++) {
                var p = mesh.point(v);
                var q = new Vec3(a == 0 ? twice - p.x() : p.x(), a == 1 ? twice - p.y() : p.y(), a == 2 ? twice - p.z() : p.z());
                if (index.within(q, 0.004 * diagonal)) near++;
            }
            return near > MIRROR_SHARE * all;
        }

        private double innerWidth(Vec3 right) {
            var c = box.centre();
            double wide = index.firstDistance(c.x(), c.y(), c.z(), right.x(), right.y(), right.z(), 0)
                    + index.firstDistance(c.x(), c.y(), c.z(), -right.x(), -right.y(), -right.z(), 0);
            return Double.isFinite(wide) ? wide : 0;
        }

        private Stance unit(Way way, boolean hollow, double inner) {
            var size = box.size();
            double longest = Math.max(size.x(), Math.max(size.y(), size.z()));
            FileUnit best = null;
            double least = Double.POSITIVE_INFINITY;
            int fitting = 0;
            for (var u : FileUnit.USUAL) {
                double cost = cost(u, longest, inner, hollow);
                if (!Double.isFinite(cost)) continue;
                fitting++;
                if (cost < least) {
                    least = cost;
                    best = u;
                }
            }
            if (best == null && longest < SHELL_MM[0]) best = FileUnit.MINIATURES.stream()
                    .filter(u -> Double.isFinite(cost(u, longest, inner, hollow)))
                    .min(Comparator.comparingDouble(u -> cost(u, longest, inner, hollow)))
                    .orElse(FileUnit.MM);
            if (best == null) best = FileUnit.MM;
            String number = String.format(Locale.ROOT, longest < 10 ? "%.2f" : "%.0f", longest);
            String because = hollow
                    ? String.format(Locale.ROOT, "longest side %s, room inside %.3g: in %s a head of %.0f mm has room", number, inner,
                            best.name(), inner * best.mm())
                    : String.format(Locale.ROOT, "longest side %s: in %s it is %.0f mm long", number, best.name(), longest * best.mm());
            return new Stance(best, way.turn, hollow, way.sure && fitting == 1, because, way.because);
        }

        /** How unlikely the unit makes the size; infinite outside what is worn or carried. Millimetres are the rule, inches rare. */
        private static double cost(FileUnit u, double longest, double inner, boolean hollow) {
            double mm = longest * u.mm();
            double[] range = hollow ? SHELL_MM : CARRIED_MM;
            if (mm < range[0] || mm > range[1]) return Double.POSITIVE_INFINITY;
            if (inner > 0 && (inner * u.mm() < INNER_MM[0] || inner * u.mm() > INNER_MM[1])) return Double.POSITIVE_INFINITY;
            double usual = Math.abs(Math.log(mm / (hollow ? USUAL_SHELL_MM : USUAL_CARRIED_MM)));
            return usual + (u.equals(FileUnit.MM) ? 0 : u.equals(FileUnit.INCH) ? 1.4 : 1.2);
        }
    }
}
