package yellowbracket.desktop.station;

import java.util.List;
import java.util.Optional;
import yellowbracket.build.Node;
import yellowbracket.build.Prop;
import yellowbracket.cut.Registered;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.desktop.AppModel;
import yellowbracket.desktop.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;

/** One part of the cut page, shown under a tab of its own. */
abstract class CutPart {
    protected final CutView view;
    protected final AppModel model;

    CutPart(CutView view) {
        this.view = view;
        model = view.model();
    }

    abstract String heading();

    abstract void write(Card card);

    protected Prop prop() {
        return model.currentProp().orElseThrow();
    }

    protected Words words() {
        return model.words();
    }

    protected Optional<Sectioning> sections() {
        return model.result(Node.SECTIONS);
    }

    protected Optional<Registered> registered() {
        return model.result(Node.REGISTERED);
    }

    protected NumberField field(String id, String what, String example, double least, double most) {
        return new NumberField(id, what, example, least, most, words -> model.tell(AppModel.Tone.STOP, words));
    }

    /** In the model's own coordinates, as planes are. */
    protected List<Section> modelSections() {
        return model.result(Node.MODEL_SECTIONS).map(Sectioning::sections).orElse(List.of());
    }
}
