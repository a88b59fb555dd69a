package yellowbracket.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Optional;
import yellowbracket.demo.DemoBuild;
import yellowbracket.desktop.model.Beginning;
import yellowbracket.document.Build;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Meshes;
import yellowbracket.document.Opening;
import yellowbracket.document.ShopFile;
import yellowbracket.mesh.Progress;

/**
 * What the window opens on: the demo, a named file, the build of last time, or an empty one; {@code problem} says what could not be read,
 * {@code rescued} that the build stands in no file.
 */
record FirstBuild(Build build, Meshes meshes, Optional<Path> file, boolean rescued, String problem) {

    static FirstBuild of(StartOptions options) {
        if (options.demo()) {
            var d = DemoBuild.at(LocalDate.now(options.clock()));
            return new FirstBuild(d.build(), d.meshes(), Optional.empty(), false, "");
        }
        var wanted = options.file().or(options::lastBuild);
        if (wanted.isEmpty() || !BuildFile.isName(wanted.get())) return empty(options, "");
        return switch (Opening.of(wanted.get(), Progress.NONE)) {
            case Opening.Opened o -> new FirstBuild(o.build(), o.meshes(), wanted, false, String.join(" ", o.notes()));
            case Opening.Rescued o -> new FirstBuild(o.build(), o.meshes(), Optional.empty(), true, o.note());
            case Opening.Refused r -> empty(options, r.problem().sentence());
        };
    }

    private static FirstBuild empty(StartOptions options, String problem) {
        var shop = ShopFile.fresh();
        String wrong = problem;
        try {
            shop = ShopFile.read(options.configuration().resolve("shop.json"));
        } catch (IOException e) {
            wrong = e.getMessage() + ".";
        }
        return new FirstBuild(Build.empty(LocalDateTime.now(options.clock()), shop), Meshes.NONE, Optional.empty(), false, wrong);
    }

    /** Takes the build over, on a thread that may wait. */
    Begun begin(StartOptions options) {
        var unsaved = options.configuration().resolve(options.demo() ? "demo.bracket" : "unsaved.bracket");
        return new Begun(Beginning.of(build, meshes, file, unsaved), rescued, problem);
    }

    /** With the lock on its name and what an earlier session left there. */
    record Begun(Beginning beginning, boolean rescued, String problem) {}
}
