package yellowbracket.derive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Meshes;
import yellowbracket.document.SmallBuild;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;

/** The window is painted before anything is worked out. */
class GiveWayTest {
    private static final int LONG_MS = 60_000;

    private final AtomicLong counted = new AtomicLong();
    private final AtomicBoolean enough = new AtomicBoolean();
    /** Counts until it is enough, and asks at each step whether to stop, as long work does. */
    private final Figure<Long> counting = Figure.ofBuild("counting", Long.class, in -> {
        in.build(Build::name);
        while (!enough.get()) {
            in.progress().check();
            counted.incrementAndGet();
        }
        return counted.get();
    });
    private final Figure<Long> after = Figure.ofBuild("after", Long.class, in -> in.get(counting) + 1);
    private final List<Derived> heard = new CopyOnWriteArrayList<>();
    private final Workings workings = new Workings(Catalogue.builtIn(), new SimulatedWeather(3), Clock.systemDefaultZone(), new Memo(),
            new Workings.Wants() {
                @Override
                public List<Want> all(Build build, String first) {
                    return List.of(Want.ofBuild(counting), Want.ofBuild(after));
                }

                @Override
                public List<Want> figures(Build build) {
                    return all(build, "");
                }
            }, heard::add);

    @AfterEach
    void close() {
        workings.close();
    }

    private void show(Build build) {
        workings.show(build, Meshes.NONE, "");
    }

    private void untilItCounts() {
        long before = counted.get();
        await().atMost(Duration.ofSeconds(20)).until(() -> counted.get() > before + 1000);
    }

    /** Whether nothing is counted for a while, after what was under way. */
    private boolean still() throws InterruptedException {
        Thread.sleep(60);
        long before = counted.get();
        Thread.sleep(120);
        return counted.get() == before;
    }

    @Test
    void itStandsStillUntilToldToGoOn() throws Exception {
        show(SmallBuild.build());
        untilItCounts();
        assertThat(still()).isFalse();
        workings.giveWay(LONG_MS);
        assertThat(still()).isTrue();
        workings.goOn();
        untilItCounts();
    }

    @Test
    void itGoesOnByItselfWhenNobodyTellsItTo() {
        show(SmallBuild.build());
        untilItCounts();
        workings.giveWay(50);
        untilItCounts();
    }

    @Test
    void aNewerRequestEndsWhatStandsStill() throws Exception {
        show(SmallBuild.build());
        untilItCounts();
        workings.giveWay(LONG_MS);
        assertThat(still()).isTrue();
        var other = Edit.scale("helm", 1.5).change().apply(SmallBuild.build());
        show(other);
        await().atMost(Duration.ofSeconds(20)).until(() -> heard.getLast().build().equals(Optional.of(other)));
    }

    @Test
    void whatIfsAndPlansStandStillToo() throws Exception {
        workings.whatIf(SmallBuild.build(), Meshes.NONE, (b, d) -> {});
        untilItCounts();
        workings.giveWay(LONG_MS);
        assertThat(still()).isTrue();
        workings.dropWhatIfs();
        workings.goOn();
        var planner = new Thread(() -> workings.patiently(new Progress.Switch(), p -> {
            while (!enough.get() && !p.stopRequested()) counted.incrementAndGet();
            return "";
        }));
        planner.start();
        untilItCounts();
        workings.giveWay(LONG_MS);
        assertThat(still()).isTrue();
        workings.goOn();
        untilItCounts();
        enough.set(true);
        planner.join();
    }

    @Test
    void resultsAreThroughWithTheLastOfThem() {
        show(SmallBuild.build());
        untilItCounts();
        assertThat(heard).isNotEmpty().noneMatch(Derived::through);
        enough.set(true);
        await().atMost(Duration.ofSeconds(20)).until(() -> heard.getLast().through());
        assertThat(heard.getLast().fresh(after)).isTrue();
        assertThat(heard.stream().filter(Derived::through)).hasSize(1);
    }
}
