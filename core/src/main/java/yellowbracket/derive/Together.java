package yellowbracket.derive;

import java.util.HashMap;
import java.util.Map;

/**
 * Two passes over one world that share a memo: what one is making the other waits for, instead of making it as well. Neither waits while
 * the other does, so that they never wait for each other.
 */
final class Together {
    private final Map<Figure.Key, Thread> making = new HashMap<>();
    private boolean waits;

    /** Whether the caller is to make it; else it has waited until the other was through with it, and looks again. */
    synchronized boolean begin(Figure.Key key) throws InterruptedException {
        if (making.putIfAbsent(key, Thread.currentThread()) == null) return true;
        if (waits) return true;
        waits = true;
        try {
            while (making.containsKey(key)) wait();
        } finally {
            waits = false;
        }
        return false;
    }

    /** Made, or given up. */
    synchronized void end(Figure.Key key) {
        if (making.remove(key, Thread.currentThread())) notifyAll();
    }
}
