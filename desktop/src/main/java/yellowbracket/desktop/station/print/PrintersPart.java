package yellowbracket.desktop.station.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import yellowbracket.derive.all.LogEdit;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.device.PrinterLink;
import yellowbracket.document.Edit;
import yellowbracket.document.Question;
import yellowbracket.log.PrintRecord;
import yellowbracket.plan.Schedule;
import yellowbracket.print.FailureKind;
import yellowbracket.print.Plates;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Process;
import yellowbracket.shop.Quiet;
import yellowbracket.shop.Spool;

/** The printers: what each is doing now, what the log says of it, its spool, its quiet hours and nozzle. Part of the print page. */
final class PrintersPart extends PrintPart {
    private final Map<PrinterLink, LinkPane> panes = new HashMap<>();

    PrintersPart(PrintView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "the printers";
    }

    @Override
    void write(Card card, PrintPlan plan) {
        var all = model.shownProperty().get().printers();
        panes.keySet().retainAll(all.stream().map(model::link).toList());
        for (var p : all) printer(card, p, all.size());
        model.ofBuild(ShelfFigures.SPOOLS).ifPresent(s -> view.findings(card, s.findings()));
        more(card);
        card.text("printers are simulated here: half an hour passes in a second, and faults come more often than with real printers");
    }

    private void printer(Card card, Printer p, int count) {
        card.title(p.name() + Words.text(", %.0f \u00d7 %.0f \u00d7 %.0f mm", p.bedX(), p.bedY(), p.bedZ()));
        card.add(panes.computeIfAbsent(model.link(p), link -> new LinkPane(link, this::start, this::noted)));
        model.ofBuild(PrintFigures.RECORDS)
                .flatMap(r -> r.list().stream().filter(x -> x.printer().equals(p.name())).findFirst())
                .ifPresent(r -> record(card, r));
        if (p.process() == Process.FILAMENT) spool(card, p);
        quiet(card, p);
        new FitRows(model).write(card, p);
        card.row("bed", side(p, 'x', p.bedX(), (q, mm) -> q.withBedX(mm)), side(p, 'y', p.bedY(), (q, mm) -> q.withBedY(mm)),
                side(p, 'z', p.bedZ(), (q, mm) -> q.withBedZ(mm)), Card.more("mm wide, deep, high"));
        var nozzle = field("nozzle-" + p.tag(), "nozzle on " + p.name(), "mm between 0.1 and 2, such as 0.4", 0.1, 2)
                .with(Words.text("%s", p.nozzleMm()));
        nozzle.setOnAction(e -> nozzle.read()
                .ifPresent(v -> model.apply(Edit.printer("nozzle of " + v + " mm on " + p.name(), p.name(), q -> q.withNozzleMm(v)))));
        if (count > 1) card.row(p.process() == Process.FILAMENT ? "nozzle fitted" : "resin",
                p.process() == Process.FILAMENT ? nozzle : Card.more("lit layer by layer"),
                Card.more(p.process() == Process.FILAMENT ? "mm" : ""),
                Card.action("remove", () -> model.apply(new Edit("remove printer " + p.name(), b -> b.settling(Question.PRINTERS)
                        .withPrinters(b.printers().stream().filter(q -> !q.name().equals(p.name())).toList())))));
        else card.row("nozzle fitted", nozzle, Card.more("mm"));
    }

    private void record(Card card, PrintRecord r) {
        String went = r.failures()
                .entrySet()
                .stream()
                .sorted(Comparator.comparing(e -> -e.getValue()))
                .map(e -> e.getValue() + " " + e.getKey().words())
                .collect(Collectors.joining(", "));
        card.row("record", Words.text("%d done", r.done()),
                Words.text("%s h; failed: %s", Words.whole(r.hours()), went.isEmpty() ? "none" : went));
        card.row("fails once in", Words.whole(1 / Math.max(1e-9, r.failuresPerHour())) + " h", Words.text("%s to %s h, eight times in ten",
                Words.whole(1 / Math.max(1e-9, r.highRate())), Words.whole(1 / Math.max(1e-9, r.lowRate()))));
        card.row("takes", Words.text("\u00d7 %.2f", r.factor().factor()), "of the hours computed; " + r.factor().source());
    }

    private void spool(Card card, Printer p) {
        var spools = model.shownProperty().get().spools();
        var on = spools.stream().filter(s -> s.printer().equals(p.name())).findFirst();
        var box = new Choice<>("spool-" + p.tag(), "spool on " + p.name(), spools.stream().map(Spool::name).toList(),
                on.map(Spool::name).orElse(null), s -> s, s -> model.apply(Edit.load(s, p.name())));
        if (on.isEmpty()) {
            card.row("spool", box, Card.action("new spool of 1 kg", () -> model.apply(new Edit("a new spool on " + p.name(), b -> {
                var list = new ArrayList<>(b.spools());
                list.add(new Spool(prop().print().profile().material() + " " + (list.size() + 1), prop().print().profile().material(), 1000,
                        215, p.name()));
                return b.withSpools(list);
            }))));
            return;
        }
        var s = on.get();
        var scale = field("weigh-" + p.tag(), "weight of " + s.name(),
                Words.text("grams on the scale, spool and all: between %.0f and 6000", s.emptyG()), s.emptyG(), 6000);
        scale.setPromptText("on scale");
        scale.setOnAction(e -> scale.read()
                .ifPresent(g -> model.apply(Edit.spool(s.name() + " weighs " + Math.round(g) + " g", s.name(), q -> q.weighed(g)))));
        card.row("spool", box, Card.more(Words.grams(s.grams()) + " left"), scale);
    }

