package yellowbracket.desktop.station.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import javafx.geometry.HPos;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.document.Edit;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Bounds3;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Cure;
import yellowbracket.shop.Process;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Speeds;

/**
 * How fine: profiles by intent with the smoothing they cause, every figure of one, for all sections or a single one; the picture of hours
 * against layer height. Part of the print page.
 */
final class FinePart extends PrintPart {
    private Optional<String> section = Optional.empty();
    private boolean all;

    FinePart(PrintView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "how fine";
    }

    private Profile profile() {
        return section.flatMap(s -> prop().print().section(s).profile()).orElse(prop().print().profile());
    }

    @Override
    void write(Card card, PrintPlan plan) {
        if (section.isPresent() && !names(plan).contains(section.get())) section = Optional.empty();
        card.add(stamps(plan, "all of it", section, s -> {
            section = s;
            view.again();
        }));
        presets(card);
        if (section.isEmpty()) least(card);
        new BandRows(model, prop()).write(card, section);
        walls(card);
        fields(card);
        model.result(PrintFigures.REMARKS)
                .ifPresent(r -> r.rules()
                        .stream()
                        .filter(x -> x.subject().equals(Subject.WHOLE) && x.weight() != Weight.STOP
                                || x.subject().equals(section.map(q -> Subject.section(prop().section(q))).orElse(Subject.WHOLE)))
                        .forEach(x -> view.finding(card, x)));
        profile().check().forEach(f -> card.finding(Weight.STOP, f, "", () -> {}));
    }

    private void presets(Card card) {
        var table = view.table("what for", "print h", "smooth h", "sum h", "lines \u00b5m", "ready");
        boolean resin = model.shownProperty().get().printers().stream().anyMatch(p -> p.process() == Process.RESIN);
        for (var p : model.shop().profiles()) {
            if (p.process() == Process.RESIN && !resin) continue;
            var taken = p.process() == Process.FILAMENT && profile().process() == Process.FILAMENT ? p.withMaterial(profile().material())
                    : p;
            view.row(table,
                    p.name().replace("fast, filling to come", "fast, to be filled").replace("solid to sand hard", "solid, sand hard"),
                    taken.equals(profile()), edit(taken), view::sums)
                    .more(Words.text("%s mm layers, %s mm nozzle, %d walls, %.0f %% infill, %s", p.layerMm(), p.nozzleMm(), p.walls(),
                            100 * p.infill(), p.material()));
        }
        card.add(table);
    }

    /** The least sum of the picture, one click away. */
    private void least(Card card) {
        var fine = model.result(SmoothFigures.FINENESS).filter(f -> !f.points().isEmpty());
        if (fine.isEmpty()) return;
        var best = fine.get().least(profile().nozzleMm()).or(() -> fine.get().least()).orElseThrow();
        boolean now = Math.abs(best.layerMm() - profile().layerMm()) < 1e-9;
        var more = Card.more(Words.text("%.2f mm layers from a %s mm nozzle: print ~%.0f h, smooth ~%.1f h", best.layerMm(),
                best.nozzleMm(), best.printH(), best.smoothH()));
        if (now) card.row("least sum", more);
        else card.row("least sum", more,
                Card.action("take it", () -> change("layers of " + best.layerMm() + " mm", p -> p.withLayerMm(best.layerMm()))));
    }

    private void walls(Card card) {
        if (profile().process() == Process.RESIN) return;
        var table = view.table("walls", "print h", "smooth h", "sum h", "lines \u00b5m", "ready");
        for (int walls : new int[] {2, 3, 4}) {
            var p = profile().withWalls(walls);
            view.row(table, walls + " walls, " + words().length(p.wallMm()), walls == profile().walls(), edit(walls + " walls", p),
                    view::sums);
        }
        card.add(table);
    }

    private Edit edit(Profile p) {
        return section.map(s -> edit(p.name(), p)).orElseGet(() -> Edit.profile(prop().id(), p));
    }

    private Edit edit(String name, Profile p) {
        return section
                .map(s -> Edit.print(name + " for " + s, prop().id(), s,
                        w -> w.withProfile(p.equals(prop().print().profile()) ? Optional.empty() : Optional.of(p))))
                .orElseGet(() -> Edit.ofProp(name, prop().id(), q -> q.withPrint(q.print().withProfile(p))));
    }

    /** Applies a change unless the profile could not be printed so; then it says why. */
    private void change(String name, UnaryOperator<Profile> change) {
        var p = change.apply(profile());
        if (!p.check().isEmpty()) model.tell(AppModel.Tone.STOP, p.check().getFirst());
        else if (!p.equals(profile())) model.apply(edit(name, p));
    }

