package yellowbracket.derive;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.ShopFile;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;

/** Two passes that fill one memo from both ends. */
class TogetherTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);

    private static World world() {
        return new World(Build.empty(NOW, ShopFile.fresh()), Meshes.NONE, Catalogue.builtIn(), new SimulatedWeather(3), NOW);
    }

    /** Figures that stand on any of those before them and take a while; each counts how often it was made. */
    private static List<Figure<Long>> figures(Random random, Map<String, AtomicInteger> made) {
        var out = new ArrayList<Figure<Long>>();
        for (int i = 0; i < 25; i++) {
            var on = new ArrayList<Figure<Long>>();
            for (var f : out) if (random.nextInt(4) == 0) on.add(f);
            String name = "f" + i;
            long us = random.nextInt(2000), own = i;
            out.add(Figure.ofBuild(name, Long.class, in -> {
                made.computeIfAbsent(name, k -> new AtomicInteger()).incrementAndGet();
                long sum = own;
                for (var f : on) sum += in.get(f);
                LockSupport.parkNanos(1000 * us);
                return sum;
            }));
        }
        return out;
    }

    @Test
    void nothingIsMadeTwiceAndAllIsAsOnePassMakesIt() throws Exception {
        for (int seed = 0; seed < 40; seed++) {
            var made = new ConcurrentHashMap<String, AtomicInteger>();
            var figures = figures(new Random(seed), made);
            var wants = figures.stream().<Want>map(Want::ofBuild).toList();
            var alone = new Pass(world(), new Memo(), false, Derived.NOTHING, Progress.NONE, d -> {}).run(wants);
            made.clear();
            var memo = new Memo();
            var together = Optional.of(new Together());
            var helper = CompletableFuture.supplyAsync(
                    () -> new Pass(world(), memo, false, Derived.NOTHING, Progress.NONE, d -> {}, together).run(wants.reversed()));
            var first = new Pass(world(), memo, true, Derived.NOTHING, Progress.NONE, d -> {}, together).run(wants);
            helper.get(20, TimeUnit.SECONDS);
            for (var f : figures) assertThat(first.get(f)).as("%s, seed %d", f.name(), seed).isEqualTo(alone.get(f));
            // one of two that would wait for each other goes ahead: that is seldom
            int twice = made.values().stream().mapToInt(n -> n.get() - 1).sum();
            assertThat(twice).as("made twice, seed %d", seed).isLessThanOrEqualTo(3);
        }
    }

    /** What the first pass waits for fails or is stopped: it goes on by itself. */
    @Test
    void aHelperThatIsStoppedHoldsNobodyUp() throws Exception {
        var begun = new CompletableFuture<Void>();
        var stop = new Progress.Switch();
        var count = new AtomicInteger();
        var slow = Figure.ofBuild("slow", Long.class, in -> {
            if (count.incrementAndGet() == 1) {
                begun.complete(null);
                while (true) {
                    in.progress().check();
                    Thread.onSpinWait();
                }
            }
            return 7L;
        });
        var memo = new Memo();
        var together = Optional.of(new Together());
        var wants = List.of(Want.ofBuild(slow));
        var helper = CompletableFuture.runAsync(() -> new Pass(world(), memo, false, Derived.NOTHING, stop, d -> {}, together).run(wants));
        begun.get(10, TimeUnit.SECONDS);
        var first = CompletableFuture
                .supplyAsync(() -> new Pass(world(), memo, true, Derived.NOTHING, Progress.NONE, d -> {}, together).run(wants));
        LockSupport.parkNanos(50_000_000);
        assertThat(first.isDone()).as("it waits for the helper").isFalse();
        stop.off();
        assertThat(first.get(10, TimeUnit.SECONDS).get(slow)).contains(7L);
        assertThat(helper.handle((x, e) -> e).get(10, TimeUnit.SECONDS)).hasRootCauseInstanceOf(Progress.Stopped.class);
    }
}
