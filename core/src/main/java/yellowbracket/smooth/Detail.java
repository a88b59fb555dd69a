package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;

/**
 * A step, rivet, groove or raised panel that stands out, or lies in, by little: what films fill and paper wears away. Found as patches of
 * facets between sharp edges whose extent along the normal of the surface beside them is small.
 * @param at a point of its edge, the mesh's mm @param heightMm that it stands out, or lies in @param raised or sunk
 */
public record Detail(Vec3 at, double heightMm, boolean raised) {
    /** Less is a wrinkle, more a shape of the prop, mm. */
    private static final double LEAST_MM = 0.08, MOST_MM = 1.5;
    /** Edges that bend by more bound a patch. */
    private static final double SHARP = Math.cos(Math.toRadians(30));
    /** A larger patch is no detail, mm2. */
    private static final double MOST_MM2 = 900;
    /** Patches nearer to each other are one detail, mm. */
    private static final double APART_MM = 4;

    /** @param scale of the mesh: heights are real mm, places the mesh's own. O(n). */
    public static List<Detail> of(Mesh m, double scale) {
        var adjacency = new Adjacency(m);
        var patch = new int[m.triangleCount()];
        Arrays.fill(patch, -1);
        var normals = new Vec3[patch.length];
        for (int f = 0; f < patch.length; f++) {
            var a = m.areaVector(f);
            normals[f] = a.norm() > 0 ? a.unit() : Vec3.ZERO;
        }
        var stack = new int[patch.length];
        var areas = new double[patch.length]; // of the patch that begins with this facet
        var patches = new ArrayList<int[]>();
        for (int f = 0; f < patch.length; f++) {
            if (patch[f] >= 0) continue;
            var facets = grow(adjacency, normals, patch, f, stack);
            for (int g : facets) areas[f] += m.area(g);
            patches.add(facets);
        }
        var out = new ArrayList<Detail>();
        var seen = new Seen(m, adjacency, normals, patch, areas);
        for (var facets : patches)
            if (areas[facets[0]] < MOST_MM2 / (scale * scale)) detail(seen, facets, scale).ifPresent(d -> add(out, d, scale));
        return List.copyOf(out);
    }

    private static void add(List<Detail> out, Detail d, double scale) {
        for (int i = 0; i < out.size(); i++) {
            if (out.get(i).at.distance(d.at) * scale > APART_MM) continue;
            if (d.heightMm > out.get(i).heightMm) out.set(i, d);
            return;
        }
        out.add(d);
    }

    private static int[] grow(Adjacency adjacency, Vec3[] normals, int[] patch, int seed, int[] stack) {
        var found = new int[16];
        int top = 0, n = 0;
        stack[top++] = seed;
        patch[seed] = seed;
        while (top > 0) {
            int f = stack[--top];
            if (n == found.length) found = Arrays.copyOf(found, 2 * n);
            found[n++] = f;
            for (int k = 0; k < 3; k++) {
                int corner = adjacency.across(3 * f + k);
                if (corner < 0 || patch[corner / 3] >= 0 || normals[f].dot(normals[corner / 3]) < SHARP) continue;
                patch[corner / 3] = seed;
                stack[top++] = corner / 3;
            }
        }
        return Arrays.copyOf(found, n);
    }

    private record Seen(Mesh m, Adjacency adjacency, Vec3[] normals, int[] patch, double[] areas) {}

