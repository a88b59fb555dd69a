package yellowbracket.shop;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How a section is printed. Lengths in mm, infill 0..1, support where a face leans more than {@code supportAngleDeg} from upright; {@code
 * brimMm} wide around
 * the first layer, {@code raftLayers} beneath it. With {@code cure} it is a resin profile: solid, lit layer by layer, nozzle and speeds
 * unused.
 */
@RecordBuilder
public record Profile(String name, String material, double layerMm, double nozzleMm, double lineWidthMm, int walls, double infill,
        double topBottomMm, double supportAngleDeg, double supportDensity, Speeds speeds, double brimMm, int raftLayers,
        Optional<Cure> cure) implements ProfileBuilder.With {
    /** A layer higher than this share of the nozzle does not hold on to the one beneath. */
    public static final double MOST_LAYER = 0.75;
    /** A line is this much wider than its nozzle unless told otherwise. */
    public static final double LINE = 1.1;

    /** In filament, with the usual support, speeds and line width, no brim and no raft. */
    public static Profile of(String name, String material, double layerMm, double nozzleMm, int walls, double infill) {
        return new Profile(name, material, layerMm, nozzleMm, LINE * nozzleMm, walls, infill, 0.8, 50, 0.15, Speeds.USUAL, 0, 0,
                Optional.empty());
    }

    public Process process() {
        return cure.isPresent() ? Process.RESIN : Process.FILAMENT;
    }

    /** Thickness that can be sanded before the wall is through, mm; of a resin print the shell that hollowing usually leaves. */
    public double wallMm() {
        return cure.isPresent() ? RESIN_WALL_MM : walls * lineWidthMm;
    }

    /** Shell of a hollowed resin print. */
    private static final double RESIN_WALL_MM = 2.5;

    /** Another nozzle, the line as much wider as it was. */
    public Profile withNozzle(double nozzle) {
        return withNozzleMm(nozzle).withLineWidthMm(lineWidthMm * nozzle / nozzleMm);
    }

    public Profile withSupport(double angleDeg, double density) {
        return withSupportAngleDeg(angleDeg).withSupportDensity(density);
    }

    /** What cannot be printed so, in words; empty if nothing. */
    public List<String> check() {
        var out = new ArrayList<String>();
        if (!(layerMm >= 0.01)) out.add("layer height " + layerMm + " mm: it must be at least 0.01 mm.");
        if (cure.isPresent()) {
            if (layerMm > 0.2) out.add("layer height " + layerMm + " mm: light does not reach through more than 0.2 mm of resin.");
            out.addAll(cure.get().check());
        } else filament(out);
        if (!(supportAngleDeg >= 0 && supportAngleDeg <= 90))
            out.add("the support angle lies between 0 and 90 degrees, was " + supportAngleDeg + ".");
        if (!(supportDensity > 0 && supportDensity <= 1)) out.add("the density of support lies above 0 and up to 100 %.");
        if (raftLayers < 0 || !(brimMm >= 0)) out.add("brim and raft must not be negative.");
        return List.copyOf(out);
    }

    private void filament(List<String> out) {
        if (!(nozzleMm > 0.05 && nozzleMm <= 2)) out.add("a nozzle of " + nozzleMm + " mm is not between 0.1 and 2; enter it in mm.");
        else if (layerMm > MOST_LAYER * nozzleMm + 1e-9) out.add("layer height " + layerMm + " mm is over three quarters of the " + nozzleMm
                + " mm nozzle: take " + Math.floor(100 * MOST_LAYER * nozzleMm + 1e-9) / 100 + " mm or a larger nozzle.");
        if (!(lineWidthMm >= 0.8 * nozzleMm && lineWidthMm <= 2 * nozzleMm)) out.add(
                "a line of " + lineWidthMm + " mm does not come out of a " + nozzleMm + " mm nozzle: between 0.8 and 2 times the nozzle.");
        if (walls < 1) out.add("at least one wall is needed.");
        if (!(infill >= 0 && infill <= 1)) out.add("infill lies between 0 and 100 %.");
        if (!(topBottomMm >= 0 && topBottomMm <= 20)) out.add("top and bottom lie between 0 and 20 mm.");
        out.addAll(speeds.check());
    }
}
