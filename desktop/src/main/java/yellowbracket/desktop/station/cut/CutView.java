package yellowbracket.desktop.station.cut;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.scene.Group;
import javafx.scene.paint.Color;
import javafx.scene.shape.CullFace;
import javafx.scene.shape.MeshView;
import javafx.scene.shape.Sphere;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.plan.PlaneSnap;
import yellowbracket.cut.registration.Registered;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.derive.Derived;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.Asked;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.Exposure;

/**
 * The cut page: plans that fit the beds, planes by hand, how sections find each other, what the cuts leave; sections pulled apart in the
 * bench.
 */
public final class CutView extends StationView {
    /** Names of the tabs, in order. */
    private static final List<String> TABS = List.of("plans", "planes", "joints", "sections");

    private final PlansPart plans;
    private final PlanesPart planes;
    private final JointsPart joints;
    private final Map<String, CutPart> parts = new LinkedHashMap<>();
    private int picked;
    private boolean dragging;

    /** @param exportSections asked for files; true as printed, false in place */
    public CutView(AppModel model, Bench bench, Consumer<Boolean> exportSections) {
        super(model, bench, TABS);
        plans = new PlansPart(this);
        planes = new PlanesPart(this);
        joints = new JointsPart(this);
        parts.put("plans", plans);
        parts.put("planes", planes);
        parts.put("joints", joints);
        parts.put("sections", new SectionsPart(this, exportSections));
        keep(bench.explode().valueProperty().subscribe(x -> redraw()));
        keep(bench.planes().selectedProperty().subscribe(on -> {
            bench.explode().setDisable(on);
            redraw();
        }));
        bench.onDelete(() -> {
            if (here() && bench.planes().isSelected() && picked < prop().cut().tree().planeCount()) planes.remove(prop().id(), picked);
        });
    }

    private boolean here() {
        return model.pageProperty().get() == Page.CUT && model.currentProp().isPresent();
    }

    private void redraw() {
        if (here()) draw();
    }

    @Override
    public boolean startsWork() {
        return tab().equals("plans");
    }

    /** Plans have arrived: only their own page is written anew, nothing is taken from under the pointer on another. */
    void plansArrived() {
        if (tab().equals("plans")) again();
    }

    @Override
    protected void enter(String name) {
        bench.planes().setSelected(name.equals("planes"));
    }

    @Override
    public boolean busyWithInput() {
        return dragging;
    }

    @Override
    public Card card() {
        var shown = parts.get(tab());
        var card = card(shown.heading(), prop().name() + " \u00b7 " + bounds().map(b -> words().size(b.size())).orElse(""));
        var sections = model.result(CutFigures.SECTIONS);
        if (sections.isEmpty()) return waiting(card, CutFigures.MODEL_SECTIONS, CutFigures.REGISTERED, CutFigures.SECTIONS);
        if (tab().equals("plans")) Asked.printers(card, model);
        shown.write(card);
        var large = tooLarge(sections.get());
        large.forEach(s -> card.finding(Weight.STOP,
                "section " + s.name() + " is " + words().length(model.result(CutFigures.STANDS).orElseThrow().overMm(s.name()))
                        + " too large for every bed, turned any way",
                "take a plan", plans::takeFirst));
        findings(card, sections.get().findings());
        if (tab().equals("joints")) model.result(JoinFigures.JOINS).ifPresent(j -> findings(card, j.breaks()));
        model.result(CutFigures.NECKS).ifPresent(n -> findings(card, n.findings(prop().scale())));
        findings(card, prop().size().lacks());
        model.result(ColourFigures.TIGHT).ifPresent(t -> findings(card, t.findings()));
        model.result(CutFigures.RIGID).ifPresent(r -> findings(card, r.findings()));
        if (prop().size().exposures().contains(Exposure.CHILDREN))
            model.result(CutFigures.REGISTERED).flatMap(Registered::childrenNear).ifPresent(f -> findings(card, List.of(f)));
        if (tab().equals("plans") && !large.isEmpty())
            card.primary("take the first plan", plans::takeFirst, Card.action("cut by hand", () -> show("planes")));
        else if (tab().equals("plans")) card.primary("keep these cuts and print", () -> model.pageProperty().set(Page.PRINT),
                Card.action("cut by hand", () -> show("planes")));
        return card;
    }

    private List<Section> tooLarge(Sectioning s) {
        var stands = model.result(CutFigures.STANDS);
        return stands
                .map(t -> s.sections().stream().filter(q -> t.bySection().containsKey(q.name()) && !t.fitsSomewhere(q.name())).toList())
                .orElse(List.of());
    }

    Alternatives planTable() {
        return alternatives("", "parts", "seen", "print h", "by hand", "ready");
    }

    Alternatives.Row planRow(Alternatives table, String name, boolean current, Edit edit, BiConsumer<Alternatives.Row, Derived> show) {
        return alternative(table, name, current, edit, show);
    }

