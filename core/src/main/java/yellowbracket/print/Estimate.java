package yellowbracket.print;

import yellowbracket.mesh.Mesh;
import yellowbracket.shop.Cure;
import yellowbracket.shop.Material;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;

/**
 * Hours and grams of one print from its layers: walls along the outlines, solid skins where a layer is not covered above or below, sparse
 * infill for the
 * rest; path lengths over speeds, no faster than the hot end melts, times an acceleration factor, plus layer changes and travel. In resin,
 * layers times light and lift, however much is in them.
 * {@code hours} already carries the printer's own factor. {@code low} and {@code high} bound what may be expected of a first print; the log
 * narrows it later.
 */
public record Estimate(int layers, double hours, double lowHours, double highHours, double grams, double supportGrams, double metres,
        double cost, double wallHours, double infillHours, double supportHours, double otherHours) {
    /** Lift, travel and start of a layer: 13 minutes on 500 layers. */
    private static final double LAYER_CHANGE_S = 1.6;
    /** Heating up and the lines it draws before it starts. */
    private static final double START_S = 240;
    /** The first layer goes down at this share of the speed. */
    private static final double FIRST_LAYER = 0.4;
    /** Of filament 1.75 mm thick. */
    private static final double FILAMENT_AREA_MM2 = Math.PI * 1.75 * 1.75 / 4;
    /** How far real hours lie from the estimate, up or down, as a share: a starting value. */
    private static final double SPREAD = 0.15;

    public static Estimate of(Mesh section, Orientation orientation, Profile profile, Material material, Printer printer) {
        return of(Layers.of(section, orientation.turn(), profile.layerMm()), orientation, profile, material, printer);
    }

    /** From layers already cut at the profile's layer height. */
    public static Estimate of(Layers layers, Orientation orientation, Profile profile, Material material, Printer printer) {
        return profile.cure()
                .map(c -> resin(layers, orientation, profile, c, material, printer))
                .orElseGet(() -> new Paths(layers, orientation, profile, printer).estimate(material));
    }

    /** Printing so much longer or shorter, in other layers. */
    Estimate longer(double h, int otherLayers, double costPerHour) {
        double k = hours <= 0 ? 1 : Math.max(0.05, (hours + h) / hours);
        return new Estimate(otherLayers, hours + h, lowHours * k, highHours * k, grams, supportGrams, metres, cost + h * costPerHour,
                wallHours + h * wallHours / Math.max(1e-9, wallHours + infillHours),
                infillHours + h * infillHours / Math.max(1e-9, wallHours + infillHours), supportHours, otherHours);
    }

    private static Estimate resin(Layers layers, Orientation orientation, Profile profile, Cure cure, Material material, Printer printer) {
        double support = orientation.supportMm3() * profile.supportDensity(),
                lit = cure.seconds(layers.count()) / 3600 * printer.hoursFactor(), other = START_S / 3600;
        double grams = layers.volumeMm3() * material.densityGcm3() / 1000, supportGrams = support * material.densityGcm3() / 1000,
                hours = lit + other;
        return new Estimate(layers.count(), hours, hours * (1 - SPREAD / 3), hours * (1 + SPREAD / 3), grams, supportGrams, 0,
                cost(grams + supportGrams, hours, material, printer), lit, 0, 0, other);
    }

    private static double cost(double grams, double hours, Material material, Printer printer) {
        return grams / 1000 * material.costPerKg() + hours * printer.costPerHour();
    }

    /** Lengths of line in mm and the seconds they take at constant speed. */
    private static final class Paths {
        private final Layers layers;
        private final Orientation orientation;
        private final Profile profile;
        private final Printer printer;
        private double wallMm;
        private double wallS;
        private double fillMm;
        private double travelMm;

        Paths(Layers layers, Orientation orientation, Profile profile, Printer printer) {
            this.layers = layers;
            this.orientation = orientation;
            this.profile = profile;
            this.printer = printer;
        }

        Estimate estimate(Material material) {
            double width = profile.lineWidthMm(), h = profile.layerMm();
            var speeds = profile.speeds().upTo(Math.min(printer.speedMmS(), printer.flowMm3S() / (width * h)));
            for (int i = 0; i < layers.count(); i++) layer(i, speeds.outerMmS(), speeds.innerMmS());
            double fillS = fillMm / speeds.infillMmS();
            double baseMm = baseMm(), baseS = baseMm / (FIRST_LAYER * speeds.innerMmS()),
                    slowS = firstLayerMm() / speeds.innerMmS() * (1 / FIRST_LAYER - 1);
            double supportMm3 = orientation.supportMm3() * profile.supportDensity(),
                    supportS = supportMm3 / (width * h) / speeds.supportMmS();
            double otherS = layers.count() * LAYER_CHANGE_S + travelMm / speeds.travelMmS() + START_S;
            double k = speeds.acceleration() * printer.hoursFactor() / 3600,
                    other = otherS / 3600 * printer.hoursFactor() + (baseS + slowS) * k;
            double hours = (wallS + fillS + supportS) * k + other;
            double mm3 = (wallMm + fillMm) * width * h, grams = mm3 * material.densityGcm3() / 1000,
                    extra = supportMm3 + baseMm * width * h, support = extra * material.densityGcm3() / 1000;
            return new Estimate(layers.count(), hours, hours * (1 - SPREAD), hours * (1 + SPREAD), grams, support,
                    (mm3 + extra) / FILAMENT_AREA_MM2 / 1000, cost(grams + support, hours, material, printer), wallS * k, fillS * k,
                    supportS * k, other);
        }

        private void layer(int i, double outer, double inner) {
            double width = profile.lineWidthMm(), outline = layers.outlineMm(i), area = layers.areaMm2(i);
            // a wall thinner than all its lines holds only as many as fit
            double lines = Math.min(profile.walls(), area / Math.max(1e-9, outline * width));
            double walls = Math.max(0, outline * lines - turns(area, outline) * Math.PI * lines * lines * width);
            int skin = Math.max(1, (int) Math.round(profile.topBottomMm() / profile.layerMm()));
            double inside = Math.max(0, area - walls * width);
            double solid = Math.min(inside, layers.skinMm2(i, skin, lines * width));
            fillMm += (solid + (inside - solid) * profile.infill()) / width;
            wallMm += walls;
            double first = Math.min(walls, outline * Math.min(1, lines));
            wallS += first / outer + (walls - first) / inner;
            travelMm += 0.25 * Math.sqrt(area) + 20;
        }

        /**
         * How often the outline turns round, which is what makes each line inwards shorter: once for a disc, in sum not at all for a ring.
         * Told from how round the layer is; the power was found on solids and rings counted cell by cell.
         */
        private static double turns(double area, double outline) {
            return outline > 0 ? Math.pow(4 * Math.PI * area / (outline * outline), 1.5) : 0;
        }

        /** Brim and raft, beneath and around what lies on the bed. */
        private double baseMm() {
            if (layers.count() == 0) return 0;
            double width = profile.lineWidthMm(), round = layers.outlineMm(0) / 2,
                    foot = Math.max(layers.areaMm2(0), orientation.footMm2());
            return profile.brimMm() * (round + Math.PI * profile.brimMm()) / width
                    + profile.raftLayers() * 0.6 * (foot + 3 * round) / width;
        }

        private double firstLayerMm() {
            return layers.count() == 0 ? 0 : layers.areaMm2(0) / profile.lineWidthMm();
        }
    }
}
