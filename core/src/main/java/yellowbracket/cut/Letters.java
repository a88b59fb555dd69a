package yellowbracket.cut;

import java.util.ArrayList;
import java.util.List;

/**
 * The block of letters a prop's sections are named with: a decision of the document, so that no prop's cuts rename another's sections.
 *
 * @param loose how many bodies the prop falls in before it is cut; each plane may leave as many more
 * @param runs letters in a row, in the order they are given out
 */
public record Letters(int loose, List<Run> runs) {
    /** {@code count} letters from {@code first} on, 0 is A. */
    public record Run(int first, int count) {
        public Run {
            if (first < 0 || count < 1 || first + count > MOST)
                throw new IllegalArgumentException("a block of letters cannot hold " + count + " from " + first);
        }

        int end() {
            return first + count;
        }
    }

    /** A to ZZ. */
    private static final int MOST = 26 + 26 * 26;

    public Letters {
        runs = List.copyOf(runs);
        if (runs.isEmpty()) throw new IllegalArgumentException("a prop needs at least one letter");
        if (loose < 1) throw new IllegalArgumentException("a prop has at least one body, was " + loose);
    }

    /** A block of its own for a prop of so many bodies. */
    public static Letters from(int first, int loose) {
        return new Letters(Math.max(1, loose), List.of(new Run(first, Math.clamp(loose, 1, MOST - first))));
    }

    /** As many as anybody can cut, for a model that is alone. */
    public static Letters alone() {
        return from(0, MOST);
    }

    public int count() {
        return runs.stream().mapToInt(Run::count).sum();
    }

    /** The first letter behind this block. */
    public int end() {
        return runs.stream().mapToInt(Run::end).max().orElse(0);
    }

    /** Of the section with that number, from 0. Beyond the block letters come again, numbered: A2 after the last. */
    public String at(int section) {
        int round = section / count(), left = section % count();
        for (var r : runs) {
            if (left < r.count) return Section.letter(r.first + left) + (round == 0 ? "" : round + 1);
            left -= r.count;
        }
        throw new IllegalStateException("no letter for section " + section);
    }

    /** Whether this block gives out that letter. */
    public boolean holds(String letter) {
        String plain = letter.replaceAll("[0-9]", "");
        return runs.stream().anyMatch(r -> {
            for (int i = r.first; i < r.end(); i++) if (Section.letter(i).equals(plain)) return true;
            return false;
        });
    }

    /** With letters for so many leaves of a cut tree; those given out already stay. @param free the first letter that no prop has */
    public Letters grownFor(int leaves, int free) {
        int more = leaves + loose - 1 - count();
        if (more <= 0 || free + more > MOST) return this;
        var out = new ArrayList<>(runs);
        var last = out.getLast();
        if (last.end() == free) out.set(out.size() - 1, new Run(last.first, last.count + more));
        else out.add(new Run(free, more));
        return new Letters(loose, out);
    }
}
