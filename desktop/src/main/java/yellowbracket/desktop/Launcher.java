package yellowbracket.desktop;

import javafx.application.Application;

/** A plain class with a {@code main}: JavaFX starts from the class path only when the launched class is no Application itself. */
public final class Launcher {
    private Launcher() {}

    /** {@code [--demo | FILE] [--today yyyy-mm-dd] [--shots DIR] [--probe]} */
    public static void main(String[] args) {
        Application.launch(App.class, args);
    }
}
