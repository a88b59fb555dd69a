package yellowbracket.desktop.station.colour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.Slider;
import javafx.scene.paint.Color;
import yellowbracket.colour.BareFace;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.Overlap;
import yellowbracket.colour.Undercoats;
import yellowbracket.colour.order.Aim;
import yellowbracket.colour.zone.Border;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.export.ZonesDrawing;
import yellowbracket.shop.Coating;

/** Coats in order, walked on the model: what a step paints, what is masked for it, how long it takes. */
final class OrderPart extends ColourPart {
    private static final AskFile.Kind PDF = AskFile.Kind.of("PDF", "pdf");

    private int step;
    private boolean dragging;

    OrderPart(ColourView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "in what order, and what is masked";
    }

    @Override
    boolean busy() {
        return dragging;
    }

    @Override
    void write(Card card, ColourPlan plan) {
        if (plan.coats().isEmpty()) {
            view.findings(card, plan.findings());
            return;
        }
        step = Math.clamp(step, 0, plan.coats().size() - 1);
        card.row("by hand", Words.about(plan.hours()), Words.text("%s waiting; %.1f cans, costs %s; %.1f m of tape, %.0f dm\u00b2 of film",
                Words.hours(plan.waitH()), plan.cans(), Words.money(plan.cost(model.shop())), plan.tapeM(), plan.maskDm2()));
        walk(card, plan);
        aims(card, plan);
        card.title("coats, in order");
        var sheet = new Sheet<ColourPlan.Coats>("coats", "no coats").swatch("", c -> Color.web(c.hex()))
                .words("zone", ColourPlan.Coats::zone)
                .words("by", c -> c.sprayed() ? "spray" : "brush")
                .number("coats", ColourPlan.Coats::count, c -> String.valueOf(c.count()))
                .number("tape m", ColourPlan.Coats::tapeM, c -> c.tapeM() > 0 ? Words.text("%.1f", c.tapeM()) : "-")
                .number("hand h", ColourPlan.Coats::handH, c -> Words.text("%.1f", c.handH()))
                .rows(plan.coats(), 12);
        sheet.getSelectionModel().select(step);
        card.add(sheet.onPick(c -> to(plan.coats().indexOf(c))));
        own(card, plan);
        undercoats(card, plan);
        seals(card);
        held(card);
        bare(card);
        papers(card, plan);
        view.findings(card, plan.findings());
    }

    private void to(int number) {
        if (number == step || number < 0) return;
        step = number;
        view.again();
    }

    /** The slider and what the step it stands on takes. */
    private void walk(Card card, ColourPlan plan) {
        var slider = new Slider(0, Math.max(1, plan.coats().size() - 1), step);
        slider.setId("coat-step");
        slider.setAccessibleText("walk through the coats");
        slider.setMajorTickUnit(1);
        slider.setMinorTickCount(0);
        slider.setSnapToTicks(true);
        slider.setBlockIncrement(1);
        slider.setMaxWidth(Double.MAX_VALUE);
        slider.valueChangingProperty().subscribe((was, on) -> {
            dragging = on;
            if (!on) view.again();
        });
        slider.valueProperty().subscribe((before, v) -> {
            int now = (int) Math.round(v.doubleValue());
            if (now == step) return;
            step = Math.min(now, plan.coats().size() - 1);
            if (dragging) view.draw();
            else view.again();
        });
        card.add(slider);
        var c = plan.coats().get(step);
        card.step(Words.hours(c.handH()), Words.text("%d. %s: %d coats of %s", step + 1, c.zone(), c.count(), c.product()), told(c));
        c.masks().forEach(m -> card.step("mask", m.name(), masked(m)));
        model.result(ColourFigures.SURFACE).ifPresent(s -> {
            var at = Overlap.of(plan, s, step, wish()::zone);
            if (!at.over().isEmpty()) card.text("over the line, so that nothing shows between: "
                    + at.over().stream().map(o -> Words.text("%.0f mm into %s", o.mm(), o.zone())).collect(Collectors.joining(", ")));
            if (!at.seals().isEmpty()) card.text("tape down, then a mist of its own colour along the edge before the new one: "
                    + at.seals().stream().map(x -> x.zone() + " " + x.hex()).collect(Collectors.joining(", ")));
        });
        if (!c.sprayed()) card.text("by brush along the line: no tape");
        else if (c.masks().isEmpty() && c.zones().size() == 1)
            card.text("no tape: what it runs over is painted later, or its spray does not come there");
    }

    private static String masked(ColourPlan.Masked m) {
        var tapes = m.tapes()
                .entrySet()
                .stream()
                .filter(t -> t.getValue() >= 0.05)
                .map(t -> Words.text("%.1f m %s", t.getValue(), t.getKey().words()))
                .collect(Collectors.joining(", "));
        return (tapes.isEmpty() ? "no tape" : tapes) + Words.text("; film %.1f dm\u00b2", m.filmDm2());
    }