    @Override
    public void draw() {
        bench.showExplode(true);
        var drawn = model.fresh(CutFigures.SKETCH) && !model.fresh(CutFigures.DRAWING) ? model.result(CutFigures.SKETCH)
                : model.result(CutFigures.DRAWING);
        var size = bounds();
        if (drawn.isEmpty() || size.isEmpty()) return;
        boolean panes = bench.planes().isSelected();
        double s = prop().scale(), apart = panes ? 0 : 0.55 * bench.explode().getValue();
        var scene = new Scene(size.get(), s, apart);
        var sections = model.result(CutFigures.SECTIONS);
        var large = sections.map(this::tooLarge).orElse(List.of()).stream().map(Section::name).toList();
        int i = 0;
        for (var e : drawn.get().bySection().entrySet())
            scene.section(e.getKey(), e.getValue(), drawn.get().rims().getOrDefault(e.getKey(), new double[0]),
                    large.contains(e.getKey()) ? Role.TOO_LARGE.colour() : Role.SECTIONS.get(i++ % Role.SECTIONS.size()),
                    large.contains(e.getKey()));
        if (!panes) model.result(CutFigures.REGISTERED).ifPresent(scene::hardware);
        if (panes) drawPlanes(size.get(), s, scene.things, scene.labels);
        bench.show(scene.things, size.get().scaled(1 + 0.4 * apart), key("prop"));
        bench.legend().none();
        bench.callouts(scene.labels);
        bench.gauges(sections.map(q -> gauges(q, large.size())).orElse(List.of()));
    }

    private List<Bench.Gauge> gauges(Sectioning q, int tooLarge) {
        boolean asked = model.result(CutFigures.STANDS).isPresent();
        return List.of(
                new Bench.Gauge("sections", String.valueOf(q.sections().size()),
                        q.sections().stream().allMatch(Section::closed) ? "all closed" : "some open", tooLarge == 0 ? "" : "stop"),
                new Bench.Gauge("seams seen", words().longLength(q.seams().stream().mapToDouble(Seam::showLengthMm).sum()),
                        "of " + words().longLength(q.seams().stream().mapToDouble(Seam::lengthMm).sum()), ""),
                new Bench.Gauge("cut area", Words.text("%.1f cm\u00b2", q.seams().stream().mapToDouble(Seam::areaMm2).sum() / 100), "", ""),
                new Bench.Gauge("fits", !asked ? "\u2026" : tooLarge == 0 ? "yes" : tooLarge + " too large", "",
                        !asked ? "" : tooLarge == 0 ? "good" : "stop"));
    }

    /** What is put on the bench in one go. */
    private final class Scene {
        private final Bounds3 box;
        private final double scale;
        private final double apart;
        private final List<javafx.scene.Node> things = new ArrayList<>();
        private final List<Bench.Callout> labels = new ArrayList<>();
        private final Map<String, Vec3> off = new LinkedHashMap<>();

        private Scene(Bounds3 box, double scale, double apart) {
            this.box = box;
            this.scale = scale;
            this.apart = apart;
        }

        private void section(String name, Mesh mesh, double[] rims, Color colour, boolean large) {
            var own = mesh.bounds().scaled(scale).centre();
            var by = own.minus(box.centre()).times(apart);
            off.put(name, by);
            var view = bench.isSeeThrough() ? bench.drawn().glass(mesh, colour, 0.3)
                    : bench.drawn()
                            .byPalette(mesh, List.of(colour, colour.deriveColor(0, 1, 0.62, 1)), f -> mesh.tag(f) == Mesh.ORIGINAL ? 0 : 1);
            var lines = bench.drawn().lines(rims, Role.SEAM.colour(), 1.4);
            lines.setUserData(new Bench.Hint(seamsOf(name)));
            var group = new Group(view, lines);
            group.setUserData(new Bench.Hint(about(name)));
            group.getTransforms().setAll(new Translate(by.x(), by.y(), by.z()), new Scale(scale, scale, scale));
            things.add(group);
            labels.add(new Bench.Callout(own.plus(by),
                    name + (large ? "  over by " + words().length(model.result(CutFigures.STANDS).orElseThrow().overMm(name)) : ""),
                    large ? "stop" : ""));
        }

        /** Pins, rods and magnets between the two sections they belong to, as long as they are; those of the seam looked at stand out. */
        private void hardware(Registered r) {
            if (apart < 0.02) return;
            var seam = tab().equals("joints") ? joints.picked().map(Seam::name) : Optional.<String>empty();
            for (var f : r.fitted()) {
                var between = off.getOrDefault(f.above(), Vec3.ZERO).plus(off.getOrDefault(f.below(), Vec3.ZERO)).times(0.5);
                var from = f.at().plus(between).minus(f.axis().times(f.intoBelowMm()));
                var to = f.at().plus(between).plus(f.axis().times(f.intoAboveMm()));
                boolean on = seam.isEmpty() || seam.get().equals(f.seam());
                var pin = bench.drawn()
                        .lines(new double[] {from.x(), from.y(), from.z(), to.x(), to.y(), to.z()},
                                (on ? Role.HARDWARE : Role.HARDWARE_OFF).colour(), Math.max(3, f.diameterMm()));
                pin.setUserData(new Bench.Hint(f.kind().words() + " " + f.size() + " in " + f.seam()));
                things.add(pin);
            }
        }
    }

