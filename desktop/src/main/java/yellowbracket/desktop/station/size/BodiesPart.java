package yellowbracket.desktop.station.size;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.paint.Color;
import javafx.scene.transform.Scale;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.finding.Weight;
import yellowbracket.intake.BodyList;
import yellowbracket.intake.BodyRole;
import yellowbracket.intake.FileUnit;
import yellowbracket.intake.Intake;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;

/** What of the file counts: its unit, which way is up, its bodies and their roles. Part of the size page. */
final class BodiesPart {
    private static final int MOST_ROWS = 11;

    private final AppModel model;
    private final Bench bench;
    private final Runnable redraw;
    private final Set<Integer> picked = new HashSet<>();
    private boolean alone;
    private String of = "";
    private Optional<Sheet<BodyList.Entry>> sheet = Optional.empty();

    /** @param redraw draws the bench anew, for what is no part of the build: what is picked */
    BodiesPart(AppModel model, Bench bench, Runnable redraw) {
        this.model = model;
        this.bench = bench;
        this.redraw = redraw;
    }

    private Prop prop() {
        return model.currentProp().orElseThrow();
    }

    private Intake intake() {
        return prop().intake();
    }

    private void change(String name, java.util.function.UnaryOperator<Intake> change) {
        model.apply(Edit.intake(name, prop().id(), change));
    }

    void write(Card card) {
        if (!of.equals(prop().mesh())) {
            of = prop().mesh();
            picked.clear();
            alone = false;
        }
        var bodies = model.result(ModelFigures.BODIES);
        unitRow(card);
        wayRow(card);
        model.result(ModelFigures.STANCE).ifPresent(s -> guess(card, s));
        if (bodies.isEmpty()) {
            card.text("looking through the bodies of the file ...");
            return;
        }
        table(card, bodies.get());
    }

    private void unitRow(Card card) {
        var buttons = new ArrayList<javafx.scene.Node>();
        for (var u : FileUnit.USUAL) {
            var b = Card.action(u.name(), () -> change("read as " + u.name(), i -> i.with(u)));
            b.setDisable(intake().unit().equals(u));
            b.setAccessibleText("the file is in " + u.name());
            buttons.add(b);
        }
        var more = new MenuButton(FileUnit.USUAL.contains(intake().unit()) ? "miniature" : intake().unit().name());
        more.getStyleClass().setAll("menu-button", "plain");
        for (var u : FileUnit.MINIATURES) {
            var item = new MenuItem(u.name());
            item.setOnAction(e -> change("read as " + u.name(), i -> i.with(u)));
            more.getItems().add(item);
        }
        buttons.add(more);
        card.row("file unit", buttons.toArray(javafx.scene.Node[]::new));
    }

    private void wayRow(Card card) {
        var buttons = new ArrayList<javafx.scene.Node>();
        var about = List.of("tip", "roll", "turn");
        var axes = List.of("side to side axis", "front to back axis", "upright axis");
        for (int a = 0; a < 3; a++) {
            int axis = a;
            var b = Card.action(about.get(a) + " 90\u00b0",
                    () -> change(about.get(axis) + " the model", i -> i.turned(Turn.quarter(axis))));
            b.setAccessibleText("a quarter turn about the " + axes.get(a));
            buttons.add(b);
        }
        buttons.add(
                Card.action("flip", () -> change("turn the model upside down", i -> i.turned(Turn.quarter(0)).turned(Turn.quarter(0)))));
        var mirror = Card.action(intake().mirrored() ? "mirror back" : "mirror",
                () -> change("mirror the model", i -> i.withMirrored(!i.mirrored())));
        buttons.add(mirror);
        card.row("way up", buttons.toArray(javafx.scene.Node[]::new));
    }

    private void guess(Card card, Stance s) {
        String because = s.unitBecause() + "; " + s.wayBecause();
        if (!intake().settled()) card.finding(
                Weight.CARE, "guessed: in " + intake().unit().name()
                        + (intake().turn().equals(Turn.NONE) ? ", as it lies" : ", turned upright") + ". " + because,
                "that is right", () -> change("accept unit and way up", Intake::accepted));
        else if (s.differs(intake())) card.finding(Weight.NOTE,
                "the guess would be " + s.unit().name() + (s.turn().equals(intake().turn()) ? "" : ", turned") + ": " + because,
                "take the guess", () -> change("take the guess", i -> i.with(s.unit(), s.turn())));
    }

    private void table(Card card, BodyList bodies) {
        int printed = (int) bodies.entries().stream().filter(e -> intake().role(e.number()).printed()).count();
        card.title(bodies.entries().size() + (bodies.entries().size() == 1 ? " body in the file, " : " bodies in the file, ") + printed
                + " of them printed");
        double mm = intake().unit().mm() * prop().scale();
        var list = new Sheet<BodyList.Entry>("bodies of the file", "no bodies").swatch("", e -> colour(e.number()))
                .number("no", BodyList.Entry::number, e -> String.valueOf(e.number() + 1))
                .words("role", e -> intake().role(e.number()).label())
                .number("longest", BodyList.Entry::longest, e -> model.words().length(e.longest() * mm))
                .number("volume", BodyList.Entry::volume, e -> cubic(Math.abs(e.volume()) * mm * mm * mm / 1000))
                .words("shell", e -> e.inverted() ? "inside out" : e.closed() ? "closed" : "open");
        list.rows(bodies.entries(), MOST_ROWS);
        bodies.entries().stream().filter(e -> picked.contains(e.number())).forEach(e -> list.getSelectionModel().select(e));
        list.setId("bodies");
        list.getSelectionModel().getSelectedItems().addListener((javafx.collections.ListChangeListener<BodyList.Entry>) c -> {
            picked.clear();
            list.getSelectionModel().getSelectedItems().forEach(e -> {
                if (e != null) picked.add(e.number());
            });
            redraw.run();
        });
        sheet = Optional.of(list);
        var role = new MenuButton("role");
        role.getStyleClass().setAll("menu-button", "plain");
        role.setId("role");
        for (var r : BodyRole.values()) {
            var item = new MenuItem(r.label());
            item.setOnAction(e -> roles(r));
            role.getItems().add(item);
        }
        card.row("picked", action("keep", () -> roles(BodyRole.SHELL)), action("drop", () -> roles(BodyRole.DROPPED)), role,
                action(alone ? "show all" : "isolate", () -> {
                    alone = !alone && !picked.isEmpty();
                    redraw.run();
                }), action("all", () -> list.getSelectionModel().selectAll()));
        smallRow(card, bodies);
        card.add(list);
        card.text("click a body in the bench or in the list; shell, trim and tube are printed, the rest is shown as glass");
    }

