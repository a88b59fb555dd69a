package yellowbracket.desktop.station.smooth;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.paint.Color;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.mesh.Vec3;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Place;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.Stroke;
import yellowbracket.smooth.Target;
import yellowbracket.smooth.Targets;
import yellowbracket.smooth.Walk;

/** How rough it is and what each place is to become: by area from a list, or with a brush over the model. */
final class AreasPart extends SmoothPart {
    /** What the bench shows. */
    private enum Look {
        DEPTH("depth of the lines"), KIND("what makes it rough"), AREAS("areas"), TARGETS("what it becomes");

        private final String words;

        Look(String words) {
            this.words = words;
        }
    }

    private Look look = Look.DEPTH;
    private Target paint = Target.TEXTURE;
    private double radiusMm = 15;
    private boolean brushing;
    private Optional<Vec3> picked = Optional.empty();
    private String area = "";

    AreasPart(SmoothView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "how rough, and what each place becomes";
    }

    @Override
    void write(Card card, SmoothPlan plan) {
        var a = plan.areas();
        card.row("lines", Words.text("%.0f \u00b5m", a.valley90Um()),
                Words.text("nine tenths are finer, half finer than %.0f; the valleys hold %.0f ml", a.valley50Um(), a.valleyMl()));
        card.row("bench shows",
                new Choice<>("smooth-shows", "what the bench shows", Arrays.asList(Look.values()), look, l -> l.words, l -> {
                    look = l;
                    view.draw();
                }));
        brush(card);
        place(card, plan);
        card.title("areas that are worked alike");
        card.add(new Sheet<Areas.Area>("areas", "nothing is to be smoothed").words("", Areas.Area::words)
                .number("dm\u00b2", Areas.Area::mm2, l -> Words.text("%.1f", l.dm2()))
                .number("lines \u00b5m", Areas.Area::deepUm, l -> Words.text("%.0f", l.deepUm()))
                .number("skin mm", Areas.Area::skinMm, l -> Double.isFinite(l.skinMm()) ? Words.text("%.1f", l.skinMm()) : "-")
                .rows(a.list(), 12)
                .onPick(p -> {
                    if (p.words().equals(area)) return;
                    area = p.words();
                    look = Look.AREAS;
                    view.again();
                }));
        a.list().stream().filter(x -> x.words().equals(area)).findFirst().ifPresent(x -> becomes(card, x));
        wish().areas()
                .forEach((key, t) -> card.row("set", Card.more(key.toLowerCase(java.util.Locale.ROOT) + ": " + t.label()),
                        Card.action("as the rest", () -> change(key + " as the rest", w -> w.area(key, Target.SHOW)))));
        double closed = view.map().orElseThrow().closedMm2() / 1e4;
        if (closed > 0.05) card.finding(yellowbracket.finding.Weight.NOTE, Words.text(
                "%.1f dm\u00b2 of the show side face something nearer than a hand: sand and prime those before the sections are joined",
                closed), "", () -> {});
    }

    private void brush(Card card) {
        var on = new ToggleButton("brush");
        on.getStyleClass().setAll("toggle-button", "action");
        on.setId("smooth-brush");
        on.setAccessibleText("paint on the model what a place becomes");
        on.setSelected(brushing);
        on.setOnAction(e -> {
            brushing = on.isSelected();
            view.draw();
        });
        var size = field("brush-radius", "radius of the brush", "mm between 1 and 200, such as 15", Stroke.LEAST_MM, Stroke.MOST_MM)
                .with(Words.text("%.0f", radiusMm));
        size.setOnAction(e -> size.read().ifPresent(r -> radiusMm = r));
        size.focusedProperty().subscribe(f -> {
            if (!f && size.edited()) size.read().ifPresent(r -> radiusMm = r);
        });
        card.row("paint", new Choice<>("brush-target", "what the brush makes of a place", Arrays.asList(Target.values()), paint,
                Target::label, t -> paint = t), size, Card.more("mm"), on);
        int n = wish().strokes().size();
        card.row("", Card.more(brushing ? "drag over the model; start beside it to turn the view"
                : n == 0 ? "mirror, hidden, keep texture, leave: over rivets, joints, the inside" : n + " strokes"));
        if (n > 0) {
            var clear = Card.action("take all strokes off", () -> change("strokes off", w -> w.withStrokes(List.of())));
            clear.setId("strokes-off");
            card.add(clear);
        }
    }

