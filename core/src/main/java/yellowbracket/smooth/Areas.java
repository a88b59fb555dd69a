package yellowbracket.smooth;

import java.util.List;
import yellowbracket.cut.Section;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Cusp;
import yellowbracket.print.SectionPrint;

/**
 * The show side by depth of its layer lines and by shape, mm2. Shape from the sharpest bend of a facet: flat above {@link #FLAT_MM} radius,
 * tight
 * below {@link #TIGHT_MM}. Measured on equal-area samples.
 */
public record Areas(double fineMm2, double middleMm2, double coarseMm2, double flatMm2, double curvedMm2, double tightMm2,
        double valley50Um, double valley90Um) {
    /** Valleys below the first are fine, above the second coarse, um. */
    public static final double FINE_UM = 50;
    public static final double COARSE_UM = 110;
    /** Radius above which a surface counts as flat, and below which as tight, mm. */
    private static final double FLAT_MM = 120;
    private static final double TIGHT_MM = 12;
    public static final Areas NONE = new Areas(0, 0, 0, 0, 0, 0, 0, 0);

    /** One section's samples with how it is printed; sums over them with {@link #of(List)}. */
    public record Printed(Section section, SurfaceSamples samples, SectionPrint print) {}

    public static Areas of(List<Printed> printed) {
        double[] depth = new double[3], shape = new double[3];
        var cusps = new java.util.ArrayList<double[]>();
        for (var p : printed) {
            double each = p.samples().areaEachMm2();
            var up = p.print().orientation().turn().row2();
            double low = p.samples().samples().stream().mapToDouble(q -> up.dot(q.point())).min().orElse(0);
            for (var s : p.samples().samples()) {
                if (!s.seen()) continue;
                double um = Cusp.um(p.print().layerAt(up.dot(s.point()) - low), Math.abs(up.dot(s.normal())));
                depth[um < FINE_UM ? 0 : um < COARSE_UM ? 1 : 2] += each;
                shape[s.bend() < 1 / FLAT_MM ? 0 : s.bend() < 1 / TIGHT_MM ? 1 : 2] += each;
                cusps.add(new double[] {um, each});
            }
        }
        if (cusps.isEmpty()) return NONE;
        cusps.sort(java.util.Comparator.comparingDouble(c -> c[0]));
        double all = depth[0] + depth[1] + depth[2];
        return new Areas(depth[0], depth[1], depth[2], shape[0], shape[1], shape[2], at(cusps, 0.5 * all), at(cusps, 0.9 * all));
    }

    private static double at(List<double[]> cusps, double area) {
        double run = 0;
        for (var c : cusps) {
            run += c[1];
            if (run >= area) return c[0];
        }
        return cusps.getLast()[0];
    }

    public double totalMm2() {
        return fineMm2 + middleMm2 + coarseMm2;
    }

    public double totalDm2() {
        return totalMm2() / 1e4;
    }
}
