package yellowbracket.derive.colour;

import yellowbracket.mesh.index.Bvh;
import yellowbracket.finding.Finding;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.colour.TightBorder;
import yellowbracket.colour.ColourZone;
import java.util.List;
import yellowbracket.colour.ColourPlan;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.document.Prop;

/** Zones, coats, cans. */
public final class ColourFigures {
    public static final Figure<ColourPlan> COLOUR = Figure.ofProp("colours", ColourPlan.class, ColourFigures::plan);

    /** Borders of two colours that cannot be masked. */
    public static final Figure<Tight> TIGHT = Figure.ofProp("tight borders", Tight.class, ColourFigures::tight);

    private ColourFigures() {}

    public record Tight(List<TightBorder> list) {
        public List<Finding> findings() {
            return list.stream().map(TightBorder::finding).toList();
        }
    }

    /** On the light copy: borders are as fine as its facets. */
    private static Tight tight(Reads in) {
        var zones = in.of(p -> p.colour().zones());
        if (zones.size() < 2) return new Tight(List.of());
        double scale = in.of(Prop::scale);
        var mesh = in.get(ModelFigures.PROXY).mesh().scaled(scale);
        return new Tight(TightBorder.of(mesh, Bvh.of(mesh), p -> ColourZone.at(zones, p.times(1 / scale)),
                zones.stream().map(ColourZone::name).toList()));
    }

    private static ColourPlan plan(Reads in) {
        double scale = in.of(Prop::scale);
        var samples = in.get(CutFigures.SAMPLES_OF).bySection().values().stream().map(s -> s.scaled(scale)).toList();
        var wish = in.of(Prop::colour);
        return ColourPlan.of(samples, scale, wish.zones(), wish.seal(), in.shop(s -> s));
    }
}
