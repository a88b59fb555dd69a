package yellowbracket.log;

import java.util.Optional;
import yellowbracket.work.SectionId;

/** What the words of a log line may name in a build. */
public interface Names {
    /** Of a letter on a section, whichever prop it belongs to. */
    Optional<SectionId> section(String letter);

    /** The number of a prop's present cuts; empty for what is no prop of this build. */
    Optional<Integer> cuts(String prop);
}
