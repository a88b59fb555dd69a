package yellowbracket.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine;
import yellowbracket.desktop.model.LastTime;
import yellowbracket.document.Journal;

/** What the window was started with. {@code today} stops the clock at six in the evening of that day. */
record StartOptions(boolean demo, Optional<Path> file, Optional<LocalDate> today, Size size, Optional<Path> shots, List<String> only,
        Measuring probe, Path configuration) {

    /** What the window measures of itself before it ends. */
    enum Measuring { OFF, START, ON }

    /** Of the window, in pixels. */
    record Size(double width, double height) {}

    /** The same parser as the command line's; its options are named in refusals. */
    @Command(name = "yb", description = "opens the window")
    private static final class Words {
        @Parameters(arity = "0..1", paramLabel = "FILE")
        Path file;
        @Option(names = "--demo")
        boolean demo;
        @Option(names = "--today", paramLabel = "DAY")
        LocalDate today;
        @Option(names = "--width")
        int width = 1280;
        @Option(names = "--height")
        int height = 800;
        @Option(names = "--shots", paramLabel = "FOLDER")
        Path shots;
        @Option(names = "--only", split = ",", paramLabel = "NAME")
        List<String> only = List.of();
        @Option(names = "--probe", arity = "0..1", fallbackValue = "on", converter = Switch.class)
        Measuring probe = Measuring.OFF;
    }

    /** Written small. */
    private static final class Switch implements CommandLine.ITypeConverter<Measuring> {
        @Override
        public Measuring convert(String value) {
            return Measuring.valueOf(value.toUpperCase(Locale.ROOT));
        }
    }

    private static final int LEAST_PIXELS = 100;
    private static final int MOST_PIXELS = 20_000;

    /** @throws IllegalArgumentException with the words for the user when an option makes no sense */
    static StartOptions parse(String[] args, Map<String, String> environment) {
        var words = new Words();
        try {
            new CommandLine(words).parseArgs(args);
        } catch (CommandLine.UnmatchedArgumentException e) {
            var meant = e.getSuggestions();
            var known = e.getCommandLine().getCommandSpec().options().stream().map(o -> o.longestName()).sorted().toList();
            throw new IllegalArgumentException(e.getMessage() + (meant.isEmpty() ? "; there are " + String.join(", ", known)
                    : "; perhaps " + String.join(" or ", meant) + " is meant"));
        } catch (CommandLine.ParameterException e) {
            throw new IllegalArgumentException(e.getMessage() + "; write a day as --today=2026-03-30, a size in pixels as --width=1280");
        }
        return new StartOptions(words.demo, Optional.ofNullable(words.file), Optional.ofNullable(words.today),
                new Size(pixels("--width", words.width), pixels("--height", words.height)), Optional.ofNullable(words.shots), words.only,
                words.probe, configuration(environment));
    }

    private static double pixels(String option, int n) {
        if (n >= LEAST_PIXELS && n < MOST_PIXELS) return n;
        throw new IllegalArgumentException(option + "=" + n + " is not the size of a window; write pixels, such as " + option + "=1280");
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

    /** What the window had open; the demo's is its own. */
    LastTime lastTime() {
        return new LastTime(configuration.resolve(demo ? "demo-last-time.json" : "last-time.json"));
    }

    /** The build of last time, if it or its recovery copy is still there. */
    Optional<Path> lastBuild() {
        return lastTime().build().filter(f -> Files.exists(f) || Journal.beside(f).holdsSomething());
    }
}