    private static String told(ColourPlan.Coats c) {
        String window = c.recoatFromH() < 1 ? Words.text("%.0f min", 60 * c.recoatFromH()) : Words.hours(c.recoatFromH());
        String closes = c.recoatToH() < 100 ? Words.text(" to %s, or after %s", Words.hours(c.recoatToH()), Words.hours(c.recoatAgainH()))
                : "";
        return Words.text("%s coats likely; each %.0f g over %.0f dm\u00b2, %.1f m of passes%s; next coat after %s%s; tape after %s",
                c.likely().words(), c.grams(), c.dm2(), c.pathM(), c.sprayed() ? ", the first a mist" : "", window, closes,
                Words.hours(c.tapeH()));
    }

    private void aims(Card card, ColourPlan plan) {
        card.title("what the order is to spare");
        var table = view.alternatives("order", "hand min", "tape m", "coats till", "ready");
        for (var aim : Aim.values()) {
            var o = plan.orders().get(aim);
            view.alternative(table, aim.words(), !plan.own() && aim == wish().aim(),
                    Edit.colours("paint for " + aim.words(), prop().id(), w -> w.withAim(aim).withOrder(List.of())),
                    (row, d) -> row.figures(StationView.ready(d), Words.text("%.0f", o.minutes()), Words.text("%.1f", o.tapeM()),
                            Words.hours(o.elapsedH()), StationView.readyWords(d)));
        }
        card.add(table);
        if (plan.own()) card.row("your order", Words.text("%.0f min", plan.chosen().minutes()),
                Words.text("%.1f m of tape; %s until the last coat", plan.chosen().tapeM(), Words.hours(plan.chosen().elapsedH())));
        if (!plan.chosen().proven() && !plan.own()) card.text("so many zones: the best found, not proven the best");
    }

    /** The zone the walk stands on, one place earlier or later. */
    private void own(Card card, ColourPlan plan) {
        var c = plan.coats().get(step);
        var order = plan.order();
        int at = c.zones().size() == 1 ? order.indexOf(c.zones().getFirst()) : -1;
        var earlier = Card.action("earlier", () -> move(order, at, at - 1));
        earlier.setId("coat-earlier");
        earlier.setDisable(at < 1);
        var later = Card.action("later", () -> move(order, at, at + 1));
        later.setId("coat-later");
        later.setDisable(at < 0 || at >= order.size() - 1);
        var best = Card.action("best order again", () -> change("best order of painting", w -> w.withOrder(List.of())));
        best.setDisable(!plan.own());
        card.row("\u201c" + c.zone() + "\u201d", earlier, later, best);
    }

    private void move(List<Integer> order, int from, int to) {
        var now = new ArrayList<>(order);
        now.add(to, now.remove(from));
        change("paint " + wish().zone(order.get(from)).map(ColourZone::name).orElse("zone") + (to < from ? " earlier" : " later"),
                w -> w.withOrder(now));
    }

    private void undercoats(Card card, ColourPlan plan) {
        card.title("what is underneath");
        for (var g : plan.undercoats().groups()) card.step(g.shade(),
                String.join(", ", g.zones().stream().map(id -> wish().zone(id).map(ColourZone::name).orElse("?")).toList()), g.why());
    }

    private void seals(Card card) {
        card.title("clear coat over all");
        var table = view.alternatives("seal", "cans", "work h", "ready");
        for (var name : List.of("matt clear", "gloss clear", ""))
            view.alternative(table, name.isEmpty() ? "none" : name, name.equals(wish().seal()),
                    Edit.colours(name.isEmpty() ? "no clear coat" : "seal with " + name, prop().id(), w -> w.withSeal(name)),
                    (row, d) -> row.figures(StationView.ready(d),
                            d.get(ColourFigures.COLOUR, prop().id()).map(c -> Words.text("%.1f", c.cans())).orElse("-"),
                            d.get(ColourFigures.COLOUR, prop().id()).map(c -> Words.text("%.1f", c.hours())).orElse("-"),
                            StationView.readyWords(d)));
        card.add(table);
    }

    private void held(Card card) {
        var mounts = model.result(ColourFigures.MOUNTS);
        if (mounts.isEmpty() || mounts.get().list().isEmpty()) return;
        card.title("how it is held, and where it dries");
        for (var m : mounts.get().list()) card.step(Words.text("%.1f kg", m.grams() / 1000), m.part() + ": " + m.how().words(),
                Words.text("%s; bears %.1f kg; dries in %s, free of dust; not in the hand before %s", m.how().told(), m.bearsG() / 1000,
                        m.room(), Words.hours(m.freeH())));
        view.findings(card, mounts.get().findings());
    }

