package yellowbracket.colour.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PaintOrderTest {
    private static final double NEVER = Double.POSITIVE_INFINITY;

    private static Jobs random(SplittableRandom r, int n) {
        var jobs = new ArrayList<Jobs.Job>();
        for (int i = 0; i < n; i++) {
            boolean sprays = r.nextInt(5) != 0, brushes = !sprays || r.nextInt(3) != 0;
            jobs.add(new Jobs.Job("zone " + i, sprays ? 5 + r.nextInt(40) : NEVER, brushes ? 10 + r.nextInt(120) : NEVER,
                    r.nextInt(3) * 0.25, 1 + r.nextInt(30), r.nextInt(100)));
        }
        var masks = new Jobs.Mask[n][n];
        for (int i = 0; i < n; i++) for (int j = 0; j < n; j++) masks[i][j] = i == j || r.nextInt(2) == 0 ? Jobs.Mask.NONE
                : new Jobs.Mask(r.nextInt(20) / 10.0, r.nextInt(30) / 4.0, 1 + r.nextInt(30));
        return new Jobs(jobs, masks);
    }

    /** All orders, each zone sprayed or brushed: priced from scratch. */
    private static final class Brute {
        private final Jobs jobs;
        private final Aim aim;
        private double best = NEVER;

        Brute(Jobs jobs, Aim aim) {
            this.jobs = jobs;
            this.aim = aim;
            go(new ArrayList<>(), new boolean[jobs.size()], new boolean[jobs.size()]);
        }

        private void go(List<Integer> order, boolean[] in, boolean[] brush) {
            if (order.size() == jobs.size()) best = Math.min(best, price(order, brush));
            for (int i = 0; i < jobs.size(); i++) {
                if (in[i]) continue;
                in[i] = true;
                order.add(i);
                for (boolean b : new boolean[] {false, true}) {
                    if ((b ? jobs.job(i).brushMin() : jobs.job(i).sprayMin()) == NEVER) continue;
                    brush[i] = b;
                    go(order, in, brush);
                }
                order.removeLast();
                in[i] = false;
            }
        }

        private double price(List<Integer> order, boolean[] brush) {
            double minutes = 0, tape = 0, now = 0;
            var ready = new double[jobs.size()];
            for (int k = 0; k < order.size(); k++) {
                int i = order.get(k);
                double hand = brush[i] ? jobs.job(i).brushMin() : jobs.job(i).sprayMin();
                for (int j : order.subList(0, k)) if (!brush[i] && !jobs.mask(i, j).none()) {
                    hand += jobs.mask(i, j).minutes();
                    tape += jobs.mask(i, j).tapeM();
                    now = Math.max(now, ready[j]);
                }
                now += hand / 60 + jobs.job(i).flashH();
                ready[i] = now + jobs.job(i).tapeH();
                minutes += hand;
            }
            return switch (aim) {
                case LEAST_WORK -> minutes;
                case LEAST_TAPE -> 1e4 * tape + minutes;
                case SOONEST -> now;
            };
        }
    }

    private static double value(Ordered o, Aim aim) {
        return switch (aim) {
            case LEAST_WORK -> o.minutes();
            case LEAST_TAPE -> 1e4 * o.tapeM() + o.minutes();
            case SOONEST -> o.elapsedH();
        };
    }

    @ParameterizedTest
    @EnumSource
    void theBestOfAllOrders(Aim aim) {
        var r = new SplittableRandom(aim.ordinal() + 5);
        for (int round = 0; round < 60; round++) {
            var jobs = random(r, 1 + r.nextInt(5));
            var best = PaintOrder.best(jobs, aim);
            assertThat(best.proven()).isTrue();
            assertThat(value(best, aim)).as("%s", jobs).isCloseTo(new Brute(jobs, aim).best, within(0.02));
        }
    }

    @ParameterizedTest
    @EnumSource
    void sixZonesToo(Aim aim) {
        var r = new SplittableRandom(77 + aim.ordinal());
        for (int round = 0; round < 3; round++) {
            var jobs = random(r, 6);
            assertThat(value(PaintOrder.best(jobs, aim), aim)).isCloseTo(new Brute(jobs, aim).best, within(0.02));
        }
    }

    @Test
    void onlyWhatIsPaintedIsMasked() {
        var r = new SplittableRandom(3);
        for (var aim : Aim.values()) for (int round = 0; round < 40; round++) {
            var jobs = random(r, 1 + r.nextInt(18));
            var done = new ArrayList<Integer>();
            for (var step : PaintOrder.best(jobs, aim).steps()) {
                assertThat(done).containsAll(step.masked().stream().map(Ordered.Masked::job).toList());
                assertThat(step.masked()).noneMatch(m -> m.mask().none());
                if (step.brush()) assertThat(step.masked()).isEmpty();
                done.add(step.job());
            }
            assertThat(done).containsExactlyInAnyOrderElementsOf(IntStream.range(0, jobs.size()).boxed().toList());
        }
    }

    @Test
    void neverMoreTapeThanAnyOtherOrder() {
        var r = new SplittableRandom(9);
        for (int round = 0; round < 30; round++) {
            var jobs = random(r, 8);
            double least = PaintOrder.best(jobs, Aim.LEAST_TAPE).tapeM();
            for (int k = 0; k < 40; k++) {
                var order = new ArrayList<>(IntStream.range(0, 8).boxed().toList());
                java.util.Collections.shuffle(order, new java.util.Random(r.nextLong()));
                assertThat(PaintOrder.priced(jobs, order, Aim.LEAST_TAPE).tapeM()).isGreaterThanOrEqualTo(least - 1e-9);
            }
        }
    }

    @Test
    void tapeWaitsUntilWhatItTouchesIsDry() {
        var none = Jobs.Mask.NONE;
        var jobs = new Jobs(List.of(new Jobs.Job("enamel", 30, NEVER, 0, 36, 50), new Jobs.Job("lacquer", 30, NEVER, 0, 4, 50)),
                new Jobs.Mask[][] {{none, new Jobs.Mask(1, 0, 6)}, {new Jobs.Mask(1, 0, 6), none}});
        var soonest = PaintOrder.best(jobs, Aim.SOONEST);
        assertThat(soonest.order()).containsExactly(1, 0);
        assertThat(soonest.elapsedH()).isCloseTo(0.5 + 4 + 0.6, within(1e-9));
        assertThat(PaintOrder.priced(jobs, List.of(0, 1), Aim.SOONEST).elapsedH()).isCloseTo(0.5 + 36 + 0.6, within(1e-9));
    }

    @Test
    void lightGoesBeforeDarkWhereItIsAllTheSame() {
        var none = Jobs.Mask.NONE;
        var jobs = new Jobs(List.of(new Jobs.Job("black", 30, NEVER, 0, 4, 5), new Jobs.Job("cream", 30, NEVER, 0, 4, 85)),
                new Jobs.Mask[][] {{none, none}, {none, none}});
        assertThat(PaintOrder.best(jobs, Aim.LEAST_WORK).order()).containsExactly(1, 0);
    }

    @Test
    void manyZonesAreOrderedAndToldAsNotProven() {
        var jobs = random(new SplittableRandom(1), 40);
        var best = PaintOrder.best(jobs, Aim.LEAST_WORK);
        assertThat(best.proven()).isFalse();
        assertThat(best.minutes()).isLessThan(PaintOrder.priced(jobs, IntStream.range(0, 40).boxed().toList(), Aim.LEAST_WORK).minutes());
    }

    @Test
    void anOrderHoldsEachZoneOnce() {
        var jobs = random(new SplittableRandom(1), 3);
        assertThatThrownBy(() -> PaintOrder.priced(jobs, List.of(0, 1, 1), Aim.LEAST_WORK))
                .hasMessageContaining("each of the 3 zones once");
    }
}
