package yellowbracket.colour;

import java.util.List;
import java.util.Map;
import yellowbracket.colour.zone.Border;

/**
 * What painting sees of a prop's zones, real mm. {@code areas} and {@code over} by zone number.
 * @param borders lengths and bends as they are on the prop @param over where the spray of each zone lands
 */
public record ColourSurface(Map<Integer, Area> areas, List<Border> borders, Map<Integer, Overspray> over) {
    /** @param mm2 of the whole zone, exactly @param seen share of it on the show side, which is what is painted */
    public record Area(double mm2, double seen) {
        public double paintedDm2() {
            return mm2 * seen / 1e4;
        }
    }

    public ColourSurface {
        areas = Map.copyOf(areas);
        borders = List.copyOf(borders);
        over = Map.copyOf(over);
    }

    public double paintedDm2(int zone) {
        return areas.containsKey(zone) ? areas.get(zone).paintedDm2() : 0;
    }

    public double seen(int zone) {
        return areas.containsKey(zone) ? areas.get(zone).seen() : 0;
    }

    public List<Border> between(int a, int b) {
        return borders.stream().filter(x -> x.of(a) && x.of(b)).toList();
    }

    public double borderMm(int zone) {
        return borders.stream().filter(b -> b.of(zone)).mapToDouble(Border::lengthMm).sum();
    }
}
