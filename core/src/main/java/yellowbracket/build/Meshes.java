package yellowbracket.build;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowbracket.mesh.Mesh;

/** The meshes of a build by content hash. Immutable; it only grows, so that undo finds what an edit let go of. */
public final class Meshes {
    public static final Meshes NONE = new Meshes(Map.of());
    private final Map<String, Mesh> byHash;

    private Meshes(Map<String, Mesh> byHash) {
        this.byHash = byHash;
    }

    public Meshes with(Mesh mesh) {
        var m = new HashMap<>(byHash);
        m.put(mesh.contentHash(), mesh);
        return new Meshes(Map.copyOf(m));
    }

    public Meshes withAll(Meshes other) {
        var m = new HashMap<>(byHash);
        m.putAll(other.byHash);
        return new Meshes(Map.copyOf(m));
    }

    public Optional<Mesh> get(String hash) {
        return Optional.ofNullable(byHash.get(hash));
    }

    public Set<String> hashes() {
        return byHash.keySet();
    }
}
