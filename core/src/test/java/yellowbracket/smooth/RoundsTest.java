package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Eyes;

class RoundsTest {
    private static final double DM2 = 40;

    /** A maker at work: looks, marks, mends; what is really there is known to the test alone. */
    private static final class Played {
        private final SplittableRandom random;
        private final Rounds.Maker maker;
        private final List<Rounds.Count> counts = new ArrayList<>();
        private int hidden;
        private int open;
        private int failed;

        Played(long seed) {
            random = new SplittableRandom(seed);
            maker = Rounds.Maker.drawn(random, DM2, Rounds.CLEARED, Rounds.NOT_CLEARED, Eyes.UNKNOWN);
            hidden = Draw.poisson(random, maker.flaws());
        }

        void round(Look look) {
            hidden += Draw.poisson(random, maker.fresh() * open);
            int cleared = Draw.binomial(random, open, maker.clears()), found = Draw.binomial(random, hidden, maker.finds(look));
            failed += open - cleared;
            open += found - cleared;
            hidden -= found;
            counts.add(new Rounds.Count(counts.size() + 1, look, found, cleared, open));
        }

        /** Rounds it really takes from here. */
        int toGo(double limit) {
            return maker.play(random, hidden, open, limit);
        }
    }

    /** Two thousand makers, each after so many rounds: the range that is told holds what really comes in four of five cases. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void theRangeHoldsFourOfFive(int rounds) {
        int held = 0, below = 0, makers = 2_000;
        double limit = Rounds.limitDm2(Finish.SATIN) * DM2;
        for (int i = 0; i < makers; i++) {
            var m = new Played(1000L * rounds + i);
            for (int r = 0; r < rounds; r++) m.round(r == 0 ? Look.PRIMED : Look.RAKING);
            var told = Rounds.of(m.counts, m.failed, DM2, limit).left();
            int truth = m.toGo(limit);
            if (truth >= told.low() && truth <= told.high()) held++;
            if (truth <= told.median()) below++;
        }
        assertThat((double) held / makers).as("after " + rounds).isBetween(0.75, 0.85);
        assertThat((double) below / makers).as("the middle is a middle").isBetween(0.45, 0.85);
    }

    @Test
    void whatIsHiddenIsExpectedAsItIs() {
        double told = 0, truth = 0;
        for (int i = 0; i < 400; i++) {
            var m = new Played(77_000 + i);
            m.round(Look.PRIMED);
            m.round(Look.RAKING);
            told += Rounds.of(m.counts, m.failed, DM2, 2).hidden();
            truth += m.hidden;
        }
        assertThat(told).isCloseTo(truth, within(0.12 * truth));
    }

    /** Sharp eyes see eight of ten, dull ones two: what each is taught on one prop is what the next starts from. */
    @Test
    void whatLooksTaughtGoesToTheNextProp() {
        var eyes = new Eyes[2];
        for (int k = 0; k < 2; k++) {
            var flaws = new ArrayList<Flaw>();
            // sharp: 40 in the first look and 8 more in the second; dull: 12 and 10
            int[] found = k == 0 ? new int[] {40, 8} : new int[] {12, 10};
            for (int round = 1; round <= 2; round++)
                for (int i = 0; i < found[round - 1]; i++) flaws.add(round == 1 && i % 2 == 0 ? flaw(i, 1).clearedIn(2) : flaw(i, round));
            eyes[k] = Rounds.taught(List.of(Look.RAKING, Look.RAKING), flaws, DM2);
        }
        assertThat(eyes[0].logit() * eyes[0].precision()).isGreaterThan(eyes[1].logit() * eyes[1].precision());
        assertThat(eyes[0].cleared()).isEqualTo(20);
        assertThat(Rounds.taught(List.of(), List.of(), DM2)).isEqualTo(Eyes.UNKNOWN);
        var sloppy = Rounds.of(List.of(), List.of(), DM2, Finish.SATIN, new Eyes(10, 40, -1.5, 8));
        var careful = Rounds.of(List.of(), List.of(), DM2, Finish.SATIN, new Eyes(60, 2, 1.5, 8));
        assertThat(careful.left().median()).isLessThan(sloppy.left().median());
        var both = eyes[0].and(eyes[1]);
        assertThat(both.worked()).isEqualTo(eyes[0].worked() + eyes[1].worked());
        assertThat(both.precision()).isEqualTo(eyes[0].precision() + eyes[1].precision());
    }

    private static Flaw flaw(double x, int round) {
        return Flaw.of(Flaw.Kind.LINE, new Vec3(x, 0, 0), 3, round);
    }

