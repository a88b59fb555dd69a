package yellowbracket.desktop.model;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Asks which file or folder is meant. Empty: nothing was chosen, and nothing is to be done. */
public interface AskFile {
    /** @param endings of the files offered, without a dot and in any case; none offers every file */
    record Kind(String words, List<String> endings) {
        public static final Kind ANY = new Kind("all files", List.of());

        public static Kind of(String words, String... endings) {
            return new Kind(words, List.of(endings));
        }
    }

    Optional<Path> toOpen(String title, Kind kind);

    /** @param name proposed */
    Optional<Path> toSave(String title, String name, Kind kind);

    Optional<Path> folder(String title);

    /** The system's own dialogs, over the window that has the focus. */
    static AskFile dialogs() {
        return new AskFile() {
            @Override
            public Optional<Path> toOpen(String title, Kind kind) {
                return path(chooser(title, kind).showOpenDialog(owner()));
            }

            @Override
            public Optional<Path> toSave(String title, String name, Kind kind) {
                var chooser = chooser(title, kind);
                chooser.setInitialFileName(name);
                return path(chooser.showSaveDialog(owner()));
            }

            @Override
            public Optional<Path> folder(String title) {
                var chooser = new DirectoryChooser();
                chooser.setTitle(title);
                return path(chooser.showDialog(owner()));
            }

            private FileChooser chooser(String title, Kind kind) {
                var chooser = new FileChooser();
                chooser.setTitle(title);
                if (!kind.endings().isEmpty()) chooser.getExtensionFilters()
                        .add(new FileChooser.ExtensionFilter(kind.words(),
                                kind.endings().stream().flatMap(e -> Stream.of("*." + e, "*." + e.toUpperCase(Locale.ROOT))).toList()));
                return chooser;
            }

            private Window owner() {
                return Window.getWindows().stream().filter(Window::isFocused).findFirst().orElse(null);
            }

            private Optional<Path> path(File f) {
                return Optional.ofNullable(f).map(File::toPath);
            }
        };
    }
}
