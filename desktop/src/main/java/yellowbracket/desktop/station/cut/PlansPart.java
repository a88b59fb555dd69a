package yellowbracket.desktop.station.cut;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.cut.Bed;
import yellowbracket.cut.Nearly;
import yellowbracket.cut.plan.PlanWishes;
import yellowbracket.cut.plan.SectionPlan;
import yellowbracket.cut.plan.SectionPlanner;
import yellowbracket.cut.registration.Registered;
import yellowbracket.derive.Derived;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.work.Operation;
import yellowbracket.work.Station;

/** Plans that fit the beds, side by side, each with why every plane lies where it does. Part of the cut page. */
final class PlansPart extends CutPart {
    private static final Set<Station> BY_HAND = Set.of(Station.PRINT, Station.JOIN, Station.SMOOTH);

    /** Offers of a cut less that are shown. */
    private static final int MOST_NEARLY = 2;

    /** What was found for one model, size, set of beds and locked planes. */
    private static final class Search {
        private List<SectionPlan> plans = List.of();
        private int atLeast;
        private boolean over;
        private String impossible = "";

        private void heard(SectionPlanner.Outcome.Planned p) {
            plans = p.plans();
            atLeast = p.atLeast();
        }
    }

    private final Map<List<Object>, Search> searches = new HashMap<>();

    PlansPart(CutView view) {
        super(view);
        view.keep(model.shownProperty().subscribe(b -> leaveOff()));
    }

    /** A search for what has been decided otherwise helps nobody, and takes a core from what was decided. */
    private void leaveOff() {
        var running = searches.entrySet().stream().filter(e -> !e.getValue().over).findFirst();
        if (running.isEmpty() || model.currentProp().isPresent() && running.get().getKey().equals(key())) return;
        searches.remove(running.get().getKey());
        model.planning().cancel();
    }

    @Override
    public String heading() {
        return "where to cut";
    }

    private List<Object> key() {
        return List.of(prop().mesh(), prop().intake(), prop().size().reshape(), prop().scale(), beds(), prop().cut().tree().onlyLocked());
    }

    /** What may stand on a section once it is cut needs room too. */
    private List<Bed> beds() {
        double stands = prop().cut().registration().usual().standsOutMm();
        return model.shownProperty().get().printers().stream().map(p -> Bed.of(p).less(stands)).distinct().toList();
    }

    @Override
    void write(Card card) {
        var search = searches.get(key());
        if (search == null) search = start(key());
        var s = search;
        var table = view.planTable();
        boolean listed = s.plans.stream().anyMatch(o -> o.tree().equals(prop().cut().tree()));
        if (!listed) view.planRow(table, "as it is now", true, Edit.cuts("keep the cuts", prop().id(), t -> t), this::figures);
        for (var o : s.plans) {
            var edit = Edit.cuts("cut: " + o.name(), prop().id(), t -> o.tree());
            boolean current = o.tree().equals(prop().cut().tree());
            var row = view.planRow(table, shortName(o), current, edit, (r, d) -> {
                figures(r, d);
                r.more(o.name() + hardware(d));
            });
            if (!row.told()) row.more(o.name());
            if (!current) row.estimates(estimates(o));
        }
        card.add(table);
        if (!s.over) card.row("planning",
                Card.more(s.plans.isEmpty() ? "looking for plans that fit the beds ..." : "the best so far is above; looking on ..."),
                Card.action("stop looking", () -> stop(s)));
        if (!s.impossible.isEmpty()) card.finding(Weight.STOP, s.impossible, "", () -> {});
        card.text("print h with support and the prints that fail; by hand: taking support away, joining and smoothing. Least work counts "
                + "three hours of a printer as one by hand");
        if (s.atLeast > 1) card.text("no plan has fewer than " + s.atLeast + " parts on these beds");
        nearly(card);
        int locked = prop().cut().tree().onlyLocked().planeCount();
        if (locked > 0) card.text("plans keep the " + locked + (locked == 1 ? " locked plane" : " locked planes")
                + "; unlock them under planes to plan freely");
        else card.text("lock planes under the planes tab, and the rest is planned around them");
        registered().filter(r -> !r.hardware().isEmpty())
                .ifPresent(r -> card.row("hardware",
                        Card.more(String.join(", ", r.hardware().stream().map(Registered.Hardware::words).toList()))));
        s.plans.stream().filter(o -> o.tree().equals(prop().cut().tree())).findFirst().ifPresent(o -> reasons(card, o));
    }

    /** What a little less size, or lying askew on the bed, would spare. */
    private void nearly(Card card) {
        var list = model.result(CutFigures.NEARLY).map(CutFigures.NearFits::list).orElse(List.of()).stream().limit(MOST_NEARLY).toList();
        if (list.isEmpty()) return;
        card.title("a cut less");
        for (var n : list) {
            var words = n.fits() ? "print as one" : "scale to " + Words.text("%.1f %%", 100 * n.scale());
            card.row(n.who(), Card.more(n.how() + tooSmall(n)), Card.action(words, () -> model.apply(Edit.asOne(prop().id(), n))));
        }
    }

    private String tooSmall(Nearly n) {
        if (n.fits()) return "";
        return model.result(SizeFigures.SCALES)
                .flatMap(f -> f.byWearer()
                        .entrySet()
                        .stream()
                        .filter(q -> q.getValue().fits() && n.scale() < q.getValue().lowest())
                        .map(q -> "; too small for " + q.getKey())
                        .findFirst())
                .orElse("");
    }

