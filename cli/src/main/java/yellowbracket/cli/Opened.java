package yellowbracket.cli;

import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.function.Consumer;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Memo;
import yellowbracket.derive.Want;
import yellowbracket.derive.Workings;
import yellowbracket.derive.World;
import yellowbracket.derive.all.Everything;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Meshes;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;

/** A build file with its plan and all that stands under it. */
record Opened(Build build, Meshes meshes, Derived derived) {
    private static final long WEATHER_SEED = 11;
    /** Several commands in one process work nothing out twice. */
    private static final Memo MEMO = new Memo();

    /**
     * @param today the day to plan from, null for the real one
     * @param remark hears what the file names that is not known
     * @throws Refused when the file cannot be read
     */
    static Opened of(Path file, LocalDate today, Consumer<String> remark) {
        var o = read(file, remark);
        var zone = ZoneId.systemDefault();
        var clock = today == null ? Clock.systemDefaultZone() : Clock.fixed(today.atTime(18, 0).atZone(zone).toInstant(), zone);
        var world = new World(o.build(), o.meshes(), Catalogue.builtIn(), new SimulatedWeather(WEATHER_SEED), Workings.rounded(clock));
        return new Opened(o.build(), o.meshes(), Workings.derive(world, Everything.plan(), MEMO, Progress.NONE));
    }

    /** Nothing derived. @throws Refused when the file cannot be read */
    static BuildFile.Outcome.Opened read(Path file, Consumer<String> remark) {
        return switch (BuildFile.read(file, Progress.NONE)) {
            case BuildFile.Outcome.Refused r -> throw new Refused(r.problem().sentence());
            case BuildFile.Outcome.Opened o -> {
                o.notes().forEach(remark);
                yield o;
            }
        };
    }

    /** Some figures of one prop, and what they take. */
    static Derived only(Build build, Meshes meshes, String prop, Figure<?>... figures) {
        var world = new World(build, meshes, Catalogue.builtIn(), new SimulatedWeather(WEATHER_SEED),
                Workings.rounded(Clock.systemDefaultZone()));
        return Workings.derive(world, Arrays.stream(figures).map(f -> new Want(f, prop)).toList(), MEMO, Progress.NONE);
    }
}
