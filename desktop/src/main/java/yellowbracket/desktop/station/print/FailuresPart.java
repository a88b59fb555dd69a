package yellowbracket.desktop.station.print;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.cut.Section;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.finding.Weight;
import yellowbracket.log.Entry;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.print.FailureKind;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.Salvage;
import yellowbracket.print.SectionPrint;
import yellowbracket.work.TaskId;

/**
 * What failures cost: one piece against sections, a failure late in a print, what can be saved of one that failed, what went wrong so far.
 * Part of the print page.
 */
final class FailuresPart extends PrintPart {
    /** Heights measured on stumps, by the entry that tells of the failure. */
    private final Map<Entry, Double> measured = new HashMap<>();

    FailuresPart(PrintView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "what failures cost";
    }

    @Override
    void write(Card card, PrintPlan plan) {
        onePiece(card, plan);
        plan.prints()
                .stream()
                .max(Comparator.comparingDouble(SectionPrint::hours))
                .ifPresent(p -> card.row("failing at 80 %", Words.about(0.8 * p.hours()),
                        Words.text("and %s lost on section %s, the longest print", Words.grams(0.8 * p.grams()), p.name())));
        model.result(PrintFigures.REMARKS)
                .ifPresent(r -> r.rules().stream().filter(f -> f.weight() == Weight.STOP).forEach(f -> view.finding(card, f)));
        model.ofBuild(PrintFigures.UPKEEP)
                .ifPresent(u -> u.list()
                        .stream()
                        .filter(p -> p.task().upkeep() == TaskId.Upkeep.CALIBRATE)
                        .forEach(p -> card.row("prove " + p.printer(), Card.more(p.what()),
                                Card.action("it did well", () -> model.note("done " + p.task().text())))));
        open().forEach(e -> salvage(card, plan, e));
        model.result(PrintFigures.REMARKS).ifPresent(r -> r.recurring().forEach(f -> view.finding(card, f)));
        counts(card);
    }

    private void onePiece(Card card, PrintPlan plan) {
        double plain = plan.hours(), expected = plan.expectedHours(),
                grams = plan.prints().stream().mapToDouble(SectionPrint::expectedGrams).sum();
        card.row("in sections", Words.about(expected),
                Words.text("%.0f h if nothing fails; ~%s with what is lost", plain, Words.grams(grams)));
        model.result(PrintFigures.ONE_PIECE)
                .ifPresent(o -> card.row("in one piece", Words.about(o.expectedHours()),
                        Words.text("%.0f h if it works at once, %s that it does; ~%s%s", o.hours(), Words.percent(o.success()),
                                Words.grams(o.expectedGrams()), o.fits() ? "" : "; no bed holds it")));
    }

    /** The last failure of each section not printed since. */
    private List<Entry> open() {
        var last = new LinkedHashMap<TaskId, Entry>();
        var build = model.shownProperty().get();
        for (var e : build.log()) {
            if (e.about().filter(a -> a.current(build)).isEmpty()) continue;
            var task = e.about().get().task();
            if (e.kind() == Entry.Kind.FAILED) last.put(task, e);
            if (e.kind() == Entry.Kind.DONE) last.remove(task);
        }
        return List.copyOf(last.values());
    }

    private void salvage(Card card, PrintPlan plan, Entry e) {
        var section = model.result(CutFigures.SECTIONS)
                .flatMap(s -> s.sections().stream().filter(q -> e.printed().equals(List.of(q.id()))).findFirst());
        var print = plan.prints().stream().filter(q -> e.printed().equals(List.of(q.id()))).findFirst();
        if (section.isEmpty() || print.isEmpty() || e.share().isEmpty()) return;
        var told = measured.get(e);
        var s = told == null ? Salvage.of(section.get().mesh(), print.get(), e.share().getAsDouble(), model.shop())
                : Salvage.atHeight(section.get().mesh(), print.get(), told, model.shop());
        card.title(Words.text("section %s stopped at %.0f %%: about %s above the bed", s.section(), 100 * s.share(),
                words().length(s.heightMm())));
        card.text(Words.text("%s and %s are gone; measure the stump, the cut goes at its height", Words.about(s.lostHours()),
                Words.grams(s.lostGrams())));
        double whole = print.get().orientation().size().z();
        var height = field("stump-" + s.section(), "height of the stump",
                Words.text("mm between 1 and %.0f, such as %.1f", whole - 0.5, Math.min(whole - 1, s.heightMm())), 1, whole - 0.5)
                .with(Words.text("%.1f", s.heightMm()));
        height.setOnAction(x -> height.read().ifPresent(mm -> {
            measured.put(e, mm);
            view.again();
        }));
        card.row("stump", height, Card.more("mm measured; Enter takes it"));
        for (var o : s.options()) {
            if (o.way() == Salvage.Way.REST)
                card.row(o.way().words(), Card.more(o.figures()), Card.action("write the rest ...", () -> writeRest(s, section.get())));
            else card.row(o.way().words(), Card.more(o.figures()));
        }
    }

    private void writeRest(Salvage s, Section section) {
        model.ask()
                .toSave("what is missing of section " + s.section(), "section-" + s.section() + "-rest.stl", AskFile.Kind.ANY)
                .ifPresent(f -> writeRest(s, section, f));
    }

    private void writeRest(Salvage s, Section section, Path to) {
        model.background("writing the rest", p -> {
            try {
                MeshWriter.write(List.of(new MeshWriter.Named("rest of section " + s.section(), s.rest(section.mesh()))),
                        MeshWriter.Kind.of(to).orElse(MeshWriter.Kind.STL), to);
                return to;
            } catch (IOException e) {
                throw new IllegalStateException(WriteProblem.words(e) + "; choose another folder", e);
            }
        }, f -> model.tell(AppModel.Tone.GOOD, f.getFileName() + " written: it stands on the cut, as high as what is missing"));
    }

    private void counts(Card card) {
        card.title("what went wrong so far");
        var records = model.ofBuild(PrintFigures.RECORDS).map(PrintFigures.Records::list).orElse(List.of());
        boolean any = false;
        for (var kind : FailureKind.values()) {
            var on = records.stream()
                    .filter(r -> r.failures().containsKey(kind))
                    .map(r -> r.printer() + (r.failures().get(kind) > 1 ? " " + r.failures().get(kind) + " times" : ""))
                    .toList();
            if (on.isEmpty()) continue;
            any = true;
            card.row(kind.words(), Card.more(String.join(", ", on) + (kind.advice().isEmpty() ? "" : "; what helps: " + kind.advice())));
        }
        if (!any) card.text("nothing has failed");
        card.text("in the line below: failed D 64 % layer shift; odd C strings; cause: wet filament #mid-bed; lesson: what helped");
        card.primary("to the log", () -> model.pageProperty().set(Page.LOG));
    }

    @Override
    void draw(PrintPlan plan) {
        view.overview(plan);
    }
}
