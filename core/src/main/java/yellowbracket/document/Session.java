package yellowbracket.document;

import java.nio.file.Path;
import java.util.Optional;
import yellowbracket.mesh.Mesh;

/** An open build: its history, its meshes, its file, and whether it is saved. Confined to one thread; no interface code. */
public final class Session {
    private History history;
    private Meshes meshes;
    private Optional<Path> file;
    private Optional<Build> saved;
    private Optional<Build> preview = Optional.empty();

    public Session(Build build, Meshes meshes, Optional<Path> file) {
        history = History.of(build);
        this.meshes = meshes;
        this.file = file;
        saved = Optional.of(build);
    }

    /** What is shown: the previewed build while something is dragged, else the current one. */
    public Build shown() {
        return preview.orElse(history.now());
    }

    public Build build() {
        return history.now();
    }

    public Meshes meshes() {
        return meshes;
    }

    public Optional<Path> file() {
        return file;
    }

    public History history() {
        return history;
    }

    public boolean dirty() {
        return !saved.equals(Optional.of(history.now()));
    }

    public void apply(Edit edit) {
        preview = Optional.empty();
        history = history.after(edit);
    }

    /** Shows an edit without taking it. */
    public void preview(Edit edit) {
        preview = Optional.of(edit.change().apply(history.now()));
    }

    public void endPreview() {
        preview = Optional.empty();
    }

    public void undo() {
        preview = Optional.empty();
        history = history.undo();
    }

    public void redo() {
        preview = Optional.empty();
        history = history.redo();
    }

    /** Meshes outlive the edits that brought them, so that redo finds them. */
    public void addMesh(Mesh mesh) {
        meshes = meshes.with(mesh);
    }

    public void addPhoto(Photo photo) {
        meshes = meshes.with(photo);
    }

    /** It is in no file, however it is changed. */
    public void unsaved() {
        saved = Optional.empty();
    }

    /** Written to this file as it was then; edits since are still to be saved. */
    public void saved(Path to, Build build) {
        file = Optional.of(to);
        saved = Optional.of(build);
    }
}
