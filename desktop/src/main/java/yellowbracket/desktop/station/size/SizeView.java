package yellowbracket.desktop.station.size;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.derive.Derived;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.finding.Weight;

/**
 * The size page: which size, does it fit, does the head go in, what is seen; and whether the mesh is what it should be. Each part under a
 * tab.
 */
public final class SizeView extends StationView {
    /** Names of the tabs, in order. */
    private static final List<String> TABS = List.of("fit", "put on", "sight", "wearers", "scale", "looks", "bodies", "health");
    private final BodiesPart bodies;
    private final HealthPart health;
    private final FitPart fit;
    private final OnPart on;
    private final WearersPart wearers;
    private final Map<String, SizePart> parts = new LinkedHashMap<>();

    public SizeView(AppModel model, Bench bench) {
        super(model, bench, TABS);
        bodies = new BodiesPart(model, bench, this::draw);
        health = new HealthPart(model, bench);
        fit = new FitPart(this);
        on = new OnPart(this);
        wearers = new WearersPart(this);
        parts.put("fit", fit);
        parts.put("put on", on);
        parts.put("sight", new SightPart(this));
        parts.put("wearers", wearers);
        parts.put("scale", new ScalePart(this));
        parts.put("looks", new LooksPart(this));
        bench.onLook(this::draw);
        keep(bench.section().selectedProperty().subscribe(x -> {
            if (bench.section().isVisible() && model.currentProp().isPresent()) draw();
        }));
    }

    @Override
    protected void leave(String name) {
        on.leave();
    }

    @Override
    public boolean busyWithInput() {
        return fit.dragging();
    }

    @Override
    public Card card() {
        var shown = parts.get(tab());
        String heading = shown != null ? shown.heading() : tab().equals("bodies") ? "which parts of the file count" : "is the mesh sound";
        String sub = prop().name() + " \u00b7 " + (shown != null ? fit.about() : bounds().map(b -> words().size(b.size())).orElse(""));
        var card = card(heading, sub);
        if (shown != null) {
            boolean hollow = model.result(SizeFigures.FITS).isPresent()
                    || model.result(SizeFigures.CAVITY).map(c -> c.holdsAHead()).orElse(prop().worn());
            if (!hollow && (tab().equals("put on") || tab().equals("sight")))
                card.text(prop().worn() ? "a mask without a hollow is held in front of the face: see fit"
                        : "nobody wears this yet: choose who does under wearers, or see fit for what it is for");
            else shown.write(card);
        } else if (tab().equals("bodies")) bodies.write(card);
        else health.write(card);
        var d = model.derived();
        if (d.state(ModelFigures.MODEL, prop().id()) == Derived.State.FAILED)
            card.finding(Weight.STOP, d.reason(ModelFigures.MODEL, prop().id()), "undo", model::undo);
        return card;
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        if (tab().equals("bodies")) bodies.draw();
        else if (tab().equals("health")) health.draw(neutral());
        else parts.get(tab()).draw();
    }
}
