package yellowbracket.derive.colour;

import yellowbracket.colour.ColourPlan;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.document.Prop;

/** Zones, coats, cans. */
public final class ColourFigures {
    public static final Figure<ColourPlan> COLOUR = Figure.ofProp("colours", ColourPlan.class, ColourFigures::plan);

    private ColourFigures() {}

    private static ColourPlan plan(Reads in) {
        double scale = in.of(Prop::scale);
        var samples = in.get(CutFigures.SAMPLES_OF).bySection().values().stream().map(s -> s.scaled(scale)).toList();
        var wish = in.of(Prop::colour);
        return ColourPlan.of(samples, scale, wish.zones(), wish.seal(), in.shop(s -> s));
    }
}
