package yellowbracket.program;

import java.nio.file.Path;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/**
 * The program's own log file: refusals, failures, and work that took over a second. It rolls by size and holds no personal data: no file
 * and
 * folder names, no names of people, no measures; of a failure its kind and the places in the program, not its message.
 */
public final class ProgramLog {
    /** Where the logging configuration looks for the folder. */
    private static final String FOLDER = "yellowbracket.state";
    private static final String FILE = "yellow-bracket.log";
    /** Work longer than this leaves a line. */
    private static final long SLOW_MS = 1000;
    /** Of a stack told. */
    private static final int FRAMES = 12;
    private static final Pattern FILES = Pattern.compile(
            "\"[^\"]*\"|\\S*[/\\\\]\\S*|\\S+\\.(?:bracket|stl|obj|ply|3mf|gz|csv|json|pdf|ics|png|jpe?g)\\b~?", Pattern.CASE_INSENSITIVE);

    private static final Pattern NUMBERS = Pattern.compile("\\d+(?:[.,]\\d+)?");

    private ProgramLog() {}

    /** Tells the logging where to write; to be called before anything is logged. */
    public static void start(Map<String, String> environment) {
        System.setProperty(FOLDER, folder(environment).toString());
    }

    /** The user's state folder, or that of a configuration folder given by hand. */
    public static Path folder(Map<String, String> environment) {
        String given = environment.getOrDefault("YELLOWBRACKET_HOME", "");
        if (!given.isBlank()) return Path.of(given);
        String xdg = environment.getOrDefault("XDG_STATE_HOME", "");
        return (xdg.isBlank() ? Path.of(System.getProperty("user.home"), ".local", "state") : Path.of(xdg)).resolve("yellow-bracket");
    }

    public static Path file(Map<String, String> environment) {
        return folder(environment).resolve(FILE);
    }

    /** Something the user was told that could not be done. @param names of people, which are left out */
    public static void refusal(String words, Collection<String> names) {
        LoggerFactory.getLogger("refused").info(plain(words, names));
    }

    /** @param where in words of the program */
    public static void failure(String where, Throwable e) {
        var frames = Stream.iterate(e, t -> t != null, Throwable::getCause)
                .map(t -> t.getClass().getName() + Stream.of(t.getStackTrace())
                        .limit(FRAMES)
                        .map(f -> "\n    at " + f.getClassName() + "." + f.getMethodName() + ":" + f.getLineNumber())
                        .collect(Collectors.joining()))
                .collect(Collectors.joining("\n  because of "));
        LoggerFactory.getLogger("failed").warn("{}: {}", where, frames);
    }

    /** Leaves a line where it took over a second. */
    public static void took(String what, long ms) {
        if (ms > SLOW_MS) LoggerFactory.getLogger("slow").info("{} took {} ms", plain(what, List.of()), ms);
    }

    /** Without names of files and people, and without measures. */
    static String plain(String words, Collection<String> names) {
        var out = FILES.matcher(words).replaceAll("(name)");
        for (var n : names) if (!n.isBlank()) out = out.replace(n, "(name)");
        return NUMBERS.matcher(out).replaceAll("#");
    }
}
