package yellowbracket.device;

import java.time.LocalDateTime;
import yellowbracket.colour.SprayWeather;

/** Hourly weather at the spray spot: a forecast near, the season's average further off. */
public interface WeatherFeed {
    /** The weather of the hour that holds {@code time}. */
    SprayWeather.Hour at(LocalDateTime time);

    /** Where it comes from, for the user. */
    String source();
}