    private void becomes(Card card, Areas.Area a) {
        String key = Targets.key(a.shape(), a.lines());
        card.row(
                "\u201c" + a.words() + "\u201d", new Choice<>("area-target", "what this area becomes", Arrays.asList(Target.values()),
                        a.target(), Target::label, t -> change(a.words() + ": " + t.label(), w -> w.area(key, t))),
                Card.more(a.target().means()));
    }

    /** The place that was clicked, cut open. */
    private void place(Card card, SmoothPlan plan) {
        var at = picked.flatMap(p -> view.map().flatMap(m -> m.near(p.times(prop().scale()))));
        if (at.isEmpty()) {
            card.text("click a place on the model: it is cut open here, to scale");
            return;
        }
        var p = at.get();
        card.row("the place", Words.text("%.0f \u00b5m", p.shownUm()), told(p));
        var area = plan.areas().of(p, view.targets());
        if (area.isEmpty()) card.text("nothing is done here");
        else card.add(
                ProfilePicture.of(p, new Walk(plan, model.shop()), area.get(), 0, plan, wish().printHex(), model.shop(), view.night()));
    }

    private String told(Place p) {
        return Words.text("%s, %.2f mm from one to the next; %.1f ml on a dm\u00b2; %.1f mm of solid print beneath; %s", p.kind().words(),
                p.widthMm(), p.depthUm() / 200, p.skinMm(), p.target().label());
    }

    @Override
    void draw(SmoothPlan plan) {
        var list = plan.areas().list();
        List<Node> things = switch (look) {
            case DEPTH ->
                    view.painted(Ramp.cusp(), f -> f.place().target().worked() ? Math.max(f.depthUm(), f.place().seamUm()) : Double.NaN);
            case KIND -> view.painted(kinds(), f -> f.place().kind().ordinal());
            case AREAS -> view.painted(colours(list), f -> f.area().map(list::indexOf).orElse(list.size()));
            case TARGETS -> view.painted(targets(), f -> becomes(f).ordinal());
        };
        if (brushing) SmoothView.brushed(things, at -> change("brush: " + paint.label(), w -> w.painted(new Stroke(paint, radiusMm, at))));
        else SmoothView.clicked(things, p -> {
            picked = Optional.of(p);
            view.again();
        });
        var labels = picked.map(p -> List.of(new Bench.Callout(p.times(prop().scale()), "here", ""))).orElse(List.of());
        view.shown(things, labels, plan, "depth");
        var legend = view.bench().legend();
        switch (look) {
            case DEPTH -> legend.ramp(Optional.of(Ramp.cusp()), "\u00b5m", 1);
            case KIND -> legend.squares("what makes it rough", kinds().subList(0, 5),
                    Arrays.stream(Place.Kind.values()).map(Place.Kind::words).toList());
            case AREAS -> legend.squares("areas", colours(list).subList(0, list.size()), list.stream().map(Areas.Area::words).toList());
            case TARGETS ->
                    legend.squares("what it becomes", targets().subList(0, 5), Arrays.stream(Target.values()).map(Target::label).toList());
        }
    }

    /** By the facet's own middle, so that strokes have sharp edges. */
    private Target becomes(SmoothView.Facet f) {
        var p = f.place();
        var here = view.targets().of(f.at().times(prop().scale()), p.target() == Target.HIDDEN ? Target.HIDDEN : Target.SHOW);
        return here != Target.SHOW ? here : wish().areas().getOrDefault(Targets.key(p.shape(), p.lines()), Target.SHOW);
    }

    private List<Color> kinds() {
        return List.of(Role.SECTIONS.get(0), Role.SECTIONS.get(1), Role.SCAR.colour(), Role.SECTIONS.get(3), Role.SEAM.colour(),
                view.neutral());
    }

    private List<Color> targets() {
        return List.of(view.plastic(), view.neutral(), Role.HARDWARE.colour(), Role.SCAR.colour(), Role.SEAM.colour(), view.neutral());
    }

    private List<Color> colours(List<Areas.Area> list) {
        var out = new java.util.ArrayList<Color>();
        for (int i = 0; i < list.size(); i++) {
            var c = Role.SECTIONS.get(i % Role.SECTIONS.size());
            out.add(area.isEmpty() || list.get(i).words().equals(area) ? c : c.interpolate(view.neutral(), 0.75));
        }
        out.add(view.neutral());
        return out;
    }
}
