package yellowbracket.print;

import yellowbracket.mesh.Mesh;
import yellowbracket.shop.Material;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;

/**
 * Hours and grams of one print from its layers: walls along the outlines, solid skins where a layer is not covered above or below, sparse infill for the
 * rest; path lengths over speeds times an acceleration factor, plus layer changes and travel. {@code hours} already carries the printer's own factor.
 * {@code low} and {@code high} bound what may be expected of a first print; the factor's log narrows it later.
 */
public record Estimate(int layers, double hours, double lowHours, double highHours, double grams, double supportGrams, double metres, double cost,
                       double wallHours, double infillHours, double supportHours, double otherHours) {
    /** Real paths speed up and slow down; 1.18 fits prints of helms at 90-120 mm/s. */
    private static final double ACCELERATION = 1.18;
    private static final double LAYER_CHANGE_S = 1.6;
    private static final double OUTER_WALL_SPEED = 0.6;
    private static final double SUPPORT_SPEED = 0.8;
    private static final double FILAMENT_AREA_MM2 = Math.PI * 1.75 * 1.75 / 4;
    private static final double SPREAD = 0.15;

    public static Estimate of(Mesh section, Orientation orientation, Profile profile, Material material, Printer printer) {
        return of(Layers.of(section, orientation.turn(), profile.layerMm()), orientation, profile, material, printer);
    }

    /** From layers already cut at the profile's layer height. */
    public static Estimate of(Layers layers, Orientation orientation, Profile profile, Material material, Printer printer) {
        double width = profile.lineWidthMm(), h = profile.layerMm(), speed = printer.speedMmS();
        int skin = Math.max(1, (int) Math.round(profile.topBottomMm() / h)), n = layers.count();
        double wallMm = 0, wallS = 0, fillMm = 0, travelMm = 0;
        for (int i = 0; i < n; i++) {
            double outline = layers.outlineMm(i), area = layers.areaMm2(i);
            // a wall thinner than all its lines holds only as many as fit
            double lines = Math.min(profile.walls(), area / Math.max(1e-9, outline * width));
            double walls = outline * lines;
            double inner = Math.max(0, area - walls * width);
            double covered = Math.min(at(layers, i + skin, n), at(layers, i - skin, n));
            double open = Math.clamp(area - covered, 0, area) / Math.max(1e-9, area);
            fillMm += inner / width * (open + (1 - open) * profile.infill());
            wallMm += walls;
            wallS += outline * Math.min(1, lines) / (OUTER_WALL_SPEED * speed) + outline * Math.max(0, lines - 1) / speed;
            travelMm += 0.25 * Math.sqrt(area) + 20;
        }
        double supportMm3 = orientation.supportMm3() * profile.supportDensity();
        double supportS = supportMm3 / (width * h) / (SUPPORT_SPEED * speed);
        double fillS = fillMm / speed, otherS = n * LAYER_CHANGE_S + travelMm / (1.5 * speed) + 240;
        double k = ACCELERATION * printer.hoursFactor() / 3600;
        double hours = (wallS + fillS + supportS) * k + otherS / 3600 * printer.hoursFactor();
        double mm3 = (wallMm + fillMm) * width * h, grams = mm3 * material.densityGcm3() / 1000, support = supportMm3 * material.densityGcm3() / 1000;
        double cost = (grams + support) / 1000 * material.costPerKg() + hours * printer.costPerHour();
        return new Estimate(n, hours, hours * (1 - SPREAD), hours * (1 + SPREAD), grams, support, (mm3 + supportMm3) / FILAMENT_AREA_MM2 / 1000, cost,
                wallS * k, fillS * k, supportS * k, otherS / 3600 * printer.hoursFactor());
    }

    private static double at(Layers layers, int i, int n) {
        return i < 0 || i >= n ? 0 : layers.areaMm2(i);
    }
}