    private void fields(Card card) {
        var p = profile();
        card.title(section.map(s -> "profile of section " + s).orElse("profile") + ": " + p.name());
        var grid = new Grid();
        grid.add("material",
                new Choice<>("material", "material",
                        model.shop().materials().stream().filter(m -> m.process() == p.process()).map(m -> m.name()).toList(), p.material(),
                        m -> m, m -> change("print in " + m, q -> q.withMaterial(m))));
        section.ifPresent(s -> {
            var printers = new ArrayList<Optional<String>>(List.of(Optional.empty()));
            for (var q : model.shownProperty().get().printers()) if (q.process() == p.process()) printers.add(Optional.of(q.name()));
            grid.add("printer",
                    new Choice<>("on-printer", "printer for section " + s, printers, prop().print().section(s).printer(),
                            q -> q.orElse("any printer"),
                            q -> model.apply(Edit.print(s + " on " + q.orElse("any printer"), prop().id(), s, w -> w.withPrinter(q)))));
        });
        grid.number("layer", "layer", "mm", "mm between 0.01 and 1.5, such as 0.2", 0.01, 1.5, p.layerMm(), v -> q -> q.withLayerMm(v));
        if (p.process() == Process.RESIN) resin(grid, p.cure().orElseThrow());
        else filament(grid, p);
        grid.number("support-angle", "support beyond", "\u00b0", "degrees between 0 and 90, such as 50", 0, 90, p.supportAngleDeg(),
                v -> q -> q.withSupport(v, q.supportDensity()));
        grid.number("support-density", "support", "%", "per cent between 1 and 100, such as 15", 1, 100, 100 * p.supportDensity(),
                v -> q -> q.withSupport(q.supportAngleDeg(), v / 100));
        card.add(grid);
        if (p.process() == Process.FILAMENT) card.add(Card.action(all ? "speeds away" : "speeds ...", () -> {
            all = !all;
            view.again();
        }));
    }

    private void filament(Grid grid, Profile p) {
        grid.number("nozzle", "nozzle", "mm", "mm between 0.1 and 2, such as 0.4", 0.1, 2, p.nozzleMm(), v -> q -> q.withNozzle(v));
        grid.number("line-width", "line", "mm", "mm between 0.1 and 4, such as 0.44", 0.1, 4, p.lineWidthMm(),
                v -> q -> q.withLineWidthMm(v));
        grid.number("walls", "walls", "", "a whole number between 1 and 30, such as 3", 1, 30, p.walls(),
                v -> q -> q.withWalls((int) Math.round(v)));
        grid.number("infill", "infill", "%", "per cent between 0 and 100, such as 15", 0, 100, 100 * p.infill(),
                v -> q -> q.withInfill(v / 100));
        grid.number("top-bottom", "top, bottom", "mm", "mm between 0 and 20, such as 0.8", 0, 20, p.topBottomMm(),
                v -> q -> q.withTopBottomMm(v));
        grid.number("brim", "brim", "mm", "mm between 0 and 30, such as 8", 0, 30, p.brimMm(), v -> q -> q.withBrimMm(v));
        grid.number("raft", "raft", "layers", "a whole number of layers between 0 and 10", 0, 10, p.raftLayers(),
                v -> q -> q.withRaftLayers((int) Math.round(v)));
        if (!all) return;
        var s = p.speeds();
        speed(grid, "speed-outer", "outer wall", s.outerMmS(),
                v -> t -> new Speeds(v, t.innerMmS(), t.infillMmS(), t.supportMmS(), t.travelMmS(), t.acceleration()));
        speed(grid, "speed-inner", "inner walls", s.innerMmS(),
                v -> t -> new Speeds(t.outerMmS(), v, t.infillMmS(), t.supportMmS(), t.travelMmS(), t.acceleration()));
        speed(grid, "speed-infill", "infill", s.infillMmS(),
                v -> t -> new Speeds(t.outerMmS(), t.innerMmS(), v, t.supportMmS(), t.travelMmS(), t.acceleration()));
        speed(grid, "speed-support", "support", s.supportMmS(),
                v -> t -> new Speeds(t.outerMmS(), t.innerMmS(), t.infillMmS(), v, t.travelMmS(), t.acceleration()));
        speed(grid, "speed-travel", "travel", s.travelMmS(),
                v -> t -> new Speeds(t.outerMmS(), t.innerMmS(), t.infillMmS(), t.supportMmS(), v, t.acceleration()));
        grid.number("acceleration", "starts, corners", "\u00d7", "a factor between 1 and 5, such as 1.18", 1, 5, s.acceleration(),
                v -> q -> q.withSpeeds(new Speeds(q.speeds().outerMmS(), q.speeds().innerMmS(), q.speeds().infillMmS(),
                        q.speeds().supportMmS(), q.speeds().travelMmS(), v)));
    }