    /** How far the patch reaches out of the largest surface it borders on, or into it. */
    private static java.util.Optional<Detail> detail(Seen in, int[] facets, double scale) {
        var border = new ArrayList<int[]>(); // corner of the patch, facet across
        int beside = -1;
        for (int f : facets) for (int k = 0; k < 3; k++) {
            int across = in.adjacency.across(3 * f + k) / 3;
            if (in.adjacency.across(3 * f + k) < 0 || in.patch[across] == in.patch[f]) continue;
            if (beside < 0 || in.areas[in.patch[across]] > in.areas[beside]) {
                if (beside != in.patch[across]) border.clear();
                beside = in.patch[across];
            }
            if (in.patch[across] == beside) border.add(new int[] {3 * f + k, across});
        }
        Detail least = null;
        int step = Math.max(1, border.size() / LOOKED_AT);
        for (int i = 0; i < border.size(); i += step) {
            var n = in.normals[border.get(i)[1]];
            var at = in.m.corner(border.get(i)[0] / 3, border.get(i)[0] % 3);
            double low = 0, high = 0;
            for (int g : facets) for (int j = 0; j < 3; j++) {
                double h = in.m.corner(g, j).minus(at).dot(n);
                low = Math.min(low, h);
                high = Math.max(high, h);
            }
            double reach = Math.max(high, -low) * scale;
            if (reach < LEAST_MM || Math.min(high, -low) * scale > ONE_WAY * reach) continue;
            if (least == null || reach < least.heightMm) least = new Detail(at, reach, high > -low);
        }
        return java.util.Optional.ofNullable(least).filter(d -> d.heightMm < MOST_MM);
    }

    /** Places along the border from where it is measured. */
    private static final int LOOKED_AT = 6;

    /** What goes as far out as in is no step. */
    private static final double ONE_WAY = 0.3;

    /** Of its height, what is left after a ladder's steps, 0 to 1. */
    double left(List<Ladder.Step> steps, Catalogue shop) {
        double film = 0, worn = 0, filled = 0;
        for (var s : steps) {
            switch (s.kind()) {
                case FILM, PRIME -> {
                    var c = shop.coating(s.product());
                    if (c.byKnife() && !raised) filled = 1000 * heightMm; // a knife leaves nothing open that it passes over
                    film += c.byKnife() ? 0 : c.levels() * s.coats() * c.filmUm() * c.stays();
                }
                case SAND -> worn += s.printUm();
                case LOOK -> {
                    // nothing is taken
                }
            }
        }
        double gone = raised ? EDGE_TIMES * worn + film : filled + film;
        return Math.max(0, 1 - gone / (1000 * heightMm));
    }

    /** Paper wears an edge so many times as fast as the surface beside it. */
    private static final double EDGE_TIMES = 3;

    /**
     * How round a sharp edge comes out, um: films draw back from it to about their own thickness and bridge it so, paper wears it faster
     * than what is beside it.
     */
    public static double edgeUm(List<Ladder.Step> steps, Catalogue shop) {
        double film = 0, worn = 0;
        for (var s : steps) switch (s.kind()) {
            case FILM, PRIME -> {
                var c = shop.coating(s.product());
                if (!c.byKnife()) film += s.coats() * c.filmUm() * c.stays();
            }
            case SAND -> {
                worn += s.printUm();
                film = Math.min(film, s.overUm());
            }
            case LOOK -> {
                // nothing is taken
            }
        }
        return film + EDGE_TIMES * worn;
    }

    /** Called out before the first coat, with what saves them. */
    public static java.util.Optional<Finding> told(List<Detail> lost, SmoothPlan plan) {
        if (lost.isEmpty()) return java.util.Optional.empty();
        double deepest = lost.stream().mapToDouble(Detail::heightMm).max().orElse(0);
        long sunk = lost.stream().filter(d -> !d.raised).count();
        boolean knife = plan.way().school().allows(Coating.Kind.FILLER) || plan.way().school().allows(Coating.Kind.PASTE);
        String how = knife && sunk > 0 ? "the knife fills grooves: tape them off before the filler, take a school with resin, or "
                : "mask them, sand round them, or ";
        return java.util.Optional.of(Finding.care(String.format(java.util.Locale.ROOT,
                "%s of up to %.1f mm (%d sunk, %d raised) lose half of their height and more: %sbrush \"keep texture\" over them",
                lost.size() == 1 ? "1 detail" : lost.size() + " details", deepest, sunk, lost.size() - sunk, how)));
    }

    /** Those of which less than half is left. */
    public static List<Detail> lost(List<Detail> all, List<Ladder.Step> steps, Catalogue shop) {
        return all.stream().filter(d -> d.left(steps, shop) < 0.5).toList();
    }
}
