package yellowbracket.desktop.station;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.build.Derived;
import yellowbracket.build.Edit;
import yellowbracket.build.Node;
import yellowbracket.cut.Bed;
import yellowbracket.cut.CutPlane;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Section;
import yellowbracket.cut.SectionPlanner;
import yellowbracket.cut.Sectioning;
import yellowbracket.desktop.AppModel;
import yellowbracket.desktop.Page;
import yellowbracket.desktop.Words;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Printer;
import yellowbracket.size.Fit;

/** Where to cut: plans that fit the beds, planes moved by hand, sections pulled apart. */
public final class CutView extends StationView {
    /** A plan someone asked for, by prop and scale; kept so that the table of alternatives does not search twice. */
    private record Offer(String name, CutTree tree, String why) {}

    private final Map<List<Object>, List<Offer>> offers = new HashMap<>();
    private final Map<List<Object>, Boolean> asked = new HashMap<>();
    private final Runnable exportSections;
    private boolean typing;
    private boolean dragging;

    public CutView(AppModel model, Bench bench, Runnable exportSections) {
        super(model, bench);
        this.exportSections = exportSections;
        bench.explode().valueProperty().subscribe(x -> {
            if (model.pageProperty().get() == Page.CUT && model.currentProp().isPresent()) draw();
        });
        bench.planes().selectedProperty().subscribe(on -> {
            bench.explode().setDisable(on);
            if (model.pageProperty().get() == Page.CUT && model.currentProp().isPresent()) draw();
        });
    }

    @Override
    protected List<Node<?>> shows() {
        return List.of(Node.SECTIONS, Node.DRAWN, Node.PRINTS, Node.JOINS, Node.SMOOTH, Node.SCHEDULE);
    }

    @Override
    public boolean busyWithInput() {
        return typing || dragging;
    }

    @Override
    public Card card() {
        var card = new Card("where to cut", prop().name() + " \u00b7 " + bounds().map(b -> words().size(b.size())).orElse(""));
        var sections = model.result(Node.SECTIONS);
        if (sections.isEmpty()) return waiting(card, Node.MODEL_SECTIONS, Node.SECTIONS);
        plans(card);
        planes(card);
        sections.get().findings().forEach(f -> card.finding(Fit.Weight.CARE, f, "", () -> {}));
        var tooLarge = tooLarge(sections.get());
        tooLarge.forEach(s -> card.finding(Fit.Weight.STOP, "section " + s.name() + " (" + words().size(s.size()) + ") fits no printer", "plan the cuts", this::planForSmallest));
        if (prop().cuts().planeCount() == 0 && tooLarge.isEmpty()) card.finding(Fit.Weight.NOTE, "it fits in one piece: no seam to hide", "", () -> {});
        card.primary("keep these cuts and print", () -> model.pageProperty().set(Page.PRINT), Card.action("export sections ...", exportSections));
        sectionTable(card, sections.get());
        seamTable(card, sections.get());
        return card;
    }

    private List<Section> tooLarge(Sectioning s) {
        return s.sections().stream().filter(q -> model.shownProperty().get().printers().stream().noneMatch(p -> Bed.of(p).holds(q.size()))).toList();
    }

    private void plans(Card card) {
        var key = List.<Object>of(prop().mesh(), prop().intake(), prop().scale(), model.shownProperty().get().printers());
        var table = alternatives("", "parts", "seam", "print h", "join h", "ready");
        var found = offers.getOrDefault(key, List.of());
        boolean listed = found.stream().anyMatch(o -> o.tree.equals(prop().cuts()));
        if (!listed) alternative(table, "as it is now", true, Edit.cuts(prop().id(), prop().cuts()), this::figures);
        for (var o : found) alternative(table, o.name, o.tree.equals(prop().cuts()), new Edit("cut: " + o.name, b -> b.with(b.prop(prop().id()).orElseThrow().withCuts(o.tree))), this::figures);
        card.add(table);
        if (!found.isEmpty()) card.text(found.getFirst().why);
        if (asked.putIfAbsent(key, true) == null) search(key);
        else if (found.isEmpty()) card.text("looking for plans that fit the beds ...");
    }

