package yellowbracket.desktop.station.cut;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Sliding;
import yellowbracket.cut.registration.Fitted;
import yellowbracket.cut.registration.Registered;
import yellowbracket.desktop.station.FacePicture;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.FitError;

/** How the sections find each other: a kind for all seams, one for each, and single pieces placed by hand. Part of the cut page. */
final class JointsPart extends CutPart {
    /** What can be placed one by one. */
    private static final List<RegistrationKind> SINGLE = List.of(RegistrationKind.PINS, RegistrationKind.DOWELS, RegistrationKind.RODS,
            RegistrationKind.MAGNETS, RegistrationKind.SEALED_MAGNETS);

    private static final List<RegistrationKind> SAWN = List.of(RegistrationKind.RODS, RegistrationKind.DOWELS,
            RegistrationKind.THROUGH_ROD);

    private String seam = "";
    private RegistrationKind kind = RegistrationKind.MAGNETS;
    private double diameter = 5;

    JointsPart(CutView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "how sections find each other";
    }

    /** The seam that is looked at. */
    Optional<Seam> picked() {
        return sections().flatMap(s -> s.seams().stream().filter(q -> q.name().equals(seam)).findFirst());
    }

    private void pick(String name) {
        seam = name;
        view.again();
    }

    @Override
    void write(Card card) {
        var r = prop().cut().registration();
        card.row("every seam", kinds("kind-usual", "what every seam gets", Arrays.asList(RegistrationKind.values()), r.usual(),
                k -> change("joints: " + k.words(), q -> q.withUsual(k))));
        var s = sections().orElseThrow();
        if (s.seams().isEmpty()) {
            card.text("no seams: nothing to join");
            return;
        }
        if (picked().isEmpty()) seam = s.seams().getFirst().name();
        var g = registered().orElseThrow();
        seamTable(card, s.seams(), g);
        picked().ifPresent(q -> seam(card, q, g));
        card.title("for all seams");
        fitRow(card, r);
        printedRows(card, r, g);
        marksRow(card, r);
        view.findings(card, g.findings());
    }

    private void change(String name, java.util.function.UnaryOperator<Registration> change) {
        model.apply(Edit.registration(name, prop().id(), change));
    }

    private static ChoiceBox<RegistrationKind> kinds(String id, String what, List<RegistrationKind> list, RegistrationKind now,
            java.util.function.Consumer<RegistrationKind> then) {
        return new Choice<>(id, what, list, now, RegistrationKind::words, then);
    }

    private void fitRow(Card card, Registration r) {
        var clearance = field("joint-clearance", "clearance", "millimetres of hole over pin in diameter, 0 to 2, such as 0.2", 0, 2)
                .with(Words.text("%.2f", r.clearanceMm()));
        var wall = field("joint-wall", "wall around a hole", "millimetres between 0.4 and 20, such as 1.2", 0.4, 20)
                .with(Words.text("%.1f", r.wallMm()));
        clearance.setOnAction(e -> clearance.read().ifPresent(v -> change("clearance " + v + " mm", q -> q.withFit(v, q.wallMm()))));
        wall.setOnAction(e -> wall.read().ifPresent(v -> change("wall around holes " + v + " mm", q -> q.withFit(q.clearanceMm(), v))));
        card.row("hole over pin", clearance, Card.more("mm, and a wall of"), wall, Card.more("mm"));
    }

    /** What of the clearance is left on each printer that was measured, and rods to saw. */
    private void printedRows(Card card, Registration r, Registered g) {
        for (var p : model.shownProperty().get().printers()) p.fit().ifPresent(e -> {
            double left = e.clearanceMm(r.clearanceMm()),
                    to = Math.clamp(Math.rint(100 * (r.clearanceMm() + Sliding.GOOD_MM - left)) / 100, 0, 2);
            var how = Sliding.of(left);
            if (how.good()) card.row(p.name(), Words.text("%.2f mm", left), "left of it as printed: " + how.words(), "good");
            else card.finding(Weight.CARE, Words.text("on %s %.2f mm are left of it: a pin %s", p.name(), left, how.words()),
                    Words.text("draw %.2f mm", to), () -> change("clearance " + to + " mm", q -> q.withFit(to, q.wallMm())));
        });
        var rods = g.fitted()
                .stream()
                .filter(f -> SAWN.contains(f.kind()))
                .collect(java.util.stream.Collectors.groupingBy(Fitted::size, java.util.TreeMap::new,
                        java.util.stream.Collectors.counting()));
        if (!rods.isEmpty())
            card.row("to saw", Card.more(String.join(", ", rods.entrySet().stream().map(e -> e.getValue() + " of " + e.getKey()).toList())
                    + "; 0.6 mm of end play is in it"));
        if (rods.isEmpty()) return;
        var rod = field("rod-at-hand", "rod at hand", "mm between 1 and 30, such as 5.05", 1, 30);
        rod.setOnAction(x -> rod.read()
                .ifPresent(mm -> model.tell(AppModel.Tone.NOTE,
                        String.join("; ",
                                model.shownProperty()
                                        .get()
                                        .printers()
                                        .stream()
                                        .map(p -> Words.text("on %s draw its hole %.2f mm wide", p.name(),
                                                p.fit().orElse(new FitError(0, 0, 0)).holeFor(mm, r.clearanceMm())))
                                        .toList()))));
        card.row("rod at hand", rod, Card.more("mm measured; Enter tells how wide its hole must be drawn"));
    }