    private String hardware(Derived d) {
        return d.get(CutFigures.REGISTERED, prop().id())
                .map(r -> r.hardware().isEmpty() ? "\nno hardware"
                        : "\n" + String.join(", ", r.hardware().stream().map(Registered.Hardware::words).toList()))
                .orElse("");
    }

    private static String shortName(SectionPlan p) {
        return p.aims().getFirst().words() + (p.aims().size() > 1 ? " +" + (p.aims().size() - 1) : "");
    }

    private static String[] estimates(SectionPlan p) {
        return new String[] {String.valueOf(p.sections()), metres(p.showMm()), Words.text("~%.0f", p.printH()),
                Words.text("~%.0f", p.handH()), "\u2026"};
    }

    private static String metres(double mm) {
        return Words.text("%.1f m", mm / 1000);
    }

    private void figures(Alternatives.Row row, Derived d) {
        String id = prop().id();
        var s = d.get(CutFigures.SECTIONS, id);
        double show = s.map(q -> q.seams().stream().mapToDouble(m -> m.showLengthMm()).sum()).orElse(0.0);
        if (d.get(PrintFigures.PRINTS, id).filter(p -> !p.printable()).isPresent()) {
            row.figures(Optional.empty(), s.map(q -> String.valueOf(q.sections().size())).orElse("-"), metres(show), "-", "-", "-");
            row.note("a section fits no bed");
            return;
        }
        row.figures(StationView.ready(d), s.map(q -> String.valueOf(q.sections().size())).orElse("-"), metres(show),
                d.get(PrintFigures.PRINTS, id).map(p -> Words.text("~%.0f", p.expectedHours())).orElse("-"),
                Words.text("~%.0f", byHand(d, id)), StationView.readyWords(d));
    }

    /** What of the work by hand depends on the cuts. */
    private static double byHand(Derived d, String prop) {
        return d.get(PlanFigures.TASKS)
                .map(t -> t.list()
                        .stream()
                        .filter(q -> q.prop().equals(prop) && BY_HAND.contains(q.station()) && q.operation() != Operation.PRINT)
                        .mapToDouble(q -> q.activeH())
                        .sum())
                .orElse(0.0);
    }

    private void reasons(Card card, SectionPlan plan) {
        if (plan.reasons().isEmpty()) {
            card.text("in one piece there is no seam to hide; a failure late in the print costs the most");
            return;
        }
        card.title("why these planes: " + plan.name());
        for (int i = 0; i < plan.reasons().size(); i++) {
            var r = plan.reasons().get(i);
            card.step(String.valueOf(i + 1), (r.locked() ? "locked; " : "") + r.plane().words(),
                    r.why() + (r.mirrored() ? " (mirrored)" : ""));
        }
    }

    private void stop(Search s) {
        model.planning().cancel();
        s.over = true;
        view.again();
    }

    /** The next try is made when the model is there. */
    private Search start(List<Object> key) {
        var search = new Search();
        var mesh = model.result(ModelFigures.MODEL).map(ModelFigures.Model::mesh);
        if (mesh.isEmpty()) return search;
        searches.values().removeIf(s -> !s.over); // a new search takes the place of one that runs
        searches.put(key, search);
        double scale = prop().scale();
        var wishes = wishes();
        model.planning().run("planning cuts", progress -> planned(mesh.get(), scale, wishes, progress, search), outcome -> {
            search.over = true;
            switch (outcome) {
                case SectionPlanner.Outcome.Planned p -> search.heard(p);
                case SectionPlanner.Outcome.Impossible i -> search.impossible = i.why();
            }
            view.plansArrived();
        });
        return search;
    }

    /** On the planning thread; a search that breaks off says so instead of looking on for ever. */
    private SectionPlanner.Outcome planned(Mesh mesh, double scale, PlanWishes wishes, Progress progress, Search search) {
        try {
            return model.patiently(progress, p -> SectionPlanner.plan(mesh, scale, wishes, p, found -> Platform.runLater(() -> {
                if (search.over) return;
                search.heard(found);
                view.plansArrived();
            })));
        } catch (Progress.Stopped e) {
            throw e;
        } catch (RuntimeException e) {
            return new SectionPlanner.Outcome.Impossible(
                    "planning stopped (" + (e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage())
                            + "): mend the mesh under size, or cut by hand");
        }
    }

    private PlanWishes wishes() {
        var p = prop();
        var printers = model.shownProperty().get().printers();
        return PlanWishes.of(beds().toArray(Bed[]::new))
                .keeping(p.cut().tree().onlyLocked())
                .seeing(eyes())
                .withRates(PlanWishes.Rates.of(p.print().profile(), printers, PlanWishes.Labour.of(model.shop())))
                .along(model.result(ColourFigures.LIGHT).map(l -> l.painted().zoneAt()).orElse(at -> 0));
    }

    /** In model coordinates, where the first wearer's eyes are. */
    private Optional<Vec3> eyes() {
        return model.result(SizeFigures.FITS)
                .flatMap(f -> f.list().stream().findFirst())
                .map(f -> f.pose().place(f.clearance().form().eye(1).plus(f.clearance().form().eye(-1)).times(0.5)).times(1 / f.scale()));
    }

    /** Takes the first plan, once there is one. */
    void takeFirst() {
        var search = searches.get(key());
        if (search == null) search = start(key());
        if (search.plans.isEmpty())
            model.tell(AppModel.Tone.NOTE, search.impossible.isEmpty() ? "the plans are still being worked out" : search.impossible);
        else {
            var plan = search.plans.getFirst();
            model.apply(Edit.cuts("cut: " + plan.name(), prop().id(), t -> plan.tree()));
        }
    }
}