    @Test
    void countsFollowWhatWasMarked() {
        var flaws = List.of(flaw(0, 1).clearedIn(2), flaw(1, 1), flaw(2, 1).asWeathering(), flaw(3, 2));
        var r = Rounds.of(List.of(Look.PRIMED, Look.RAKING), flaws, DM2, Finish.SATIN);
        assertThat(r.counts()).containsExactly(new Rounds.Count(1, Look.PRIMED, 3, 0, 2), new Rounds.Count(2, Look.RAKING, 1, 1, 2));
        assertThat(r.open()).isEqualTo(2);
        assertThat(r.stop()).isFalse();
    }

    /** Nothing found twice over: one may stop; the closer one looks, the later. */
    @Test
    void fewerFlawsAndLooserTargetsStopSooner() {
        var none = Rounds.of(List.of(Look.RAKING, Look.RAKING, Look.RAKING), List.of(), DM2, Finish.ARMS_LENGTH);
        assertThat(none.stop()).isTrue();
        assertThat(none.left().median()).isZero();
        assertThat(Rounds.of(List.of(), List.of(), DM2, Finish.SATIN).stop()).as("nobody has looked yet").isFalse();
        double before = -1;
        var some = new ArrayList<Flaw>();
        for (int i = 0; i < 12; i++) some.add(flaw(i, 1));
        for (var f : Finish.values()) {
            var r = Rounds.of(List.of(Look.PRIMED), some, DM2, f);
            assertThat(r.left().median()).isGreaterThanOrEqualTo((int) before);
            assertThat(r.left().low()).isLessThanOrEqualTo(r.left().median());
            assertThat(r.left().high()).isGreaterThanOrEqualTo(r.left().median());
            before = r.left().median();
        }
        var many = Rounds.of(List.of(Look.PRIMED), some, DM2, Finish.SATIN);
        var few = Rounds.of(List.of(Look.PRIMED), some.subList(0, 2), DM2, Finish.SATIN);
        assertThat(many.hidden()).isGreaterThan(few.hidden());
    }

    /** Looks for each round, primer for all but the last, minutes for each flaw; nothing once one may stop. */
    @Test
    void theRoundsLeftAreWorkAndStopWithTheForecast() {
        var shop = yellowbracket.shop.Catalogue.builtIn();
        var begun = Rounds.of(List.of(), List.of(), DM2, Finish.SATIN);
        var w = begun.work(DM2, shop).orElseThrow();
        assertThat(w.rounds()).isEqualTo(begun.left().median());
        double min = w.rounds() * 0.25 * DM2 + (w.rounds() - 1) * 0.22 * DM2 + 4 * begun.hidden();
        assertThat(w.handH()).isCloseTo(min / 60, within(1e-9));
        assertThat(w.setupH()).isCloseTo((w.rounds() - 1) * 0.3, within(1e-9));
        assertThat(w.spread()).isPositive();
        assertThat(Rounds.of(List.of(Look.RAKING, Look.RAKING, Look.RAKING), List.of(), DM2, Finish.ARMS_LENGTH).work(DM2, shop)).isEmpty();
        assertThat(begun.work(0, shop)).isEmpty();
    }

    @Test
    void openFlawsAreWalkedFromOneToTheNearestNext() {
        var flaws = List.of(flaw(5, 1), flaw(1, 1), Flaw.of(Flaw.Kind.RUN, new Vec3(0, 0, 9), 5, 1), flaw(3, 1).clearedIn(2), flaw(9, 1));
        assertThat(Rounds.walk(flaws)).extracting(f -> f.at().x()).containsExactly(0.0, 1.0, 5.0, 9.0);
        assertThat(Rounds.walk(List.of())).isEmpty();
    }

    @Test
    void impossibleFlawsAreRefused() {
        assertThatThrownBy(() -> Flaw.of(Flaw.Kind.LOW, Vec3.ZERO, 0, 1)).hasMessageContaining("size of a flaw");
        assertThatThrownBy(() -> new Flaw(Flaw.Kind.LOW, Vec3.ZERO, 2, 2, Optional.of(1), false)).hasMessageContaining("later");
        assertThatThrownBy(() -> SmoothWish.USUAL.marked(flaw(0, 1))).hasMessageContaining("never looked");
        assertThatThrownBy(() -> SmoothWish.USUAL.withPrintHex("grey")).hasMessageContaining("#8f9499");
        assertThatThrownBy(() -> new Stroke(Target.LEAVE, 500, List.of(Vec3.ZERO))).hasMessageContaining("radius");
    }
}