    private static Button action(String words, Runnable run) {
        var b = Card.action(words, run);
        b.setId("bodies-" + words.replace(' ', '-'));
        return b;
    }

    private void smallRow(Card card, BodyList bodies) {
        var field = new NumberField("small", "length", "millimetres above 0, such as 8", 1e-6, 10_000,
                words -> model.tell(AppModel.Tone.STOP, words)).with("8");
        Runnable drop = () -> dropSmall(field, bodies);
        field.setOnAction(e -> drop.run());
        card.row("drop all under", field, Card.more("mm along their longest side"), action("drop small", drop));
    }

    private void dropSmall(NumberField field, BodyList bodies) {
        var read = field.read();
        if (read.isEmpty()) return;
        double mm = read.getAsDouble();
        var small = bodies.smallerThan(mm / prop().scale(), intake().unit()).stream().filter(b -> intake().role(b).printed()).toList();
        if (small.isEmpty()) model.tell(AppModel.Tone.NOTE, "no body is shorter than that");
        else give(small, BodyRole.DROPPED, "drop " + small.size() + " small bodies");
    }

    private void roles(BodyRole role) {
        if (picked.isEmpty()) {
            model.tell(AppModel.Tone.NOTE, "pick bodies first: click one in the bench, or rows of the list");
            return;
        }
        give(List.copyOf(picked), role, (role == BodyRole.SHELL ? "keep " : role == BodyRole.DROPPED ? "drop " : role.label() + ": ")
                + picked.size() + (picked.size() == 1 ? " body" : " bodies"));
    }

    /** Unless nothing would be left to print. */
    private void give(List<Integer> bodies, BodyRole role, String name) {
        var after = intake().withRole(bodies, role);
        if (model.result(ModelFigures.BODIES).orElseThrow().entries().stream().noneMatch(e -> after.role(e.number()).printed()))
            model.tell(AppModel.Tone.STOP, "nothing would be left to print: keep at least one body");
        else change(name, i -> i.withRole(bodies, role));
    }

    private static String cubic(double cm3) {
        return cm3 < 100 ? Words.text("%.1f cm\u00b3", cm3) : Words.whole(cm3) + " cm\u00b3";
    }

    private static Color colour(int body) {
        return Role.SECTIONS.get(body % Role.SECTIONS.size());
    }

    /** Every body in its colour, the picked ones yellow, those not printed as glass. */
    void draw() {
        var drawn = model.result(ModelFigures.FILE_PROXY);
        if (drawn.isEmpty()) return;
        var mesh = intake().placed(drawn.get().mesh());
        double s = prop().scale();
        var solid = new boolean[mesh.triangleCount()];
        var glass = new boolean[mesh.triangleCount()];
        for (int f = 0; f < solid.length; f++) {
            boolean shown = !alone || picked.contains(mesh.tag(f));
            solid[f] = shown && intake().role(mesh.tag(f)).printed();
            glass[f] = shown && !solid[f];
        }
        var things = new ArrayList<javafx.scene.Node>();
        add(things, mesh.only(solid), 1);
        add(things, mesh.only(glass), 0.25);
        things.forEach(t -> t.getTransforms().setAll(new Scale(s, s, s)));
        bench.show(things, mesh.bounds().scaled(s), prop().id() + "/bodies" + intake().unit().name() + intake().turn() + alone);
        bench.callouts(List.of());
        bench.legend().none();
        var size = model.result(ModelFigures.MODEL).map(m -> m.mesh().bounds().size().times(s));
        bench.gauges(List.of(new Bench.Gauge("size", size.map(model.words()::size).orElse("-"), "", ""),
                new Bench.Gauge("file unit", intake().unit().name(), intake().settled() ? "" : "guessed", intake().settled() ? "" : "care"),
                new Bench.Gauge("picked", String.valueOf(picked.size()), "", "")));
    }

    private void add(List<javafx.scene.Node> things, Mesh part, double opacity) {
        if (part.isEmpty()) return;
        int n = Role.SECTIONS.size();
        var palette = new ArrayList<>(Role.SECTIONS);
        palette.add(Role.PICKED.colour());
        var view = bench.drawn().byPalette(part, palette, f -> picked.contains(part.tag(f)) ? n : part.tag(f) % n);
        if (opacity < 1) view = bench.drawn().glass(part, Role.GLASS.colour(), opacity);
        view.setUserData(new Bench.Target(f -> pick(part.tag(f))));
        things.add(view);
    }

    private void pick(int body) {
        sheet.ifPresent(list -> {
            list.getSelectionModel().clearSelection();
            list.getItems().stream().filter(e -> e.number() == body).findFirst().ifPresent(e -> {
                list.getSelectionModel().select(e);
                list.scrollTo(e);
            });
        });
    }
}
