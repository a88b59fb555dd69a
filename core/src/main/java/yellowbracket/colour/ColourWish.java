package yellowbracket.colour;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowbracket.colour.line.LineWish;
import yellowbracket.colour.mark.Mark;
import yellowbracket.colour.order.Aim;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.finding.Limits;

/**
 * Zones of colour, where they lie, in which order they are painted, and the clear coat over all, empty for none.
 * @param map the zones of the surface, once one was painted @param order the maker's own, by zone number; empty for the best for the aim
 * @param weather how worn it is to look @param marks stripes, letters and emblems that were laid on as zones
 * @param lines painted by hand @param references what it is made after
 */
@RecordBuilder
public record ColourWish(List<ColourZone> zones, Optional<ZoneMap> map, Aim aim, List<Integer> order, String seal, WeatherWish weather,
        List<Mark> marks, LineWish lines, List<ColourReference> references) implements ColourWishBuilder.With {
    private static final int MOST_ZONES = 200;
    public static final ColourWish GREY = of(List.of(ColourZone.of(0, "all over", "#8b8f92", "acrylic lacquer spray")), "matt clear");

    public ColourWish {
        zones = List.copyOf(zones);
        order = List.copyOf(order);
        marks = List.copyOf(marks);
        references = List.copyOf(references);
        java.util.Objects.requireNonNull(lines, "lines");
        Limits.distinct("references", references, ColourReference::name);
        if (marks.size() > MOST_ZONES) throw new IllegalArgumentException("more than " + MOST_ZONES + " marks");
        java.util.Objects.requireNonNull(aim, "aim");
        java.util.Objects.requireNonNull(weather, "weather");
        if (zones.size() > MOST_ZONES) throw new IllegalArgumentException("more than " + MOST_ZONES + " colour zones");
        if (zones.stream().map(ColourZone::id).distinct().count() != zones.size())
            throw new IllegalArgumentException("two colour zones have the same number");
    }

    public static ColourWish of(List<ColourZone> zones, String seal) {
        return new ColourWish(zones, Optional.empty(), Aim.LEAST_WORK, List.of(), seal, WeatherWish.NEW, List.of(), LineWish.NONE,
                List.of());
    }

    public Optional<ColourZone> zone(int id) {
        return zones.stream().filter(z -> z.id() == id).findFirst();
    }

    /** A number no zone has, nor had in the map. */
    public int nextId() {
        return 1 + zones.stream().mapToInt(ColourZone::id).max().orElse(-1);
    }

    /** What is painted where nothing else is: the last, or while zones lie by patches the one without. */
    public int ground() {
        if (map.isPresent() && !zones.isEmpty()) return zones.getLast().id();
        return zones.stream()
                .filter(ColourZone::rest)
                .findFirst()
                .or(() -> zones.stream().reduce((a, b) -> b))
                .map(ColourZone::id)
                .orElse(0);
    }

    public ColourWish with(ColourZone zone) {
        var all = new ArrayList<>(zones);
        all.removeIf(z -> z.id() == zone.id());
        int at = zones.stream().map(ColourZone::id).toList().indexOf(zone.id());
        all.add(at < 0 ? Math.max(0, all.size() - (map.isPresent() ? 1 : 0)) : at, zone); // the ground stays last
        return withZones(all);
    }

    public ColourWish changing(int id, UnaryOperator<ColourZone> change) {
        return withZones(zones.stream().map(z -> z.id() == id ? change.apply(z) : z).toList());
    }

    /** Without a zone; its surface becomes another's. The last zone stays. */
    public ColourWish merged(int gone, int into) {
        if (zones.size() < 2 || gone == into || zone(into).isEmpty()) return this;
        return withZones(zones.stream().filter(z -> z.id() != gone).toList()).withMap(map.map(m -> m.renumbered(z -> z == gone ? into : z)))
                .withOrder(order.stream().filter(z -> z != gone).toList());
    }

    /** The maker's order as far as it names zones there are, the others behind it. */
    public List<Integer> wholeOrder() {
        var out = new ArrayList<>(order.stream().filter(id -> zone(id).isPresent()).distinct().toList());
        zones.stream().map(ColourZone::id).filter(id -> !out.contains(id)).forEach(out::add);
        return out;
    }
}