    private void figures(Alternatives.Row row, Derived d) {
        String id = prop().id();
        var s = d.get(Node.SECTIONS, id);
        double joinH = d.get(Node.TASKS).map(t -> t.list().stream().filter(q -> q.prop().equals(id) && q.station() == yellowbracket.plan.Station.JOIN).mapToDouble(q -> q.activeH()).sum()).orElse(0.0);
        row.figures(ready(d), s.map(q -> String.valueOf(q.sections().size())).orElse("-"), s.map(q -> Words.text("%.1f m", q.seams().stream().mapToDouble(m -> m.showLengthMm()).sum() / 1000)).orElse("-"),
                d.get(Node.PRINTS, id).map(p -> Words.text("~%.0f", p.expectedHours())).orElse("-"), Words.text("~%.1f", joinH), readyWords(d));
    }

    /** One plan for the smallest bed, one for the largest, and the whole piece where it fits. */
    private void search(List<Object> key) {
        var mesh = model.result(Node.MODEL).map(Node.Model::mesh);
        if (mesh.isEmpty()) return;
        double scale = prop().scale();
        var printers = model.shownProperty().get().printers().stream().sorted(java.util.Comparator.comparingDouble((Printer p) -> p.usableX() * p.usableY() * p.usableZ())).toList();
        if (printers.isEmpty()) return;
        model.background("planning cuts", progress -> {
            var out = new ArrayList<Offer>();
            offer("fits every printer", SectionPlanner.plan(mesh.get(), scale, Bed.of(printers.getFirst()), progress), out);
            if (printers.size() > 1) offer("large bed only", SectionPlanner.plan(mesh.get(), scale, Bed.of(printers.getLast()), progress), out);
            return out;
        }, found -> {
            offers.put(key, found);
            model.propProperty().set(model.propProperty().get());
            refreshed.run();
        });
    }

    /** Called when offers have arrived, so that the frame writes the card anew. */
    private Runnable refreshed = () -> {};

    public void onOffers(Runnable r) {
        refreshed = r;
    }

    private void offer(String name, SectionPlanner.Outcome outcome, List<Offer> out) {
        switch (outcome) {
            case SectionPlanner.Outcome.Impossible i -> model.tell(AppModel.Tone.STOP, name + ": " + i.why());
            case SectionPlanner.Outcome.Planned p -> {
                if (out.stream().noneMatch(o -> o.tree.equals(p.tree()))) out.add(new Offer(p.tree().planeCount() == 0 ? "in one piece" : name, p.tree(), p.why()));
            }
        }
    }

    private void planForSmallest() {
        var key = List.<Object>of(prop().mesh(), prop().intake(), prop().scale(), model.shownProperty().get().printers());
        var found = offers.getOrDefault(key, List.of());
        if (!found.isEmpty()) model.apply(Edit.cuts(prop().id(), found.getFirst().tree));
        else model.tell(AppModel.Tone.NOTE, "the plans are still being worked out");
    }

    private void planes(Card card) {
        card.title("planes");
        var list = prop().cuts().planes();
        for (int i = 0; i < list.size(); i++) plane(card, i, list.get(i));
        var axes = new ArrayList<javafx.scene.Node>();
        for (int a = 0; a < 3; a++) {
            int axis = a;
            axes.add(Card.action("+ " + "xyz".charAt(a), () -> addPlane(axis)));
        }
        card.row("add a plane", axes.toArray(javafx.scene.Node[]::new));
    }

    private void addPlane(int axis) {
        var mesh = model.result(Node.MODEL).orElseThrow().mesh();
        double mid = Math.rint(mesh.bounds().centre().get(axis)) + 0.137;
        model.apply(Edit.cuts(prop().id(), prop().cuts().cutEverywhere(CutPlane.across(axis, mid))));
    }

