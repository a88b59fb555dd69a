package yellowbracket.device;

import java.util.Optional;
import java.util.function.Consumer;
import yellowbracket.print.FailureKind;

/**
 * A printer that can be asked and told. Its states change by themselves; listeners hear each status on a thread of the link's own. Commands
 * that make no
 * sense in a state are refused with a reason and change nothing.
 */
public interface PrinterLink extends AutoCloseable {
    /** What it is doing. */
    enum State {
        IDLE("idle"), HEATING("heating"), PRINTING("printing"), PAUSED("paused"), DONE("done"), FAULT("stopped by a fault"),
        CANCELLED("cancelled"), OFFLINE("no answer");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether a job is on the bed that has not ended. */
        public boolean busy() {
            return switch (this) {
                case HEATING, PRINTING, PAUSED, OFFLINE -> true;
                case IDLE, DONE, FAULT, CANCELLED -> false;
            };
        }

        boolean mayBecome(State next) {
            return switch (this) {
                case IDLE, DONE, FAULT, CANCELLED -> next == HEATING || next == OFFLINE || next == IDLE;
                case HEATING -> next == PRINTING || next == CANCELLED || next == OFFLINE || next == FAULT;
                case PRINTING -> next == PAUSED || next == DONE || next == FAULT || next == CANCELLED || next == OFFLINE;
                case PAUSED -> next == PRINTING || next == CANCELLED || next == OFFLINE;
                case OFFLINE -> true;
            };
        }
    }

    /** A print to start: name as in the queue, layers and hours as estimated. */
    record Job(String name, int layers, double hours) {
        public Job {
            if (layers < 1 || !(hours > 0)) throw new IllegalArgumentException("a job has layers and hours");
        }
    }

    /**
     * {@code share} 0 to 1 of the print; {@code printedH} hours spent on it; {@code remainingH} as estimated; {@code fault} while stopped
     * by one.
     */
    record Status(State state, Optional<Job> job, double share, int layer, double printedH, double remainingH,
            Optional<FailureKind> fault) {
        static final Status IDLE = new Status(State.IDLE, Optional.empty(), 0, 0, 0, 0, Optional.empty());
    }

    /** What a command came to. */
    sealed interface Answer {
        record Taken() implements Answer {}

        record Refused(String why) implements Answer {}
    }

    /** The printer's name in the shop. */
    String name();

    Status status();

    Answer start(Job job);

    Answer pause();

    Answer resume();

    Answer cancel();

    /** The bed is free again after a print that ended. */
    Answer clear();

    /** Hears the present status at once and each one after; close it to hear no more. */
    AutoCloseable listen(Consumer<Status> listener);

    @Override
    void close();
}
