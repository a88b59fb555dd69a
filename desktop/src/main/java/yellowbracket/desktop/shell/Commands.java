package yellowbracket.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Everything that can be done, by name; keys and the finder both read it. */
public final class Commands {
    /** A command: what it is called, its key as shown (empty for none), what it does. */
    public record Command(String name, String key, Runnable run) {}

    private final List<Command> all = new ArrayList<>();

    public void add(String name, String key, Runnable run) {
        all.add(new Command(name, key, run));
    }

    /** Those whose name holds every word typed, in any order. */
    public List<Command> find(String typed) {
        var words = typed.strip().toLowerCase(Locale.ROOT).split("\\s+");
        return all.stream().filter(c -> java.util.Arrays.stream(words).allMatch(w -> c.name.toLowerCase(Locale.ROOT).contains(w))).toList();
    }

    /** Runs the command with that key; false if there is none. */
    public boolean run(String key) {
        var c = all.stream().filter(x -> x.key.equals(key)).findFirst();
        c.ifPresent(x -> x.run.run());
        return c.isPresent();
    }
}
