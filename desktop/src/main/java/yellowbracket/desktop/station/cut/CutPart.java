package yellowbracket.desktop.station.cut;

import java.util.List;
import java.util.Optional;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.registration.Registered;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;

/** One part of the cut page, shown under a tab of its own. */
abstract class CutPart extends PagePart {
    protected final CutView view;

    CutPart(CutView view) {
        super(view.model());
        this.view = view;
    }

    abstract void write(Card card);

    protected Optional<Sectioning> sections() {
        return model.result(CutFigures.SECTIONS);
    }

    protected Optional<Registered> registered() {
        return model.result(CutFigures.REGISTERED);
    }

    /** In the model's own coordinates, as planes are. */
    protected List<Section> modelSections() {
        return model.result(CutFigures.MODEL_SECTIONS).map(Sectioning::sections).orElse(List.of());
    }
}
