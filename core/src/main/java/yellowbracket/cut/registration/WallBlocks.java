package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;
import yellowbracket.cut.solid.Carve;
import yellowbracket.cut.solid.ConvexSolid;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;

/**
 * What is added to or taken from the model before it is cut, so that both sections get their half of it: bosses on the inside of thin
 * walls, and witness
 * marks, 0.5 mm deep and 10 mm long, across seams on the inside. Planned on the plain cut; sizes in real mm, blocks in model coordinates.
 */
final class WallBlocks {
    /** Places looked at for a block. */
    private static final int LOOKED_AT = 48;
    /** Blocks stay this far from each other, mm, so that each can be carved as if alone. */
    private static final double APART_MM = 3;
    /** Half length, depth and half width of a tick, mm: two layers deep, seen and felt. */
    private static final double TICK_HALF_MM = 5;
    private static final double TICK_DEEP_MM = 0.5;
    private static final double TICK_HALF_WIDTH_MM = 0.4;
    /** Where the wall curves a tick goes in deeper: at most so deep, mm. */
    private static final double TICK_DEEPEST_MM = 0.9;
    /** Ticks stand off the middle, so that two of them match one way round only. */
    private static final double[] TICKS_AT = {0.22, 0.61};

    private final Mesh model;
    private final Bvh index;
    private final double scale;
    private final Registration wanted;
    private final List<CutPlane> planes;
    private final List<Block> blocks = new ArrayList<>();
    private final Map<String, List<Vec3>> bosses = new TreeMap<>();

    /** A block and whether it is added; {@code reach}: radius about its middle, model mm. */
    private record Block(ConvexSolid solid, boolean adds, Vec3 at, double reach) {}

    /** A hidden place on a seam's line and the outward normal of the surface there. */
    private record Place(Vec3 at, Vec3 normal) {}

    /** Whether a straight round block across a seam keeps off what was placed in the seam's faces; real mm. */
    interface Room {
        boolean keepsOff(Seam seam, Vec3 a, Vec3 b, double radius);
    }

    WallBlocks(Mesh model, Bvh index, CutTree tree, double scale, Registration wanted) {
        this.model = model;
        this.index = index;
        this.scale = scale;
        this.wanted = wanted;
        planes = tree.planes();
    }

    /** @param seams of the plain cut, model coordinates; {@code bossed}: names of those that get bosses */
    WallBlocks plan(List<Seam> seams, Set<String> bossed, Room room) {
        var hidden = seams.parallelStream()
                .filter(s -> wanted.ticks() || bossed.contains(s.name()))
                .collect(Collectors.toConcurrentMap(Seam::name, this::hidden));
        for (var s : seams) if (bossed.contains(s.name())) bosses(s, hidden.get(s.name()));
        if (wanted.ticks()) for (var s : seams) ticks(hidden.get(s.name()), s, room);
        return this;
    }

    boolean none() {
        return blocks.isEmpty();
    }

    /** Where the middles of the bosses of each seam lie, model coordinates. */
    Map<String, List<Vec3>> bosses() {
        return bosses;
    }

    /**
     * The model with all blocks worked in. They lie apart, so the index of the bare model answers for each of them; only what lies near one
     * is touched, as a
     * small mesh of its own that keeps the numbers of its vertices.
     */
    Mesh carved() {
        var near = new boolean[model.triangleCount()];
        for (var b : blocks) index.inBox(around(b), f -> near[f] = true);
        beside(near);
        var number = new int[model.vertexCount()];
        java.util.Arrays.fill(number, -1);
        var part = new MeshBuilder(1024, 1024);
        var home = new ArrayList<Integer>();
        for (int f = 0; f < near.length; f++) {
            if (!near[f]) continue;
            for (int k = 0; k < 3; k++) {
                int v = model.vertex(f, k);
                if (number[v] >= 0) continue;
                number[v] = part.addVertex(model.point(v));
                home.add(v);
            }
            part.addTriangle(number[model.vertex(f, 0)], number[model.vertex(f, 1)], number[model.vertex(f, 2)], model.tag(f));
        }
        var worked = part.build();
        for (var b : blocks) worked = Carve.step(worked, index, b.solid, b.adds, Mesh.ORIGINAL);
        var out = new MeshBuilder(model.vertexCount() + worked.vertexCount(), model.triangleCount() + worked.triangleCount());
        for (int v = 0; v < model.vertexCount(); v++) out.addVertex(model.point(v));
        for (int v = home.size(); v < worked.vertexCount(); v++) out.addVertex(worked.point(v));
        for (int f = 0; f < near.length; f++)
            if (!near[f]) out.addTriangle(model.vertex(f, 0), model.vertex(f, 1), model.vertex(f, 2), model.tag(f));
        for (int f = 0; f < worked.triangleCount(); f++) out.addTriangle(back(worked.vertex(f, 0), home), back(worked.vertex(f, 1), home),
                back(worked.vertex(f, 2), home), worked.tag(f));
        return out.build().compact();
    }

    private int back(int v, List<Integer> home) {
        return v < home.size() ? home.get(v) : model.vertexCount() + v - home.size();
    }

    private static Bounds3 around(Block b) {
        double r = b.reach + 0.2;
        return new Bounds3(b.at.minus(new Vec3(r, r, r)), b.at.plus(new Vec3(r, r, r)));
    }

