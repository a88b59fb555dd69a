package yellowbracket.colour;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/** Zones of colour, the first that holds a place counts there, and the clear coat over all, empty for none. */
@RecordBuilder
public record ColourWish(List<ColourZone> zones, String seal) implements ColourWishBuilder.With {
    public static final ColourWish GREY = new ColourWish(List.of(new ColourZone("all over", "#8b8f92", "acrylic lacquer spray", List.of())),
            "matt clear");

    public ColourWish {
        zones = List.copyOf(zones);
    }
}
