package yellowbracket.desktop;

import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.stage.Stage;
import yellowbracket.program.ProgramLog;

/** Starts the toolkit and fetches the first build beside it: each takes most of a second. */
public final class Launcher {
    private Launcher() {}

    /** {@code [--demo | FILE] [--today=yyyy-mm-dd] [--width=W] [--height=H] [--shots=DIR] [--only=NAME,...] [--probe=on]} */
    public static void main(String[] args) {
        ProgramLog.start(System.getenv());
        Thread.setDefaultUncaughtExceptionHandler((t, e) -> ProgramLog.failure(t.getName(), e));
        StartOptions options;
        try {
            options = StartOptions.parse(args, System.getenv());
        } catch (IllegalArgumentException e) {
            System.err.println(e.getMessage());
            System.exit(2);
            return;
        }
        // 3D also where the driver is not on the toolkit's list, whichever way the program was started
        if (System.getProperty("prism.forceGPU") == null) System.setProperty("prism.forceGPU", "true");
        // subpixel smoothing copies the picture behind each word before it is drawn, a tenth of what a page takes without a graphics card
        if (System.getProperty("prism.lcdtext") == null) System.setProperty("prism.lcdtext", "false");
        var first = CompletableFuture.supplyAsync(() -> FirstBuild.of(options).begin(options));
        Platform.startup(() -> new App(options, first).show(new Stage()));
    }
}