    private void bare(Card card) {
        var faces = model.result(ColourFigures.BARE).map(ColourFigures.Bare::list).orElse(List.of());
        if (faces.isEmpty()) return;
        card.title("kept bare");
        for (var f : faces) card.step(Words.text("%.0f min", f.minutes()), f.where() + ", " + f.why(), Words
                .text("%.1f dm\u00b2, %.1f m of tape%s", f.dm2(), f.tapeM(), f.sockets() > 0 ? ", " + f.sockets() + " plugs of foam" : ""));
        view.findings(card, faces.stream().map(BareFace::finding).toList());
    }

    private void papers(Card card, ColourPlan plan) {
        var drawing = Card.action("zones drawing", () -> drawing(plan));
        drawing.setId("zones-drawing");
        var colours = Card.action("colour card", () -> {
            var zones = wish().zones();
            var shelf = model.shownProperty().get().paints();
            String name = prop().name();
            view.save(name + " colours.pdf", PDF, file -> ZonesDrawing.card(name, zones, shelf, plan, file), "");
        });
        colours.setId("colour-card");
        card.row("as PDF", drawing, colours);
    }

    private void drawing(ColourPlan plan) {
        var surface = model.result(ColourFigures.SURFACE);
        var light = view.light();
        if (surface.isEmpty() || light.isEmpty()) return;
        double s = prop().scale();
        String name = prop().name();
        var zones = wish().zones();
        view.save(name + " zones.pdf", PDF,
                file -> ZonesDrawing.zones(name, light.get().on(light.get().base().scaled(s)), zones, surface.get(), plan, file), "");
    }

    /** What a zone looks like after some steps. */
    private enum State { BARE, UNDER, DONE, NOW, MASKED }

    @Override
    void draw() {
        var light = view.light().orElseThrow();
        var plan = view.plan();
        if (plan.isEmpty() || plan.get().coats().isEmpty()) {
            view.shown(List.of(view.painted(light, view.palette(), f -> view.slot(light.zone(f)))), List.of(), "prop");
            view.legendOfZones();
            return;
        }
        var coats = plan.get().coats();
        step = Math.clamp(step, 0, coats.size() - 1);
        var zones = wish().zones();
        var palette = new ArrayList<Color>();
        var masked = Role.TAPE.colour();
        for (var z : zones) palette.add(switch (state(coats, z.id())) {
            case BARE -> Color.web(prop().smooth().printHex()).interpolate(view.neutral(), 0.5);
            case UNDER -> Color.web(plan.get()
                    .undercoats()
                    .groups()
                    .stream()
                    .filter(g -> g.zones().contains(z.id()))
                    .findFirst()
                    .map(Undercoats.Group::hex)
                    .orElse("#8b8f92"));
            case DONE -> Color.web(z.hex());
            case NOW -> Color.web(coats.get(step).zones().size() == 1 ? z.hex() : coats.get(step).hex());
            case MASKED -> masked;
        });
        palette.add(view.neutral());
        view.shown(List.of(view.painted(light, palette, f -> view.slot(light.zone(f)))), labels(coats), "prop");
        view.bench()
                .legend()
                .squares(step + 1 + ". " + coats.get(step).zone(), List.of(palette.get(slotNow(coats)), masked),
                        Arrays.asList("painted now", "masked for it"));
    }

    private int slotNow(List<ColourPlan.Coats> coats) {
        return coats.get(step).zones().isEmpty() ? wish().zones().size() : view.slot(coats.get(step).zones().getFirst());
    }

    private State state(List<ColourPlan.Coats> coats, int zone) {
        var now = coats.get(step);
        if (now.masks().stream().anyMatch(m -> m.zone() == zone)) return State.MASKED;
        boolean overAll = model.shop().coating(now.product()).kind() == Coating.Kind.CLEAR;
        if (now.zones().contains(zone) && !overAll) return State.NOW;
        boolean under = false;
        for (int i = 0; i < step; i++) {
            if (!coats.get(i).zones().contains(zone)) continue;
            if (coats.get(i).hex().equals(wish().zone(zone).map(ColourZone::hex).orElse(""))) return State.DONE;
            under = true;
        }
        return under ? State.UNDER : State.BARE;
    }

    private List<Bench.Callout> labels(List<ColourPlan.Coats> coats) {
        return model.result(ColourFigures.SURFACE)
                .map(s -> coats.get(step)
                        .masks()
                        .stream()
                        .flatMap(m -> s.borders()
                                .stream()
                                .filter(b -> b.of(m.zone()) && coats.get(step).zones().stream().anyMatch(b::of))
                                .max(Comparator.comparingDouble(Border::lengthMm))
                                .stream()
                                .map(b -> new Bench.Callout(b.line().get(b.line().size() / 2), Words.text("tape %.1f m", m.tapeM()), "")))
                        .toList())
                .orElse(List.of());
    }
}
