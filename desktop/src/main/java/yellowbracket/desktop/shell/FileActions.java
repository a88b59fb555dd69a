package yellowbracket.desktop.shell;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.export.Export;
import yellowbracket.export.Labels;
import yellowbracket.export.SectionFiles;
import yellowbracket.mesh.io.WriteProblem;

/** Opening, saving and exporting: asks where, then leaves the work to the model's file thread. */
final class FileActions {
    private static final AskFile.Kind OPENED = AskFile.Kind.of("builds and meshes", "bracket", "stl", "obj", "ply", "3mf", "gz");

    private final AppModel model;

    FileActions(AppModel model) {
        this.model = model;
    }

    void open() {
        model.ask().toOpen("open a build or a mesh", OPENED).ifPresent(model.sessions()::open);
    }

    void save() {
        model.session().file().ifPresentOrElse(model.sessions()::save, this::saveAs);
    }

    void saveAs() {
        askWhere().ifPresent(model.sessions()::save);
    }

    /** Nothing is left when no name is given. */
    void saveAndLeave() {
        model.session().file().or(this::askWhere).ifPresent(model.sessions()::saveAndLeave);
    }

    private Optional<Path> askWhere() {
        var name = model.shownProperty().get().name().toLowerCase(java.util.Locale.ROOT).replace(' ', '-') + ".bracket";
        return model.ask().toSave("save the build", name, AskFile.Kind.ANY);
    }

    /** @param asPrinted lying on the bed; else where they sit in the prop */
    void exportSections(boolean asPrinted) {
        model.ask().folder("folder for the section files").ifPresent(f -> exportSections(f, asPrinted));
    }

    private void exportSections(Path folder, boolean asPrinted) {
        var registered = model.result(CutFigures.REGISTERED);
        var prints = model.result(PrintFigures.PRINTS);
        var prop = model.currentProp();
        if (registered.isEmpty() || prints.isEmpty() || prop.isEmpty())
            model.tell(AppModel.Tone.STOP, "the sections are still being worked out: try again in a moment");
        else export(() -> new SectionFiles(model.shownProperty().get().name() + ": " + prop.get().name(), prop.get().scale(),
                registered.get(), asPrinted ? prints : Optional.empty()).write(folder).all());
    }

    void exportCalendar() {
        model.ask()
                .folder("folder for the calendar")
                .ifPresent(f -> model.schedule()
                        .ifPresent(s -> export(() -> List.of(Export.calendar(model.session().build(), s, f.resolve("plan.ics"))))));
    }

    void exportLog() {
        model.ask().folder("folder for the log").ifPresent(f -> export(() -> Export.log(model.session().build(), f)));
    }

    /** Labels for products put in another jar. */
    void exportLabels(List<String> products) {
        model.ask()
                .folder("folder for the labels")
                .ifPresent(f -> export(
                        () -> List.of(Labels.write(products, model.now().toLocalDate(), model.shop(), f.resolve("labels.pdf")))));
    }

    /** Something that writes files. */
    private interface Writing {
        List<Path> run() throws IOException;
    }

    private void export(Writing work) {
        model.background("writing files", p -> {
            try {
                return work.run();
            } catch (IOException e) {
                throw new IllegalStateException(WriteProblem.words(e) + "; choose another folder", e);
            }
        }, files -> model.tell(AppModel.Tone.GOOD,
                files.size() + (files.size() == 1 ? " file" : " files") + " written to " + files.getFirst().toAbsolutePath().getParent()));
    }
}