    /** Marks the triangles that share a vertex with a marked one too: an edge split in one is split in both. */
    private void beside(boolean[] near) {
        var touched = new boolean[model.vertexCount()];
        for (int f = 0; f < near.length; f++) if (near[f]) for (int k = 0; k < 3; k++) touched[model.vertex(f, k)] = true;
        for (int f = 0; f < near.length; f++)
            near[f] |= touched[model.vertex(f, 0)] || touched[model.vertex(f, 1)] || touched[model.vertex(f, 2)];
    }

    private List<Place> hidden(Seam s) {
        var out = new ArrayList<Place>();
        int edges = s.line().size() / 2, step = Math.max(1, edges / LOOKED_AT);
        for (int i = 0; i < edges; i += step) {
            var mid = s.line().get(2 * i).plus(s.line().get(2 * i + 1)).times(0.5);
            var n = model.areaVector(index.closest(mid).triangle());
            if (n.norm() == 0) continue;
            if (!ShowSide.seen(index, mid, n.unit())) out.add(new Place(mid, n.unit()));
        }
        return out;
    }

    private void bosses(Seam seam, List<Place> places) {
        var kind = RegistrationKind.BOSSES;
        double d = kind.sizes().getFirst(), r = (d + wanted.clearanceMm()) / 2, wall = wanted.wallMm() + 0.05, radius = r + wall,
                half = kind.depthMm(d) + r + 2 * wall;
        var axis = seam.face().plane().normal();
        var middles = new ArrayList<Vec3>();
        var open = new ArrayList<>(places);
        int n = Math.max(2, Registrar.count(seam.scaled(scale), kind));
        while (middles.size() < n && !open.isEmpty()) {
            var next = middles.isEmpty() ? open.getFirst()
                    : open.stream()
                            .max(java.util.Comparator
                                    .comparingDouble(p -> middles.stream().mapToDouble(m -> m.distance(p.at)).min().orElse(0)))
                            .orElseThrow();
            open.remove(next);
            if (!middles.isEmpty() && middles.stream().anyMatch(m -> m.distance(next.at) * scale < 4 * radius)) break;
            boss(seam, next, axis, radius, half).ifPresent(middles::add);
        }
        if (middles.size() >= 2) bosses.put(seam.name(), middles);
        else blocks.removeIf(b -> middles.contains(b.at));
    }

    private java.util.Optional<Vec3> boss(Seam seam, Place p, Vec3 axis, double radius, double half) {
        var away = p.normal.minus(axis.times(axis.dot(p.normal)));
        if (away.norm() < 0.6) return java.util.Optional.empty(); // the wall leans too far over the plane to carry it
        var inward = away.unit();
        double thick = scale * index.firstDistance(p.at.x(), p.at.y(), p.at.z(), -inward.x(), -inward.y(), -inward.z(), 1e-3),
                bite = Math.min(1.2, 0.55 * thick);
        var middle = p.at.plus(inward.times((radius - bite) / scale));
        var solid = ConvexSolid.boss(middle, axis, inward, radius / scale, half / scale);
        var in = solid.corners()
                .stream()
                .filter(c -> c.minus(middle).dot(inward) < -0.9 * radius / scale
                        && Math.abs(axis.dot(c.minus(middle))) < 0.6 * half / scale)
                .toList();
        if (in.stream().anyMatch(c -> !index.inside(c))) return java.util.Optional.empty();
        if (!clear(middle, (half + radius) / scale, seam.plane())) return java.util.Optional.empty();
        blocks.add(block(solid, true, middle));
        return java.util.Optional.of(middle);
    }

    private static Block block(ConvexSolid solid, boolean adds, Vec3 at) {
        return new Block(solid, adds, at, solid.corners().stream().mapToDouble(at::distance).max().orElseThrow());
    }

    private void ticks(List<Place> places, Seam seam, Room room) {
        var axis = seam.face().plane().normal();
        for (double share : TICKS_AT) {
            for (int i = 0; i < places.size(); i++) {
                var p = places.get((int) (share * places.size() + i) % places.size());
                var along = axis.minus(p.normal.times(axis.dot(p.normal)));
                if (along.norm() < 0.6 || !clear(p.at, TICK_HALF_MM / scale, seam.plane())) continue;
                var end = along.unit().times(TICK_HALF_MM / scale);
                if (!room.keepsOff(seam, p.at.minus(end).times(scale), p.at.plus(end).times(scale),
                        Math.hypot(TICK_DEEP_MM, TICK_HALF_WIDTH_MM)))
                    continue;
                var solid = ConvexSolid.box(p.at, along.unit(), p.normal, TICK_HALF_MM / scale, TICK_DEEP_MM / scale,
                        TICK_HALF_WIDTH_MM / scale);
                if (solid.corners().stream().anyMatch(c -> index.inside(c) && index.distance(c) * scale > TICK_DEEPEST_MM)) continue;
                blocks.add(block(solid, false, p.at));
                break;
            }
        }
    }

    /** Away from other blocks and from other planes that cut here. */
    private boolean clear(Vec3 at, double reach, int plane) {
        for (var b : blocks) if (b.at.distance(at) < b.reach + reach + APART_MM / scale) return false;
        for (int k = 0; k < planes.size(); k++) if (k != plane && Math.abs(planes.get(k).height(at)) < reach + 0.5 / scale) return false;
        return true;
    }
}