    private void plane(Card card, int number, CutPlane plane) {
        var spin = new Spinner<Double>(-5000, 5000, plane.offsetMm(), 1);
        spin.setId("plane-" + number);
        spin.setEditable(true);
        spin.setPrefWidth(118);
        spin.setAccessibleText("plane " + (number + 1) + " at, in mm of the model");
        spin.getValueFactory().setConverter(new javafx.util.StringConverter<>() {
            @Override
            public String toString(Double v) {
                return Words.text("%.1f", v);
            }

            @Override
            public Double fromString(String s) {
                try {
                    return Double.parseDouble(s.replace(',', '.').strip());
                } catch (NumberFormatException e) {
                    model.tell(AppModel.Tone.STOP, "\"" + s + "\" is no place for a plane: type millimetres, such as 21.5");
                    return plane.offsetMm();
                }
            }
        });
        spin.valueProperty().addListener((o, before, v) -> {
            if (v != null && Math.abs(v - plane.offsetMm()) > 1e-6) model.apply(Edit.movePlane(prop().id(), number, new CutPlane(plane.normal(), v)));
        });
        spin.focusedProperty().subscribe(on -> typing = on && spin.getEditor().isFocused());
        var remove = Card.action("remove", () -> model.apply(new Edit("remove a cut", b -> b.with(b.prop(prop().id()).orElseThrow().withCuts(b.prop(prop().id()).orElseThrow().cuts().without(number))))));
        remove.setAccessibleText("remove plane " + (number + 1));
        var what = new Label(plane.words());
        what.getStyleClass().add("row-more");
        what.setMinWidth(Region.USE_PREF_SIZE);
        var gap = new Region();
        javafx.scene.layout.HBox.setHgrow(gap, javafx.scene.layout.Priority.ALWAYS);
        card.row("plane " + (number + 1), spin, what, gap, remove);
    }

    private void sectionTable(Card card, Sectioning s) {
        card.title("sections");
        var prints = model.result(Node.PRINTS);
        card.add(new Sheet<Section>("sections", "no sections").tag("", 44, Section::name).words("size", 150, q -> words().size(q.size()))
                .number("grams", 70, q -> grams(prints, q), q -> "~" + Words.grams(grams(prints, q)))
                .words("fits", 110, q -> fits(q)).words("closed", 60, q -> q.closed() ? "closed" : "open").rows(s.sections(), 9));
    }

    private static double grams(Optional<yellowbracket.print.PrintPlan> prints, Section q) {
        return prints.flatMap(p -> p.prints().stream().filter(x -> x.name().equals(q.name())).findFirst()).map(x -> x.estimate().grams()).orElse(Double.NaN);
    }

    private String fits(Section q) {
        var all = model.shownProperty().get().printers();
        var fit = all.stream().filter(p -> Bed.of(p).holds(q.size())).map(Printer::name).toList();
        return fit.size() == all.size() ? "every bed" : fit.isEmpty() ? "no bed" : String.join(", ", fit);
    }

    private void seamTable(Card card, Sectioning s) {
        if (s.seams().isEmpty()) return;
        card.title("seams");
        card.add(new Sheet<yellowbracket.cut.Seam>("seams", "no seams").tag("", 60, yellowbracket.cut.Seam::name).number("length", 90, q -> q.lengthMm(), q -> words().longLength(q.lengthMm()))
                .number("seen", 90, q -> q.showLengthMm(), q -> words().longLength(q.showLengthMm())).number("area mm\u00b2", 80, q -> q.areaMm2(), q -> Words.whole(q.areaMm2()))
                .number("wall", 70, q -> q.wallMm(), q -> words().length(q.wallMm())).rows(s.seams(), 8));
    }

