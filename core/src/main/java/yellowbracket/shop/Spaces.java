package yellowbracket.shop;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import yellowbracket.finding.Limits;

/** What a finished prop has to get into: where it is sprayed, through which door it leaves, the car it goes in. Empty where not told. */
public record Spaces(Optional<Room> spray, Optional<Room> door, Optional<Room> car) {
    public static final Spaces UNKNOWN = new Spaces(Optional.empty(), Optional.empty(), Optional.empty());
    /** Behind a door there is room. */
    private static final double BEHIND_MM = 20_000;

    /** Sides of a room, mm; of a door its width and height. */
    public record Room(double wideMm, double deepMm, double highMm) {
        public Room {
            for (double mm : new double[] {wideMm, deepMm, highMm}) Limits.within("a room, mm", mm, 10, BEHIND_MM);
        }

        public static Room door(double wideMm, double highMm) {
            return new Room(wideMm, BEHIND_MM, highMm);
        }
    }

    /** Which of them. */
    public enum Kind {
        SPRAY("the spray spot"), DOOR("the door"), CAR("the car");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Those that were told. */
    public Map<Kind, Room> known() {
        var out = new LinkedHashMap<Kind, Room>();
        spray.ifPresent(r -> out.put(Kind.SPRAY, r));
        door.ifPresent(r -> out.put(Kind.DOOR, r));
        car.ifPresent(r -> out.put(Kind.CAR, r));
        return out;
    }

    public Spaces withSpray(Optional<Room> r) {
        return new Spaces(r, door, car);
    }

    public Spaces withDoor(Optional<Room> r) {
        return new Spaces(spray, r, car);
    }

    public Spaces withCar(Optional<Room> r) {
        return new Spaces(spray, door, r);
    }
}
