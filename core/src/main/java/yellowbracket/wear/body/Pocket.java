package yellowbracket.wear.body;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.size.HeadField;
import yellowbracket.size.Pose;

/**
 * Free room in a shell beside the head and its pads: an upright box.
 *
 * @param box prop mm @param reachMm radius of the largest ball that comes within a finger's length of it through an opening with the head
 * out:
 * a hand is about {@link #HAND_MM}
 */
public record Pocket(Bounds3 box, double reachMm) {
    /** Fingers that hold something; a whole hand. */
    public static final double FINGERS_MM = 22, HAND_MM = 42;
    private static final double FINGER_MM = 60;

    /** How finely a hollow is felt; kept off the head for pads and hair; sides of what is looked for; how many are told; mm. */
    private static final double CELL_MM = 5, PADS_MM = 12, LEAST_MM = 15, LONGEST_MM = 120;
    private static final int TOLD = 4;
    /** Up and down the axis of a head, mm. */
    private static final double AXIS_MM = 70;

    /** The largest beside a posed head, largest first. */
    public static List<Pocket> beside(HeadField field, Pose pose, ScaledShell shell, Progress progress) {
        return Room.of(shell, p -> field.at(pose.inHead(p)), CELL_MM, PADS_MM, p -> inHollow(shell, pose, p), progress)
                .several(TOLD, LEAST_MM, LONGEST_MM);
    }

    /** Nothing lies between a place and the axis of the head beside it. */
    private static boolean inHollow(ScaledShell shell, Pose pose, Vec3 p) {
        var amid = pose.place(new Vec3(0, 0, Math.clamp(pose.inHead(p).z(), -AXIS_MM, AXIS_MM)));
        var d = amid.minus(p);
        double far = d.norm();
        return far < 1 || !shell.blocked(p, d.times(1 / far), far);
    }

    public double volumeMm3() {
        return box.size().x() * box.size().y() * box.size().z();
    }

    public boolean holds(Vec3 thing) {
        var a = new double[] {box.size().x(), box.size().y(), box.size().z()};
        var b = new double[] {thing.x(), thing.y(), thing.z()};
        Arrays.sort(a);
        Arrays.sort(b);
        return a[0] >= b[0] && a[1] >= b[1] && a[2] >= b[2];
    }

    /** Free cells of a grid, and how large a ball comes to each from outside. */
    public static final class Room {
        private final int nx, ny, nz;
        private final double cell;
        private final Vec3 origin;
        private final boolean[] free;
        private final double[] reach;

        Room(int nx, int ny, int nz, double cell, Vec3 origin, boolean[] free, double[] reach) {
            this.nx = nx;
            this.ny = ny;
            this.nz = nz;
            this.cell = cell;
            this.origin = origin;
            this.free = free;
            this.reach = reach;
        }

        private int at(int x, int y, int z) {
            return (z * ny + y) * nx + x;
        }

        private Vec3 centre(int x, int y, int z) {
            return origin.plus(new Vec3((x + 0.5) * cell, (y + 0.5) * cell, (z + 0.5) * cell));
        }

        public double cellMm() {
            return cell;
        }

        /** In a shell with its wall felt to a cell. */
        public static Room of(ScaledShell shell, ToDoubleFunction<Vec3> head, double cell, double apartMm, Predicate<Vec3> within,
                Progress progress) {
            var b = shell.mesh().bounds().scaled(shell.scale());
            var pad = new Vec3(2 * cell, 2 * cell, 2 * cell);
            var box = new Bounds3(b.min().minus(pad), b.max().plus(pad));
            return of(new WallDistance(shell.mesh(), shell.scale(), box, cell)::mm, head, box, cell, apartMm, within, progress);
        }

        /**
         * @param wall distance to the shell, negative in its matter @param head signed distance to the posed head
         * @param apartMm kept off the head, for pads and hair @param within asked of free cells with wall all round and above: whether
         * they lie in the
         * hollow and not behind its wall
         */
        public static Room of(ToDoubleFunction<Vec3> wall, ToDoubleFunction<Vec3> head, Bounds3 box, double cell, double apartMm,
                Predicate<Vec3> within, Progress progress) {
            int nx = count(box.size().x(), cell), ny = count(box.size().y(), cell), nz = count(box.size().z(), cell);
            var room = new Room(nx, ny, nz, cell, box.min(), new boolean[nx * ny * nz], new double[nx * ny * nz]);
            var clear = new double[nx * ny * nz];
            IntStream.range(0, nz).parallel().forEach(z -> {
                for (int y = 0; y < ny; y++)
                    for (int x = 0; x < nx; x++) clear[room.at(x, y, z)] = wall.applyAsDouble(room.centre(x, y, z));
            });
            progress.check();
            var hollow = room.hollow(clear);
            IntStream.range(0, nz).parallel().forEach(z -> {
                for (int y = 0; y < ny; y++) for (int x = 0; x < nx; x++) {
                    int i = room.at(x, y, z);
                    var p = room.centre(x, y, z);
                    room.free[i] = hollow[i] && clear[i] > cell / 2 && head.applyAsDouble(p) > apartMm + cell / 2 && within.test(p);
                }
            });
            progress.check();
            room.widest(clear);
            return room;
        }

