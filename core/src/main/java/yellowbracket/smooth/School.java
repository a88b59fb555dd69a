package yellowbracket.smooth;

import java.util.Set;
import yellowbracket.shop.Coating;

/** A way of working: which films it allows. All sand, and all but texture end in primer. */
public enum School {
    FILL_SAND_PRIME("fill, sand, prime", Set.of(Coating.Kind.FILLER, Coating.Kind.FILLER_PRIMER, Coating.Kind.SPRAY_PUTTY)),
    UV_RESIN_FIRST("UV resin first", Set.of(Coating.Kind.RESIN, Coating.Kind.FILLER_PRIMER)),
    EPOXY_SHELL("epoxy shell", Set.of(Coating.Kind.EPOXY, Coating.Kind.FILLER_PRIMER)),
    PASTE("water-based paste", Set.of(Coating.Kind.PASTE, Coating.Kind.FILLER_PRIMER)),
    TEXTURE("texture instead", Set.of(Coating.Kind.TEXTURE, Coating.Kind.PRIMER));

    private final String label;
    private final Set<Coating.Kind> films;

    School(String label, Set<Coating.Kind> films) {
        this.label = label;
        this.films = films;
    }

    public String label() {
        return label;
    }

    public boolean allows(Coating.Kind kind) {
        return films.contains(kind);
    }

    /** Whether one of its films softens some plastics. */
    boolean needsBarrier() {
        return allows(Coating.Kind.FILLER);
    }
}
