package yellowbracket.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Builds one edit apart. Immutable; builds share what did not change. */
public record History(List<Step> steps, int at) {
    /** A build and the edit that led to it (the first has none). */
    public record Step(String edit, Build build) {}

    public static History of(Build first) {
        return new History(List.of(new Step("", first)), 0);
    }

    public Build now() {
        return steps.get(at).build;
    }

    /** After an edit; what was undone before it is let go. An edit that changes nothing leaves no step. */
    public History after(Edit edit) {
        var next = edit.change().apply(now());
        if (next.equals(now())) return this;
        var list = new ArrayList<>(steps.subList(0, at + 1));
        list.add(new Step(edit.name(), next));
        return new History(List.copyOf(list), at + 1);
    }

    public History undo() {
        return at == 0 ? this : new History(steps, at - 1);
    }

    public History redo() {
        return at + 1 == steps.size() ? this : new History(steps, at + 1);
    }

    public Optional<String> undoName() {
        return at == 0 ? Optional.empty() : Optional.of(steps.get(at).edit);
    }

    public Optional<String> redoName() {
        return at + 1 == steps.size() ? Optional.empty() : Optional.of(steps.get(at + 1).edit);
    }
}
