package yellowbracket.desktop.shell;

import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.program.ProgramLog;

/** A sheet of plain lines for the page at hand: what to do first, what each part of it is for, and the keys. */
final class Help {
    /** Width of the words, pixels: lines of some 70 letters. */
    private static final double WIDE = 470;

    /** {@code first}: what to do here; lines of a name and what it does. */
    private record Sheet(String first, List<Line> lines) {}

    private record Line(String name, String words) {}

    private static final List<Line> KEYS = List.of(new Line("1 ... 7", "stations"), new Line("[  ]", "log, plan"),
            new Line("/", "find a command, a section, a seam"), new Line("L", "write in the log"), new Line("B", "bench mode"),
            new Line("F", "frame the model"), new Line("X", "see through"), new Line("Tab", "from control to control"),
            new Line("Ctrl+Z", "undo, Ctrl+Shift+Z redo"), new Line("Ctrl+S", "save"), new Line("Esc", "stop, close, leave a field"));

    private Help() {}

    private static Sheet of(Page page) {
        return switch (page) {
            case SIZE -> new Sheet("Say what it is for and who wears it; then take a row of the table, or drag the scale.",
                    List.of(new Line("fit", "the head turns crimson where the shell is nearer than it may be; section cuts the view open"),
                            new Line("put on", "plays the head's way in, and what would widen it"),
                            new Line("sight", "what the wearer sees"), new Line("wearers", "measures and head scans"),
                            new Line("scale", "other ways to a size: a length, a character"),
                            new Line("bodies", "unit, way up, which parts of the file count"),
                            new Line("health", "faults and walls of the mesh, and mending them")));
            case CUT -> new Sheet("Take a plan; every section, seam and hour follows. Red sections stand on no bed, turned any way.",
                    List.of(new Line("plans", "ways to cut, by work, parts, hidden seams, support"),
                            new Line("planes", "drag a pane, turn it by the knob at its edge, type place and lean, lock it"),
                            new Line("joints", "what holds each seam; a click on a face places a piece"),
                            new Line("sections", "sizes, what is alike, files, the map to pin up")));
            case PRINT -> new Sheet("Look the ways up over, then the queue; the least sum of printing and smoothing is marked.",
                    List.of(new Line("way up", "take a row, tilt by hand, or lay a face down; orange support scars the show side"),
                            new Line("how fine", "the profile, for all sections or one alone"),
                            new Line("plates", "drag rows to reorder, fill beds or print one by one"),
                            new Line("printers", "start, pause, log what they did, weigh spools"),
                            new Line("failures", "what they cost, and what can be saved")));
            case JOIN -> new Sheet("Pick a seam to see other ways to join it.",
                    List.of(new Line("bears", "how many times the load of handling a seam bears; below 3 it is not trusted"),
                            new Line("steps", "the order of assembly, with what to mix and how long to hold")));
            case SMOOTH -> new Sheet("Choose how good it must look; the ladder is the cheapest way from these lines to that.",
                    List.of(new Line("step", "each says when to stop")));
            case COLOUR -> new Sheet("Choose the colours; undercoat, coats, masks and cans follow.",
                    List.of(new Line("weather", "the strip shows today's hours that are fit to spray")));
            case WEAR -> new Sheet("Foam for each zone from the clearance left, pressed by about a third.", List.of());
            case LOG -> new Sheet("Write in the line below what happened.",
                    List.of(new Line("done A 14 h", "marks it done and teaches the next estimate"),
                            new Line("failed B 60 %", "counts, and offers what can be saved"), new Line("spent 9.50", "adds up"),
                            new Line("lesson: ...", "comes back where the case returns")));
            case PLAN -> new Sheet("Change the day, the hours or the finish and see what is left.",
                    List.of(new Line("done", "marks a task done, here or in the log line")));
        };
    }

    static void show(Scene over, Page page, boolean night) {
        var sheet = of(page);
        var heading = new Label("help: " + page.label());
        heading.getStyleClass().add("heading");
        var first = new Label(sheet.first);
        first.setWrapText(true);
        first.setMaxWidth(WIDE + 120);
        var title = new Label("keys");
        title.getStyleClass().add("section-title");
        var log = new Label("What was refused or failed is noted in " + ProgramLog.file(System.getenv()));
        log.getStyleClass().addAll("soft", "small");
        log.setWrapText(true);
        log.setMaxWidth(WIDE + 120);
        var popup = new Popup();
        var close = new Button("close  Esc");
        close.setId("help-close");
        close.getStyleClass().setAll("button", "action");
        close.setOnAction(e -> popup.hide());
        var box = new VBox(10, heading, first, grid(sheet.lines), title, grid(KEYS), log, close);
        box.setId("help");
        box.getStyleClass().addAll("root", "sheet");
        box.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.F1) popup.hide();
        });
        Theme.apply(box, night);
        popup.getContent().setAll(box);
        popup.setAutoHide(true);
        popup.setHideOnEscape(true);
        var w = over.getWindow();
        popup.show(w, w.getX() + 120, w.getY() + 60);
        close.requestFocus();
    }

    private static GridPane grid(List<Line> lines) {
        var grid = new GridPane(14, 4);
        for (var l : lines) {
            var name = new Label(l.name);
            name.getStyleClass().add("row-name");
            name.setMinWidth(Region.USE_PREF_SIZE);
            var words = new Label(l.words);
            words.setWrapText(true);
            words.setMaxWidth(WIDE);
            grid.addRow(grid.getRowCount(), name, words);
        }
        return grid;
    }
}
