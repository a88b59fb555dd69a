package yellowbracket.desktop.station.print;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import yellowbracket.derive.Derived;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.export.QueueFile;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.plan.Schedule;
import yellowbracket.print.Plates;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Printer;
import yellowbracket.work.SectionId;

/**
 * Plates and queue of all props: one section after another or full beds, what each printer prints when, spools; rows are dragged, or moved
 * with Alt and the arrow keys. Part of the print page.
 */
public final class PlatesPart extends PrintPart {
    private static final AskFile.Kind CSV = AskFile.Kind.of("CSV", "csv");
    private static final String FILE = "the print queue";
    private static final double ROW = 34;
    private static final double GAP_MM = 40;

    private String picked = "";
    private boolean dragging;

    PlatesPart(PrintView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "plates and queue";
    }

    boolean dragging() {
        return dragging;
    }

    /** A plate with its place in the schedule. */
    private record Row(Plates.Plate plate, Optional<Schedule.Placed> at) {}

    private List<Row> rows() {
        var plates = model.ofBuild(PrintFigures.PLATES);
        var schedule = model.schedule();
        if (plates.isEmpty() || schedule.isEmpty()) return List.of();
        return plates.get()
                .chosen()
                .stream()
                .map(p -> new Row(p, schedule.get().placed(p.task())))
                .sorted(Comparator.comparing(r -> r.at.map(Schedule.Placed::start).orElse(schedule.get().due())))
                .toList();
    }

    @Override
    void write(Card card, PrintPlan plan) {
        var plates = model.ofBuild(PrintFigures.PLATES);
        if (plates.isEmpty() || model.schedule().isEmpty()) {
            card.text("packing plates ...");
            return;
        }
        modes(card, plates.get());
        away(card);
        var rows = rows();
        if (rows.isEmpty()) card.text("the queue is empty: everything is printed");
        for (var printer : model.shownProperty().get().printers()) {
            var own = rows.stream().filter(r -> r.plate.printer().name().equals(printer.name())).toList();
            card.title(printer.name() + Words.text(", %d to print, ~%s", own.stream().mapToInt(r -> r.plate.prints().size()).sum(),
                    Words.hours(own.stream().mapToDouble(r -> r.plate.hours()).sum())));
            if (own.isEmpty()) card.text("nothing to print");
            else card.add(list(own));
        }
        model.ofBuild(ShelfFigures.SPOOLS).ifPresent(s -> view.findings(card, s.findings()));
        card.primary("export the queue ...", this::export, Card.action("import ...", this::read),
                Card.action("order as proposed", () -> model.apply(Edit.queue("print order as proposed", q -> q.withOrder(List.of())))));
        card.text("drag a row, or move it with Alt and the arrow keys; the whole plan follows");
    }

    private void modes(Card card, PrintFigures.Plating plates) {
        var table = view.table("beds", "plates", "print h", "lost h", "ready");
        mode(table, "one section after another", plates.single(), !plates.fullPlates(), false);
        mode(table, "full beds", plates.full(), plates.fullPlates(), true);
        card.add(table);
    }

    /** When nobody is there to change a plate; one span for the working days. */
    private void away(Card card) {
        var hours = model.shownProperty().get().hours();
        var span = hours.away().stream().findFirst();
        var from = time("away-from", "nobody there from", span.map(s -> s.from().toString()).orElse(""), "08:00");
        var to = time("away-to", "nobody there until", span.map(s -> s.to().toString()).orElse(""), "17:00");
        times("nobody there", from, to,
                (a, b) -> model.apply(new Edit("nobody there from " + a + " to " + b, x -> x.withHours(x.hours().awayOnWeekdays(a, b)))),
                () -> model.apply(new Edit("always somebody there", x -> x.withHours(x.hours().withAway(List.of())))));
        card.row("nobody there", from, to,
                Card.more(Words.text("Monday to Friday; plates are changed from %s to %s", hours.printFrom(), hours.printTo())));
    }

    private void mode(Alternatives table, String name, List<Plates.Plate> list, boolean current, boolean full) {
        double hours = list.stream().mapToDouble(Plates.Plate::hours).sum(),
                lost = list.stream().mapToDouble(Plates.Plate::expectedHours).sum() - hours;
        String[] known = {String.valueOf(list.size()), Words.text("~%.0f", hours), Words.text("%.1f", lost)};
        var row = view.row(table, name, current, Edit.queue(name, q -> q.withFullPlates(full)),
                (Alternatives.Row r, Derived d) -> r.figures(PrintView.readyAt(d), known[0], known[1], known[2], PrintView.readyOf(d)));
        row.estimates(known);
        row.more(full ? "a failure loses all that is on the bed; fewer times somebody must be there"
                : "a failure loses one section; somebody must be there after each");
    }