    private void marksRow(Card card, Registration r) {
        var letters = new CheckBox("name, arrow, scale sunk in");
        letters.setId("letters");
        letters.setSelected(r.letters());
        letters.setOnAction(
                e -> change(letters.isSelected() ? "sink letters in" : "no letters", q -> q.withMarks(letters.isSelected(), q.ticks())));
        var ticks = new CheckBox("witness marks");
        ticks.setId("ticks");
        ticks.setSelected(r.ticks());
        ticks.setOnAction(
                e -> change(ticks.isSelected() ? "witness marks" : "no witness marks", q -> q.withMarks(q.letters(), ticks.isSelected())));
        card.row("marks", letters, ticks);
    }

    private void seamTable(Card card, List<Seam> seams, Registered g) {
        var table = new Sheet<Seam>("seams", "no seams").tag("", Seam::name)
                .number("length", Seam::lengthMm, q -> words().longLength(q.lengthMm()))
                .number("seen", Seam::showLengthMm, q -> words().longLength(q.showLengthMm()))
                .number("wall", Seam::wallMm, q -> words().length(q.wallMm()))
                .words("held by", q -> g.refusedOn(q.name()).isEmpty() || !g.on(q.name()).isEmpty() ? g.words(q.name()) : "refused")
                .rows(seams, 5);
        table.setId("seams");
        picked().ifPresent(q -> table.getSelectionModel().select(q));
        table.getSelectionModel().selectedItemProperty().addListener((o, before, q) -> {
            if (q != null && !q.name().equals(seam)) pick(q.name());
        });
        card.add(table);
    }

    private void seam(Card card, Seam q, Registered g) {
        card.title("seam " + q.name());
        var own = prop().cut().registration().kind(q.name());
        card.row("held by",
                kinds("kind-seam", "what seam " + q.name() + " gets", Arrays.asList(RegistrationKind.values()), own,
                        k -> change(q.name() + ": " + k.words(), r -> r.with(q.name(), k))),
                Card.more(g.words(q.name()) + (prop().cut().registration().byHand().containsKey(q.name()) ? ", by hand" : "")));
        card.add(new FacePicture(q, g, p -> place(q, p)));
        if (!kind.sizes().contains(diameter)) diameter = kind.sizes().getLast();
        var sizes = new Choice<>("spot-size", "diameter in mm of what is placed by hand", kind.sizes(), diameter,
                mm -> Words.text("%.0f mm", mm), mm -> diameter = mm);
        card.row("place by hand", kinds("spot-kind", "what is placed by hand", SINGLE, kind, k -> {
            kind = k;
            view.again();
        }), sizes, Card.action("in the middle", () -> place(q, q.centre())));
        pieces(card, q, g);
    }

    private void pieces(Card card, Seam q, Registered g) {
        var on = g.on(q.name());
        for (int i = 0; i < on.size(); i++) {
            var f = on.get(i);
            var others = new ArrayList<>(on);
            others.remove(i);
            var b = Card.action("take out", () -> change("take out a " + f.kind().words() + " of " + q.name(),
                    r -> r.withSpots(q.name(), others.stream().map(this::spot).toList())));
            b.setId("take-out-" + i);
            card.row(f.kind().words(), f.size(),
                    Words.text("%.1f mm into %s, %.1f into %s", f.intoAboveMm(), f.above(), f.intoBelowMm(), f.below()));
            ((javafx.scene.layout.HBox) card.getChildren().getLast()).getChildren().add(b);
        }
        for (var w : g.refusedOn(q.name())) card.finding(Weight.CARE, w.words(), w.byHand() ? "drop it" : "",
                () -> change("drop what was refused on " + q.name(), r -> r.withSpots(q.name(), on.stream().map(this::spot).toList())));
        if (prop().cut().registration().byHand().containsKey(q.name())) card.row("", Card.action("place by itself again",
                () -> change(q.name() + " placed by itself", r -> r.with(q.name(), r.kind(q.name())))));
    }

    private Registration.Spot spot(Fitted f) {
        return new Registration.Spot(
                f.kind() == RegistrationKind.BOSSES || f.kind() == RegistrationKind.THROUGH_ROD ? RegistrationKind.PINS : f.kind(),
                f.at().times(1 / prop().scale()), f.diameterMm());
    }

    /** What is there by itself stays, as if placed by hand. @param at real mm */
    void place(Seam q, Vec3 at) {
        var spots = new ArrayList<Registration.Spot>();
        if (prop().cut().registration().byHand().containsKey(q.name())) spots.addAll(prop().cut().registration().byHand().get(q.name()));
        else registered().ifPresent(g -> g.on(q.name()).forEach(f -> spots.add(spot(f))));
        spots.add(new Registration.Spot(kind, at.times(1 / prop().scale()), diameter));
        change("place " + kind.words() + " on " + q.name(), r -> r.withSpots(q.name(), spots));
    }
}
