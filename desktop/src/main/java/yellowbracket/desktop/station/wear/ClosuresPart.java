package yellowbracket.desktop.station.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.size.Remedy;
import yellowbracket.wear.hold.Closure;
import yellowbracket.wear.hold.FitAfter;
import yellowbracket.wear.hold.Hinge;

/** Joints that open again: magnets with their poles, what they hold, and what paint leaves of every fit. */
final class ClosuresPart extends WearPart {
    private String picked = "";

    ClosuresPart(WearView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "what holds, and comes off again";
    }

    private List<Closure> list() {
        return model.result(WearFigures.CLOSURES).map(WearFigures.Closures::list).orElse(List.of());
    }

    private Optional<Closure> one() {
        return list().stream().filter(c -> c.seam().equals(picked)).findFirst().or(() -> list().stream().findFirst());
    }

    @Override
    void write(Card card) {
        var all = model.result(WearFigures.CLOSURES);
        if (all.isEmpty()) {
            view.waiting(card, WearFigures.CLOSURES);
            return;
        }
        if (list().isEmpty()) {
            card.text("no joint of it opens with magnets. Say which seam comes off under join, and give it pockets for magnets under cut.");
            card.row("", Card.action("joints that come off", () -> model.go(Page.JOIN, "seams")),
                    Card.action("pockets for magnets", () -> model.go(Page.CUT, "joints")));
        } else {
            var sheet = new Sheet<Closure>("closures", "none").words("seam", Closure::seam)
                    .number("magnets", c -> c.magnets().size(), c -> c.magnets().size() + " of " + String.join(", ", c.sizes()))
                    .number("holds", Closure::pullN, c -> Words.text("%.0f N", c.pullN()))
                    .number("asked", Closure::needN, c -> Words.text("%.0f N", c.needN()))
                    .rows(list(), 6);
            one().ifPresent(c -> sheet.getSelectionModel().select(c));
            card.add(sheet.onPick(c -> {
                if (c.seam().equals(picked)) return;
                picked = c.seam();
                view.again();
            }));
            one().ifPresent(c -> {
                card.title("poles of " + c.seam());
                var built = c.magnets().stream().map(m -> m.northUp() ? "N" : "S").toList();
                card.row("as planned", String.join(" ", built), "towards the seam, of the upper part; the other part the other way",
                        c.asBuilt() < 0 || c.best().poses() == 0 ? "good" : "care");
                card.row("wrong poses", c.best().poses() == 0 ? "none" : c.asBuilt() < 0 ? "all repel" : "some hold",
                        Words.text("%d looked at, turned and shifted; the best pattern is %s", c.best().poses(), c.best().words()),
                        c.asBuilt() < 0 ? "good" : "care");
                card.row("gap", words().length(c.gapMm()), "glue and skins between the magnets; faces kept bare of paint");
                card.text("Mark every pole with a dot before glue; try each pair; the second part follows the first, "
                        + "stuck to it through paper.");
            });
        }
        for (var h : all.get().hinges())
            if (h.turns()) card.row("hinge", words().length(h.lengthMm()), "straight edge of " + h.seam() + ", drawn in yellow");
        view.findings(card, all.get().findings());
        model.result(SizeFigures.REMEDIES)
                .ifPresent(r -> r.list().stream().filter(Remedy.Part.class::isInstance).findFirst().ifPresent(x -> {
                    card.row("way in", "too narrow", "the head passes when you " + x.words() + "; plan that joint to come off", "care");
                    card.row("", Card.action("the way in", () -> model.go(Page.SIZE, "put on")));
                }));
        fits(card);
    }

    private void fits(Card card) {
        var fits = model.result(WearFigures.AFTER_PAINT);
        if (fits.isEmpty() || fits.get().list().isEmpty()) return;
        card.title("room left after paint");
        card.add(new Sheet<FitAfter>("fits", "none").words("seam", FitAfter::where)
                .words("fit", FitAfter::what)
                .number("a side", FitAfter::gapMm, f -> Words.text("%.2f", f.gapMm()))
                .number("coats", f -> 2 * f.filmMm(), f -> f.bare() ? "bare" : Words.text("%.2f", 2 * f.filmMm()))
                .number("left", FitAfter::leftMm, f -> Words.text("%.2f", f.leftMm()))
                .rows(fits.get().list(), 8));
        view.findings(card, fits.get().findings());
    }

    @Override
    void draw() {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        for (var c : list()) {
            int n = 0;
            for (var m : c.magnets()) {
                things.add(view.box(m.at().minus(R), m.at().plus(R), m.northUp() ? Role.SEAM_STOP.colour() : Role.GLASS.colour(), 1.6));
                if (one().filter(c::equals).isPresent()) labels.add(new Bench.Callout(m.at(), ++n + ": " + (m.northUp() ? "N" : "S"), ""));
            }
        }
        model.result(WearFigures.CLOSURES)
                .ifPresent(c -> c.hinges()
                        .stream()
                        .filter(Hinge::turns)
                        .forEach(h -> things.add(view.line(List.of(h.from(), h.to()), false, Role.YELLOW.colour(view.night()), 2.4))));
        view.shell(things, true, 0.3);
        view.bench().show(things, view.bounds().orElseThrow(), view.key("prop"));
        view.bench().callouts(labels);
        if (list().isEmpty()) view.bench().legend().none();
        else view.bench()
                .legend()
                .squares("poles of the upper part", List.of(Role.SEAM_STOP.colour(), Role.GLASS.colour()), List.of("north", "south"));
        double least = list().stream().mapToDouble(c -> c.needN() > 0 ? c.pullN() / c.needN() : 9).min().orElse(Double.NaN);
        view.bench()
                .gauges(Double.isNaN(least) ? List.of()
                        : List.of(new Bench.Gauge("closures", String.valueOf(list().size()), "", ""), new Bench.Gauge("weakest holds",
                                Words.text("%.1f times", least), "of what is asked", least < 1 ? "care" : "good")));
    }

    private static final yellowbracket.mesh.Vec3 R = new yellowbracket.mesh.Vec3(4, 4, 4);
}
