package yellowbracket.desktop.widget;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;

/**
 * Which control of a card has the keys, told by what it is and is called, so that its successor can have them when the card is written
 * anew.
 *
 * @param id    its id; empty for none
 * @param kind  its class
 * @param name  what it is called
 * @param among which one it is of those of this class and name, from 0
 */
public record Keys(String id, Class<?> kind, String name, int among) {
    /** Where the keys are, if they are on this card. */
    public static Optional<Keys> on(Parent card, Node owner) {
        var all = controls(card);
        if (!all.contains(owner)) return Optional.empty();
        var alike = all.stream().filter(n -> alike(n, owner.getClass(), called(owner))).toList();
        return Optional.of(new Keys(owner.getId() == null ? "" : owner.getId(), owner.getClass(), called(owner), alike.indexOf(owner)));
    }

    /** The same control on a card written anew; nothing where it is gone. */
    public Optional<Node> in(Parent card) {
        var all = controls(card);
        if (!id.isEmpty()) return all.stream().filter(n -> id.equals(n.getId())).findFirst();
        return all.stream().filter(n -> n.getId() == null && alike(n, kind, name)).skip(among).findFirst();
    }

    private static boolean alike(Node n, Class<?> kind, String name) {
        return n.getClass() == kind && called(n).equals(name);
    }

    private static String called(Node n) {
        if (n.getAccessibleText() != null) return n.getAccessibleText();
        return n instanceof Labeled l && l.getText() != null ? l.getText() : "";
    }

    private static List<Node> controls(Parent p) {
        var out = new ArrayList<Node>();
        for (var n : p.getChildrenUnmodifiable()) {
            if (n instanceof Control && n.isFocusTraversable()) out.add(n);
            if (n instanceof Parent q) out.addAll(controls(q));
        }
        return out;
    }
}
