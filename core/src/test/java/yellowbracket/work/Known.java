package yellowbracket.work;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import yellowbracket.log.Names;

/** Names for tests: a prop "p" that has every letter, and tasks that go by any word. */
public final class Known implements Names {
    public static final Names NAMES = new Known(0);
    private final int cuts;

    private Known(int cuts) {
        this.cuts = cuts;
    }

    /** After so many other cuts. */
    public static Names after(int cuts) {
        return new Known(cuts);
    }

    @Override
    public Optional<SectionId> section(String letter) {
        return SectionId.isLetter(letter) ? Optional.of(section("p", letter)) : Optional.empty();
    }

    @Override
    public Optional<Integer> cuts(String prop) {
        return Optional.of(cuts);
    }

    public static SectionId section(String prop, String letter) {
        return new SectionId(prop, letter);
    }

    public static SectionId p(String letter) {
        return new SectionId("p", letter);
    }

    /** The print of sections of the prop p. */
    public static TaskId print(String... letters) {
        return new TaskId.Print(Arrays.stream(letters).map(Known::p).toList());
    }

    /** A task that goes by a word. */
    public static TaskId task(String word) {
        return new TaskId.Pads("p", word);
    }

    public static List<TaskId> tasks(String... words) {
        return Arrays.stream(words).map(Known::task).toList();
    }
}