    private String about(String name) {
        var s = model.result(CutFigures.SECTIONS).flatMap(q -> q.sections().stream().filter(x -> x.name().equals(name)).findFirst());
        var p = model.result(PrintFigures.PRINTS).flatMap(q -> q.prints().stream().filter(x -> x.name().equals(name)).findFirst());
        return "section " + name + s.map(q -> "  " + words().size(q.size())).orElse("")
                + p.map(q -> Words.text("  ~%s, ~%.1f h on %s", Words.grams(q.estimate().grams()), q.hours(), q.printer().name()))
                        .orElse("");
    }

    private String seamsOf(String name) {
        var list = model.result(CutFigures.REGISTERED)
                .map(r -> r.sections()
                        .seams()
                        .stream()
                        .filter(s -> s.first().equals(name) || s.second().equals(name))
                        .map(s -> "seam " + s.name() + "  " + words().longLength(s.lengthMm()) + ", " + words().longLength(s.showLengthMm())
                                + " seen, " + r.words(s.name()))
                        .toList())
                .orElse(List.of());
        return String.join("\n", list);
    }

    /**
     * Each plane as a pane of glass a little wider than the prop, dragged along its normal, with a knob at its edge to turn it; sections
     * follow while it moves.
     */
    private void drawPlanes(Bounds3 box, double s, List<javafx.scene.Node> things, List<Bench.Callout> labels) {
        labels.clear();
        var list = prop().cut().tree().planes();
        var locks = prop().cut().tree().locks();
        for (int i = 0; i < list.size(); i++) {
            int number = i;
            var plane = list.get(i);
            var n = plane.normal();
            var centre = box.centre();
            var at = centre.plus(n.times(plane.offsetMm() * s - n.dot(centre)));
            var pane = new MeshView(bench.drawn().square(at, n, 0.56 * box.diagonal()));
            pane.setMaterial(bench.drawn().paneOfGlass(i == picked ? 0.42 : 0.2));
            pane.setCullFace(CullFace.NONE);
            pane.setUserData(new Bench.Handle(at, n, mm -> dragPlane(number, moved(plane, mm / s), false),
                    mm -> dragPlane(number, Math.abs(mm) < 0.05 ? plane : moved(plane, mm / s), true)));
            var group = new Group(pane);
            group.setUserData(new Bench.Target(f -> pickPlane(number)));
            things.add(group);
            var side = n.cross(Math.abs(n.z()) < 0.9 ? Vec3.Z : Vec3.X).unit();
            things.add(knob(number, plane, at, side, 0.28 * box.diagonal(), s));
            labels.add(new Bench.Callout(at.plus(side.times(0.3 * box.diagonal())),
                    (i + 1) + "  " + plane.words() + (locks.get(i) ? "  locked" : ""), ""));
        }
    }

    private javafx.scene.Node knob(int number, CutPlane plane, Vec3 at, Vec3 side, double reach, double s) {
        var knob = new Sphere(0.022 * reach / 0.28);
        var place = at.plus(side.times(reach));
        knob.getTransforms().setAll(new Translate(place.x(), place.y(), place.z()));
        knob.setMaterial(bench.drawn().paneOfGlass(0.95));
        var axis = side.cross(plane.normal());
        var about = at.times(1 / s);
        knob.setUserData(new Bench.Handle(place, plane.normal(), mm -> dragPlane(number, turned(plane, axis, mm, reach, about), false),
                mm -> dragPlane(number, Math.abs(mm) < 0.05 ? plane : turned(plane, axis, mm, reach, about), true)));
        return knob;
    }

    /** To whole degrees; axes attract. */
    private static CutPlane turned(CutPlane plane, Vec3 axis, double mm, double reach, Vec3 about) {
        return PlaneSnap.turned(plane, axis, Math.rint(Math.toDegrees(Math.atan2(mm, reach))), about);
    }

    /** A little off whole tenths, where models have their vertices. */
    private static CutPlane moved(CutPlane from, double mm) {
        return new CutPlane(from.normal(), Math.rint(10 * (from.offsetMm() + mm)) / 10 + 0.037);
    }

    private void pickPlane(int number) {
        picked = number;
        draw();
    }

    private void dragPlane(int number, CutPlane to, boolean dropped) {
        dragging = !dropped;
        picked = number;
        var from = model.session().build().prop(prop().id()).orElseThrow().cut().tree().planes().get(number);
        if (to.equals(from)) {
            if (dropped) model.endPreview();
            return;
        }
        var edit = Edit.movePlane(prop().id(), number, to);
        if (dropped) model.apply(edit);
        else model.preview(edit);
    }
}
