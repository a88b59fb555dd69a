package yellowbracket.device;

import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.device.PrinterLink.Answer;
import yellowbracket.device.PrinterLink.Job;
import yellowbracket.device.PrinterLink.State;
import yellowbracket.device.PrinterLink.Status;

/** The printer that is not there behaves like one that is: it heats, prints, pauses, fails, vanishes and comes back. */
class SimulatedPrinterTest {
    private static final Job JOB = new Job("D", 1000, 8);

    private static SimulatedPrinter faultless() {
        return new SimulatedPrinter("mid bed", 5, 0);
    }

    private static String refused(Answer a) {
        return a instanceof Answer.Refused r ? r.why() : "";
    }

    @Test
    void aPrintHeatsRunsAndEnds() {
        var p = faultless();
        var heard = new ArrayList<Status>();
        p.listen(heard::add);
        assertThat(p.start(JOB)).isInstanceOf(Answer.Taken.class);
        assertThat(p.status().state()).isEqualTo(State.HEATING);
        p.advance(1);
        assertThat(p.status().state()).isEqualTo(State.PRINTING);
        assertThat(p.status().layer()).isBetween(80, 150);
        assertThat(p.status().remainingH()).isCloseTo(8 * (1 - p.status().share()), within(1e-9));
        p.advance(20);
        assertThat(p.status().state()).isEqualTo(State.DONE);
        assertThat(p.status().layer()).isEqualTo(1000);
        assertThat(p.status().printedH()).as("a little off the estimate").isBetween(6.0, 10.5).isNotEqualTo(8);
        assertThat(heard).extracting(Status::state).containsExactly(State.IDLE, State.HEATING, State.PRINTING, State.DONE);
        assertThat(refused(p.start(JOB))).contains("take D off mid bed first");
        assertThat(p.clear()).isInstanceOf(Answer.Taken.class);
        assertThat(p.start(JOB)).isInstanceOf(Answer.Taken.class);
    }

    @Test
    void aPauseStopsItAndWhatMakesNoSenseIsRefused() {
        var p = faultless();
        assertThat(refused(p.pause())).contains("only a running print");
        assertThat(refused(p.cancel())).contains("nothing to cancel");
        p.start(JOB);
        p.advance(2);
        p.pause();
        double share = p.status().share();
        p.advance(5);
        assertThat(p.status().share()).isEqualTo(share);
        assertThat(refused(p.start(JOB))).contains("still printing D");
        assertThat(refused(p.clear())).contains("still busy");
        p.resume();
        assertThat(refused(p.resume())).contains("only a paused print");
        p.advance(1);
        assertThat(p.status().share()).isGreaterThan(share);
        p.cancel();
        assertThat(p.status().state()).isEqualTo(State.CANCELLED);
    }

    @Test
    void aPrinterThatVanishesKeepsItsJobAndWaitsPaused() {
        var p = faultless();
        p.start(JOB);
        p.advance(3);
        double share = p.status().share();
        p.vanish();
        assertThat(p.status().state()).isEqualTo(State.OFFLINE);
        assertThat(refused(p.pause())).contains("does not answer");
        assertThat(refused(p.cancel())).contains("does not answer");
        p.advance(10);
        p.back();
        assertThat(p.status().state()).isEqualTo(State.PAUSED);
        assertThat(p.status().share()).isEqualTo(share);
        p.resume();
        p.advance(20);
        assertThat(p.status().state()).isEqualTo(State.DONE);
    }

    @Test
    void theSameSeedFailsAtTheSamePlaceInWhateverSteps() {
        var shares = new ArrayList<Double>();
        for (double step : List.of(0.01, 0.3, 4.0)) {
            var p = new SimulatedPrinter("x", 12, 0.5);
            p.start(JOB);
            for (int i = 0; i < 3000 && p.status().state().busy(); i++) p.advance(step);
            assertThat(p.status().state()).isEqualTo(State.FAULT);
            assertThat(p.status().fault()).isPresent();
            shares.add(p.status().share());
        }
        assertThat(shares.get(1)).isCloseTo(shares.get(0), within(1e-9));
        assertThat(shares.get(2)).isCloseTo(shares.get(0), within(1e-9));
    }

    /** One print in three hundred hours fails at 0.0033 an hour: over many prints the share that ends is e^(-rate hours). */
    @Test
    void faultsStrikeAtTheirRate() {
        int done = 0, runs = 2000;
        for (int i = 0; i < runs; i++) {
            var p = new SimulatedPrinter("x", i, 0.05);
            p.start(JOB);
            p.advance(100);
            if (p.status().state() == State.DONE) done++;
        }
        double share = Math.exp(-0.05 * 8), error = Math.sqrt(share * (1 - share) / runs);
        assertThat((double) done / runs).isCloseTo(share, within(4 * error));
    }

    @Test
    void impossibleJobsAndPacesAreErrors() {
        assertThatThrownBy(() -> new Job("D", 0, 8)).hasMessageContaining("layers and hours");
        assertThatThrownBy(() -> faultless().run(0)).hasMessageContaining("above 0 hours a second");
    }

    @Test
    void itsOwnClockLetsItPrint() throws Exception {
        try (var p = faultless()) {
            p.run(40);
            p.start(new Job("E", 10, 0.5));
            await().until(() -> p.status().state() == State.DONE);
        }
    }
}
