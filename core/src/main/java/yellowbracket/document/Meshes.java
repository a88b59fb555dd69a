package yellowbracket.document;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowbracket.mesh.Mesh;

/**
 * The meshes of a build, and the photos of its log, by content hash. Immutable; it only grows, so that undo finds what an edit let go of.
 */
public final class Meshes {
    public static final Meshes NONE = new Meshes(Map.of(), Map.of());
    private final Map<String, Mesh> byHash;
    private final Map<String, Photo> photos;

    private Meshes(Map<String, Mesh> byHash, Map<String, Photo> photos) {
        this.byHash = byHash;
        this.photos = photos;
    }

    public Meshes with(Mesh mesh) {
        var m = new HashMap<>(byHash);
        m.put(mesh.contentHash(), mesh);
        return new Meshes(Map.copyOf(m), photos);
    }

    public Meshes withAll(Meshes other) {
        var m = new HashMap<>(byHash);
        m.putAll(other.byHash);
        var p = new HashMap<>(photos);
        p.putAll(other.photos);
        return new Meshes(Map.copyOf(m), Map.copyOf(p));
    }

    public Meshes with(Photo photo) {
        var p = new HashMap<>(photos);
        p.put(photo.name(), photo);
        return new Meshes(byHash, Map.copyOf(p));
    }

    public Optional<Photo> photo(String name) {
        return Optional.ofNullable(photos.get(name));
    }

    public Optional<Mesh> get(String hash) {
        return Optional.ofNullable(byHash.get(hash));
    }

    public Set<String> hashes() {
        return byHash.keySet();
    }
}