    private void speed(Grid grid, String id, String name, double now, DoubleFunction<UnaryOperator<Speeds>> change) {
        grid.number(id, name, "mm/s", "mm/s between 1 and 1000, such as 60", 1, 1000, now,
                v -> q -> q.withSpeeds(change.apply(v).apply(q.speeds())));
    }

    private void resin(Grid grid, Cure c) {
        cure(grid, "exposure", "light", "s", 0.1, 120, c.exposureS(),
                v -> k -> new Cure(v, k.bottomLayers(), k.bottomExposureS(), k.liftMm(), k.liftMmS()));
        cure(grid, "bottom-layers", "first layers", "", 0, 40, c.bottomLayers(),
                v -> k -> new Cure(k.exposureS(), (int) Math.round(v), k.bottomExposureS(), k.liftMm(), k.liftMmS()));
        cure(grid, "bottom-exposure", "their light", "s", 1, 300, c.bottomExposureS(),
                v -> k -> new Cure(k.exposureS(), k.bottomLayers(), v, k.liftMm(), k.liftMmS()));
        cure(grid, "lift", "lift", "mm", 0.5, 30, c.liftMm(),
                v -> k -> new Cure(k.exposureS(), k.bottomLayers(), k.bottomExposureS(), v, k.liftMmS()));
        cure(grid, "lift-speed", "lift speed", "mm/s", 0.2, 30, c.liftMmS(),
                v -> k -> new Cure(k.exposureS(), k.bottomLayers(), k.bottomExposureS(), k.liftMm(), v));
    }

    private void cure(Grid grid, String id, String name, String unit, double least, double most, double now,
            DoubleFunction<UnaryOperator<Cure>> change) {
        grid.number(id, name, unit, Words.text("a number between %s and %s", least, most), least, most, now,
                v -> q -> new Profile(q.name(), q.material(), q.layerMm(), q.nozzleMm(), q.lineWidthMm(), q.walls(), q.infill(),
                        q.topBottomMm(), q.supportAngleDeg(), q.supportDensity(), q.speeds(), q.brimMm(), q.raftLayers(),
                        q.cure().map(change.apply(v)::apply)));
    }

    /** Two fields a line, names before, units after. */
    private final class Grid extends GridPane {
        private int count;

        Grid() {
            setHgap(8);
            setVgap(4);
            for (int i = 0; i < 2; i++) {
                var name = new ColumnConstraints(84);
                var value = new ColumnConstraints();
                value.setHgrow(Priority.ALWAYS);
                value.setHalignment(HPos.LEFT);
                getColumnConstraints().addAll(name, value);
            }
        }

        void add(String name, javafx.scene.Node control) {
            var label = new Label(name);
            label.getStyleClass().add("row-name");
            label.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
            label.setPrefWidth(96);
            add(label, 2 * (count % 2), count / 2);
            add(control, 2 * (count % 2) + 1, count / 2);
            count++;
        }

        void number(String id, String name, String unit, String example, double least, double most, double now,
                DoubleFunction<UnaryOperator<Profile>> set) {
            var f = field("profile-" + id, name, example, least, most).with(plain(now));
            f.setPrefWidth(58);
            f.setMinWidth(50);
            f.setOnAction(e -> f.read().ifPresent(v -> change(name + " " + plain(v) + (unit.isEmpty() ? "" : " " + unit), set.apply(v))));
            var after = new Label(unit);
            after.getStyleClass().addAll("soft", "small");
            var both = new javafx.scene.layout.HBox(4, f, after);
            both.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            add(name, both);
        }

        private static String plain(double v) {
            return java.math.BigDecimal.valueOf(Math.rint(1000 * v) / 1000).stripTrailingZeros().toPlainString();
        }
    }

    @Override
    void draw(PrintPlan plan) {
        var fine = model.result(SmoothFigures.FINENESS).filter(f -> !f.points().isEmpty());
        if (fine.isEmpty()) {
            view.overview(plan);
            return;
        }
        view.bench().show(List.of(), Bounds3.of(-100, -100, -100, 100, 100, 100), view.frameKey("fineness"));
        view.bench().callouts(List.of());
        view.bench().legend().none();
        view.bench()
                .picture(fine.map(f -> FinenessPicture.of(f, prop().print().profile(), model.result(SmoothFigures.BANDS), view.night(),
                        p -> model.apply(Edit.ofProp(Words.text("%.2f mm layers, %s mm nozzle", p.layerMm(), p.nozzleMm()), prop().id(),
                                q -> q.withPrint(
                                        q.print().withProfile(q.print().profile().withNozzle(p.nozzleMm()).withLayerMm(p.layerMm()))))),
                        view.bench().getWidth() - 40, view.bench().getHeight() - 170)));
        view.gauges(plan);
    }
}
