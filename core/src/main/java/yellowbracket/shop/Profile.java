package yellowbracket.shop;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.finding.Limits;

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

    /** Anything finite; what cannot be printed so is told by {@link #check}. */
    public Profile {
        Limits.named("a profile", name);
        Limits.within("layer height of " + name + ", mm", layerMm, -100, 100);
        Limits.within("nozzle of " + name + ", mm", nozzleMm, -100, 100);
        Limits.within("line of " + name + ", mm", lineWidthMm, -100, 100);
        Limits.within("walls of " + name, walls, -10_000, 10_000);
        Limits.within("infill of " + name, infill, -100, 100);
        Limits.within("top and bottom of " + name + ", mm", topBottomMm, -1000, 1000);
        Limits.within("brim of " + name + ", mm", brimMm, -1000, 1000);
        Limits.within("raft of " + name + ", layers", raftLayers, -10_000, 10_000);
    }

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
        if (!(layerMm >= 0.01 && layerMm <= 5)) out.add("layer height " + layerMm + " mm: it lies between 0.01 and 5 mm.");
        if (cure.isPresent()) {
            if (layerMm > 0.2) out.add("layer height " + layerMm + " mm: light does not reach through more than 0.2 mm of resin.");
            out.addAll(cure.get().check());
        } else filament(out);
        if (!(supportAngleDeg >= 0 && supportAngleDeg <= 90))
            out.add("the support angle lies between 0 and 90 degrees, was " + supportAngleDeg + ".");
        if (!(supportDensity > 0 && supportDensity <= 1)) out.add("the density of support lies above 0 and up to 100 %.");
        if (!(brimMm >= 0 && brimMm <= 100)) out.add("a brim lies between 0 and 100 mm.");
        if (raftLayers < 0 || raftLayers > 100) out.add("a raft has between 0 and 100 layers.");
        return List.copyOf(out);
    }

    private void filament(List<String> out) {
        if (!(nozzleMm > 0.05 && nozzleMm <= 2)) out.add("a nozzle of " + nozzleMm + " mm is not between 0.1 and 2; enter it in mm.");
        else if (layerMm > MOST_LAYER * nozzleMm + 1e-9) out.add("layer height " + layerMm + " mm is over three quarters of the " + nozzleMm
                + " mm nozzle: take " + Math.floor(100 * MOST_LAYER * nozzleMm + 1e-9) / 100 + " mm or a larger nozzle.");
        if (!(lineWidthMm >= 0.8 * nozzleMm && lineWidthMm <= 2 * nozzleMm)) out.add(
                "a line of " + lineWidthMm + " mm does not come out of a " + nozzleMm + " mm nozzle: between 0.8 and 2 times the nozzle.");
        if (walls < 1 || walls > 1000) out.add("at least one wall is needed, and no more than 1000.");
        if (!(infill >= 0 && infill <= 1)) out.add("infill lies between 0 and 100 %.");
        if (!(topBottomMm >= 0 && topBottomMm <= 20)) out.add("top and bottom lie between 0 and 20 mm.");
        out.addAll(speeds.check());
    }
}
