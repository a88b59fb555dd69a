package yellowbracket.print;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.shop.Profile;
import yellowbracket.work.SectionId;

/** How a prop is printed: a profile for all of it, and by section's letter what the maker decided otherwise. */
@RecordBuilder
public record PrintWish(Profile profile, Map<String, SectionWish> sections) implements PrintWishBuilder.With {
    public PrintWish {
        sections.forEach((letter, wish) -> {
            if (wish == null) throw new IllegalArgumentException("what is decided about section " + letter + " is missing");
        });
        var sorted = new TreeMap<String, SectionWish>(SectionId.LETTERS);
        sorted.putAll(sections);
        sections = Collections.unmodifiableMap(sorted);
    }

    public static PrintWish of(Profile profile) {
        return new PrintWish(profile, Map.of());
    }

    public SectionWish section(String letter) {
        return sections.getOrDefault(letter, SectionWish.NONE);
    }

    /** Another profile for one section, from the one it has now. */
    public PrintWish withProfileOf(String letter, UnaryOperator<Profile> change) {
        var wish = section(letter);
        return withSection(letter, wish.withProfile(Optional.of(change.apply(wish.profile().orElse(profile)))));
    }

    /** The same change of the prop's profile and of all that sections have of their own. */
    public PrintWish everyProfile(UnaryOperator<Profile> change) {
        var changed = new TreeMap<>(sections);
        changed.replaceAll((letter, wish) -> wish.withProfile(wish.profile().map(change)));
        return new PrintWish(change.apply(profile), changed);
    }

    /** More holes for a section to drain through. */
    public PrintWish withDrains(String letter, List<Drain> more) {
        var wish = section(letter);
        return withSection(letter, wish.withDrains(Stream.concat(wish.drains().stream(), more.stream()).toList()));
    }

    /** By letter, of sections that have any. */
    public Map<String, List<Drain>> drains() {
        return sections.entrySet()
                .stream()
                .filter(e -> !e.getValue().drains().isEmpty())
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().drains()));
    }

    /** Nothing decided leaves no trace. */
    public PrintWish withSection(String letter, SectionWish wish) {
        var changed = new TreeMap<>(sections);
        if (wish.equals(SectionWish.NONE)) changed.remove(letter);
        else changed.put(letter, wish);
        return withSections(changed);
    }
}