        /** Cells with wall above and on all four sides. */
        private boolean[] hollow(double[] clear) {
            var walls = new byte[clear.length];
            var above = new boolean[clear.length];
            for (int z = 0; z < nz; z++) for (int y = 0; y < ny; y++) {
                line(clear, walls, at(0, y, z), 1, nx);
                line(clear, walls, at(nx - 1, y, z), -1, nx);
            }
            for (int z = 0; z < nz; z++) for (int x = 0; x < nx; x++) {
                line(clear, walls, at(x, 0, z), nx, ny);
                line(clear, walls, at(x, ny - 1, z), -nx, ny);
            }
            for (int y = 0; y < ny; y++) for (int x = 0; x < nx; x++) {
                boolean met = false;
                for (int z = nz - 1; z >= 0; z--) {
                    int i = at(x, y, z);
                    above[i] = met;
                    met |= clear[i] < cell * HALF_DIAGONAL;
                }
            }
            for (int i = 0; i < above.length; i++) above[i] &= walls[i] == 4;
            return above;
        }

        /** Counts wall for all that lies beyond it. */
        private void line(double[] clear, byte[] walls, int from, int step, int n) {
            boolean met = false;
            for (int k = 0, i = from; k < n; k++, i += step) {
                if (met) walls[i]++;
                met |= clear[i] < cell * HALF_DIAGONAL;
            }
        }

        /** Wall that passes through a cell comes so near to its middle. */
        private static final double HALF_DIAGONAL = 0.87;

        private static int count(double mm, double cell) {
            return Math.max(1, (int) Math.ceil(mm / cell));
        }

        /** A cell from which one goes on, and how large a ball came to it. */
        private record Reached(int cell, double mm) {}

        /**
         * The widest way from the border of the grid to each cell: the least clearance on it is as large as can be. What is not narrower
         * than the way so far is gone through at once, what is waits its turn (priority flood: Barnes, Lehman and Mulla, 2014).
         */
        private void widest(double[] clear) {
            Arrays.fill(reach, Double.NEGATIVE_INFINITY);
            var narrower = new PriorityQueue<Reached>((a, b) -> Double.compare(b.mm, a.mm));
            for (int z = 0; z < nz; z++) for (int y = 0; y < ny; y++) for (int x = 0; x < nx; x++) {
                if (x > 0 && y > 0 && z > 0 && x < nx - 1 && y < ny - 1 && z < nz - 1) continue;
                int i = at(x, y, z);
                if (clear[i] <= 0) continue;
                reach[i] = clear[i];
                narrower.add(new Reached(i, clear[i]));
            }
            var level = new int[reach.length];
            while (!narrower.isEmpty()) {
                int count = 0;
                level[count++] = narrower.poll().cell;
                while (count > 0) {
                    int i = level[--count], x = i % nx, y = i / nx % ny, z = i / nx / ny;
                    for (int d = 0; d < 6; d++) {
                        int step = d % 2 == 0 ? 1 : -1, axis = d / 2, to = (axis == 0 ? x : axis == 1 ? y : z) + step;
                        if (to < 0 || to >= (axis == 0 ? nx : axis == 1 ? ny : nz)) continue;
                        int j = i + step * (axis == 0 ? 1 : axis == 1 ? nx : nx * ny);
                        if (clear[j] <= 0 || reach[j] > 0) continue;
                        reach[j] = Math.min(reach[i], clear[j]);
                        if (clear[j] < reach[i]) narrower.add(new Reached(j, clear[j]));
                        else level[count++] = j;
                    }
                }
            }
        }

        /** How large a ball comes to a place, mm; below 0 where nothing does. */
        public double reachMm(Vec3 p) {
            int x = index(p.x() - origin.x(), nx), y = index(p.y() - origin.y(), ny), z = index(p.z() - origin.z(), nz);
            return reach[at(x, y, z)];
        }

