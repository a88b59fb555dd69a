package yellowbracket.derive;

import java.time.LocalDateTime;
import java.util.List;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Reserved;

/**
 * All that anything derived can depend on.
 *
 * @param shop the catalogue, with the labels of the build over it @param now rounded, so that not every call makes the schedule anew
 * @param reserved what other builds need of the shelf they share
 */
public record World(Build build, Meshes meshes, Catalogue shop, WeatherFeed weather, LocalDateTime now, List<Reserved> reserved) {
    public World {
        shop = shop.with(build.paints().products());
        reserved = List.copyOf(reserved);
    }

    /** Of a build that shares its shelf with no other. */
    public World(Build build, Meshes meshes, Catalogue shop, WeatherFeed weather, LocalDateTime now) {
        this(build, meshes, shop, weather, now, List.of());
    }
}