    private VBox list(List<Row> own) {
        var box = new VBox(2);
        for (int i = 0; i < own.size(); i++) box.getChildren().add(line(own, i));
        return box;
    }

    private HBox line(List<Row> own, int index) {
        var r = own.get(index);
        var grip = new Label("\u2261");
        grip.getStyleClass().add("soft");
        var tags = new HBox(3);
        r.plate.sections().forEach(s -> tags.getChildren().add(Card.tag(s.letter())));
        tags.setMinWidth(44);
        tags.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        var when = new Label(!r.plate.fits() ? "fits no bed"
                : r.at.map(p -> Words.dayTime(p.start()) + " \u2013 " + Words.dayTime(p.end())).orElse("not planned"));
        when.getStyleClass().add("small");
        var gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        var figures = new Label(
                Words.text("%s  %s  %s", Words.about(r.plate.hours()), Words.grams(r.plate.grams()), Words.percent(r.plate.risk())));
        figures.getStyleClass().addAll("small", "num");
        figures.setMinWidth(Region.USE_PREF_SIZE);
        var row = new HBox(8, grip, tags, when, gap, figures);
        row.getStyleClass().add("queue-row");
        row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        row.setMinHeight(ROW - 2);
        row.setMaxHeight(ROW - 2);
        row.setId("queue-" + r.plate.name());
        row.setFocusTraversable(true);
        row.setAccessibleText("print " + r.plate.name() + " " + when.getText() + ", " + figures.getText() + "; Alt and arrow keys move it");
        row.pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("picked"), r.plate.name().equals(picked));
        double[] from = {0};
        row.setOnMousePressed(e -> {
            from[0] = e.getSceneY();
            row.requestFocus();
        });
        row.setOnMouseDragged(e -> {
            dragging = true;
            row.setTranslateY(e.getSceneY() - from[0]);
            row.toFront();
            e.consume();
        });
        row.setOnMouseReleased(e -> {
            int by = (int) Math.round((e.getSceneY() - from[0]) / ROW);
            boolean was = dragging;
            dragging = false;
            row.setTranslateY(0);
            if (was && by != 0) move(own, index, by);
            else if (was) view.again();
            else show(r.plate.name());
        });
        row.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) show(r.plate.name());
            else if (e.isAltDown() && e.getCode() == KeyCode.UP) move(own, index, -1);
            else if (e.isAltDown() && e.getCode() == KeyCode.DOWN) move(own, index, 1);
            else return;
            e.consume();
        });
        return row;
    }

    private void show(String plate) {
        picked = plate;
        view.again();
    }

    /** Moves a whole plate by places in its printer's list. */
    private void move(List<Row> own, int index, int by) {
        var plates = own.stream().map(r -> r.plate.sections()).toList();
        if (Math.clamp(index + by, 0, own.size() - 1) == index) view.again();
        else model.apply(
                Edit.queue("print " + own.get(index).plate.name() + (by < 0 ? " sooner" : " later"), q -> q.moved(plates, index, by)));
    }

    private void export() {
        model.ask().toSave(FILE, "print-queue.csv", CSV).ifPresent(this::export);
    }

    private void export(Path to) {
        var plates = model.ofBuild(PrintFigures.PLATES);
        var schedule = model.schedule();
        if (plates.isEmpty() || schedule.isEmpty()) return;
        if (plates.get().chosen().isEmpty()) {
            model.tell(AppModel.Tone.STOP, "the queue is empty: everything is printed, there is nothing to export");
            return;
        }
        model.background("writing the queue", p -> {
            try {
                return QueueFile.write(plates.get(), schedule.get(), to);
            } catch (IOException e) {
                throw new IllegalStateException(WriteProblem.words(e) + "; choose another folder", e);
            }
        }, f -> model.tell(AppModel.Tone.GOOD, f.getFileName() + " written; the order of its rows can be read back"));
    }

    private void read() {
        model.ask().toOpen(FILE, CSV).ifPresent(this::read);
    }

    private void read(Path from) {
        var sections = new ArrayList<SectionId>();
        var derived = model.derived();
        for (var p : model.shownProperty().get().props())
            derived.get(PrintFigures.PRINTS, p.id()).ifPresent(q -> q.prints().forEach(x -> sections.add(x.id())));
        var printers = model.shownProperty().get().printers().stream().map(Printer::name).collect(Collectors.toSet());
        model.background("reading the queue", p -> QueueFile.read(from, sections, printers), outcome -> {
            switch (outcome) {
                case QueueFile.Outcome.Refused r -> model.tell(AppModel.Tone.STOP, r.problem().sentence());
                case QueueFile.Outcome.Read r -> {
                    model.apply(new Edit("print order of " + from.getFileName(),
                            b -> placed(b.withQueue(b.queue().withOrder(r.order())), r.printers())));
                    model.tell(AppModel.Tone.GOOD, Words.text("%d sections in the order of %s", r.order().size(), from.getFileName()));
                }
            }
        });
    }

    /** Printers are wished for only where they differ from those the plan took. */
    private Build placed(Build b, Map<SectionId, String> printers) {
        for (var e : printers.entrySet()) {
            String id = e.getKey().prop(), letter = e.getKey().letter();
            var prop = b.prop(id);
            var now = model.derived().get(PrintFigures.PRINTS, id).map(q -> q.print(letter).printer().name());
            if (prop.isEmpty() || now.equals(Optional.of(e.getValue()))) continue;
            var print = prop.get().print();
            b = b.with(prop.get().withPrint(print.withSection(letter, print.section(letter).withPrinter(Optional.of(e.getValue())))));
        }
        return b;
    }

    @Override
    void draw(PrintPlan plan) {
        var rows = rows();
        double x = 0, tall = 40, deep = 1;
        var on = new ArrayList<String>();
        var things = new ArrayList<javafx.scene.Node>();
        var labels = new ArrayList<Bench.Callout>();
        for (var printer : model.shownProperty().get().printers()) {
            var scene = new OnBed(view.bench(), view.night(), x, 0);
            scene.bed(printer);
            var own = rows.stream().filter(r -> r.plate.printer().name().equals(printer.name())).toList();
            var shown = own.stream().filter(r -> r.plate.name().equals(picked)).findFirst().or(() -> own.stream().findFirst());
            labels.add(new Bench.Callout(scene.place(printer.bedX() / 2, -8, 0), printer.name()
                    + shown.map(r -> "  " + r.plate.name() + "  " + r.at.map(p -> Words.dayTime(p.start())).orElse("")).orElse("  free"),
                    ""));
            on.add(shown.map(r -> r.plate.name()).orElse(""));
            if (shown.isPresent()) tall = Math.max(tall, place(scene, shown.get().plate, labels));
            things.addAll(scene.things());
            x += printer.bedX() + GAP_MM;
            deep = Math.max(deep, printer.bedY());
        }
        view.bench().show(things, Bounds3.of(-x + GAP_MM, -deep, -0.2 * deep, 0, 0, tall), view.frameKey("plates " + on));
        view.bench().legend().ramp(Optional.of(Ramp.cusp()), "\u00b5m", 1);
        view.bench().callouts(labels);
        double left = rows.stream().mapToDouble(r -> r.plate.hours()).sum();
        var next = rows.stream().filter(r -> r.at.isPresent()).findFirst();
        view.bench()
                .gauges(List.of(new Bench.Gauge("plates to print", String.valueOf(rows.size()), Words.about(left), ""),
                        new Bench.Gauge("next", next.map(r -> r.plate.name()).orElse("-"),
                                next.flatMap(Row::at).map(p -> Words.dayTime(p.start())).orElse(""), ""),
                        new Bench.Gauge("last is off",
                                rows.stream()
                                        .flatMap(r -> r.at.stream())
                                        .map(Schedule.Placed::end)
                                        .max(Comparator.naturalOrder())
                                        .map(Words::dayTime)
                                        .orElse("-"),
                                "", "")));
    }

    /** Sections of any prop where they stand on the plate. Returns how tall they are. */
    private double place(OnBed scene, Plates.Plate plate, List<Bench.Callout> labels) {
        double tall = 0;
        for (var where : plate.places()) {
            var print = plate.prints().stream().filter(p -> p.id().equals(where.section())).findFirst().orElseThrow();
            var prop = model.shownProperty().get().prop(where.section().prop());
            var mesh = model.derived()
                    .get(CutFigures.DRAWING, where.section().prop())
                    .map(d -> d.bySection().get(where.section().letter()));
            if (mesh.isEmpty() || prop.isEmpty()) continue;
            scene.section(mesh.get(), turned(print, where.quarters()), prop.get().scale(), where.x(), where.y(), print.profile().layerMm(),
                    0, view.bare());
            labels.add(new Bench.Callout(
                    scene.place(where.x() + where.wideMm() / 2, where.y() + where.deepMm() / 2, print.orientation().size().z() * 0.7),
                    where.section().letter() + "  " + Words.about(print.hours()), ""));
            tall = Math.max(tall, print.orientation().size().z());
        }
        return tall;
    }

    private static Turn turned(SectionPrint p, int quarters) {
        var t = p.orientation().turn();
        for (int i = 0; i < quarters; i++) t = t.then(Turn.quarter(2)).tidy();
        return t;
    }
}
