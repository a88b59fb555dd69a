package yellowbracket.desktop.shell;

import javafx.animation.AnimationTimer;
import yellowbracket.desktop.model.AppModel;

/**
 * Has what is worked out stand still while somebody waits for a frame. The frame being made is drawn at the end of its pulse, the next one
 * waits until it is on screen, and with the one after all goes on. Confined to the interface thread.
 */
final class Painting extends AnimationTimer {
    private static final int SHOWN = 3;

    private final AppModel model;
    private int frames;

    Painting(AppModel model) {
        this.model = model;
    }

    /** Before anything else from now on. */
    void first() {
        model.paintFirst();
        frames = 0;
        start();
    }

    @Override
    public void handle(long now) {
        if (++frames < SHOWN) return;
        stop();
        model.painted();
    }
}
