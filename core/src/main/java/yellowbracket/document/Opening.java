package yellowbracket.document;

import java.nio.file.Path;
import java.util.List;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.ReadProblem;

/** A build file opened together with what stands beside it: what an earlier session left, and the version before the last save. */
public sealed interface Opening {
    /** {@code notes}: what the file named that is not known. */
    record Opened(Build build, Meshes meshes, Journal.Left left, List<String> notes) implements Opening {}

    /** The file is no good, something beside it is; {@code note} tells both. It has no file of its own yet. */
    record Rescued(Build build, Meshes meshes, String note) implements Opening {}

    record Refused(ReadProblem problem) implements Opening {}

    /** Reads only. */
    static Opening of(Path file, Progress progress) {
        var left = Journal.beside(file).left();
        return switch (BuildFile.read(file, progress)) {
            case BuildFile.Outcome.Opened o -> new Opened(o.build(), o.meshes(), left, o.notes());
            case BuildFile.Outcome.Refused r -> rescued(file, left, r.problem(), progress);
        };
    }

    private static Opening rescued(Path file, Journal.Left left, ReadProblem problem, Progress progress) {
        if (left instanceof Journal.Left.Found f) return new Rescued(f.build(), f.meshes(),
                problem.sentence() + " Its recovery copy is whole and is open now, with the last edits: save it under another name.");
        if (BuildFile.read(BuildFile.previous(file), progress) instanceof BuildFile.Outcome.Opened o) return new Rescued(o.build(),
                o.meshes(), problem.sentence() + " The version before the last save is open instead: save it under another name.");
        return new Refused(problem);
    }
}
