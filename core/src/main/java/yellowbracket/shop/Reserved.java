package yellowbracket.shop;

import java.time.LocalDateTime;
import java.util.List;
import yellowbracket.work.Need;

/** What a build still needs of the shelf it shares with others, until the day it must be ready. */
public record Reserved(String build, LocalDateTime due, List<Need> needs) {
    public Reserved {
        needs = List.copyOf(needs);
    }
}