    private void quiet(Card card, Printer p) {
        String tag = p.tag();
        var from = time("quiet-from-" + tag, "quiet from", p.quiet().map(q -> q.from().toString()).orElse(""), "22:00");
        var to = time("quiet-to-" + tag, "quiet to", p.quiet().map(q -> q.to().toString()).orElse(""), "07:00");
        times("quiet hours", from, to, (a, b) -> {
            var quiet = new Quiet(a, b);
            model.apply(Edit.printer("quiet on " + p.name() + " from " + quiet, p.name(), q -> q.withQuiet(Optional.of(quiet))));
        }, () -> {
            if (p.quiet().isPresent())
                model.apply(Edit.printer("no quiet hours on " + p.name(), p.name(), q -> q.withQuiet(Optional.empty())));
        });
        card.row("quiet hours", from, to, Card.more(p.quiet().isPresent() ? "it pauses" : "none; Enter takes them"));
    }

    private NumberField side(Printer p, char axis, double now, BiFunction<Printer, Double, Printer> change) {
        var side = field("bed-" + axis + "-" + p.tag(), "bed of " + p.name() + " in " + axis, "mm between 50 and 2000, such as 220", 50,
                2000).with(Words.text("%.0f", now));
        side.setOnAction(e -> side.read().ifPresent(mm -> {
            var wrong = change.apply(p, mm).check();
            if (wrong.isEmpty()) model.apply(
                    Edit.printer("bed of " + p.name() + ", " + axis + " " + side.getText() + " mm", p.name(), q -> change.apply(q, mm)));
            else model.tell(AppModel.Tone.STOP, wrong.getFirst());
        }));
        return side;
    }

    /** A filament printer as the catalogue's first, under a name of the maker's; its bed is typed then. */
    private void own(Card card) {
        var name = new TextField();
        name.setId("printer-name");
        name.setPromptText("its name");
        name.setPrefWidth(150);
        name.setAccessibleText("name of a printer of your own");
        Runnable add = () -> {
            String called = name.getText().strip();
            name.getStyleClass().remove("wrong");
            boolean taken = model.shownProperty().get().printers().stream().anyMatch(p -> p.name().equals(called));
            if (called.isEmpty() || called.length() > 40 || taken) {
                name.getStyleClass().add("wrong");
                model.tell(AppModel.Tone.STOP, taken ? called + " is there already" : "type a name of up to 40 letters for the printer");
            } else add(model.shop().printers().getFirst().withName(called));
        };
        name.setOnAction(e -> add.run());
        card.row("your own", name, Card.action("add", add));
    }

    private void add(Printer p) {
        model.apply(new Edit("add printer " + p.name(), b -> {
            var list = new ArrayList<>(b.printers());
            list.add(p);
            return b.settling(Question.PRINTERS).withPrinters(list);
        }));
    }

    private void more(Card card) {
        var names = model.shownProperty().get().printers().stream().map(Printer::name).toList();
        var offered = new ArrayList<Printer>(model.shop().printers());
        offered.addAll(model.shop().morePrinters());
        offered.removeIf(q -> names.contains(q.name()));
        card.title("add a printer");
        own(card);
        var buttons = offered.stream()
                .map(q -> Card.tip(Card.action(q.name(), () -> add(q)),
                        Words.text("%.0f \u00d7 %.0f \u00d7 %.0f mm%s", q.bedX(), q.bedY(), q.bedZ(),
                                q.process() == Process.RESIN ? ", resin" : Words.text(", %s mm nozzle", q.nozzleMm()))))
                .toList();
        card.add(new javafx.scene.layout.FlowPane(8, 4, buttons.toArray(Button[]::new)));
    }

    /** The next plate of the queue for a printer. */
    private Optional<Plates.Plate> next(String printer) {
        var schedule = model.schedule();
        if (schedule.isEmpty()) return Optional.empty();
        return model.ofBuild(PrintFigures.PLATES)
                .map(PrintFigures.Plating::chosen)
                .orElse(List.of())
                .stream()
                .filter(p -> p.printer().name().equals(printer) && p.fits())
                .min(Comparator.comparing(p -> schedule.get().placed(p.task()).map(Schedule.Placed::start).orElse(schedule.get().due())));
    }

    private void start(PrinterLink link) {
        var plate = next(link.name());
        if (plate.isEmpty()) {
            model.tell(AppModel.Tone.STOP,
                    "nothing in the queue of " + link.name() + ": everything on it is printed, or goes to another printer");
            return;
        }
        var p = plate.get();
        switch (link.start(
                new PrinterLink.Job(p.name(), p.prints().stream().mapToInt(q -> q.estimate().layers()).max().orElse(1), p.hours()))) {
            case PrinterLink.Answer.Refused r -> model.tell(AppModel.Tone.STOP, r.why());
            case PrinterLink.Answer.Taken _ -> model.note(LogEdit.line(link.status(), Printer.tag(link.name())));
        }
    }

    /** What the printer did goes in the log; the bed is free then. */
    private void noted(PrinterLink link) {
        var status = link.status();
        if (status.job().isEmpty() || status.state().busy()) return;
        model.note(LogEdit.line(status, Printer.tag(link.name())));
        link.clear();
        model.tell(status.state() == PrinterLink.State.DONE ? AppModel.Tone.GOOD : AppModel.Tone.NOTE,
                status.state() == PrinterLink.State.DONE ? "noted: " + status.job().get().name() + " is printed"
                        : "noted: " + status.job().get().name() + " failed at " + Words.percent(status.share())
                                + status.fault()
                                        .map(FailureKind::advice)
                                        .filter(a -> !a.isEmpty())
                                        .map(a -> "; usual help: " + a)
                                        .orElse("")
                                + "; see failures for what can be saved");
    }

    @Override
    void draw(PrintPlan plan) {
        view.overview(plan);
    }
}
