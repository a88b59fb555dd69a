package yellowbracket.desktop.shell;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.image.WritableImage;
import javax.imageio.ImageIO;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.document.Edit;
import yellowbracket.export.BuildBook;
import yellowbracket.export.Export;
import yellowbracket.export.Labels;
import yellowbracket.export.SectionFiles;
import yellowbracket.export.ShoppingFiles;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.log.LogImport;
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

    /** As a table and to print. */
    void exportShopping() {
        model.ask()
                .folder("folder for the shopping list")
                .ifPresent(f -> model.ofBuild(ShelfFigures.SHOPPING)
                        .ifPresent(s -> export(() -> ShoppingFiles.write(model.session().build().name(), s, f))));
    }

    /** The board as it is looked at. */
    void exportBoard(Supplier<WritableImage> board) {
        model.ask().toSave("picture of the plan", "plan.png", AskFile.Kind.of("pictures", "png")).ifPresent(f -> {
            var picture = SwingFXUtils.fromFXImage(board.get(), null); // of the window: taken on its own thread
            export(() -> {
                var bytes = new ByteArrayOutputStream();
                ImageIO.write(picture, "png", bytes);
                SafeFile.write(f, bytes.toByteArray());
                return List.of(f);
            });
        });
    }

    void exportLog() {
        model.ask().folder("folder for the log").ifPresent(f -> export(() -> Export.log(model.session().build(), f)));
    }

    /** The book of the build and a sheet for whoever receives a prop. */
    void exportBook() {
        var derived = model.derived();
        model.ask()
                .folder("folder for the build book")
                .ifPresent(f -> export(() -> BuildBook.write(model.session().build(), model.session().meshes(), derived, f)));
    }

    /** Lines of another log come in as one edit. */
    void importLog() {
        model.ask().toOpen("a log as CSV or Markdown", AskFile.Kind.of("logs", "csv", "md", "txt")).ifPresent(f -> {
            var build = model.session().build();
            model.background("reading " + f.getFileName(), p -> LogImport.read(f, build.log(), build), outcome -> {
                switch (outcome) {
                    case LogImport.Outcome.Refused r -> model.tell(AppModel.Tone.STOP, r.problem().sentence());
                    case LogImport.Outcome.Read r -> {
                        if (!r.entries().isEmpty()) model.apply(Edit.logged(r.entries()));
                        model.tell(AppModel.Tone.GOOD, r.entries().size() + " new lines" + (r.unread().isEmpty() ? ""
                                : "; " + r.unread().size() + " were no lines of a log, first line " + r.unread().getFirst()));
                    }
                }
            });
        });
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
