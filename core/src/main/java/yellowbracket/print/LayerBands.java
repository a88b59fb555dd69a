package yellowbracket.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Material;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Process;
import yellowbracket.shop.Profile;

/**
 * Layers finer where what is seen slopes gently, coarser where it stands upright: bands of one layer height each, chosen so that printing
 * and the smoothing its valleys cause take the least together. Hours against one layer height for all: {@code addedH} of printing (less
 * than 0: saved), {@code savedH} of smoothing.
 */
public record LayerBands(List<Band> bands, double addedH, double savedH) {
    /** Height of what is decided at once, mm. */
    private static final double SLAB_MM = 2;
    /** Layer heights looked at, as shares of the nozzle, rounded to hundredths of a mm. */
    private static final double[] SHARES = {0.2, 0.3, 0.4, 0.5, 0.6, 0.7};
    /** Each change of height is typed in by hand and may be seen: hours. */
    private static final double CHANGE_H = 0.1;

    /** Where nobody knows what smoothing takes: a starting value, not measured; in the window the prop's own smoothing tells it. */
    public static final double USUAL_SMOOTH_H_MM3 = 0.001;

    public LayerBands {
        bands = List.copyOf(bands);
    }

    /** Hours gained in all, by hand and by machine alike. */
    public double gainH() {
        return savedH - addedH;
    }

    /**
     * @param base the section cut at the profile's layer height, as it stands
     * @param samples real mm, not turned
     * @param smoothHMm3 hours that each mm3 of valleys on the show side costs later
     */
    public static LayerBands propose(Layers base, SurfaceSamples samples, Orientation way, Profile profile, Material material,
            Printer printer, double smoothHMm3) {
        if (profile.process() == Process.RESIN || base.count() == 0) return new LayerBands(List.of(), 0, 0);
        var heights = heights(profile);
        int slabs = Math.max(1, (int) Math.ceil(base.count() * base.layerMm() / SLAB_MM));
        var print = new double[heights.length][];
        var valleys = new double[heights.length][];
        for (int h = 0; h < heights.length; h++) {
            print[h] = hours(base, heights[h], slabs, way, profile, material, printer);
            valleys[h] = valleys(samples, way, heights[h], slabs);
        }
        int usual = IntStream.range(0, heights.length)
                .boxed()
                .min(Comparator.comparingDouble(h -> Math.abs(heights[h] - profile.layerMm())))
                .orElseThrow();
        var best = path(print, valleys, smoothHMm3);
        double added = 0, saved = 0;
        for (int s = 0; s < slabs; s++) {
            added += print[best[s]][s] - print[usual][s];
            saved += smoothHMm3 * (valleys[usual][s] - valleys[best[s]][s]);
        }
        return new LayerBands(bands(best, heights, base.count() * base.layerMm()), added, saved);
    }

    private static double[] heights(Profile p) {
        return IntStream
                .concat(Arrays.stream(SHARES).mapToInt(s -> (int) Math.round(100 * s * p.nozzleMm())),
                        IntStream.of((int) Math.round(100 * p.layerMm())))
                .filter(h -> h >= 4)
                .distinct()
                .sorted()
                .mapToDouble(h -> h / 100.0)
                .toArray();
    }

    /** Of each slab, without what is the same for all: heating up, brim and support. */
    private static double[] hours(Layers base, double layerMm, int slabs, Orientation way, Profile profile, Material material,
            Printer printer) {
        var own = profile.withLayerMm(layerMm).withBrimMm(0).withRaftLayers(0);
        var layers = base.resampled(layerMm);
        var bare = way.unsupported();
        var out = new double[slabs];
        double nothing = Estimate.of(layers.between(0, 0), bare, own, material, printer).hours();
        for (int s = 0; s < slabs; s++)
            out[s] = Estimate.of(layers.between(s * SLAB_MM, (s + 1) * SLAB_MM), bare, own, material, printer).hours() - nothing;
        return out;
    }

    /** Volume of the valleys between layer lines on the show side, mm3: half their depth over the area. */
    private static double[] valleys(SurfaceSamples samples, Orientation way, double layerMm, int slabs) {
        var up = way.turn().row2();
        double low = samples.samples().stream().mapToDouble(s -> up.dot(s.point())).min().orElse(0);
        var out = new double[slabs];
        for (var s : samples.samples()) {
            if (!s.seen()) continue;
            int k = Math.clamp((int) ((up.dot(s.point()) - low) / SLAB_MM), 0, slabs - 1);
            out[k] += Cusp.um(layerMm, Math.abs(up.dot(s.normal()))) / 1000 / 2 * samples.areaEachMm2();
        }
        return out;
    }

    /** Of all of the show side, mm3. */
    public static double valleysMm3(SurfaceSamples samples, Orientation way, double layerMm) {
        return Arrays.stream(valleys(samples, way, layerMm, 1)).sum();
    }

    /** The cheapest way up through all slabs, each change paid (Viterbi). */
    private static int[] path(double[][] print, double[][] valleys, double smoothHMm3) {
        int n = print.length, slabs = print[0].length;
        var cost = new double[slabs][n];
        var from = new int[slabs][n];
        for (int s = 0; s < slabs; s++) {
            int cheapest = 0;
            for (int h = 1; s > 0 && h < n; h++) if (cost[s - 1][h] < cost[s - 1][cheapest]) cheapest = h;
            for (int h = 0; h < n; h++) {
                boolean stays = s == 0 || cost[s - 1][h] <= cost[s - 1][cheapest] + CHANGE_H;
                from[s][h] = stays ? h : cheapest;
                cost[s][h] = print[h][s] + smoothHMm3 * valleys[h][s]
                        + (s == 0 ? 0 : stays ? cost[s - 1][h] : cost[s - 1][cheapest] + CHANGE_H);
            }
        }
        var out = new int[slabs];
        for (int h = 1; h < n; h++) if (cost[slabs - 1][h] < cost[slabs - 1][out[slabs - 1]]) out[slabs - 1] = h;
        for (int s = slabs - 1; s > 0; s--) out[s - 1] = from[s][out[s]];
        return out;
    }

    private static List<Band> bands(int[] best, double[] heights, double high) {
        var out = new ArrayList<Band>();
        int start = 0;
        for (int s = 1; s <= best.length; s++) {
            if (s < best.length && best[s] == best[start]) continue;
            out.add(new Band(start * SLAB_MM, s == best.length ? Math.max(high, start * SLAB_MM + 0.01) : s * SLAB_MM,
                    heights[best[start]]));
            start = s;
        }
        return out;
    }

    /**
     * Hours that bands add to a print in the profile's own layers (less than 0: spare).
     * @param base cut at the profile's layer height
     */
    static double addedH(List<Band> bands, Layers base, Orientation way, Profile profile, Material material, Printer printer) {
        double sum = 0;
        var bare = way.unsupported();
        var plain = profile.withBrimMm(0).withRaftLayers(0);
        for (var b : bands) {
            var own = plain.withLayerMm(b.layerMm());
            sum += Estimate.of(base.resampled(b.layerMm()).between(b.fromMm(), b.toMm()), bare, own, material, printer).hours()
                    - Estimate.of(base.between(b.fromMm(), b.toMm()), bare, plain, material, printer).hours();
        }
        return sum;
    }

    /** 0 to 42 mm: 0.2; 42 to 60 mm: 0.12: to be typed into whatever slices it. */
    public static String table(List<Band> bands) {
        return String.join("; ",
                bands.stream()
                        .map(b -> String.format(java.util.Locale.ROOT, "%.0f to %.0f mm: %s", b.fromMm(), b.toMm(), b.layerMm()))
                        .toList());
    }
}
