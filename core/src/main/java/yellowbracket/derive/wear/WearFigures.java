package yellowbracket.derive.wear;

import java.util.List;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.shop.Catalogue;
import yellowbracket.wear.PadPlan;

/** Pads from the room that the fit leaves. */
public final class WearFigures {
    public static final Figure<Pads> PADS = Figure.ofProp("pads", Pads.class, WearFigures::pads);

    private WearFigures() {}

    /** One set a wearer. */
    public record Pads(List<PadPlan> sets) {}

    private static Pads pads(Reads in) {
        var foams = in.shop(Catalogue::foamsMm);
        return new Pads(in.get(SizeFigures.FITS).list().stream().map(f -> PadPlan.of(f.wearer(), f.clearance(), foams)).toList());
    }
}
