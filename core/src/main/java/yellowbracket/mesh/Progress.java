package yellowbracket.mesh;

/** How long work tells how far it is and asks whether it should end. Implementations are called from worker threads. */
public interface Progress {
    /** Nobody listens and nobody stops it. */
    Progress NONE = new Progress() {
        @Override
        public void report(long done, long total) {}

        @Override
        public boolean stopRequested() {
            return false;
        }
    };

    void report(long done, long total);

    boolean stopRequested();

    /** Ends the work if a stop was asked for. @throws Stopped then */
    default void check() {
        if (stopRequested()) throw new Stopped();
    }

    /** Stops when told to, from any thread; nobody listens. */
    class Switch implements Progress {
        private volatile boolean off;

        /** From now on a stop is asked for. */
        public final void off() {
            off = true;
        }

        @Override
        public void report(long done, long total) {}

        @Override
        public final boolean stopRequested() {
            return off;
        }
    }

    /** The work was stopped on request; not an error. */
    final class Stopped extends RuntimeException {
        private static final long serialVersionUID = 1;

        public Stopped() {
            super("stopped on request", null, false, false);
        }
    }
}
