package yellowbracket.finding;

import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/** What a finding is about. */
public sealed interface Subject {
    /** The prop at hand, or the build. */
    record Whole() implements Subject {}

    record OfSection(SectionId section) implements Subject {}

    /** By its name, B|C. */
    record OfSeam(String seam) implements Subject {}

    record OfTask(TaskId task) implements Subject {}

    /** A printer, a spool, a product, a wearer, by name. */
    record Named(String name) implements Subject {}

    Subject WHOLE = new Whole();

    static Subject section(SectionId id) {
        return new OfSection(id);
    }

    static Subject seam(String name) {
        return new OfSeam(name);
    }

    static Subject named(String name) {
        return new Named(name);
    }
}
