package yellowbracket.desktop.station;

import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.document.Prop;

/** One part of a station's page, shown under a tab of its own. */
public abstract class PagePart {
    protected final AppModel model;

    protected PagePart(AppModel model) {
        this.model = model;
    }

    public abstract String heading();

    protected Prop prop() {
        return model.currentProp().orElseThrow();
    }

    protected Words words() {
        return model.words();
    }

    protected NumberField field(String id, String what, String example, double least, double most) {
        return new NumberField(id, what, example, least, most, words -> model.tell(AppModel.Tone.STOP, words));
    }
}
