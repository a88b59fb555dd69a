package yellowbracket.desktop.station.colour;

import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;

/** Takes strokes to the whole model, aside, each one edit. Only the light copy is painted while a stroke is drawn. */
final class ZonePainter {
    private final AppModel model;

    ZonePainter(AppModel model) {
        this.model = model;
    }

    /** @param stroke what happens to the surface @param also what else changes with it */
    void run(String name, UnaryOperator<Painted> stroke, UnaryOperator<ColourWish> also) {
        var zones = model.result(ColourFigures.ZONES);
        var prop = model.currentProp();
        if (zones.isEmpty() || prop.isEmpty() || !model.fresh(ColourFigures.ZONES)) {
            model.tell(AppModel.Tone.NOTE, "the zones are still being worked out: a moment, then once more");
            return;
        }
        var painted = zones.get().painted();
        var id = prop.get().id();
        var before = prop.get().colour();
        model.background("painting: " + name, progress -> ZoneMap.of(stroke.apply(painted), painted.base().contentHash()), map -> {
            var now = model.session().build().prop(id).map(Prop::colour);
            if (!now.equals(Optional.of(before))) {
                model.tell(AppModel.Tone.NOTE, "the zones were changed meanwhile: paint that stroke again");
                return;
            }
            if (Optional.of(map).equals(before.map()) && also.apply(before).equals(before))
                model.tell(AppModel.Tone.NOTE, name + ": nothing changed");
            else model.apply(Edit.colours(name, id, w -> also.apply(w).withMap(Optional.of(map))), painted.base());
        });
    }

    void run(String name, UnaryOperator<Painted> stroke) {
        run(name, stroke, w -> w);
    }
}
