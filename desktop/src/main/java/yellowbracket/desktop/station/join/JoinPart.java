package yellowbracket.desktop.station.join;

import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.JoinWish;
import yellowbracket.mesh.Vec3;
import java.util.function.UnaryOperator;

/** One part of the join page, shown under a tab of its own. */
abstract class JoinPart extends PagePart {
    protected final JoinView view;

    JoinPart(JoinView view) {
        super(view.model());
        this.view = view;
    }

    abstract void write(Card card, JoinPlan plan);

    /** What the bench shows while this part is open. */
    abstract void draw(JoinPlan plan);

    protected void change(String name, UnaryOperator<JoinWish> how) {
        model.apply(Edit.ofProp(name, prop().id(), p -> p.withJoin(how.apply(p.join()))));
    }

    /** Segments as the bench draws them. */
    protected static double[] segment(Vec3 a, Vec3 b) {
        return new double[] {a.x(), a.y(), a.z(), b.x(), b.y(), b.z()};
    }
}
