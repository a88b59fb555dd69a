package yellowbracket.derive;

import java.time.LocalDateTime;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.shop.Catalogue;

/** All that anything derived can depend on. {@code now}: rounded, so that not every call makes the schedule anew. */
public record World(Build build, Meshes meshes, Catalogue shop, WeatherFeed weather, LocalDateTime now) {}
