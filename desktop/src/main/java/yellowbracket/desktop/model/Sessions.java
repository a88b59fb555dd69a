package yellowbracket.desktop.model;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import yellowbracket.document.Build;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Edit;
import yellowbracket.document.Journal;
import yellowbracket.document.Meshes;
import yellowbracket.document.Opening;
import yellowbracket.document.Session;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.io.MeshFile;

/**
 * Which build is open: opening, saving, leaving, and what an earlier session left. Nothing that is in no file is given up unasked. Confined
 * to the interface thread.
 */
public final class Sessions implements AutoCloseable {
    /** Somebody wants to leave a build with edits that are in no file: {@code what} is to be done then. */
    public record Leaving(String what, Runnable then) {}

    private record Found(MeshFile file, Optional<Stance> stance, int bodies) {}

    private final AppModel model;
    private final Keeping keeping;
    private final ReadOnlyObjectWrapper<Optional<Leaving>> leaving = new ReadOnlyObjectWrapper<>(Optional.empty());
    private Session session;
    private boolean discarded;

    Sessions(AppModel model, Keeping keeping) {
        this.model = model;
        this.keeping = keeping;
        keeping.refuseTo(words -> model.tell(AppModel.Tone.STOP, words));
    }

    /** With what was fetched before there was a window. */
    void begin(Beginning with) {
        begin(new Session(with.build, with.meshes, with.held));
        keeping.left(with.left).ifPresent(this::recover);
        if (with.file.isPresent() && with.held.isEmpty()) model.tell(AppModel.Tone.STOP, openElsewhere(with.file.get()));
    }

    private void begin(Session s) {
        session = s;
        discarded = false;
        keeping.prepare(s);
        model.began();
    }

    /** The one that is open. */
    Session current() {
        return session;
    }

    /** Opens a build or a mesh, told apart by name; on failure the session stays as it is. */
    public void open(Path named) {
        var path = plain(named);
        if (!BuildFile.isName(path)) openMesh(path);
        else if (session.file().equals(Optional.of(path))) openBuild(path); // back to what was saved: an edit, to be undone
        else leave("open " + path.getFileName(), () -> openBuild(path));
    }

    private void openBuild(Path path) {
        model.background("opening " + path.getFileName(), p -> Opening.of(path, p), outcome -> {
            switch (outcome) {
                case Opening.Refused r -> model.tell(AppModel.Tone.STOP, r.problem().sentence());
                case Opening.Opened o when session.file().equals(Optional.of(path)) -> {
                    model.apply(new Edit("go back to what was saved", b -> o.build()));
                    model.tell(AppModel.Tone.GOOD, "back to what was saved in " + path.getFileName() + "; undo brings the edits again");
                }
                case Opening.Opened o -> giveUp(path, () -> take(path, o));
                case Opening.Rescued o -> giveUp(path, () -> {
                    replace(o.build(), o.meshes());
                    keepUnsaved();
                    model.tell(AppModel.Tone.STOP, o.note());
                });
            }
        });
    }

    /** Edits made while the other file was read are asked about too. */
    private void giveUp(Path forThis, Runnable then) {
        if (discarded) then.run();
        else leave("open " + forThis.getFileName(), then);
    }

    private void take(Path path, Opening.Opened o) {
        keeping.forget();
        var held = keeping.take(Optional.of(path), false);
        begin(new Session(o.build(), o.meshes(), held));
        if (held.isEmpty()) {
            model.tell(AppModel.Tone.STOP, openElsewhere(path));
            return;
        }
        model.tell(o.notes().isEmpty() ? AppModel.Tone.GOOD : AppModel.Tone.STOP, "opened " + path.getFileName() + told(o.notes()));
        keeping.left(o.left()).ifPresent(this::recover);
    }

    private static String told(List<String> notes) {
        return notes.isEmpty() ? "" : "; " + String.join(" ", notes);
    }

    private void openMesh(Path path) {
        model.background("reading " + path.getFileName(), p -> {
            var file = MeshFile.read(path, p);
            return new Found(file, file instanceof MeshFile.Read r ? Optional.of(Stance.of(r.mesh(), r.unitDeclared())) : Optional.empty(),
                    file instanceof MeshFile.Read r ? Bodies.of(r.mesh()).count() : 1);
        }, found -> {
            switch (found.file) {
                case MeshFile.Refused r -> model.tell(AppModel.Tone.STOP, r.problem().sentence());
                case MeshFile.Read r ->
                        model.add(r.mesh(), found.bodies, MeshFile.title(path), found.stance.orElseThrow(), String.join(", ", r.notices()));
            }
        });
    }

    /** On a thread of its own: what is changed meanwhile is still to be saved. */
    public void save(Path to) {
        save(to, () -> {});
    }

    private void save(Path to, Runnable then) {
        keeping.save(session, plain(to), () -> {
            model.saved();
            model.tell(AppModel.Tone.GOOD, "saved " + to.getFileName());
            then.run();
        });
    }

    /** What is in no file yet stays to be saved, and is in the journal. */
    public void keepUnsaved() {
        session.unsaved();
        edited();
    }

    /** Does what gives up the open build: at once when it is saved, else when the maker has said what becomes of the edits. */
    public void leave(String what, Runnable then) {
        if (session.dirty()) leaving.set(Optional.of(new Leaving(what, then)));
        else then.run();
    }

    public ReadOnlyObjectProperty<Optional<Leaving>> leavingProperty() {
        return leaving.getReadOnlyProperty();
    }

    public void stay() {
        leaving.set(Optional.empty());
    }

    public void saveAndLeave(Path to) {
        var then = leaving.get();
        stay();
        save(to, () -> then.ifPresent(l -> l.then().run()));
    }

    public void discardAndLeave() {
        var then = leaving.get();
        stay();
        discarded = true;
        then.ifPresent(l -> l.then().run());
    }

    /** One name for one file, however it was typed. */
    static Path plain(Path file) {
        return file.toAbsolutePath().normalize();
    }

    private static String openElsewhere(Path file) {
        return file.getFileName() + " is open in another window: this is a copy, to be saved under another name";
    }

    /** The journalled state becomes one edit, so that undo goes back to the file as it was saved. */
    private void recover(Journal.Left.Found left) {
        if (left.build().equals(session.build())) return;
        left.build().props().forEach(p -> left.meshes().get(p.mesh()).ifPresent(session::addMesh));
        left.build().paintedOn().forEach(hash -> left.meshes().get(hash).ifPresent(session::addMesh));
        model.apply(new Edit("recovered after a crash", b -> left.build()));
        model.tell(AppModel.Tone.NOTE, "recovered the edits of the last session; undo goes back to what was saved");
    }

    /** In place of the open build, which is given up: {@link #leave} asks first. */
    public void replace(Build build, Meshes meshes) {
        keeping.forget();
        keeping.take(Optional.empty(), false);
        begin(new Session(build, meshes, Optional.empty()));
    }

    /** Whether the last edit is on disk. */
    public boolean journalled() {
        return keeping.journalled();
    }

    /** The open build was edited, and is on disk within moments. */
    void edited() {
        discarded = false; // what is edited after that is not meant
        keeping.edited(session);
    }

    /** What is being saved, empty for nothing. */
    ReadOnlyObjectProperty<String> busyProperty() {
        return keeping.busyProperty();
    }

    /** What is neither saved nor discarded comes back at the next start. */
    @Override
    public void close() {
        if (discarded || !session.dirty()) keeping.forget();
        keeping.close();
    }
}