    /** Each plane as a pane of glass a little wider than the prop, dragged along its normal; sections follow while it moves. */
    private void drawPlanes(Bounds3 box, double s, List<javafx.scene.Node> things, List<Bench.Callout> labels) {
        labels.clear();
        var list = prop().cuts().planes();
        for (int i = 0; i < list.size(); i++) {
            int number = i;
            var plane = list.get(i);
            var n = plane.normal();
            var centre = box.centre();
            var at = centre.plus(n.times(plane.offsetMm() * s - n.dot(centre)));
            var pane = new javafx.scene.shape.MeshView(bench.drawn().square(at, n, 0.56 * box.diagonal()));
            pane.setMaterial(bench.drawn().paneOfGlass());
            pane.setCullFace(javafx.scene.shape.CullFace.NONE);
            pane.setUserData(new Bench.Handle(at, n, mm -> dragPlane(number, plane, mm / s, false), mm -> dragPlane(number, plane, mm / s, true)));
            things.add(pane);
            var side = n.cross(Math.abs(n.z()) < 0.9 ? Vec3.Z : Vec3.X).unit();
            labels.add(new Bench.Callout(at.plus(side.times(0.3 * box.diagonal())), (i + 1) + "  " + plane.words(), ""));
        }
    }

    private void dragPlane(int number, CutPlane from, double mm, boolean dropped) {
        var to = new CutPlane(from.normal(), Math.rint(10 * (from.offsetMm() + mm)) / 10 + 0.037); // a little off whole tenths, where models have their vertices
        dragging = !dropped;
        if (Math.abs(mm) < 0.05) {
            if (dropped) model.endPreview();
            return;
        }
        var edit = Edit.movePlane(prop().id(), number, to);
        if (dropped) model.apply(edit);
        else model.preview(edit);
    }

    @Override
    public void draw() {
        bench.showExplode(true);
        var drawn = model.result(Node.DRAWN);
        var size = bounds();
        if (drawn.isEmpty() || size.isEmpty()) return;
        boolean planes = bench.planes().isSelected();
        double s = prop().scale(), apart = planes ? 0 : 0.55 * bench.explode().getValue();
        var centre = size.get().centre();
        var things = new ArrayList<javafx.scene.Node>();
        var labels = new ArrayList<Bench.Callout>();
        var tooLarge = model.result(Node.SECTIONS).map(this::tooLarge).orElse(List.of()).stream().map(Section::name).toList();
        int i = 0;
        for (var e : drawn.get().bySection().entrySet()) {
            var own = e.getValue().bounds().scaled(s).centre();
            var off = own.minus(centre).times(apart);
            var colour = tooLarge.contains(e.getKey()) ? Color.web("#c46a7d") : SECTION_COLOURS.get(i++ % SECTION_COLOURS.size());
            var cut = List.of(colour, colour.deriveColor(0, 1, 0.62, 1));
            var mesh = e.getValue();
            var view = bench.drawn().byPalette(mesh, cut, f -> mesh.tag(f) == yellowbracket.mesh.Mesh.ORIGINAL ? 0 : 1);
            var group = new Group(view);
            group.getTransforms().setAll(new Translate(off.x(), off.y(), off.z()), new Scale(s, s, s));
            things.add(group);
            labels.add(new Bench.Callout(own.plus(off).plus(new Vec3(0, 0, 0)), e.getKey() + (tooLarge.contains(e.getKey()) ? "  fits no bed" : ""), tooLarge.contains(e.getKey()) ? "stop" : ""));
        }
        if (planes) drawPlanes(size.get(), s, things, labels);
        bench.show(things, size.get().scaled(1 + 0.4 * apart), key("prop"));
        bench.legend().none();
        bench.callouts(labels);
        var sections = model.result(Node.SECTIONS);
        bench.gauges(sections.map(q -> List.of(new Bench.Gauge("sections", String.valueOf(q.sections().size()), q.sections().stream().allMatch(Section::closed) ? "all closed" : "some open", tooLarge.isEmpty() ? "" : "stop"),
                new Bench.Gauge("seams seen", words().longLength(q.seams().stream().mapToDouble(m -> m.showLengthMm()).sum()), "of " + words().longLength(q.seams().stream().mapToDouble(m -> m.lengthMm()).sum()), ""),
                new Bench.Gauge("cut area", Words.text("%.1f cm\u00b2", q.seams().stream().mapToDouble(m -> m.areaMm2()).sum() / 100), "", ""),
                new Bench.Gauge("fits", tooLarge.isEmpty() ? "yes" : tooLarge.size() + " too large", "", tooLarge.isEmpty() ? "good" : "stop"))).orElse(List.of()));
    }
}
