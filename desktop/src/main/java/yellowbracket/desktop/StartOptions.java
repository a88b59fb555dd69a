package yellowbracket.desktop;

import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the window was started with. {@code today} stops the clock at six in the evening of that day. */
record StartOptions(boolean demo, Optional<Path> file, Optional<LocalDate> today, double width, double height, Optional<Path> shots,
        List<String> only, boolean probe, Path configuration) {

    /** @throws IllegalArgumentException with the words for the user when an option makes no sense */
    static StartOptions parse(String[] args, Map<String, String> environment) {
        var named = new HashMap<String, String>();
        Optional<Path> file = Optional.empty();
        for (var a : args) {
            if (!a.startsWith("--")) file = Optional.of(path(a));
            else {
                int at = a.indexOf('=');
                named.put(at < 0 ? a.substring(2) : a.substring(2, at), at < 0 ? "on" : a.substring(at + 1));
            }
        }
        return new StartOptions(named.containsKey("demo"), file, Optional.ofNullable(named.get("today")).map(StartOptions::day),
                pixels(named.getOrDefault("width", "1280")), pixels(named.getOrDefault("height", "800")),
                Optional.ofNullable(named.get("shots")).map(StartOptions::path), only(named.getOrDefault("only", "")),
                named.containsKey("probe"), configuration(environment));
    }

    private static List<String> only(String names) {
        return names.isBlank() ? List.of() : List.of(names.split(","));
    }

    private static Path path(String words) {
        try {
            return Path.of(words);
        } catch (InvalidPathException e) {
            throw new IllegalArgumentException("\"" + words + "\" is no file name");
        }
    }

    private static LocalDate day(String words) {
        try {
            return LocalDate.parse(words);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("--today=" + words + ": write the day as 2026-03-30");
        }
    }

    private static double pixels(String words) {
        if (words.matches("\\d{3,5}")) return Double.parseDouble(words);
        throw new IllegalArgumentException("\"" + words + "\" is no window size: write pixels, such as --width=1280");
    }

    private static Path configuration(Map<String, String> environment) {
        String given = environment.getOrDefault("YELLOWBRACKET_HOME", "");
        if (!given.isBlank()) return Path.of(given);
        String xdg = environment.getOrDefault("XDG_CONFIG_HOME", "");
        var base = xdg.isBlank() ? Path.of(System.getProperty("user.home"), ".config") : Path.of(xdg);
        return base.resolve("yellow-bracket");
    }

    Clock clock() {
        var zone = ZoneId.systemDefault();
        return today.map(t -> Clock.fixed(t.atTime(18, 0).atZone(zone).toInstant(), zone)).orElse(Clock.systemDefaultZone());
    }

    /** Where the name of the last build is kept. */
    Path lastBuildNote() {
        return configuration.resolve("last-build");
    }

    /** The build of last time, if it is still there. */
    Optional<Path> lastBuild() {
        try {
            return Files.exists(lastBuildNote()) ? Optional.of(Path.of(Files.readString(lastBuildNote()).strip())).filter(Files::exists)
                    : Optional.empty();
        } catch (java.io.IOException | InvalidPathException e) {
            return Optional.empty();
        }
    }
}
