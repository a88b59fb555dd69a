package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.mesh.Mesh;
import yellowbracket.shop.Material;
import yellowbracket.shop.Process;

/** What to look at while a print can still be stopped cheaply: when, and what, for this section the way it stands. */
public record FirstHour(List<Look> looks, double reachedMm) {
    /** @param afterH of printing */
    public record Look(double afterH, String what) {
        public String when() {
            return afterH < 0.02 ? "at once" : afterH < 1 ? Math.round(60 * afterH) + " min" : String.format(Locale.ROOT, "%.1f h", afterH);
        }
    }

    /** The first layer, and some more that show whether it holds. */
    private static final int SOME_LAYERS = 5;
    private static final double PULLS = 0.5, LEVER = 5;
    /** Later than this nobody sits beside it any more, hours. */
    private static final double LATEST_H = 3;

    public FirstHour {
        looks = List.copyOf(looks);
    }

    /** @param section real mm */
    public static FirstHour of(Mesh section, SectionPrint p, Material material) {
        var o = p.orientation();
        var layers = Layers.of(section, o.turn(), p.profile().layerMm());
        var path = Salvage.paths(layers, p);
        double all = 0;
        for (double l : path) all += l;
        double perMm = all > 0 ? p.hours() / all : 0;
        var out = new ArrayList<Look>();
        if (p.profile().process() == Process.RESIN) {
            out.add(new Look(0, "the film is clean and taut, the plate tight, the vat filled to the line"));
            out.add(new Look(time(path, perMm, 20, p), "lift it: it hangs on the plate all over, nothing is left on the film"));
            return new FirstHour(out, reached(path, perMm, p));
        }
        out.add(new Look(0, "the first lines lie flat and touch each other, none of them lifts"
                + (p.profile().brimMm() > 0 ? "; the brim is whole all round" : "")));
        if (material.warp() >= PULLS)
            out.add(new Look(time(path, perMm, SOME_LAYERS, p), "corners lie flat on the bed: " + material.name() + " pulls"));
        if (o.lever() > LEVER || o.tipDeg() < 12) out.add(new Look(time(path, perMm, 2 * SOME_LAYERS, p), String.format(Locale.ROOT,
                "push it gently: it stands on %.1f cm\u00b2 and will be %.0f mm tall", o.footMm2() / 100, o.size().z())));
        firstPost(section, p).ifPresent(mm -> {
            double h = time(path, perMm, (int) (mm / p.profile().layerMm()) + 1, p);
            if (h < LATEST_H) out.add(
                    new Look(h, String.format(Locale.ROOT, "at %.0f mm the first overhang lies on its support: no strings under it", mm)));
        });
        if (layers.count() > SOME_LAYERS) out.add(new Look(Math.min(1, p.hours()), String.format(Locale.ROOT,
                "%.0f mm high: walls closed, corners in line, the spool turns freely", reached(path, perMm, p))));
        out.sort(java.util.Comparator.comparingDouble(Look::afterH));
        return new FirstHour(out, reached(path, perMm, p));
    }

    private static double time(double[] path, double perMm, int layers, SectionPrint p) {
        double sum = 0;
        for (int i = 0; i < Math.min(layers, path.length); i++) sum += path[i];
        return Math.min(p.hours(), sum * perMm);
    }

    /** Height after an hour, mm. */
    private static double reached(double[] path, double perMm, SectionPrint p) {
        double h = 0;
        int i = 0;
        while (i < path.length && h + path[i] * perMm <= 1) h += path[i++] * perMm;
        return i * p.profile().layerMm();
    }

    /** The lowest place that support holds, mm over the bed. */
    private static java.util.OptionalDouble firstPost(Mesh section, SectionPrint p) {
        var columns = Columns.of(section, new boolean[section.triangleCount()], p.orientation().turn(), 2);
        return columns.posts(p.profile().supportAngleDeg(), 1).stream().mapToDouble(q -> q.to() - columns.bedZ()).min();
    }
}
