package yellowbracket.log;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.shop.Rate;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** Rates by operation, tool and product. */
class RatesTest {
    private static final Task BLOCK = task(Operation.SAND, "", Tool.SANDING), MACHINE = task(Operation.SAND, "", Tool.SANDER),
            LACQUER = task(Operation.SPRAY, "acrylic lacquer spray", Tool.CAN),
            CHROME = task(Operation.SPRAY, "mirror metal spray", Tool.CAN);

    private static Task task(Operation o, String product, Tool tool) {
        return new Task(TaskId.of("smooth:p:1"), "t", o, product, tool, new Task.Effort(1, 0, 0.2, "test"), Task.Lag.NONE, Task.Doer.PERSON,
                List.of());
    }

    private static Rates taught(Rates r, Task t, double factor, int jobs) {
        for (int i = 0; i < jobs; i++) r = r.with(t, factor, 1);
        return r;
    }

    private static final Rates NOTHING = new Rates(Map.of());

    @Test
    void oneWayOfDoingItIsLearnedAsBefore() {
        for (int n : new int[] {1, 2, 5, 40}) {
            var plain = Rate.UNKNOWN;
            for (int i = 0; i < n; i++) plain = plain.with(2, 1);
            var r = taught(NOTHING, BLOCK, 2, n).of(BLOCK);
            assertThat(r.factor()).as("%d jobs", n).isCloseTo(plain.factor(), within(1e-9));
            assertThat(r.spread()).isCloseTo(plain.spread(), within(1e-9));
            assertThat(r.low()).isCloseTo(plain.low(), within(1e-9));
            assertThat(r.share()).isCloseTo(plain.share(), within(1e-9));
        }
        assertThat(NOTHING.of(BLOCK).factor()).isEqualTo(1);
        assertThat(NOTHING.source(BLOCK)).isEqualTo("catalogue");
    }

    @Test
    void aToolLearnsForTheOtherButLess() {
        var r = taught(NOTHING, BLOCK, 2, 10);
        assertThat(r.of(MACHINE).factor()).as("slow by hand, rather slow by machine").isBetween(1.2, r.of(BLOCK).factor() - 0.05);
        assertThat(r.of(MACHINE).spread()).as("and that less surely").isGreaterThan(r.of(BLOCK).spread());
        assertThat(r.of(LACQUER).factor()).as("spraying learns nothing from sanding").isEqualTo(1);
        var both = taught(r, MACHINE, 0.7, 10);
        assertThat(both.of(BLOCK).factor()).isGreaterThan(1.5);
        assertThat(both.of(MACHINE).factor()).isLessThan(0.95);
        assertThat(both.source(MACHINE)).startsWith("20 jobs of yours, 10 with sander");
        assertThat(both.rows()).extracting(x -> x.operation() + x.with().map(w -> ": " + w).orElse(""))
                .containsExactly("sand", "sand: sander", "sand: paper on block");
    }

    @Test
    void productsDiffer() {
        var r = taught(taught(NOTHING, LACQUER, 1, 12), CHROME, 2.5, 12);
        assertThat(r.of(CHROME).factor()).isBetween(1.75, 2.5);
        assertThat(r.of(LACQUER).factor()).isBetween(1.0, 1.3);
    }

    /** As many makers as one likes, drawn from what is assumed: four of five of their true factors lie within what is told. */
    @Test
    void whatIsToldHoldsInFourOfFive() {
        var random = new Random(11);
        int held = 0;
        double unit = Rate.JOB_SPREAD / Math.sqrt(Rate.PRIOR_JOBS);
        for (int maker = 0; maker < 1000; maker++) {
            double hand = Math.sqrt(0.6) * unit * random.nextGaussian();
            double block = hand + Math.sqrt(0.4) * unit * random.nextGaussian(),
                    machine = hand + Math.sqrt(0.4) * unit * random.nextGaussian();
            var r = NOTHING;
            int n = random.nextInt(8), m = random.nextInt(8);
            for (int i = 0; i < n; i++) r = r.with(BLOCK, Math.exp(block + Rate.JOB_SPREAD * random.nextGaussian()), 1);
            for (int i = 0; i < m; i++) r = r.with(MACHINE, Math.exp(machine + Rate.JOB_SPREAD * random.nextGaussian()), 1);
            var e = r.of(BLOCK);
            if (e.low() <= Math.exp(block) && Math.exp(block) <= e.high()) held++;
        }
        assertThat(held / 1000.0).isBetween(0.76, 0.84);
    }

    @Test
    void whatWasLearnedBeforeToolsWereToldApartStillCounts() {
        var old = new Rates(Map.of("sand", Rate.UNKNOWN.with(2, 1).with(2, 1).with(2, 1)));
        assertThat(old.of(BLOCK).factor()).isBetween(1.15, 1.45);
        assertThat(taught(old, BLOCK, 2, 5).of(BLOCK).factor()).isGreaterThan(old.of(BLOCK).factor());
    }

    @Test
    void oneJobThatIsFarOffIsNoLesson() {
        var r = taught(NOTHING, BLOCK, 1.5, 40);
        assertThat(r.of(BLOCK).factor()).isCloseTo(1.5, within(0.05 * 1.5));
        assertThat(r.outlier(BLOCK, 15, 1)).isTrue();
        assertThat(r.outlier(BLOCK, 2, 1)).isFalse();
        assertThat(r.with(BLOCK, 15, 1).of(BLOCK).factor()).isCloseTo(r.of(BLOCK).factor(), within(0.1 * 1.5));
    }
}
