package yellowbracket.desktop.station.print;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.device.PrinterLink;
import yellowbracket.print.FailureKind;
import yellowbracket.shop.Printer;

/**
 * What a linked printer is doing: job, layer, what remains, a fault; start, pause, go on, cancel, write it down. Follows the link's status
 * while it lives; statuses in between are passed over.
 */
final class LinkPane extends VBox {
    private final PrinterLink link;
    private final Label state = new Label();
    private final Label more = Card.more("");
    private final ProgressBar bar = new ProgressBar(0);
    private final Button start;
    private final Button pause;
    private final Button resume;
    private final Button cancel;
    private final Button write;
    private final AtomicBoolean due = new AtomicBoolean();

    /** @param start asked to start the next job @param write asked to log a print that ended */
    LinkPane(PrinterLink link, Consumer<PrinterLink> start, Consumer<PrinterLink> write) {
        super(4);
        this.link = link;
        String tag = Printer.tag(link.name());
        this.start = button("start next", "start-" + tag, () -> start.accept(link));
        pause = button("pause", "pause-" + tag, link::pause);
        resume = button("go on", "resume-" + tag, link::resume);
        cancel = button("cancel", "cancel-" + tag, link::cancel);
        this.write = button("write it in the log", "write-" + tag, () -> write.accept(link));
        state.getStyleClass().add("row-value");
        state.setId("state-" + tag);
        bar.setMaxWidth(Double.MAX_VALUE);
        bar.setAccessibleText("progress of " + link.name());
        var buttons = new HBox(8, this.start, pause, resume, cancel, this.write);
        getStyleClass().add("link-pane");
        getChildren().setAll(state, bar, more, buttons);
        link.listen(s -> {
            if (!due.getAndSet(true)) Platform.runLater(() -> {
                due.set(false);
                show(link.status());
            });
        });
    }

    private static Button button(String words, String id, Runnable run) {
        var b = Card.action(words, run);
        b.setId(id);
        b.managedProperty().bind(b.visibleProperty());
        return b;
    }

    private void show(PrinterLink.Status s) {
        String job = s.job().map(PrinterLink.Job::name).orElse("");
        state.setText(switch (s.state()) {
            case IDLE -> "idle, the bed is free";
            case HEATING -> "heating for " + job;
            case PRINTING -> Words.text("printing %s, %s", job, Words.percent(s.share()));
            case PAUSED -> Words.text("%s paused at %s", job, Words.percent(s.share()));
            case DONE -> job + " is done";
            case FAULT ->
                    Words.text("%s stopped at %s: %s", job, Words.percent(s.share()), s.fault().map(FailureKind::words).orElse("fault"));
            case CANCELLED -> job + " cancelled at " + Words.percent(s.share());
            case OFFLINE -> "no answer" + (job.isEmpty() ? "" : "; " + job + " was at " + Words.percent(s.share()));
        });
        state.getStyleClass().removeAll("stop", "good", "care");
        if (s.state() == PrinterLink.State.FAULT) state.getStyleClass().add("stop");
        if (s.state() == PrinterLink.State.DONE) state.getStyleClass().add("good");
        if (s.state() == PrinterLink.State.OFFLINE || s.state() == PrinterLink.State.CANCELLED) state.getStyleClass().add("care");
        bar.setProgress(s.share());
        bar.setVisible(s.job().isPresent());
        bar.setManaged(s.job().isPresent());
        more.setText(s.job()
                .map(j -> Words.text("layer %d of %d; %s printed, %s to go", s.layer(), j.layers(), Words.hours(s.printedH()),
                        Words.about(s.remainingH())))
                .orElse(""));
        more.setVisible(s.job().isPresent());
        more.setManaged(s.job().isPresent());
        boolean ended = s.job().isPresent() && !s.state().busy();
        start.setVisible(s.state() == PrinterLink.State.IDLE);
        pause.setVisible(s.state() == PrinterLink.State.PRINTING);
        resume.setVisible(s.state() == PrinterLink.State.PAUSED);
        cancel.setVisible(s.state().busy() && s.state() != PrinterLink.State.OFFLINE);
        write.setVisible(ended);
    }
}