        private int index(double off, int n) {
            return Math.clamp((int) Math.floor(off / cell), 0, n - 1);
        }

        /**
         * The largest box of free cells, by the largest rectangle in a histogram for each pair of heights.
         *
         * @param least no side shorter, {@code longest} none longer, mm
         */
        public Optional<Pocket> largest(double least, double longest) {
            var best = new int[6];
            int most = 0, limit = Math.max(1, (int) Math.floor(longest / cell + 1e-9)),
                    thin = Math.max(1, (int) Math.ceil(least / cell - 1e-9));
            var flat = new boolean[nx * ny];
            for (int z0 = 0; z0 < nz; z0++) {
                Arrays.fill(flat, true);
                for (int z1 = z0; z1 < Math.min(nz, z0 + limit); z1++) {
                    boolean any = false;
                    for (int y = 0; y < ny; y++) for (int x = 0; x < nx; x++) {
                        flat[y * nx + x] &= free[at(x, y, z1)];
                        any |= flat[y * nx + x];
                    }
                    if (!any) break;
                    if (z1 - z0 + 1 < thin || (z1 - z0 + 1) * Math.min(limit, nx) * Math.min(limit, ny) <= most) continue;
                    int[] r = rectangle(flat, thin, limit);
                    int volume = (r[2] - r[0]) * (r[3] - r[1]) * (z1 - z0 + 1);
                    if (volume > most) {
                        most = volume;
                        best = new int[] {r[0], r[1], z0, r[2], r[3], z1 + 1};
                    }
                }
            }
            return most == 0 ? Optional.empty() : Optional.of(pocket(best));
        }

        /** x0, y0, x1, y1 of the largest rectangle, the ends left out. */
        private int[] rectangle(boolean[] flat, int thin, int limit) {
            var height = new int[nx];
            var out = new int[4];
            int most = 0;
            for (int y = 0; y < ny; y++) {
                for (int x = 0; x < nx; x++) height[x] = flat[y * nx + x] ? Math.min(limit, height[x] + 1) : 0;
                for (int x = 0; x < nx; x++) {
                    if (height[x] == 0) continue;
                    int low = height[x];
                    for (int k = x; k < nx && k < x + limit && height[k] > 0; k++) {
                        low = Math.min(low, height[k]);
                        if (low >= thin && k - x + 1 >= thin && low * (k - x + 1) > most) {
                            most = low * (k - x + 1);
                            out = new int[] {x, y - low + 1, k + 1, y + 1};
                        }
                    }
                }
            }
            return out;
        }

        private Pocket pocket(int[] b) {
            var low = origin.plus(new Vec3(b[0] * cell, b[1] * cell, b[2] * cell));
            var high = origin.plus(new Vec3(b[3] * cell, b[4] * cell, b[5] * cell));
            double in = Double.NEGATIVE_INFINITY;
            int far = (int) Math.ceil(FINGER_MM / cell);
            for (int z = Math.max(0, b[2] - far); z < Math.min(nz, b[5] + far); z++)
                for (int y = Math.max(0, b[1] - far); y < Math.min(ny, b[4] + far); y++) for (int x = Math.max(0, b[0] - far);
                        x < Math.min(nx, b[3] + far); x++)
                    if (away(b, x, y, z) * cell <= FINGER_MM) in = Math.max(in, reach[at(x, y, z)]);
            return new Pocket(new Bounds3(low, high), in);
        }

        /** Cells between one and a box. */
        private static double away(int[] b, int x, int y, int z) {
            int dx = Math.max(0, Math.max(b[0] - x, x - b[3] + 1)), dy = Math.max(0, Math.max(b[1] - y, y - b[4] + 1)),
                    dz = Math.max(0, Math.max(b[2] - z, z - b[5] + 1));
            return Math.sqrt(dx * dx + dy * dy + dz * dz);
        }

        /** Largest boxes that do not share room, largest first. */
        public List<Pocket> several(int count, double least, double longest) {
            var left = new Room(nx, ny, nz, cell, origin, free.clone(), reach);
            var out = new ArrayList<Pocket>();
            for (int i = 0; i < count; i++) {
                var p = left.largest(least, longest);
                if (p.isEmpty()) break;
                out.add(p.get());
                var b = p.get().box;
                for (int z = 0; z < nz; z++) for (int y = 0; y < ny; y++)
                    for (int x = 0; x < nx; x++) if (b.contains(centre(x, y, z))) left.free[at(x, y, z)] = false;
            }
            return List.copyOf(out);
        }
    }
}
