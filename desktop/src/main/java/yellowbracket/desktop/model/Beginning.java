package yellowbracket.desktop.model;

import java.nio.file.Path;
import java.util.Optional;
import yellowbracket.document.Build;
import yellowbracket.document.Journal;
import yellowbracket.document.Meshes;

/**
 * What a window begins with, fetched on a thread that may wait: a build, the lock on its name, and what an earlier session left there.
 */
public final class Beginning {
    final Build build;
    final Meshes meshes;
    final Optional<Path> file;
    final Keeping keeping;
    /** The file, where no other window has it open. */
    final Optional<Path> held;
    final Journal.Left left;

    private Beginning(Build build, Meshes meshes, Optional<Path> file, Path unsaved) {
        this.build = build;
        this.meshes = meshes;
        this.file = file.map(Sessions::plain);
        keeping = new Keeping(unsaved);
        held = keeping.take(this.file, file.isEmpty());
        left = keeping.read();
    }

    /** @param unsaved the name under which a build without a file is journalled */
    public static Beginning of(Build build, Meshes meshes, Optional<Path> file, Path unsaved) {
        return new Beginning(build, meshes, file, unsaved);
    }
}
