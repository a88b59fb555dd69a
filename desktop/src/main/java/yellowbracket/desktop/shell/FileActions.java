package yellowbracket.desktop.shell;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.export.Export;
import yellowbracket.export.SectionFiles;

/** Opening, saving and exporting: asks where, then leaves the work to the model's file thread. */
final class FileActions {
    private static final List<String> OPENED = List.of("*.bracket", "*.stl", "*.obj", "*.ply", "*.3mf", "*.gz", "*.STL", "*.OBJ", "*.PLY",
            "*.3MF", "*.GZ");

    private final AppModel model;
    private final Supplier<Window> window;

    FileActions(AppModel model, Supplier<Window> window) {
        this.model = model;
        this.window = window;
    }

    void open() {
        var chooser = new FileChooser();
        chooser.setTitle("open a build or a mesh");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("builds and meshes", OPENED));
        Optional.ofNullable(chooser.showOpenDialog(window.get())).ifPresent(f -> model.open(f.toPath()));
    }

    void save() {
        model.session().file().ifPresentOrElse(model::save, this::saveAs);
    }

    void saveAs() {
        var chooser = new FileChooser();
        chooser.setTitle("save the build");
        chooser.setInitialFileName(model.shownProperty().get().name().toLowerCase(java.util.Locale.ROOT).replace(' ', '-') + ".bracket");
        Optional.ofNullable(chooser.showSaveDialog(window.get())).ifPresent(f -> model.save(f.toPath()));
    }

    private Optional<Path> folder(String title) {
        var chooser = new DirectoryChooser();
        chooser.setTitle(title);
        return Optional.ofNullable(chooser.showDialog(window.get())).map(java.io.File::toPath);
    }

    /** @param asPrinted lying on the bed; else where they sit in the prop */
    void exportSections(boolean asPrinted) {
        folder("folder for the section files").ifPresent(f -> exportSectionsTo(f, asPrinted));
    }

    /** Without asking where: for tests and scripts. */
    void exportSectionsTo(Path folder, boolean asPrinted) {
        var registered = model.result(CutFigures.REGISTERED);
        var prints = model.result(PrintFigures.PRINTS);
        var prop = model.currentProp();
        if (registered.isEmpty() || prints.isEmpty() || prop.isEmpty())
            model.tell(AppModel.Tone.STOP, "the sections are still being worked out: try again in a moment");
        else export(() -> new SectionFiles(model.shownProperty().get().name() + ": " + prop.get().name(), prop.get().scale(),
                registered.get(), asPrinted ? prints : Optional.empty()).write(folder).all());
    }

    void exportCalendar() {
        folder("folder for the calendar").ifPresent(f -> model.schedule()
                .ifPresent(s -> export(() -> List.of(Export.calendar(model.session().build(), s, f.resolve("plan.ics"))))));
    }

    void exportLog() {
        folder("folder for the log").ifPresent(f -> export(() -> Export.log(model.session().build(), f)));
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
                throw new IllegalStateException(AppModel.reason(e) + "; choose another folder", e);
            }
        }, files -> model.tell(AppModel.Tone.GOOD,
                files.size() + (files.size() == 1 ? " file" : " files") + " written to " + files.getFirst().toAbsolutePath().getParent()));
    }
}
