package yellowbracket.document;

import java.util.function.ToIntFunction;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;

/** Counts the sections of a prop by cutting its mesh: what the letters of builds from before schema 6 hang on. */
final class CutCount implements ToIntFunction<Prop> {
    private final Meshes meshes;
    private final Progress progress;

    CutCount(Meshes meshes, Progress progress) {
        this.meshes = meshes;
        this.progress = progress;
    }

    /** Its planes and one where there is no mesh. */
    @Override
    public int applyAsInt(Prop p) {
        var tree = p.cut().tree();
        var file = meshes.get(p.mesh());
        if (file.isEmpty()) return tree.planeCount() + 1;
        var model = p.size().reshape().apply(p.intake().apply(file.get(), progress));
        if (model.isEmpty()) return tree.planeCount() + 1;
        return Sectioning.of(model, Bvh.of(model), tree, p.id(), Letters.alone(), progress).sections().size();
    }
}
